export * from './cut-words';
export type { DepthGuard } from './guard-words';
export type { ToolChoice } from './tool-words';
