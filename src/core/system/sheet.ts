import { z } from 'zod';
import { Celsius, Currency, Density, Figure, Id, Instant, Minutes } from '../units';
import { FAMILIES, FamilyId } from './family';
import { Holes } from './holes';
import { FillerClass, PartId, PartRole, SystemKindId } from './kinds';
import { Flow } from './manner';
import { Milestone, type MilestoneId } from './milestone';
import { Strength } from './strength';
import { ESTIMABLE } from './usual';
import { WETNESS } from './wetness';

/** What a base may be made of; the drawing hatches it and the base temperature conducts through it. */
export const BASES = ['concrete', 'stone', 'metal', 'plastic', 'laminate', 'timber'] as const;
export const BaseMaterial = z.enum(BASES);
export type BaseMaterial = z.infer<typeof BaseMaterial>;

const positive = Figure.positive();

export const Part = z.object({
  id: PartId,
  name: z.string().min(1).max(80),
  role: PartRole,
  /** True density: mass over the volume of the substance itself, g/mL; of hollow spheres that of the whole particle. */
  densityGPerMl: Density,
  /** Tamped bulk density of a granular part, g/mL; null for liquids and pastes. */
  bulkGPerMl: Density.nullable(),
  /** How it takes up room in the mix; null for what is liquid itself. */
  filler: FillerClass.nullable(),
});
export type Part = z.infer<typeof Part>;

/** Parts in proportion, always with the basis. Fillers are always by weight. */
export const Ratio = z.object({
  basis: z.enum(['weight', 'volume']),
  a: positive,
  b: positive,
  /** Parts of C and D by weight for the same parts of A and B *by weight*; null where there is none. */
  cByWeight: positive.nullable(),
  dByWeight: positive.nullable(),
  /** The ratio on the other basis, where the sheet prints both: a check on the densities. */
  also: z.object({ a: positive, b: positive }).nullable(),
  /** The sheet's tolerance on B/A, per cent; null where the sheet is silent. */
  tolerancePct: positive.max(50).nullable(),
});
export type Ratio = z.infer<typeof Ratio>;

/** A part B that is dosed within a range, per cent by mass of A or of the total, as the sheet states it. */
export const Dose = z
  .object({
    minPct: positive.max(60),
    maxPct: positive.max(60),
    usualPct: positive.max(60),
    of: z.enum(['A', 'total']),
  })
  .refine((d) => d.minPct <= d.usualPct && d.usualPct <= d.maxPct, 'the usual dose lies within its range');
export type Dose = z.infer<typeof Dose>;

/** Where the work lies: what may sag out of it. */
export const ORIENTATIONS = ['floor', 'wall', 'overhead'] as const;
export const Orientation = z.enum(ORIENTATIONS);
export type Orientation = z.infer<typeof Orientation>;

export const Limits = z.object({
  baseMinC: Celsius.nullable(),
  baseMaxC: Celsius.nullable(),
  airMinC: Celsius.nullable(),
  airMaxC: Celsius.nullable(),
  materialMinC: Celsius.nullable(),
  materialMaxC: Celsius.nullable(),
  humidityMaxPct: z.number().min(0).max(100).nullable(),
  /** Least distance of the base above the dew point, K. */
  dewMarginK: z.number().min(-100).max(100).nullable(),
  /** Below this the cure clock stands still, °C. */
  cureMinC: Celsius.nullable(),
  /** Cured below this it sets but does not reach its full strength, °C. */
  fullCureMinC: Celsius.nullable().default(null),
  /** Glass transition of the fully cured mix, °C. */
  glassC: Celsius.nullable().default(null),
  baseAgeMinDays: z.number().nonnegative().max(100_000).nullable(),
  /** Largest moisture of the base, per cent by mass. */
  moistureMaxPct: z.number().min(0).max(100).nullable(),
  liftMaxMm: positive.nullable(),
  liftMinMm: positive.nullable(),
  /** Largest grain in it, mm. */
  grainMm: positive.nullable().default(null),
  bondMinMm: positive.nullable(),
  bondMaxMm: positive.nullable(),
  /** Thickness that does not sag on a wall, and overhead, mm; null where the sheet is silent. */
  sagWallMm: positive.nullable(),
  sagOverheadMm: positive.nullable(),
  /** Highest temperature in service, °C. */
  serviceMaxC: Celsius.nullable(),
  bases: z.array(BaseMaterial).max(20),
  /** How the sheet wants a base prepared, by base. */
  preparation: z.partialRecord(BaseMaterial, z.string().max(200)),
  wetness: z.enum(WETNESS),
});
export type Limits = z.infer<typeof Limits>;

