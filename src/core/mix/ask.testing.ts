import { plain } from '../say';
import type { SheetRevision } from '../system';
import type { MixAsk } from '.';

/** A litre out of the first kit of a sheet, 20 min to place it by one pair of hands; what a test is about differs. */
export const ask = (sheet: SheetRevision, over: Partial<MixAsk> = {}): MixAsk => ({
  sheet,
  kit: sheet.kits[0]!,
  netMl: 1000,
  p90Ml: 1050,
  p95Ml: 1065,
  reserve: true,
  allowances: [],
  portions: [{ label: plain('all'), share: 1 }],
  usableMin: 20,
  rateChosen: true,
  placingMlPerMin: 100,
  crew: 1,
  massCapG: null,
  vesselMaxMl: null,
  oneKitAPot: false,
  split: 'weighed',
  parts: null,
  count: 1,
  minutesPerPlace: 3,
  setMin: 1,
  placeChosen: true,
  inRounds: true,
  stops: [],
  dayMin: null,
  tubeMl: 0,
  grouping: 'several',
  purge: true,
  idleMin: null,
  ...over,
});
