export * from './finding';
export * from './judge';
export { type JudgeContext, RULES } from './rules';
export * from './suit';
