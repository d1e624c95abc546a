export * from './construction';
export * from './fields';
export * from './guess';
export * from './mapping';
export * from './map-grid';
export * from './setup';
