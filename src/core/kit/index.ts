export * from './kit';
export * from './stock-file';
export * from './wanted';
