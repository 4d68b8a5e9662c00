import { dequal } from 'dequal';
import {
  ABRADE,
  ABRADE_SET,
  CLEAN_AGAIN,
  DRY_AGAIN,
  type FaceAgain,
  type Method,
  RENEWS,
  STAGES,
  type StepContext,
  type StepDraft,
  stepFrom,
  stepId,
  type TaskRow,
} from '../method';
import { type Binder, FAMILIES } from '../system';
import type { Actuals, FaceAgainAt } from './actuals';
import { again } from './again';
import { upTo } from './pass-clocks';

/** What is done to a face again; of what is mixed with water nothing has to set before it comes off. */
const ROWS: Readonly<Record<FaceAgain, { readonly row: TaskRow; readonly of?: Partial<Record<Binder, TaskRow>> }>> = {
  dry: { row: DRY_AGAIN },
  clean: { row: CLEAN_AGAIN },
  abrade: { row: ABRADE_SET, of: { cement: CLEAN_AGAIN, water: CLEAN_AGAIN } },
};

/** The latest attempt at a step that was done by an instant; null where none was. */
function attemptBy(d: StepDraft, { done }: Pick<Actuals, 'done'>, atMs: number): number | null {
  let last: number | null = null;
  for (let attempt = 1; attempt <= d.key.attempt; attempt++) {
    const doneMs = done.get(stepId({ ...d.key, attempt }));
    if (doneMs !== undefined && doneMs <= atMs) last = attempt;
  }
  return last;
}

/** Batches that were in their place by an instant. */
const placedBy = (drafts: readonly StepDraft[], actuals: Actuals, atMs: number): ReadonlySet<number> =>
  new Set(
    drafts.flatMap((d) =>
      d.batch !== undefined && d.marks?.end?.includes('placed') && attemptBy(d, actuals, atMs) !== null
        ? [d.batch]
        : [],
    ),
  );

/** The primers that lay open when a face was spoiled: done, and what goes on them not in its place. */
export const openPrimers = (
  drafts: readonly StepDraft[],
  actuals: Actuals,
  { atMs }: Pick<FaceAgainAt, 'atMs'>,
): readonly { readonly prime: StepDraft; readonly attempt: number }[] => {
  const placed = placedBy(drafts, actuals, atMs);
  const allPlaced = drafts.every((d) => !d.marks?.end?.includes('placed') || placed.has(d.batch ?? 0));
  return drafts.flatMap((prime) => {
    const covered = prime.batch === undefined ? allPlaced : placed.has(prime.batch);
    if (prime.role !== 'prime' || covered) return [];
    const attempt = attemptBy(prime, actuals, atMs);
    return attempt === null ? [] : [{ prime, attempt }];
  });
};

/**
 * What makes a face good again before anything more is placed on it. What is abraded waits until what was wet has set:
 * the primer, which stays in the plan as it was done, or what was placed.
 * @param drafts as they are attempted now; o.first the same as they were planned
 */
export function facedAgain(
  drafts: readonly StepDraft[],
  method: Method,
  c: StepContext,
  o: { readonly actuals: Actuals; readonly first: readonly StepDraft[] },
): readonly StepDraft[] {
  const { actuals, first } = o;
  return actuals.preparedAgain.flatMap((spoiled, i): readonly StepDraft[] => {
    const primers = openPrimers(drafts, actuals, spoiled);
    const stepOf = (row: TaskRow): StepDraft =>
      stepFrom(method, row, { ...c, batch: null }, { task: row.task, batch: null, attempt: i + 2 });
    if (!spoiled.face) return [DRY_AGAIN, ...(primers.length ? [ABRADE] : [])].map(stepOf);
    // Brushed on again since: as it was done first it stands before what is done about it.
    const lost = primers.flatMap(({ prime, attempt }): StepDraft[] => {
      const planned = first.find((d) => dequal({ ...d.key, attempt: 1 }, { ...prime.key, attempt: 1 }));
      if (!planned || prime.key.attempt === attempt) return [];
      return [attempt === 1 ? planned : again(planned, attempt)];
    });
    // Of what was placed then that alone has to set which lies there still.
    const lies = new Set(
      drafts.flatMap((d) => (actuals.done.has(d.id) && d.marks?.end?.includes('placed') ? (d.batch ?? []) : [])),
    );
    const wet = lost.length
      ? [...new Set(lost.map((p) => p.batch ?? 0))]
      : [...placedBy(drafts, actuals, spoiled.atMs)].filter((b) => lies.has(b));
    const rows = spoiled.face.map((face) => ROWS[face].of?.[FAMILIES[c.sheet.family].binder] ?? ROWS[face].row);
    const faces = rows.map(stepOf).flatMap((d): StepDraft[] => {
      if (!d.waitFor) return [d];
      // Nothing lies there that would have to set.
      return wet.length ? [{ ...d, waitFor: { ...d.waitFor, batches: wet } }] : [];
    });
    return [...lost, ...faces];
  });
}

