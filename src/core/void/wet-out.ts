import { z } from 'zod';
import { areal, density, exactly, grams, line, ml, mm, mm2, texts } from '../say';
import { Figure, Percent } from '../units';
import { drawing, hollow, rect } from './draw';
import { unmeasured } from './measured';
import {
  OUTLINE_SIZES,
  outlineArea,
  outlineDimensions,
  outlineLists,
  outlineParameters,
  outlinePlan,
  outlineProblems,
  outlineWorked,
  PlanOutline,
  writeOutline,
} from './outline';
import { check, type Shape } from './shape';

const WORK = texts('work.wet-out', {
  area: 'Area',
  mass: 'Resin by mass',
  // What fabric weighs is printed on it in grams to the square metre wherever it is sold.
  'mass-by': 'area × {layers} × {areal} × (100 − {fibre})/{fibre}',
  volume: 'Resin by volume',
  'volume-by': 'resin / {density}',
  thick: 'Thickness of the laminate',
  'thick-by': 'from both densities',
});

/** Fabric, felt or pads saturated with resin. */
export const WetOut = z.object({
  shape: z.literal('wetOut'),
  version: z.literal(1),
  outline: PlanOutline,
  layers: Figure,
  /** Dry weight of one layer, g/m². */
  arealGPerM2: Figure,
  /** Share of fibre in the finished laminate by mass, %. */
  fibrePct: Percent,
  fibreGPerMl: Figure,
  resinGPerMl: Figure,
});
export type WetOut = z.infer<typeof WetOut>;

/** Resin by mass for an area, g: area × layers × areal weight × (1 − Wf)/Wf. */
const resinG = (s: WetOut, areaMm2: number): number =>
  ((areaMm2 / 1e6) * s.layers * s.arealGPerM2 * (100 - s.fibrePct)) / s.fibrePct;

/** Thickness of the laminate from both densities, mm. */
export const laminateMm = (s: WetOut): number =>
  ((s.layers * s.arealGPerM2) / 1000) * (1 / s.fibreGPerMl + (100 - s.fibrePct) / s.fibrePct / s.resinGPerMl);

export const wetOut: Shape<WetOut> = {
  id: 'wetOut',
  version: 1,
  label: 'Fabric or felt to saturate',
  seen: 'layers of fabric, felt or pads laid in resin',
  broke: 'surface',
  fromAbove: true,
  sizes: OUTLINE_SIZES,
  schema: WetOut,
  blank: () => ({
    shape: 'wetOut',
    version: 1,
    outline: { kind: 'rectangle', length: unmeasured(400), width: unmeasured(300) },
    layers: 3,
    arealGPerM2: 300,
    fibrePct: 45,
    fibreGPerMl: 2.55,
    resinGPerMl: 1.12,
  }),
  dimensions: (s) => outlineDimensions(s.outline, 'outline'),
  parameters: (s) => [
    ...outlineParameters(s.outline, 'outline'),
    { key: 'layers', label: 'Layers', kind: 'count', value: s.layers, min: 1, max: 100, whole: true },
    {
      key: 'arealGPerM2',
      label: 'Dry weight of a layer',
      kind: 'areal',
      value: s.arealGPerM2,
      min: 0,
      max: 5000,
      minExclusive: true,
    },
    { key: 'fibrePct', label: 'Fibre in the laminate, by mass', kind: 'percent', value: s.fibrePct, min: 5, max: 90 },
    { key: 'fibreGPerMl', label: 'Density of the fibre', kind: 'density', value: s.fibreGPerMl, min: 0.1, max: 10 },
    {
      key: 'resinGPerMl',
      label: 'Density of the mixed resin',
      kind: 'density',
      value: s.resinGPerMl,
      min: 0.5,
      max: 3,
    },
  ],
  told: ['layers', 'arealGPerM2', 'fibrePct'],
  lists: (s) => outlineLists(s.outline, 'outline'),
  write: writeOutline,
  problems: (s) => outlineProblems(s.outline, 'outline'),
  volume: (s) => {
    const { at } = outlineArea(s.outline);
    return (v) => resinG(s, at(v)) / s.resinGPerMl;
  },
  working: (s) => {
    const area = outlineArea(s.outline).areaMm2;
    const g = resinG(s, area);
    return [
      line(WORK.area(), outlineWorked(s.outline), mm2(area)),
      line(
        WORK.mass(),
        WORK['mass-by']({ layers: s.layers, areal: exactly(areal(s.arealGPerM2)), fibre: s.fibrePct }),
        grams(g),
      ),
      line(WORK.volume(), WORK['volume-by']({ density: exactly(density(s.resinGPerMl)) }), ml(g / s.resinGPerMl)),
      line(WORK.thick(), WORK['thick-by'](), mm(laminateMm(s))),
    ];
  },
  faces: (s) => {
    check(wetOut, s);
    const { areaMm2, aroundMm } = outlineArea(s.outline);
    const t = laminateMm(s);
    return { planAreaMm2: areaMm2, wettedAreaMm2: areaMm2, maxDepthMm: t, perimeterMm: aroundMm, thicknessMm: t };
  },
  section: (s) => {
    const t = laminateMm(s) / s.layers;
    const shown = Math.min(s.layers, 12);
    const wide = t * shown * 6;
    const drawn = drawing('section through the layers', [
      { role: 'base', points: rect(-wide * 0.15, t * shown, wide * 1.15, t * shown + wide * 0.2) },
      ...Array.from({ length: shown }, (_, i) =>
        hollow(rect(i * t * 0.8, (shown - 1 - i) * t, wide - i * t * 0.8, (shown - i) * t)),
      ),
    ]);
    // A piece of it alone.
    return { ...drawn, origin: null };
  },
  plan: (s) => outlinePlan(s.outline, 'outline'),
};
