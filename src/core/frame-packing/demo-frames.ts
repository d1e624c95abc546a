import type { FrameKind, FrameModule, FrameOpening } from './frame-request';

/** Modules of the demo catalogue: invented figures, seven plain sizes and two that stand in rounded corners. mm. */
export const DEMO_MODULES: readonly FrameModule[] = [
  { id: 'TM-12', size: 12, bore: { min: 3, max: 7.5 }, layer: 0.9, gap: { min: 0.2, max: 0.9 }, cost: 3 },
  { id: 'TM-18', size: 18, bore: { min: 4.5, max: 12.5 }, layer: 1, gap: { min: 0.2, max: 0.9 }, cost: 4 },
  { id: 'TM-24', size: 24, bore: { min: 8, max: 17.5 }, layer: 1, gap: { min: 0.2, max: 0.9 }, cost: 5 },
  { id: 'TM-36', size: 36, bore: { min: 14, max: 27.5 }, layer: 1, gap: { min: 0.2, max: 0.9 }, cost: 8 },
  { id: 'TM-48', size: 48, bore: { min: 23, max: 37.5 }, layer: 1.1, gap: { min: 0.2, max: 0.9 }, cost: 12 },
  { id: 'TM-72', size: 72, bore: { min: 34, max: 57 }, layer: 1.2, gap: { min: 0.2, max: 0.9 }, cost: 21 },
  { id: 'TM-144', size: 144, bore: { min: 62, max: 108 }, layer: 1.5, gap: { min: 0.2, max: 1 }, cost: 55 },
  {
    id: 'TC-24',
    size: 24,
    bore: { min: 8, max: 16 },
    layer: 1,
    gap: { min: 0.2, max: 0.9 },
    corner: true,
    cost: 7,
  },
  {
    id: 'TC-36',
    size: 36,
    bore: { min: 14, max: 25 },
    layer: 1,
    gap: { min: 0.2, max: 0.9 },
    corner: true,
    cost: 10,
  },
];

const square = (height: number): FrameOpening => ({
  width: 144,
  height,
  plate: 1,
  plateAgainstPress: true,
  press: { min: 28, max: 34, at: ['top', 'bottom'] },
  fillers: [
    { thickness: 6, max: 2 },
    { thickness: 12, max: 1 },
  ],
});
const rounded = (height: number, cornerModule: string): FrameOpening => ({
  ...square(height),
  press: { min: 28, max: 34, at: ['inside'] },
  cornerModule,
});
const times = (n: number, opening: FrameOpening): FrameOpening[] => Array.from({ length: n }, () => opening);

/** Frames of the demo catalogue: single, double and triple, square and rounded, three heights. Costs in any currency. */
export const DEMO_FRAMES: readonly FrameKind[] = [
  { id: 'TF-1-150', cost: 140, openings: times(1, square(150)) },
  { id: 'TF-1-222', cost: 175, openings: times(1, square(222)) },
  { id: 'TF-1-294', cost: 215, openings: times(1, square(294)) },
  { id: 'TF-2-222', cost: 320, openings: times(2, square(222)) },
  { id: 'TF-2-294', cost: 395, openings: times(2, square(294)) },
  { id: 'TF-3-294', cost: 560, openings: times(3, square(294)) },
  { id: 'TR-1-222', cost: 205, openings: times(1, rounded(222, 'TC-24')) },
  { id: 'TR-2-294', cost: 440, openings: times(2, rounded(294, 'TC-36')) },
];
