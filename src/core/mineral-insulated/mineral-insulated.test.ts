import { readFileSync } from 'node:fs';
import { fitInRange } from '@/core/kernel';
import {
  choosePot,
  compoundMl,
  insulationStep,
  isDrying,
  mineralMarks,
  mineralRequestSchema,
  packsFor,
  planMineral,
  UNTESTED,
  type InsulationAct,
  type InsulationState,
  type MineralRequest,
} from './index';

const EXAMPLE = mineralRequestSchema.validateSync(
  JSON.parse(readFileSync('examples/plan/mineral.json', 'utf8')),
);
const { sheet, cable } = EXAMPLE;
const MINUTE = 60_000;
const LIMITS = { testV: 500, leastMohm: 100, holdsMs: 12 * MINUTE, mayFallShare: 0.5 };
const read = (mohm: number, volts = 500, farSealed: boolean | null = true): InsulationAct => ({
  kind: 'reading',
  mohm,
  volts,
  farSealed,
});
/** What a row of acts at minutes comes to, and the last refusal. */
function after(...acts: readonly (readonly [number, InsulationAct])[]) {
  let state: InsulationState = UNTESTED;
  let refused: string | null = null;
  for (const [minute, act] of acts) {
    const step = insulationStep(state, act, minute * MINUTE, LIMITS);
    ({ state, refused } = step);
  }
  return { ...state, refused };
}

describe('pot and packs', () => {
  it('fits wholly, may fit, or misses by the figure', () => {
    const range = { min: 5, max: 10 };
    expect(fitInRange(range, { min: 5, max: 10 })).toEqual({ verdict: 'fits', marginMm: 0 });
    expect(fitInRange(range, { min: 9.8, max: 10.1 })).toMatchObject({
      verdict: 'marginal',
      marginMm: expect.closeTo(-0.1, 9) as number,
    });
    expect(fitInRange(range, { min: 10.1, max: 10.3 }).verdict).toBe('misfit');
    expect(fitInRange(range, { min: 4.9, max: 10.2 })).toMatchObject({
      verdict: 'marginal',
      marginMm: expect.closeTo(-0.2, 9) as number,
    });
  });

  it('takes the smallest pot that certainly fits sheath and conductors', () => {
    expect(choosePot(sheet, cable)?.size).toBe('20');
    expect(choosePot(sheet, { ...cable, sheathMm: { min: 9.2, max: 9.4 } })?.size).toBe('20');
    expect(choosePot(sheet, { ...cable, sheathMm: { min: 9.2, max: 9.7 } })?.size).toBe('25');
    expect(choosePot(sheet, { ...cable, conductors: 7 })).toBeNull();
    expect(choosePot(sheet, { ...cable, sheathMm: { min: 14, max: 14.3 } })).toBeNull();
  });

  it('fills what is above the sheath less the conductors, a little over', () => {
    const pot = choosePot(sheet, cable);
    if (pot === null) throw new Error('a pot fits');
    // 22 of 24 mm of 5.4 mL are 4.95 mL; two conductors of 1.8 mm take 2·π·0.9²·22 mm³ = 0.11197 mL; 5 % over.
    expect(compoundMl(pot, cable, 0.05)).toBeCloseTo(1.05 * (4.95 - 0.111966), 4);
    expect(compoundMl(pot, { ...cable, conductorMm: 30 }, 0.05)).toBe(0);
  });

  it('counts a pack for each end by itself: an open one does not wait', () => {
    expect(packsFor(5.08, 2, 15)).toEqual({ packs: 2, leftMl: expect.closeTo(19.84, 9) as number });
    expect(packsFor(15, 1, 15).packs).toBe(1);
    expect(packsFor(15.1, 2, 15).packs).toBe(4);
  });
});

