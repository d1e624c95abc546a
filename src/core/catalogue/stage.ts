import { array, boolean, number, object, string, type InferType } from 'yup';
import { STAGE_PHASES } from './vocabulary';

export const STAGE_METHODS = [
  'torque',
  'handPlusTurns',
  'metalToMetal',
  'resistancePlusTurns',
  'untilGripsPlusTurns',
  'scaleMark',
] as const;
export type StageMethodKind = (typeof STAGE_METHODS)[number];

const FIGURE_WORDS = {
  torqueNm: 'the torque in N·m',
  toleranceNm: 'its tolerance in N·m',
  turns: 'the turns',
  scale: 'the marks of the scale',
} as const;

/** Which figures each method needs; a stage without them is incomplete. */
const NEEDS: Readonly<Record<StageMethodKind, readonly (keyof typeof FIGURE_WORDS)[]>> = {
  torque: ['torqueNm', 'toleranceNm'],
  handPlusTurns: ['turns'],
  metalToMetal: [],
  resistancePlusTurns: ['turns'],
  untilGripsPlusTurns: ['turns'],
  scaleMark: ['scale'],
};

/**
 * How far to tighten. Torque and turns are different promises and are never converted into each other; the sheet's own kind is
 * kept. `turns` are fractions of a full turn after the state that the method names.
 */
export const stageMethodSchema = object({
  kind: string().oneOf(STAGE_METHODS).required(),
  torqueNm: number().min(0.1).max(1000).optional(),
  toleranceNm: number().min(0).max(200).optional(),
  turns: number().min(0).max(10).optional(),
  turnsTolerance: number().min(0).max(2).optional(),
  /** For `scaleMark`: the mark that belongs to a cable diameter up to and including `upToMm`. */
  scale: array()
    .of(
      object({ upToMm: number().min(0).max(200).required(), mark: string().min(1).max(12).required() })
        .noUnknown()
        .required(),
    )
    .optional(),
})
  .noUnknown()
  .test('figures', 'a figure is missing for this kind of stage', function figures(method) {
    const kind = STAGE_METHODS.find((k) => k === (method as { kind?: unknown }).kind);
    if (kind === undefined) return true;
    const missing = NEEDS[kind].filter((key) => (method as Record<string, unknown>)[key] === undefined);
    return (
      missing.length === 0 ||
      this.createError({ message: `lacks ${missing.map((key) => FIGURE_WORDS[key]).join(' and ')}` })
    );
  })
  .required();

export type StageMethod = InferType<typeof stageMethodSchema>;

/** One tightening action. `member` and `held` are part ids; the cable itself may be held by hand. */
export const stageSchema = object({
  id: string()
    .matches(/^[a-z][A-Za-z0-9]*$/)
    .required(),
  title: string().min(3).max(120).required(),
  phase: string().oneOf(STAGE_PHASES).required(),
  member: string().required(),
  held: string().required(),
  method: stageMethodSchema,
  /** Pitch of the thread that moves, for travel; absent where the sheet does not give it. */
  pitchMm: number().min(0.5).max(6).optional(),
  /** What must be seen when the stage is done. */
  see: string().min(3).max(240).required(),
  /** Thread lubricant against galling, where the sheet wants it. */
  lubricant: boolean().optional(),
})
  .noUnknown()
  .required();

export type Stage = InferType<typeof stageSchema>;
