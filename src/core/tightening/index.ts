export * from './bolt-order';
export * from './engagement';
export * from './look-alike';
export * from './press-unit';
export * from './stage-plan';
export * from './wrench';
