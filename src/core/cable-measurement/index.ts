export * from './measure';
export * from './nesting';
export * from './reading';
export * from './rules';
