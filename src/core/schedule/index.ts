export * from './cable-type';
export * from './code-profile';
export * from './profiles';
export * from './enclosure';
export * from './tag';
export * from './reading-cell';
export * from './schedule-import';
