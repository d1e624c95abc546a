export * from './decide';
export { OUTCOME_WORDS, type BarrierOutcome, type BarrierTrail, type TrailStep } from './trail';
