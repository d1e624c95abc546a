export * from './entry-code';
export * from './templates';
