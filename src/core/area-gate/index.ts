export * from './judge-gate';
