import { humidityOf, valueAt } from '../../climate';
import type { Role } from '../../method';
import type { Piece, PlannedStep } from '../../plan';
import { at, degC, exactly, kelvin, minutes, percent, plain } from '../../say';
import type { MilestoneId } from '../../system';
import { FAMILIES } from '../../system';
import { attempt } from '../../units';
import { findings, type Notice } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'late:open': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'Open time is over before the joint closes',
    why: 'It is closed at {end}; what was spread first has skinned by then and does not wet the other face.',
    todo: 'One batch at a time, each closed before the next; smaller faces, more hands, or a cooler hour.',
  },
  'late:use-by': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The joint closes after its working time',
    why: 'It is closed at {end}; the sheet gives no open time, and what was mixed has stiffened by then.',
    todo: 'A shorter way, a cooler pot, more hands or less to close at once. Walk the way once dry and type what it takes.',
  },
  'late:hands': {
    id: 'late',
    severity: 'caution',
    stage: 'place',
    title: 'Little time to close the joint',
    why: '“{step}” is planned with {ours}, a figure of Grenko’s own; {left} are left of the working time.',
    todo: 'Try it dry against the clock and type what it takes; with more than {left}, a smaller face, more hands or a cooler hour.',
  },
  missed: {
    severity: 'caution',
    stage: 'place',
    title: 'The window to go on as it is was missed',
    why: '{open, select, no {It closed at {until}} other {It was open from {from} to {until}}}{closed, select, yes {, all of it outside the working hours} other {}}. It goes on at {start} only.',
    todo: 'Wash and abrade first; the plan has it with its minutes. {closed, select, yes {Or end what lies under it later in the day, so that its window falls into your hours.} other {}}',
  },
  tight: {
    severity: 'note',
    stage: 'place',
    title: 'Little in hand before the window closes',
    why: 'It is placed by {end}; what lies under it may be gone over as it is until {until}: {left} in hand.',
    todo: 'Have all of it ready beforehand; past the window it is washed and abraded.',
  },
  'tight:over': {
    id: 'tight',
    severity: 'caution',
    stage: 'place',
    title: 'The window closes while it is placed',
    why: 'It begins in time and is placed by {end}; what lies under it may be gone over as it is until {until}.',
    todo: 'Begin sooner, bring more hands, or wash and abrade what comes last.',
  },
  'late:primer-wet': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The primer dries before the mortar comes',
    why: 'The last of this batch is placed at {end}; what was primed first has dried by then.',
    todo: 'Smaller batches, each primed only as far as it reaches; more hands, or a cooler hour.',
  },
  'late:wash-until': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'What was filled first is past its washing',
    why: 'It is washed from {start} only; what was filled first has set on the units by then, and stays as a haze.',
    todo: 'A second pair of hands that washes, smaller batches, or a cooler base.',
  },
  'late:bare': {
    id: 'late',
    severity: 'stop',
    stage: 'place',
    title: 'The bared face has stood too long',
    why: 'It is wetted at {start} only; by then it has dulled.',
    todo: 'Abrade and wipe it once more before it is wetted: the pot does not wait, so be quick or mix anew.',
  },
  'bare-again': {
    severity: 'caution',
    stage: 'place',
    title: 'A bared face would stand too long',
    why: 'It is good until {until}, and its turn comes later: the plan bares it again, {takes}.',
    todo: 'Begin mixing by {mixBy} and it need not be; or bare it last.',
  },
  'no-time': {
    severity: 'stop',
    stage: 'hold',
    title: 'No time for {what}',
    why: '{why} The plan stops before “{step}”: how long to wait is not known, and it is not taken for nothing.',
    todo: 'Choose what stands in: {later, plural, =0 {} other {a later time of the sheet, }}a figure of your own{touch, select, yes {, or a test by touch} other {}}. Or warm the place, or take a system whose sheet covers it.',
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

/** Less in hand than this is said, ms. */
const TIGHT_MS = 30 * 60_000;

/**
 * What it means to come too late, by the working time that is over; and what is said instead where quicker hands than
 * Grenko’s own figure would still do it.
 */
const LATE: Partial<Record<MilestoneId, { readonly late: Notice; readonly quick?: Notice; readonly role?: Role }>> = {
  open: { late: F['late:open'], quick: F['late:hands'] },
  'use-by': { late: F['late:use-by'], quick: F['late:hands'], role: 'close' },
  'primer-wet': { late: F['late:primer-wet'] },
  bare: { late: F['late:bare'] },
  'wash-until': { late: F['late:wash-until'] },
};

/**
 * A surface film forms on an amine-cured resin under this temperature, nearer than this to the dew point, or in air
 * damper than this.
 */
const FILM = { baseC: 10, marginK: 3, dampPct: 80 };

/** Whether somebody said how long a step takes. */
const isTyped = ({ settings }: Piece, { factors }: PlannedStep): boolean =>
  factors.some((f) => Object.hasOwn(settings, f));

/** Id of the finding that a wait has no time. */
export const noTimeId = (kind: MilestoneId): string => `no-time:${kind}`;

/** What the clocks say: missing times, stalls, windows, waits. */
export const clockRules: Readonly<Record<string, Rule>> = {
  'no-time': (c) => {
    const { stop } = c.plan;
    if (!stop) return [];
    // Mixing again is part of the order of work: that is where it is asked.
    const next = c.plan.untimed[0]!.stage;
    return [
      F['no-time'](
        {
          what: stop.label.toLowerCase(),
          why: plain(stop.why),
          step: stop.step.title,
          later: stop.later.length,
          touch: stop.touch ? 'yes' : 'no',
        },
        { of: stop.kind, stage: next === 'mix' ? 'place' : next },
      ),
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
      .map((m) => F['no-answer']({ what: m.label.toLowerCase(), why: plain(m.problem!) }, { of: m.kind })),

  stall: (c) => {
    const m = c.plan.milestones.findLast((x) => x.kind === c.plan.serves);
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

  'amine-film': (c) => {
    const { sheet, thermal, placedMs } = c.plan;
    if (!sheet || !FAMILIES[sheet.family].film || !thermal || placedMs === null) return [];
    const until =
      c.plan.milestones.find((m) => m.kind === 'sandable' || m.kind === 'release')?.planMs ?? placedMs + 12 * 3_600_000;
    for (let ms = placedMs; ms <= until; ms += 30 * 60_000) {
      const here = attempt(() => ({
        base: valueAt(thermal.base, ms),
        dew: valueAt(thermal.dew, ms),
        air: valueAt(thermal.air, ms),
      }));
      if (!here.ok) return [];
      const { base, dew, air } = here.value;
      const wet = humidityOf(air, dew) > FILM.dampPct;
      if (base < FILM.baseC || base - dew < FILM.marginK || wet)
        return [
          F['amine-film']({
            from: at(ms),
            cause: base < FILM.baseC ? 'cold' : base - dew < FILM.marginK ? 'dew' : 'damp',
            base: degC(base),
            limit: exactly(degC(FILM.baseC)),
            margin: kelvin(base - dew),
            damp: exactly(percent(FILM.dampPct)),
          }),
        ];
    }
    return [];
  },

  late: (c) =>
    c.plan.steps.flatMap((s) => {
      const row = s.lateFor && LATE[s.lateFor];
      if (!row || (row.role && row.role !== s.role)) return [];
      const leftMs = s.endMs - s.startMs - s.lateMs;
      const ours = s.doneAt === null && s.begunAt === null && leftMs > 0 && !isTyped(c.repair, s);
      return row.quick && ours
        ? [row.quick({ left: minutes(leftMs / 60_000), ours: minutes(s.handsOnMin), step: s.title }, { of: s.id })]
        : [row.late({ start: at(s.startMs), end: at(s.endMs) }, { of: s.id })];
    }),

  missed: ({ plan }) =>
    plan.steps.flatMap(({ id, missed, doneAt, endMs }) =>
      missed && missed.mixByMs === null && doneAt === null
        ? [
            F.missed(
              {
                open: missed.fromMs !== null && missed.fromMs < missed.untilMs ? 'yes' : 'no',
                from: at(missed.fromMs ?? missed.untilMs),
                until: at(missed.untilMs),
                closed: missed.whileClosed ? 'yes' : 'no',
                start: at(endMs),
              },
              { of: id },
            ),
          ]
        : [],
    ),

  tight: ({ plan }) =>
    plan.steps.flatMap(({ insideUntilMs, doneAt }) => {
      // The first of what is placed is what lies on the pass below.
      const first = plan.steps.filter(
        (s) => s.marks?.end?.includes('placed') && plan.batches[s.batch ?? 0]?.portion === 0,
      );
      const endMs = first.at(-1)?.endMs;
      if (insideUntilMs === null || doneAt !== null || endMs === undefined) return [];
      const left = insideUntilMs - endMs;
      if (left > TIGHT_MS) return [];
      const told = { end: at(endMs), until: at(insideUntilMs), left: minutes(Math.max(0, Math.floor(left / 60_000))) };
      return [left < 0 ? F['tight:over'](told) : F.tight(told)];
    }),

  'bare-again': ({ plan }) =>
    plan.steps.flatMap(({ id, doneAt, missed, startMs, endMs }) =>
      missed && missed.mixByMs !== null && doneAt === null
        ? [
            F['bare-again'](
              { until: at(missed.untilMs), takes: minutes((endMs - startMs) / 60_000), mixBy: at(missed.mixByMs) },
              { of: id },
            ),
          ]
        : [],
    ),

  'fixed-wait': ({ plan }) => {
    if ((plan.context?.effects.fixedWaitMin ?? null) === null) return [];
    const m = plan.milestones.findLast((x) => x.kind === plan.serves);
    if (!m) return [F['fixed-wait:unproved']()];
    return m.planMs && plan.habitMs !== null && m.planMs > plan.habitMs
      ? [F['fixed-wait']({ longer: minutes((m.planMs - plan.habitMs) / 60_000) })]
      : [];
  },
};
