import fc from 'fast-check';
import { type FramePlan, type FrameRequest } from '@/core/frame-packing';
import { DEMO_FRAMES, DEMO_SHEET } from '@/core/testing/demo-frames';
import {
  circuitsOf,
  crossingRequest,
  faceDrawing,
  facePlaces,
  fillOf,
  lookOf,
  placeNumbers,
  openingOffsets,
  placeRows,
  pressBase,
  readCrossingSetup,
  readPlaces,
  requestHash,
  sheetOf,
  PLACE_COLUMNS,
  type FrameSetup,
} from '.';

const MODULES = [
  { id: 'M24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap: { min: 0.2, max: 0.9 } },
  { id: 'M48', size: 48, bore: { min: 23, max: 37.5 }, layer: 1.1, gap: { min: 0.2, max: 0.9 } },
];
const opening = (at: 'top' | 'bottom') => ({
  width: 96,
  height: 108,
  plate: 1,
  plateAgainstPress: true,
  press: { min: 28, max: 36, at: [at] },
  fillers: [{ thickness: 6, max: 1 }],
});
const REQUEST: FrameRequest = {
  cables: [
    { tag: 'W-1', diameter: { min: 12.3, max: 12.5 }, circuit: 'power' },
    { tag: 'W-2', diameter: { min: 30.1, max: 30.3 }, circuit: 'signal' },
  ],
  modules: MODULES,
  frames: [{ id: 'F', cost: 10, openings: [opening('top'), opening('bottom')] }],
  apart: [],
  spare: { share: 0 },
};
const row = (height: number, y: number, module_: string, cable?: string) => ({
  height,
  places: Array.from({ length: 96 / height }, (_, i) => ({
    module: module_,
    x: i * height,
    y,
    ...(i === 0 && cable ? { cable } : {}),
  })),
});
const PLAN: FramePlan = {
  status: 'optimal',
  cost: 10,
  bound: 10,
  frames: [
    {
      frame: 'F',
      openings: [
        {
          press: 'top',
          closure: 34,
          rows: [row(48, 0, 'M48', 'W-2'), row(24, 49, 'M24', 'W-1')],
          fillers: [],
        },
        { press: 'bottom', closure: 28, rows: [row(48, 60, 'M48'), row(24, 35, 'M24')], fillers: [6] },
      ],
    },
  ],
  unplaced: [],
  crossings: { front: 0, back: 0 },
  parts: [],
};

describe('faceDrawing', () => {
  it('mirrors every place about the middle, and nothing up and down', () => {
    const { width } = openingOffsets(REQUEST, PLAN);
    const front = facePlaces(REQUEST, PLAN, 'front');
    const back = facePlaces(REQUEST, PLAN, 'back');
    expect(front).toHaveLength(12);
    front.forEach((p, i) => {
      expect(back[i]?.x).toBeCloseTo(width - p.x - p.size, 9);
      expect(back[i]?.y).toBe(p.y);
    });
  });

  it('keeps everything inside, to a scale of one', () => {
    const drawing = faceDrawing(REQUEST, PLAN, { side: 'back' });
    expect(drawing.mmPerUnit).toBe(1);
    for (const item of drawing.items)
      if (item.kind === 'polygon')
        for (const p of item.points) {
          expect(p.x).toBeGreaterThanOrEqual(-1e-9);
          expect(p.x).toBeLessThanOrEqual(drawing.width + 1e-9);
          expect(p.y).toBeGreaterThanOrEqual(-1e-9);
          expect(p.y).toBeLessThanOrEqual(drawing.height + 1e-9);
        }
    // The cable is drawn by the middle of its interval: 12.4 mm across.
    const cable = drawing.items.find(
      (i) => i.kind === 'polygon' && i.points.length > 4 && i.dimensionId === 'W-1',
    );
    const xs = cable?.kind === 'polygon' ? cable.points.map((p) => p.x) : [];
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(12.4, 2);
  });

  it('puts a number for a tag that nobody could read, the number of its line in the list, and leaves paper its tags', () => {
    const texts = (numbered: boolean) =>
      faceDrawing(REQUEST, PLAN, { side: 'front', numbered }).items.flatMap((i) =>
        i.kind === 'text' ? [i] : [],
      );
    const numbers = placeNumbers(PLAN);
    const tags = [...numbers.keys()];
    expect([...numbers.values()]).toEqual(tags.map((_, i) => i + 1));
    const onPaper = texts(false).map((t) => t.text);
    expect(tags.filter((tag) => !onPaper.includes(tag))).toEqual([]);
    for (const tag of tags) {
      const number = String(numbers.get(tag));
      const shown = texts(true).filter((t) => t.text === tag || t.text === number);
      expect(shown).toHaveLength(1);
      expect(shown[0]?.size).toBeGreaterThanOrEqual(5);
    }
  });

  it('draws the press unit where it stands and as high as its room', () => {
    const [top, bottom] = PLAN.frames[0]?.openings ?? [];
    if (!top || !bottom) throw new Error('openings');
    expect([pressBase(top, 108), pressBase(bottom, 108)]).toEqual([74, 0]);
  });

  it('can show one frame alone', () => {
    const two = { ...PLAN, frames: [...PLAN.frames, ...PLAN.frames] };
    expect(facePlaces(REQUEST, two, 'front', 1).map((p) => p.ref.frame)).toEqual(Array(12).fill(1));
    expect(openingOffsets(REQUEST, two, 1).width).toBeLessThan(openingOffsets(REQUEST, two).width / 1.8);
  });

  it('gives circuits different fills and different patterns', () => {
    const circuits = circuitsOf(REQUEST);
    expect(circuits).toEqual(['power', 'signal']);
    const [a, b] = circuits.map((c) => lookOf(circuits, c));
    expect(a?.role).not.toBe(b?.role);
    expect(a?.pattern).not.toBe(b?.pattern);
  });
});

describe('fillOf', () => {
  it('counts what is taken and what is spare, size by size', () => {
    expect(fillOf(MODULES, PLAN)).toEqual({
      places: 12,
      taken: 2,
      bySize: [
        { size: 48, corner: false, taken: 1, spare: 3 },
        { size: 24, corner: false, taken: 1, spare: 7 },
      ],
    });
  });
});

describe('places as a table', () => {
  it('reads back what it writes', () => {
    const rows = placeRows(PLAN);
    expect(rows).toHaveLength(12);
    const read = readPlaces(REQUEST, PLACE_COLUMNS, rows);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    const bare = (plan: FramePlan) =>
      plan.frames.map((f) =>
        f.openings.map((o) => [
          o.press,
          o.closure,
          o.fillers,
          o.rows.map((r) => r.places.map((p) => [p.module, p.x, p.y, p.cable])),
        ]),
      );
    expect(bare(read.value)).toEqual(bare(PLAN));
    expect(read.value.unplaced).toEqual([]);
  });

  it('names a cable that is not in the table, and every cell that is no number', () => {
    const rows = placeRows(PLAN);
    const without = readPlaces(
      REQUEST,
      PLACE_COLUMNS,
      rows.map((r) => (r.cable === 'W-1' ? { ...r, cable: '' } : r)),
    );
    expect(without).toMatchObject({ ok: true, value: { unplaced: [{ tag: 'W-1' }] } });
    const broken = readPlaces(
      REQUEST,
      PLACE_COLUMNS,
      rows.map((r, i) => (i === 3 ? { ...r, x: 'left', press: 'side' } : r)),
    );
    expect(broken.ok ? [] : broken.problems.map((p) => p.path)).toEqual(['line 5, press']);
    const length = readPlaces(
      REQUEST,
      PLACE_COLUMNS,
      rows.map((r, i) => (i === 3 ? { ...r, x: 'left' } : r)),
    );
    expect(length.ok ? [] : length.problems.map((p) => p.path)).toEqual(['line 5, x']);
  });

  it('says which columns are missing', () => {
    const read = readPlaces(REQUEST, ['frame', 'row'], []);
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toContain('module');
  });
});

describe('crossingRequest', () => {
  const setup: FrameSetup = {
    kind: 'frames',
    place: 'wall',
    rating: '',
    members: [
      { tag: 'K-1', circuit: 'power', diameter: undefined },
      { tag: 'P-1', diameter: { min: 9, max: 9.2 } },
      { tag: 'K-2', diameter: undefined },
    ],
    apart: [{ a: 'power', b: 'signal', by: 'row' }],
    spareShare: 0.25,
    frames: ['TF-1-150'],
  };
  const known = new Map([['K-1', { interval: { min: 20, max: 20.4 }, nominal: true }]]);

  it('brings measured intervals along, is provisional for a datasheet, and names what is not measured', () => {
    const made = crossingRequest(setup, known, DEMO_SHEET);
    if (!made.ok) throw new Error('request');
    expect(made.value.request.cables).toEqual([
      { tag: 'K-1', diameter: { min: 20, max: 20.4 }, circuit: 'power' },
      { tag: 'P-1', diameter: { min: 9, max: 9.2 } },
    ]);
    expect(made.value.provisional).toEqual(['K-1 is known from its datasheet only']);
    expect(made.value.missing.map((m) => m.tag)).toEqual(['K-2']);
    expect(made.value.request.frames).toEqual([DEMO_FRAMES[0]]);
  });

  it('refuses a tag twice, a frame that nobody makes, and a circuit apart from itself', () => {
    const paths = (s: FrameSetup) => {
      const made = crossingRequest(s, known, DEMO_SHEET);
      return made.ok ? [] : made.problems.map((p) => p.path);
    };
    expect(paths({ ...setup, members: [...setup.members, { tag: 'K-1', diameter: undefined }] })).toEqual([
      'members[3].tag',
    ]);
    expect(paths({ ...setup, frames: ['TF-9'] })).toEqual(['frames[0]']);
    expect(paths({ ...setup, apart: [{ a: 'x', b: 'x', by: 'row' }] })).toEqual(['apart[0]']);
  });

  it('stands on the sheet it names, else on the one in force that has its frames; never on none', () => {
    const revised = { ...DEMO_SHEET, sheet: { ...DEMO_SHEET.sheet, revision: 'B', issued: '2026-09' } };
    const other = { ...revised, code: 'ZZ', frames: revised.frames.map((f) => ({ ...f, id: `Z${f.id}` })) };
    const seals = { plugSheets: [], sleeveSheets: [], wrapSheets: [] };
    const all = { frames: [DEMO_SHEET, revised, other], seals };
    const revision = (s: Partial<FrameSetup>) => {
      const found = sheetOf<'frames'>({ ...setup, ...s }, all);
      return found.ok ? `${found.value.code} ${found.value.sheet.revision}` : found.problems[0]?.message;
    };
    expect(revision({ frames: ['TF-1-150'] })).toBe('TF B');
    expect(revision({ frames: ['ZTF-1-150'] })).toBe('ZZ B');
    expect(revision({ frames: [], sheet: { code: 'TF', revision: 'A' } })).toBe('TF A');
    expect(revision({ frames: [], sheet: { code: 'TF', revision: 'C' } })).toBe('is not in the catalogue');
    expect(sheetOf<'frames'>({ ...setup, frames: [] }, { frames: [], seals })).toMatchObject({
      ok: false,
      problems: [{ path: 'sheet' }],
    });
  });

  it('puts the press unit where it is wanted, in frames that leave the choice', () => {
    const at = (press: FrameSetup['press'], frames: string[]) => {
      const made = crossingRequest({ ...setup, frames, press }, known, DEMO_SHEET);
      if (!made.ok) throw new Error('request');
      return made.value.request.frames.map((f) => f.openings[0]?.press.at.join());
    };
    expect(at(undefined, ['TF-1-150'])).toEqual(['top,bottom']);
    expect(at('bottom', ['TF-1-150', 'TR-1-222'])).toEqual(['bottom', 'inside']);
    expect(at('top', ['TF-1-150'])).toEqual(['top']);
  });

  it('goes stale with the figures of a sheet, and not with its part numbers', () => {
    const hash = (sheet: typeof DEMO_SHEET) => {
      const made = crossingRequest(setup, known, sheet);
      if (!made.ok) throw new Error('request');
      return requestHash(made.value.request);
    };
    const changed = (change: (s: typeof DEMO_SHEET) => void) => {
      const copy = structuredClone(DEMO_SHEET);
      change(copy);
      return hash(copy);
    };
    const opening = (s: typeof DEMO_SHEET) => {
      const [first] = s.frames[0]?.openings ?? [];
      if (!first) throw new Error('opening');
      return first;
    };
    const was = hash(DEMO_SHEET);
    expect(changed((s) => (s.sheet.revision = 'B'))).toBe(was);
    expect(changed((s) => (opening(s).plateId = 'P-9'))).toBe(was);
    expect(changed((s) => (opening(s).press.bolts = undefined))).toBe(was);
    expect(changed((s) => (s.lubricant = undefined))).toBe(was);
    expect(changed((s) => (opening(s).press.min -= 1))).not.toBe(was);
    expect(changed((s) => (opening(s).plate += 1))).not.toBe(was);
    expect(changed((s) => s.modules.forEach((m) => (m.layer += 0.1)))).not.toBe(was);
  });

  it('has another hash as soon as one diameter is another', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (um) => {
        const at = (mm: number) => {
          const made = crossingRequest(
            setup,
            new Map([['K-1', { interval: { min: 20, max: mm }, nominal: false }]]),
            DEMO_SHEET,
          );
          if (!made.ok) throw new Error('request');
          return requestHash(made.value.request);
        };
        expect(at(20.4 + um / 1000)).not.toBe(at(20.4));
      }),
      { numRuns: 20 },
    );
  });
});

