import { DEMO_FRAMES, DEMO_MODULES } from '@/core/testing/demo-frames';
import { checkFramePlan, planFrames, readFrameRequest, type FrameRequest } from '@/core/frame-packing';
import { drive } from '@/core/kernel';
import { loadSolver, solverLimits } from './highs';

/** So many pairs of circuits that are kept apart, each pair with two cables. */
function pairsApart(pairs: number): FrameRequest {
  const read = readFrameRequest({
    cables: Array.from({ length: 2 * pairs }, (_, i) => {
      const min = 8 + ((i * 37) % 23);
      return { tag: `W-${i}`, diameter: { min, max: min + 0.3 }, circuit: `c${i}` };
    }),
    modules: DEMO_MODULES,
    frames: DEMO_FRAMES,
    apart: Array.from({ length: pairs }, (_, i) => ({ circuits: [`c${2 * i}`, `c${2 * i + 1}`], by: 'row' })),
    spare: { share: 0.1 },
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

it('plans twelve pairs that are kept apart, soundly, with a bound that is no claim of more than is proven', async () => {
  const request = pairsApart(12);
  const plan = drive(planFrames(request), await loadSolver(solverLimits(20)));
  expect(checkFramePlan(request, plan)).toEqual({ ok: true, value: null });
  expect(plan.unplaced).toEqual([]);
  expect(plan.bound ?? 0).toBeLessThanOrEqual(plan.cost ?? 0);
  expect(plan.bound ?? 0).toBeGreaterThan(0);
});

it('ends in every phase when its time is over, with what it has', async () => {
  const request = pairsApart(5);
  const solver = await loadSolver({});
  // The clock is read often: it jumps to the end after so many looks, wherever the search is then.
  for (const looks of [0, 1, 3, 10, 40, 200]) {
    let left = looks;
    const plan = drive(
      planFrames(request, () => ((left -= 1) < 0 ? 1 : 0)),
      solver,
    );
    if (plan.cost === null) expect(plan.status).toBe('gap');
    else expect(checkFramePlan(request, plan).ok).toBe(true);
  }
});
