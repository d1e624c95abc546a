export * from './event-chain';
