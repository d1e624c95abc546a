export * from './role';
export * from './signing-in';
export * from './view';
