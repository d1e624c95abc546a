export * from './measure';
export * from './reading';
export * from './rules';
