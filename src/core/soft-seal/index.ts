export * from './finding';
export * from './gaps';
export * from './outline';
export * from './plug';
export * from './sheet';
export * from './sleeve';
export * from './words';
export * from './wrap';
