import { number, object, string } from 'yup';
import type { IntervalMm } from '@/core/kernel';

/** One cable through the wall: from the schedule, with its measured diameter, or passing through with a diameter of its own. */
export const memberFields = {
  tag: string().min(1).max(40).required(),
  circuit: string().max(40).optional(),
  /** mm; left out for a cable of the schedule. */
  diameter: object({ min: number().min(0).max(500).required(), max: number().min(0).max(500).required() })
    .noUnknown()
    .test('order', 'the maximum is below the minimum', (d) => d === undefined || d.max >= d.min)
    .optional()
    .default(undefined),
};

/** What every crossing says of its wall. */
export const placeFields = {
  /** Which wall; empty while nobody has said. */
  place: string().max(80).defined(),
  /** Fire, gas and water rating of the wall; empty while nobody has said. */
  rating: string().max(120).defined(),
};

/** The revision of the sheet that a crossing stands on; it stays until somebody takes another one. */
export const sheetNameSchema = object({
  code: string().max(40).required(),
  revision: string().max(20).required(),
})
  .noUnknown()
  .optional()
  .default(undefined);

/** What the schedule knows of a cable's outer sheath. */
export interface KnownDiameter {
  readonly interval: IntervalMm;
  /** Only the datasheet says so. */
  readonly nominal: boolean;
}
