export * from './common';
export * from './method';
export * from './methods';
export { liftsOf, primerDraw } from './mortar-patch';
export * from './trouble';
