import { number, object, string } from 'yup';

export const TURN_WAYS = ['either', 'clockwise', 'counterClockwise'] as const;
export type TurnWay = (typeof TURN_WAYS)[number];

/** How far the housing of a device may be turned from where it stands, and which way, seen from outside. */
export const turnSchema = object({
  limitDeg: number().min(0).max(720).required(),
  way: string().oneOf(TURN_WAYS).required(),
})
  .noUnknown()
  .required();

/** What the sheet of a device says of its own clamp, its housing and its cover. */
export const deviceSchema = object({
  /** Supply on the nameplate against the order: each way, as a share of it. */
  supplyToleranceShare: number().min(0).max(0.5).required(),
  /** It may draw so much more than was ordered, as a share of it. */
  powerOverShare: number().min(0).max(1).required(),
  turn: turnSchema,
  cover: object({
    bolts: number().integer().min(4).max(16).required(),
    shape: string()
      .oneOf(['circle', 'rectangle'] as const)
      .required(),
    torqueNm: number().positive().max(500).required(),
    toleranceNm: number().min(0).max(200).required(),
  })
    .noUnknown()
    .required(),
}).noUnknown();
