export * from './field-words';
export * from './place-csv';
export * from './setup';
export * from './summary';
export * from './face-drawing';
export * from './view';
