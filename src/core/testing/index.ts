export * from './demo-catalogue';
export * from './fitting';
export * from './measuring';
export * from './termination';
