import ical, { ICalAlarmType } from 'ical-generator';
import {
  actedOn,
  arranged,
  endsOf,
  type MilestoneTime,
  type PlannedStep,
  partName,
  passName,
  type RepairPlan,
  repairName,
  workedAt,
} from '../plan';
import type { PlannedJob } from '../record';
import { degC, exactly, kelvin, type Message, type Said, texts } from '../say';
import { milestoneKind } from '../system';

const SAYS = texts('calendar', {
  pass: '{repair} · {pass}',
  batch: '{of}, batch {n}',
  part: '{of}, {part}',
  place: '{of}, place {n}',
  begins: '{of}: work begins',
  goesOn: '{of}: {step}',
  clock: '{of}: {said}',
  sheet: '{said} on the sheet; computed from the temperature.',
  tent: '{of}: tent and heater up and on',
  'tent-why': 'By then, {by} above the air; the plan counts on it.',
  packs: '{of}: closed packs to {is}',
  'packs-why': 'They take a night to come to it; the plan counts on it.',
  opens: '{of}: may be opened',
  sign: 'After the tests are done and it is signed.',
});

/**
 * A line's text as a calendar may hold it: line ends are escaped by the writer, other control characters have no place
 * in it.
 */
const plain = (text: string): string =>
  text
    .replace(/\r\n?/g, '\n')
    // biome-ignore lint/suspicious/noControlCharactersInRegex: those are what is taken out
    .replace(/[\u0000-\u0009\u000B-\u001F\u007F\u2028\u2029]/g, ' ')
    .trim();

/** To whole minutes, on the side that is safe: waits end later, working times sooner. */
const wholeUp = (ms: number) => Math.ceil(ms / 60_000) * 60_000;
const wholeDown = (ms: number) => Math.floor(ms / 60_000) * 60_000;

/** How long a clock stands in the calendar, ms. */
const SHOWN_MS = 600_000;
/** Whoever is away for less than this need not be called back, ms. */
const AWAY_MS = 900_000;

/** One stay at the place: work that follows upon work, of one step or of several. */
interface Stay {
  readonly first: PlannedStep;
  /** Which of its days it begins with, from 0, where the step takes several. */
  readonly day: number;
  readonly fromMs: number;
  readonly toMs: number;
}

/** What is still to be done, stay by stay: whoever goes away between two of them has to come back. */
function staysOf(steps: readonly PlannedStep[]): readonly Stay[] {
  const worked = steps
    .filter((s) => s.doneAt === null)
    .flatMap((first) => workedAt(first).map((at, day): Stay => ({ first, day, ...at })))
    .toSorted((a, b) => a.fromMs - b.fromMs);
  const stays: Stay[] = [];
  for (const next of worked) {
    const last = stays.at(-1);
    if (last && next.fromMs - last.toMs < AWAY_MS)
      stays[stays.length - 1] = { ...last, toMs: Math.max(last.toMs, next.toMs) };
    else stays.push(next);
  }
  return stays;
}

/** So many like deadlines are a list that somebody still reads. */
const MOST_ALIKE = 6;

/**
 * Clocks without those between the first and the last of their kind: of thirty holes the first and the last that may be
 * loaded are enough, of a few pots each.
 */
const withoutBetween = (clocks: readonly MilestoneTime[]): readonly MilestoneTime[] =>
  clocks.filter((m) => {
    const like = clocks.filter((x) => x.kind === m.kind && x.passId === m.passId);
    return like.length <= (m.clock === 'waiting' ? 2 : MOST_ALIKE) || endsOf(like).includes(m);
  });

/** Of several pots or places the one that a clock is of: holes by their numbers, pots by theirs. */
function namedBy(of: Said, { part, batch }: MilestoneTime, plan: RepairPlan): Said {
  if (part !== null) {
    const name = partName(plan, part);
    return name ? SAYS.part({ of, part: name }) : SAYS.place({ of, n: part + 1 });
  }
  const pot = batch === null || plan.batches.length < 2 ? undefined : plan.batches[batch];
  if (!pot) return of;
  return pot.fromTo ? SAYS.part({ of, part: pot.label }) : SAYS.batch({ of, n: pot.index + 1 });
}

