import { z } from 'zod';
import { density, grams, line, ml, percent, refuse, texts, type WorkLine } from '../say';
import { type FillerClass, type Part, proportionOf, roomOf, type SheetRevision } from '../system';
import { figure } from '../units';

const WORK = texts('work.fillers', {
  alone: '{filler} alone, of the liquid’s weight',
  loading: 'Loading of the blend, of the liquid’s weight',
  'loading-by': '1 / Σ share / alone = 1 / ({each})',
  'one-loading': '{share} / {alone}',
  'loadings-sum': '{sum} + {each}',
  volume: 'Volume of the filled mix for a hundred grams of liquid',
  bulk: 'the grains’ bulk: lean, air stays in it',
  each: 'the liquid and each filler by its own density',
  density: 'Density',
  'density-by': '{mass} / {room}',
});

const REFUSED = texts('refused.mix.fillers', {
  'blend-twice': '{filler} is in the blend twice.',
  'filler-sheet-more': '{sheet} has its filler on the sheet: more of one’s own changes what the maker answers for.',
});

/** How a filled mix should stand. */
export const CONSISTENCIES = {
  runs: 'runs slowly off the stick',
  clings: 'clings, sags on a wall',
  stands: 'stands up, keeps its peak',
  firm: 'firm, is spread like putty',
} as const;
export const Consistency = z.enum(
  Object.keys(CONSISTENCIES) as [keyof typeof CONSISTENCIES, ...(keyof typeof CONSISTENCIES)[]],
);
export type Consistency = z.infer<typeof Consistency>;

export interface Filler {
  readonly label: string;
  readonly kind: FillerClass;
  readonly serves: 'structural' | 'thickening' | 'light fairing' | 'bulk';
  readonly densityGPerMl: number;
  readonly bulkGPerMl: number | null;
  /** 1 sands like chalk, 5 blunts the paper. */
  readonly sanding: number;
  /** Grams in 100 g of mixed liquid for each consistency; starting points, to be set by trial. */
  readonly per100G: Readonly<Record<Consistency, number>>;
}

/** The table of fillers: general substances, usual figures. */
export const FILLERS = {
  silica: {
    label: 'fumed silica',
    kind: 'thixotrope',
    serves: 'thickening',
    densityGPerMl: 2.2,
    bulkGPerMl: null,
    sanding: 4,
    per100G: { runs: 1.5, clings: 3, stands: 6, firm: 9 },
  },
  fibre: {
    label: 'short fibres',
    kind: 'thixotrope',
    serves: 'structural',
    densityGPerMl: 1.5,
    bulkGPerMl: null,
    sanding: 4,
    per100G: { runs: 8, clings: 15, stands: 25, firm: 38 },
  },
  chalk: {
    label: 'ground chalk',
    kind: 'thixotrope',
    serves: 'bulk',
    densityGPerMl: 2.7,
    bulkGPerMl: null,
    sanding: 2,
    per100G: { runs: 50, clings: 90, stands: 140, firm: 190 },
  },
  spheres: {
    label: 'hollow glass spheres',
    kind: 'spheres',
    serves: 'light fairing',
    densityGPerMl: 0.25,
    bulkGPerMl: null,
    sanding: 1,
    per100G: { runs: 10, clings: 18, stands: 28, firm: 38 },
  },
  flour: {
    label: 'wood flour',
    kind: 'thixotrope',
    serves: 'bulk',
    densityGPerMl: 1.45,
    bulkGPerMl: null,
    sanding: 2,
    per100G: { runs: 10, clings: 18, stands: 28, firm: 40 },
  },
  metal: {
    label: 'metal powder',
    kind: 'thixotrope',
    serves: 'structural',
    densityGPerMl: 7.8,
    bulkGPerMl: null,
    sanding: 5,
    per100G: { runs: 120, clings: 210, stands: 320, firm: 430 },
  },
  sand: {
    label: 'dry graded sand',
    kind: 'grains',
    serves: 'bulk',
    densityGPerMl: 2.65,
    bulkGPerMl: 1.75,
    sanding: 5,
    per100G: { runs: 150, clings: 300, stands: 450, firm: 520 },
  },
} as const satisfies Record<string, Filler>;
export const FillerId = z.enum(Object.keys(FILLERS) as [keyof typeof FILLERS, ...(keyof typeof FILLERS)[]]);
export type FillerId = z.infer<typeof FillerId>;
export const fillerOf = (id: FillerId): Filler => FILLERS[id];

