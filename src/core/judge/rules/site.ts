import { extremes, extremesOf, humidityOf, type Series, skyOf, valueAt } from '../../climate';
import { paceOf } from '../../cure';
import { arranged } from '../../plan';
import { at, attempt, degC, exactly, kelvin, percent } from '../../say';
import { milestoneOf } from '../../system';
import { type Finding, findings } from '../finding';
import { type JudgeContext, placings, type Rule, rangeOf } from './rule';

const F = findings({
  'base-temperature:cold': {
    severity: 'stop',
    stage: 'place',
    title: 'Base too cold to place on',
    why: '{is} at {when}, the sheet asks for at least {limit}.',
    todo: 'Start later in the day, or tent and warm the base.',
  },
  'base-temperature:hot': {
    severity: 'stop',
    stage: 'place',
    title: 'Base too hot to place on',
    why: '{is} at {when}, the sheet allows {limit}.',
    todo: 'Shade it, or start earlier.',
  },
  'air-temperature:cold': {
    severity: 'stop',
    stage: 'place',
    title: 'Air too cold',
    why: '{is} at {when}, the sheet asks for at least {limit}.',
    todo: 'Start later, or tent and heat.',
  },
  'air-temperature:hot': {
    severity: 'stop',
    stage: 'place',
    title: 'Air too hot',
    why: '{is} at {when}, the sheet allows {limit}.',
    todo: 'Start earlier in the day.',
  },
  dew: {
    severity: 'stop',
    stage: 'place',
    title: 'Base is wet with dew',
    why: 'At {when} it lies {side, select, under {{margin} under} other {only {margin} above}} the dew point; {need} is asked for, even if it looks dry.',
    todo: 'Start later, or warm the base under a tent.',
  },
  humidity: {
    severity: 'caution',
    stage: 'place',
    title: 'Air too damp',
    why: '{is} at {when} against {limit} on the sheet.',
    todo: 'Start later in the day, or warm the air under a tent.',
  },
  'material-temperature': {
    severity: 'caution',
    stage: 'mix',
    title: 'Material too cold to mix',
    why: '{is}, the sheet asks for at least {limit}.',
    todo: 'Keep the closed packs in a warm room overnight and set that temperature here.',
  },
  'material-untold': {
    id: 'material-temperature',
    severity: 'caution',
    stage: 'mix',
    title: 'Material colder than the sheet tells',
    why: '{is} in the pot, the sheet’s time for it begins at {from}; it is planned by the base, which is warmer.',
    todo: 'Keep the closed packs in a warm room overnight: cold it is dosed wrongly, mixes badly and hardly wets.',
  },
  shade: {
    severity: 'note',
    stage: 'place',
    title: 'Planned with no sun on it',
    why: 'It is reckoned to be in the shade from the day before it is placed.',
    todo: 'Where the sun would come on it, hang a shade the day before and leave it until it has gelled at least.',
  },
  'tent:up': {
    id: 'tent',
    once: true,
    severity: 'note',
    stage: 'place',
    title: 'Planned under a tent or heater',
    why: 'The air at the face is reckoned {by} warmer{hours, select, always {, day and night,} other { in its hours}} from {from} on.',
    todo: 'Have it up and on by then{told, select, yes {, leave it on until {until}} other {}}, and measure the base under it before anything is mixed.',
  },
  'tent:stands': {
    id: 'tent',
    once: true,
    severity: 'note',
    stage: 'place',
    title: 'Planned under a tent or heater',
    why: 'The air at the face is reckoned {by} warmer{hours, select, always {, day and night} other { in its hours}}, and that it stands already.',
    todo: 'See that it runs{told, select, yes {, leave it on until {until}} other {}}, and measure the base under it before anything is mixed.',
  },
  kept: {
    severity: 'note',
    stage: 'mix',
    title: 'Planned with packs kept {side, select, warm {warmer} other {cooler}} than the air',
    why: 'They are reckoned at {is}; the air at the place has {air} when the first is mixed.',
    todo: '{night, select, yes {Bring the closed packs to such a place by {by}: it takes a night.} other {Bring the closed packs to such a place now; until they have come to it, mixing waits.}} Measure them before mixing.',
  },
  'base-untold': {
    id: 'material-temperature',
    severity: 'caution',
    stage: 'mix',
    title: 'Base hotter than the sheet tells for the pot',
    why: '{is} at {when}, the sheet’s time for the pot ends at {limit}; it is planned as at that.',
    todo: 'Keep the pot off the base and in the shade, mix less at once; or place in a cooler hour.',
  },
  'material-warm': {
    id: 'material-temperature',
    severity: 'caution',
    stage: 'mix',
    title: 'Material too warm',
    why: '{is}, the sheet allows {limit}.',
    todo: 'Keep it in the shade or in cool water, packs closed.',
  },
});

