export * from './clock';
export * from './flaws';
export * from './heat-table';
export * from './lift';
export * from './monotone';
export * from './pace';
export {
  AMINE,
  ASSUMED_MASS_G,
  BASE_BEARS_C,
  bruggeman,
  type HeatHistory,
  HOTTEST_C,
  lossless,
  type PotAnswer,
  potRun,
  potTauMin,
  type Reactive,
  RUNAWAY_C,
  reactiveOf,
  referenceOf,
  restsOn,
  selfHeats,
  VESSELS,
  type Verdict,
  type VesselId,
} from './self-heat';