it('marks strip, grip, pot and straight from the tail, and no mark lets the sheath out of its span', () => {
  const pot = choosePot(sheet, cable);
  if (pot === null) throw new Error('a pot fits');
  // 180 + 3 + 24 − 3 = 204 mm off; the pot's edge 3 mm on; 60 mm straight behind it.
  expect(mineralMarks(sheet, pot, 6, 180).map((m) => [m.id, m.atMm, m.within.min, m.within.max])).toEqual([
    ['strip', 204, 203, 205],
    ['grip', 210, 209, 211],
    ['pot', 207, 206, 208],
    ['straight', 267, 267, null],
  ]);
  for (let tail = 100; tail < 130; tail += 0.37) {
    const [strip, , edge] = mineralMarks(sheet, { ...pot, insideMm: { min: 2, max: 3.5 } }, 6, tail);
    for (const at of [strip?.within.min, strip?.atMm, strip?.within.max]) {
      const inside = tail + 3 + 24 - (at ?? 0);
      expect(inside).toBeGreaterThanOrEqual(2 - 1e-9);
      expect(inside).toBeLessThanOrEqual(3.5 + 1e-9);
    }
    expect((edge?.atMm ?? 0) - (strip?.atMm ?? 0)).toBeCloseTo(tail + 27 - (strip?.atMm ?? 0), 9);
  }
});

describe('the insulation clock', () => {
  it('counts a good reading for its time to the millisecond, and asks for another after it', () => {
    expect(after([0, read(100)], [12, { kind: 'sealed' }]).phase).toBe('sealed');
    expect(after([0, read(100)], [12 + 1 / MINUTE, { kind: 'sealed' }]).refused).toMatch(
      /13 min old and counts for 12/,
    );
    expect(after([0, read(100)], [13, read(400)], [20, { kind: 'sealed' }]).phase).toBe('sealed');
  });

  it.each<[string, InsulationAct, RegExp]>([
    ['with an open far end', read(900, 500, false), /far end is open/],
    ['with a far end of which nobody says', read(900, 500, null), /is the far end sealed/],
    ['at too little', read(900, 499), /1 V less than the test asks for/],
    ['at too much', read(900, 1000), /500 V more than the cable may see/],
  ])('counts no reading %s', (_, act, words) => {
    const made = after([0, act]);
    expect(made.refused).toMatch(words);
    expect(made.good).toBeNull();
    expect(after([0, act], [1, { kind: 'sealed' }]).refused).toMatch(/no good reading/);
  });

  it('dries as long as three readings rise, and has the end cut when they do not', () => {
    expect([[], [1], [1, 2], [1, 0, 2], [2, 5, 2], [9, 1, 2, 3]].map(isDrying)).toEqual([
      null,
      null,
      null,
      true,
      false,
      true,
    ]);
    const heat = { kind: 'heated' } as const;
    expect(after([0, read(5)], [1, heat], [2, read(9)], [3, heat], [4, read(20)]).phase).toBe('wet');
    const cut = after([0, read(5)], [1, heat], [2, read(9)], [3, heat], [4, read(5)]);
    expect(cut.phase).toBe('cut');
    // Read again without heat it is no reading more.
    expect(after([0, read(5)], [1, read(5)], [2, read(5)]).phase).toBe('wet');
    expect(
      after([0, read(5)], [1, heat], [2, read(4)], [3, heat], [4, read(3)], [5, read(900)]).refused,
    ).toMatch(/cut back first/);
    expect(
      after(
        [0, read(5)],
        [1, heat],
        [2, read(4)],
        [3, heat],
        [4, read(3)],
        [5, { kind: 'cutBack' }],
        [6, read(900)],
      ).phase,
    ).toBe('dry');
  });

  it('proves the seal against the test before it', () => {
    const sealed = [
      [0, read(800)],
      [5, { kind: 'sealed' }],
    ] as const;
    expect(after(...sealed, [9, read(400)]).phase).toBe('proved');
    expect(after(...sealed, [9, read(399)])).toMatchObject({
      phase: 'sealed',
      refused: expect.stringMatching(/399 MΩ after sealing, 400 MΩ at least/) as string,
    });
  });

  it('over all sequences of up to eight acts is never sealed on a reading that is low, aged, heated away or not counted', () => {
    type Act = InsulationAct | { readonly kind: 'wait' };
    const ACTS: readonly Act[] = [
      read(900),
      read(5),
      read(900, 500, false),
      read(900, 250),
      { kind: 'heated' },
      { kind: 'wait' },
      { kind: 'sealed' },
      { kind: 'cutBack' },
    ];
    interface At {
      readonly state: InsulationState;
      readonly now: number;
      /** Kept apart from the machine: when a reading was taken that may be sealed on. */
      readonly fresh: number | null;
    }
    let tried = 0;
    let sealedTimes = 0;
    const walk = ({ state, now, fresh }: At, depth: number): void => {
      if (depth === 0) return;
      for (const act of ACTS) {
        tried += 1;
        if (act.kind === 'wait') {
          walk({ state, now: now + 13 * MINUTE, fresh }, depth - 1);
          continue;
        }
        const made = insulationStep(state, act, now, LIMITS);
        if (act.kind === 'sealed' && made.refused === null) {
          sealedTimes += 1;
          if (fresh === null || now - fresh > LIMITS.holdsMs)
            throw new Error('sealed on a reading that does not count');
          continue;
        }
        const counts = act.kind === 'reading' && made.refused === null;
        const next = counts
          ? act.mohm >= 100
            ? now
            : null
          : act.kind === 'heated' || act.kind === 'cutBack'
            ? null
            : fresh;
        // A refused act changes nothing: its branch is the one above it, a step shorter.
        if (made.refused === null) walk({ state: made.state, now: now + MINUTE, fresh: next }, depth - 1);
      }
    };
    walk({ state: UNTESTED, now: 0, fresh: null }, 8);
    expect(tried).toBeGreaterThan(100_000);
    expect(sealedTimes).toBeGreaterThan(1000);
  });
});

