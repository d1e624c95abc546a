export * from './instrument';
export * from './port';
export * from './name';
export * from './standing';
export * from './worth';
