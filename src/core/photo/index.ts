export * from './chosen';
export * from './jpeg';
export * from './limits';
