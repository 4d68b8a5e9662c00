import { z } from 'zod';

/**
 * Chemical families: the activation energy used where a sheet gives a single figure, ±10 kJ/mol, none where drying decides; and what they
 * are to a layer that comes over them, where that matters.
 */
export const FAMILIES = {
  'resin-amine': { label: 'Resin and amine hardener', activationKJ: 55, layer: 'amine' },
  peroxide: { label: 'Cured by peroxide', activationKJ: 65, layer: 'peroxide' },
  methacrylate: { label: 'Methacrylate', activationKJ: 60, layer: 'methacrylate' },
  isocyanate: { label: 'Isocyanate', activationKJ: 45, layer: null },
  cement: { label: 'Cement', activationKJ: 40, layer: null },
  'water-borne': { label: 'Water-borne, dries', activationKJ: null, layer: null },
} as const satisfies Record<string, { label: string; activationKJ: number | null; layer: 'amine' | 'peroxide' | 'methacrylate' | null }>;

export const FamilyId = z.enum(Object.keys(FAMILIES) as [keyof typeof FAMILIES, ...(keyof typeof FAMILIES)[]]);
export type FamilyId = z.infer<typeof FamilyId>;
