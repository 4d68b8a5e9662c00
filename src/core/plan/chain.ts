import { ENGINES, type Method, methodOf } from '../method';
import { listed, type Message, refuse, texts } from '../say';
import { MEETS_NOTHING, type SheetRevision } from '../system';
import type { Measured } from '../void';
import { usualGate } from './gate-by-sheet';
import { type ReadyPass, usuallyOn } from './ready-rows';
import { FIRST_CHOICES, type Pass, type Piece, type Repair, type Takes } from './repair';
import { firstThickness } from './thickness';

const REFUSED = texts('refused.plan.chain', {
  'other-base': 'It is done on {bases}, and the base is {base}.',
  'repair-least-pass': 'A repair has at least one pass: remove the repair instead.',
  'pass-been-begun': 'This pass has been begun and stands in the record: amend the record, the pass stays.',
  'stands-give-another': '{above} stands on it. Give that another face first, or remove it.',
  'stands-cannot-come': '“{upper}” stands on “{lower}” and cannot come before it.',
});

/** The same of a pass as it was planned. */
export const pieceName = ({ passName: own, method }: Piece, at: number): string =>
  own.trim() || `${at + 1} ${methodOf(method.id)?.label ?? method.id}`;

/** The name of a pass as people say it: its own, or its number and method. @param at its place in the chain, from 0 */
export function passName({ chain, passes }: Repair, at: number): string {
  const pass = passes[chain[at]!]!;
  return pass.name.trim() || `${at + 1} ${methodOf(pass.method.id)?.label ?? pass.method.id}`;
}

/**
 * Why a method may not come next in a repair; null where it may.
 * @example whyNotNext(methodOf('plate-bond')!, patch) // it is done on metal, and the base is concrete
 */
export function whyNotNext(method: Method, { base }: Repair): Message | null {
  return method.bases.includes(base.material)
    ? null
    : REFUSED['other-base']({ bases: listed(method.bases, 'or'), base: base.material });
}

/** What was bared round a pass, mm; nothing where its method leaves the base beside it as it is. */
export const baredMm = ({ passes }: Repair, id: string): number => methodOf(passes[id]!.method.id)?.bares ?? 0;

/** The face of a pass as another takes it first: as thick as that begins, and the margin that was bared round it. */
export const takesFace = (repair: Repair, of: string, thickness: Measured): Takes => ({
  from: 'face',
  of,
  thickness,
  beyondMm: baredMm(repair, of),
});

/** Whether a face is sanded to its line, or freed of what dams it, before anything goes on it. */
const isWorkedFirst = ({ tasks }: Method): boolean =>
  tasks.some((t) => t.onFace === 'freed' || (t.throws !== undefined && (t.onFace === 'set' || t.onFace === 'always')));

/**
 * A further pass at the end of a repair, with nothing of it chosen yet.
 * @param below what the last pass so far is made with, where that is chosen
 * @param row how it lies on that; as it usually does, unless a ready-made chain says it
 * @throws Refusal where the method may not come next, or the chain is full
 */
export function withNext(
  repair: Repair,
  method: Method,
  below: SheetRevision | null = null,
  row: ReadyPass | null = null,
): Repair {
  const why = whyNotNext(method, repair);
  if (why) refuse('method', method.id, 'a method for this base', why);
  const { chain, passes } = repair;
  const id = `p${Math.max(...chain.map((p) => Number(p.slice(1)))) + 1}`;
  const last = chain.at(-1)!;
  const usual = row ?? usuallyOn(passes[last]!.method.id, method.id);
  const isOnFace = usual?.takes ? usual.takes === 'face' : ENGINES[method.engine].onFaces;
  const takes: Takes = isOnFace ? takesFace(repair, last, firstThickness(method)) : { from: 'own' };
  const { dosePct, massCapG, leastG, liftMm, grits, blend, colour } = FIRST_CHOICES;
  const pass: Pass = {
    name: '',
    method: { id: method.id, version: method.version },
    takes,
    gate:
      (usual && usualGate(usual, below)) ??
      (takes.from === 'own' ? 'any' : isWorkedFirst(methodOf(passes[last]!.method.id)!) ? 'set' : 'window'),
    void: null,
    sheetId: null,
    kitId: null,
    schools: {},
    settings: {},
    materialC: null,
    dosePct,
    massCapG,
    leastG,
    liftMm,
    grits,
    meets: MEETS_NOTHING,
    blend,
    colour,
    reserve: true,
    stops: [],
    wayOut: 'right',
    borders: [],
    standIns: {},
  };
  return { ...repair, chain: [...chain, id], passes: { ...passes, [id]: pass } };
}

/** Passes that take the face of a pass, or what it leaves. */
const onTopOf = ({ chain, passes }: Repair, id: string): readonly string[] =>
  chain.filter((other) => {
    const { takes } = passes[other]!;
    return takes.from !== 'own' && takes.of === id;
  });

/**
 * A repair without one of its passes.
 * @param begun whether anything of it is in the record
 * @throws Refusal for the only pass, one that others stand on, or one that has been begun
 */
export function withoutPass(repair: Repair, id: string, begun: boolean): Repair {
  const at = repair.chain.indexOf(id);
  if (at < 0) return repair;
  if (repair.chain.length === 1) refuse('chain', id, 'more than one pass', REFUSED['repair-least-pass']());
  if (begun) refuse('chain', id, 'a pass that has not begun', REFUSED['pass-been-begun']());
  const above = onTopOf(repair, id).map((other) => `“${passName(repair, repair.chain.indexOf(other))}”`);
  if (above.length)
    refuse('chain', id, 'a pass that nothing stands on', REFUSED['stands-give-another']({ above: listed(above) }));
  const { [id]: _gone, ...passes } = repair.passes;
  return { ...repair, chain: repair.chain.filter((p) => p !== id), passes };
}

/**
 * A repair with a pass moved one place earlier or later.
 * @throws Refusal where it would come before the pass it stands on
 */
export function withMoved(repair: Repair, id: string, by: -1 | 1): Repair {
  const at = repair.chain.indexOf(id);
  const to = at + by;
  if (at < 0 || to < 0 || to >= repair.chain.length) return repair;
  const chain = [...repair.chain];
  [chain[at], chain[to]] = [chain[to]!, chain[at]!];
  const [first, second] = by < 0 ? [id, chain[at]!] : [chain[at]!, id];
  const { takes } = repair.passes[first]!;
  if (takes.from !== 'own' && takes.of === second)
    refuse(
      'chain',
      id,
      'the order in which one stands on the other',
      REFUSED['stands-cannot-come']({
        upper: passName(repair, repair.chain.indexOf(first)),
        lower: passName(repair, repair.chain.indexOf(second)),
      }),
    );
  return { ...repair, chain };
}
