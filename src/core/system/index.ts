export * from './dose';
export * from './family';
export * from './kinds';
export * from './milestone';
export * from './proportion';
export * from './sheet';
export * from './table-text';
