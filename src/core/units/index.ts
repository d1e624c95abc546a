export * from './length';
