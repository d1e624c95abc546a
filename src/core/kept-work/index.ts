export * from './at-the-signature';
export * from './deed';
export * from './go-on';
export * from './meet';
export * from './times';
