import { humidityOf, valueAt } from '../climate';
import { attempt } from '../say';
import { leavesFilm, type MilestoneId, type SheetRevision } from '../system';
import type { Thermal } from './thermal';

/**
 * A surface film forms on an amine-cured resin under this temperature, nearer than this to the dew point, or in air
 * damper than this.
 */
export const FILM_FORMS = { baseC: 10, marginK: 3, dampPct: 80 } as const;

/** It forms until the resin is hard: by the first of these that its sheet tells. */
export const HARD_BY: readonly MilestoneId[] = ['sandable', 'release'];
/** Until then where the sheet tells neither, ms. */
export const HARD_AT_LEAST_MS = 12 * 3_600_000;
/** It is looked for so often, ms. */
const STEP_MS = 30 * 60_000;

/** When a greasy film may form first, and by what. */
export interface Film {
  readonly fromMs: number;
  readonly cause: 'cold' | 'dew' | 'damp';
  readonly baseC: number;
  readonly marginK: number;
}

/**
 * The first instant at which a greasy film may form on what lies open; null where its sheet or family says it
 * leaves none, the place is
 * warm and dry enough, or its weather is not known.
 * @param o.fromMs when it was placed; o.untilMs when it is hard
 */
export function filmOn(
  sheet: Pick<SheetRevision, 'family' | 'finish'>,
  thermal: Pick<Thermal, 'base' | 'air' | 'dew'>,
  { fromMs, untilMs }: { readonly fromMs: number; readonly untilMs: number },
): Film | null {
  if (!leavesFilm(sheet)) return null;
  for (let ms = fromMs; ms <= untilMs; ms += STEP_MS) {
    const here = attempt(
      () => [valueAt(thermal.base, ms), valueAt(thermal.dew, ms), valueAt(thermal.air, ms)] as const,
    );
    if (!here.ok) return null;
    const [baseC, dew, air] = here.value;
    const cause =
      baseC < FILM_FORMS.baseC
        ? 'cold'
        : baseC - dew < FILM_FORMS.marginK
          ? 'dew'
          : humidityOf(air, dew) > FILM_FORMS.dampPct
            ? 'damp'
            : null;
    if (cause) return { fromMs: ms, cause, baseC, marginK: baseC - dew };
  }
  return null;
}