/** So many of its largest grains a layer of mortar is thick at least, where its sheet gives no thinnest. */
const LEAST_GRAINS = 3;

/** The thinnest layer by the grains alone, mm; null where the sheet gives one itself, or no grain. */
export const leastByGrainMm = ({ liftMinMm, grainMm }: Pick<Limits, 'liftMinMm' | 'grainMm'>): number | null =>
  liftMinMm === null && grainMm !== null ? LEAST_GRAINS * grainMm : null;

/** What may sag where the work lies, and how that is said; null where nothing can. */
export const SAGS: Readonly<
  Record<
    Orientation,
    { readonly mostMm: (l: Limits) => number | null; readonly on: string; readonly silent: string } | null
  >
> = {
  floor: null,
  wall: { mostMm: (l) => l.sagWallMm, on: 'on a wall', silent: 'walls' },
  overhead: { mostMm: (l) => l.sagOverheadMm, on: 'overhead', silent: 'work overhead' },
};

export const Kit = z.object({
  id: Id,
  label: z.string().min(1).max(80),
  /** Mass of each part in one kit, g; null where the part is not in it. */
  massG: z.object({ A: positive, B: positive, C: positive.nullable(), D: positive.nullable() }),
  splittable: z.boolean(),
  /** Whether it may be split nobody has said: mixed as is usual for its kind, until somebody chooses otherwise. */
  splitUntold: z.literal(true).optional(),
  /** Parts that are not in the pack and are fetched beside it: sand by the bag. */
  apart: z.array(PartId).max(4).optional(),
  /** The sheet's own yield of this kit, mL; null where it gives none. */
  yieldMl: positive.nullable(),
  price: Figure.nonnegative().nullable(),
  /** What else is in the box, for checking: mixers, paddles, gloves. */
  contents: z
    .array(z.object({ what: z.string().min(1).max(60), count: z.number().int().positive().max(100_000) }))
    .max(20),
});
export type Kit = z.infer<typeof Kit>;

