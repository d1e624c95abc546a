import { seededRandom } from '@/core/kernel';
import type { FrameModule } from './frame-request';
import { peelFor } from './peel';

const MODULE: FrameModule = {
  id: 'M24',
  size: 24,
  bore: { min: 8, max: 17.5 },
  layer: 1,
  gap: { min: 0.2, max: 0.9 },
};
const peel = (min: number, max: number, block = MODULE) => peelFor(block, { min, max });

it.each([
  // Gap after n layers: d − 8 − n. 12.3…12.5 after 4: 0.3…0.5.
  ['one count suits all of it', 12.3, 12.5, [2, 2], { min: 0.3, max: 0.5 }, false, false],
  // 12.0…12.4: 3 layers leave 1…1.4, all too wide; 4 leave 0…0.4, of which some suits.
  ['only one count suits some of it', 12, 12.4, [2, 2], { min: 0, max: 0.4 }, true, false],
  // 12.7…13.3: 4 layers leave 0.7…1.3, 5 leave −0.3…0.3. Both suit some: the smaller is named.
  ['it straddles two counts', 12.7, 13.3, [2, 2], { min: 0.7, max: 1.3 }, true, true],
  // 12.95…13.15: 4 leave 0.95…1.15, 5 leave −0.05…0.15: none suits any of it.
  ['it lies between two counts', 12.95, 13.15, [2, 2], { min: 0.95, max: 1.15 }, true, true],
  ['it lies at the bottom of the bore', 8, 8.1, [0, 0], { min: 0, max: 0.1 }, true, true],
] as const)('%s', (_, min, max, layers, gap, remeasure, noPeel) => {
  const made = peel(min, max);
  expect(made).toMatchObject({ layers, remeasure, noPeel });
  expect(made.gap.min).toBeCloseTo(gap.min, 9);
  expect(made.gap.max).toBeCloseTo(gap.max, 9);
});

it('never names a count of which a smaller one suits as much of the interval, and never one that is certainly too many', () => {
  const random = seededRandom(4);
  for (let n = 0; n < 5000; n += 1) {
    const block = { ...MODULE, layer: 0.6 + Math.round(random() * 12) / 10 };
    const min = 8 + Math.round(random() * 90) / 10;
    const max = Math.min(17.5, min + Math.round(random() * 15) / 10);
    const made = peel(min, max, block);
    const sum = made.layers[0] + made.layers[1];
    const some = (k: number) => {
      const [low, high] = [min - 8 - k * block.layer, max - 8 - k * block.layer];
      return low <= 0.9 + 1e-9 && high >= 0.2 - 1e-9;
    };
    const all = (k: number) =>
      min - 8 - k * block.layer >= 0.2 - 1e-9 && max - 8 - k * block.layer <= 0.9 + 1e-9;
    const counts = Array.from({ length: 17 }, (_, k) => k).filter((k) => k * block.layer <= 9.5 + 1e-9);
    const wanted = counts.find(all) ?? counts.find(some);
    if (wanted !== undefined) expect({ n, sum }).toEqual({ n, sum: wanted });
    // Where none suits at all, one layer fewer would leave the gap too wide, and this one does not leave it too small.
    else if (sum > 0) expect(min - 8 - sum * block.layer).toBeGreaterThan(0.9 - 1e-9);
    expect(made.remeasure).toBe(!counts.some(all));
  }
});
