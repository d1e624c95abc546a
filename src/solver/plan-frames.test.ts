import { drive, type Solve } from '@/core/kernel';
import { checkFramePlan, planFrames, type FrameRequest } from '@/core/frame-packing';
import { bruteForce } from '@/core/frame-packing/testing/brute-force';
import { smallCase } from '@/core/frame-packing/testing/small-case';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

const CASES = 320;
const FIRST_SEED = 4100;

const planned = (request: FrameRequest) => drive(planFrames(request), solver);
/** Bounds the exhaustive search: with more frames than this it is not asked. */
const MOST_FRAMES = 2;

it(`equals brute force on ${CASES} small cases from seed ${FIRST_SEED} on, each audited`, () => {
  const seen = { optimal: 0, infeasible: 0, unplaced: 0, apart: 0, rounded: 0, beyond: 0 };
  for (let seed = FIRST_SEED; seed < FIRST_SEED + CASES; seed += 1) {
    const request = smallCase(seed);
    const plan = planned(request);
    const audit = checkFramePlan(request, plan);
    expect([seed, audit.ok ? [] : audit.problems]).toEqual([seed, []]);
    const gone = new Set(plan.unplaced.map((u) => u.tag));
    const asked = { ...request, cables: request.cables.filter((c) => !gone.has(c.tag)) };
    const used = plan.frames.length;
    if (used > MOST_FRAMES) {
      seen.beyond += 1;
      continue;
    }
    const best = bruteForce(asked, MOST_FRAMES);
    const again = plan.frames
      .flatMap((f) => f.openings.flatMap((o) => o.rows.flatMap((r) => r.places)))
      .filter((p) => p.remeasure).length;
    if (plan.status === 'infeasible') expect([seed, best]).toEqual([seed, null]);
    else expect([seed, best]).toEqual([seed, { cost: plan.cost, remeasure: again }]);
    seen[plan.status === 'infeasible' ? 'infeasible' : 'optimal'] += 1;
    if (gone.size > 0) seen.unplaced += 1;
    if (request.apart.length > 0) seen.apart += 1;
    if (request.modules.some((m) => m.corner)) seen.rounded += 1;
  }
  // The cases are worth something only when all kinds are among them.
  for (const [kind, n] of Object.entries(seen))
    if (kind !== 'beyond') expect([kind, n >= 15]).toEqual([kind, true]);
  expect(seen.beyond).toBeLessThan(CASES / 4);
});
