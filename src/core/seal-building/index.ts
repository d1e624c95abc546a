export * from './seal-building';
