export * from './family';
export * from './milestone';
export * from './proportion';
export * from './sheet';
export * from './table-text';
