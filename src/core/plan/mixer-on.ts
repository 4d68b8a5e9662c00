import { ENGINES, isFirstMixer, isOfBatch, type MixerOn, tubeMm } from '../method';
import { isMetered } from '../system';
import { plansBy } from './actuals';
import { repairName } from './named';
import type { PassAsk } from './plan-chain';
import type { ChainPlan, RepairPlan } from './repair-plan';

/** From this version of the core on places of several repairs are pressed out of one mixer. */
const BY_MIXER_ON = [0, 36] as const;
/** What a fresh mixer takes at most to be made ready, ms: without it the next place comes that much sooner. */
const READY_MS = 10 * 60_000;
const MIN_MS = 60_000;

/** A mixer as a repair leaves it on its pack. */
export interface LeftMixer extends MixerOn {
  readonly sheetId: string;
  /** It has a tube on. */
  readonly tube: boolean;
}

/** Whether a pass is pressed place by place out of packs. */
const isPressed = ({ method, sheet }: Pick<RepairPlan, 'method' | 'sheet'>): boolean =>
  method !== null && sheet !== null && ENGINES[method.engine].inRounds && isMetered(sheet.kind);

const pressings = ({ steps }: Pick<RepairPlan, 'steps'>) => steps.filter((s) => s.marks?.begin?.includes('mix-begins'));

const hasTube = ({ context }: RepairPlan): boolean => context !== null && tubeMm(context) > 0;

/** The mixer a repair leaves when its last place is pressed; null where it presses none. */
export function mixerLeft(plan: ChainPlan): LeftMixer | null {
  const pass = plan.passes.findLast(isPressed);
  const last = pass && pressings(pass).at(-1);
  if (!pass || !last) return null;
  const { id: repairId } = pass.piece;
  return {
    repairId,
    name: repairName(pass.piece),
    pressedMs: last.endMs,
    sheetId: pass.sheet!.id,
    tube: hasTube(pass),
  };
}

/** How long a mixer may stand by the clocks of a pass, ms: what its sheet says, else its working time. */
export function mixerStandsMs({ milestones, usableMin }: RepairPlan): number {
  const idle = milestones.find((m) => m.kind === 'idle' && m.planMs !== null && m.originMs !== null);
  return idle ? idle.planMs! - idle.originMs! : (usableMin ?? 0) * MIN_MS;
}

/**
 * The mixer a repair is pressed on with, where one is on that is still good when its first place comes: resin moves on
 * with every shot, whichever repair the hole is of.
 * @param plan the repair as it begins with a fresh one
 * @returns null where it has to begin with a fresh one
 */
export function mixerFor([first]: readonly PassAsk[], plan: ChainPlan, left: LeftMixer | null): MixerOn | null {
  const [pass] = plan.passes;
  if (!left || !first || !pass || !isPressed(pass) || pass.sheet!.id !== left.sheetId) return null;
  if (hasTube(pass) !== left.tube || !plansBy(BY_MIXER_ON, first.actuals)) return null;
  const { sheetId: _, tube: __, ...on } = left;
  const touched = [...first.actuals.begun.keys(), ...first.actuals.done.keys()];
  if (touched.some(isOfBatch)) return touched.some(isFirstMixer) ? null : on;
  return pauseIn(pass, left.pressedMs, mixerStandsMs(pass) + READY_MS) ? on : null;
}

/** Whether the first place of a pass is pressed after an instant, and no more than so much later. */
function pauseIn(pass: RepairPlan, pressedMs: number, mostMs: number): boolean {
  const first = pressings(pass)[0];
  return first !== undefined && first.startMs >= pressedMs && first.startMs - pressedMs <= mostMs;
}

/** Whether the mixer is still good when the first place of a repair that goes on with it is pressed. */
export function mixerBears(plan: ChainPlan, { pressedMs }: MixerOn): boolean {
  const pass = plan.passes[0]!;
  const first = pressings(pass)[0];
  if (first && (first.begunAt !== null || first.doneAt !== null)) return true;
  return pauseIn(pass, pressedMs, mixerStandsMs(pass));
}
