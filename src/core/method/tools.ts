import { type Sayer, texts } from '../say';

/** A kind of tool of a site, of which it has so many: each stays at its place until it holds. */
interface ToolRow {
  /** As its count is labelled. */
  readonly label: string;
  readonly name: Sayer;
  /** What becomes of the work without them. */
  readonly without: Sayer;
  /** What else can be done than bringing more. */
  readonly instead: Sayer;
}

const row = (id: string, label: string, words: { name: string; without: string; instead: string }): ToolRow => ({
  label,
  ...texts(`tools.${id}`, words),
});
const HELD = {
  without: 'what is closed without them moves while it is soft',
  instead: 'use fewer on each, or hold it in another way',
};

export const TOOLS = {
  clamps: row('clamps', 'Clamps', { name: 'clamps', ...HELD }),
  props: row('props', 'Props', { name: 'props', ...HELD }),
  heaters: row('heaters', 'Tents or heaters', {
    name: 'tents or heaters',
    without: 'without one the base is as cold as the air, and the clocks with it',
    instead: 'plan it without one',
  }),
} as const;
export type ToolId = keyof typeof TOOLS;
export const TOOL_IDS = Object.keys(TOOLS) as readonly ToolId[];
