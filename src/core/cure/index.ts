export * from './clock';
export * from './flaws';
export * from './heat-table';
export * from './pace';
export * from './self-heat';
