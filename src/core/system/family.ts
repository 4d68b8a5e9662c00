import { z } from 'zod';

/** Chemical families, with the activation energy used where a sheet gives a single figure. Each is ±10 kJ/mol. */
export const FAMILIES = {
  'resin-amine': { label: 'Resin and amine hardener', activationKJ: 55 },
  peroxide: { label: 'Cured by peroxide', activationKJ: 65 },
  methacrylate: { label: 'Methacrylate', activationKJ: 60 },
  isocyanate: { label: 'Isocyanate', activationKJ: 45 },
  cement: { label: 'Cement', activationKJ: 40 },
} as const;

export const FamilyId = z.enum(Object.keys(FAMILIES) as [keyof typeof FAMILIES, ...(keyof typeof FAMILIES)[]]);
export type FamilyId = z.infer<typeof FamilyId>;

/** Kinds of system, and what each needs of its sheet. */
export const SYSTEM_KINDS = {
  'anchor-pack': { label: 'Anchor resin, cartridge or twin-bag with static mixer', mixer: true, metered: true },
  'mortar-kit': { label: 'Resin mortar with aggregate, in kits', mixer: false, metered: false },
  paste: { label: 'Paste adhesive, mixed by hand', mixer: false, metered: false },
} as const;

export const SystemKindId = z.enum(Object.keys(SYSTEM_KINDS) as [keyof typeof SYSTEM_KINDS, ...(keyof typeof SYSTEM_KINDS)[]]);
export type SystemKindId = z.infer<typeof SystemKindId>;
