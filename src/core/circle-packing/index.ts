export * from './bounds';
export * from './check';
export * from './model';
export * from './pack';
export * from './request';
export * from './words';
