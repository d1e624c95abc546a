export * from './faces';
export * from './insert';
export * from './live-cap';
export * from './pin-map';
export * from './words';
