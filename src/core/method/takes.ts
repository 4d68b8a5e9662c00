import { type Said, type Sayer, texts } from '../say';
import { type Binder, FAMILIES, FLOWS, type Flow, type Mixing, type SheetRevision, systemKind } from '../system';

/** What a material must be to serve a method; any of each row does. */
export interface Takes {
  readonly flow: readonly Flow[];
  readonly out: readonly Mixing[];
  readonly binder: readonly Binder[];
  /** Sand or aggregate may be in it. */
  readonly sand?: true;
}

/** A method, as far as it is asked here. */
interface Needs {
  readonly takes: Takes;
}

/** One thing that a material must be, met or failed in words. */
export interface Taken {
  readonly id: keyof Takes;
  readonly met: boolean;
  readonly says: Said;
}

const FLOW = texts('takes.flow', {
  ...FLOWS,
  thickened: 'liquid: it is thickened to a paste with fillers of one’s own',
  not: '{is} (needed: {wanted})',
});
const SHORT = texts('takes.short', {
  thin: 'thin enough to soak in',
  pours: 'a liquid',
  film: 'a coat',
  paste: 'a paste',
  putty: 'a putty',
  mortar: 'a mortar',
  beads: 'beads',
});
const OUT = texts('takes.out', {
  mixer: 'through a static mixer',
  pot: 'out of a pot',
  hand: 'kneaded or mixed by hand',
  not: '{is} (needed: {wanted})',
});
const BINDER = texts('takes.binder', {
  resin: 'a resin',
  cement: 'cement',
  water: 'a water-borne product that dries',
  not: '{is} (needed: {wanted})',
});
const SAND = texts('takes.sand', {
  none: 'no sand in it',
  met: 'sand in it, which this work bears',
  not: 'sand in it (needed: none)',
});

/** How a mix may lie: as its sheet says, else as its kind may. */
export const flowsOf = (sheet: Pick<SheetRevision, 'flow' | 'kind'>): readonly Flow[] =>
  sheet.flow ? [sheet.flow] : systemKind(sheet.kind).flows;

/** Whether it is a liquid without fillers, which may be thickened with one’s own. */
const thickens = (sheet: SheetRevision): boolean =>
  systemKind(sheet.kind).mixing === 'pot' &&
  flowsOf(sheet).includes('pours') &&
  FAMILIES[sheet.family].binder === 'resin' &&
  sheet.dose === null &&
  sheet.parts.every((p) => p.filler === null);

/** Whether it serves a method only once it has been thickened. */
export const wantsThickening = ({ takes }: Needs, sheet: SheetRevision): boolean =>
  !flowsOf(sheet).some((f) => takes.flow.includes(f)) && takes.flow.includes('paste') && thickens(sheet);

/** One thing that must be among those that do. */
const oneOf = <K extends string>(
  id: Taken['id'],
  is: K,
  wanted: readonly K[],
  words: Readonly<Record<K | 'not', Sayer>>,
): Taken => ({
  id,
  met: wanted.includes(is),
  says: wanted.includes(is)
    ? words[is]()
    : words.not({ is: words[is](), wanted: { list: wanted.map((w) => words[w]()), join: 'or' } }),
});

/** What tells a material best where nothing fails: how it lies and how it comes out. */
const TELLING: ReadonlySet<Taken['id']> = new Set(['flow', 'out']);

/** What is told of a material in one line: what fails, else how it lies and comes out. */
export const toldOf = (all: readonly Taken[]): readonly Taken[] => {
  const failed = all.filter((t) => !t.met);
  return failed.length ? failed : all.filter((t) => TELLING.has(t.id));
};

/**
 * What a material is, held against what a method needs: how it lies when it is mixed, how it comes out, what holds it
 * together. Its kind is not asked: that only sets what its sheet asks for.
 */
export function takenBy(method: Needs, sheet: SheetRevision): readonly Taken[] {
  const { takes } = method;
  const lies = flowsOf(sheet);
  const flow = lies.find((f) => takes.flow.includes(f)) ?? null;
  const thickened = wantsThickening(method, sheet);
  const { mixing } = systemKind(sheet.kind);
  const sandy = sheet.parts.some((p) => p.filler === 'grains');
  const { binder } = FAMILIES[sheet.family];
  return [
    {
      id: 'flow',
      met: flow !== null || thickened,
      says: flow
        ? FLOW[flow]()
        : thickened
          ? FLOW.thickened()
          : FLOW.not({ is: SHORT[lies[0]!](), wanted: { list: takes.flow.map((f) => SHORT[f]()), join: 'or' } }),
    },
    oneOf('out', mixing, takes.out, OUT),
    oneOf('binder', binder, takes.binder, BINDER),
    {
      id: 'sand',
      met: !sandy || takes.sand === true,
      says: sandy ? (takes.sand ? SAND.met() : SAND.not()) : SAND.none(),
    },
  ];
}

/** Whether a material is what a method needs. */
export const isTaken = (method: Needs, sheet: SheetRevision): boolean => takenBy(method, sheet).every((t) => t.met);
