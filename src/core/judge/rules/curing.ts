import { evaporation, humidityOf, valueAt } from '../../climate';
import { at, degC, percent } from '../../say';
import { attempt } from '../../units';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  evaporation: {
    severity: 'caution',
    stage: 'hold',
    title: 'It dries before it sets',
    why: '{rate} leave the fresh mortar at {wind}, air of {air} and {humidity}; above {limit} it crazes.',
    todo: 'Cover it at once with film or damp cloth, or shield it from the wind.',
  },
  frost: {
    severity: 'stop',
    stage: 'hold',
    title: 'Frost before it may come',
    why: 'From {from} the base is at {base}, and it must be kept from frost longer than that.',
    todo: 'Cover and warm it for the nights, begin on a milder day, or take a faster mortar.',
  },
});

/** What cement needs while it sets: its water, and no frost. */
export const curingRules: Readonly<Record<string, Rule>> = {
  evaporation: ({ plan }) => {
    const { context, thermal, placedMs } = plan;
    if (!context || !thermal || placedMs === null || !Object.hasOwn(context.settings, 'evaporation')) return [];
    const { wind, evaporation: limit } = context.settings as Readonly<Record<'wind' | 'evaporation', number>>;
    const here = attempt(() => {
      const airC = valueAt(thermal.air, placedMs);
      // Fresh mortar lies between the base under it and the temperature it was mixed at.
      const surfaceC = (valueAt(thermal.base, placedMs) + valueAt(thermal.pot, placedMs)) / 2;
      return { airC, surfaceC, humidityPct: humidityOf(airC, valueAt(thermal.dew, placedMs)) };
    });
    if (!here.ok) return [];
    const rate = evaporation({ ...here.value, windKmh: wind });
    if (rate <= limit) return [];
    return [
      F.evaporation({
        rate: { is: 'evaporation', value: rate, digits: 3 },
        wind: { is: 'speed', value: wind },
        air: degC(here.value.airC),
        humidity: percent(here.value.humidityPct),
        limit: { is: 'evaporation', value: limit, exact: true },
      }),
    ];
  },

  frost: ({ plan }) => {
    const m = plan.milestones.findLast((x) => x.kind === 'frost');
    const { thermal } = plan;
    if (!m || m.originMs === null || !thermal) return [];
    const { times, values } = thermal.base;
    const until = m.planMs ?? Number.POSITIVE_INFINITY;
    const i = times.findIndex((ms, k) => ms > m.originMs! && ms < until && values[k]! <= 0);
    return i < 0 ? [] : [F.frost({ from: at(times[i]!), base: degC(values[i]!) })];
  },
};
