import { drive, seededRandom, type Solve } from '@/core/kernel';
import { checkFramePlan, planFrames, type FrameRequest } from '@/core/frame-packing';
import { DEMO_FRAMES, DEMO_MODULES } from '@/core/testing/demo-frames';
import { programFor } from '@/core/frame-packing/model/frame-model';
import { frameSetting } from '@/core/frame-packing/model/frame-setting';
import { loadSolver } from '@/solver/highs';
import type { Row } from './row';

/** A crossing of so many cables of a plant: mostly thin, a few thick; three circuits, one kept apart. */
export function crossing(cables: number, seed: number): FrameRequest {
  const random = seededRandom(seed);
  const circuits = ['power', 'control', 'signal'];
  return {
    cables: Array.from({ length: cables }, (_, i) => {
      const middle = 6 + 44 * random() ** 2.2;
      const half = 0.1 + random() * 0.25;
      return {
        tag: `W-${100 + i}`,
        diameter: { min: Number((middle - half).toFixed(2)), max: Number((middle + half).toFixed(2)) },
        circuit: circuits[Math.floor(random() * 3)] ?? 'power',
        front: i,
        back: Math.floor(random() * cables),
      };
    }),
    modules: [...DEMO_MODULES],
    frames: [...DEMO_FRAMES],
    apart: [{ circuits: ['power', 'signal'], by: 'row' }],
    spare: { share: 0.2 },
  };
}

const SIZES = [
  { cables: 18, seeds: [1, 2, 3, 4, 5], ms: 150, gap: 0 },
  { cables: 46, seeds: [1, 2, 3, 4, 5], ms: 500, gap: 0 },
  { cables: 120, seeds: [1, 2, 3, 4, 5], ms: 3000, gap: 0 },
  { cables: 300, seeds: [1, 2, 3], ms: 15_000, gap: 1 },
];

/** Medians over listed seeds; every plan is audited, and what is not proven optimal is shown as a gap. Last, the same model handed over whole. */
export async function benchFrames(): Promise<Row[]> {
  const solver: Solve = await loadSolver({});
  // The first plan compiles everything.
  drive(planFrames(crossing(18, 99)), solver);
  const rows = SIZES.flatMap((size) => {
    const plans = size.seeds.map((seed) => planned(size.cables, seed, solver));
    const times = plans.map((p) => p.ms).sort((a, b) => a - b);
    const proven = size.seeds.filter((_, i) => (plans[i]?.gap ?? 1) < 1e-9);
    return [
      {
        what: `transit frames, ${size.cables} cables, median of seeds ${size.seeds.join(', ')}`,
        value: times[Math.floor(times.length / 2)] ?? NaN,
        unit: 'ms',
        bar: size.ms,
      },
      {
        what: `  gap to the proven bound at most; proven optimal: seeds ${proven.join(', ') || 'none'}`,
        value: Math.max(...plans.map((p) => p.gap)) * 100,
        unit: '%',
        bar: size.gap,
      },
    ];
  });
  rows.push({
    what: 'transit frames, peak memory of the process that plans them',
    value: process.resourceUsage().maxRSS / 1024,
    unit: 'MB',
    bar: 500,
  });
  return [...rows, ...(await wholeModel())];
}

function planned(cables: number, seed: number, solver: Solve): { ms: number; gap: number } {
  const request = crossing(cables, seed);
  const from = performance.now();
  const plan = drive(planFrames(request), solver);
  const ms = performance.now() - from;
  const audit = checkFramePlan(request, plan);
  if (!audit.ok) throw new Error(`${cables} cables, seed ${seed}: ${audit.problems[0]?.message}`);
  return { ms, gap: plan.cost && plan.bound !== null ? (plan.cost - plan.bound) / plan.cost : 1 };
}

/** For comparison: row patterns, frames, blocks and cables as one program, cost alone, handed to the solver as it is. */
async function wholeModel(): Promise<Row[]> {
  const solver = await loadSolver({ seconds: 20 });
  return [18, 46].map((cables) => {
    const { exact } = frameSetting(crossing(cables, 1));
    const from = performance.now();
    const answer = solver(programFor(exact, exact.cost, []));
    return {
      what: `  for comparison, ${cables} cables (seed 1) as one plain program, cut at 20 s: ${answer.status}`,
      value: performance.now() - from,
      unit: 'ms',
      bar: Infinity,
    };
  });
}
