import type { StepDraft } from '../method';
import { type Said, texts } from '../say';
import {
  clockOf,
  isMetered,
  LAID_OVER_TIME,
  MILESTONES,
  type Milestone,
  type MilestoneId,
  milestoneKind,
  milestoneOf,
  type SheetRevision,
  type StartId,
} from '../system';
import { type MilestoneTime, milestoneTime, type Named, type PotShare } from './milestone-times';
import { laterBy, soonerBy } from './over-last';
import type { Ask, AskedSide, ReachTry } from './reach-try';
import type { RepairAsk } from './repair-plan';
import type { PlanStop, StandIn } from './stand-in';

const CLOCKS = texts('pass-clocks', {
  'no-time': 'The sheet of {sheet} gives no time for {label}.',
});

const MIN_MS = 60_000;
/** Spots of what is laid over time that are looked at, so far apart. */
const SPOT_MS = 10 * MIN_MS;
/** What is over with a mix that is ready. */
const MIXED = ['mix-begins', 'mix-ends', 'stand-ends'] as const satisfies readonly StartId[];

/** When something happened to a batch: at its first spot, and when the last was done. */
interface Mark {
  readonly firstMs: number;
  readonly lastMs: number;
}
/** Written into as the work is laid out, read by nobody else. */
type Marks = Partial<Record<StartId, Mark>>;

/** A batch, or one of several like parts of it. */
export interface Spot {
  readonly batch: number;
  readonly part?: number;
}

/** A wait before a step: its end, or why there is none. */
export interface Wait {
  readonly atMs: number | null;
  readonly by: 'sheet' | StandIn['by'];
  readonly why: Said;
}

/** What the clocks of a pass run on. */
export interface ClockAsk {
  readonly ask: RepairAsk;
  readonly sheet: SheetRevision;
  readonly reachOf: Ask;
  readonly shares: readonly PotShare[];
}