/** Fillers put into the mixed liquid by oneself. */
export const Blend = z.object({
  consistency: Consistency,
  /** Shares by mass among the fillers, and the loading that alone gives the consistency, where it was set by trial. */
  fillers: z
    .array(
      z.object({
        filler: FillerId,
        share: z.number().positive().max(1000),
        per100G: z.number().positive().max(1000).nullable(),
      }),
    )
    .min(1)
    .max(6),
});
export type Blend = z.infer<typeof Blend>;

export interface FilledMix {
  readonly fillers: readonly { readonly filler: FillerId; readonly label: string; readonly per100G: number }[];
  /** Of all fillers, grams in 100 g of liquid. */
  readonly loading: number;
  readonly densityGPerMl: number;
  /** Volume of the filled mix for 1 mL of liquid. */
  readonly swell: number;
  readonly lean: boolean;
  /** Largest loading of these shares before the mix is lean, g in 100 g; null where no grains are in it. */
  readonly leanFromPer100G: number | null;
  readonly sanding: 'easy to sand' | 'sands well' | 'hard to sand' | 'hardly to be sanded';
  /** Portions in which to add them, thickeners last. */
  readonly portions: readonly { readonly filler: FillerId; readonly per100G: number; readonly times: number }[];
  readonly working: readonly WorkLine[];
}

const SANDING = ['easy to sand', 'sands well', 'hard to sand', 'hardly to be sanded'] as const;
/** Largest part of the liquid's mass that goes in at once without balls. */
const PORTION_G = 50;

/**
 * Fillers in a liquid of known density. Each filler alone would give the wanted stand at its own loading; of a blend
 * each does its share of it: Σ loadingᵢ / aloneᵢ = 1. Volume by the classes of the fillers.
 * @throws Refusal when the same filler is named twice
 */
export function filledMix(blend: Blend, liquidGPerMl: number): FilledMix {
  const ids = blend.fillers.map((f) => f.filler);
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice) refuse('fillers', twice, 'each filler once', REFUSED['blend-twice']({ filler: fillerOf(twice).label }));
  const whole = blend.fillers.reduce((s, f) => s + f.share, 0);
  const alone = (f: Blend['fillers'][number]) => f.per100G ?? fillerOf(f.filler).per100G[blend.consistency];
  const loading = 1 / blend.fillers.reduce((s, f) => s + f.share / whole / alone(f), 0);
  const fillers = blend.fillers.map((f) => ({
    filler: f.filler,
    label: fillerOf(f.filler).label,
    per100G: (loading * f.share) / whole,
  }));
  const part = (id: FillerId): Pick<Part, 'densityGPerMl' | 'bulkGPerMl' | 'filler'> => ({
    densityGPerMl: fillerOf(id).densityGPerMl,
    bulkGPerMl: fillerOf(id).bulkGPerMl,
    filler: fillerOf(id).kind,
  });
  const liquid = { part: { densityGPerMl: liquidGPerMl, bulkGPerMl: null, filler: null }, massG: 100 };
  const roomAt = (scale: number) =>
    roomOf([liquid, ...fillers.map((f) => ({ part: part(f.filler), massG: f.per100G * scale }))]);
  const room = roomAt(1);
  // Room between the grains grows with the loading, what lies between them less: lean from where both are equal.
  const perG = roomAt(1);
  const fines =
    perG.solid -
    fillers.reduce(
      (s, f) => s + (fillerOf(f.filler).kind === 'grains' ? f.per100G / fillerOf(f.filler).densityGPerMl : 0),
      0,
    );
  const leanAt = perG.grainVoids > fines ? 100 / liquidGPerMl / (perG.grainVoids - fines) : null;
  const solidVolume = fillers.reduce((s, f) => s + f.per100G / fillerOf(f.filler).densityGPerMl, 0);
  const mean = fillers.reduce(
    (s, f) => s + ((f.per100G / fillerOf(f.filler).densityGPerMl) * fillerOf(f.filler).sanding) / solidVolume,
    0,
  );
  const order = (id: FillerId) => (fillerOf(id).serves === 'thickening' ? 1 : 0);
  return {
    fillers,
    loading,
    densityGPerMl: (100 + loading) / room.volume,
    swell: room.volume / (100 / liquidGPerMl),
    lean: room.lean,
    leanFromPer100G: leanAt === null ? null : leanAt * loading,
    sanding: SANDING[Math.min(3, Math.max(0, Math.round(mean) - 1))]!,
    portions: [...fillers]
      .sort((a, b) => order(a.filler) - order(b.filler))
      .map((f) => ({ filler: f.filler, per100G: f.per100G, times: Math.max(1, Math.ceil(f.per100G / PORTION_G)) })),
    working: [
      ...blend.fillers.map((f) =>
        line(
          WORK.alone({ filler: fillerOf(f.filler).label }),
          CONSISTENCIES[blend.consistency],
          percent(alone(f)),
          undefined,
          f.per100G === null ? 'computed' : 'chosen',
        ),
      ),
      line(
        WORK.loading(),
        WORK['loading-by']({
          each: blend.fillers
            .map((f) => WORK['one-loading']({ share: figure(f.share / whole, 3), alone: figure(alone(f)) }))
            .reduce((sum, each) => WORK['loadings-sum']({ sum, each })),
        }),
        percent(loading),
      ),
      line(WORK.volume(), room.lean ? WORK.bulk() : WORK.each(), ml(room.volume)),
      line(
        WORK.density(),
        WORK['density-by']({ mass: grams(100 + loading), room: ml(room.volume) }),
        density((100 + loading) / room.volume),
      ),
    ],
  };
}

