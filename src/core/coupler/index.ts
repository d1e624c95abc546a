export * from './end';
export * from './gasket';
export * from './lines';
export * from './phase-map';
export * from './plan-coupler';
export * from './potting';
export * from './stem';
export * from './tubes';
