export * from './bundle';
export * from './event';
export * from './fold';
export * from './keepsake';
export * from './report';
export * from './snapshot';
