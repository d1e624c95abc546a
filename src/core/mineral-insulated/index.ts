export * from './end';
export * from './insulation-clock';
export * from './kit';
export * from './marks';
export * from './plan-mineral';
export * from './sheet';
