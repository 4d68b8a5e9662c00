import { contours } from 'd3-contour';
import { z } from 'zod';
import { line, ml, mm, mm2, type Problem, percent, texts } from '../say';
import { Figure, Mm } from '../units';
import { base, block, rect, sectionAt } from './draw';
import { Measured, measured } from './measured';
import type { Point } from './point';
import { contourLevels } from './readings';
import { noticesOf } from './scan-notices';
import { check, type Drawing, type Shape } from './shape';

const WORK = texts('work.scanned', {
  face: 'Roughness of the undamaged face',
  plane: 'plane through what surrounds the void',
  curved: 'curved face, z = ax² + bxy + cy² + dx + ey + f, through what surrounds the void',
  'face-by': 'least-median start, bisquare weights',
  map: 'Depth map, at its deepest',
  'map-by': '{points} points, median of each cell of {cell}',
  area: 'Area',
  'area-by': 'cells × ({cell})²',
  rim: 'Rim seen',
  'by-hand': 'drawn by hand',
  'sound-base': 'sound base round the void',
  unused: 'Not used',
  'unused-by': 'points neither on the face nor in the void',
  volume: 'Volume',
  'volume-by': 'Σ depth × cell area over the void',
});

const REFUSED = texts('refused.void.scanned', {
  'depth-map-scan': 'The depth map of this scan is damaged or holds nothing. Take the scan in again.',
});

/** A void found in a 3-D scan: a map of depths under the undamaged face, and which of its cells are the void. */
export const Scanned = z.object({
  shape: z.literal('scan'),
  version: z.literal(1),
  /** File it came from, and the unit its numbers were read in; filled in by whoever opened it. */
  source: z.object({ name: z.string().max(200), unit: z.string().max(10), points: z.number().int().min(0).max(1e9) }),
  map: z.object({
    nx: z.number().int().min(1).max(2000),
    ny: z.number().int().min(1).max(2000),
    cellMm: Mm.positive(),
    /** Place of the map's corner in the frame of the scan, mm: where a rim drawn on the map belongs. */
    u0: Mm,
    v0: Mm,
    /** Depth of one step of the stored numbers, mm. */
    stepMm: Mm.positive(),
    /** Depths by row as 16-bit steps, low byte first, base64. */
    depths: z.string().max(24_000_000),
    /** Cells of the void, one bit each, base64. */
    inside: z.string().max(24_000_000),
  }),
  found: z.object({
    surface: z.enum(['plane', 'quadric']),
    residualMm: Mm,
    /** What it holds under a curved face, mL, where one fits better than the flat one that was asked for. */
    curvedMl: Figure.nonnegative().optional(),
    /**
     * Depth from which a cell counts for area and rim; shallower ones are as rough as the sound face, and add nothing
     * on average.
     */
    edgeMm: Mm,
    /** Share of the rim round which sound base was seen. */
    rimSeen: Figure,
    /** Share of the points neither on the face nor in the void. */
    unusedShare: Figure,
    /** Share of the void without a bottom in the scan. */
    hiddenShare: Figure,
    overhangShare: Figure,
    otherHollows: z.number().int().min(0).max(1e6),
    /** Whether the rim was drawn by hand. */
    drawn: z.boolean(),
  }),
  /** Carries the half-width of the depths; its value is unused. */
  read: Measured,
});
export type Scanned = z.infer<typeof Scanned>;

const toBase64 = (bytes: Uint8Array): string => {
  let text = '';
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
  return btoa(text);
};
/** Bytes of a text; of one that is damaged none, which no map of any size has. */
function fromBase64(text: string): Uint8Array {
  try {
    return Uint8Array.from(atob(text), (ch) => ch.charCodeAt(0));
  } catch {
    return new Uint8Array();
  }
}

/** Cells kept round the void, so that a section shows the face it lies in. */
const MARGIN = 10;
const STEPS = 30_000;

/**
 * Packs a raster of depths and the mask of the void into a shape, cut down to the void and a margin.
 * @param depth mm under the undamaged face, NaN where nothing was seen
 */
