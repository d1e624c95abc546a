export * from './conductor';
export * from './continuity';
export * from './earth-path';
export * from './electrical-test';
export * from './finding';
export * from './insulation';
export * from './tester';
export * from './words';
