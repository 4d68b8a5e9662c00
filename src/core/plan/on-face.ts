import { ENGINES, type Method, type StepDraft } from '../method';
import type { MilestoneId } from '../system';
import { type Actuals, plansBy } from './actuals';
import { filmOn, HARD_AT_LEAST_MS, HARD_BY } from './film';
import type { Found } from './gated';
import { GATES, liesOn } from './gates';
import type { Laying } from './lay-ask';
import type { PassPlace, ReadyPass } from './plan-pass';
import type { Piece } from './repair';
import type { RepairAsk } from './repair-plan';

/**
 * From this version of the core on a face is freed, ground, swept and trimmed before another pass lies on it, and
 * nobody masks or reads it while it is wet.
 */
const BY_FACE = [0, 39] as const;

/** Whether what is done on the set face of a pass comes before what lies on it. */
export const isBefore = ({ gate }: Piece, { onFace }: StepDraft, actuals: Actuals): boolean =>
  plansBy(BY_FACE, actuals)
    ? onFace === 'always' || ((onFace === 'set' || onFace === 'freed') && GATES[gate].abraded === true)
    : onFace !== undefined && GATES[gate].abraded === true;

/** Whether it is left out for what lies on it: that covers it as it is. */
export const isCovered = ({ gate }: Piece, { onFace }: StepDraft, actuals: Actuals): boolean =>
  plansBy(BY_FACE, actuals) && (onFace === 'top' || (onFace === 'set' && !GATES[gate].abraded));

/** What is kept off the face of a pass until it bears it. */
export const keptOff = ({ engine }: Method, actuals: Actuals): PassPlace['keepsOff'] =>
  plansBy(BY_FACE, actuals) ? 'all' : ENGINES[engine].liesOpen === 'set' ? 'dust' : null;

/**
 * Whether a pass goes on a set face of which nothing takes the gloss.
 * @param finish what is done on the face of the pass below once it has set
 */
const isGlossy = (next: Piece, finish: readonly StepDraft[], actuals: Actuals): boolean =>
  plansBy(BY_FACE, actuals) &&
  GATES[next.gate].abraded === true &&
  !finish.some((d) => d.onFace !== 'freed' && isBefore(next, d, actuals));

/** The pass below, as far as it is laid out. */
interface LaidBelow {
  readonly ask: Pick<RepairAsk, 'repair' | 'thermal'>;
  readonly ready: Pick<ReadyPass, 'sheet' | 'finish'> | null;
  readonly laying: Pick<Laying, 'placedMs' | 'topBatches' | 'waitOf'> | null;
}

/** From this version of the core on the plan says where a film is to be looked for. */
const BY_FILM = [0, 40] as const;
/** Gates by which a pass goes on one that is hard, or nearly: by then the film is there. */
const HARD_FROM: ReadonlySet<MilestoneId | null> = new Set(['recoat-from', 'next-lift', 'foot', 'sandable']);

/**
 * Whether a pass goes on a face that a greasy film may have come on, and nothing of the pass below grinds or sands it
 * off.
 */
function isFilmed(next: Piece, below: LaidBelow, actuals: Actuals): boolean {
  const { laying, ready, ask } = below;
  if (!plansBy(BY_FILM, actuals) || !HARD_FROM.has(GATES[next.gate].from)) return false;
  if (!laying || !ready || laying.placedMs === null) return false;
  if (ready.finish.some((d) => d.throws !== undefined && isBefore(next, d, actuals))) return false;
  const hard = HARD_BY.flatMap((kind) => laying.waitOf(kind, laying.topBatches).atMs ?? []);
  return (
    filmOn(ready.sheet, ask.thermal, {
      fromMs: laying.placedMs,
      untilMs: hard[0] ?? laying.placedMs + HARD_AT_LEAST_MS,
    }) !== null
  );
}

/** What a pass finds on the face of the one below that nothing takes off before it; null where it is neither. */
export function foundOn(next: Piece, below: LaidBelow | null, actuals: Actuals): Found | null {
  if (!below?.ready || GATES[next.gate].through || !liesOn(next, below.ask.repair.passId)) return null;
  if (isGlossy(next, below.ready.finish, actuals)) return 'gloss';
  return isFilmed(next, below, actuals) ? 'film' : null;
}
