import fc from 'fast-check';
import { lockedPlan, lockedRequest } from './testing/locked-case';
import {
  carries,
  checkFramePlan,
  peelFor,
  readFrameRequest,
  type FrameModule,
  type FrameOpening,
  type FramePlan,
  type FrameRequest,
  type Place,
} from '.';

const MODULE: FrameModule = {
  id: 'M24',
  size: 24,
  bore: { min: 8, max: 17.5 },
  layer: 1,
  gap: { min: 0.2, max: 0.9 },
};
const OPENING: FrameOpening = {
  width: 48,
  height: 80,
  plate: 1,
  plateAgainstPress: true,
  press: { min: 28, max: 34, at: ['top'] },
  fillers: [],
};
const REQUEST: FrameRequest = {
  cables: [
    { tag: 'A', diameter: { min: 12.3, max: 12.5 }, circuit: 'power', front: 0, back: 1 },
    { tag: 'B', diameter: { min: 10.4, max: 10.7 }, circuit: 'signal', front: 1, back: 0 },
  ],
  modules: [
    MODULE,
    { ...MODULE, id: 'M48', size: 48, bore: { min: 23, max: 37 } },
    { ...MODULE, id: 'C24', corner: true },
  ],
  frames: [{ id: 'F', cost: 60, available: 1, openings: [OPENING] }],
  apart: [],
  spare: { share: 0.5 },
};
const at = (x: number, y: number, more: Partial<Place> = {}): Place => ({ module: 'M24', x, y, ...more });
/** Made by hand: two rows of 24, plates 1 and 1, closure 80 − 50 = 30. Peel: 12.3 − 8 − 4 = 0.3; 10.4 − 8 − 2 = 0.4. */
const PLAN: FramePlan = {
  status: 'optimal',
  cost: 60,
  bound: 60,
  frames: [
    {
      frame: 'F',
      openings: [
        {
          press: 'top',
          closure: 30,
          fillers: [],
          rows: [
            {
              height: 24,
              places: [
                at(0, 0, { cable: 'A', peel: [2, 2], gap: { min: 0.3, max: 0.5 } }),
                at(24, 0, { cable: 'B', peel: [1, 1], gap: { min: 0.4, max: 0.7 } }),
              ],
            },
            { height: 24, places: [at(0, 25), at(24, 25)] },
          ],
        },
      ],
    },
  ],
  unplaced: [],
  crossings: { front: 0, back: 1 },
  parts: [
    { id: 'F', quantity: 1 },
    { id: 'M24', quantity: 4 },
  ],
};

const said = (plan: FramePlan, request: FrameRequest = REQUEST): string => {
  const audit = checkFramePlan(request, plan);
  return audit.ok ? '' : audit.problems.map((p) => `${p.path}: ${p.message}`).join('\n');
};

describe('peelFor', () => {
  it.each([
    // 8 + n layers of 1 mm; the gap must lie in 0.2–0.9 over the whole interval.
    [12.3, 12.5, [2, 2], false, false],
    [13.3, 13.6, [3, 2], false, false],
    [8.2, 8.9, [0, 0], false, false],
    // 12.1: 4 layers leave 0.1, 3 leave 1.1: none lies within. Middle 12.2: 4 leave 0.2, which is nearest to 0.55 and still inside.
    [12.1, 12.3, [2, 2], true, false],
    // 12.0–12.2: middle 12.1, 4 layers leave 0.1: outside.
    [12, 12.2, [2, 2], true, true],
    // As wide as two windows: nothing holds for all of it.
    [12, 13.4, [2, 2], true, false],
  ] as const)('of %d–%d mm is %j', (min, max, layers, remeasure, noPeel) => {
    expect(peelFor(MODULE, { min, max })).toMatchObject({ layers, remeasure, noPeel });
  });

  it('peels no more than the module has, halves that differ by one at most, and states the gap it leaves', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8000, max: 17500 }), fc.integer({ min: 0, max: 2000 }), (um, wide) => {
        const diameter = { min: um / 1000, max: Math.min(17.5, (um + wide) / 1000) };
        const { layers, gap, remeasure } = peelFor(MODULE, diameter);
        const sum = layers[0] + layers[1];
        expect(layers[0] - layers[1]).toBeGreaterThanOrEqual(0);
        expect(layers[0] - layers[1]).toBeLessThanOrEqual(1);
        expect(sum).toBeLessThanOrEqual(9);
        expect(gap.min).toBeCloseTo(diameter.min - 8 - sum, 6);
        if (!remeasure) {
          expect(gap.min).toBeGreaterThanOrEqual(0.2 - 1e-9);
          expect(gap.max).toBeLessThanOrEqual(0.9 + 1e-9);
        }
      }),
    );
  });

  it('carries only what lies in the bore as a whole', () => {
    expect(carries(MODULE, { min: 8, max: 17.5 })).toBe(true);
    expect(carries(MODULE, { min: 7.999, max: 12 })).toBe(false);
    expect(carries(MODULE, { min: 12, max: 17.501 })).toBe(false);
  });
});