/** What air, base and material do in the hours of placing. */
export const siteRules: Readonly<Record<string, Rule>> = {
  'base-temperature': ({ plan: { sheet, thermal }, plan }) => {
    if (!sheet || !thermal) return [];
    const out: Finding[] = [];
    const stretches = placings(plan);
    const { baseMinC, baseMaxC, airMinC, airMaxC } = sheet.limits;
    const over = (series: Series) => rangeOf(stretches, (w) => extremes(series, w.fromMs, w.toMs));
    const base = baseMinC === null && baseMaxC === null ? null : over(thermal.base);
    const air = airMinC === null && airMaxC === null ? null : over(thermal.air);
    const against = (isC: number, limitC: number, ms: number) => ({
      is: degC(isC),
      limit: exactly(degC(limitC)),
      when: at(ms),
    });
    if (base && baseMinC !== null && base.min < baseMinC)
      out.push(F['base-temperature:cold'](against(base.min, baseMinC, base.minMs)));
    if (base && baseMaxC !== null && base.max > baseMaxC)
      out.push(F['base-temperature:hot'](against(base.max, baseMaxC, base.maxMs)));
    if (air && airMinC !== null && air.min < airMinC)
      out.push(F['air-temperature:cold'](against(air.min, airMinC, air.minMs)));
    if (air && airMaxC !== null && air.max > airMaxC)
      out.push(F['air-temperature:hot'](against(air.max, airMaxC, air.maxMs)));
    return out;
  },

  dew: ({ plan: { sheet, thermal }, plan }) => {
    if (!sheet || !thermal) return [];
    const out: Finding[] = [];
    const stretches = placings(plan);
    const { dewMarginK: need, humidityMaxPct: max } = sheet.limits;
    const { air, base, dew } = thermal;
    const dry =
      need !== null &&
      rangeOf(stretches, (w) =>
        extremesOf([base, dew], w.fromMs, w.toMs, (ms) => valueAt(base, ms) - valueAt(dew, ms)),
      );
    if (dry && dry.min < need)
      out.push(
        F.dew({
          when: at(dry.minMs),
          side: dry.min < 0 ? 'under' : 'above',
          margin: kelvin(Math.abs(dry.min)),
          need: exactly(kelvin(need)),
        }),
      );
    const damp =
      max !== null &&
      rangeOf(stretches, (w) =>
        extremesOf([air, dew], w.fromMs, w.toMs, (ms) => humidityOf(valueAt(air, ms), valueAt(dew, ms))),
      );
    if (damp && damp.max > max)
      out.push(F.humidity({ is: percent(damp.max), when: at(damp.maxMs), limit: exactly(percent(max)) }));
    return out;
  },

  /** A base that is shaded only on paper is as hot as one in the sun. */
  shade: ({ plan: { thermal }, repair: { base } }) =>
    thermal && skyOf(base.surroundings).shaded && !base.known.length ? [F.shade()] : [],

  /** What was never put up warms nothing: who reads the plan sees to it. */
  arranged: ({ plan, job, nowMs, covered }) =>
    arranged(plan, job, nowMs).flatMap((a) => {
      // Of several passes the last says how long it stays.
      if (covered && a.what === 'cover') return [];
      if (a.what === 'kept')
        return [
          F.kept({
            side: a.tempC > a.airC ? 'warm' : 'cool',
            is: exactly(degC(a.tempC)),
            air: degC(a.airC),
            night: a.byMs === null ? 'no' : 'yes',
            by: at(a.byMs ?? a.untilMs),
          }),
        ];
      const told = {
        by: exactly(kelvin(a.warmK)),
        hours: a.always ? 'always' : 'some',
        told: a.untilMs === null ? 'no' : 'yes',
        until: at(a.untilMs ?? nowMs),
      };
      return [a.byMs === null ? F['tent:stands'](told) : F['tent:up']({ ...told, from: at(a.byMs) })];
    }),

  'material-temperature': ({ plan }) => {
    const { sheet, potC } = plan;
    if (!sheet || potC === null || !Number.isFinite(potC)) return [];
    const { materialMinC, materialMaxC } = sheet.limits;
    if (materialMinC !== null && potC < materialMinC)
      return [F['material-temperature']({ is: degC(potC), limit: exactly(degC(materialMinC)) })];
    if (materialMaxC !== null && potC > materialMaxC)
      return [F['material-warm']({ is: degC(potC), limit: exactly(degC(materialMaxC)) })];
    return atSheetsEnd(plan);
  },
};

/** Where the pot is planned by the hotter of material and base, and the sheet does not reach the other of the two. */
function atSheetsEnd({ sheet, potC, steps, thermal }: JudgeContext['plan']): readonly Finding[] {
  const useBy = sheet && milestoneOf(sheet, 'use-by');
  const mixing = steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  const pace = useBy ? attempt(() => paceOf(useBy, 'short', sheet.family)) : null;
  if (!pace?.ok || !mixing || !thermal || potC === null) return [];
  const { lowC, highC, sheetLowC } = pace.value;
  // Work that began long before the weather that is known is mixed at no temperature of it.
  const base = attempt(() => valueAt(thermal.base, mixing.startMs));
  if (!base.ok) return [];
  const baseC = base.value;
  if (potC < lowC && sheet!.limits.materialMinC === null)
    return [F['material-untold']({ is: degC(potC), from: exactly(degC(sheetLowC)) })];
  return baseC >= highC && potC < highC
    ? [F['base-untold']({ is: degC(baseC), when: at(mixing.startMs), limit: degC(highC) })]
    : [];
}
