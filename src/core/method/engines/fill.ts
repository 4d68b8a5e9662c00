import type { Portion } from '../../mix';
import { texts } from '../../say';
import { type MilestoneId, milestoneKind, proportionOf, systemKind } from '../../system';
import { facesOf, placesIn, standApart } from '../../void';
import { type MethodContext, partsIn, settingIn, type TaskContext } from '../context';
import type { Level } from '../effects';
import { beginsLift } from '../gaps';
import { liftsOf, placesOfLifts, primerOf, sharesOf, skimOf } from '../lifts';
import { factorId, type TaskRow, tasks } from '../task';
import { BEGINS, byRate, type Engine, PORTION, POT_CLOCKS, partsApart, UNPARTED } from './engine';
import { mix, weigh } from './potted';

/** What the level wanted adds to the fill or leaves out of it, mL. */
export const LEVEL_ML: Readonly<Record<Level, (c: MethodContext) => number>> = {
  flush: () => 0,
  crown: (c) => (c.void.count * c.measured.faces.planAreaMm2 * settingIn(c, 'crown')) / 1000,
  recess: (c) => (-c.void.count * c.measured.faces.planAreaMm2 * settingIn(c, 'recess')) / 1000,
};

/** What each of several places has of all their faces. */
function overFaces({ void: v }: MethodContext): Pick<Portion, 'places'> {
  if (placesIn(v) < 2) return {};
  const one = v.shapes.map((shape) => facesOf(shape).planAreaMm2);
  const each = standApart(v) ? one : [1];
  const all = Array.from({ length: v.count }, () => each).flat();
  const sum = all.reduce((a, b) => a + b, 0);
  return { places: all.map((mm2) => mm2 / sum) };
}

/** What is brushed in out of a mix stands between it and its place, min: for each batch, and for all of a lift. */
const brushedIn = (c: MethodContext, areaM2: number): Portion['before'] => ({
  eachMin: settingIn(c, factorId(BRUSHED_IN, null)),
  allMin: settingIn(c, factorId(BRUSHED_IN, 'primed m2')) * areaM2,
});

/** By hand, in lifts. */
export const fill: Engine = {
  ...UNPARTED,
  // What hardens in the hand is kneaded a place at a time.
  parts: (c) =>
    c.params.byPlace && partsIn(c) > 1 && liftsOf(c) === 1
      ? { ...partsApart(c), closeMin: 0, most: 1, called: 'place' }
      : null,
  onFaces: false,
  liesOpen: 'set',
  oneKitAPot: (c) => c.params.ownPails === true,
  inRounds: false,
  inLifts: true,
  pace: byRate,
  byApproval: false,
  spends: [],
  eachBatch: new Set(POT_CLOCKS),
  begins: BEGINS.mixed(),
  portions: (c) => {
    const primer = primerOf(c);
    const { liquidShare } = proportionOf(c.sheet);
    // A lift is mixed with its own primer and, the last, with the crown or the recess: that moves its share of the
    // whole.
    const level = LEVEL_ML[c.effects.level](c);
    const shares = sharesOf(c);
    const own = shares.map((of, i) => c.measured.nominalMl * of + primer[i]!.ml / (primer[i]!.cut ? liquidShare : 1));
    // A recess deeper than the last lift is left out of all of them alike, and layers that follow the floor share it;
    // the
    // layers of holes have it in their shares.
    const onTop = !c.params.conformal && !standApart(c.void) && own.at(-1)! + level > 0;
    const ml = own.map((mine, i) => mine + level * (onTop ? Number(i === own.length - 1) : shares[i]!));
    const all = ml.reduce((a, b) => a + b, 0);
    // A skim takes its share of the whole before the rest is built up.
    const skim = Math.min(0.95, (c.void.count * c.measured.faces.planAreaMm2 * skimOf(c)) / 1000 / all);
    const places = placesOfLifts(c);
    const lifts = ml.map((mine, i) => ({
      ...(places[i]!.length > 1 ? { places: places[i]! } : {}),
      label: ml.length === 1 && skim <= 0 ? PORTION.patch() : PORTION.lift({ n: i + 1 }),
      share: (mine / all) * (1 - skim),
      ...(primer[i]!.ml > 0 ? { drawn: { ml: primer[i]!.ml, cut: primer[i]!.cut } } : {}),
      ...(c.effects.priming === 'drawn' ? { before: brushedIn(c, primer[i]!.areaM2) } : {}),
    }));
    // A skim goes over the faces of all of them, however deep they are.
    return skim > 0 ? [{ ...overFaces(c), label: PORTION.skim(), share: skim }, ...lifts] : lifts;
  },
  // No night falls between two mixes of one lift, but where it is longer than a day and ends at an edge of its own; a
  // unit out of its own pail always does.
  blockOf: (c) => {
    const lift = `lift${(c.batch?.portion ?? c.portions.length - 1) + 1}`;
    return c.params.ownPails && c.batch && !beginsLift(c) ? `${lift}:${c.batch.index + 1}` : lift;
  },
};

