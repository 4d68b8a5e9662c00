export * from './bounds';
export * from './budget';
export * from './format';
export * from './kinds';
export * from './parse';
export * from './prose';
export * from './refusal';
export * from './working';