/** A two-part system as its maker's sheet states it, typed in by the user. Immutable: a change makes a new revision. */
export const SheetRevision = z.object({
  record: z.literal('sheet'),
  version: z.literal(2),
  id: Id,
  systemId: Id,
  revision: z.number().int().positive().max(100_000),
  supersedes: Id.nullable(),
  name: z.string().min(1).max(120),
  /** Whose it is: parts of two makers are never mixed. A word of the user's own. */
  maker: z.string().max(80),
  kind: SystemKindId,
  family: FamilyId,
  parts: z
    .array(Part)
    .min(2)
    .max(4)
    .refine((parts) => new Set(parts.map((p) => p.id)).size === parts.length, 'each part has a letter of its own')
    .refine((parts) => ['A', 'B'].every((id) => parts.some((p) => p.id === id)), 'there must be a part A and a part B'),
  ratio: Ratio,
  /** Density of the ready mix, or cured, as the sheet prints it, g/mL; null where it prints those of its parts only. */
  mixedGPerMl: positive.nullable().default(null),
  dose: Dose.nullable(),
  milestones: z.array(Milestone).max(40),
  limits: Limits,
  kits: z
    .array(Kit)
    .min(1)
    .max(20)
    .refine((kits) => new Set(kits.map((k) => k.id)).size === kits.length, 'each kit has a name of its own'),
  /**
   * Static mixer: what stays in it, what is thrown away first, its reach, and what a new pack is pressed out until both
   * parts flow.
   */
  mixer: z
    .object({
      volumeMl: positive,
      purgeMl: Figure.nonnegative(),
      reachMm: positive,
      flowMl: Figure.nonnegative().default(0),
    })
    .nullable(),
  /** What stays on the pot, paddle and trowel at each batch, mL. */
  potLossMl: Figure.nonnegative(),
  /** How the mix lies; null as its kind does. */
  flow: Flow.nullable().default(null),
  /** Mixing with a paddle or kneading, minutes. */
  mixMin: Minutes,
  /** Paddle speed, turns a minute, and the manner; as on the sheet. */
  mixRpm: z.object({ from: positive, to: positive }).nullable(),
  mixManner: z.string().max(120),
  primer: z.enum(['none', 'separate', 'drawn-off', 'silent']),
  /** The sheet's own coverage, kg for each m² and mm; null where it gives none. */
  coverageKgPerM2Mm: positive.nullable(),
  /** What one coat of a litre covers, as the sheet says, m²; null where it says nothing. */
  coversM2PerL: positive.nullable().default(null),
  /** Coats to refusal of a consolidant and what a square metre drinks, mL; null where it does not soak in. */
  uptakeMlPerM2: positive.nullable(),
  finish: z.object({
    colour: z.string().max(80),
    sanding: z.enum(['easy', 'hard', 'not', 'silent']),
    paintable: z.enum(['yes', 'no', 'silent']),
    /** What its paper says of a greasy film on its face; left out where it is silent: then its family tells. */
    film: z.enum(['leaves', 'none']).optional(),
  }),
  storage: z.object({
    minC: Celsius.nullable(),
    maxC: Celsius.nullable(),
    /** Shelf life closed, and once opened, months. */
    shelfMonths: positive.nullable(),
    openedMonths: positive.nullable(),
    /** What to look at before use: separated tin, crystals. */
    checks: z.array(z.string().max(160)).max(10),
  }),
  hazards: z.array(z.string().max(200)).max(20),
  protection: z.array(z.string().max(80)).max(20),
  /** Strength over age; null where the sheet prints none, and then no curve is invented. */
  strength: Strength.nullable().default(null),
  /** What the prices of its kits are in; null where nobody said, as on sheets of earlier versions. */
  currency: Currency.nullable().default(null),
  /** What it wants of holes that rods are set into; null where it says nothing of them. */
  holes: Holes.nullable().default(null),
  /**
   * Quantities as the paper prints them, in its own units, by field of the editor; those printed in the units kept here
   * are not listed.
   */
  printed: z.record(z.string().max(60), z.string().max(60)).default({}),
  /** Fields that the paper is silent on and that are taken as usual, by field of the editor. */
  estimated: z.array(z.enum(ESTIMABLE)).max(ESTIMABLE.length).default([]),
  typedFrom: z.string().max(200),
  typedByRole: z.string().max(80),
  typedAt: Instant,
  sample: z.boolean().default(false),
});
export type SheetRevision = z.infer<typeof SheetRevision>;

type Old = Readonly<Record<string, unknown>>;
const isOld = (x: unknown): x is Old => typeof x === 'object' && x !== null && !Array.isArray(x);
const each = (list: unknown, step: (item: Old) => unknown) =>
  Array.isArray(list) ? list.map((x) => (isOld(x) ? step(x) : x)) : list;

/**
 * Steps of a sheet from version n to n + 1. 1 → 2: a fourth part, doses, sag, coverage, storage, finish, protection,
 * contents of kits.
 */
