import { humidityOf, valueAt } from '../../climate';
import { attempt, figure, formatDuration, instantsIn } from '../../units';
import { at, deg, finding, on, type Rule } from './rule';

/** What the clocks say: missing times, stalls, windows, waits. */
export const clockRules: Readonly<Record<string, Rule>> = {
  'no-answer': (c) =>
    c.plan.milestones
      .filter((m) => m.problem && m.originMs !== null && (m.kind === c.plan.serves || m.kind === 'release' || m.kind === 'gel'))
      .map((m) =>
        finding(
          `no-answer:${m.kind}`,
          m.kind === c.plan.serves ? 'stop' : 'caution',
          'hold',
          `No time for ${m.label.toLowerCase()}`,
          instantsIn(m.problem!, (ms) => on(c, ms)),
          'Warm the place, start at a warmer hour, or choose a system whose sheet covers it; “Place” tries out what would open a window.',
        ),
      ),

  stall: (c) => {
    const m = c.plan.milestones.find((x) => x.kind === c.plan.serves);
    if (!m?.stalls.length) return [];
    const total = m.stalls.reduce((s, x) => s + (x.toMs - x.fromMs) / 60_000, 0);
    const first = m.stalls[0]!;
    return [
      finding(
        'stall',
        'caution',
        'hold',
        `The clock stands still for ${formatDuration(total)}`,
        `From ${at(c, first.fromMs)} the base is under ${c.plan.sheet?.limits.cureMinC} °C and nothing cures.`,
        'Cover and warm the place for the night, or start earlier in the day.',
      ),
    ];
  },

  'amine-film': (c) => {
    const { sheet, thermal, placedMs } = c.plan;
    if (sheet?.family !== 'resin-amine' || !thermal || placedMs === null) return [];
    const until = c.plan.milestones.find((m) => m.kind === 'sandable' || m.kind === 'release')?.planMs ?? placedMs + 12 * 3_600_000;
    for (let ms = placedMs; ms <= until; ms += 30 * 60_000) {
      const here = attempt(() => ({ base: valueAt(thermal.base, ms), dew: valueAt(thermal.dew, ms), air: valueAt(thermal.air, ms) }));
      if (!here.ok) return [];
      const { base, dew, air } = here.value;
      const wet = humidityOf(air, dew) > 80;
      if (base < 10 || base - dew < 3 || wet)
        return [
          finding(
            'amine-film',
            'caution',
            'finish',
            'A greasy film may form',
            `From ${at(c, ms)} ${base < 10 ? `the base is ${deg(base)}, under 10 °C` : base - dew < 3 ? `the base lies ${figure(base - dew, 2)} K above the dew point` : `the air is above 80 % damp`} before it is hard.`,
            'Wash with warm water and abrade before any next layer, even inside the recoat window.',
          ),
        ];
    }
    return [];
  },

  recoat: (c) =>
    c.plan.steps
      .filter((s) => s.lateFor)
      .map((s) =>
        finding(
          `late:${s.id}`,
          s.lateFor === 'open' ? 'stop' : 'caution',
          'place',
          s.lateFor === 'open' ? 'Open time is over before the joint closes' : 'Next lift comes after the recoat window',
          s.lateFor === 'open' ? 'A skin has formed and does not wet the other face.' : `It could begin at ${at(c, s.startMs)} only.`,
          s.lateFor === 'open'
            ? 'Smaller batches, more hands, or a cooler hour.'
            : 'Wash and abrade the last lift first; the step says so.',
        ),
      ),

  'primer-dry': (c) => {
    const wet = c.plan.milestones.find((m) => m.kind === 'primer-wet');
    const primed = c.plan.steps.find((s) => s.id.endsWith(':prime'));
    const first = primed && c.plan.steps.find((s) => s.stage === 'place' && s.startMs >= primed.endMs && s.marks?.end?.includes('placed'));
    const min = wet?.planMs && wet.originMs ? wet.planMs - wet.originMs : null;
    return primed && first && min !== null && first.startMs - primed.endMs > min
      ? [
          finding(
            'primer-dry',
            'stop',
            'place',
            'The primer dries before the mortar comes',
            `It stays wet for ${formatDuration(min / 60_000)}.`,
            'Prime later, or in smaller areas.',
          ),
        ]
      : [];
  },

  'fixed-wait': ({ plan }) => {
    if (plan.context?.school('waiting') !== 'fixed') return [];
    const m = plan.milestones.find((x) => x.kind === plan.serves);
    return m?.planMs && plan.habitMs !== null && m.planMs > plan.habitMs
      ? [
          finding(
            'fixed-wait',
            'stop',
            'hold',
            '24 hours is too early here',
            `Computed from the temperature it takes ${formatDuration((m.planMs - plan.habitMs) / 60_000)} longer.`,
            'Wait the computed time.',
          ),
        ]
      : [];
  },
};
