import type { MilestoneId } from '../system';
import type { Effects } from './effects';

/** What a site has so many of, and what stays at a place until it holds. */
export const TOOLS = {
  clamps: { label: 'Clamps' },
  props: { label: 'Props' },
  heaters: { label: 'Tents or heaters' },
} as const;
export type ToolId = keyof typeof TOOLS;
export const TOOL_IDS = Object.keys(TOOLS) as readonly ToolId[];

/** What an option keeps at the place: so many for each like part, from the task that puts them on. */
export interface Occupies {
  readonly tool: ToolId;
  /** The setting that says how many for each part. */
  readonly setting: string;
  /** The task, done for each part, that puts them on. */
  readonly from: string;
  /** What it has to have reached before they come off. */
  readonly until: MilestoneId;
}

/** What is kept at a place by the options chosen, of one tool. */
export const occupiedBy = (effects: Effects, tool: ToolId): Occupies | undefined =>
  effects.occupies.find((k) => k.tool === tool);

/** So many of a tool on each part, asked where an option keeps it there. */
export const toolSetting = (tool: ToolId, label: string, byDefault: number) =>
  ({
    id: tool,
    label,
    kind: 'count',
    byDefault,
    min: 0,
    max: 400,
    stage: 'hold',
    when: (e: Effects) => occupiedBy(e, tool) !== undefined,
  }) as const;

/** Put on as the joint is closed, taken off when it may be let go. */
export const onClosing = (tool: ToolId): readonly Occupies[] => [
  { tool, setting: tool, from: 'close', until: 'release' },
];
