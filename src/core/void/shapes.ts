import { z } from 'zod';
import { Annulus, annulus } from './annulus';
import { BondLine, bondLine } from './bond-line';
import { Patch, patch } from './patch';
import type { Shape } from './shape';

/** Any shape as stored. */
export const VoidShape = z.discriminatedUnion('shape', [Annulus, Patch, BondLine]);
export type VoidShape = z.infer<typeof VoidShape>;
export type ShapeId = VoidShape['shape'];

/** The table of shapes. Adding one touches its file, its test and one line here. */
export const SHAPES = { annulus, patch, bondLine } as unknown as Readonly<Record<ShapeId, Shape<VoidShape>>>;

/** The void of a repair: shapes that add up, and how many like it there are. */
export const Void = z.object({
  shapes: z.array(VoidShape).min(1).max(20),
  /** Like voids, each of these shapes. */
  count: z.number().int().min(1).max(500),
});
export type Void = z.infer<typeof Void>;
