import { z } from 'zod';
import { Id } from '../units';

const share = z.number().positive().max(1);

/** What a repair must carry, on one place. */
export const Load = z.object({
  forceN: z.number().positive().max(1e9),
  /** On the load; what the code or the engineer asks for. */
  safetyFactor: z.number().min(1).max(50),
  sustained: z.boolean(),
  wet: z.boolean(),
  peel: z.boolean(),
  /** What is left of the strength under load that stays, in the wet and where an edge is peeled; used where ticked. */
  knockDowns: z.object({ creep: share, wet: share, peel: share }),
  /** Area that carries it; null takes the bonded area of the void, mm². */
  areaMm2: z.number().positive().nullable(),
  /** Hottest the repair gets in service, °C; null takes the hottest base of the forecast. */
  serviceC: z.number().min(-60).max(300).nullable(),
  /** For anchors: what the sheet or the engineer allows on this one, N, and who says so. */
  allowedN: z.number().positive().max(1e9).nullable(),
  allowedFrom: z.string().max(160),
  /** Of several passes the one that carries it; null takes the first whose sheet tells a strength. */
  passId: Id.nullable().default(null),
});
export type Load = z.infer<typeof Load>;

/** Usual knock-downs where nothing better is known; the sheet’s or the engineer’s own overrule. */
export const USUAL_KNOCK_DOWNS: Load['knockDowns'] = { creep: 0.3, wet: 0.7, peel: 0.2 };

/** What a check begins with: to be replaced by what is really asked. */
export const FIRST_LOAD: Load = {
  forceN: 1000,
  safetyFactor: 3,
  sustained: false,
  wet: false,
  peel: false,
  knockDowns: USUAL_KNOCK_DOWNS,
  areaMm2: null,
  serviceC: null,
  allowedN: null,
  allowedFrom: '',
  passId: null,
};
