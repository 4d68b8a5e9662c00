export * from './amounts';
export * from './ratio-check';
