export * from './instrument';
export * from './port';
export * from './standing';
export * from './worth';