describe('a setup that is read', () => {
  const frames = { place: '', rating: '', members: [], apart: [], spareShare: 0, frames: ['TF-1-150'] };

  it('is of frames where it names no kind: so they were written before there were others', () => {
    expect(readCrossingSetup(frames)).toEqual({ ok: true, value: { ...frames, kind: 'frames' } });
    const sleeve = {
      kind: 'sleeve',
      place: '',
      rating: '',
      members: [],
      shape: 'circle',
      school: 'afterPulling',
    };
    expect(readCrossingSetup(sleeve)).toMatchObject({ ok: true });
  });

  it.each([
    ['of no kind that there is', { ...frames, kind: 'mortar' }, 'kind'],
    ['of one kind with the fields of another', { ...frames, kind: 'plug' }, ''],
    ['of frames with a bore', { ...frames, bore: { min: 1, max: 2 } }, ''],
    [
      'with an interval that runs backwards',
      { kind: 'plug', place: '', rating: '', members: [], bore: { min: 9, max: 8 } },
      'bore',
    ],
    [
      'with a slant past all measure',
      {
        kind: 'sleeve',
        place: '',
        rating: '',
        members: [],
        shape: 'circle',
        school: 'afterPulling',
        slantDeg: 81,
      },
      'slantDeg',
    ],
    ['that is a list', [], ''],
    ['that is nothing', null, ''],
  ])('is refused when it is %s', (_, given, path) => {
    const read = readCrossingSetup(given);
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toContain(path);
  });
});
