export * from './bundle';
export * from './chain';
export * from './receipt';
