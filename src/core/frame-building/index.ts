export * from './building-steps';
export * from './reentry-steps';
