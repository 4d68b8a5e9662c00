export * from './slab';
