import { parseQuantity } from '../typed';
import { type SystemKindId, systemKind, type UsualPart } from './kinds';
import type { Way } from './manner';
import type { MilestoneId } from './milestone';
import { WETNESS, type Wetness } from './wetness';

/**
 * What a sheet is taken to say where it prints nothing and the work cannot be computed without it: Grenko's figures,
 * marked in the sheet, never a limit.
 */
export const USUAL = {
  /** Mixing in a pot or by hand, min; what stays in a full pot and on tools at the most, mL. */
  mixMin: 3,
  /** Left to place it once it is mixed. */
  worksMin: 30,
  potLossMl: 20,
  /** A static mixer of the common size. */
  mixer: { volumeMl: 9, purgeMl: 10, reachMm: 180 },
} as const;

/** A density that is not on the sheet is told as this part of itself more or less. */
export const USUAL_DENSITY_SPREAD = 0.15;

/** Fields of a sheet that may be taken as usual. Those of densities carry the letter of the part. */
export const ESTIMABLE = [
  'densityA',
  'densityB',
  'densityC',
  'densityD',
  'mixMin',
  'potLoss',
  'mixerVolume',
  'mixerPurge',
  'mixerReach',
  'wetness',
  'ratio',
  'doseUsual',
  'bulkC',
  'bulkD',
] as const;
export type EstimableField = (typeof ESTIMABLE)[number];

/** The usual density of a part of a kind, g/mL; undefined where the kind has no such part. */
export const usualDensity = (kind: SystemKindId, id: UsualPart['id']): number | undefined =>
  systemKind(kind).parts.find((p) => p.id === id)?.densityGPerMl;

/** What surface a kind usually wants: bone dry, but for what is bound by water. */
export const usualWetness = (kind: SystemKindId): Wetness => systemKind(kind).base ?? WETNESS[0];

/**
 * With what the parts of a sheet are usually measured out: by weight, but where it gives its ratio and its packs by
 * volume alone and no densities. Weighed by a density of ours the ratio would be a guess, and by a cup it is what is
 * printed.
 */
export function usualWay(sheet: {
  readonly kind: SystemKindId;
  readonly ratio: { readonly basis: string; readonly also: unknown };
  readonly dose: unknown;
  readonly estimated: readonly EstimableField[];
  readonly kits: readonly { readonly id: string }[];
  readonly printed: Readonly<Record<string, string>>;
}): Way {
  const { ways, mixing } = systemKind(sheet.kind);
  const isByVolume = sheet.ratio.basis === 'volume' && sheet.ratio.also === null && sheet.dose === null;
  const isGuessed = sheet.estimated.includes('densityA') || sheet.estimated.includes('densityB');
  // Packs told by weight are filled to be mixed whole: what each weighs to the other is known.
  const inMl = sheet.kits.some(({ id }) => parseQuantity('volume', sheet.printed[`kits.${id}.a`] ?? '', 'us').ok);
  return inMl && mixing !== 'mixer' && ways.includes('cup') && isByVolume && isGuessed ? 'cup' : 'weight';
}

/** Whether a part of a pack is usually weighed out of it: two tins are, a kit with its sand and a sachet are not. */
export function isPartedUsually(kind: SystemKindId): boolean {
  const { mixing, whole = false } = systemKind(kind);
  return mixing !== 'mixer' && !whole;
}

/** A little pot keeps a tenth of what is mixed in it, and never less than a smear, mL. */
const LEFT_SHARE = 0.1;
const SMEAR_ML = 1;

/** What a pot and its tools usually keep of a mix for a void of so much, mL, where the sheet is silent. */
export const usualPotLossMl = (kind: SystemKindId, netMl: number): number =>
  Math.min(systemKind(kind).keepsMl ?? USUAL.potLossMl, Math.max(SMEAR_ML, LEFT_SHARE * netMl));

/** How long a mix of a kind is usually stirred or kneaded, min, where the sheet is silent. */
export const usualMixMin = (kind: SystemKindId): number => systemKind(kind).mixMin ?? USUAL.mixMin;

/** What of its times tells how long a mix may be worked, whichever the sheet prints. */
const TELLS_WORKED: readonly MilestoneId[] = ['use-by', 'use-by-out', 'idle', 'open', 'gel'];
/** Whether a sheet tells how long a mix of it may be worked. */
export const tellsWorked = ({
  milestones,
}: {
  readonly milestones: readonly { readonly kind: MilestoneId }[];
}): boolean => milestones.some((m) => TELLS_WORKED.includes(m.kind));

/** Minutes that are usually left to place a mix of a kind once it is mixed, where its sheet tells nothing of it. */
export const usualWorksMin = (kind: SystemKindId): number => systemKind(kind).worksMin ?? USUAL.worksMin;
