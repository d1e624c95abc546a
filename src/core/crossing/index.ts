export * from './face-drawing';
export * from './kinds';
export * from './place-csv';
export * from './seal-drawing';
export * from './seal-table';
export * from './setup';
export * from './summary';
export * from './view';
