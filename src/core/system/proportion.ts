import { line, refuse, type WorkLine } from '../units';
import { type PartId, partOf, type SheetRevision } from './sheet';

/** Composition of one gram of finished mix. */
export interface Proportion {
  /** Mass share of each part, summing to 1. */
  readonly massShare: Readonly<Record<PartId, number>>;
  /** Density of the finished mix, g/mL. */
  readonly densityGPerMl: number;
  /** Liquid (A and B) volume for each mL of mix. */
  readonly liquidShare: number;
  /** Whether the liquid fills the voids between the grains; a lean mix keeps air and its volume is the bulk. */
  readonly lean: boolean;
  readonly working: readonly WorkLine[];
}

/**
 * Works out the composition of a mix from the sheet's ratio. Volume of resin plus grains is liquid + Σ mass / true density
 * while the liquid exceeds the grain voids, bulk · (1 − bulk/true); below that the mix is lean and takes the volume of its bulk.
 * @param cShare share of the sheet's aggregate that is really added, 1 for all of it
 * @throws Refusal when a part's density is missing
 */
export function proportionOf(sheet: SheetRevision, cShare = 1): Proportion {
  const a = partOf(sheet, 'A');
  const b = partOf(sheet, 'B');
  const c = partOf(sheet, 'C');
  if (!a || !b) return refuse('parts', sheet.parts.length, 'parts A and B', `${sheet.name} needs both a part A and a part B.`);
  const { basis } = sheet.ratio;
  const mA = basis === 'weight' ? sheet.ratio.a : sheet.ratio.a * a.densityGPerMl;
  const mB = basis === 'weight' ? sheet.ratio.b : sheet.ratio.b * b.densityGPerMl;
  const mC = c && sheet.ratio.cByWeight !== null ? sheet.ratio.cByWeight * cShare : 0;
  const mass = mA + mB + mC;
  const liquid = mA / a.densityGPerMl + mB / b.densityGPerMl;
  const solid = c ? mC / c.densityGPerMl : 0;
  const bulk = c?.bulkGPerMl ? mC / c.bulkGPerMl : solid;
  const grainVoids = bulk - solid;
  const lean = mC > 0 && liquid < grainVoids;
  const volume = lean ? bulk : liquid + solid;
  const working = [
    line(
      'Ratio A : B by weight',
      basis === 'weight' ? 'as on the sheet' : `${sheet.ratio.a} × ${a.densityGPerMl} : ${sheet.ratio.b} × ${b.densityGPerMl}`,
      `100 : ${((100 * mB) / mA).toFixed(1)}`,
      '',
      undefined,
      basis === 'weight' ? 'sheet' : 'computed',
    ),
    line(
      'Ratio A : B by volume',
      basis === 'volume' ? 'as on the sheet' : `${sheet.ratio.a} / ${a.densityGPerMl} : ${sheet.ratio.b} / ${b.densityGPerMl}`,
      `100 : ${((100 * mB * a.densityGPerMl) / (mA * b.densityGPerMl)).toFixed(1)}`,
      '',
      undefined,
      basis === 'volume' ? 'sheet' : 'computed',
    ),
  ];
  if (mC > 0 && c) {
    working.push(
      line(
        'Space between the grains',
        `tamped bulk ${bulk.toFixed(1)} − solid ${solid.toFixed(1)} (parts by weight / density)`,
        grainVoids,
        'mL',
      ),
    );
    working.push(
      line(
        'Liquid for them',
        lean ? 'less than the space: the mix is lean and keeps air' : 'more than the space: grains are filled',
        liquid,
        'mL',
      ),
    );
  }
  working.push(line('Density of the mix', `${mass.toFixed(1)} g / ${volume.toFixed(1)} mL`, mass / volume, 'g/mL'));
  return {
    massShare: { A: mA / mass, B: mB / mass, C: mC / mass },
    densityGPerMl: mass / volume,
    liquidShare: liquid / volume,
    lean,
    working,
  };
}

/** Volume of finished mix that one kit makes, mL: the scarcest part decides. */
export function kitVolumeMl(sheet: SheetRevision, kit: SheetRevision['kits'][number]): number {
  const p = proportionOf(sheet);
  const from = (part: PartId, mass: number) => (p.massShare[part] > 0 ? mass / p.massShare[part] : Number.POSITIVE_INFINITY);
  return (
    Math.min(from('A', kit.massG.A), from('B', kit.massG.B), kit.massG.C === null ? Number.POSITIVE_INFINITY : from('C', kit.massG.C)) /
    p.densityGPerMl
  );
}

/** The largest share of mixed liquid that may be drawn off as primer with the aggregate left whole before the mix turns lean, 0 to 1. */
export function leanThreshold(sheet: SheetRevision): number {
  const c = partOf(sheet, 'C');
  if (!c?.bulkGPerMl || sheet.ratio.cByWeight === null) return 1;
  const a = partOf(sheet, 'A')!;
  const b = partOf(sheet, 'B')!;
  const liquid =
    sheet.ratio.basis === 'weight' ? sheet.ratio.a / a.densityGPerMl + sheet.ratio.b / b.densityGPerMl : sheet.ratio.a + sheet.ratio.b;
  const need = sheet.ratio.cByWeight / c.bulkGPerMl - sheet.ratio.cByWeight / c.densityGPerMl;
  return Math.max(0, 1 - need / liquid);
}
