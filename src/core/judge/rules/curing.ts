import { evaporation, humidityOf, valueAt } from '../../climate';
import { REFUSAL_SHARE, uptakesOf } from '../../plan';
import { at, attempt, degC, exactly, ml, percent } from '../../say';
import { keepsWater } from '../../system';
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
  'uptake:more': {
    severity: 'caution',
    stage: 'place',
    title: '{face} drinks more than was estimated',
    why: 'It has taken {total}, {estimate} were estimated, and its last coat is still {share} of the first.',
    todo: 'Have a further small pot ready; it is not done until it takes no more.',
  },
  'uptake:rose': {
    severity: 'caution',
    stage: 'place',
    title: 'Coat {n} on {face} took more than the one before',
    why: '{now} after {before}: what a face takes falls from coat to coat.',
    todo: 'Measure the next one anew; if it is right, a crack or a runoff drinks: look for it.',
  },
  'uptake:open': {
    severity: 'stop',
    stage: 'hold',
    title: '{face} was left before it took no more',
    why: '{coats, plural, =0 {No coat of it is written down} one {One coat of it is written down} other {Its last coat took {share} of the first}}; it refuses below {limit}.',
    todo: 'Go on, coat into wet coat, and write down what each took.',
  },
});

/** What cement needs while it sets: its water, and no frost. */
export const curingRules: Readonly<Record<string, Rule>> = {
  evaporation: ({ plan }) => {
    const { context, thermal, placedMs, sheet } = plan;
    if (!context || !thermal || !sheet || placedMs === null || !keepsWater(sheet)) return [];
    if (!Object.hasOwn(context.settings, 'evaporation')) return [];
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

  uptake: ({ plan, actuals }) => {
    const soaked = plan.steps.filter((s) => s.marks?.end?.includes('placed'));
    const left = soaked.length > 0 && soaked.every((s) => s.doneAt !== null);
    return uptakesOf(plan, actuals).flatMap((u) => {
      const of = u.face;
      const share = percent((u.lastShare ?? 1) * 100, 2);
      const more = u.totalMl > u.estimateMl && !u.refuses && !left;
      const [n, at] = [u.roseAt, (u.roseAt ?? 1) - 1];
      return [
        ...(more
          ? [F['uptake:more']({ face: u.label, total: ml(u.totalMl), estimate: ml(u.estimateMl), share }, { of })]
          : []),
        ...(n === null
          ? []
          : [F['uptake:rose']({ n, face: u.label, now: ml(u.coatsMl[at]!), before: ml(u.coatsMl[at - 1]!) }, { of })]),
        ...(left && !u.refuses
          ? [
              F['uptake:open'](
                { face: u.label, coats: u.coatsMl.length, share, limit: exactly(percent(REFUSAL_SHARE * 100)) },
                { of },
              ),
            ]
          : []),
      ];
    });
  },
};
