import { humidityOf, valueAt } from '../../climate';
import { at, degC, exactly, kelvin, percent } from '../../say';
import { attempt } from '../../units';
import { type Finding, findings } from '../finding';
import { placing, type Rule, rangeOver } from './rule';

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
    why: '{is}, the sheet allows {limit}.',
    todo: 'Shade it, or start earlier.',
  },
  'air-temperature:cold': {
    severity: 'stop',
    stage: 'place',
    title: 'Air too cold',
    why: '{is}, the sheet asks for at least {limit}.',
    todo: 'Start later, or tent and heat.',
  },
  'air-temperature:hot': {
    severity: 'stop',
    stage: 'place',
    title: 'Air too hot',
    why: '{is}, the sheet allows {limit}.',
    todo: 'Start earlier in the day.',
  },
  dew: {
    severity: 'stop',
    stage: 'place',
    title: 'Base is wet with dew',
    why: 'It lies {side, select, under {{margin} under} other {only {margin} above}} the dew point; {need} is asked for, even if it looks dry.',
    todo: 'Start later, or warm the base under a tent.',
  },
  humidity: {
    severity: 'caution',
    stage: 'place',
    title: 'Air too damp',
    why: '{is} against {limit} on the sheet.',
    todo: 'Start later in the day, or warm the air under a tent.',
  },
  'material-temperature': {
    severity: 'caution',
    stage: 'mix',
    title: 'Material too cold to mix',
    why: '{is}, the sheet asks for at least {limit}.',
    todo: 'Keep the closed packs in a warm room overnight and set that temperature here.',
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
  'base-temperature': (c) => {
    const { sheet, thermal } = c.plan;
    const w = placing(c.plan);
    if (!sheet || !thermal || !w) return [];
    const out: Finding[] = [];
    const base = rangeOver(thermal.base, w);
    const air = rangeOver(thermal.air, w);
    const { baseMinC, baseMaxC, airMinC, airMaxC } = sheet.limits;
    const against = (isC: number, limitC: number) => ({
      is: degC(isC),
      limit: exactly(degC(limitC)),
      when: at(w.fromMs),
    });
    if (base.ok && baseMinC !== null && base.value.min < baseMinC)
      out.push(F['base-temperature:cold'](against(base.value.min, baseMinC)));
    if (base.ok && baseMaxC !== null && base.value.max > baseMaxC)
      out.push(F['base-temperature:hot'](against(base.value.max, baseMaxC)));
    if (air.ok && airMinC !== null && air.value.min < airMinC)
      out.push(F['air-temperature:cold'](against(air.value.min, airMinC)));
    if (air.ok && airMaxC !== null && air.value.max > airMaxC)
      out.push(F['air-temperature:hot'](against(air.value.max, airMaxC)));
    return out;
  },

  dew: (c) => {
    const { sheet, thermal } = c.plan;
    const w = placing(c.plan);
    if (!sheet || !thermal || !w) return [];
    const out: Finding[] = [];
    const need = sheet.limits.dewMarginK;
    const margin = attempt(() =>
      Math.min(
        ...[w.fromMs, (w.fromMs + w.toMs) / 2, w.toMs].map(
          (ms) => valueAt(thermal.base, ms) - valueAt(thermal.dew, ms),
        ),
      ),
    );
    if (need !== null && margin.ok && margin.value < need)
      out.push(
        F.dew({
          side: margin.value < 0 ? 'under' : 'above',
          margin: kelvin(Math.abs(margin.value)),
          need: exactly(kelvin(need)),
        }),
      );
    const max = sheet.limits.humidityMaxPct;
    const wet = attempt(() =>
      Math.max(...[w.fromMs, w.toMs].map((ms) => humidityOf(valueAt(thermal.air, ms), valueAt(thermal.dew, ms)))),
    );
    if (max !== null && wet.ok && wet.value > max)
      out.push(F.humidity({ is: percent(wet.value), limit: exactly(percent(max)) }));
    return out;
  },

  'material-temperature': ({ plan }) => {
    const { sheet, potC } = plan;
    if (!sheet || potC === null || !Number.isFinite(potC)) return [];
    const { materialMinC, materialMaxC } = sheet.limits;
    if (materialMinC !== null && potC < materialMinC)
      return [F['material-temperature']({ is: degC(potC), limit: exactly(degC(materialMinC)) })];
    if (materialMaxC !== null && potC > materialMaxC)
      return [F['material-warm']({ is: degC(potC), limit: exactly(degC(materialMaxC)) })];
    return [];
  },
};
