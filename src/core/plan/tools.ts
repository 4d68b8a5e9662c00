import type { ToolId } from '../method';
import type { Job } from './job';

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

/** What it had to wait for, and could have begun without sooner. */
export interface ToolWait {
  readonly tool: ToolId;
  readonly passId: string;
  readonly needs: number;
  readonly has: number;
  readonly untilMs: number;
}

/** Steps that may not begin before an instant, for want of tools: by {@link stepAt}. */
export type NotBefore = ReadonlyMap<string, number>;
export const stepAt = ({ passId, id }: { readonly passId: string; readonly id: string }): string => `${passId} ${id}`;

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
  has: Job['atHand'],
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
export const toolLacks = (own: readonly ToolHold[], has: Job['atHand']): readonly ToolLack[] =>
  own.flatMap(({ tool, count, passId }) => {
    const most = has[tool];
    return most !== null && count > most ? [{ tool, passId, needs: count, has: most, awaited: false }] : [];
  });
