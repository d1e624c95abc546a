export * from './demo-catalogue';
export * from './fitting';
export * from './termination';
