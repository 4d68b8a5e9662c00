import { humidityOf, valueAt } from '../../climate';
import { attempt, figure } from '../../units';
import type { Finding } from '../finding';
import { at, deg, finding, placing, type Rule, rangeOver } from './rule';

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
    if (base.ok && baseMinC !== null && base.value.min < baseMinC)
      out.push(
        finding(
          'base-temperature:cold',
          'stop',
          'place',
          'Base too cold to place on',
          `${deg(base.value.min)} at ${at(c, w.fromMs)}, the sheet asks for at least ${baseMinC} °C.`,
          'Start later in the day, or tent and warm the base.',
        ),
      );
    if (base.ok && baseMaxC !== null && base.value.max > baseMaxC)
      out.push(
        finding(
          'base-temperature:hot',
          'stop',
          'place',
          'Base too hot to place on',
          `${deg(base.value.max)}, the sheet allows ${baseMaxC} °C.`,
          'Shade it, or start earlier.',
        ),
      );
    if (air.ok && airMinC !== null && air.value.min < airMinC)
      out.push(
        finding(
          'air-temperature:cold',
          'stop',
          'place',
          'Air too cold',
          `${deg(air.value.min)}, the sheet asks for at least ${airMinC} °C.`,
          'Start later, or tent and heat.',
        ),
      );
    if (air.ok && airMaxC !== null && air.value.max > airMaxC)
      out.push(
        finding(
          'air-temperature:hot',
          'stop',
          'place',
          'Air too hot',
          `${deg(air.value.max)}, the sheet allows ${airMaxC} °C.`,
          'Start earlier in the day.',
        ),
      );
    return out;
  },

  dew: (c) => {
    const { sheet, thermal } = c.plan;
    const w = placing(c.plan);
    if (!sheet || !thermal || !w) return [];
    const out: Finding[] = [];
    const need = sheet.limits.dewMarginK;
    const margin = attempt(() =>
      Math.min(...[w.fromMs, (w.fromMs + w.toMs) / 2, w.toMs].map((ms) => valueAt(thermal.base, ms) - valueAt(thermal.dew, ms))),
    );
    if (need !== null && margin.ok && margin.value < need)
      out.push(
        finding(
          'dew',
          'stop',
          'place',
          'Base is wet with dew',
          `It lies ${margin.value < 0 ? `${figure(-margin.value, 2)} K under` : `only ${figure(margin.value, 2)} K above`} the dew point; ${need} K is asked for, even if it looks dry.`,
          'Start later, or warm the base under a tent.',
        ),
      );
    const max = sheet.limits.humidityMaxPct;
    const wet = attempt(() => Math.max(...[w.fromMs, w.toMs].map((ms) => humidityOf(valueAt(thermal.air, ms), valueAt(thermal.dew, ms)))));
    if (max !== null && wet.ok && wet.value > max)
      out.push(
        finding(
          'humidity',
          'caution',
          'place',
          'Air too damp',
          `${figure(wet.value)} % against ${max} % on the sheet.`,
          'Start later in the day, or warm the air under a tent.',
        ),
      );
    return out;
  },

  'material-temperature': ({ plan }) => {
    const { sheet, potC } = plan;
    if (!sheet || potC === null || !Number.isFinite(potC)) return [];
    const { materialMinC, materialMaxC } = sheet.limits;
    if (materialMinC !== null && potC < materialMinC)
      return [
        finding(
          'material-temperature',
          'caution',
          'mix',
          'Material too cold to mix',
          `${deg(potC)}, the sheet asks for at least ${materialMinC} °C.`,
          'Keep the closed packs in a warm room overnight and set that temperature here.',
        ),
      ];
    if (materialMaxC !== null && potC > materialMaxC)
      return [
        finding(
          'material-temperature',
          'caution',
          'mix',
          'Material too warm',
          `${deg(potC)}, the sheet allows ${materialMaxC} °C.`,
          'Keep it in the shade or in cool water, packs closed.',
        ),
      ];
    return [];
  },
};
