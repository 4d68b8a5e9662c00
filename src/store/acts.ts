import { type Change, carryOver, changesBetween, inverse } from '@/core/record';
import type { Draft } from './outbox';
import type { DraftKind } from './write';

/** One thing done to one draft. */
export type SingleAct =
  | { readonly does: 'change'; readonly kind: DraftKind; readonly id: string; readonly changes: readonly Change[] }
  | { readonly does: 'add'; readonly kind: DraftKind; readonly draft: Draft }
  | { readonly does: 'remove'; readonly kind: DraftKind; readonly draft: Draft };

/** One thing done by this tab's hand, as it can be taken back: of one draft, or of several at once. */
export type Act = SingleAct | { readonly does: 'several'; readonly acts: readonly SingleAct[] };

export interface History {
  readonly past: readonly Act[];
  readonly future: readonly Act[];
}
export const NO_HISTORY: History = { past: [], future: [] };

const DEPTH = 200;

/** The act that takes an act back. */
export const opposite = (act: Act): Act =>
  act.does === 'several' ? { ...act, acts: act.acts.map(oppositeOf).reverse() } : oppositeOf(act);

const oppositeOf = (act: SingleAct): SingleAct =>
  act.does === 'change'
    ? { ...act, changes: inverse(act.changes) }
    : { ...act, does: act.does === 'add' ? 'remove' : 'add' };

/** Ids of the drafts an act is about. */
export const touched = (act: Act): readonly string[] =>
  (act.does === 'several' ? act.acts : [act]).map((a) => (a.does === 'change' ? a.id : a.draft.id));

/** Remembers an act; one of the same kind in quick succession becomes one with the last. */
export function remember({ past }: History, act: Act, joins: boolean): History {
  const last = past.at(-1);
  if (!joins || !last || last.does !== 'change' || act.does !== 'change' || last.id !== act.id)
    return { past: [...past, act].slice(-DEPTH), future: [] };
  return { past: [...past.slice(0, -1), { ...last, changes: joined(last.changes, act.changes) }], future: [] };
}

/** Two rows of changes as one: of a field changed twice, the first reading and the last wish. */
function joined(first: readonly Change[], second: readonly Change[]): readonly Change[] {
  const key = (c: Change) => JSON.stringify(c.path);
  const under = (a: Change, b: Change) => a.path.length < b.path.length && a.path.every((p, i) => p === b.path[i]);
  // A change deeper or wider than the other cannot be folded into it: they stand one after the other.
  if (second.some((s) => first.some((f) => under(f, s) || under(s, f)))) return [...first, ...second];
  const wishes = new Map(second.map((c) => [key(c), c]));
  const kept = first.map((f) => ({ ...f, after: wishes.has(key(f)) ? wishes.get(key(f))!.after : f.after }));
  const known = new Set(first.map(key));
  return [...kept, ...second.filter((c) => !known.has(key(c)))];
}

/**
 * A change made to a draft only if all of it still reads as it was left.
 * @returns null where another hand has been at it since
 */
export function redone<T extends Draft>(draft: T, changes: readonly Change[]): T | null {
  let now = draft;
  for (const change of changes) {
    const { record, unfit } = carryOver(now, [change]);
    if (unfit.length) return null;
    now = record;
  }
  return changesBetween(draft, now).length ? now : draft;
}
