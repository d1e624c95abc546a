export * from './measure';
export * from './measuring-rules';
export * from './nesting';
export * from './next-reading';
export * from './reading';
export * from './rules';
