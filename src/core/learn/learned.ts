import { factorsOf, type Method } from '../method';
import { type Event, type RepairView, standingEvents } from '../record';
import { type Estimate, estimateOf, type Prior } from './estimate';
import { isRate, type Lesson, type Seen, seenIn } from './observe';

/** How far crews, materials and sheets are thought to lie apart before any record says so. */
const PRIORS: Readonly<Record<Lesson, Prior>> = {
  minutes: { spread: 1.5 },
  material: { spread: 1.2 },
  clock: { spread: 1.3 },
  loss: { spread: 2 },
  yield: { spread: 1.15 },
  tool: { spread: 1.2 },
};

/** A ratio that was learned, and from which repairs. */
export interface Learned {
  readonly lesson: Lesson;
  readonly methodId: string;
  readonly of: string | null;
  readonly estimate: Estimate;
  readonly seen: readonly Seen[];
}

/** A note left for the next like repair. */
export interface NoteLeft {
  readonly methodId: string;
  readonly repairId: string;
  readonly repairName: string;
  readonly text: string;
  readonly role: string;
  readonly atMs: number;
}

/** All that the records of a crew say. */
export interface Lessons {
  readonly learned: readonly Learned[];
  readonly notes: readonly NoteLeft[];
  /** Repairs that something was learned from. */
  readonly repairs: number;
}

/** Lessons that are of a tool or a system, whatever it was used for. */
const OF_ANY_METHOD: ReadonlySet<Lesson> = new Set(['loss', 'yield', 'tool']);
const keyOf = ({ lesson, methodId, of }: Pick<Seen, 'lesson' | 'methodId' | 'of'>): string =>
  `${lesson}|${OF_ANY_METHOD.has(lesson) ? '' : methodId}|${of ?? ''}`;

/** Gathers what was seen by what it is about, and says what it comes to. */
export function learnedFrom(seen: readonly Seen[]): readonly Learned[] {
  const by = new Map<string, Seen[]>();
  for (const s of seen) {
    const mine = by.get(keyOf(s));
    if (mine) mine.push(s);
    else by.set(keyOf(s), [s]);
  }
  return [...by.values()].flatMap((mine): Learned[] => {
    const { lesson, methodId, of } = mine[0]!;
    const estimate = estimateOf(
      mine.map((s) => s.observation),
      PRIORS[lesson],
    );
    return estimate ? [{ lesson, methodId, of, estimate, seen: mine }] : [];
  });
}

/** What records say, from the views of all repairs and their events. */
export function lessonsOf(views: readonly RepairView[], events: readonly Event[]): Lessons {
  const by = new Map<string, Event[]>();
  for (const e of events) {
    const mine = by.get(e.jobId);
    if (mine) mine.push(e);
    else by.set(e.jobId, [e]);
  }
  const seen = views.flatMap((v) => seenIn(v, by.get(v.repair.jobId) ?? []));
  const notes = views.flatMap((v): NoteLeft[] =>
    standingEvents(by.get(v.repair.jobId) ?? []).flatMap(({ body, role, at, repairId }) =>
      body.kind === 'lesson' && repairId === v.repair.id
        ? v.passes.map((p) => ({
            methodId: p.repair.method.id,
            repairId: v.repair.id,
            repairName: v.repair.name,
            text: body.text,
            role,
            atMs: at,
          }))
        : [],
    ),
  );
  return {
    learned: learnedFrom(seen),
    notes: notes.sort((a, b) => b.atMs - a.atMs),
    repairs: new Set(seen.map((s) => s.repairId)).size,
  };
}

/** What was learned of the minutes of a task; null where nothing was. */
export const minutesLearned = (lessons: Lessons, methodId: string, task: string): Learned | null =>
  lessons.learned.find((l) => l.lesson === 'minutes' && l.methodId === methodId && l.of === task) ?? null;

export const materialLearned = (lessons: Lessons, methodId: string): Learned | null =>
  lessons.learned.find((l) => l.lesson === 'material' && l.methodId === methodId) ?? null;

/** What stays in the pots of a system for this crew, and how far it goes. */
export const systemLearned = (lessons: Lessons, lesson: 'loss' | 'yield', systemId: string): Learned | null =>
  lessons.learned.find((l) => l.lesson === lesson && l.of === systemId) ?? null;

/** What voids whose doubt was decided by a tool really took. */
export const toolLearned = (lessons: Lessons, tool: string): Learned | null =>
  lessons.learned.find((l) => l.lesson === 'tool' && l.of === tool) ?? null;

export const clockLearned = (lessons: Lessons, systemId: string): Learned | null =>
  lessons.learned.find((l) => l.lesson === 'clock' && l.of === systemId) ?? null;

/** Two significant figures: a minute that was learned is no finer. */
const rounded = (v: number): number => Number(v.toPrecision(2));

/**
 * The figures of a method as its records have them: factors and rates of each task by what it took, rounded.
 * @param tasks only these; every task that something was learned of, unless said
 */
export function factorsLearned(
  lessons: Lessons,
  method: Method,
  tasks?: readonly string[],
): Readonly<Record<string, number>> {
  const out: Record<string, number> = {};
  for (const row of method.tasks) {
    const known = tasks && !tasks.includes(row.task) ? null : minutesLearned(lessons, method.id, row.task);
    if (!known) continue;
    const { ratio } = known.estimate;
    const rates = row.ladder ? ['takes-off'] : row.work.by ? [row.work.by.setting] : [];
    // What goes up a ladder has its minutes by how fast it comes off, not by a figure for all of it.
    const factors = row.ladder ? [] : factorsOf(method).filter((f) => f.task === row.task && f.byDefault > 0);
    for (const f of factors) out[f.id] = rounded(f.byDefault * ratio);
    // What hangs on the system is no figure of the method alone.
    for (const s of method.settings)
      if (rates.includes(s.id) && s.byDefault > 0 && !s.usual)
        out[s.id] = Math.min(s.max, Math.max(s.min, rounded(isRate(s) ? s.byDefault / ratio : s.byDefault * ratio)));
  }
  return out;
}
