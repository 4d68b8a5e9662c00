export * from './bundle';
export * from './event';
export * from './fold';
export * from './keepsake';
export * from './pick-list';
export * from './report';
export * from './snapshot';
