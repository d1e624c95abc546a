import { drive, seededRandom } from '@/core/kernel';
import { planFrames, type FrameRequest } from '@/core/frame-packing';
import { areaIn, leastArea } from '@/core/frame-packing/search/least-area';
import { frameSetting } from '@/core/frame-packing/model/frame-setting';
import { DEMO_FRAMES, DEMO_MODULES } from '@/core/testing/demo-frames';
import { loadSolver } from './highs';

test('no plan stands in frames with less area than its rows take in any case, over 24 crossings from seed 910 on', async () => {
  const solver = await loadSolver({});
  let close = 0;
  for (let seed = 910; seed < 934; seed += 1) {
    const random = seededRandom(seed);
    const request: FrameRequest = {
      cables: Array.from({ length: 1 + Math.floor(random() * 9) }, (_, i) => {
        const min = Number((6 + 40 * random() ** 2).toFixed(2));
        return { tag: `W-${i}`, diameter: { min, max: min + 0.3 } };
      }),
      modules: [...DEMO_MODULES],
      frames: [...DEMO_FRAMES],
      apart: [],
      spare: { share: random() < 0.5 ? 0 : 0.2 },
    };
    const plan = drive(planFrames(request), solver);
    if (plan.frames.length === 0) continue;
    const setting = frameSetting(request);
    const counts = request.frames.map((f) => plan.frames.filter((p) => p.frame === f.id).length);
    const least = drive(leastArea(setting, 200), solver);
    const area = areaIn(setting, { counts, cost: 0 });
    expect(area).toBeGreaterThanOrEqual(least);
    if (least > area / 2) close += 1;
  }
  // A bound that is far from everything would show nothing.
  expect(close).toBeGreaterThan(4);
});
