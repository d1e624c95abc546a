export * from './entry-code';
export * from './made-for';
export * from './templates';
