export * from './grid';
export * from './plate';
export * from './react';
export * from './slab';
