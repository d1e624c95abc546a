import { drive, seededRandom, type Solve } from '@/core/kernel';
import {
  checkFramePlan,
  DEMO_FRAMES,
  DEMO_MODULES,
  planFrames,
  type FrameRequest,
} from '@/core/frame-packing';
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

/** Medians over listed seeds; every plan is audited, and what is not proven optimal is shown as a gap. Larger crossings take minutes yet. */
export async function benchFrames(): Promise<Row[]> {
  const solver: Solve = await loadSolver({ seconds: 20 });
  const rows: Row[] = [];
  for (const [count, bar] of [
    [18, 150],
    [46, 500],
  ] as const) {
    const times: number[] = [];
    let gap = 0;
    for (let seed = 1; seed <= 5; seed += 1) {
      const request = crossing(count, seed);
      const from = performance.now();
      const plan = drive(planFrames(request), solver);
      times.push(performance.now() - from);
      const audit = checkFramePlan(request, plan);
      if (!audit.ok) throw new Error(`${count} cables, seed ${seed}: ${audit.problems[0]?.message}`);
      gap = Math.max(gap, plan.cost && plan.bound !== null ? (plan.cost - plan.bound) / plan.cost : 1);
    }
    times.sort((a, b) => a - b);
    rows.push({
      what: `transit frames, ${count} cables, median of seeds 1–5`,
      value: times[2] ?? NaN,
      unit: 'ms',
      bar,
    });
    rows.push({
      what: '  gap to the proven bound at most',
      value: gap * 100,
      unit: '%',
      bar: 0,
    });
  }
  return rows;
}