export function scannedShape(
  grid: { readonly nx: number; readonly ny: number; readonly cellMm: number; readonly u0: number; readonly v0: number },
  depth: Float64Array,
  mask: Uint8Array,
  found: Scanned['found'] & { readonly points: number; readonly seenShare?: number },
): Scanned {
  let [x0, y0, x1, y1] = [grid.nx, grid.ny, -1, -1];
  let deepest = 0;
  mask.forEach((m, i) => {
    if (!m) return;
    const [x, y] = [i % grid.nx, Math.floor(i / grid.nx)];
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
    if (Math.abs(depth[i]!) > deepest) deepest = Math.abs(depth[i]!);
  });
  [x0, y0] = [Math.max(0, x0 - MARGIN), Math.max(0, y0 - MARGIN)];
  [x1, y1] = [Math.min(grid.nx - 1, x1 + MARGIN), Math.min(grid.ny - 1, y1 + MARGIN)];
  const [nx, ny] = [x1 - x0 + 1, y1 - y0 + 1];
  const stepMm = Math.max(deepest, 1e-3) / STEPS;
  const depths = new Uint8Array(2 * nx * ny);
  const bits = new Uint8Array(Math.ceil((nx * ny) / 8));
  const view = new DataView(depths.buffer);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      const from = (y + y0) * grid.nx + x + x0;
      const to = y * nx + x;
      const d = depth[from]!;
      view.setInt16(2 * to, Number.isNaN(d) ? 0 : Math.max(-STEPS, Math.min(STEPS, Math.round(d / stepMm))), true);
      if (mask[from]) bits[to >> 3]! |= 1 << (to & 7);
    }
  const { points, seenShare: _, ...rest } = found;
  return {
    shape: 'scan',
    version: 1,
    source: { name: '', unit: 'mm', points },
    map: {
      nx,
      ny,
      cellMm: grid.cellMm,
      u0: grid.u0 + x0 * grid.cellMm,
      v0: grid.v0 + y0 * grid.cellMm,
      stepMm,
      depths: toBase64(depths),
      inside: toBase64(bits),
    },
    found: rest,
    read: { ...measured(0, 'scanner', Math.max(0.1, Number((found.residualMm / 2).toFixed(2)))), text: 'read' },
  };
}

interface Unpacked {
  readonly depth: Float64Array;
  readonly inside: Uint8Array;
  readonly volumeMl: number;
  readonly areaMm2: number;
  readonly maxDepthMm: number;
}

const unpacked = new WeakMap<Scanned['map'], Unpacked>();

/** The stored map as numbers. */
export function unpack({ map, found: { edgeMm } }: Pick<Scanned, 'map' | 'found'>): Unpacked {
  const known = unpacked.get(map);
  if (known) return known;
  const bytes = fromBase64(map.depths);
  const bits = fromBase64(map.inside);
  const n = map.nx * map.ny;
  const view = new DataView(bytes.buffer);
  const whole = bytes.length === 2 * n && bits.length === Math.ceil(n / 8);
  const depth = Float64Array.from({ length: whole ? n : 0 }, (_, i) => view.getInt16(2 * i, true) * map.stepMm);
  const inside = Uint8Array.from({ length: depth.length }, (_, i) => (bits[i >> 3]! >> (i & 7)) & 1);
  let [sum, cells, max] = [0, 0, 0];
  for (let i = 0; i < depth.length; i++) {
    if (!inside[i]) continue;
    sum += depth[i]!;
    if (depth[i]! >= edgeMm) cells++;
    if (depth[i]! > max) max = depth[i]!;
  }
  const out = {
    depth,
    inside,
    volumeMl: (sum * map.cellMm ** 2) / 1000,
    areaMm2: cells * map.cellMm ** 2,
    maxDepthMm: max,
  };
  unpacked.set(map, out);
  return out;
}

const rims = new WeakMap<Scanned['map'], readonly Point[]>();

/** Rim of the void on the map, mm: the longest ring round its cells. */
export function rimOf(s: Scanned): readonly Point[] {
  const found = rims.get(s.map) ?? rimAnew(s);
  rims.set(s.map, found);
  return found;
}

function rimAnew(s: Scanned): readonly Point[] {
  const { nx, ny, cellMm } = s.map;
  const { depth, inside } = unpack(s);
  const field = Array.from(depth, (d, i) => (inside[i] ? d : 0));
  const [rings] = contours()
    .size([nx, ny])
    .smooth(true)
    .thresholds([s.found.edgeMm + 1e-9])(field);
  const longest = (rings?.coordinates ?? []).map((p) => p[0]!).sort((a, b) => b.length - a.length)[0] ?? [];
  return longest.map(([x, y]) => [x! * cellMm, y! * cellMm] as const);
}

const lines = new WeakMap<Scanned['map'], NonNullable<Drawing['contours']>>();

/** Lines of equal depth on the map; found once, since every pull of the section asks for them. */
function linesOf(s: Scanned): NonNullable<Drawing['contours']> {
  const known = lines.get(s.map);
  if (known) return known;
  const { nx, ny, cellMm } = s.map;
  const { depth, inside, maxDepthMm } = unpack(s);
  const field = Array.from(depth, (d, i) => (inside[i] ? d : Math.min(0, d)));
  const found = contours()
    .size([nx, ny])
    .smooth(true)
    .thresholds([...contourLevels(maxDepthMm)])(field)
    .map((c) => ({
      depthMm: c.value,
      lines: c.coordinates.flatMap((p) => p.map((ring) => ring.map(([x, y]) => [x! * cellMm, y! * cellMm] as const))),
    }));
  lines.set(s.map, found);
  return found;
}

