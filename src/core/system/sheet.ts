import { z } from 'zod';
import { FamilyId, SystemKindId } from './family';
import { Milestone, type MilestoneId } from './milestone';

/** What a base may be made of; the drawing hatches it and the base temperature conducts through it. */
export const BASES = ['concrete', 'stone', 'metal', 'plastic', 'laminate', 'timber'] as const;
export const BaseMaterial = z.enum(BASES);
export type BaseMaterial = z.infer<typeof BaseMaterial>;

export const PartId = z.enum(['A', 'B', 'C']);
export type PartId = z.infer<typeof PartId>;

const positive = z.number().positive();

export const Part = z.object({
  id: PartId,
  name: z.string().min(1).max(80),
  role: z.enum(['resin', 'hardener', 'aggregate']),
  /** True density: mass over the volume of the substance itself, g/mL. */
  densityGPerMl: positive.max(25),
  /** Tamped bulk density of a granular part, g/mL; null for liquids and pastes. */
  bulkGPerMl: positive.max(25).nullable(),
});
export type Part = z.infer<typeof Part>;

/** Parts in proportion, always with the basis. The aggregate of a mortar is always by weight. */
export const Ratio = z.object({
  basis: z.enum(['weight', 'volume']),
  a: positive,
  b: positive,
  /** Parts of C by weight for the same parts of A and B *by weight*; null where there is no C. */
  cByWeight: positive.nullable(),
  /** The sheet's tolerance on B/A, per cent; null where the sheet is silent. */
  tolerancePct: positive.max(50).nullable(),
});
export type Ratio = z.infer<typeof Ratio>;

export const Limits = z.object({
  baseMinC: z.number().nullable(),
  baseMaxC: z.number().nullable(),
  airMinC: z.number().nullable(),
  airMaxC: z.number().nullable(),
  materialMinC: z.number().nullable(),
  materialMaxC: z.number().nullable(),
  humidityMaxPct: z.number().min(0).max(100).nullable(),
  /** Least distance of the base above the dew point, K. */
  dewMarginK: z.number().nullable(),
  /** Below this the cure clock stands still, °C. */
  cureMinC: z.number().nullable(),
  baseAgeMinDays: z.number().nonnegative().nullable(),
  liftMaxMm: positive.nullable(),
  liftMinMm: positive.nullable(),
  bondMinMm: positive.nullable(),
  bondMaxMm: positive.nullable(),
  bases: z.array(BaseMaterial),
  wetness: z.enum(['bone dry', 'wiped damp', 'saturated, no puddles']),
});
export type Limits = z.infer<typeof Limits>;

export const Kit = z.object({
  id: z.string().min(1),
  label: z.string().min(1).max(80),
  /** Mass of each part in one kit, g. */
  massG: z.object({ A: positive, B: positive, C: positive.nullable() }),
  splittable: z.boolean(),
  /** The sheet's own yield of this kit, mL; null where it gives none. */
  yieldMl: positive.nullable(),
  price: z.number().nonnegative().nullable(),
});
export type Kit = z.infer<typeof Kit>;

/** A two-part system as its maker's sheet states it, typed in by the user. Immutable: a change makes a new revision. */
export const SheetRevision = z.object({
  record: z.literal('sheet'),
  version: z.literal(1),
  id: z.string().min(1),
  systemId: z.string().min(1),
  revision: z.number().int().positive(),
  supersedes: z.string().nullable(),
  name: z.string().min(1).max(120),
  kind: SystemKindId,
  family: FamilyId,
  parts: z.array(Part).min(2).max(3),
  ratio: Ratio,
  milestones: z.array(Milestone).max(40),
  limits: Limits,
  kits: z.array(Kit).min(1).max(20),
  /** Static mixer: what stays in it, what is thrown away first, and its reach. */
  mixer: z.object({ volumeMl: positive, purgeMl: z.number().nonnegative(), reachMm: positive }).nullable(),
  /** What stays on the pot, paddle and trowel at each batch, mL. */
  potLossMl: z.number().nonnegative(),
  /** Mixing with a paddle or kneading, minutes. */
  mixMin: z.number().nonnegative(),
  primer: z.enum(['none', 'separate', 'drawn-off', 'silent']),
  hazards: z.array(z.string().max(200)).max(20),
  typedFrom: z.string().max(200),
  typedByRole: z.string().max(80),
  typedAt: z.number(),
  sample: z.boolean().default(false),
});
export type SheetRevision = z.infer<typeof SheetRevision>;

/** The part with that id. */
export const partOf = (sheet: SheetRevision, id: PartId): Part | undefined => sheet.parts.find((part) => part.id === id);

/** The milestone of that kind, if the sheet states it. */
export const milestoneOf = (sheet: SheetRevision, kind: MilestoneId): Milestone | undefined =>
  sheet.milestones.find((m) => m.kind === kind);

/** What is on the shelf of one system: a lot with its kits. */
export const Stock = z.object({
  record: z.literal('stock'),
  version: z.literal(1),
  id: z.string().min(1),
  systemId: z.string().min(1),
  kitId: z.string().min(1),
  lot: z.string().min(1).max(60),
  quantity: z.number().nonnegative(),
  expiresOn: z
    .string()
    .regex(/^\d{4}-\d{2}-\d{2}$/)
    .nullable(),
  sample: z.boolean().default(false),
});
export type Stock = z.infer<typeof Stock>;
