import { ENGINES, type Method, type StepDraft } from '../method';
import { type Actuals, plansBy } from './actuals';
import { GATES } from './gates';
import type { PassPlace } from './plan-pass';
import type { Piece } from './repair';

/**
 * From this version of the core on a face is freed, ground, swept and trimmed before another pass lies on it, and nobody
 * masks or reads it while it is wet.
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
export const isGlossy = (next: Piece, finish: readonly StepDraft[], actuals: Actuals): boolean =>
  plansBy(BY_FACE, actuals) &&
  GATES[next.gate].abraded === true &&
  !finish.some((d) => d.onFace !== 'freed' && isBefore(next, d, actuals));
