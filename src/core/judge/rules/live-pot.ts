import { befalls, TROUBLES } from '../../method';
import type { PlannedStep, RepairPlan } from '../../plan';
import { at, minutes, texts } from '../../say';
import { findings } from '../finding';
import type { JudgeContext, Rule } from './rule';

const F = findings({
  'pot-over': {
    severity: 'stop',
    stage: 'place',
    title: '{several, select, yes {The pot of batch {n} is over} other {The pot is over}}',
    why: 'It was good until {until}, and “{step}” is not ticked.',
    todo: 'What is still in it is out, however soft it feels: say so, and the rest is planned anew. What was in its place by then stays.',
  },
  'pot-waits': {
    severity: 'caution',
    stage: 'place',
    title:
      '{several, select, yes {The pot of batch {n} does not wait for that} other {The pot does not wait for that}}',
    why: 'It is good until {until}; “{step}” is planned to {end}, {over} later.',
    todo: 'Place what can be in its place by then, and no more; what is left is out.',
  },
});
const { placed: PLACED } = texts('finding.pot-over', { placed: 'All of it was in its place by then' });

/** What rounding leaves is not late, ms. */
const ROUNDED_MS = 2000;

/**
 * The step that puts the last of a pot in its place whose mixing has begun, as long as it is not done; of several, who
 * mixes while another places, that of the first.
 */
export function stepOfLivePot({ steps }: Pick<RepairPlan, 'steps'>): PlannedStep | null {
  for (const { batch, begunAt, marks } of steps) {
    if (begunAt === null || !marks?.begin?.includes('mix-begins')) continue;
    const placed = steps.findLast((s) => s.batch === batch && s.marks?.end?.includes('placed'));
    if (placed?.doneAt === null) return placed;
  }
  return null;
}

/** What it is called where a pot of that has died; undefined of what comes out of a mixer and has none. */
const deadPot = ({ plan: { method, sheet } }: JudgeContext) =>
  method && sheet ? TROUBLES.find((t) => t.ofDeadPot && befalls(t, method, sheet)) : undefined;

/** A pot that lives, or should. */
interface LivePot {
  /** What puts the last of it in its place. */
  readonly step: PlannedStep;
  readonly untilMs: number;
  /** Which trouble it is when it dies. */
  readonly trouble: string;
}

function livePot(c: JudgeContext): LivePot | null {
  const step = stepOfLivePot(c.plan);
  const untilMs = c.plan.milestones.find((m) => m.kind === 'use-by' && m.batch === step?.batch)?.planMs;
  const trouble = step && deadPot(c);
  return step && trouble && untilMs != null ? { step, untilMs, trouble: trouble.id } : null;
}

/**
 * Whether a step should have put a pot in its place that is over by now: only who was there knows whether it did, and
 * nothing else is told of its being late.
 */
export const isAsked = (c: JudgeContext, step: PlannedStep): boolean => {
  const pot = livePot(c);
  return pot !== null && pot.step.id === step.id && c.nowMs > pot.untilMs;
};

/** What is noticed of a pot while it lives: it is over before all of it is in its place, or will be. */
export const livePotRules: Readonly<Record<string, Rule>> = {
  'live-pot': (c) => {
    const { plan } = c;
    const pot = livePot(c);
    if (!pot) return [];
    const { step, untilMs, trouble } = pot;
    const told = {
      n: step.batch! + 1,
      several: plan.batches.length > 1 ? 'yes' : 'no',
      until: at(untilMs),
      step: step.title,
      end: at(step.endMs),
      over: minutes((step.endMs - untilMs) / 60_000),
    };
    if (isAsked(c, step)) return [F['pot-over'](told, { of: step.id, trouble, answer: PLACED() })];
    // A joint that is closed too late is told by what it would be closed with.
    const toldElse = plan.steps.some((s) => s.batch === step.batch && s.lateFor === 'use-by');
    return step.endMs > untilMs + ROUNDED_MS && !toldElse ? [F['pot-waits'](told, { of: step.id })] : [];
  },
};
