import { baseRules } from './base';
import { bedRules } from './bed';
import { besideRules } from './beside';
import { brushedRules } from './brushed';
import { clockRules } from './clock';
import { coldRules } from './cold';
import { coolerRules } from './cooler';
import { crewAwayRules } from './crew-away';
import { curingRules } from './curing';
import { dayRules } from './days';
import { finishRules } from './finish';
import { handRules } from './hands';
import { holeRules } from './holes';
import { laidInRules } from './laid-in';
import { lateRules } from './late';
import { layerRules } from './layers';
import { leanRules } from './lean';
import { liftHeatRules } from './lift-heat';
import { livePotRules } from './live-pot';
import { manyPotsRules } from './many-pots';
import { mixRules } from './mix';
import { movementRules } from './movement';
import { noticeRules } from './notice';
import { placeRules } from './places';
import { rateRules } from './rate';
import type { Rule } from './rule';
import { scaleRules } from './scale';
import { serviceRules } from './service';
import { shelfRules } from './shelf';
import { siteRules } from './site';
import { toolRules } from './tools';
import { troubleRules } from './trouble';
import { untoldLifeRules } from './untold-life';
import { voidRules } from './void';

export { tellsNoTime } from './clock';
export { stepOfLivePot } from './live-pot';
export type { JudgeContext } from './rule';
export { tellsNoLife } from './untold-life';

/** The table of rules. Each reads the plan and returns what it noticed. */
export const RULES: Readonly<Record<string, Rule>> = {
  ...baseRules,
  ...voidRules,
  ...bedRules,
  ...laidInRules,
  ...dayRules,
  ...holeRules,
  ...siteRules,
  ...mixRules,
  ...scaleRules,
  ...leanRules,
  ...manyPotsRules,
  ...livePotRules,
  ...brushedRules,
  ...coolerRules,
  ...liftHeatRules,
  ...layerRules,
  ...handRules,
  ...toolRules,
  ...crewAwayRules,
  ...rateRules,
  ...untoldLifeRules,
  ...placeRules,
  ...shelfRules,
  ...clockRules,
  ...lateRules,
  ...besideRules,
  ...coldRules,
  ...curingRules,
  ...movementRules,
  ...serviceRules,
  ...noticeRules,
  ...finishRules,
  ...troubleRules,
};
