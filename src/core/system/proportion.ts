import { density, exactly, grams, line, type Message, ml, refuse, texts, type WorkLine } from '../say';
import { PART_IDS, type PartId } from './kinds';
import { type Part, partOf, type SheetRevision } from './sheet';

const WORK = texts('work.proportion', {
  weight: 'Ratio A : B by weight',
  volume: 'Ratio A : B by volume',
  printed: 'as on the sheet',
  'to-hundred': '100 : {b}',
  'no-a': 'no part A',
  'times-density': '{a} × {densityA} : {b} × {densityB}',
  'by-density': '{a} / {densityA} : {b} / {densityB}',
  grains: 'Space between the grains',
  'grains-by': 'tamped bulk − solid, for the sheet’s parts by weight',
  liquid: 'Liquid for them',
  lean: 'less than the space: the mix is lean and keeps air',
  filled: 'more than the space: grains are filled',
  fillers: 'Fillers',
  'fillers-by': 'mass / true density of each',
  density: 'Density of the mix',
  'density-by': 'mass of the parts / their room, {mass} / {room}',
});

const REFUSED = texts('refused.system.proportion', {
  'needs-both-part': '{sheet} needs both a part A and a part B.',
});

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

/** Parts by weight for the sheet's parts of A and B, with only a share of the fillers added. */
export function partsByWeight(
  sheet: Pick<SheetRevision, 'name' | 'parts' | 'ratio'>,
  fillerShare = 1,
): Readonly<Record<PartId, number>> {
  const a = partOf(sheet, 'A');
  const b = partOf(sheet, 'B');
  if (!a || !b)
    return refuse('parts', sheet.parts.length, 'parts A and B', REFUSED['needs-both-part']({ sheet: sheet.name }));
  const { ratio } = sheet;
  const by = ratio.basis === 'weight' ? { a: 1, b: 1 } : { a: a.densityGPerMl, b: b.densityGPerMl };
  const share = (id: PartId) => (partOf(sheet, id)?.filler ? fillerShare : 1);
  return {
    A: ratio.a * by.a,
    B: ratio.b * by.b,
    C: partOf(sheet, 'C') && ratio.cByWeight !== null ? ratio.cByWeight * share('C') : 0,
    D: partOf(sheet, 'D') && ratio.dByWeight !== null ? ratio.dByWeight * share('D') : 0,
  };
}

/** Room a mix takes up. */
export interface Room {
  readonly volume: number;
  readonly liquid: number;
  readonly solid: number;
  /** Space between the grains, which liquid must fill before anything else. */
  readonly grainVoids: number;
  readonly lean: boolean;
}

/**
 * Volume of liquids with fillers, each by its class: grains take liquid + Σ mass / true density while the liquid
 * exceeds the space between them, bulk · (1 − bulk/true); below that the mix is lean, keeps air and takes the volume of
 * its bulk.
 * Thixotropes and hollow
 * spheres count by their (particle) density alone.
 * @param parts masses, g, with the parts they are of
 */
export function roomOf(
  parts: readonly { readonly part: Pick<Part, 'densityGPerMl' | 'bulkGPerMl' | 'filler'>; readonly massG: number }[],
): Room {
  let [liquid, solid, grains, bulk] = [0, 0, 0, 0];
  for (const { part, massG } of parts) {
    const own = massG / part.densityGPerMl;
    if (!part.filler) liquid += own;
    else solid += own;
    if (part.filler !== 'grains') continue;
    grains += own;
    bulk += part.bulkGPerMl ? massG / part.bulkGPerMl : own;
  }
  const grainVoids = bulk - grains;
  // Finer fillers lie between the grains with the liquid.
  const between = liquid + solid - grains;
  const lean = grainVoids > 0 && between < grainVoids;
  return { volume: lean ? bulk : liquid + solid, liquid, solid, grainVoids, lean };
}

/** B for a hundred of A; where there is no A there is no ratio. */
const toHundred = (b: number, a: number): Message =>
  a > 0 ? WORK['to-hundred']({ b: ((100 * b) / a).toFixed(1) }) : WORK['no-a']();

/**
 * Works out the composition of a mix from the sheet's ratio.
 * @param fillerShare share of the sheet's fillers that is really added, 1 for all of them
 * @throws Refusal when a part is missing
 */
export function proportionOf(sheet: SheetRevision, fillerShare = 1): Proportion {
  if (fillerShare !== 1) return workedOut(sheet, fillerShare);
  const known = whole.get(sheet) ?? workedOut(sheet, 1);
  whole.set(sheet, known);
  return known;
}
/** Sheets are immutable: what all of its fillers make is worked out once. */
const whole = new WeakMap<SheetRevision, Proportion>();

