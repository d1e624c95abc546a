import { checkPacking, finishPacking, type Placed } from '@/core/circle-packing';
import { readFileSync } from 'node:fs';
import { validate } from '@/core/kernel';
import {
  cartridgesFor,
  fillGaps,
  layerMm,
  outlineArea,
  planPlug,
  planSleeve,
  planWrap,
  plugRequestSchema,
  plugSteps,
  sealWords,
  sleeveRequestSchema,
  wrapRequestSchema,
  wrapSteps,
  type PlugRequest,
  type SleeveRequest,
  type WrapRequest,
} from '.';

const clock = () => performance.now();
/** A request that ships. */
const example = (name: string): unknown => JSON.parse(readFileSync(`examples/plan/${name}.json`, 'utf8'));
const at = (mm: number) => ({ min: mm, max: mm });
const words = (plan: {
  readonly findings: Parameters<typeof sealWords>[0][] | readonly Parameters<typeof sealWords>[0][];
}) => plan.findings.map((f) => `${f.verdict} ${sealWords(f)}`);

describe('a plug', () => {
  const PLUG = example('plug') as PlugRequest;
  const plan = (change: Partial<PlugRequest> = {}) => planPlug({ ...PLUG, ...change });

  it('closes a gap that lies wholly in its range, on both faces, and lets the air out of the second', () => {
    const made = plan();
    // (100 − 57) / 2 and (101 − 56) / 2.
    expect(made).toMatchObject({ answer: 'closes', plug: 'RP-100', annulus: { min: 21.5, max: 22.5 } });
    expect(made.parts).toEqual([{ id: 'RP-100', kind: 'plug', count: 2, unit: 'piece' }]);
    const order = plugSteps(PLUG, made).map((s) => s.id);
    expect(order.indexOf('second.air')).toBe(order.indexOf('second.drive') - 1);
  });

  it.each<[string, Partial<PlugRequest>, string]>([
    [
      'a gap that reaches over two ranges',
      { cable: { tag: 'K-1', diameter: { min: 52, max: 56 } } },
      'no plug of the sheet closes a gap of 22 mm to 24.5 mm',
    ],
    ['a cable that runs askew', { angleDeg: 2.5 }, '0.5° more than the plug takes'],
    ['a cable out of the middle', { offsetMm: 5 }, '2 mm more than the plug takes'],
    ['a wall that is too thin', { depthMm: 79 }, '1 mm short'],
    ['one face', { faces: 1 }, '1 face is reached'],
  ])('refuses %s with its number, and offers the packed sleeve', (_, change, said) => {
    const made = plan(change);
    expect(made).toMatchObject({ answer: 'refused', instead: 'sleeve', parts: [] });
    expect(words(made).join('; ')).toContain(said);
  });

  it.each(['angleDeg', 'offsetMm', 'faces', 'ratingKnown'] as const)(
    'asks for %s and does not close without',
    (key) => {
      const { [key]: _, ...rest } = PLUG;
      const made = planPlug(rest);
      expect(made.answer).toBe('ask');
    },
  );
});

