export * from './bounds';
export * from './figure';
export * from './format';
export * from './kinds';
