import fc from 'fast-check';
import { METHODS, type Reading } from '@/core/cable-measurement';
import {
  parseReadingCell,
  previewImport,
  scheduleCells,
  SCHEDULE_COLUMNS,
  writeReadingCell,
  type ImportContext,
  type ScheduleCable,
} from '.';

const reading = (text: string, more: Partial<Reading> = {}): Reading => ({
  quantity: 'outerSheath',
  method: 'caliper',
  text,
  unit: 'mm',
  ...more,
});
const parse = (cell: string, unit?: 'mm' | 'in') => parseReadingCell(cell, 'outerSheath', unit, 0.2);
const said = (cell: string, unit?: 'mm' | 'in') => {
  const read = parse(cell, unit);
  return read.ok ? JSON.stringify(read.value) : read.problems.map((p) => p.message).join('; ');
};

describe('reading cells', () => {
  it('reads what people write', () => {
    expect(parse('caliper 30.2 mm @0 | wrap tape 95,7 mm | datasheet 30 mm ± 1')).toMatchObject({
      ok: true,
      value: [
        { method: 'caliper', text: '30.2 mm', unit: 'mm', angleDeg: 0 },
        { method: 'wrapTape', text: '95,7 mm' },
        { method: 'datasheet', text: '30 mm', tolerance: '1' },
      ],
    });
    expect(parse('1 3/16"')).toMatchObject({
      ok: true,
      value: [{ method: 'datasheet', text: '1 3/16"', unit: 'in' }],
    });
    expect(parse('30,2', 'mm')).toMatchObject({
      ok: true,
      value: [{ method: 'datasheet', text: '30,2', unit: 'mm' }],
    });
    expect(parse('  ')).toEqual({ ok: true, value: [] });
  });

  it.each([
    ['30.2', undefined, /no unit/],
    ['ruler 30 mm', undefined, /unknown method/],
    ['caliper 4 m', undefined, /above 150 mm/],
    ['caliper thick', undefined, /unknown method|not a/],
    ['caliper 30 mm @400', undefined, /beyond 360/],
    ['caliper 30 furlong', undefined, /unknown unit/],
    ['1 3/16', 'mm', /inches/],
  ] as const)('refuses %s and says why', (cell, unit, message) => expect(said(cell, unit)).toMatch(message));

  it('loses nothing on the way out and in again', () => {
    const text = fc
      .string({ maxLength: 20, unit: 'grapheme' })
      .filter((s) => s.trim() === s && s !== '' && !/\p{Cc}/u.test(s));
    const any: fc.Arbitrary<Reading> = fc
      .record({
        method: fc.constantFrom(...METHODS),
        text: fc.constantFrom('30.2', '30,25', '1 3/16', '1-3/16"', '30.2 mm', '.9 in', '2.5 cm'),
        instrument: fc.option(text),
        person: fc.option(text),
        at: fc.option(fc.constant('2026-11-02T08:00:00.000Z')),
        angleDeg: fc.option(fc.constantFrom(0, 45, 90.5)),
        tolerance: fc.option(fc.constantFrom('0.5', '0.5 mm', '1/32 in')),
      })
      .map((r) => {
        const unit: 'mm' | 'in' = /\d\/\d/.test(r.text) || r.text.includes('in') ? 'in' : 'mm';
        const circumference =
          r.method === 'wrapTape' ? { text: '95.7', unit: 'mm' as const } : { text: r.text, unit };
        return {
          quantity: 'outerSheath' as const,
          method: r.method,
          ...circumference,
          ...(r.instrument === null ? {} : { instrument: r.instrument }),
          ...(r.person === null ? {} : { person: r.person }),
          ...(r.at === null ? {} : { at: r.at }),
          ...(r.angleDeg === null ? {} : { angleDeg: r.angleDeg }),
          ...(r.tolerance !== null && r.method === 'datasheet' ? { tolerance: r.tolerance } : {}),
        };
      });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 4 }), (readings) => {
        expect(parse(writeReadingCell(readings))).toEqual({ ok: true, value: readings });
      }),
      { numRuns: 400 },
    );
  });
});

const cable = (
  tag: string,
  a: string | null,
  b: string | null,
  more: Partial<ScheduleCable> = {},
): ScheduleCable => ({
  tag,
  type: 'W4-10',
  routeMm: 34_000,
  note: '',
  A: { place: a, tailMm: 620, spareMm: 50 },
  B: { place: b, tailMm: null, spareMm: 0 },
  readings: [{ end: 'A', reading: reading('20.7', { angleDeg: 0 }) }],
  ...more,
});

