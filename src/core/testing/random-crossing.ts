import { seededRandom } from '@/core/kernel';
import { DEMO_FRAMES, DEMO_MODULES } from './demo-frames';
import type { FrameRequest } from '@/core/frame-packing';

/** Six to seventeen cables for the frames of the shipped catalogue, mostly thin, of three circuits of which two may be kept apart. */
export function randomCrossing(seed: number, apart: 'row' | 'opening' | undefined): FrameRequest {
  const random = seededRandom(seed);
  const circuits = ['power', 'control', 'signal'];
  return {
    cables: Array.from({ length: 6 + Math.floor(random() * 12) }, (_, i) => {
      const middle = 6 + 40 * random() ** 2;
      return {
        tag: `W-${i}`,
        diameter: { min: Number((middle - 0.2).toFixed(2)), max: Number((middle + 0.2).toFixed(2)) },
        circuit: circuits[Math.floor(random() * 3)] ?? 'power',
        front: i,
        back: Math.floor(random() * 20),
      };
    }),
    modules: [...DEMO_MODULES],
    frames: [...DEMO_FRAMES],
    apart: apart === undefined ? [] : [{ circuits: ['power', 'signal'], by: apart }],
    spare: { share: 0.2 },
  };
}
