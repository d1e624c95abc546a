import { drive, seededRandom, type Solve } from '@/core/kernel';
import { checkFramePlan, planFrames, type FramePlan, type FrameRequest } from '@/core/frame-packing';
import { bruteOrder, type Figures } from '@/core/frame-packing/testing/brute-order';
import { smallCase } from '@/core/frame-packing/testing/small-case';
import { loadSolver } from './highs';

let solver: Solve;
beforeAll(async () => {
  solver = await loadSolver();
});

const FIRST_SEED = 7300;
const COMPARED = 300;
const MOST_FRAMES = 2;
/** A case with more plans than this is passed over. */
const MOST_PLANS = 4_000;

/** A small case in which everything that decides between plans of one cost is there: prices of modules, a second module of a size, trays. */
function pricedCase(seed: number): FrameRequest {
  const random = seededRandom(seed * 31);
  const request = smallCase(seed);
  const price = () => Math.floor(random() * 6);
  const modules = request.modules.map((m) => ({ ...m, cost: price() }));
  const [first] = modules;
  if (first && random() < 0.4)
    modules.push({
      ...first,
      id: `${first.id}N`,
      bore: { min: first.bore.min, max: first.bore.max - 4 },
      cost: price(),
    });
  return {
    ...request,
    modules,
    cables: request.cables.slice(0, 4).map((c) => ({ ...c, back: Math.floor(random() * 10) })),
  };
}

const figures = (plan: FramePlan): Figures => [
  plan.remeasure?.places ?? NaN,
  plan.order?.toSpares ?? NaN,
  plan.order?.moduleCost ?? NaN,
  plan.crossings.front + plan.crossings.back,
];

it(`equals brute force in all that comes after the cost of frames, on ${COMPARED} cases from seed ${FIRST_SEED} on`, () => {
  const seen = { apart: 0, rounded: 0, spares: 0, crossing: 0, again: 0, several: 0 };
  let compared = 0;
  for (let seed = FIRST_SEED; compared < COMPARED && seed < FIRST_SEED + 6 * COMPARED; seed += 1) {
    const request = pricedCase(seed);
    const plan = drive(planFrames(request), solver);
    const audit = checkFramePlan(request, plan);
    expect([seed, audit.ok ? [] : audit.problems]).toEqual([seed, []]);
    if (plan.cost === null || plan.frames.length === 0 || plan.frames.length > MOST_FRAMES) continue;
    const gone = new Set(plan.unplaced.map((u) => u.tag));
    const asked = { ...request, cables: request.cables.filter((c) => !gone.has(c.tag)) };
    const best = bruteOrder(asked, plan.cost, MOST_FRAMES, MOST_PLANS);
    if (best === 'too many') continue;
    compared += 1;
    expect([seed, figures(plan), plan.order?.proven]).toEqual([seed, best, true]);
    if (request.apart.length > 0) seen.apart += 1;
    if (request.modules.some((m) => m.corner)) seen.rounded += 1;
    if (request.spare.share > 0) seen.spares += 1;
    if ((best?.[3] ?? 0) > 0) seen.crossing += 1;
    if ((best?.[0] ?? 0) > 0) seen.again += 1;
    if (plan.frames.length > 1) seen.several += 1;
  }
  expect(compared).toBe(COMPARED);
  for (const [kind, n] of Object.entries(seen)) expect([kind, n >= 10]).toEqual([kind, true]);
});
