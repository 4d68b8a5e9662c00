export * from './clock';
export * from './flaws';
export * from './heat-table';
export * from './lift';
export * from './monotone';
export * from './pace';
export { AMINE, BASE_BEARS_C, bruggeman, HOTTEST_C, type Reactive, RUNAWAY_C, selfHeats } from './reactive';
export {
  ASSUMED_MASS_G,
  type HeatHistory,
  lossless,
  type PotAnswer,
  potRun,
  reactiveOf,
  referenceOf,
  restsOn,
  type Verdict,
} from './self-heat';
export { potTauMin, VESSELS, type VesselId } from './vessels';
