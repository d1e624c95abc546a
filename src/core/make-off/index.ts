export * from './coupler-section';
export * from './exploded-drawing';
export * from './gland-section';
export * from './gland-shape';
export * from './look-drawing';
export * from './slide-on';
