export * from './air';
export * from './base';
export * from './dew';
export * from './series';