describe('checkFramePlan', () => {
  it('finds nothing in a plan that is right', () => expect(said(PLAN)).toBe(''));

  type Draft = { -readonly [K in keyof FramePlan]: FramePlan[K] };
  const opening = (plan: FramePlan) =>
    plan.frames[0]?.openings[0] as unknown as Record<string, unknown> & {
      rows: { height: number; places: Record<string, unknown>[] }[];
    };
  const place = (plan: FramePlan, row: number, i: number) => opening(plan).rows[row]?.places[i] ?? {};
  it.each<[string, (plan: Draft) => void, RegExp]>([
    [
      'a frame that is not offered',
      (p) => Object.assign(p.frames[0] ?? {}, { frame: 'X' }),
      /is not offered/,
    ],
    [
      'more frames than are there',
      (p) => (p.frames = [...p.frames, ...structuredClone(p.frames)]),
      /2 of F are used, 1 are there/,
    ],
    ['an opening left out', (p) => Object.assign(p.frames[0] ?? {}, { openings: [] }), /has 1 openings/],
    [
      'an empty opening',
      (p) => Object.assign(opening(p), { rows: [] }),
      /every opening of a used frame is packed/,
    ],
    [
      'the press unit where it cannot stand',
      (p) => Object.assign(opening(p), { press: 'bottom' }),
      /cannot stand there/,
    ],
    [
      'the press unit inside a square opening',
      (p) => Object.assign(opening(p), { press: 'inside' }),
      /no inside/,
    ],
    [
      'a filler that is not there',
      (p) => Object.assign(opening(p), { fillers: [3] }),
      /1 fillers of 3 mm, 0 are there/,
    ],
    ['too much room for the press unit', (p) => opening(p).rows.pop(), /press unit needs 28–34 mm/],
    [
      'a closure that is not what the rows leave',
      (p) => Object.assign(opening(p), { closure: 29 }),
      /is 30 mm by the rows/,
    ],
    ['a module that is not offered', (p) => Object.assign(place(p, 1, 0), { module: 'Z' }), /is not offered/],
    [
      'a corner module in a square opening',
      (p) => Object.assign(place(p, 1, 0), { module: 'C24' }),
      /corner rows only/,
    ],
    [
      'a row whose height is no module’s',
      (p) => Object.assign(opening(p).rows[1] ?? {}, { height: 23 }),
      /size of no module/,
    ],
    ['a gap in a row', (p) => opening(p).rows[1]?.places.pop(), /not of one size|not filled/],
    [
      'two modules in one place',
      (p) => Object.assign(place(p, 1, 1), { x: 0 }),
      /not filled edge to edge|not of one size/,
    ],
    ['a module above its row', (p) => Object.assign(place(p, 1, 1), { y: 26 }), /not filled edge to edge/],
    [
      'a module outside',
      (p) => opening(p).rows[1]?.places.push({ module: 'M24', x: 48, y: 25 }),
      /stands outside the row/,
    ],
    ['a cable nobody asked for', (p) => Object.assign(place(p, 1, 0), { cable: 'Q' }), /not in the request/],
    [
      'a cable in two places',
      (p) => Object.assign(place(p, 1, 0), { ...place(p, 0, 0), x: 0, y: 25 }),
      /stands at .* already/,
    ],
    [
      'a cable forgotten',
      (p) => ['cable', 'peel', 'gap'].forEach((k) => Reflect.deleteProperty(place(p, 0, 1), k)),
      /neither placed nor named/,
    ],
    [
      'a cable placed and named as unplaced',
      (p) => (p.unplaced = [{ tag: 'A', reason: 'no room' }]),
      /is placed as well/,
    ],
    [
      'an unplaced cable without a reason',
      (p) => (p.unplaced = [{ tag: 'A', reason: ' ' }]),
      /has no reason/,
    ],
    [
      'a cable left out for which there is a place',
      (p) => {
        ['cable', 'peel', 'gap'].forEach((k) => Reflect.deleteProperty(place(p, 0, 1), k));
        p.unplaced = [{ tag: 'B', reason: 'no room' }];
      },
      /is left out, though M24 takes it/,
    ],
    ['a layer too many', (p) => Object.assign(place(p, 0, 0), { peel: [3, 2] }), /must be 2 and 2/],
    ['halves that differ by two', (p) => Object.assign(place(p, 0, 1), { peel: [2, 0] }), /must be 1 and 1/],
    [
      'a gap that is another',
      (p) => Object.assign(place(p, 0, 0), { gap: { min: 0.4, max: 0.5 } }),
      /is 0.3–0.5 mm/,
    ],
    [
      'a second measuring that is not needed',
      (p) => Object.assign(place(p, 0, 0), { remeasure: true }),
      /remeasure: must be false/,
    ],
    [
      'no peel, though there is one',
      (p) => Object.assign(place(p, 0, 0), { noPeel: true }),
      /noPeel: must be false/,
    ],
    [
      'a spare that is peeled',
      (p) => Object.assign(place(p, 1, 0), { peel: [1, 1] }),
      /a spare is not peeled/,
    ],
    ['another cost', (p) => (p.cost = 50), /the frames cost 60/],
    ['a bound above the cost', (p) => (p.bound = 61), /above the cost/],
    ['an optimum that is not proven', (p) => (p.bound = 50), /the bound is another/],
    ['crossings miscounted', (p) => (p.crossings = { front: 1, back: 1 }), /crossings.front: is 0/],
    [
      'second measurings miscounted',
      (p) => (p.remeasure = { places: 1, atLeast: 0 }),
      /remeasure.places: is 0/,
    ],
    [
      'more second measurings at least than there are',
      (p) => (p.remeasure = { places: 0, atLeast: 1 }),
      /is above the places/,
    ],
    [
      'spares said to be nearer than they are',
      (p) => {
        // Row 2 holds the spares and no cable; with a cable there, one comes out.
        Object.assign(place(p, 1, 0), { ...place(p, 0, 0), x: 0, y: 25 });
        ['cable', 'peel', 'gap'].forEach((k) => Reflect.deleteProperty(place(p, 0, 0), k));
        p.order = { toSpares: 0, moduleCost: 0, proven: false };
      },
      /order.toSpares: is 1/,
    ],
    [
      'modules that cost something else',
      (p) => (p.order = { toSpares: 0, moduleCost: 5, proven: false }),
      /order.moduleCost: is 0/,
    ],
    ['parts miscounted', (p) => (p.parts = [{ id: 'F', quantity: 1 }]), /4 of M24/],
  ])('finds %s', (_, change, message) => {
    const plan = structuredClone(PLAN) as Draft;
    change(plan);
    expect(said(plan)).toMatch(message);
  });

  it('finds circuits together that are kept apart, by row and by opening', () => {
    const apart = (by: 'row' | 'opening') => ({ ...REQUEST, apart: [{ circuits: ['power', 'signal'], by }] });
    expect(said(PLAN, apart('row'))).toMatch(/power and signal are in one row/);
    const parted = structuredClone(PLAN);
    const [first, second] = [place(parted, 0, 1), place(parted, 1, 0)];
    Object.assign(second, { cable: first.cable, peel: first.peel, gap: first.gap });
    for (const k of ['cable', 'peel', 'gap']) Reflect.deleteProperty(first, k);
    expect(said({ ...parted, crossings: { front: 0, back: 0 } }, apart('row'))).toBe('');
    expect(said({ ...parted, crossings: { front: 0, back: 0 } }, apart('opening'))).toMatch(/in one opening/);
  });

  it('finds a cable beside a circuit that lies in the row or the opening already', () => {
    const lying = (circuit: string, by: 'row' | 'opening') => {
      const [frame] = REQUEST.frames;
      const openings = frame?.openings.map((o) => ({ ...o, beside: [circuit] }));
      const apart = [{ circuits: ['power', 'control'], by }];
      return said(PLAN, { ...REQUEST, apart, frames: [{ ...frame, openings }] } as FrameRequest);
    };
    expect(lying('control', 'row')).toMatch(/power and control are in one row/);
    expect(lying('control', 'opening')).toMatch(/power and control are in one opening/);
    expect(lying('lighting', 'row')).toBe('');
  });

  it('finds too few spares of a size', () => {
    expect(said(PLAN, { ...REQUEST, spare: { share: 1 } })).toBe('');
    const more = {
      ...REQUEST,
      cables: [...REQUEST.cables, { tag: 'C', diameter: { min: 12.3, max: 12.5 } }],
      spare: { share: 0.5 },
    };
    const full = structuredClone(PLAN);
    Object.assign(place(full, 1, 0), { cable: 'C', peel: [2, 2], gap: { min: 0.3, max: 0.5 } });
    expect(said(full, more)).toMatch(/1 spares of 24 mm, 2 asked for/);
  });

  it('adds what is owed beside the share before it rounds up', () => {
    // Two cables and two spares; a share of a half of two is one.
    const owed = (size: number, count: number) =>
      said(PLAN, { ...REQUEST, spare: { share: 0.5, extra: [{ size, count }] } });
    expect(owed(24, 1)).toBe('');
    expect(owed(24, 1.2)).toMatch(/2 spares of 24 mm, 3 asked for/);
    expect(owed(24, -5)).toBe('');
    expect(owed(48, 0.1)).toMatch(/0 spares of 48 mm, 1 asked for/);
    expect(owed(48, -1)).toBe('');
  });

  it('finds a divided block where only single modules may stand', () => {
    const request = lockedRequest();
    const [frame] = request.frames;
    const single = {
      ...request,
      frames: [{ ...frame, openings: frame?.openings.map((o) => ({ ...o, undivided: true })) }],
    } as FrameRequest;
    expect(said(lockedPlan(request), request)).toBe('');
    expect(said(lockedPlan(request), single)).toMatch(/rows\[0\].*block at 48 mm is not a single module/);
  });

  it('takes an infeasible plan only without cost and bound', () => {
    const none: FramePlan = { ...PLAN, status: 'infeasible', cost: null, bound: null, frames: [] };
    expect(said(none)).toBe('');
    expect(said({ ...none, cost: 3 })).toMatch(/neither cost nor bound/);
  });
});

