import { indexAt, type Series } from '../climate';
import { paceOf, progressAlong } from '../cure';
import { attempt, type Message } from '../say';
import { clockOf, MILESTONES, type MilestoneId, milestoneOf } from '../system';
import { pieceName } from './chain';
import { GATES } from './gates';
import { overLast } from './over-last';
import { historyOf, sideOf } from './reach-try';
import type { ChainPlan, RepairPlan } from './repair-plan';

/** One pass as it cures. */
export interface Ribbon {
  readonly passId: string;
  /** As people say it; empty where the repair is one pass. */
  readonly name: string;
  /** From liquid to set, in the order of time. */
  readonly states: RepairPlan['band'];
  /** How far it is on the way to what it is released at, from 0 to 1, never falling: instants and shares. */
  readonly grown: readonly (readonly [ms: number, share: number])[];
  /** When the next pass may go on it as it is, or its face be brought back; null where nothing of it ever closes. */
  readonly window: {
    readonly fromMs: number;
    readonly untilMs: number;
    /** The step of this pass it is open for; null where it is the next pass. */
    readonly of: Message | null;
  } | null;
}

/** Points of a ribbon: finer than anybody sees on a screen. */
const POINTS = 48;

/** The first part of a series, up to an instant and one sample past it. */
const upTo = (series: Series, ms: number): Series => {
  const n = Math.min(series.times.length, indexAt(series, Math.min(ms, series.times.at(-1)!)) + 2);
  return { times: series.times.subarray(0, n), values: series.values.subarray(0, n) };
};

/** How far a pass is on its way, where its clock can be followed; else even between the ends of its states. */
function grownOf(plan: RepairPlan): Ribbon['grown'] {
  const [first, last] = [plan.band[0], plan.band.findLast((b) => b.state !== 'set')];
  if (!first || !last) return [];
  const m = plan.serves && plan.sheet ? milestoneOf(plan.sheet, plan.serves) : undefined;
  const told = overLast(plan.milestones, plan.serves);
  const even: Ribbon['grown'] = [
    [first.fromMs, 0],
    [last.toMs, 1],
  ];
  const { thermal, sheet } = plan;
  if (!m || !told || told.originMs === null || told.planMs === null || !thermal || !sheet) return even;
  const { originMs, planMs } = told;
  const found = attempt(() =>
    progressAlong(
      paceOf(m, 'long', sheet.family),
      upTo(sideOf(historyOf(m, thermal), thermal, 'long'), planMs),
      originMs,
      {
        label: MILESTONES[m.kind].label,
        cureMinC: sheet.limits.cureMinC,
        clock: clockOf(m),
      },
    ),
  );
  if (!found.ok) return even;
  const { times, values } = found.value;
  const step = Math.max(1, Math.ceil(times.length / POINTS));
  const out: [number, number][] = [[Math.min(first.fromMs, originMs), 0]];
  for (let i = 0; i < times.length && times[i]! < planMs; i += step)
    out.push([times[i]!, Math.min(1, Math.max(values[i]!, out.at(-1)![1]))]);
  out.push([planMs, 1]);
  return out;
}

/** Ends of what may be done with a face: later it is abraded anew, or glass-hard. */
const CLOSES: readonly MilestoneId[] = ['recoat-until', 'sandable-until'];

/** When the face of a pass may be brought back, where that comes to an end: primed, sealed, ground. */
function ownWindow({ steps, milestones, placedMs }: RepairPlan): Ribbon['window'] {
  const step = steps.find((s) => s.stage === 'finish' && s.within && CLOSES.includes(s.within.kind));
  const fromMs = step?.waitFor ? (overLast(milestones, step.waitFor.kind)?.planMs ?? null) : placedMs;
  if (!step || step.dueMs === null || fromMs === null || step.dueMs <= fromMs) return null;
  return { fromMs, untilMs: step.dueMs, of: step.title };
}

const drawn = new WeakMap<ChainPlan, readonly Ribbon[]>();

/** The passes of a repair as they cure, in their order. A plan is drawn once. */
export function ribbonsOf(plan: ChainPlan): readonly Ribbon[] {
  const known = drawn.get(plan);
  if (known) return known;
  const made = plan.passes.flatMap((p, i): Ribbon[] => {
    if (!p.band.length) return [];
    const next = plan.passes[i + 1];
    const gate = next && GATES[next.piece.gate];
    const at = (kind: MilestoneId | null | undefined) => overLast(p.milestones, kind)?.planMs ?? null;
    const [opens, closes] = gate?.until
      ? [gate.from === null ? p.placedMs : at(gate.from), at(gate.until)]
      : [null, null];
    return [
      {
        passId: p.piece.passId,
        name: plan.passes.length === 1 ? '' : pieceName(p.piece, i),
        states: p.band,
        grown: grownOf(p),
        window:
          opens !== null && closes !== null && closes > opens
            ? { fromMs: opens, untilMs: closes, of: null }
            : ownWindow(p),
      },
    ];
  });
  drawn.set(plan, made);
  return made;
}

/**
 * A ribbon by fewer points: none nearer to the one before it than `apartMs`, its ends as they are.
 * @example thinned([[0, 0], [10, 0.2], [20, 0.5], [100, 1]], 15) // [[0, 0], [20, 0.5], [100, 1]]
 */
export function thinned(grown: Ribbon['grown'], apartMs: number): Ribbon['grown'] {
  const out = [grown[0]!];
  for (const point of grown.slice(1, -1)) if (point[0] - out.at(-1)![0] >= apartMs) out.push(point);
  return grown.length > 1 ? [...out, grown.at(-1)!] : out;
}

/** The share a ribbon has grown to at an instant, straight between its points. */
function shareAt(grown: Ribbon['grown'], ms: number): number {
  const i = grown.findIndex(([t]) => t >= ms);
  if (i < 0) return grown.at(-1)?.[1] ?? 1;
  if (i === 0) return grown[0]![1];
  const [[t0, s0], [t1, s1]] = [grown[i - 1]!, grown[i]!];
  return s0 + ((s1 - s0) * (ms - t0)) / Math.max(1, t1 - t0);
}

/**
 * A stretch of a ribbon: its points from one instant to another, both ends among them.
 * @example grownBetween([[0, 0], [100, 1]], 25, 50) // [[25, 0.25], [50, 0.5]]
 */
export const grownBetween = (grown: Ribbon['grown'], fromMs: number, toMs: number): Ribbon['grown'] => [
  [fromMs, shareAt(grown, fromMs)],
  ...grown.filter(([ms]) => ms > fromMs && ms < toMs),
  [toMs, shareAt(grown, toMs)],
];
