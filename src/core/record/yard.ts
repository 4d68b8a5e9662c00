import {
  type Away,
  byReached,
  type Job,
  type JobPlan,
  type JobsBefore,
  jobName,
  NONE_BEFORE,
  type Promised,
  piecesOf,
  type Reached,
  type Repair,
  reachedIn,
  type SystemKits,
  workedAt,
} from '../plan';
import type { Event } from './event';
import { foldEvents } from './fold';

/** As much of a job as says where it stands among the others. */
export interface InYard {
  readonly job: Job;
  readonly repairs: readonly Repair[];
  readonly events: readonly Event[];
}

/** Who does a job, as it is compared: null where nobody says. */
export const crewOf = ({ doneBy }: Job): string | null => doneBy.trim().toLocaleLowerCase() || null;

/** What happened to the repairs of a job. */
const toldOf = ({ repairs, events }: InYard) => repairs.map((r) => foldEvents(events, r.id));

/** Whether anything is left to do: it has repairs, is not closed, and not all of them are released. */
export const isOpen = (of: InYard): boolean =>
  of.job.closedAt === null && toldOf(of).some(({ released }) => released === null);

/** When something was last done at a job; long past where nothing was begun. */
const lastDone = (of: InYard): number =>
  toldOf(of).some((told) => told.startedAt !== null)
    ? Math.max(...of.events.map((e) => e.at))
    : Number.NEGATIVE_INFINITY;

/** How far a job was worked: as far as the furthest of its repairs that are not released. */
function reachedOf({ repairs, events }: InYard): Reached {
  const all = repairs.flatMap((r) => {
    const passes = piecesOf(r).map((p) => foldEvents(events, r.id, p.passId));
    return passes.some((p) => p.released !== null) ? [] : [reachedIn(passes)];
  });
  return all.reduce((a, b) => (byReached(b, a) < 0 ? b : a), { begun: false, wetMs: null });
}

/**
 * Jobs in the order in which they take hands and shelf: what is mixed, whose waits run, before what has begun, and that
 * before what nobody has touched; of like ones the one where somebody was last, then by when their work may begin.
 */
export function jobsInTurn<J extends InYard>(jobs: readonly J[]): readonly J[] {
  const ranked = jobs.map((of) => ({ of, reached: reachedOf(of), last: lastDone(of) }));
  ranked.sort((a, b) => {
    const [x, y] = [a.of.job, b.of.job];
    const later = a.last === b.last ? 0 : b.last - a.last;
    return byReached(a.reached, b.reached) || later || x.startFrom - y.startFrom || (x.id < y.id ? -1 : 1);
  });
  return ranked.map(({ of }) => of);
}

/** Systems a job is planned with. */
const sheetsOf = ({ repairs }: InYard): ReadonlySet<string> =>
  new Set(repairs.flatMap((r) => Object.values(r.passes).flatMap((p) => p.sheetId ?? [])));

/**
 * Whether two jobs want the same crew or the same lots.
 * @param onShelf sheets of which a lot stands on the shelf
 */
function shares(a: InYard, b: InYard, onShelf: ReadonlySet<string>): boolean {
  if (crewOf(a.job) !== null && crewOf(a.job) === crewOf(b.job)) return true;
  const theirs = sheetsOf(b);
  return [...sheetsOf(a)].some((id) => onShelf.has(id) && theirs.has(id));
}

/** Those that a job shares something with, and those that these share something with. */
function linked<J extends InYard>(job: J, others: readonly J[], onShelf: ReadonlySet<string>): readonly J[] {
  const group = [job];
  let rest = others;
  for (let i = 0; i < group.length; i++) {
    const found = rest.filter((o) => shares(group[i]!, o, onShelf));
    group.push(...found);
    rest = rest.filter((o) => !found.includes(o));
  }
  return group;
}

