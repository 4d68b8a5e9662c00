import { measuredBatch, saidTolerance, scaleErrorPct, smallestBatchAG, smallestReadG, toleranceOf } from '../../mix';
import { instrumentOf, USUAL_SCALE_G } from '../../plan';
import { attempt, exactly, grams, ml, percent, texts } from '../../say';
import { isMetered, isMixedAsPlaced, type SheetRevision, systemKind } from '../../system';
import { type Finding, findings } from '../finding';
import type { Rule } from './rule';
import { WAYS } from './ways';

/** Steps of finer scales, coarsest first, g. */
const FINER_G = [0.5, 0.1, 0.01, 0.001];

/** Ways to measure out what is too little for a scale, and what must be known of them. */
const COUNTED = { drops: 'dropsPerMl', strip: 'stripMm' } as const;

const F = findings({
  scale: {
    severity: 'stop',
    stage: 'mix',
    title: 'Scale too coarse for this batch',
    why: 'A step of {step}{assumed, select, yes { (assumed, nobody has said what scale is at hand)} other {}} on {b} of B is {error, select, all {as much as all of it} other {up to ±{error}}}, {whose, select, sheet {the sheet allows} other {assumed, not from the sheet:}} {tolerance}.',
    todo: '{way, select, dose {Choose a dose inside its range.} middle {Use a finer scale, {counted, select, drops {count it in drops, } strip {cut it as a strip, } other {}}or mix at least {least} of A; a dose in the middle of its range leaves the most room.} other {Use a finer scale, or mix at least {least} of A with {leastB} of B, {all} in all{readable, select, none {} other {; in steps that this scale shows {readable}}}. What is over is waste, mixed for the sake of the ratio.}}',
  },
  'instrument:unknown': {
    severity: 'stop',
    stage: 'mix',
    title: 'The measure is not known yet',
    why: '{why}',
    todo: 'Calibrate it on the mix sheet, or weigh.',
  },
  'instrument:coarse': {
    severity: 'stop',
    stage: 'mix',
    title: 'The measure is too coarse for this batch',
    why: 'Rounding alone puts B/A {off} off, with half a step of each up to {short} short or {over} over; {whose, select, sheet {the sheet allows} other {assumed, not from the sheet:}} {tolerance}.',
    todo: 'Weigh it, take a finer measure, or mix more at once{dosed, select, yes {; a dose in the middle of its range leaves the most room} other {}}.',
  },
});
const SCALE = texts('finding.scale', { readable: '{a} + {b}, {all}' });

/**
 * An end of a range is printed in two or three figures: so little past it, per cent of the part, is no other dose. Else
 * no scale at all would be fine enough for water at the least that a bag wants.
 */
const END_PRINTED_PCT = 0.5;

/** Marks of finer cups, coarsest first, mL. */
const FINER_ML = [5, 2, 1, 0.5, 0.1];

/** The coarsest cup that keeps the ratio, as a press. */
function finerCup(
  sheet: SheetRevision,
  massG: Parameters<typeof measuredBatch>[1],
  repair: Parameters<typeof instrumentOf>[0],
): NonNullable<Finding['ways']> {
  const tolerance = toleranceOf(sheet);
  const marks = FINER_ML.find((cupStepMl) => {
    const { worstShortPct, worstOverPct } = measuredBatch(sheet, massG, {
      ...instrumentOf(repair, sheet),
      cupStepMl,
    });
    return worstShortPct <= tolerance.shortPct && worstOverPct <= tolerance.overPct;
  });
  return marks === undefined
    ? []
    : [{ say: WAYS.cup({ marks: exactly(ml(marks)) }), set: { path: ['bench', 'cupStepMl'], value: marks } }];
}

