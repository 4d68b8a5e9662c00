export * from './calendar-file';
export * from './job-file';
export * from './sheet-file';
