export * from './grid';
export * from './react';
export * from './slab';
