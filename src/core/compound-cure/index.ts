export * from './batch-plan';
export * from './cure-track';
export * from './packs';
export * from './seal-plan';
export * from './time-table';
