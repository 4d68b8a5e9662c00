export * from './clock';
export * from './flaws';
export * from './pace';
export * from './self-heat';