describe('readFrameRequest', () => {
  const refused = (change: Record<string, unknown>): string => {
    const read = readFrameRequest({ ...structuredClone(REQUEST), ...change });
    return read.ok ? '' : read.problems.map((p) => `${p.path}: ${p.message}`).join('\n');
  };
  it.each<[string, Record<string, unknown>, RegExp]>([
    ['no modules', { modules: [] }, /modules/],
    [
      'a range upside down',
      { modules: [{ ...MODULE, bore: { min: 9, max: 8 } }] },
      /maximum is below the minimum/,
    ],
    [
      'an opening of no height',
      { frames: [{ id: 'F', cost: 1, openings: [{ ...OPENING, height: 0 }] }] },
      /height/,
    ],
    [
      'a corner module that is none',
      { frames: [{ id: 'F', cost: 1, openings: [{ ...OPENING, cornerModule: 'M24' }] }] },
      /names no corner module/,
    ],
    ['a circuit apart from itself', { apart: [{ circuits: ['a', 'a'], by: 'row' }] }, /apart from itself/],
    ['two cables of one tag', { cables: [REQUEST.cables[0], REQUEST.cables[0]] }, /stands twice/],
    ['two modules of one name', { modules: [MODULE, MODULE] }, /stands twice/],
    [
      '5,001 cables',
      { cables: Array.from({ length: 5001 }, (_, i) => ({ tag: `W${i}`, diameter: { min: 9, max: 9 } })) },
      /cables/,
    ],
    ['unknown keys', { colour: 'red' }, /colour|unknown/],
  ])('refuses %s', (_, change, message) => expect(refused(change)).toMatch(message));
  it('takes the request of this test', () => expect(refused({})).toBe(''));
});
