import type { RepairAsk } from './repair-plan';
import {
  firstClash,
  type NotBefore,
  stepAt,
  type ToolClash,
  type ToolHold,
  type ToolLack,
  type ToolWait,
} from './tools';
import { type Laid, toolsHeld } from './tools-held';

/** Tools are tried for so often; after that the plan stands as it is, and says what it lacks. */
const MOST_TRIALS = 60;

/**
 * Lays a chain out, and again where too few tools are left for it, each time with what lacked them not before the next
 * come off: only ever later, from one hour at which something comes off to another.
 */
export function withTools<T extends { readonly done: readonly Laid[] }>(
  asks: readonly Pick<RepairAsk, 'job' | 'actuals' | 'repair'>[],
  tools: readonly ToolHold[],
  lay: (notBefore: NotBefore | null) => T,
): T & { readonly clash: ToolClash | null; readonly waits: readonly ToolWait[] } {
  const { atHand: has } = asks[0]!.job;
  const started = new Set(
    asks.flatMap(({ repair: { passId }, actuals }) =>
      [...actuals.begun.keys(), ...actuals.done.keys()].map((id) => stepAt({ passId, id })),
    ),
  );
  let notBefore: NotBefore | null = null;
  let waits: readonly ToolWait[] = [];
  for (let trial = 1; ; trial++) {
    const laid = lay(notBefore);
    const clash = firstClash(toolsHeld(laid.done), tools, has, ({ passId, stepId: id }) =>
      started.has(stepAt({ passId, id })),
    );
    if (clash === null || clash.freeMs === null || trial === MOST_TRIALS) return { ...laid, clash, waits };
    const key = stepAt({ passId: clash.hold.passId, id: clash.hold.stepId });
    // What has begun goes on, tools or no tools.
    if ((notBefore?.get(key) ?? Number.NEGATIVE_INFINITY) >= clash.freeMs) return { ...laid, clash, waits };
    notBefore = new Map([...(notBefore ?? []), [key, clash.freeMs]]);
    const { tool, passId, count: needs } = clash.hold;
    const wait: ToolWait = { tool, passId, needs, has: has[tool]!, untilMs: clash.freeMs };
    waits = [...waits.filter((w) => w.tool !== tool || w.passId !== passId), wait];
  }
}

/** What there would be enough of, and cannot be had when it is wanted. */
export function awaited(clash: ToolClash | null, [first]: readonly Pick<RepairAsk, 'job'>[]): readonly ToolLack[] {
  if (!clash) return [];
  const { tool, passId, count } = clash.hold;
  return [{ tool, passId, needs: count, has: first!.job.atHand[tool]!, awaited: true }];
}
