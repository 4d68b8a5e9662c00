import { occupiedBy, RELEASE, type StepContext, settingIn, TOOL_IDS } from '../method';
import type { MilestoneId } from '../system';
import type { Laying } from './lay-ask';
import { upTo } from './pass-clocks';
import type { PlannedStep, RepairAsk } from './repair-plan';
import type { ToolHold } from './tools';

const starts = (s: PlannedStep): number => s.begunAt ?? s.startMs;

/** When what is held by a pass is off again: as the step that waits for that ends, else as the sheet says. */
function offMs(laying: Laying, until: MilestoneId): number | null {
  const off = laying.steps.find(({ waitFor }) => (waitFor?.insteadOf ?? waitFor?.kind) === until);
  return off ? off.endMs : laying.waitOf(until, upTo(laying.lastBatch)).atMs;
}

/** A pass that has been put on the clock. */
export interface Laid {
  readonly ask: Pick<RepairAsk, 'repair'>;
  readonly ready: { readonly context: StepContext } | null;
  readonly laying: Laying | null;
}

/**
 * What a repair holds of the site’s tools, as it is laid out: clamps and props of each pass by its options, the tent or
 * heater from when it is put up, else from the first wet work, until it is opened.
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
  const { cover } = first?.ask.repair.base.surroundings ?? {};
  if (wet && cover) {
    const opened = passes.at(-1)!.laying?.steps.findLast((s) => s.key.task === RELEASE.task);
    const { passId } = first!.ask.repair;
    out.push({
      tool: 'heaters',
      count: 1,
      passId,
      stepId: wet.id,
      // It stands there from when it is put up.
      fromMs: Math.min(cover.upMs ?? starts(wet), starts(wet)),
      toMs: opened?.startMs ?? null,
    });
  }
  return out;
}
