export * from './bounds';
export * from './clock';
export * from './figure';
export * from './format';
export * from './kinds';
export * from './mark';
export * from './money';
export * from './round-inches';
