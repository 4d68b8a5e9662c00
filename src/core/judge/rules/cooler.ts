import { valueAt } from '../../climate';
import { paceOf } from '../../cure';
import { attempt, degC, exactly, kelvin, minutes, texts } from '../../say';
import { milestoneOf } from '../../system';
import { findings } from '../finding';
import type { Rule } from './rule';
import { weighedPots } from './weighed-pots';

/** Fewer batches than that nobody would cool a resin for. */
const MANY = 4;
/** Share of the batches that is spared at the least. */
const SPARED = 0.25;
/** What is cooled by less than that is as warm as it was, K. */
const NOTICED_K = 2;

const F = findings({
  'cooler-pots': {
    severity: 'note',
    stage: 'mix',
    title: 'Many batches, because the pot is soon dead',
    why: 'At {now} it lives {lives}: {n} batches. At {cool}{place, select, no {} other {, as cold as the place,}} it lives {longer}{beyond, select, none {} other {, {beyond} beyond the sheet’s points}}: {m} {m, plural, one {does} other {do}}.',
    todo: 'Keep the closed packs that cool, if so few are wanted; cold it is stiffer to mix and wets less.',
  },
});
const { keep: KEEP } = texts('way.cooler', { keep: 'The packs at {cool}' });

/**
 * Where the clock of the pot alone makes many batches of it: how many it would be, kept as cold as the place or the
 * sheet lets it.
 */
export const coolerRules: Readonly<Record<string, Rule>> = {
  'cooler-pots': ({ plan, repair, actuals }) => {
    const { mix, context, batches, potC, usableMin, thermal, steps } = plan;
    const useBy = context && milestoneOf(context.sheet, 'use-by');
    // Nobody cools what is mixed already.
    const pots = batches.length < MANY || repair.materialC === null ? null : weighedPots({ plan, actuals });
    if (!pots || !mix || !useBy || !thermal || potC === null || usableMin === null) return [];
    const { crew } = repair;
    // Something else than the clock bounds a pot.
    if (mix.capMl < pots.inTimeMl({ crew, minutes: usableMin }) * 0.999) return [];
    const mixMs = steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
    const base = mixMs === undefined ? null : attempt(() => valueAt(thermal.base, mixMs));
    if (!base?.ok) return [];
    const { sheet } = context;
    const row = paceOf(useBy, 'short', sheet.family);
    const coolC = Math.ceil(Math.max(base.value, sheet.limits.materialMinC ?? base.value, row.lowC) - 1e-9);
    if (potC - coolC < NOTICED_K || potC > row.highC || potC < row.lowC) return [];
    const [lives, longer] = [row.minutesAt(potC), row.minutesAt(coolC)];
    const eachMl = pots.eachMl({ crew, minutes: usableMin + longer - lives });
    const few = pots.count(eachMl);
    if (!(eachMl > 0) || few > batches.length * (1 - SPARED)) return [];
    return [
      F['cooler-pots'](
        {
          now: degC(potC),
          lives: minutes(lives),
          n: batches.length,
          cool: exactly(degC(coolC)),
          place: coolC - base.value < 1 ? 'yes' : 'no',
          longer: minutes(longer),
          beyond: coolC < row.sheetLowC ? exactly(kelvin(row.sheetLowC - coolC)) : 'none',
          m: few,
        },
        { ways: [{ say: KEEP({ cool: exactly(degC(coolC)) }), set: { path: ['materialC'], value: coolC } }] },
      ),
    ];
  },
};
