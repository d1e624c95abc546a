import { drive, seededRandom, type Solve } from '@/core/kernel';
import {
  checkFramePlan,
  placeAt,
  placesOf,
  placesThatStay,
  planFrames,
  replanAround,
  type FramePlan,
  type FrameRequest,
  type Place,
} from '@/core/frame-packing';
import { lockedPlan, lockedRequest } from '@/core/frame-packing/testing/locked-case';
import { randomCrossing } from '@/core/testing/random-crossing';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

const FIRST_SEED = 900;

/** Every third crossing keeps circuits apart by row, every third by opening. */
const crossing = (seed: number) => randomCrossing(seed, (['row', 'opening'] as const)[seed % 3]);

const problems = (request: FrameRequest, plan: FramePlan): string[] => {
  const audit = checkFramePlan(request, plan);
  return audit.ok ? [] : audit.problems.map((p) => `${p.path} ${p.message}`);
};
/** A row as what must not change of it: places that stay, with where they are across the row and above its lower edge. */
const told = (row: readonly Place[], among: readonly Place[]): string => {
  const base = Math.min(...among.map((p) => p.y));
  return row
    .map((p) => `${p.module} ${p.cable} ${p.peel?.join('+')} ${p.x.toFixed(2)} ${(p.y - base).toFixed(2)}`)
    .sort()
    .join('; ');
};

it('keeps what stays to the letter, plans the rest anew, and the whole plan passes the check', () => {
  const seen = { locked: 0, freed: 0 };
  for (let seed = FIRST_SEED; seed < FIRST_SEED + 15; seed += 1) {
    const request = crossing(seed);
    const plan = drive(planFrames(request), solver);
    const random = seededRandom(seed);
    const all = placesOf(plan.frames).filter(({ place }) => place.cable !== undefined);
    const locked = all.filter(() => random() < 0.12).map(({ ref }) => ref);
    if (locked.length === 0) continue;
    const again = drive(replanAround(request, plan, locked, 0), solver);
    expect([seed, problems(request, again)]).toEqual([seed, []]);
    expect([seed, again.unplaced]).toEqual([seed, plan.unplaced]);
    const stays = placesThatStay(request, plan, locked);
    for (const ref of locked) {
      const mine = stays.filter(
        (s) => s.frame === ref.frame && s.opening === ref.opening && s.row === ref.row,
      );
      const row = plan.frames[ref.frame]?.openings[ref.opening]?.rows[ref.row]?.places ?? [];
      const held = mine.map((s) => row[s.place] as Place);
      const tag = placeAt(plan, ref)?.cable;
      const after = again.frames
        .flatMap((f) => f.openings.flatMap((o) => o.rows.map((r) => r.places)))
        .find((places) => places.some((p) => p.cable === tag));
      if (!after) throw new Error(`${seed}: ${tag} is gone`);
      const there = after.filter((p) => held.some((h) => h.x === p.x && h.cable === p.cable));
      // A spare that stays has no name: only those at the same height are meant.
      const same = there.filter((p) => told([p], after) !== '' && told(held, row).includes(told([p], after)));
      expect([seed, told(same, after)]).toEqual([seed, told(held, row)]);
      seen.locked += 1;
      if (mine.length < row.length && told(after, after) !== told(row, row)) seen.freed += 1;
    }
  }
  expect(seen.locked).toBeGreaterThan(18);
  expect(seen.freed).toBeGreaterThan(5);
});

