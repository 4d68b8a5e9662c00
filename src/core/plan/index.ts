export * from './actuals';
export * from './calendar';
export * from './job';
export * from './milestone-times';
export * from './plan-job';
export * from './plan-repair';
export * from './thermal';
