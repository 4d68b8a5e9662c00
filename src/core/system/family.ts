import { z } from 'zod';

/** What holds a set mix together. */
export type Binder = 'resin' | 'cement' | 'water';

/** What a family has in common. */
interface FamilyRow {
  readonly label: string;
  /** What holds it together once it has set. */
  readonly binder: Binder;
  /** Activation energy used where a sheet gives a single figure, ±10 kJ/mol; null where drying decides. */
  readonly activationKJ: number | null;
  /** What it is to a layer that comes over it, where that matters. */
  readonly layer: 'amine' | 'peroxide' | 'methacrylate' | null;
  /** Its self-heating is computed. */
  readonly selfHeats: boolean;
  /** It leaves a greasy film where it cures in the cold and damp, unless its sheet says otherwise. */
  readonly film: boolean;
  /** It sets with water, and crazes where that dries off first. */
  readonly keepsWater: boolean;
  /** Air holds back the cure of its outermost skin. */
  readonly airInhibited: boolean;
  /** What its cloths and its washing water need. */
  readonly disposal: 'peroxide' | 'cement' | null;
}

/**
 * Chemical families: the activation energy used where a sheet gives a single figure, ±10 kJ/mol, none where drying
 * decides; and what they are to a layer that comes over them, where that matters.
 */
export const FAMILIES = {
  'resin-amine': {
    label: 'Resin and amine hardener',
    binder: 'resin',
    activationKJ: 55,
    layer: 'amine',
    selfHeats: true,
    film: true,
    keepsWater: false,
    airInhibited: false,
    disposal: null,
  },
  peroxide: {
    label: 'Cured by peroxide',
    binder: 'resin',
    activationKJ: 65,
    layer: 'peroxide',
    selfHeats: false,
    film: false,
    keepsWater: false,
    airInhibited: true,
    disposal: 'peroxide',
  },
  methacrylate: {
    label: 'Methacrylate',
    binder: 'resin',
    activationKJ: 60,
    layer: 'methacrylate',
    selfHeats: false,
    film: false,
    keepsWater: false,
    airInhibited: false,
    disposal: 'peroxide',
  },
  isocyanate: {
    label: 'Isocyanate',
    binder: 'resin',
    activationKJ: 45,
    layer: null,
    selfHeats: false,
    film: false,
    keepsWater: false,
    airInhibited: false,
    disposal: null,
  },
  cement: {
    label: 'Cement',
    binder: 'cement',
    activationKJ: 40,
    layer: null,
    selfHeats: false,
    film: false,
    keepsWater: true,
    airInhibited: false,
    disposal: 'cement',
  },
  'water-borne': {
    label: 'Water-borne, dries',
    binder: 'water',
    activationKJ: null,
    layer: null,
    selfHeats: false,
    film: false,
    keepsWater: false,
    airInhibited: false,
    disposal: null,
  },
} as const satisfies Record<string, FamilyRow>;

export const FamilyId = z.enum(Object.keys(FAMILIES) as [keyof typeof FAMILIES, ...(keyof typeof FAMILIES)[]]);
export type FamilyId = z.infer<typeof FamilyId>;

/** Whether it sets with water, and so must keep it. */
export const keepsWater = ({ family }: { readonly family: FamilyId }): boolean => FAMILIES[family].keepsWater;
/** Whether air keeps its skin tacky where nothing shuts it out. */
export const airInhibited = ({ family }: { readonly family: FamilyId }): boolean => FAMILIES[family].airInhibited;
