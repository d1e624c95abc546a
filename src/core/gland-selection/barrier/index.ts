export * from './decide';
export { MISSING_FIELDS, OUTCOME_WORDS, type MissingField, type BarrierTrail } from './trail';
