export * from './conductor';
export * from './continuity';
export * from './earth-path';
export * from './finding';
export * from './insulation';
export * from './tester';
export * from './words';
