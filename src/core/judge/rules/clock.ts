import { humidityOf, valueAt } from '../../climate';
import type { PlannedStep } from '../../plan';
import type { MilestoneId } from '../../system';
import { attempt, figure, formatDuration, instantsIn } from '../../units';
import { at, deg, finding, type JudgeContext, on, type Rule } from './rule';

/** What it means to come too late, by the working time that is over. */
const LATE: Partial<
  Record<MilestoneId, { severity: 'stop' | 'caution'; title: string; why: (c: JudgeContext, s: PlannedStep) => string; todo: string }>
> = {
  open: {
    severity: 'stop',
    title: 'Open time is over before the joint closes',
    why: (c, s) => `It is closed at ${at(c, s.endMs)}; what was spread first has skinned by then and does not wet the other face.`,
    todo: 'One batch at a time, each closed before the next; smaller faces, more hands, or a cooler hour.',
  },
  'recoat-until': {
    severity: 'caution',
    title: 'Next lift comes after the recoat window',
    why: (c, s) => `It could begin at ${at(c, s.startMs)} only.`,
    todo: 'Wash and abrade the last lift first; the step says so.',
  },
  'primer-wet': {
    severity: 'stop',
    title: 'The primer dries before the mortar comes',
    why: (c, s) => `The last of this batch is placed at ${at(c, s.endMs)}; what was primed first has dried by then.`,
    todo: 'Smaller batches, each primed only as far as it reaches; more hands, or a cooler hour.',
  },
};

/** Id of the finding that a wait has no time. */
export const noTimeId = (kind: MilestoneId): string => `no-time:${kind}`;

/** What the clocks say: missing times, stalls, windows, waits. */
export const clockRules: Readonly<Record<string, Rule>> = {
  'no-time': (c) => {
    const { stop } = c.plan;
    if (!stop) return [];
    // Mixing again is part of the order of work: that is where it is asked.
    const next = c.plan.untimed[0]!.stage;
    const stage = next === 'mix' ? 'place' : next;
    return [
      finding(
        noTimeId(stop.kind),
        'stop',
        stage,
        `No time for ${stop.label.toLowerCase()}`,
        `${instantsIn(stop.why, (ms) => on(c, ms))} The plan stops before “${stop.step.title}”: how long to wait is not known, and it is not taken for nothing.`,
        `Choose what stands in: ${stop.later.length ? 'a later time of the sheet, ' : ''}a figure of your own${stop.touch ? ', or a test by touch' : ''}. Or warm the place, or take a system whose sheet covers it.`,
      ),
    ];
  },

  'no-answer': (c) =>
    c.plan.milestones
      .filter((m) => m.problem && m.originMs !== null && m.kind !== c.plan.stop?.kind && (m.kind === 'release' || m.kind === 'gel'))
      .map((m) =>
        finding(
          `no-answer:${m.kind}`,
          'caution',
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

  late: (c) =>
    c.plan.steps
      .filter((s) => s.lateFor && LATE[s.lateFor])
      .map((s) => {
        const { severity, title, why, todo } = LATE[s.lateFor!]!;
        return finding(`late:${s.id}`, severity, 'place', title, why(c, s), todo);
      }),

  'fixed-wait': ({ plan }) => {
    if (plan.context?.school('waiting') !== 'fixed') return [];
    const m = plan.milestones.find((x) => x.kind === plan.serves);
    if (!m)
      return [
        finding(
          'fixed-wait:unproved',
          'stop',
          'hold',
          'The 24 hours rest on nothing',
          'The sheet gives no time of service that they could be held against.',
          'Choose “computed” and say what stands in for it, or ask the maker.',
        ),
      ];
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
