export * from './cut-words';
export type { DepthGuard } from './guard-words';
