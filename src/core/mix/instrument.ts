import {
  attempt,
  exactly,
  grams,
  line,
  type Message,
  ml,
  percent,
  positive,
  refuse,
  texts,
  type WorkLine,
} from '../say';
import { type PartId, partOf, type SheetRevision, type Way } from '../system';
import { figure } from '../units';

const WORK = texts('work.instrument', {
  ratio: 'Ratio as measured out is off by',
  'ratio-by': '{b} / {a} against {nominal}',
  worst: 'With half a step of each reading',
  'worst-by': 'both at their worst',
});

const AMOUNT = texts('measured-out', {
  poured: '{amount}',
  of: '{amount} {unit, select, drops {{n, plural, one {drop} other {drops}}} strokes {{n, plural, one {stroke} other {strokes}}} sachets {{n, plural, one {sachet} other {sachets}}} other {{unit}}}',
});

const REFUSED = texts('refused.mix.instrument', {
  'other-system':
    '{other}{of, select, none {} other { of {of}}} is another system than {system}: their parts are not made for each other, and no ratio is right. Use the part that belongs to it.',
  'drops-differ-bottle':
    'Drops differ by bottle and liquid: count the drops that make a millilitre before measuring by drops.',
  'drops-counted-whole': 'Drops are counted whole.',
  'say-what-stroke': 'Say what one stroke of this gun or pump gives: press ten into a cup and divide.',
  'say-how-thick': 'Say how thick the strip from this tube is.',
});

/** What parts are measured with at the bench, and what it can show. */
export interface Instrument {
  readonly way: Way;
  readonly scaleStepG: number;
  /** Marks of the cup, mL. */
  readonly cupStepMl: number;
  /** What one stroke or shot gives, mL. */
  readonly strokeMl: number | null;
  /** Counted drops of the catalyst to 1 mL; null until counted. */
  readonly dropsPerMl: number | null;
  /** Diameter of the strip of paste, mm. */
  readonly stripMm: number | null;
}

/** A part as it is really measured out. */
export interface Measured {
  readonly part: PartId;
  readonly massG: number;
  /** What the hand counts: 12 drops, 35 mm of strip, 240 mL, 3 strokes. */
  readonly amount: number;
  readonly unit: 'g' | 'mL' | 'drops' | 'mm' | 'strokes' | 'sachets';
  /** Smallest difference it can show, in the same unit. */
  readonly step: number;
  /** Mass of the rounded amount, g. */
  readonly roundedG: number;
}

export interface MeasuredBatch {
  readonly parts: readonly Measured[];
  /** What rounding alone does to B/A, per cent. */
  readonly roundingPct: number;
  /** Rounding and half a step of each reading, at their worst together, per cent. */
  readonly worstPct: number;
  /** The same to each side: how much B may be short, and how much over. */
  readonly worstShortPct: number;
  readonly worstOverPct: number;
  readonly working: readonly WorkLine[];
}

/** Mass of one drop, g. @param dropsPerMl as counted; @throws Refusal when they are not counted */
export function dropMassG(dropsPerMl: number | null, densityGPerMl: number): number {
  if (dropsPerMl === null) return refuse('dropsPerMl', null, 'drops counted to 1 mL', REFUSED['drops-differ-bottle']());
  return densityGPerMl / positive('dropsPerMl', dropsPerMl, 'The drops to 1 mL');
}

/** What a count to some mark says: drops to 1 mL with the doubt of one drop. @param mlFilled what was filled, mL */
export function dropsPerMl(drops: number, mlFilled: number): { readonly perMl: number; readonly tolerancePct: number } {
  positive('drops', drops, 'The number of drops');
  positive('mlFilled', mlFilled, 'The filled volume');
  if (!Number.isInteger(drops)) refuse('drops', drops, 'whole drops', REFUSED['drops-counted-whole']());
  return { perMl: drops / mlFilled, tolerancePct: 100 / drops };
}

/** Length of a strip of paste, mm: volume / (π d²/4). */
export const stripLengthMm = (massG: number, densityGPerMl: number, diameterMm: number): number =>
  ((massG / densityGPerMl) * 1000) / ((Math.PI * diameterMm ** 2) / 4);

/** A strip is cut so exactly, mm; one shorter than this is told by tenths. */
const CUT_MM = 1;
const SHORT_STRIP_MM = 20;

const SMALL = new Set<Way>(['drops', 'strip']);

