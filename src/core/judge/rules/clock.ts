import { FILM_FORMS, filmOn, HARD_AT_LEAST_MS, HARD_BY, overLast } from '../../plan';
import { at, degC, exactly, kelvin, listed, minutes, percent, texts } from '../../say';
import { MILESTONES, type MilestoneId } from '../../system';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'no-time': {
    severity: 'stop',
    stage: 'hold',
    title: 'No time for {what}',
    why: '{why} The plan stops before “{step}”: how long to wait is not known, and it is not taken for nothing.',
    todo: 'Choose what stands in: {later, plural, =0 {} other {a later time of the sheet, }}a figure of your own{touch, select, yes {, or a test by touch} other {}}. Or warm the place, or take a system whose sheet covers it.',
  },
  instead: {
    severity: 'note',
    stage: 'hold',
    title: 'A later time is waited for',
    why: 'The sheet gives no time for {what}; {steps} {n, plural, one {waits} other {wait}} for {later} instead, longer than need be.',
    todo: 'Where its paper prints that time, type it into the sheet’s next revision.',
  },
  'instead-below': {
    severity: 'note',
    stage: 'hold',
    title: 'A later time of the pass below is waited for',
    why: 'The sheet of the pass below gives no time for {what}; {step} waits for its {later} instead, longer than need be.',
    todo: 'Where its paper prints that time, type it into the next revision of that sheet.',
  },
  'no-answer': {
    severity: 'caution',
    stage: 'hold',
    title: 'No time for {what}',
    why: '{why}',
    todo: 'Warm the place, start at a warmer hour, or choose a system whose sheet covers it; “Place” tries out what would open a window.',
  },
  stall: {
    severity: 'caution',
    stage: 'hold',
    title: 'The clock stands still for {total}',
    why: 'From {from} the base is under {least} and nothing cures.',
    todo: 'Cover and warm the place for the night, or start earlier in the day.',
  },
  'amine-film': {
    severity: 'caution',
    stage: 'finish',
    title: 'A greasy film may form',
    why: 'From {from} {cause, select, cold {the base is {base}, under {limit}} dew {the base lies {margin} above the dew point} other {the air is above {damp} damp}} before it is hard.',
    todo: 'Wash with warm water and abrade before any next layer, even inside the recoat window.',
  },
  'fixed-wait:unproved': {
    severity: 'stop',
    stage: 'hold',
    title: 'The 24 hours rest on nothing',
    why: 'The sheet gives no time of service that they could be held against.',
    todo: 'Choose “computed” and say what stands in for it, or ask the maker.',
  },
  'fixed-wait': {
    severity: 'stop',
    stage: 'hold',
    title: '24 hours is too early here',
    why: 'Computed from the temperature it takes {longer} longer.',
    todo: 'Wait the computed time.',
  },
});

/** Whether it is the finding that a wait has no time; of a pass of several it bears the name of the pass. */
export const tellsNoTime = (
  { id, passId }: { readonly id: string; readonly passId?: string | undefined },
  kind: MilestoneId,
): boolean => [`no-time:${kind}`, `${passId}/no-time:${kind}`].includes(id);

const STEP = texts('finding.clock.step', { title: '“{title}”' });

const label = (kind: MilestoneId) => MILESTONES[kind].label.toLowerCase();

/** What the clocks say: missing times, stalls, windows, waits. */
export const clockRules: Readonly<Record<string, Rule>> = {
  'no-time': (c) => {
    const { stop } = c.plan;
    if (!stop || c.stopsBelow) return [];
    // Mixing again is part of the order of work: that is where it is asked.
    const next = c.plan.untimed[0]!.stage;
    return [
      F['no-time'](
        {
          what: stop.label.toLowerCase(),
          why: stop.why,
          step: stop.step.title,
          later: stop.later.length,
          touch: stop.touch ? 'yes' : 'no',
        },
        { of: stop.kind, stage: next === 'mix' ? 'place' : next },
      ),
    ];
  },

  instead: ({ plan, repair }) => {
    const waiting = plan.steps
      .filter((s) => s.doneAt === null)
      .flatMap(({ title, waitFor }) =>
        waitFor?.insteadOf && !repair.standIns[waitFor.insteadOf]
          ? [{ title, missing: waitFor.insteadOf, later: waitFor.kind }]
          : [],
      );
    return [...new Set(waiting.map((s) => s.missing))].map((missing) => {
      const mine = waiting.filter((s) => s.missing === missing);
      return F.instead(
        {
          what: label(missing),
          later: label(mine[0]!.later),
          steps: listed(mine.map(({ title }) => STEP.title({ title }))),
          n: mine.length,
        },
        { of: missing },
      );
    });
  },

  // What a pass waits for on the one below it is a time of that one’s sheet; its gate is one, whatever stands behind it.
  'instead-below': ({ plan }) => {
    const [first] = plan.steps.flatMap(({ title, gate, doneAt }) =>
      doneAt === null && gate?.insteadOf && gate.from ? [{ title, missing: gate.insteadOf, later: gate.from }] : [],
    );
    if (!first) return [];
    const { title, missing, later } = first;
    return [
      F['instead-below']({ what: label(missing), later: label(later), step: STEP.title({ title }) }, { of: missing }),
    ];
  },

  'no-answer': (c) =>
    c.plan.milestones
      .filter(
        (m) =>
          m.problem &&
          m.originMs !== null &&
          m.kind !== c.plan.stop?.kind &&
          (m.kind === 'release' || m.kind === 'gel'),
      )
      .map((m) => F['no-answer']({ what: m.label.toLowerCase(), why: m.problem! }, { of: m.kind })),

  stall: (c) => {
    const m = overLast(c.plan.milestones, c.plan.serves);
    if (!m?.stalls.length) return [];
    const total = m.stalls.reduce((s, x) => s + (x.toMs - x.fromMs) / 60_000, 0);
    return [
      F.stall({
        total: minutes(total),
        from: at(m.stalls[0]!.fromMs),
        least: exactly(degC(c.plan.sheet?.limits.cureMinC ?? 0)),
      }),
    ];
  },

  'amine-film': ({ plan: { sheet, thermal, placedMs, milestones } }) => {
    if (!sheet || !thermal || placedMs === null) return [];
    const untilMs = milestones.find((m) => HARD_BY.includes(m.kind))?.planMs ?? placedMs + HARD_AT_LEAST_MS;
    const film = filmOn(sheet, thermal, { fromMs: placedMs, untilMs });
    return film
      ? [
          F['amine-film']({
            from: at(film.fromMs),
            cause: film.cause,
            base: degC(film.baseC),
            limit: exactly(degC(FILM_FORMS.baseC)),
            margin: kelvin(film.marginK),
            damp: exactly(percent(FILM_FORMS.dampPct)),
          }),
        ]
      : [];
  },

  'fixed-wait': ({ plan }) => {
    if ((plan.context?.effects.fixedWaitMin ?? null) === null) return [];
    const m = overLast(plan.milestones, plan.serves);
    if (!m) return [F['fixed-wait:unproved']()];
    return m.planMs && plan.habitMs !== null && m.planMs > plan.habitMs
      ? [F['fixed-wait']({ longer: minutes((m.planMs - plan.habitMs) / 60_000) })]
      : [];
  },
};
