import type { Batch } from '../mix';
import { cleaningOf, strokesIn } from '../system';
import type { PacedBy } from '../typed';
import { facesOf, kindOf, nominalMl, placesIn, type VoidShape } from '../void';
import { runM } from './consumable';
import { partShares, settingIn, type TaskContext } from './context';
import { primerOf } from './lifts';

/** What hands-on time is counted by: like places, square metres in plan, millilitres placed. */
export type Driver =
  | 'place'
  | 'm2'
  | 'm'
  | 'mL'
  | 'm2 coated'
  | 'strip m2'
  | 'primed m2'
  | 'kept clear'
  | 'fresh mixer'
  | 'cleaning stroke'
  | 'freed bar'
  | 'once'
  | 'batch';

/** How it is said after “for each”. */
export const DRIVER_LABELS: Readonly<Record<Driver, string>> = {
  place: 'place',
  m2: 'm²',
  m: 'metre',
  mL: 'mL',
  'm2 coated': 'm² coated',
  'strip m2': 'm² of the strip',
  'primed m2': 'm² primed',
  'kept clear': 'thing masked',
  'fresh mixer': 'fresh mixer',
  'cleaning stroke': 'blowing or brushing of a hole',
  'freed bar': 'metre of bar freed',
  once: 'time',
  batch: 'batch',
};

/**
 * What of the wet work comes once in a day, however many places are worked in it; null is what comes once in a task.
 */
export const ONCE_A_DAY: ReadonlySet<Driver | null> = new Set([null, 'fresh mixer']);

/** What people tell a pace of it by: an hour’s square metres, metres, places. */
export const DRIVER_PACED: Partial<Readonly<Record<Driver, PacedBy>>> = {
  place: 'place',
  m2: 'm2',
  m: 'm',
  'm2 coated': 'm2',
  'strip m2': 'm2',
  'primed m2': 'm2',
};

/** Metres of a joint that a hand has for its own. */
const OWN_M = 2;
/** Stretches of which each hand has its own: a place, a square metre, two metres; where nothing is said, one. */
const STRETCHES: Partial<Readonly<Record<Driver, (c: TaskContext) => number>>> = {
  place: (c) => DRIVERS.place(c),
  'cleaning stroke': (c) => placesIn(c.void),
  m2: (c) => Math.max(DRIVERS.m2(c), onePart(c) ? 1 : placesIn(c.void)),
  'strip m2': (c) => Math.max(DRIVERS['strip m2'](c), placesIn(c.void)),
  'm2 coated': (c) => DRIVERS['m2 coated'](c),
  m: (c) => DRIVERS.m(c) / OWN_M,
};

/** How many hands share so many stretches. */
export const sideBySide = ({ crew }: Pick<TaskContext, 'crew'>, stretches: number): number =>
  Math.min(crew, Math.max(1, Math.floor(stretches)));

/** How many hands share what is counted so. */
export const handsFor = (c: TaskContext, per: Driver): number => sideBySide(c, STRETCHES[per]?.(c) ?? 1);

const onePart = ({ part = null }: TaskContext): boolean => part !== null;

/** What one batch covers of the layer that it lies in; all of it where the task is of none. */
const layerShare = ({ batch, batches }: TaskContext): number =>
  batch
    ? batch.placedMl / batches.filter((b) => b.portion === batch.portion).reduce((sum, b) => sum + b.placedMl, 0)
    : 1;

/** What the part that a task is about has of all of them; null where it is about all. */
const ofPart = (c: TaskContext, measure: (shape: VoidShape) => number): number | null =>
  onePart(c) ? partShares(c, measure)[c.part!]! : null;

/** Of one part out of several pots, what a batch covers of that; all of it where it is the only one, or of no batch. */
function potShare({ batch, batches, part = null }: TaskContext): number {
  if (!batch || part === null || batch.remade) return 1;
  const serves = ({ fromTo, remade }: Batch) => !remade && !!fromTo && fromTo[0] <= part + 1 && part < fromTo[1];
  const pots = batches.filter(serves);
  // What is mixed beside the plan is of none of them.
  const all = pots.reduce((sum, b) => sum + b.placedMl, 0);
  return (pots.length > 1 || !pots.includes(batch)) && all > 0 ? Math.min(1, batch.placedMl / all) : 1;
}

/** What the part that a task is about takes of its batch; all of it where it is about all. */
function ofBatch(c: TaskContext): number {
  if (!onePart(c)) return 1;
  const shares = partShares(c, nominalMl);
  const [from, to] = c.batch?.fromTo ?? [c.part! + 1, c.part! + 1];
  const all = shares.slice(from - 1, to).reduce((sum, share) => sum + share, 0);
  return all > 0 ? shares[c.part!]! / all : 1;
}

/** How much of it there is in a task: of one batch, or of the whole pass. */
export const DRIVERS: Readonly<Record<Driver, (c: TaskContext) => number>> = {
  place: (c) => (onePart(c) ? 1 : (c.batch?.places ?? placesIn(c.void))),
  m2: (c) => {
    const face = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
    const part = ofPart(c, (shape) => facesOf(shape).planAreaMm2);
    return face * (part === null ? layerShare(c) : part * potShare(c));
  },
  m: (c) => runM(c) * (ofPart(c, (shape) => kindOf(shape).runMm?.(shape) ?? 0) ?? 1),
  mL: (c) => (c.batch ? (c.batch.handledMl ?? c.batch.placedMl) * ofBatch(c) : c.measured.nominalMl),
  'm2 coated': (c) => {
    const face = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
    return c.batch ? face * (c.portions[c.batch.portion]?.over?.faceShare ?? 1) * layerShare(c) : face;
  },
  // Where a crack is all that was measured, what is ground beside it is as wide as its strip lies.
  'strip m2': (c) => {
    const wideMm = settingIn(c, 'meshWidth') + 2 * settingIn(c, 'margin');
    return c.bedAsMeasured ? DRIVERS.m2(c) : Math.max(DRIVERS.m2(c), (runM(c) * wideMm) / 1000);
  },
  // Each batch is primed for as far as it reaches: a primer brushed far ahead dries before the mortar comes.
  'primed m2': (c) => {
    const { batch } = c;
    if (!batch) return primerOf(c).reduce((sum, p) => sum + p.areaM2, 0);
    const ofLift = c.batches.filter((b) => b.portion === batch.portion).reduce((sum, b) => sum + b.ml, 0);
    return (primerOf(c)[batch.portion]?.areaM2 ?? 0) * (batch.ml / ofLift);
  },
  'kept clear': (c) => c.void.keepClear.length,
  'fresh mixer': ({ batch }) => (batch?.pauseMin ? 0 : 1),
  'cleaning stroke': (c) => placesIn(c.void) * strokesIn(cleaningOf(c.sheet.holes)),
  'freed bar': (c) => settingIn(c, 'bars-run') / 1000,
  once: () => 1,
  batch: (c) => c.batches.length,
};
