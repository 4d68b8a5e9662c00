export * from './alike';
export * from './finding';
export * from './judge';
export { type JudgeContext, noTimeId, RULES } from './rules';
export * from './suit';
export { besideOf, type WetFace, wetFaces } from './wet-faces';
