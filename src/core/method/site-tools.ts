/** What a site has so many of, and what stays at a place until it holds. */
export const TOOLS = {
  clamps: { label: 'Clamps' },
  props: { label: 'Props' },
  heaters: { label: 'Tents or heaters' },
} as const;
export type ToolId = keyof typeof TOOLS;
export const TOOL_IDS = Object.keys(TOOLS) as readonly ToolId[];
