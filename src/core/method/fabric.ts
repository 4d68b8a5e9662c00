import { partsByWeight, type SheetRevision } from '../system';
import type { Setting } from './context';
import type { Effects } from './effects';

/** What is asked of circles of fabric that back a hole. */
export const fabricSettings = (when: (e: Effects) => boolean): readonly Setting[] => [
  {
    id: 'circles',
    label: 'Circles of fabric in each hole',
    kind: 'count',
    byDefault: 2,
    min: 1,
    max: 20,
    stage: 'place',
    when,
  },
  {
    id: 'step',
    label: 'Each circle wider by',
    kind: 'length',
    byDefault: 10,
    min: 1,
    max: 200,
    stage: 'place',
    when,
  },
  {
    id: 'areal',
    label: 'Dry weight of the fabric',
    kind: 'areal',
    byDefault: 200,
    min: 10,
    max: 3000,
    stage: 'place',
    when,
  },
  {
    id: 'fibre',
    label: 'Share of fibre, by mass',
    kind: 'percent',
    byDefault: 45,
    min: 10,
    max: 80,
    stage: 'place',
    when,
  },
];

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
