export * from './settings';
export * from './card';
export * from './job-file';