/** Fillers of one class as the one part they make. */
function merged(id: 'C' | 'D', name: string, mix: FilledMix, of: (kind: FillerClass) => boolean): OwnPart | null {
  const mine = mix.fillers.filter((f) => of(fillerOf(f.filler).kind));
  if (!mine.length) return null;
  const mass = mine.reduce((s, f) => s + f.per100G, 0);
  const own = mine.reduce((s, f) => s + f.per100G / fillerOf(f.filler).densityGPerMl, 0);
  const grains = fillerOf(mine[0]!.filler).kind === 'grains';
  const bulk = grains
    ? mine.reduce((s, f) => s + f.per100G / (fillerOf(f.filler).bulkGPerMl ?? fillerOf(f.filler).densityGPerMl), 0)
    : null;
  return {
    part: {
      id,
      name: mine.length === 1 ? mine[0]!.label : name,
      role: 'filler',
      densityGPerMl: mass / own,
      bulkGPerMl: bulk === null ? null : mass / bulk,
      filler: grains ? 'grains' : 'thixotrope',
    },
    per100G: mass,
  };
}

/** The mixed liquid of a sheet without fillers of its own, g/mL. */
export const liquidDensity = (sheet: SheetRevision): number => proportionOf(sheet, 0).densityGPerMl;

/** A part that is put in by oneself, and how much of it in 100 g of the mixed liquid. */
export interface OwnPart {
  readonly part: Part;
  readonly per100G: number;
}

/**
 * A sheet of two liquid parts with parts of one’s own. Its kits hold none of them; they make so much more as these take
 * up room.
 */
export function withOwn(sheet: SheetRevision, c: OwnPart | null, d: OwnPart | null): SheetRevision {
  const { massShare } = proportionOf(sheet);
  const own: SheetRevision = {
    ...sheet,
    parts: [...sheet.parts, ...(c ? [c.part] : []), ...(d ? [d.part] : [])],
    ratio: {
      ...sheet.ratio,
      basis: 'weight',
      // Parts of A and B by weight add up to what 100 g of liquid are.
      a: 100 * massShare.A,
      b: 100 * massShare.B,
      also: null,
      cByWeight: c?.per100G ?? null,
      dByWeight: d?.per100G ?? null,
    },
  };
  const mixed = proportionOf(own);
  const swell = liquidDensity(sheet) / (mixed.densityGPerMl * (mixed.massShare.A + mixed.massShare.B));
  return {
    ...own,
    kits: sheet.kits.map((k) => ({ ...k, yieldMl: k.yieldMl && k.yieldMl * swell })),
    coverageKgPerM2Mm: sheet.coverageKgPerM2Mm && sheet.coverageKgPerM2Mm / swell,
  };
}

const ready = new WeakMap<SheetRevision, WeakMap<Blend, SheetRevision>>();

/**
 * The sheet with fillers of one's own: light and fine ones as part C, grains as part D.
 * @throws Refusal for a sheet that has fillers of its own
 */
export function withBlend(sheet: SheetRevision, blend: Blend | null): SheetRevision {
  if (!blend) return sheet;
  const known = ready.get(sheet) ?? new WeakMap<Blend, SheetRevision>();
  ready.set(sheet, known);
  const found = known.get(blend);
  if (found) return found;
  if (sheet.parts.some((p) => p.id === 'C' || p.id === 'D'))
    refuse('blend', sheet.name, 'a system of two liquid parts', REFUSED['filler-sheet-more']({ sheet: sheet.name }));
  const mix = filledMix(blend, liquidDensity(sheet));
  const c = merged('C', 'blend of fillers', mix, (kind) => kind !== 'grains');
  const d = merged('D', 'grains', mix, (kind) => kind === 'grains');
  const filled = withOwn(sheet, c, d);
  known.set(blend, filled);
  return filled;
}
