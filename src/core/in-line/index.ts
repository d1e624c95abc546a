export * from './joint';
export * from './lack';
export * from './through';
