import { drive, type Solve } from '@/core/kernel';
import {
  carries,
  checkFramePlan,
  moveCable,
  placeAt,
  placesOf,
  planFrames,
  planReentry,
  reentryWords,
  rowsFromPress,
  type FrameCable,
  type FrameModule,
  type FramePlan,
  type FrameRequest,
  type PlaceRef,
} from '@/core/frame-packing';
import { lockedPlan, lockedRequest } from '@/core/frame-packing/testing/locked-case';
import { randomCrossing } from '@/core/testing/random-crossing';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

const FIRST_SEED = 700;

const crossing = (seed: number) => randomCrossing(seed, seed % 3 === 0 ? 'opening' : 'row');

const planned = (request: FrameRequest): FramePlan => drive(planFrames(request), solver);
const problems = (request: FrameRequest, plan: FramePlan): string[] => {
  const audit = checkFramePlan(request, plan);
  return audit.ok ? [] : audit.problems.map((p) => `${p.path} ${p.message}`);
};
const seeds = Array.from({ length: 15 }, (_, i) => FIRST_SEED + i);
const plans = new Map<number, { request: FrameRequest; plan: FramePlan }>();
const at = (seed: number) => {
  const known = plans.get(seed);
  if (known) return known;
  const request = crossing(seed);
  const made = { request, plan: planned(request) };
  plans.set(seed, made);
  return made;
};
const findPlace = (
  plan: FramePlan,
  wanted: (p: ReturnType<typeof placesOf>[number]) => boolean,
): PlaceRef => {
  const found = placesOf(plan.frames).find(wanted);
  if (!found) throw new Error('no such place');
  return found.ref;
};

describe('moveCable', () => {
  it('exchanges two places and writes everything anew, so that going back gives the plan again', () => {
    for (const seed of seeds) {
      const { request, plan } = at(seed);
      const taken = placesOf(plan.frames).filter(({ place }) => place.cable !== undefined);
      const [a, b] = [taken[0]?.ref, taken[taken.length - 1]?.ref];
      if (!a || !b) throw new Error('no cables');
      const there = moveCable(request, plan, a, b);
      expect(placeAt(there, b)?.cable).toBe(placeAt(plan, a)?.cable);
      expect(placeAt(there, a)?.cable).toBe(placeAt(plan, b)?.cable);
      const back = moveCable(request, there, b, a);
      expect([seed, back.frames, back.crossings]).toEqual([seed, plan.frames, plan.crossings]);
    }
  });

  it('is refused by the check, with the place, when the module there is too small', () => {
    const { request, plan } = at(FIRST_SEED + 1);
    const size = new Map(request.modules.map((m) => [m.id, m]));
    const thick = findPlace(
      plan,
      ({ place }) => (size.get(place.module)?.size ?? 0) >= 36 && Boolean(place.cable),
    );
    const small = findPlace(plan, ({ place }) => (size.get(place.module)?.size ?? 99) <= 18);
    const said = problems(request, moveCable(request, plan, thick, small));
    expect(said.join('\n')).toMatch(
      new RegExp(
        `frames\\[${small.frame}\\]\\.openings\\[${small.opening}\\]\\.rows\\[${small.row}\\].*takes`,
      ),
    );
  });

  it('leaves the plan alone when there is nothing to move', () => {
    const { request, plan } = at(FIRST_SEED);
    const spare = findPlace(plan, ({ place }) => place.cable === undefined);
    expect(moveCable(request, plan, spare, { ...spare, place: 0 })).toBe(plan);
  });
});

