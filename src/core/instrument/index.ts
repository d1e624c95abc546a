export * from './instrument';
export * from './standing';
