import { z } from 'zod';

export const PartId = z.enum(['A', 'B', 'C', 'D']);
export type PartId = z.infer<typeof PartId>;
export const PART_IDS = PartId.options;

export const PartRole = z.enum([
  'resin',
  'hardener',
  'catalyst',
  'aggregate',
  'filler',
  'thickener',
  'powder',
  'liquid',
  'water',
]);
export type PartRole = z.infer<typeof PartRole>;

/**
 * How a solid takes up room in a mix. Grains need liquid for the space between them; thixotropes are dosed by
 * consistency; hollow spheres count with the density of the whole particle, never of their shell.
 */
export const FILLER_CLASSES = {
  grains: 'grains: sand, aggregate',
  thixotrope: 'thickener: fumed silica, fine fibres',
  spheres: 'hollow spheres, light filler',
} as const;
export const FillerClass = z.enum(
  Object.keys(FILLER_CLASSES) as [keyof typeof FILLER_CLASSES, ...(keyof typeof FILLER_CLASSES)[]],
);
export type FillerClass = z.infer<typeof FillerClass>;

/** A part as a kind of system usually has it; the sheet's own figures replace these. */
export interface UsualPart {
  readonly id: PartId;
  readonly name: string;
  readonly role: PartRole;
  readonly densityGPerMl: number;
  readonly filler?: FillerClass;
  readonly bulkGPerMl?: number;
}
