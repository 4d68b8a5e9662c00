import { z } from 'zod';
import { attempt } from '../say';
import { Mm } from '../units';
import { Measured, measured, unmeasured } from './measured';
import { cornersOf, PlanOutline } from './outline';
import { type DepthSurface, depthSurface, type EdgeLaws, edgeLaws } from './surface';

/** A hollow with an outline, either of one mean depth or with depths read at places. */
export const Patch = z.object({
  shape: z.literal('patch'),
  version: z.literal(1),
  outline: PlanOutline,
  depth: z.discriminatedUnion('kind', [
    /** The deepest place beside the mean: it decides the lifts, and nothing of the volume. */
    z.object({ kind: z.literal('mean'), mean: Measured, deepest: Measured.optional() }),
    z.object({
      kind: z.literal('readings'),
      readings: z.array(z.object({ xMm: Mm, yMm: Mm, depthMm: Mm })).max(500),
      /** Carries the tool and half-width of every reading; its value is unused. */
      read: Measured,
      edge: z.enum(['vertical', 'feathered', 'given']),
      /** Depth all along an edge whose depth is given. */
      edgeDepth: Measured.optional(),
    }),
  ]),
});
export type Patch = z.infer<typeof Patch>;

export type Depths = Extract<Patch['depth'], { kind: 'readings' }>;

/** How an edge may have been left; `depthOf` is the depth all along it, null where it follows from the readings. */
export const EDGES: Record<
  Depths['edge'],
  { readonly label: string; readonly depthOf: ((d: Depths) => Measured) | null }
> = {
  vertical: { label: 'cut vertical', depthOf: null },
  feathered: { label: 'feathered', depthOf: () => measured(0, 'gauge', 0) },
  given: { label: 'of a depth I give', depthOf: (d) => d.edgeDepth ?? unmeasured(10, 'gauge') },
};

/**
 * What the readings of a patch make of it: the surface that plans, the other law of a vertical edge, and what an edge
 * of one depth adds.
 */
export interface Found {
  readonly surface: DepthSurface;
  readonly laws: EdgeLaws | undefined;
  /** Volume for each mm of depth at an edge that has one depth, mL. */
  readonly edgeMlPerMm: number;
}

export function readingsOf(s: Patch): Found | undefined {
  if (s.depth.kind !== 'readings') return undefined;
  const known = surfaces.get(s);
  if (known) return known;
  const { readings, edge } = s.depth;
  const corners = cornersOf(s.outline);
  const depthMm = EDGES[edge].depthOf?.(s.depth).valueMm;
  let found: Found;
  if (depthMm === undefined) {
    const laws = edgeLaws(corners, readings);
    found = { surface: laws.more, laws, edgeMlPerMm: 0 };
  } else {
    const surface = depthSurface(corners, readings, { kind: 'given', depthMm });
    // The triangles do not turn on the depths, so the volume is linear in that of the edge.
    const deeper = depthSurface(corners, readings, { kind: 'given', depthMm: depthMm + 1 });
    found = { surface, laws: undefined, edgeMlPerMm: deeper.volumeMl - surface.volumeMl };
  }
  surfaces.set(s, found);
  return found;
}

/** The depth surface of a patch that plans, or undefined when it has one mean depth. */
export const surfaceOf = (s: Patch): DepthSurface | undefined => readingsOf(s)?.surface;

/** Shapes are immutable, so a surface found once for one holds as long as it does. */
const surfaces = new WeakMap<Patch, Found>();

/** Two laws of the edge this far apart, as a share of the volume, are worth a reading. */
export const WORTH_A_READING = 0.02;

/** The laws of the edge where they differ by so much that a reading there is worth the way. */
export function openEdge(s: Patch): EdgeLaws | undefined {
  const tried = attempt(() => readingsOf(s)?.laws);
  const laws = tried.ok ? tried.value : undefined;
  return laws && laws.more.volumeMl - laws.less.volumeMl > WORTH_A_READING * laws.more.volumeMl ? laws : undefined;
}
