export * from './end';
export * from './nameplate';
export * from './plan-device';
export * from './plate-marks';
export * from './turning';
