import { coat } from './coat';
import type { Engine } from './engine';
import { fill } from './fill';
import { pour } from './pour';
import { press } from './press';
import { spread } from './spread';

export type EngineId = 'press' | 'spread' | 'fill' | 'pour' | 'coat';

/** The table of engines: how material gets to its place. */
export const ENGINES: Readonly<Record<EngineId, Engine>> = { press, spread, fill, pour, coat };

export {
  claimedMl,
  coated,
  coatSettings,
  coatsOf,
  faceM2,
  further,
  geometricMl,
  LOT_AREA,
  plainCoatMl,
  restsAtTape,
} from './coat';
export type { Engine } from './engine';
export {
  filledInLifts,
  LEVEL_ML,
  liftsAfter,
  restsDrawnThin,
  restsFilled,
  restsSquare,
  restsSquareAndWet,
} from './fill';
export { pouredFast, pouredFull, setOutPots } from './pour';
export { isFirstMixer, pressed } from './press';
export { reworded, withWork } from './reword';
export { carrySetting, laidRolling, layRate, restsClosed, spreadAndClosed } from './spread';
