export * from './answer-words';
export * from './barrier-words';
export * from './finding-words';
export * from './question-words';
export { ACCESSORY_WORDS, CRITERION_TITLES, END_STOP_WORDS, OUTCOME_WORDS } from './small-words';
