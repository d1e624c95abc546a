export {
  closeDatabase,
  CommitUnknown,
  database,
  duplicateKey,
  isCollision,
  caughtUp,
  isAlone,
  isDatabaseAway,
  isDuplicate,
  hasLostTheOthers,
  RACED_KEYS,
  ping,
  poolFigures,
  withTransaction,
  type Tx,
} from './connection';
export { inDated, isDated } from './dated';
export { inRequest, isRequestId, requestNow } from './request';
export * from './queries/running';
export * from './queries/record';
export * from './queries/box';
export * from './queries/catalogue';
export * from './queries/crossing';
export * from './queries/edit';
export * from './queries/heavy-place';
export * from './queries/instrument';
export * from './queries/job';
export * from './queries/job-card';
export * from './queries/name-seal';
export * from './queries/people';
export * from './queries/photo';
export * from './queries/plan';
export * from './queries/schedule';
export * from './queries/sent-command';
export * from './queries/sheet-mapping';
export * from './queries/summary';
export * from './queries/supervision';
export * from './queries/termination';
export * from './stored';
export { keepFolder, keptLog } from './kept-log';
