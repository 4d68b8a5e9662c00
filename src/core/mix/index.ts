export * from './amounts';
export * from './colour';
export * from './fillers';
export * from './instrument';
export * from './kit-sets';
export * from './mix-ask';
export * from './pour';
export * from './ratio-check';