describe('a packed sleeve', () => {
  const SLEEVE = example('sleeve') as SleeveRequest;
  const plan = (change: Partial<SleeveRequest> = {}) =>
    finishPacking(planSleeve({ ...SLEEVE, ...change }), 9, clock);

  it('wraps each cable by the sheet, lays all of it, and fills the gaps that are there', () => {
    const made = plan();
    expect(words(made).filter((w) => !w.startsWith('holds'))).toEqual([]);
    expect(made.answer).toBe('closes');
    // 11 + 2·3, 18 + 2·4, 30 + 2·2·3; 60 mm of filling in strips of 25.
    expect(made.wrapped.map((w) => [w.with, w.d, w.strips])).toEqual([
      ['FS-12', 17, 0],
      ['FS-20', 26, 0],
      ['ST-3', 42, 3],
    ]);
    expect(made.wrapped[2]?.layerMm).toEqual([Math.PI * 33, Math.PI * 39]);
    const all: Placed[] = made.circles.map(({ x, y, d }, i) => ({ i, x, y, d }));
    expect(
      checkPacking(
        all.map((c) => c.d),
        0,
        { kind: 'circle', d: 99 },
        all,
      ),
    ).toEqual([]);
    expect(made.circles.filter((c) => c.tag === null).length).toBeGreaterThan(3);
    // The opening at its largest, what goes round the cables at their smallest: 10.5 + 6, 17.2 + 8, 29 + 12.
    const blanks = made.circles.filter((c) => c.tag === null).reduce((sum, c) => sum + c.d ** 2, 0);
    expect(made.openShare).toBeCloseTo(1 - (16.5 ** 2 + 25.2 ** 2 + 41 ** 2 + blanks) / 101 ** 2, 9);
  });

  it('buys sealant for the largest face that the intervals leave, both of them, in whole cartridges', () => {
    const made = plan();
    const face = (Math.PI / 4) * (101 ** 2 - 10.5 ** 2 - 17.2 ** 2 - 29 ** 2);
    expect(made.sealantMl).toBeCloseTo((2 * face * 20) / 1000, 6);
    expect(made.parts.find((p) => p.id === 'SC-300')?.count).toBe(Math.ceil((made.sealantMl * 1.1) / 300));
    expect(cartridgesFor(300, { mlPerCartridge: 300, wasteShare: 0 })).toBe(1);
    expect(cartridgesFor(300.1, { mlPerCartridge: 300, wasteShare: 0 })).toBe(2);
  });

  it.each<[string, Partial<SleeveRequest>, string]>([
    [
      'a wall that is not deep enough',
      { depth: { min: 99, max: 99 } },
      'need 100 mm, and it is 99 mm deep: 1 mm short',
    ],
    ['a deep one that has to have air in it', { depth: { min: 129, max: 150 } }, 'need 130 mm'],
    [
      'a cable between two sleeves',
      { cables: [{ tag: 'X', diameter: { min: 11, max: 13 } }] },
      'nothing on the sheet takes X with 11 mm to 13 mm',
    ],
    [
      'a cable that is larger than the opening',
      { cables: [{ tag: 'X', diameter: { min: 90, max: 95 } }] },
      'mm too large for a bore of 99 mm',
    ],
    ['one face', { faces: 1 }, '1 face is reached'],
    [
      'too much that stays open',
      { sheet: { ...SLEEVE.sheet, fillers: [], maxOpenShare: 0.2 } },
      'more than may',
    ],
  ])('refuses %s with its number', (_, change, said) => {
    const made = plan(change);
    expect(made.answer).toBe('refused');
    expect(words(made).join('; ')).toContain(said);
    expect(made.parts).toEqual([]);
  });

  it('says from which cable on sleeves belong on while pulling', () => {
    // 42² and 26² of 99² are 25 %; with 17² it is 28 %: below 30, and over 20.
    expect(plan().pullingFrom).toBeNull();
    expect(plan({ sheet: { ...SLEEVE.sheet, pullingShare: 0.2 } }).pullingFrom).toBe(2);
  });

  it('asks whether both faces are reached, in a rectangle too', () => {
    const { faces: _, ...rest } = SLEEVE;
    const opening = { kind: 'rectangle', w: at(120), h: at(80) } as SleeveRequest['opening'];
    const made = finishPacking(planSleeve({ ...rest, opening }), 9, clock);
    expect(made.answer).toBe('ask');
    const all: Placed[] = made.circles.map(({ x, y, d }, i) => ({ i, x, y, d }));
    expect(
      checkPacking(
        all.map((c) => c.d),
        0,
        { kind: 'rectangle', w: 120, h: 80 },
        all,
      ),
    ).toEqual([]);
  });
});

it('fills a row of nothing but blanks as full as it goes, and nothing that does not go in', () => {
  const slot = { kind: 'rectangle', w: 100, h: 10 } as const;
  expect(fillGaps(slot, [], [{ outerMm: 10 }], 0)).toHaveLength(10);
  expect(fillGaps(slot, [], [{ outerMm: 10.1 }], 0)).toEqual([]);
  // Four in the corners about one in the middle: 20·(√2 − 1)/… of 40.
  const middle = [{ i: 0, x: 20, y: 20, d: 40 }];
  expect(fillGaps({ kind: 'rectangle', w: 40, h: 40 }, middle, [{ outerMm: 6.8 }], 0)).toHaveLength(4);
  expect(fillGaps({ kind: 'rectangle', w: 40, h: 40 }, middle, [{ outerMm: 6.9 }], 0)).toEqual([]);
});