describe('planReentry', () => {
  const newcomer = (mm: number, circuit?: string): FrameCable => ({
    tag: 'NEW',
    diameter: { min: mm - 0.2, max: mm + 0.2 },
    ...(circuit === undefined ? {} : { circuit }),
  });

  /** The fewest cables disturbed by one newcomer, by looking at every spare. */
  function fewest(request: FrameRequest, plan: FramePlan, cable: FrameCable): number | null {
    const modules = new Map<string, FrameModule>(request.modules.map((m) => [m.id, m]));
    const circuit = new Map(request.cables.map((c) => [c.tag, c.circuit]));
    let best: number | null = null;
    for (const { ref, place } of placesOf(plan.frames)) {
      if (place.cable !== undefined) continue;
      const there = modules.get(place.module);
      const takes = request.modules.some(
        (m) =>
          m.size === there?.size && Boolean(m.corner) === Boolean(there.corner) && carries(m, cable.diameter),
      );
      if (!takes) continue;
      const opening = plan.frames[ref.frame]?.openings[ref.opening];
      if (!opening) continue;
      const beside = (by: string) =>
        by === 'row' ? (opening.rows[ref.row]?.places ?? []) : opening.rows.flatMap((r) => r.places);
      const bad = request.apart.some(
        ({ circuits, by }) =>
          circuits.includes(cable.circuit ?? '') &&
          beside(by).some((p) => {
            const other = circuit.get(p.cable ?? '');
            return other !== undefined && other !== cable.circuit && circuits.includes(other);
          }),
      );
      if (bad) continue;
      const order = rowsFromPress(opening);
      const opened = order.slice(0, order.indexOf(ref.row) + 1);
      const disturbed = opened.flatMap((r) => opening.rows[r]?.places ?? []).filter((p) => p.cable).length;
      best = best === null ? disturbed : Math.min(best, disturbed);
    }
    return best;
  }

  it('disturbs as few cables as any spare allows, and the plan after it passes the check', () => {
    const seen = { placed: 0, refused: 0 };
    for (const seed of seeds) {
      const { request, plan } = at(seed);
      for (const [mm, circuit] of [
        [7, 'power'],
        [11, 'signal'],
        [20, 'control'],
        [33, 'power'],
        [120, undefined],
      ] as const) {
        const add = newcomer(mm, circuit);
        const made = planReentry(request, plan, [add]);
        if (!made.ok) throw new Error(made.problems[0]?.message);
        const best = fewest(request, plan, add);
        const [answer] = made.value.answers;
        const disturbed = made.value.open.reduce((n, o) => n + o.disturbed.length, 0);
        if (answer && 'place' in answer) {
          seen.placed += 1;
          expect([seed, mm, disturbed]).toEqual([seed, mm, best]);
          const after = { ...request, cables: [...request.cables, add], spare: { share: 0 } };
          expect([seed, mm, problems(after, made.value.plan)]).toEqual([seed, mm, []]);
        } else {
          seen.refused += 1;
          expect([seed, mm, best]).toEqual([seed, mm, null]);
          expect(answer && 'refused' in answer ? reentryWords(answer.refused).reason : '').toMatch(
            /mm|spares/,
          );
        }
      }
    }
    expect(Math.min(seen.placed, seen.refused)).toBeGreaterThan(20);
  });

  it('gives two newcomers two places', () => {
    const { request, plan } = at(FIRST_SEED + 2);
    const made = planReentry(request, plan, [newcomer(10), { ...newcomer(10), tag: 'NEW-2' }]);
    if (!made.ok) throw new Error(made.problems[0]?.message);
    const refs = made.value.answers.map((a) => ('place' in a ? JSON.stringify(a.place) : a.refused.code));
    expect(new Set(refs).size).toBe(2);
    expect(refs.every((r) => r.startsWith('{'))).toBe(true);
  });

  it('keeps a newcomer away from what lies in an opening already', () => {
    const made = lockedRequest();
    const [frame] = made.frames;
    const openings = frame?.openings.map((o) => ({ ...o, beside: ['signal'] }));
    const request = {
      ...made,
      apart: [{ circuits: ['power', 'signal'], by: 'row' }],
      frames: [{ ...frame, openings }],
    } as FrameRequest;
    const answer = (circuit: string) => {
      const asked = planReentry(request, lockedPlan(request), [newcomer(12, circuit)]);
      if (!asked.ok) throw new Error(asked.problems[0]?.message);
      return asked.value.answers[0];
    };
    expect(answer('lighting')).toHaveProperty('place');
    expect(answer('power')).toMatchObject({ refused: { code: 'besideCircuitsKeptApart' } });
  });

  it('refuses a tag that is there already, and a plan without frames', () => {
    const { request, plan } = at(FIRST_SEED);
    const twice = planReentry(request, plan, [{ ...newcomer(10), tag: request.cables[0]?.tag ?? '' }]);
    expect(twice).toMatchObject({ ok: false, problems: [{ path: 'add[0].tag' }] });
    expect(planReentry(request, { ...plan, frames: [] }, [newcomer(10)])).toMatchObject({ ok: false });
  });
});