export const scanned: Shape<Scanned> = {
  id: 'scan',
  version: 1,
  label: '3-D scan',
  seen: 'a place scanned as a mesh or as points',
  broke: 'hollow',
  fromAbove: true,
  schema: Scanned,
  // Nothing is scanned yet: a shallow bowl stands for it in the picture.
  blank: () => {
    const n = 25;
    const depth = new Float64Array(n * n);
    const mask = new Uint8Array(n * n);
    for (let i = 0; i < n * n; i++) {
      const r = Math.hypot((i % n) - 12, Math.floor(i / n) - 12) / 9;
      depth[i] = Math.max(0, 18 * (1 - r * r));
      mask[i] = depth[i]! > 0 ? 1 : 0;
    }
    const found = {
      surface: 'plane',
      residualMm: 0.2,
      edgeMm: 0,
      rimSeen: 1,
      unusedShare: 0,
      hiddenShare: 0,
      overhangShare: 0,
      otherHollows: 0,
      drawn: false,
      points: 0,
    } as const;
    const bowl = scannedShape({ nx: n, ny: n, cellMm: 6, u0: 0, v0: 0 }, depth, mask, found);
    return { ...bowl, read: { ...bowl.read, text: '' } };
  },
  sameAcross: true,
  dimensions: (s) => [
    { key: 'read', label: 'Depths of the scan', measured: { ...s.read, valueMm: 0 }, minMm: 0, maxMm: 0, shift: true },
  ],
  problems: (s): readonly Problem[] =>
    unpack(s).volumeMl > 0 && unpack(s).areaMm2 > 0
      ? []
      : [
          {
            field: 'map',
            value: s.map.depths.length,
            allowed: 'a whole depth map',
            sentence: REFUSED['depth-map-scan'](),
          },
        ],
  notices: (s) => noticesOf(s.found, unpack(s).volumeMl),
  volume: (s) => {
    const { volumeMl, areaMm2 } = unpack(s);
    return ([shift = 0]) => volumeMl + (areaMm2 * shift) / 1000;
  },
  below: (s, z) => {
    const { depth, inside } = unpack(s);
    let sum = 0;
    for (let i = 0; i < depth.length; i++) if (inside[i] && depth[i]! > z) sum += depth[i]! - z;
    return (sum * s.map.cellMm ** 2) / 1000;
  },
  working: (s) => {
    const { volumeMl, areaMm2, maxDepthMm } = unpack(s);
    const { found, map } = s;
    return [
      line(
        WORK.face(),
        WORK[found.surface === 'plane' ? 'plane' : 'curved'](),
        mm(found.residualMm),
        WORK['face-by'](),
      ),
      line(WORK.map(), WORK['map-by']({ points: s.source.points, cell: mm(map.cellMm) }), mm(maxDepthMm)),
      line(WORK.area(), WORK['area-by']({ cell: mm(map.cellMm) }), mm2(areaMm2)),
      line(WORK.rim(), WORK[found.drawn ? 'by-hand' : 'sound-base'](), percent(found.rimSeen * 100)),
      line(WORK.unused(), WORK['unused-by'](), percent(found.unusedShare * 100)),
      line(WORK.volume(), WORK['volume-by'](), ml(volumeMl)),
    ];
  },
  faces: (s) => {
    check(scanned, s);
    const { volumeMl, areaMm2, maxDepthMm } = unpack(s);
    const rim = rimOf(s);
    const around = rim.reduce(
      (sum, p, i) => sum + Math.hypot(rim[(i + 1) % rim.length]![0] - p[0], rim[(i + 1) % rim.length]![1] - p[1]),
      0,
    );
    return {
      planAreaMm2: areaMm2,
      wettedAreaMm2: areaMm2 * 1.15,
      maxDepthMm,
      perimeterMm: around,
      thicknessMm: (volumeMl * 1000) / areaMm2,
    };
  },
  section: (s, at = 0.5) => {
    const { nx, ny, cellMm } = s.map;
    const { depth, inside, maxDepthMm } = unpack(s);
    const row = Math.min(ny - 1, Math.floor(at * ny));
    const xs = Array.from({ length: nx }, (_, x) => x).filter((x) => inside[row * nx + x]);
    const [a, b] = [xs[0] ?? 0, xs.at(-1) ?? 0];
    const floor = Array.from(
      { length: Math.max(1, b - a + 1) },
      (_, k) => [(a + k + 0.5) * cellMm, Math.max(0, depth[row * nx + a + k] ?? 0)] as const,
    );
    return {
      title: at === 0.5 ? 'section at the middle of the scan' : sectionAt((row + 0.5) * cellMm),
      outlines: [
        block(0, nx * cellMm, Math.max(1, maxDepthMm), 0, Math.max(maxDepthMm * 0.6, nx * cellMm * 0.1)),
        { role: 'void', points: [[floor[0]![0], 0], ...floor, [floor.at(-1)![0], 0]] },
      ],
      dimensions: [],
      marks: [],
    };
  },
  plan: (s, at = 0.5) => {
    const { nx, ny, cellMm } = s.map;
    return {
      title: 'depth map from above',
      outlines: [base(rect(0, 0, nx * cellMm, ny * cellMm)), { role: 'void', points: rimOf(s) }],
      dimensions: [],
      marks: [],
      contours: linesOf(s),
      cut: { y: at * ny * cellMm, from: 0, to: ny * cellMm },
    };
  },
};

/** Whether a shape was read from a scan. */
export const isScanned = (shape: { readonly shape: string }): shape is Scanned => shape.shape === 'scan';
