export { BY_COVERAGE } from './allowances';
export {
  ABRADE,
  ABRADE_SET,
  CLEAN_AGAIN,
  DRY_AGAIN,
  DULL,
  RELEASE,
  RENEWS,
  RENEWS_FACE,
  STAND,
} from './any';
export { BARS_RUN, freedBarMm } from './bars';
export { blankShape, usualThickness } from './blank-shape';
export { HELD_LONGER, UPTAKE_ML_PER_M2 } from './common';
export { type ConsumableRow, consumablesIn, runM, topFaceM2 } from './consumable';
export * from './context';
export { DRIVER_LABELS, DRIVER_PACED, type Driver, ONCE_A_DAY } from './drivers';
export { type Effects, NO_EFFECTS, type Option } from './effects';
export { coatsOf, ENGINES, type Engine, type EngineId, faceM2, geometricMl, isFirstMixer } from './engines';
export { facesOf } from './faces';
export { between, GRAIN_UM, GRITS, type GritId, gritsIn, SKIP_MOST, scratchMm, skipsOf } from './grits';
export { fillMm, LEAST_FILL_MM } from './joint-fill';
export { type Ladder, ladderIn, ladderOf } from './ladder';
export { depthToFill, type LiftPrimer, leadOf, liftsMm, liftsOf, primerOf } from './lifts';
export * from './method';
export * from './methods';
export { occupiedBy } from './occupied';
export { askOf, foundBy, longerWaits, questionsOn, STAND_IN_TIMES, unansweredOf } from './questions';
export { stepFrom, stepsOf } from './steps';
export { isTaken, type Taken, type Takes, takenBy, toldOf, wantsThickening } from './takes';
export {
  isOfBatch,
  plannedMin,
  type Role,
  STAGE_OF,
  type StepDraft,
  type StepKey,
  stepId,
  type TaskRow,
  tasks,
  WET_ROLES,
} from './task';
export * from './tests';
export { TOOL_IDS, TOOLS, type ToolId } from './tools';
export * from './troubles';
export { stillLacksMm, tubeMl, tubeMm } from './tube';
export { calledByPlaces } from './where';
export { type Factor, factorsOf, leastMinOf } from './work';
