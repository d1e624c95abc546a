import { object, string, type InferType } from 'yup';
import { JOINT_HALVES } from '@/core/pin-map';

/** What the sheet of an in-line joint says of its housing, into which two cable ends go from both sides. */
export const inLineSchema = object({
  housing: object({
    part: string().trim().min(1).max(60).required(),
    name: string().trim().min(3).max(80).required(),
  })
    .noUnknown()
    .required(),
  /** The half that goes into the housing first, and is held there when the other comes. */
  housedFirst: string().oneOf(JOINT_HALVES).required(),
  /** Stage that brings that half into the housing. */
  houseStage: string().min(1).max(40).required(),
})
  .noUnknown()
  .required();
export type InLine = InferType<typeof inLineSchema>;
