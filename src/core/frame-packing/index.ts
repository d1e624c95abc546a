export * from './cable-groups';
export * from './check';
export * from './crossings';
export * from './frame-plan';
export * from './frame-request';
export * from './peel';
export * from './plan-frames';
export * from './row-patterns';