it('draws a band round circles: one, and two side by side', () => {
  expect(outlineArea([{ x: 0, y: 0, r: 10 }])).toBeCloseTo(Math.PI * 100, -1);
  const two = outlineArea([
    { x: -10, y: 0, r: 10 },
    { x: 10, y: 0, r: 10 },
  ]);
  expect(Math.abs(two / (Math.PI * 100 + 400) - 1)).toBeLessThan(1e-3);
});

describe('a fire wrap', () => {
  const SHIPPED = example('wrap') as WrapRequest;
  // Round figures, to be worked by hand.
  const WRAP: WrapRequest = {
    ...SHIPPED,
    sheet: {
      ...SHIPPED.sheet,
      strip: {
        ...SHIPPED.sheet.strip,
        layers: [
          { upTo: 40, layers: 1 },
          { upTo: 90, layers: 2 },
        ],
      },
    },
    stub: { ...SHIPPED.stub, outside: at(159), inside: at(150) },
    bundles: [
      {
        id: 'b1',
        cables: [
          { tag: 'A', diameter: at(20) },
          { tag: 'B', diameter: at(20) },
        ],
      },
    ],
  };
  const plan = (change: Partial<WrapRequest> = {}) =>
    finishPacking(planWrap({ ...WRAP, ...change }), 9, clock);

  it('measures the bundle, the strip that meets round it, the sealant in it, and the tie by hand-worked figures', () => {
    const made = plan();
    expect(made.answer).toBe('closes');
    const [round] = made.rounds;
    // Two of 20 side by side: 40 across.
    expect(round?.diameter.max).toBeCloseTo(40, 6);
    expect(round?.layers).toBe(1);
    expect(round?.strips[0]?.max).toBeCloseTo(Math.PI * 48, 6);
    // Band round both less both: 20·20 + π·100 − 2·π·100; circle of 40 less both: 2·π·100; over 80 mm.
    expect((round?.sealantMl.min ?? 0) / ((80 * (400 - 100 * Math.PI)) / 1000)).toBeCloseTo(1, 1);
    expect(round?.sealantMl.max).toBeCloseTo((80 * 200 * Math.PI) / 1000, 3);
    expect(made.marks).toEqual({ first: 50, second: 130 });
    // Strip of 8 mm that loses 45 to 65 %: π·16·0.45 and π·16·0.65 of the tie come through.
    expect(made.tie?.before.max).toBeCloseTo(Math.PI * 56, 6);
    expect(made.tie?.pullMm.min).toBeCloseTo(Math.PI * 16 * 0.45, 6);
    expect(made.tie?.pullMm.max).toBeCloseTo(Math.PI * 16 * 0.65, 6);
    expect((made.tie?.before.max ?? 0) - (made.tie?.target.max ?? 0)).toBeCloseTo(
      made.tie?.pullMm.min ?? 0,
      6,
    );
    expect(layerMm(40, 8, 2)).toBeCloseTo(Math.PI * 64, 9);
  });

  it('goes round several bundles and round all of them', () => {
    const [one] = WRAP.bundles;
    if (!one) throw new Error('there is one');
    const made = plan({
      bundles: [
        { ...one, id: 'b1' },
        { id: 'b2', cables: [{ tag: 'C', diameter: at(10) }] },
      ],
    });
    expect(made.rounds.map((r) => r.id)).toEqual(['b1', 'b2', 'all']);
    // 40 + 16 beside 10 + 16.
    expect(made.rounds[2]?.diameter.max).toBeCloseTo(82, 5);
    expect(made.rounds[2]?.layers).toBe(2);
  });

  it('folds the strip into a blank stub', () => {
    const made = plan({ bundles: [] });
    expect(made).toMatchObject({ answer: 'closes', tie: null, rounds: [] });
    const area = (Math.PI / 4) * 150 ** 2;
    expect(made.foldedMm?.min).toBeCloseTo(area / (8 * 0.55), 6);
    expect(made.foldedMm?.max).toBeCloseTo(area / (8 * 0.35), 6);
  });

  it('has the closed cloth on before anything is pulled, the openable one after', () => {
    const order = (change: Partial<WrapRequest>) =>
      wrapSteps({ ...WRAP, ...change }, plan(change)).map((s) => s.id);
    const closed = order({ cloth: 'closed', pulled: false });
    expect(closed.indexOf('both.cloth')).toBe(closed.indexOf('pull') - 1);
    const openable = order({});
    expect(openable.indexOf('first.cloth')).toBeGreaterThan(openable.indexOf('first.strips'));
    expect(openable.indexOf('second.cloth')).toBeGreaterThan(openable.indexOf('second.strips'));
    expect(plan({ cloth: 'closed' }).answer).toBe('refused');
  });

  it.each<[string, Partial<WrapRequest>, 'refused' | 'ask', string]>([
    ['a weld with a gap', { stub: { ...WRAP.stub, weldContinuous: false } }, 'refused', 'welded first'],
    [
      'a weld that nobody has looked at',
      { stub: { ...WRAP.stub, weldContinuous: undefined } },
      'ask',
      'look whether the weld',
    ],
    [
      'a stub that nobody has looked at',
      { stub: { ...WRAP.stub, centred: undefined } },
      'ask',
      'in the middle',
    ],
    ['a stub that is too short', { stub: { ...WRAP.stub, lengthMm: 119 } }, 'refused', '1 mm short'],
    [
      'a stub between two cloths',
      { stub: { ...WRAP.stub, outside: { min: 165, max: 171 } } },
      'refused',
      'no cloth that is openable',
    ],
    [
      'a bundle that the sheet does not know',
      { bundles: [{ id: 'b', cables: [{ tag: 'X', diameter: at(95) }] }] },
      'refused',
      'no layers for a bundle of 95 mm',
    ],
  ])('does not close with %s', (_, change, answer, said) => {
    const made = plan(change);
    expect(made.answer).toBe(answer);
    expect(words(made).join('; ')).toContain(said);
  });
});

