export * from './calendar-file';
export * from './job-file';