/**
 * The work and the clocks of a job as a calendar file (ICS, RFC 5545), in UTC, each entry with an alarm: every stay at
 * the place from its first step to its last, every clock that somebody acts on, and every opening.
 * @returns the text of the file; null where there is nothing to remember: a calendar of nothing is no calendar
 */
export function calendarFile(view: PlannedJob, say: (said: Said) => string): string | null {
  const calendar = ical({ prodId: { company: 'Grenko', product: 'clocks', language: 'EN' } });
  let entries = 0;
  const add = (uid: string, title: Message, [fromMs, toMs]: readonly [number, number], description: Said) => {
    entries++;
    const summary = plain(say(title));
    const event = calendar.createEvent({
      id: `${uid}@grenko`,
      stamp: new Date(view.plan.nowMs),
      start: new Date(fromMs),
      end: new Date(toMs),
      summary,
      description: plain(say(description)),
      location: plain(view.job.place) || null,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0, description: summary });
  };
  const shown = (atMs: number) => [atMs, atMs + SHOWN_MS] as const;
  for (const { repair, draft, plan, actuals, passes } of view.repairs) {
    if (actuals.released) continue;
    const plans = passes.map((p) => p.plan);
    const nameOf = (passId: string): Said => {
      const at = plans.findIndex((p) => p.passId === passId);
      return plans.length > 1
        ? SAYS.pass({ repair: repairName(repair), pass: passName(draft, at) })
        : repairName(repair);
    };
    for (const [i, { first, day, fromMs, toMs }] of staysOf(plan.steps).entries()) {
      const of = nameOf(first.passId);
      add(
        [repair.id, first.passId, first.id, ...(day ? [`day${day + 1}`] : [])].join('-'),
        i === 0 && actuals.startedAt === null ? SAYS.begins({ of }) : SAYS.goesOn({ of, step: first.title }),
        [wholeDown(fromMs), wholeUp(toMs)],
        first.title,
      );
    }
    for (const pass of plans)
      for (const a of arranged(pass, view.job, view.plan.nowMs)) {
        const of = nameOf(pass.passId);
        if (a.byMs === null || a.byMs < view.plan.nowMs || (a.what === 'cover' && pass !== plans[0])) continue;
        add(
          [repair.id, pass.passId, a.what].join('-'),
          a.what === 'cover' ? SAYS.tent({ of }) : SAYS.packs({ of, is: exactly(degC(a.tempC)) }),
          shown(a.byMs),
          a.what === 'cover' ? SAYS['tent-why']({ by: exactly(kelvin(a.warmK)) }) : SAYS['packs-why'](),
        );
      }
    for (const m of withoutBetween(plan.milestones)) {
      const { ended, inHand } = milestoneKind(m.kind);
      if (m.planMs === null || inHand || !actedOn(plans, m)) continue;
      const mine = plans.find((p) => p.passId === m.passId) ?? plan;
      const of = nameOf(m.passId);
      const named = namedBy(of, m, mine);
      add(
        [repair.id, m.passId, m.kind, m.batch ?? 'all', ...(m.part === null ? [] : [m.part])].join('-'),
        SAYS.clock({ of: named, said: ended }),
        shown(m.clock === 'waiting' ? wholeUp(m.planMs) : wholeDown(m.planMs)),
        SAYS.sheet({ said: m.sheetSays }),
      );
    }
    if (plan.openMs !== null)
      add(`${repair.id}-open`, SAYS.opens({ of: repairName(repair) }), shown(wholeUp(plan.openMs)), SAYS.sign());
  }
  return entries ? `${calendar.toString()}\r\n` : null;
}