export const SHEET_STEPS: Readonly<Record<number, (old: Old) => Old>> = {
  1: (old) => ({
    maker: '',
    dose: null,
    mixRpm: null,
    mixManner: '',
    coverageKgPerM2Mm: null,
    uptakeMlPerM2: null,
    finish: { colour: '', sanding: 'hard', paintable: 'silent' },
    storage: { minC: null, maxC: null, shelfMonths: null, openedMonths: null, checks: [] },
    protection: [],
    ...old,
    version: 2,
    parts: each(old.parts, (p) => ({ filler: p.role === 'aggregate' ? 'grains' : null, ...p })),
    ratio: isOld(old.ratio) ? { dByWeight: null, also: null, ...old.ratio } : old.ratio,
    limits: isOld(old.limits)
      ? {
          moistureMaxPct: null,
          sagWallMm: null,
          sagOverheadMm: null,
          serviceMaxC: null,
          preparation: {},
          ...old.limits,
        }
      : old.limits,
    kits: each(old.kits, (k) => ({ contents: [], ...k, massG: isOld(k.massG) ? { D: null, ...k.massG } : k.massG })),
  }),
};

/** What is on the shelf of one system: a lot with its kits. */
export const Stock = z.object({
  record: z.literal('stock'),
  version: z.literal(2),
  id: Id,
  systemId: Id,
  kitId: Id,
  lot: z.string().min(1).max(60),
  /** Closed kits. */
  quantity: z.number().int().nonnegative().max(1_000_000),
  expiresOn: z.iso.date().nullable(),
  openedOn: z.iso.date().nullable(),
  /** Left in the opened kit, as a share of it. */
  openedShare: z.number().min(0).max(1),
  /** Times it was stored outside the sheet's range. */
  breaches: z.array(z.object({ on: z.iso.date(), text: z.string().min(1).max(200) })).max(50),
  price: Figure.nonnegative().nullable(),
  currency: Currency.nullable().default(null),
  /** Counted drops of the catalyst to 1 mL, and width of its strip, mm. */
  dropsPerMl: positive.nullable(),
  stripMm: positive.nullable(),
  where: z.string().max(120),
  sample: z.boolean().default(false),
});
export type Stock = z.infer<typeof Stock>;

/** Steps of a lot from version n to n + 1. */
export const STOCK_STEPS: Readonly<Record<number, (old: Old) => Old>> = {
  1: (old) => ({
    openedOn: null,
    openedShare: 0,
    breaches: [],
    price: null,
    dropsPerMl: null,
    stripMm: null,
    where: '',
    ...old,
    version: 2,
  }),
};

function forward(raw: unknown, steps: Readonly<Record<number, (old: Old) => Old>>): unknown {
  let now = raw;
  while (isOld(now) && typeof now.version === 'number' && steps[now.version]) now = steps[now.version]!(now);
  return now;
}
/** A sheet or lot of any version as one of the newest; anything else is given back as it came. */
export const sheetNow = (raw: unknown): unknown => forward(raw, SHEET_STEPS);
export const stockNow = (raw: unknown): unknown => forward(raw, STOCK_STEPS);

/** The part with that id. */
export const partOf = (sheet: Pick<SheetRevision, 'parts'>, id: PartId): Part | undefined =>
  sheet.parts.find((part) => part.id === id);

/** The milestone of that kind, if the sheet states it. */
export const milestoneOf = (sheet: SheetRevision, kind: MilestoneId): Milestone | undefined =>
  sheet.milestones.find((m) => m.kind === kind);

/** Values every field of a sheet's limits may be left at: the sheet is silent. */
export const SILENT_LIMITS: Limits = {
  baseMinC: null,
  baseMaxC: null,
  airMinC: null,
  airMaxC: null,
  materialMinC: null,
  materialMaxC: null,
  humidityMaxPct: null,
  dewMarginK: null,
  cureMinC: null,
  fullCureMinC: null,
  glassC: null,
  baseAgeMinDays: null,
  moistureMaxPct: null,
  liftMaxMm: null,
  liftMinMm: null,
  grainMm: null,
  bondMinMm: null,
  bondMaxMm: null,
  sagWallMm: null,
  sagOverheadMm: null,
  serviceMaxC: null,
  bases: [],
  preparation: {},
  wetness: 'bone dry',
};

/** Whether a system leaves a greasy film where it cures cold and damp: as its sheet says, else as its family does. */
export const leavesFilm = ({ family, finish }: Pick<SheetRevision, 'family' | 'finish'>): boolean =>
  finish.film === undefined ? FAMILIES[family].film : finish.film === 'leaves';
