export * from './alike';
export * from './finding';
export * from './judge';
export { type JudgeContext, RULES, stepOfLivePot, tellsNoLife, tellsNoTime } from './rules';
export * from './suit';
export { besideOf, type WetFace, wetFaces } from './wet-faces';