/** A batch that comes beside the plan goes on what is wet already. */
const isPrimed = ({ batch, effects }: TaskContext) => effects.priming !== 'none' && !batch!.topUp;

const RESTS = texts('fill.rests', {
  square:
    'It ends at a straight, square edge, against a batten across it, never sloped out; the next day that edge is roughened, vacuumed and {primed, select, yes {primed where the walls are} other {wetted as the base is}}.',
  filled: 'Each place that was begun is filled and struck off; what is left in the pot is thrown away.',
  thin: 'The layer is drawn out thin where it ends, and abraded there before it goes on.',
});
/** Where the work rests over night, of a fill that is longer than a working day. */
export const restsSquare = RESTS.square({ primed: 'yes' });
export const restsSquareAndWet = RESTS.square({ primed: 'no' });
export const restsFilled = RESTS.filled();
export const restsDrawnThin = RESTS.thin();

/** The primer out of the pot. */
const BRUSHED_IN = { task: 'prime' } as const;

const rows = tasks('fill', [
  {
    task: 'prime',
    called: { as: 'prep:prime', firstOnly: true },
    role: 'prime',
    each: 'batch',
    block: 'work',
    when: (c) => c.effects.priming === 'separate' && isPrimed(c),
    title: 'Prime, no puddles',
    detail:
      '{lift, plural, one {Floor and walls} other {The walls of this lift}}{several, select, yes {, as far as this batch reaches} other {}}; place while it is wet.',
    confirm: 'Primed, no puddles',
    work: { fixed: 3, per: { 'primed m2': 20 } },
    marks: { end: ['last-coat'] },
  },
  {
    ...BRUSHED_IN,
    role: 'prime',
    each: 'batch',
    block: 'work',
    when: (c) => c.effects.priming === 'drawn' && isPrimed(c),
    title: 'Brush the primer in, no puddles',
    detail:
      '{lift, plural, one {Floor and walls} other {The walls of this lift}}{several, select, yes {, as far as this batch reaches} other {}}; place while it is wet.',
    confirm: 'Primed, no puddles',
    work: { fixed: 2, per: { 'primed m2': 20 } },
    marks: { end: ['last-coat'] },
  },
  {
    task: 'place',
    role: 'place',
    each: 'batch',
    block: 'work',
    title:
      '{which, select, only {Place, ram into the corners, screed} other {Place lift {lift}{begins, select, yes {} other {, next batch}}, ram it into the corners}}',
    detail:
      '{which, select, only {No air behind; screed level with the edges and float.} last {{depth}, square to the cut, no air behind. Screed and float the top.} other {{depth}, square to the cut, no air behind. Leave the top rough.}}',
    confirm: '{which, select, only {It is in} other {Lift {lift} is in}}',
    work: { by: { setting: 'rate', driver: 'mL' } },
    marks: { end: ['placed', 'faces-closed'] },
    within: { of: 'primer-wet', on: 'own', by: 'end', when: isPrimed },
  },
]) as readonly [TaskRow, TaskRow, TaskRow];
const [primeApart, primeDrawn, place] = rows;

/**
 * The same, each lift after another milestone of the one below; a sheet that tells the next lift and not that has told
 * enough, where that comes later.
 */
export const liftsAfter = (rows: readonly TaskRow[], kind: MilestoneId): readonly TaskRow[] => {
  const waits = milestoneKind(kind).later?.includes('next-lift')
    ? { for: kind, orElse: ['next-lift'] as const }
    : { for: kind };
  return rows.map((row) => (row.waits?.for === 'next-lift' ? { ...row, waits: { ...row.waits, ...waits } } : row));
};

/** Packets of a lift are laid out with its first: nothing of the others is weighed, and nothing is waited for. */
const isLaidOut = (c: TaskContext): boolean =>
  systemKind(c.sheet.kind).ownBag === true &&
  c.batch!.kits !== null &&
  c.batch!.fromTo === undefined &&
  !c.batch!.remade &&
  !beginsLift(c);

/** Lift on lift, batch by batch, each primed with its own liquid or from a tin. */
export const filledInLifts: readonly TaskRow[] = [
  {
    ...weigh,
    when: (c) => weigh.when!(c) && !isLaidOut(c),
    // One lift goes on what the last left, before its window closes by what was placed first.
    waits: { for: 'next-lift', on: 'below', when: (c) => beginsLift(c) && c.batch!.portion > 0 },
    within: { of: 'recoat-until', on: 'below', by: 'begin', when: (c) => beginsLift(c) && c.batch!.portion > 0 },
  },
  primeApart,
  mix,
  primeDrawn,
  place,
];
