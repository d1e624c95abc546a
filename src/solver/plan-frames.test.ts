import { drive, seededRandom, type Solve } from '@/core/kernel';
import { checkFramePlan, planFrames, readFrameRequest, type FrameRequest } from '@/core/frame-packing';
import { bruteForce } from '@/core/frame-packing/testing/brute-force';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

const CASES = 320;
const FIRST_SEED = 4100;

/** A tiny request from a seed: two or three module sizes, one or two frames, up to five cables, now and then corners and circuits. */
function smallCase(seed: number): FrameRequest {
  const random = seededRandom(seed);
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T;
  const chance = (p: number): boolean => random() < p;
  const unit = 20;
  const sizes = chance(0.3) ? [unit, 2 * unit, 3 * unit] : [unit, 2 * unit];
  const modules = sizes.map((size) => ({
    id: `M${size}`,
    size,
    bore: { min: size * 0.2, max: size * 0.7 },
    layer: 1,
    gap: { min: 0.1, max: 0.8 },
  }));
  const rounded = chance(0.25);
  const opening = () => ({
    width: pick([2, 3, 4]) * unit,
    height: pick([50, 62, 70, 84]),
    plate: pick([0, 1, 2]),
    plateAgainstPress: chance(0.5),
    press: {
      min: 6,
      max: pick([12, 20, 30]),
      at: rounded ? (['top', 'inside'] as const).slice(0, pick([1, 2])) : (['top'] as const),
    },
    fillers: chance(0.5) ? [{ thickness: pick([3, 5]), max: pick([1, 2]) }] : [],
    ...(rounded ? { cornerModule: 'C20' } : {}),
  });
  const circuits = ['power', 'control'];
  const request = {
    cables: Array.from({ length: 1 + Math.floor(random() * 5) }, (_, i) => {
      const middle = 3.5 + random() * 28;
      const wide = random() * 0.9;
      return {
        tag: `K${i}`,
        diameter: {
          min: Number((middle - wide / 2).toFixed(2)),
          max: Number((middle + wide / 2).toFixed(2)),
        },
        front: Math.floor(random() * 10),
        ...(chance(0.6) ? { circuit: pick(circuits) } : {}),
      };
    }),
    modules: rounded
      ? [
          ...modules,
          {
            id: 'C20',
            size: unit,
            bore: { min: 4, max: 13 },
            layer: 1,
            gap: { min: 0.1, max: 0.8 },
            corner: true,
          },
        ]
      : modules,
    frames: Array.from({ length: 1 + Math.floor(random() * 2) }, (_, i) => ({
      id: `F${i}`,
      cost: 10 + Math.floor(random() * 30),
      openings: Array.from({ length: chance(0.25) ? 2 : 1 }, opening),
      ...(chance(0.3) ? { available: pick([1, 2]) } : {}),
    })),
    apart: chance(0.4) ? [{ circuits, by: pick(['row', 'opening'] as const) }] : [],
    spare: { share: pick([0, 0, 0.2, 0.5]) },
  };
  const read = readFrameRequest(request);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
}

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