describe('beside a locked place', () => {
  const big = { frame: 0, opening: 0, row: 0, place: 0 };
  const thick = (tag: string) => ({ tag, diameter: { min: 30.3, max: 30.5 } });

  it('gives the other blocks of the row to whoever needs them', () => {
    const before = lockedRequest();
    const request = { ...before, cables: [...before.cables.filter((c) => c.tag !== 'B'), thick('BIG-2')] };
    const plan = lockedPlan(before);
    // The only row of 48 mm has room for two thick ones, and the row of 24 mm for the four thin ones that are left.
    const again = drive(replanAround(request, plan, [big], 0), solver);
    expect(problems(request, again)).toEqual([]);
    expect(again.cost).toBe(10);
    expect(placeAt(again, big)).toEqual(placeAt(plan, big));
    expect(placesOf(again.frames).find(({ place }) => place.cable === 'BIG-2')?.ref.row).toBe(0);
  });

  it('gives the other places of its block to whoever needs them', () => {
    const before = lockedRequest();
    const thin = (tag: string) => ({ tag, diameter: { min: 12.3, max: 12.5 } });
    const request = { ...before, cables: [...before.cables, thin('N-1'), thin('N-2'), thin('N-3')] };
    // Eight thin ones for the four places of the block and the four of the low row: A keeps its own.
    const a = { frame: 0, opening: 0, row: 0, place: 1 };
    const again = drive(replanAround(request, lockedPlan(before), [big, a], 0), solver);
    expect(problems(request, again)).toEqual([]);
    expect([again.cost, placeAt(again, a)]).toEqual([10, placeAt(lockedPlan(before), a)]);
    expect(placesOf(again.frames).every(({ place }) => place.cable !== undefined)).toBe(true);
  });

  it('is proven to cost least when it costs what was proven before, and otherwise says how far it may be', () => {
    const request = lockedRequest();
    const around = (leastCost: number) =>
      drive(replanAround(request, lockedPlan(request), [big], leastCost), solver);
    expect(around(10)).toMatchObject({ status: 'optimal', cost: 10, bound: 10 });
    expect(around(7)).toMatchObject({ status: 'gap', cost: 10, bound: 7 });
    expect(around(0).remeasure).toEqual({ places: 0, atLeast: 0 });
  });

  it('says that it cannot be done when what stays is in the way', () => {
    const before = lockedRequest();
    const request = { ...before, cables: [...before.cables, thick('BIG-2')] };
    const small = { frame: 0, opening: 0, row: 0, place: 1 };
    const again = drive(replanAround(request, lockedPlan(before), [big, small], 0), solver);
    expect(again).toMatchObject({ status: 'infeasible', cost: null, unplaced: [{ tag: 'BIG-2' }] });
    // One that nothing takes is no fault of what stays.
    const giant = { tag: 'GIANT', diameter: { min: 90, max: 91 } };
    const both = { ...request, cables: [...request.cables, giant] };
    const named = drive(replanAround(both, lockedPlan(before), [big, small], 0), solver);
    expect(named.unplaced.map((u) => u.tag)).toEqual(['BIG-2']);
    const fits = { ...before, cables: [...before.cables, giant] };
    expect(drive(replanAround(fits, lockedPlan(before), [big, small], 0), solver)).toMatchObject({
      cost: 10,
      unplaced: [{ tag: 'GIANT' }],
    });
  });

  it('is no plan when none was found within the limits, and leaves nothing half done', () => {
    const before = lockedRequest();
    const many = Array.from({ length: 12 }, (_, i) => ({
      tag: `N-${i}`,
      diameter: { min: 12.3, max: 12.5 },
    }));
    const request = { ...before, cables: [...before.cables, ...many] };
    const silent: Solve = () => ({ status: 'limit', objective: null, bound: null, values: [] });
    expect(drive(replanAround(request, lockedPlan(before), [big], 7), silent)).toEqual({
      status: 'gap',
      cost: null,
      bound: 7,
      frames: [],
      parts: [],
      crossings: { front: 0, back: 0 },
      remeasure: null,
      order: null,
      unplaced: [],
    });
  });

  it('rounds the spares of locked cables and of the others up together', () => {
    const before = { ...lockedRequest(), spare: { share: 1 / 3 } };
    const request = { ...before, cables: before.cables.filter((c) => !['A', 'B'].includes(c.tag)) };
    const d = { frame: 0, opening: 0, row: 1, place: 0 };
    // Three thin ones are owed one spare; one locked and two others, each rounded up on their own, would be owed two.
    const again = drive(replanAround(request, lockedPlan(before), [big, d], 0), solver);
    expect(problems(request, again)).toEqual([]);
    expect(placesOf(again.frames).filter(({ place }) => place.cable === undefined)).toHaveLength(2);
  });

  it('counts the spares that the locked cables are owed', () => {
    const before = { ...lockedRequest(), spare: { share: 0.5 } };
    const request = { ...before, cables: before.cables.filter((c) => c.tag !== 'E') };
    const again = drive(replanAround(request, lockedPlan(before), [big], 0), solver);
    // One thick cable asks for one spare of 48 mm, beside it; four thin ones then fill the other row, and the two spares owed to them have no room.
    expect(again).toMatchObject({ status: 'infeasible', cost: null });
    const fewer = { ...request, cables: request.cables.filter((c) => !['A', 'B'].includes(c.tag)) };
    // Two thin ones and the spare owed to them have room.
    const room = drive(replanAround(fewer, lockedPlan(before), [big], 0), solver);
    expect(problems(fewer, room)).toEqual([]);
    expect(room.frames[0]?.openings[0]?.rows[0]?.places.map((p) => p.cable ?? p.module)).toEqual([
      'BIG',
      'M48',
    ]);
  });
});
