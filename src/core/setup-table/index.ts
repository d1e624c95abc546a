export * from './box-columns';
export * from './box-table';
export * from './columns';
export * from './type-columns';
export * from './type-table';
