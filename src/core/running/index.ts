export * from './attention';
export * from './view';
