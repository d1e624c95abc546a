export * from './end';
export * from './nameplate';
export * from './plan-device';
export * from './turning';
