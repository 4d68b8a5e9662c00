import type { Effects, Occupies } from './effects';
import type { ToolId } from './tools';

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
