import { DULL, type Method, type StepContext, type StepDraft, stepFrom } from '../method';
import { texts } from '../say';
import type { MilestoneId } from '../system';
import { GATES, isTied, SET_ENOUGH } from './gates';
import type { Laying } from './lay-ask';
import type { Piece } from './repair';

/** The gate to the pass below stands before the first of the wet work. */
export function gated(drafts: readonly StepDraft[], { gate }: Piece, below: Laying | null): readonly StepDraft[] {
  if (!below) return drafts;
  const { from: first, orElse, until, waitsAll } = GATES[gate];
  // A time of one's own for what is missing stands before a later one of the sheet.
  const told = (kind: MilestoneId) => below.has(kind) || below.chosen(kind);
  const later = first && orElse && !told(first) ? orElse.find((kind) => below.has(kind)) : undefined;
  const from = later ?? first;
  const insteadOf = later && first ? { insteadOf: first } : {};
  const wet = drafts.findIndex((d) => d.role === 'mix' || d.role === 'prime' || d.role === 'place');
  const dulls = drafts[0]?.key.task === DULL.task;
  // What is done right before it, without a break, waits with it.
  let at = waitsAll || dulls ? 0 : wet;
  while (at > 0 && drafts[at - 1]!.block === drafts[wet]!.block) at--;
  return drafts.map((d, i) => (i === at ? { ...d, gate: { from, until, ...insteadOf } } : d));
}

/** What a pass finds on the face of the one below, and nothing of that one takes off: its gloss, or a greasy film. */
export type Found = 'gloss' | 'film';

const FOUND = texts('found', {
  film: '{detail} A greasy film may have come on what lies there: where water beads or it feels soapy, wash it off with warm water and a pad, let it dry, and abrade it dull first.',
});

/**
 * What is done before a pass goes on such a face: its gloss is taken off; whether there is a film, which may come in
 * the cold or damp, is seen on the spot.
 */
export function onFound(
  drafts: readonly StepDraft[],
  found: Found,
  method: Method,
  context: StepContext,
): readonly StepDraft[] {
  const [first, ...rest] = drafts;
  if (found === 'film') return first ? [{ ...first, detail: FOUND.film({ detail: first.detail }) }, ...rest] : drafts;
  const dull = stepFrom(method, DULL, { ...context, batch: null }, { task: DULL.task, batch: null, attempt: 1 });
  return [{ ...dull, block: 'prep' }, ...drafts];
}

/** From when the face of the pass below bears a hand, where its sheet, or what stands in for it, tells. */
export const bearsFrom = (below: Laying | null, on: Piece): MilestoneId | null =>
  (below && isTied(on) && SET_ENOUGH.find((kind) => below.has(kind) || below.chosen(kind))) || null;

/**
 * What is prepared on a pass waits until nothing sticks to it any more, where the sheet says when: nobody sands beside a
 * fresh pour, and nobody masks, wipes or lays a probe on what is wet.
 * @param throwsOnly as it was: what throws neither dust nor water went ahead
 */
export function dustFree(
  drafts: readonly StepDraft[],
  from: MilestoneId | null,
  throwsOnly: boolean,
): readonly StepDraft[] {
  const gate = drafts.findIndex((d) => d.gate);
  let at = drafts.findIndex((d) => d.throws !== undefined || !throwsOnly);
  if (!from || at < 0 || at >= gate) return drafts;
  // What is done without a break waits as one.
  while (at > 0 && drafts[at - 1]!.block === drafts[at]!.block) at--;
  return drafts.map((d, i) => (i === at ? { ...d, gate: { from, until: null } } : d));
}
