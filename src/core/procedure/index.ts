export * from './collar';
export * from './generate-steps';
export * from './progress';
export * from './stations';
export * from './step';
export * from './termination-plan';
