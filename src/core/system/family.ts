import { z } from 'zod';

/** Chemical families, with the activation energy used where a sheet gives a single figure, ±10 kJ/mol; none where drying decides. */
export const FAMILIES = {
  'resin-amine': { label: 'Resin and amine hardener', activationKJ: 55 },
  peroxide: { label: 'Cured by peroxide', activationKJ: 65 },
  methacrylate: { label: 'Methacrylate', activationKJ: 60 },
  isocyanate: { label: 'Isocyanate', activationKJ: 45 },
  cement: { label: 'Cement', activationKJ: 40 },
  'water-borne': { label: 'Water-borne, dries', activationKJ: null },
} as const satisfies Record<string, { label: string; activationKJ: number | null }>;

export const FamilyId = z.enum(Object.keys(FAMILIES) as [keyof typeof FAMILIES, ...(keyof typeof FAMILIES)[]]);
export type FamilyId = z.infer<typeof FamilyId>;
