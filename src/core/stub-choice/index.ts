export * from './answer';
export * from './check';
export * from './plan';
export * from './request';