describe('a plan', () => {
  const refused = (change: Partial<MineralRequest>) => {
    const made = planMineral({ ...EXAMPLE, ...change });
    return made.ok ? 'planned' : made.problems.map((p) => p.message).join();
  };

  it('names pot, packs and marks, and until when each end may be sealed', () => {
    const made = planMineral(EXAMPLE);
    expect(made.ok && made.value).toMatchObject({ pot: '20', packs: 2, testV: 500 });
    expect(made.ok && made.value.ends.map((e) => [e.insulation.phase, e.insulation.sealUntil])).toEqual([
      ['dry', '2026-11-24T09:52:00.000Z'],
      ['untested', null],
    ]);
  });

  it.each<[string, Partial<MineralRequest>, RegExp]>([
    [
      'a sheath at the edge of a pot',
      { cable: { ...cable, sheathMm: { min: 14, max: 14.3 } } },
      /not certainly within pot 25: 0.1 mm over: measure again/,
    ],
    [
      'a sheath that no pot takes',
      { cable: { ...cable, sheathMm: { min: 15, max: 15.2 } } },
      /no pot takes 15 mm to 15.2 mm: 25 misses it by 1 mm/,
    ],
    ['too many conductors', { cable: { ...cable, conductors: 19 } }, /no pot takes 19 conductors/],
    [
      'a stripper that is too small',
      { cable: { ...cable, sheathMm: { min: 10.1, max: 10.3 } } },
      /hand stripper does not certainly take .* 0.3 mm off/,
    ],
    ['a stripper that is not there', { tool: 'knife' }, /not on this sheet/],
    ['a rating without a test', { cable: { ...cable, ratedV: 1001 } }, /names no test for 1001 V/],
  ])('is refused for %s, with the number', (_, change, words) => {
    expect(refused(change)).toMatch(words);
  });

  it('counts no entry that is older than the one above it', () => {
    const log = EXAMPLE.ends[0]?.log ?? [];
    const made = planMineral({ ...EXAMPLE, ends: [{ tag: 'A', tailMm: 100, log: [...log].reverse() }] });
    expect(made.ok && made.value.ends[0]?.insulation.refused.map((r) => r.entry)).toEqual([2, 3]);
  });
});