/** The clocks of a pass: what happened to its batches, and what counts from that. */
export function clocksOf({ ask, sheet, reachOf, shares }: ClockAsk) {
  const { actuals, repair, thermal } = ask;
  const batches: Marks[] = [];
  const fresh = isMetered(sheet.kind);
  /** Of the parts of each batch; of what is prepared for no batch yet, by part alone. */
  const parts = new Map<number, Marks>();
  const ofBatch: Map<number, Marks>[] = [];
  const partsIn = (batch: number): readonly number[] => [...(ofBatch[batch]?.keys() ?? [])];
  /** The last thing that happened to a batch: nothing that cures counts from later. */
  const latest = (batch: number): number | null => {
    let last: number | null = null;
    for (let b = 0; b <= batch; b++)
      for (const { lastMs } of Object.values(batches[b] ?? {})) if (last === null || lastMs > last) last = lastMs;
    return last;
  };
  const markOf = (start: StartId, { batch, part }: Spot): Mark | undefined =>
    part === undefined
      ? batches[batch]?.[start]
      : (ofBatch[batch]?.get(part)?.[start] ?? parts.get(part)?.[start] ?? batches[batch]?.[start]);
  const originOf = (m: Milestone, spot: Spot): number | null => {
    const { clock, firstSpot } = milestoneKind(m.kind);
    let found: number | null = null;
    if (clock === 'waiting')
      // A wait from a moment that this method does not have counts from the last one it has; of what has no time it has
      // none.
      found = batches[spot.batch]
        ? (markOf(m.startsAt, spot)?.[firstSpot ? 'firstMs' : 'lastMs'] ?? latest(spot.batch))
        : null;
    // A mark that only an earlier batch made (the primer) serves the later ones too, once they are planned at all.
    else if (batches[spot.batch] || spot.part !== undefined)
      for (let b = spot.batch; b >= 0 && found === null; b--)
        found = markOf(m.startsAt, { ...spot, batch: b })?.[firstSpot ? 'firstMs' : 'lastMs'] ?? null;
    const restart = actuals.holdRestartedAt;
    const held = m.startsAt === 'placed' || m.startsAt === 'faces-closed' || m.startsAt === 'last-coat';
    return found !== null && restart !== null && held && restart > found && clock === 'waiting' ? restart : found;
  };
  /**
   * From where a clock may count: of what is laid over time a wait counts from its last spot and a working time from
   * its first, but in bands, where a warm hour overtakes a cold one, from any of its spots.
   */
  const originsOf = (m: Milestone, spot: Spot): readonly (number | null)[] => {
    const origin = originOf(m, spot);
    const mark = origin === null || m.table.form !== 'bands' ? null : markOf(m.startsAt, spot);
    if (!mark || mark.firstMs >= mark.lastMs || (origin !== mark.firstMs && origin !== mark.lastMs)) return [origin];
    const n = Math.ceil((mark.lastMs - mark.firstMs) / SPOT_MS);
    return upTo(n).map((k) => (k === n ? mark.lastMs : mark.firstMs + ((mark.lastMs - mark.firstMs) * k) / n));
  };
  const timeOf = (m: Milestone, spot: Spot, named: Named): MilestoneTime =>
    originsOf(m, spot)
      .map((originMs) => timeFrom(m, spot, named, originMs))
      .reduce((clockOf(m) === 'waiting' && !milestoneKind(m.kind).byFirst ? laterBy : soonerBy)((t) => t.planMs));
  const timeFrom = (m: Milestone, spot: Spot, named: Named, originMs: number | null): MilestoneTime =>
    milestoneTime(sheet, m, {
      originMs,
      ...named,
      thermal,
      ask: reachOf,
      ...(m.kind === 'use-by' && shares[spot.batch] ? { pot: shares[spot.batch] } : {}),
      passId: repair.passId,
    });
  // Laying out needs the planning end alone; words and ranges are made once, at the end.
  const tryReach = (kind: MilestoneId, spot: Spot, side?: AskedSide): ReachTry | null => {
    const m = milestoneOf(sheet, kind);
    const origin = m ? originOf(m, spot) : null;
    if (!m || origin === null) return null;
    const waits = side === undefined && clockOf(m) === 'waiting';
    const found = originsOf(m, spot)
      .map((from) => reachOf(m, side ?? (waits ? 'long' : 'short'), from!))
      .reduce((waits ? laterBy : soonerBy)((t) => t.atMs));
    return found.atMs === null || kind !== 'use-by'
      ? found
      : { ...found, atMs: origin + (found.atMs - origin) * (shares[spot.batch]?.share ?? 1) };
  };
  /**
   * Of batches that are waited for those that may be over last. What began later is over later, but in bands: there a
   * warm hour overtakes a cold one.
   */
  const lastOf = (kind: MilestoneId, batches: readonly number[]): readonly number[] => {
    const m = milestoneOf(sheet, kind);
    if (!m || m.table.form === 'bands' || batches.length < 2) return batches;
    const from = batches.map((batch) => originOf(m, { batch }));
    return from.includes(null) ? batches : [batches[from.indexOf(Math.max(...from.map((ms) => ms!)))]!];
  };
  /** End of a wait by the sheet alone, the last of its batches. */
  const waitBySheet = (kind: MilestoneId, batches: readonly number[]): Wait => {
    const tries = lastOf(kind, batches).map((batch) => tryReach(kind, { batch }));
    const failed = tries.find((t) => t === null || t.atMs === null);
    if (failed === undefined) return { atMs: Math.max(...tries.map((t) => t!.atMs!)), by: 'sheet', why: '' };
    const label = MILESTONES[kind].label.toLowerCase();
    const why = failed?.problem ?? CLOCKS['no-time']({ sheet: sheet.name, label });
    return { atMs: null, by: 'sheet', why };
  };
  const waitOf = (kind: MilestoneId, batches: readonly number[]): Wait => {
    const bySheet = waitBySheet(kind, batches);
    const standIn = repair.standIns[kind];
    if (bySheet.atMs !== null || !standIn) return bySheet;
    if (standIn.by === 'later') {
      const later = waitBySheet(standIn.kind, batches);
      return { ...later, by: later.atMs === null ? 'sheet' : 'later' };
    }
    const from = latest(Math.max(...batches));
    return from === null ? bySheet : { atMs: from + standIn.minutes * MIN_MS, by: standIn.by, why: '' };
  };
  /**
   * The first of its batches that is over closes a window, by the short end: what is waited for elsewhere is a deadline
   * here.
   */
  const endOf = (kind: MilestoneId, batches: readonly number[], part?: number): number | null => {
    const known = batches
      .flatMap((batch) => spotsIn(batch, part))
      .flatMap((spot) => tryReach(kind, spot, 'deadline')?.atMs ?? []);
    return known.length ? Math.min(...known) : null;
  };
  /** One part of a batch, or all it has. */
  const spotsIn = (batch: number, part?: number): readonly Spot[] => {
    if (part !== undefined) return [{ batch, part }];
    const all = partsIn(batch);
    return all.length ? all.map((p) => ({ batch, part: p })) : [{ batch }];
  };
  const stopAt = (draft: StepDraft, kind: MilestoneId, batches: readonly number[], why: Said): PlanStop => {
    const { label, later = [], touch = false } = milestoneKind(kind);
    return {
      step: { id: draft.id, title: draft.title },
      passId: repair.passId,
      kind,
      label,
      why,
      later: later.flatMap((k) => {
        const { atMs } = waitBySheet(k, batches);
        return atMs === null ? [] : [{ kind: k, label: MILESTONES[k].label, atMs }];
      }),
      touch,
    };
  };
  /** What a batch has is what its parts have: from the first of them to the last. */
  const together = (batch: number, start: StartId): Mark => {
    const all = [...ofBatch[batch]!.values()].flatMap((p) => p[start] ?? []);
    return { firstMs: Math.min(...all.map((m) => m.firstMs)), lastMs: Math.max(...all.map((m) => m.lastMs)) };
  };
  const mark = (draft: StepDraft, which: 'begin' | 'end', begunMs: number, lastMs: number, lastBatch: number) => {
    const { part, batch } = draft;
    // What comes out of a mixer is mixed as it is pressed: each part has a pot of its own, as it were.
    if (
      which === 'begin' &&
      fresh &&
      part !== undefined &&
      batch !== undefined &&
      draft.marks?.end?.includes('placed')
    ) {
      ofBatch[batch] ??= new Map();
      const pressed = Object.fromEntries(MIXED.map((start) => [start, { firstMs: begunMs, lastMs: begunMs }]));
      ofBatch[batch].set(part, { ...ofBatch[batch].get(part), ...pressed });
    }
    for (const start of draft.marks?.[which] ?? []) {
      const made: Mark = { firstMs: LAID_OVER_TIME.has(start) ? begunMs : lastMs, lastMs };
      if (part !== undefined && draft.batch === undefined) {
        parts.set(part, { ...parts.get(part), [start]: made });
        continue;
      }
      // Closing the joint closes it for every batch that lies in it.
      const closed = draft.marks?.closesAll ? (draft.joint ?? upTo(lastBatch)) : [draft.batch ?? lastBatch];
      for (const b of closed) {
        batches[b] ??= {};
        if (part === undefined) batches[b][start] = made;
        else {
          ofBatch[b] ??= new Map();
          ofBatch[b].set(part, { ...ofBatch[b].get(part), [start]: made });
          batches[b][start] = together(b, start);
        }
      }
    }
  };
  /** How long a wait lasts that begins at an instant, ms; null where the sheet has no such time. */
  const lasts = (kind: MilestoneId, fromMs: number): number | null => {
    const m = milestoneOf(sheet, kind);
    const atMs = m ? reachOf(m, 'long', fromMs).atMs : null;
    return atMs === null ? null : atMs - fromMs;
  };
  /** The soonest that any tier of the sheet lets a wait end, whatever the humidity; null where it knows no tiers. */
  const soonestOf = (kind: MilestoneId, batches: readonly number[]): number | null => {
    const printed = ask.sheet && milestoneOf(ask.sheet, kind);
    if (printed?.table.form !== 'tiers') return null;
    const from = batches.flatMap((batch) => originOf(printed, { batch }) ?? []);
    return from.length ? Math.max(...from) + Math.min(...printed.table.tiers.map((t) => t.fromMin)) * MIN_MS : null;
  };
  return { timeOf, waitOf, endOf, stopAt, mark, partsIn, lasts, soonestOf };
}

export type Clocks = ReturnType<typeof clocksOf>;

/** Numbers from 0. */
export const upTo = (n: number): readonly number[] => Array.from({ length: n + 1 }, (_, i) => i);