/** How one part is measured by a way: drops and strips measure the catalyst, the rest of that way goes on the scale. */
function measurePart(sheet: SheetRevision, part: PartId, massG: number, i: Instrument): Measured {
  const { densityGPerMl, role, filler } = partOf(sheet, part)!;
  const rounded = (raw: number, step: number, unit: Measured['unit'], perUnitG: number): Measured => {
    const amount = Math.round(raw / step) * step;
    return { part, massG, amount, unit, step, roundedG: amount * perUnitG };
  };
  const way: Way = SMALL.has(i.way) && role !== 'catalyst' ? 'weight' : filler ? 'weight' : i.way;
  switch (way) {
    case 'cup':
      return rounded(
        massG / densityGPerMl,
        positive('cupStepMl', i.cupStepMl, 'The marks of the cup'),
        'mL',
        densityGPerMl,
      );
    case 'strokes': {
      const each = i.strokeMl ?? refuse('strokeMl', null, 'mL of one stroke', REFUSED['say-what-stroke']());
      return rounded(
        massG / densityGPerMl / positive('strokeMl', each, 'A stroke'),
        1,
        'strokes',
        each * densityGPerMl,
      );
    }
    case 'drops': {
      const drop = dropMassG(i.dropsPerMl, densityGPerMl);
      return rounded(massG / drop, 1, 'drops', drop);
    }
    case 'strip': {
      const d = i.stripMm ?? refuse('stripMm', null, 'mm of the strip', REFUSED['say-how-thick']());
      const perMm = (densityGPerMl * Math.PI * positive('stripMm', d, 'The strip') ** 2) / 4 / 1000;
      const longMm = massG / perMm;
      // A short one is aimed at by tenths; a knife cuts it a millimetre longer or shorter all the same.
      return { ...rounded(longMm, longMm < SHORT_STRIP_MM ? 0.1 : 1, 'mm', perMm), step: 2 * CUT_MM };
    }
    default:
      return rounded(massG, positive('scaleStepG', i.scaleStepG, 'The step of the scale'), 'g', 1);
  }
}

/**
 * A batch in the units of the instrument at hand, rounded to what it can show, and what that does to the ratio.
 * @throws Refusal when the instrument is not known well enough: drops not counted, stroke or strip not measured
 */
export function measuredBatch(
  sheet: SheetRevision,
  massG: Readonly<Record<PartId, number>>,
  instrument: Instrument,
): MeasuredBatch {
  const parts = sheet.parts
    .filter((p) => massG[p.id] > 0)
    .map((p) => measurePart(sheet, p.id, massG[p.id], instrument));
  const a = parts.find((p) => p.part === 'A');
  const b = parts.find((p) => p.part === 'B');
  if (!a || !b) return { parts, roundingPct: 0, worstPct: 0, worstShortPct: 0, worstOverPct: 0, working: [] };
  const nominal = massG.B / massG.A;
  const off = (mA: number, mB: number) => (mA > 0 ? (mB / mA / nominal - 1) * 100 : Number.POSITIVE_INFINITY);
  const half = (m: Measured) => (m.step / 2) * (m.amount > 0 ? m.roundedG / m.amount : m.step);
  const roundingPct = Math.abs(off(a.roundedG, b.roundedG));
  const worstOverPct = Math.max(0, off(a.roundedG - half(a), b.roundedG + half(b)));
  const worstShortPct = Math.max(0, -off(a.roundedG + half(a), b.roundedG - half(b)));
  const worstPct = Math.max(worstOverPct, worstShortPct);
  return {
    parts,
    roundingPct,
    worstPct,
    worstShortPct,
    worstOverPct,
    working: [
      line(
        WORK.ratio(),
        WORK['ratio-by']({ b: grams(b.roundedG, 4), a: grams(a.roundedG, 4), nominal: figure(nominal, 4) }),
        percent(roundingPct),
      ),
      line(WORK.worst(), WORK['worst-by'](), percent(worstPct)),
    ],
  };
}

/**
 * One part of a batch as it is measured out by anything but a scale: by marks of a cup, in strokes, drops or a strip.
 * null where it is weighed, or its measure is not known yet.
 */
export function countedPart(
  sheet: SheetRevision,
  part: PartId,
  massG: Readonly<Record<PartId, number>>,
  instrument: Instrument,
): Measured | null {
  if (!(massG[part] > 0)) return null;
  const tried = attempt(() => measurePart(sheet, part, massG[part], instrument));
  return tried.ok && tried.value.unit !== 'g' ? tried.value : null;
}

/** A measured part as it is said at the bench. */
export const saidAs = ({ unit, amount }: Measured): Message =>
  unit === 'mL'
    ? AMOUNT.poured({ amount: exactly(ml(amount)) })
    : AMOUNT.of({ unit, n: amount, amount: figure(amount, 4) });

/** Whether a kit or catalyst of one system may go with another: never of two. @throws Refusal with the reason */
export function sameSystem(
  a: Pick<SheetRevision, 'systemId' | 'name' | 'maker'>,
  b: Pick<SheetRevision, 'systemId' | 'name' | 'maker'>,
): void {
  if (a.systemId === b.systemId) return;
  refuse(
    'systemId',
    b.name,
    a.name,
    REFUSED['other-system']({ other: b.name, of: b.maker && b.maker !== a.maker ? b.maker : 'none', system: a.name }),
  );
}
