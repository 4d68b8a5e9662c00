import { occupiedBy, RELEASE, settingIn, TOOL_IDS, type ToolId } from '../method';
import type { MilestoneId } from '../system';
import type { Job } from './job';
import type { Laying } from './lay-ask';
import type { ReadyPass } from './plan-pass';
import type { PlannedStep, RepairAsk } from './repair-plan';

/** So many of a tool that stay at a place: from the step that puts them there until they come off. */
export interface ToolHold {
  readonly tool: ToolId;
  readonly count: number;
  readonly passId: string;
  /** The step that puts them there. */
  readonly stepId: string;
  readonly fromMs: number;
  /** null where nobody can say when they come off. */
  readonly toMs: number | null;
}

/** What a repair needs of a tool and the site does not have. */
export interface ToolLack {
  readonly tool: ToolId;
  readonly passId: string;
  readonly needs: number;
  readonly has: number;
  /** There are enough, and nobody can say when those at other places come off. */
  readonly awaited: boolean;
}

/** Steps that may not begin before an instant, for want of tools: by {@link stepAt}. */
export type NotBefore = ReadonlyMap<string, number>;
export const stepAt = ({ passId, id }: { readonly passId: string; readonly id: string }): string => `${passId} ${id}`;

const starts = (s: PlannedStep): number => s.begunAt ?? s.startMs;

/** When what is held by a pass comes off: as the step that waits for that begins, else as the sheet says. */
function offMs(laying: Laying, until: MilestoneId): number | null {
  const off = laying.steps.find((s) => s.waitFor?.kind === until);
  return off ? off.startMs : laying.waitOf(until, [laying.lastBatch]).atMs;
}

/** A pass that has been put on the clock. */
interface Laid {
  readonly ask: Pick<RepairAsk, 'repair'>;
  readonly ready: Pick<ReadyPass, 'context'> | null;
  readonly laying: Laying | null;
}

/**
 * What a repair holds of the site’s tools, as it is laid out: clamps and props of each pass by its options, the tent or
 * heater from the first wet work until it is opened.
 */
export function toolsHeld(passes: readonly Laid[]): readonly ToolHold[] {
  const out: ToolHold[] = [];
  for (const { ask, ready, laying } of passes) {
    if (!ready || !laying) continue;
    for (const tool of TOOL_IDS) {
      const use = occupiedBy(ready.context.effects, tool);
      const on = use ? laying.steps.filter((s) => s.key.task === use.from) : [];
      const count = use ? settingIn(ready.context, use.setting) * on.length : 0;
      if (!use || !count) continue;
      const { passId } = ask.repair;
      out.push({ tool, count, passId, stepId: on[0]!.id, fromMs: starts(on[0]!), toMs: offMs(laying, use.until) });
    }
  }
  const [first] = passes;
  const wet = first?.laying?.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
  if (wet && first!.ask.repair.base.surroundings.cover) {
    const opened = passes.at(-1)!.laying?.steps.findLast((s) => s.key.task === RELEASE.task);
    const { passId } = first!.ask.repair;
    out.push({
      tool: 'heaters',
      count: 1,
      passId,
      stepId: wet.id,
      fromMs: starts(wet),
      toMs: opened?.startMs ?? null,
    });
  }
  return out;
}

const endOf = ({ toMs }: ToolHold): number => toMs ?? Number.POSITIVE_INFINITY;

/** The first instant at or after its beginning at which a hold finds too few left, and when the next come off. */
function shortFrom(hold: ToolHold, others: readonly ToolHold[], has: number): number | null {
  const near = others.filter((o) => endOf(o) > hold.fromMs && o.fromMs < endOf(hold));
  const points = near.map((o) => Math.max(o.fromMs, hold.fromMs)).sort((a, b) => a - b);
  for (const ms of points) {
    const there = near.filter((o) => o.fromMs <= ms && endOf(o) > ms);
    if (there.reduce((sum, o) => sum + o.count, hold.count) > has) return Math.min(...there.map(endOf));
  }
  return null;
}

/** A hold that has to wait, and until when; it can never be had where nobody can say that. */
export interface ToolClash {
  readonly hold: ToolHold;
  readonly freeMs: number | null;
}

/**
 * The first of a repair’s own holds for which too few are left beside those of others and those before it.
 * @param taken what other repairs hold
 */
export function firstClash(
  own: readonly ToolHold[],
  taken: readonly ToolHold[],
  has: Job['has'],
  /** Holds that cannot be moved any more. */
  fixed: (hold: ToolHold) => boolean,
): ToolClash | null {
  const before = [...taken];
  for (const hold of [...own].sort((a, b) => a.fromMs - b.fromMs)) {
    const most = has[hold.tool];
    // More than there are at all is no matter of when.
    if (most !== null && hold.count <= most && !fixed(hold)) {
      const others = before.filter((o) => o.tool === hold.tool && o.count <= most);
      const freeMs = shortFrom(hold, others, most);
      if (freeMs !== null) return { hold, freeMs: Number.isFinite(freeMs) ? freeMs : null };
    }
    before.push(hold);
  }
  return null;
}

/** What is wanted at once and is not there at all. */
export const toolLacks = (own: readonly ToolHold[], has: Job['has']): readonly ToolLack[] =>
  own.flatMap(({ tool, count, passId }) => {
    const most = has[tool];
    return most !== null && count > most ? [{ tool, passId, needs: count, has: most, awaited: false }] : [];
  });
