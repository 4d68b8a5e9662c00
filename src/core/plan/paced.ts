import { coatsOf, ENGINES, faceM2, runM, type Setting, topFaceM2 } from '../method';
import { isPacedKind, PACED_KINDS, type PacedAmounts, type PacedKind } from '../typed';
import { toCore, unitOf } from '../units';
import { kindOf, placesIn } from '../void';
import type { RepairPlan } from './repair-plan';

/**
 * How much of a rate goes into what people tell a pace by: mL, or m² where the rate is one of areas, for a metre, a
 * square metre, one of several like places and all of it.
 * @returns null where the setting is not how fast it is placed
 */
export function pacedAmounts(plan: RepairPlan, setting: Setting): PacedAmounts | null {
  const { context: c, method, batches } = plan;
  if (!c || !method || !isPacedKind(setting.kind)) return null;
  if (ENGINES[method.engine].pace?.(c).setting !== setting.id) return null;
  const { nominalMl } = c.measured;
  const placedMl = batches.reduce((sum, b) => sum + (b.handledMl ?? b.placedMl), 0) || nominalMl;
  const { shapes, count } = c.void;
  // Shapes of one kind lie beside one another, of several kinds over one another.
  const face = new Set(shapes.map((s) => s.shape)).size === 1 ? faceM2(c) : topFaceM2(c);
  const areas = shapes.flatMap((s) => kindOf(s).inArea?.(s) ?? []);
  const sum = (of: 'mm2' | 'ml') => areas.reduce((all, area) => all + area[of], 0) * count;
  // All of it is every coat; a square metre is gone over once.
  const coats = ENGINES[method.engine].onFaces ? coatsOf(c) : 1;
  const { ofAreas } = PACED_KINDS[setting.kind];
  const [once, all] = ofAreas ? [face, face * coats] : [placedMl, placedMl];
  // Away from joints that stay open a square metre takes more than its share of all.
  const perM2 = ofAreas || !areas.length ? once / face : (placedMl * sum('ml')) / nominalMl / (sum('mm2') / 1e6);
  const [run, places] = [runM(c), placesIn(c.void)];
  return {
    all: all > 0 ? all : null,
    m: run > 0 ? once / run : null,
    m2: perM2 > 0 && Number.isFinite(perM2) ? perM2 : null,
    place: places > 1 ? all / places : null,
    places,
  };
}

/** Minutes that one pair of hands needs, by what a pace is told for; null where there is no such thing. */
export type PacedMinutes = Readonly<Record<'place' | 'm' | 'ft' | 'm2' | 'ft2' | 'all', number | null>>;

/**
 * How long a rate takes for each thing that people tell a pace by, where there is as much as one of it.
 * @param rate mL/min, or m²/h for one of areas
 */
export function pacedMinutes(amounts: PacedAmounts, kind: PacedKind, rate: number): PacedMinutes {
  const perMin = rate * PACED_KINDS[kind].perMin;
  const takes = (amount: number | null) => (amount === null || !(perMin > 0) ? null : amount / perMin);
  // Nobody counts a hand’s breadth by the metre.
  const longer = (by: 'm' | 'm2') => (amounts.all ?? 0) >= (amounts[by] ?? Number.POSITIVE_INFINITY);
  const [m, m2] = (['m', 'm2'] as const).map((by) => (longer(by) ? takes(amounts[by]) : null)) as [
    number | null,
    number | null,
  ];
  return {
    place: takes(amounts.place),
    m,
    ft: m && (m * toCore(unitOf('length', 'ft'), 1)) / 1000,
    m2,
    ft2: m2 && (m2 * toCore(unitOf('area', 'ft²'), 1)) / 1e6,
    all: takes(amounts.all),
  };
}
