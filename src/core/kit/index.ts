export * from './kit';
export * from './stock-file';
