import { seededRandom } from '@/core/kernel';
import { readFrameRequest, type FrameRequest } from '../model/frame-request';

/** A tiny request from a seed: two or three module sizes, one or two frames, up to five cables, now and then corners and circuits. */
export function smallCase(seed: number): FrameRequest {
  const random = seededRandom(seed);
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T;
  const chance = (p: number): boolean => random() < p;
  const unit = 20;
  const sizes = chance(0.3) ? [unit, 2 * unit, 3 * unit] : [unit, 2 * unit];
  const modules = sizes.map((size) => ({
    id: `M${size}`,
    size,
    bore: { min: size * 0.2, max: size * 0.7 },
    // Layers differ, so that a cable may need a second measuring in one size and not in another.
    layer: size === unit ? 1 : 1.3,
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
