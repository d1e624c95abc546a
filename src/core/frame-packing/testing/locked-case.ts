import type { FramePlan, Place } from '../model/frame-plan';
import type { FrameModule, FrameRequest } from '../model/frame-request';
import { restatePlan } from '../replan/restate';

const gap = { min: 0.2, max: 0.9 };
export const M24: FrameModule = { id: 'M24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap };
export const M48: FrameModule = { id: 'M48', size: 48, bore: { min: 23, max: 37 }, layer: 1, gap };
const thin = (tag: string) => ({ tag, diameter: { min: 12.3, max: 12.5 } });

/**
 * One opening of 96 mm: a row of 48 mm with BIG and a block of four small modules (A, B, a spare, C), a row of 24 mm with D, E and two spares.
 * 48 + 24 and two plates leave 30 mm for the press unit.
 */
export const lockedRequest = (): FrameRequest => ({
  cables: [{ tag: 'BIG', diameter: { min: 30.3, max: 30.5 } }, ...['A', 'B', 'C', 'D', 'E'].map(thin)],
  modules: [M24, M48],
  frames: [
    {
      id: 'F',
      cost: 10,
      available: 1,
      openings: [
        {
          width: 96,
          height: 104,
          plate: 1,
          plateAgainstPress: true,
          press: { min: 28, max: 31, at: ['top'], bolts: undefined },
          fillers: [],
        },
      ],
    },
  ],
  apart: [],
  spare: { share: 0 },
});

const place = (module: string, x: number, y: number, cable?: string): Place =>
  cable === undefined ? { module, x, y } : { module, x, y, cable };

export function lockedPlan(request: FrameRequest): FramePlan {
  const frames = [
    {
      frame: 'F',
      openings: [
        {
          press: 'top' as const,
          closure: 30,
          fillers: [],
          rows: [
            {
              height: 48,
              places: [
                place('M48', 0, 0, 'BIG'),
                place('M24', 48, 0, 'A'),
                place('M24', 72, 0, 'B'),
                place('M24', 48, 24),
                place('M24', 72, 24, 'C'),
              ],
            },
            {
              height: 24,
              places: [
                place('M24', 0, 49, 'D'),
                place('M24', 24, 49, 'E'),
                place('M24', 48, 49),
                place('M24', 72, 49),
              ],
            },
          ],
        },
      ],
    },
  ];
  return restatePlan(
    request,
    {
      status: 'optimal',
      cost: 10,
      bound: 10,
      frames,
      unplaced: [],
      crossings: { front: 0, back: 0 },
      parts: [],
    },
    frames,
  );
}
