export * from './slide-on';
