import { partsByWeight, type SheetRevision } from '../system';

/** Dry fabric of one hole, g: circles that step out beyond its edge. @param gPerM2 weight of a layer */
export function circlesG(holeMm: number, circles: number, stepMm: number, gPerM2: number): number {
  let mm2 = 0;
  for (let i = 1; i <= circles; i++) mm2 += (Math.PI / 4) * (holeMm + i * stepMm) ** 2;
  return (mm2 / 1e6) * gPerM2;
}
/** Resin that so much fabric takes, g, at a share of fibre in the whole by mass, %. */
export const resinFor = (fabricG: number, fibrePct: number): number => (fabricG * (100 - fibrePct)) / fibrePct;

/** Density of the mix before any filler or thickener goes in, g/mL: fabric is wetted with that. */
export const neatGPerMl = (sheet: SheetRevision): number => {
  const by = partsByWeight(sheet);
  const liquids = sheet.parts.filter((p) => p.filler === null);
  const mass = liquids.reduce((sum, p) => sum + by[p.id], 0);
  return mass / liquids.reduce((sum, p) => sum + by[p.id] / p.densityGPerMl, 0);
};
