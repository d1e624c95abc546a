export * from './faces';
export * from './insert';
export * from './live-cap';
export * from './faces-drawing';
export * from './pin-map';
export * from './pins';
export * from './plug-in';
export * from './words';
