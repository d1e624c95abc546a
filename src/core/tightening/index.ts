export * from './stage-plan';