it.each([
  ['plug', plugRequestSchema],
  ['sleeve', sleeveRequestSchema],
  ['wrap', wrapRequestSchema],
] as const)(
  'refuses a %s of which nothing is said, of odd things, and of figures that are none',
  (name, schema) => {
    const good = example(name) as object;
    expect(validate(schema as never, good)).toMatchObject({ ok: true });
    expect(validate(schema as never, { ...good, faces: 3 }).ok).toBe(false);
    expect(validate(schema as never, { ...good, sheet: undefined }).ok).toBe(false);
    for (const odd of [{}, null, [], 'x', { sheet: {} }, { bore: { min: 9, max: 8 } }, { depthMm: NaN }])
      expect(validate(schema as never, odd).ok).toBe(false);
  },
);

it('refuses what stands twice, and a sheet whose lines run backwards', () => {
  const sleeve = example('sleeve') as SleeveRequest;
  const wrap = example('wrap') as WrapRequest;
  const [cable] = sleeve.cables;
  const [bundle] = wrap.bundles;
  const { strip } = wrap.sheet;
  const refused = (schema: unknown, value: unknown) => !validate(schema as never, value).ok;
  expect(refused(sleeveRequestSchema, { ...sleeve, cables: [cable, cable] })).toBe(true);
  expect(refused(wrapRequestSchema, { ...wrap, bundles: [bundle, bundle] })).toBe(true);
  expect(refused(wrapRequestSchema, { ...wrap, bundles: [bundle, { ...bundle, id: 'other' }] })).toBe(true);
  expect(refused(wrapRequestSchema, { ...wrap, bundles: [{ ...bundle, id: 'all' }] })).toBe(true);
  for (const odd of [
    { ...strip, layers: [...strip.layers].reverse() },
    { ...strip, compression: { min: 0.65, max: 0.45 } },
  ])
    expect(refused(wrapRequestSchema, { ...wrap, sheet: { ...wrap.sheet, strip: odd } })).toBe(true);
});
