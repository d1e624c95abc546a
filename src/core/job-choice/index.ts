export * from './check';
export * from './choose-job';
export * from './job-choice';