function context(cables: readonly ScheduleCable[]): ImportContext {
  const places = ['X-1/E1', 'X-1/E2', 'Y-1/E1', 'Y-1/E2'];
  const taken = new Map(
    cables.flatMap((c) => (['A', 'B'] as const).map((e) => [c[e].place, `${c.tag}/${e}`] as const)),
  );
  return {
    types: new Set(['W4-10', 'B4-4']),
    entries: new Map(places.map((p) => [p, taken.get(p) ?? null])),
    enclosures: new Set(['X-1', 'Y-1']),
    current: new Map(cables.map((c) => [c.tag, c])),
    tapeThicknessMm: 0.2,
  };
}

const preview = (rows: Record<string, string>[], cables: readonly ScheduleCable[] = []) =>
  previewImport(rows, new Set(rows.flatMap((r) => Object.keys(r))), context(cables));

describe('previewImport', () => {
  const known = cable('K-1', 'X-1/E1', 'Y-1/E1');

  it('says “same” of what export wrote', () => {
    const cells = scheduleCells(known);
    expect(Object.keys(cells).sort()).toEqual([...SCHEDULE_COLUMNS].sort());
    expect(preview([cells], [known])).toMatchObject([{ status: 'same', changes: [], problems: [] }]);
  });

  it('tells new, changed and refused rows apart, with the cells', () => {
    const rows = preview(
      [
        { ...scheduleCells(known), note: 'moved', a_tail: '1/2 in' },
        { ...scheduleCells(cable('K-2', 'X-1/E2', null)) },
        { ...scheduleCells(cable('K-3', 'Z-9/E1', null)), type: 'rope', route: '-3', outer: 'caliper 30' },
      ],
      [known],
    );
    expect(rows.map((r) => r.status)).toEqual(['changed', 'new', 'refused']);
    expect(rows[0]?.changes).toEqual([
      { column: 'note', before: '', after: 'moved' },
      { column: 'a_tail', before: '620 mm', after: '12.7 mm' },
    ]);
    expect(rows[2]?.problems.map((p) => p.path).sort()).toEqual(['a_enclosure', 'outer', 'route', 'type']);
    expect(rows[2]?.cable).toBeNull();
  });

  it('leaves alone what a file has no column for', () => {
    expect(preview([{ cable: 'K-1', type: 'B4-4' }], [known])).toMatchObject([
      {
        status: 'changed',
        changes: [{ column: 'type', before: 'W4-10', after: 'B4-4' }],
        cable: { A: { place: 'X-1/E1' }, readings: known.readings },
      },
    ]);
  });

  it('names the other line of a tag that stands twice, whatever its case', () => {
    const rows = preview([
      { cable: 'K-7', type: 'W4-10' },
      { cable: 'k-7', type: 'W4-10' },
    ]);
    expect(rows.map((r) => r.status)).toEqual(['new', 'refused']);
    expect(rows[1]?.problems[0]?.message).toBe('stands already in line 2');
  });

  it.each([
    ['K/1', /no slash/],
    ['', /needed/],
    ['x'.repeat(41), /longer than 40/],
  ])('refuses the tag %p', (tag, message) => {
    expect(preview([{ cable: tag, type: 'W4-10' }])[0]?.problems[0]?.message).toMatch(message);
  });

  it('keeps an emoji', () =>
    expect(preview([{ cable: 'K-🔥', type: 'W4-10' }])).toMatchObject([{ status: 'new', tag: 'K-🔥' }]));

  it('gives an entry to one cable only, but lets two rows swap', () => {
    const other = cable('K-2', 'X-1/E2', null);
    const taken = preview([{ cable: 'K-9', type: 'W4-10', a_enclosure: 'X-1', a_entry: 'E1' }], [known]);
    expect(taken[0]?.problems[0]?.message).toBe('is taken by K-1/A');
    const swap = preview(
      [
        { cable: 'K-1', type: 'W4-10', a_enclosure: 'X-1', a_entry: 'E2' },
        { cable: 'K-2', type: 'W4-10', a_enclosure: 'X-1', a_entry: 'E1' },
      ],
      [known, other],
    );
    expect(swap.map((r) => r.status)).toEqual(['changed', 'changed']);
  });
});
