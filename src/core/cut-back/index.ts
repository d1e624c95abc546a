export * from './cut-plan';
export * from './depth-guard';
export * from './round-marks';
export * from './strip-drawing';
export * from './stripped-end-drawing';
export * from './tools';
