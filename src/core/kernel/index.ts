export * from './canonical';
export * from './drawing';
export * from './interval';
export * from './random';
export * from './result';
export * from './text-width';
export * from './validate';
export * from './linear-program';