/** Hours in which the crew of a job is at it, one after the other. */
function hoursAt({ job }: InYard, plan: JobPlan): readonly Away[] {
  const all = plan.repairs
    .flatMap((r) => r.steps.flatMap((s) => (s.doneAt === null ? workedAt(s) : [])))
    .filter((w) => w.toMs > Math.max(w.fromMs, plan.nowMs))
    .sort((a, b) => a.fromMs - b.fromMs);
  const merged: { fromMs: number; toMs: number }[] = [];
  for (const { fromMs, toMs } of all) {
    const last = merged.at(-1);
    if (last && fromMs <= last.toMs) last.toMs = Math.max(last.toMs, toMs);
    else merged.push({ fromMs, toMs });
  }
  return merged.map((w) => ({ ...w, jobId: job.id, job: jobName(job) }));
}

/** Kits a job takes from the shelf, less what it has fetched already. */
function kitsOff(of: InYard, plan: JobPlan): readonly Promised[] {
  const { job } = of;
  const told = toldOf(of);
  return plan.kits().flatMap(({ takes, needs }) =>
    takes.flatMap(({ stockId, take: all }): Promised[] => {
      const take = all - told.reduce((n, { taken }) => n + (taken.get(stockId) ?? 0), 0);
      const atMs = Math.min(...needs.map((n) => n.fromMs));
      return take > 0 ? [{ stockId, take, jobId: job.id, job: jobName(job), atMs }] : [];
    }),
  );
}

/** What is asked of the jobs of the yard. */
export interface YardAsk<J extends InYard> {
  readonly jobs: readonly J[];
  /** Sheets of which a lot stands on the shelf. */
  readonly onShelf: ReadonlySet<string>;
  /** A job as it is planned with what those before it take. */
  readonly plan: (of: J, before: JobsBefore) => JobPlan;
}

/** A job that cannot be planned takes nothing of the others: what is wrong with it is told where it is shown. */
function planOf(plan: () => JobPlan): JobPlan | null {
  try {
    return plan();
  } catch {
    return null;
  }
}

/**
 * Goes through the jobs in turn, each planned round those before it.
 * @param until the first that is asked for; null for all of them
 * @returns what those before it take; of all, what they take of the shelf
 */
function goThrough<J extends InYard>({ jobs, onShelf, plan }: YardAsk<J>, until: J | null): JobsBefore {
  const away: (Away & { readonly crew: string })[] = [];
  const promised: Promised[] = [];
  for (const of of jobsInTurn(jobs)) {
    const crew = crewOf(of.job);
    const before = { away: away.filter((a) => a.crew === crew), promised: [...promised] };
    if (of === until) return before;
    const planned = planOf(() => plan(of, before));
    if (!planned) continue;
    if (crew !== null) away.push(...hoursAt(of, planned).map((a) => ({ ...a, crew })));
    if ([...sheetsOf(of)].some((id) => onShelf.has(id))) promised.push(...kitsOff(of, planned));
  }
  return { away, promised };
}

/** What the jobs that go before one take of its crew’s hours and of the shelf; of jobs that share neither, nothing. */
export function jobsBefore<J extends InYard>(of: J, { jobs, onShelf, plan }: YardAsk<J>): JobsBefore {
  const others = jobs.filter((o) => o !== of && o.job.id !== of.job.id && isOpen(o));
  if (!others.length || !isOpen(of)) return NONE_BEFORE;
  const group = linked(of, others, onShelf);
  return group.length < 2 ? NONE_BEFORE : goThrough({ jobs: group, onShelf, plan }, of);
}

/** What all open jobs take of the shelf, in turn. */
export const promisedBy = <J extends InYard>(ask: YardAsk<J>): readonly Promised[] =>
  goThrough({ ...ask, jobs: ask.jobs.filter(isOpen) }, null).promised;

/** Kits of a lot that a job before this one takes, by the lot’s name. */
export interface ToOthers extends Promised {
  readonly lot: string;
  readonly kitId: string;
}

/** What of the lots of a system goes to other jobs first. */
export const promisedOf = (
  { plan }: { readonly plan: JobPlan },
  { lots }: Pick<SystemKits, 'lots'>,
): readonly ToOthers[] =>
  plan.before.promised.flatMap((p) => {
    const mine = lots.find((l) => l.id === p.stockId);
    return mine ? [{ ...p, lot: mine.lot, kitId: mine.kitId }] : [];
  });
