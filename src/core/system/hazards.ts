import { FAMILIES, type FamilyId } from './family';

export const SENSITISING = 'Sensitising: no bare skin, for both parts.';
export const PEROXIDE = 'Peroxide: keep from eyes, flames and accelerators; never mix it with an accelerator directly.';
export const VAPOUR = 'Vapours: ventilate, no flames or sparks.';
export const SILICA = 'Silica dust when pouring and when grinding.';
export const CAUSTIC = 'Wet cement is caustic: skin and eyes.';

/** Cautions that hold in some chemistries only. */
const HOLDS_IN: ReadonlyMap<string, (family: FamilyId) => boolean> = new Map([
  [PEROXIDE, (family) => FAMILIES[family].disposal === 'peroxide'],
]);

/** Of the cautions of a kind those that its chemistry has: an epoxy is set by no peroxide. */
export const ofChemistry = (hazards: readonly string[], family: FamilyId): readonly string[] =>
  hazards.filter((caution) => HOLDS_IN.get(caution)?.(family) ?? true);
