import { z } from 'zod';
import { Mm } from '../units';
import { Annulus, annulus } from './annulus';
import { BondLine, bondLine } from './bond-line';
import { CastCopy, castCopy } from './cast-copy';
import { Cavity, cavity } from './cavity';
import { chase } from './chase';
import { Chase } from './chase-run';
import { Coat, coat } from './coat';
import { Corner, corner } from './corner';
import { Edge, edge } from './edge';
import { Fairing, fairing } from './fairing';
import { Filled, filled } from './filled';
import { Fillet, fillet } from './fillet';
import { Groove, groove } from './groove';
import { Hole, hole } from './hole';
import { Joints, joints } from './joints';
import { NotchedBed, notchedBed } from './notched-bed';
import { patch } from './patch';
import { Patch } from './patch-depths';
import { Ring, ring } from './ring';
import { Scanned, scanned } from './scanned';
import type { Shape } from './shape';
import { WetOut, wetOut } from './wet-out';

/** Any shape as stored. */
export const VoidShape = z.discriminatedUnion('shape', [
  Annulus,
  Hole,
  Groove,
  Chase,
  Patch,
  Edge,
  Corner,
  Ring,
  Fillet,
  Fairing,
  BondLine,
  NotchedBed,
  Joints,
  Coat,
  WetOut,
  CastCopy,
  Cavity,
  Filled,
  Scanned,
]);
export type VoidShape = z.infer<typeof VoidShape>;
export type ShapeId = VoidShape['shape'];

/** The table of shapes, in the order in which they are offered. */
export const SHAPES = {
  annulus,
  hole,
  groove,
  chase,
  edge,
  corner,
  patch,
  scan: scanned,
  filled,
  ring,
  fillet,
  fairing,
  bondLine,
  notchedBed,
  joints,
  coat,
  wetOut,
  castCopy,
  cavity,
} as unknown as Readonly<Record<ShapeId, Shape<VoidShape>>>;
export const SHAPE_IDS = Object.keys(SHAPES) as ShapeId[];

/** Shapes of one void that may be named at most: a side full of holes of several sizes. */
export const MOST_SHAPES = 60;

/** A space in the void that must stay clear of material, as a block or a round one, from the surface down. */
export const KeepClear = z.object({
  name: z.string().max(60),
  form: z.enum(['box', 'round']),
  /** Middle of it, from the corner of the drawing from above, mm. */
  xMm: Mm,
  yMm: Mm,
  /** Length, or diameter of a round one, mm. */
  aMm: Mm.positive(),
  bMm: Mm.positive(),
  depthMm: Mm.positive(),
});
export type KeepClear = z.infer<typeof KeepClear>;

/** The void of a repair: shapes that add up, how many like it there are, and what is different about some of them. */
export const Void = z.object({
  shapes: z.array(VoidShape).min(1).max(MOST_SHAPES),
  /** Like voids, each of these shapes. */
  count: z.number().int().min(1).max(500),
  /** Of the like voids, so many differ in one dimension (`shapes.0.holeDepth`) by so much. */
  variants: z.array(z.object({ count: z.number().int().min(1).max(500), key: z.string().max(80), byMm: Mm })).max(20),
  keepClear: z.array(KeepClear).max(20),
  back: z.enum(['closed', 'open']),
  /**
   * The names of its shapes where each is a place by itself, in the order of work; one without a name is empty. Absent
   * where shapes add up to one void; drilled holes are places without it.
   */
  places: z.array(z.string().max(60)).max(MOST_SHAPES).optional(),
});
export type Void = z.infer<typeof Void>;

/** A void of one shape. */
export const voidOf = (...shapes: readonly VoidShape[]): Void => ({
  shapes: [...shapes],
  count: 1,
  variants: [],
  keepClear: [],
  back: 'closed',
});
