export * from './cable-type';
export * from './code-profile';
export * from './default-profile';
export * from './enclosure';
export * from './tag';
export * from './reading-cell';
export * from './schedule-import';