/** What is noticed about the scale, or another measure, at hand. */
export const scaleRules: Readonly<Record<string, Rule>> = {
  scale: ({ repair, plan }) => {
    const { sheet, mix, batches } = plan;
    if (!sheet || !mix || isMetered(sheet.kind) || !batches.length) return [];
    if (instrumentOf(repair, sheet).way !== 'weight') return [];
    if (batches.every((b) => b.kits !== null)) return [];
    // Bead by bead the brush holds the ratio; what is weighed out is what stands in the cups.
    if (isMixedAsPlaced(sheet)) return [];
    const tolerance = toleranceOf(sheet);
    const tight = Math.min(tolerance.shortPct, tolerance.overPct);
    const smallest = batches.reduce((a, b) => (b.massG.A < a.massG.A ? b : a));
    const error = scaleErrorPct(smallest.massG.A, smallest.massG.B, repair.scaleStepG);
    if (error <= Math.max(tight, sheet.dose ? END_PRINTED_PCT : 0) + 1e-9) return [];
    // A scale that nobody has named forbids nothing.
    const assumed = repair.bench.way === null && repair.scaleStepG === USUAL_SCALE_G;
    const r = smallest.massG.B / smallest.massG.A;
    const least = tight > 0 ? smallestBatchAG(r, repair.scaleStepG, tight) : null;
    const read = smallestReadG(r, repair.scaleStepG, tolerance);
    // All that stands in the pot, to its two liquids.
    const { A, B, C, D } = smallest.massG;
    const atOnceG = read && ((read.a + read.b) * (A + B + C + D)) / (A + B);
    const counted = (['drops', 'strip'] as const).find((way) => systemKind(sheet.kind).ways.includes(way));
    return [
      F.scale(
        {
          step: exactly(grams(repair.scaleStepG)),
          assumed: assumed ? 'yes' : 'no',
          b: grams(smallest.massG.B),
          // A scale whose step is as large as what it weighs may be off by all of it.
          error: Number.isFinite(error) ? percent(error, 2) : 'all',
          whose: tolerance.fromSheet ? 'sheet' : 'ours',
          tolerance: saidTolerance(tolerance),
          // At the end of a dose’s range no scale is fine enough: it is the dose that is moved.
          way: least === null ? 'dose' : sheet.dose ? 'middle' : 'scale',
          counted: counted ?? 'none',
          least: least === null ? 'none' : grams(least),
          leastB: least === null ? 'none' : grams(least * r),
          all: least === null ? 'none' : grams(least * (1 + r)),
          readable: read ? SCALE.readable({ a: grams(read.a), b: grams(read.b), all: grams(read.a + read.b) }) : 'none',
        },
        {
          severity: assumed || (sheet.dose && least === null) ? 'caution' : 'stop',
          ways: [
            ...FINER_G.filter(
              (step) =>
                step < repair.scaleStepG && scaleErrorPct(smallest.massG.A, smallest.massG.B, step) <= tight + 1e-9,
            )
              .slice(0, 1)
              .map((step) => ({
                say: WAYS.scale({ step: exactly(grams(step)) }),
                set: { path: ['scaleStepG'], value: step },
              })),
            // A catalyst of which so little is wanted is counted, not weighed with ten times as much resin.
            ...(sheet.dose
              ? counted !== undefined && repair.bench[COUNTED[counted]] !== null
                ? [{ say: WAYS[counted](), set: { path: ['bench', 'way'], value: counted } }]
                : []
              : atOnceG
                ? [{ say: WAYS.least({ all: grams(atOnceG) }), set: { path: ['leastG'], value: atOnceG } }]
                : []),
          ],
        },
      ),
    ];
  },

  instrument: ({ repair, plan }) => {
    const { sheet, batches } = plan;
    const way = sheet && instrumentOf(repair, sheet).way;
    if (
      !sheet ||
      !way ||
      !batches.length ||
      way === 'weight' ||
      isMetered(sheet.kind) ||
      batches.every((b) => b.kits !== null)
    )
      return [];
    const smallest = batches.reduce((a, b) => (b.massG.A < a.massG.A ? b : a));
    const m = attempt(() =>
      measuredBatch(sheet, smallest.massG, { ...repair.bench, way, scaleStepG: repair.scaleStepG }),
    );
    if (!m.ok) return [F['instrument:unknown']({ why: m.problem.sentence })];
    const tolerance = toleranceOf(sheet);
    const least = sheet.dose ? END_PRINTED_PCT : 0;
    const past = (pct: number, allowed: number) => pct > Math.max(allowed, least) + 1e-9;
    return past(m.value.worstShortPct, tolerance.shortPct) || past(m.value.worstOverPct, tolerance.overPct)
      ? [
          F['instrument:coarse'](
            {
              off: percent(m.value.roundingPct, 2),
              short: percent(m.value.worstShortPct, 2),
              over: percent(m.value.worstOverPct, 2),
              whose: tolerance.fromSheet ? 'sheet' : 'ours',
              tolerance: saidTolerance(tolerance),
              dosed: sheet.dose ? 'yes' : 'no',
            },
            // Marks that nobody has named forbid nothing.
            repair.bench.way === null ? { severity: 'caution', ways: finerCup(sheet, smallest.massG, repair) } : {},
          ),
        ]
      : [];
  },
};