function workedOut(sheet: SheetRevision, fillerShare: number): Proportion {
  const masses = partsByWeight(sheet, fillerShare);
  const a = partOf(sheet, 'A')!;
  const b = partOf(sheet, 'B')!;
  const { basis } = sheet.ratio;
  const [mA, mB] = [masses.A, masses.B];
  const present = sheet.parts.filter((p) => masses[p.id] > 0);
  const mass = PART_IDS.reduce((s, id) => s + masses[id], 0);
  const { volume, liquid, solid, grainVoids, lean } = roomOf(present.map((part) => ({ part, massG: masses[part.id] })));
  /** The ratio by one basis: as the sheet has it, or through the densities from the other. */
  const ratioLine = (by: 'weight' | 'volume', ratio: Message) =>
    line(
      WORK[by](),
      by === basis
        ? WORK.printed()
        : WORK[by === 'weight' ? 'times-density' : 'by-density']({
            a: sheet.ratio.a,
            densityA: exactly(density(a.densityGPerMl)),
            b: sheet.ratio.b,
            densityB: exactly(density(b.densityGPerMl)),
          }),
      ratio,
      undefined,
      by === basis ? 'sheet' : 'computed',
    );
  // What its pack meters has a ratio that nobody was told: it is not said of any.
  const working = sheet.estimated.includes('ratio')
    ? []
    : [
        ratioLine('weight', toHundred(mB, mA)),
        ratioLine('volume', toHundred(mB * a.densityGPerMl, mA * b.densityGPerMl)),
      ];
  if (grainVoids > 0) {
    working.push(line(WORK.grains(), WORK['grains-by'](), ml(grainVoids)));
    working.push(line(WORK.liquid(), lean ? WORK.lean() : WORK.filled(), ml(liquid)));
  } else if (solid > 0) working.push(line(WORK.fillers(), WORK['fillers-by'](), ml(solid)));
  working.push(
    line(WORK.density(), WORK['density-by']({ mass: grams(mass), room: ml(volume) }), density(mass / volume)),
  );
  const share = (id: PartId) => masses[id] / mass;
  return {
    massShare: { A: share('A'), B: share('B'), C: share('C'), D: share('D') },
    densityGPerMl: mass / volume,
    liquidShare: liquid / volume,
    lean,
    working,
  };
}

/** Volume of finished mix that one kit makes, mL: the scarcest part decides. */
export function kitVolumeMl(sheet: SheetRevision, kit: SheetRevision['kits'][number]): number {
  const p = proportionOf(sheet);
  const from = (id: PartId) => {
    const mass = kit.massG[id];
    return mass !== null && p.massShare[id] > 0 ? mass / p.massShare[id] : Number.POSITIVE_INFINITY;
  };
  return Math.min(...PART_IDS.map(from)) / p.densityGPerMl;
}

/** A yield is printed in two or three figures. */
const AS_PRINTED = 0.01;

/** Whether a kit makes, by the masses and densities of its parts, what its paper says that it makes. */
export const makesAsPrinted = (sheet: SheetRevision, kit: SheetRevision['kits'][number]): boolean =>
  kit.yieldMl !== null && Math.abs(kitVolumeMl(sheet, kit) / kit.yieldMl - 1) < AS_PRINTED;

/** Whether it comes in bags of powder: they are emptied, and what is mixed with it is measured to them. */
export const comesInBags = ({ parts }: Pick<SheetRevision, 'parts'>): boolean => parts.some((p) => p.role === 'powder');

/** Packs fit their ratio where none is over by more than that share: what is printed on them is rounded. */
const FIT = 0.02;

/**
 * Whether whole packs are the mix as it is to be: of each part as much as the others ask for, so that nothing is
 * weighed out of them. What is dosed, or is in no pack, is measured to it anyhow.
 */
export function packsFit(sheet: SheetRevision, kit: SheetRevision['kits'][number]): boolean {
  const { massShare } = proportionOf(sheet);
  const asks = PART_IDS.filter((id) => massShare[id] > 0 && kit.massG[id] !== null && !(sheet.dose && id === 'B')).map(
    (id) => kit.massG[id]! / massShare[id],
  );
  return asks.length > 0 && Math.max(...asks) <= (1 + FIT) * Math.min(...asks);
}

/**
 * Volume that one kit fills by the sheet's own coverage (kg for each m² and mm, so kg/L); null where the sheet gives
 * none.
 */
export const coverageMl = (sheet: SheetRevision, kit: SheetRevision['kits'][number]): number | null =>
  sheet.coverageKgPerM2Mm === null
    ? null
    : PART_IDS.reduce((s, id) => s + (kit.massG[id] ?? 0), 0) / sheet.coverageKgPerM2Mm;

/** Whether a kit is used up whole: by choice, or because its sheet does not let it be parted. */
export const staysWhole = (
  kit: Pick<SheetRevision['kits'][number], 'splittable'>,
  split: 'whole' | 'weighed',
): boolean => split === 'whole' || !kit.splittable;

/** Whether somebody may choose to part it: only a sheet forbids that. */
export const mayBeSplit = (kit: Pick<SheetRevision['kits'][number], 'splittable' | 'splitUntold'>): boolean =>
  kit.splittable || kit.splitUntold === true;

/** The volume of a kit that plans, mL: the sheet's own yield or coverage where that is smaller than geometry. */
export const plannedKitMl = (sheet: SheetRevision, kit: SheetRevision['kits'][number]): number =>
  Math.min(
    kitVolumeMl(sheet, kit),
    kit.yieldMl ?? Number.POSITIVE_INFINITY,
    coverageMl(sheet, kit) ?? Number.POSITIVE_INFINITY,
  );

/**
 * Whether the mix holds grains whose tamped bulk density the sheet does not give: then nobody can tell whether it is
 * lean.
 */
export function grainsUntold(sheet: SheetRevision): boolean {
  const masses = partsByWeight(sheet);
  return sheet.parts.some((p) => p.filler === 'grains' && masses[p.id] > 0 && p.bulkGPerMl === null);
}

/**
 * The largest share of mixed liquid that may be drawn off as primer with the aggregate left whole before the mix turns
 * lean, 0 to 1.
 */
export function leanThreshold(sheet: SheetRevision): number | null {
  const masses = partsByWeight(sheet);
  if (grainsUntold(sheet)) return null;
  const room = roomOf(sheet.parts.filter((p) => masses[p.id] > 0).map((part) => ({ part, massG: masses[part.id] })));
  if (!(room.grainVoids > 0)) return 1;
  const fines = sheet.parts.reduce(
    (s, p) => s + (p.filler && p.filler !== 'grains' ? masses[p.id] / p.densityGPerMl : 0),
    0,
  );
  return Math.max(0, Math.min(1, 1 - (room.grainVoids - fines) / room.liquid));
}
