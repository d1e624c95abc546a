export * from './decide';
export type { BarrierOutcome } from './outcome';
export {
  enteredAt,
  MISSING_FIELDS,
  type BarrierTrail,
  type Conclusion,
  type Conclusions,
  type FactSource,
  type Missing,
  type MissingFacts,
  type MissingField,
  type TrailAnswers,
  type TrailNext,
  type TrailQuestions,
} from './trail';
