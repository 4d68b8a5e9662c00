/**
 * What those who list damage call the sizes of a void, whatever shape it has: each shape says which of its dimensions
 * they are.
 */
export const SIZES = {
  length: 'length',
  width: 'width',
  depth: 'depth',
  deepest: 'deepest place',
  across: 'diameter',
  inner: 'inner diameter',
  rod: 'rod',
  embedment: 'embedment',
  thickness: 'thickness',
} as const;
export type SizeId = keyof typeof SIZES;
export const SIZE_IDS = Object.keys(SIZES) as SizeId[];