/** A primer that was spoiled before anything was placed on it is brushed on again. */
export const primersAgain = (attempts: readonly StepDraft[], actuals: Actuals): readonly StepDraft[] =>
  actuals.preparedAgain.reduce<readonly StepDraft[]>((now, spoiled) => {
    if (!spoiled.primer) return now;
    const open = openPrimers(now, actuals, spoiled).filter(({ prime, attempt }) => prime.key.attempt === attempt);
    return now.map((d) => (open.some(({ prime }) => prime === d) ? again(d, d.key.attempt + 1) : d));
  }, attempts);

/** A step on a face that was abraded right before: the window to go on it as it was is no matter any more. */
function onAbraded(d: StepDraft): StepDraft {
  if (!d.within || !RENEWS[d.within.kind]) return d;
  const { within: _, ...rest } = d;
  return rest;
}

/** The steps that come after a face was made good again, those of the next batch on it. */
export function afterFaces(steps: readonly StepDraft[], faces: readonly StepDraft[]): readonly StepDraft[] {
  if (!faces.some((d) => d.key.task === ABRADE_SET.task)) return steps;
  return steps.map((d) => (d.key.batch === steps[0]!.key.batch ? onAbraded(d) : d));
}

/** A step once more for one batch alone: it closes, waits and is late by that. */
function forBatch(d: StepDraft, batch: number, topUp: number): StepDraft {
  const batches = [batch];
  return again(
    {
      ...d,
      key: { ...d.key, task: `${d.key.task}:set`, attempt: 1 },
      joint: batches,
      ...(d.within ? { within: { ...d.within, batches } } : {}),
      ...(d.waitFor ? { waitFor: { ...d.waitFor, batches } } : {}),
    },
    topUp + 2,
  );
}

/**
 * What is mixed besides and goes on once what lies there has set: that is covered and left meanwhile, as it was
 * planned; then it is abraded, and what goes on it closed and held by itself.
 */
export function onceSet(
  steps: readonly StepDraft[],
  method: Method,
  c: StepContext,
  { toppedOnceSet, topUpsMl }: Actuals,
): readonly StepDraft[] {
  return [...toppedOnceSet].reduce((now, topUp) => {
    const batch = c.batches.length - topUpsMl.length + topUp;
    const mine = now.filter((d) => d.key.batch === batch);
    const others = now.filter((d) => d.key.batch !== batch);
    const at = others.findLastIndex((d) => STAGES.indexOf(d.stage) <= STAGES.indexOf('hold')) + 1;
    if (!mine.length || at === 0) return now;
    const abraded = stepFrom(method, ABRADE_SET, { ...c, batch: null }, { task: ABRADE_SET.task, batch, attempt: 1 });
    const left = others.filter(
      (d) => (d.role === 'close' || d.stage === 'hold') && d.key.batch === null && d.part === undefined,
    );
    const set = [
      { ...abraded, waitFor: { ...abraded.waitFor!, batches: upTo(batch - 1) } },
      ...mine.map(onAbraded),
      ...left.map((d) => forBatch(d, batch, topUp)),
    ];
    const block = `work/set ${topUp + 1}`;
    return [...others.slice(0, at), ...set.map((d) => ({ ...d, block })), ...others.slice(at)];
  }, steps);
}
