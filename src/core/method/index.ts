export * from './common';
export * from './method';
export * from './methods';
export { type LiftPrimer, liftsOf, primerOf } from './mortar-patch';
export * from './trouble';
