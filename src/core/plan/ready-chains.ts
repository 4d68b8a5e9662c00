import { type Method, methodOf } from '../method';
import type { BaseMaterial } from '../system';
import { type BrokeId, SHAPES } from '../void';
import { withNext } from './chain';
import { type GateId, type Piece, pieceOf, type Repair, withPiece } from './repair';

/** A pass of a ready-made chain after the first. */
interface ReadyPass {
  readonly method: string;
  readonly name: string;
  readonly gate: GateId;
  /** What it takes of the pass before it; as its method does unless said. */
  readonly takes?: 'own' | 'left';
}

/** Passes that practitioners commonly put on one another, offered by what broke. */
export interface ReadyChain {
  readonly id: string;
  readonly label: string;
  readonly does: string;
  readonly first: {
    readonly method: string;
    readonly name: string;
  };
  readonly next: readonly ReadyPass[];
}

/** The table of ready-made chains. */
export const READY_CHAINS: readonly ReadyChain[] = [
  {
    id: 'patch-skim',
    label: 'Patch, then a skim over all',
    does: 'A spall filled with resin mortar, and the bay skimmed to one face once it has set.',
    first: { method: 'mortar-patch', name: 'Patch' },
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set' }],
  },
  {
    id: 'crack-skim',
    label: 'Crack poured, then a skim',
    does: 'A crack opened and poured full, ground, and the bay skimmed over it.',
    first: { method: 'poured-crack', name: 'Crack' },
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set' }],
  },
  {
    id: 'mesh-skim',
    label: 'Crack bridged, then a skim',
    does: 'Mesh bedded over the crack between two layers, and a skim drawn over it once they have set.',
    first: { method: 'crack-mesh', name: 'Mesh' },
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set' }],
  },
  {
    id: 'bed-joints-colour',
    label: 'Bed, joints, colour',
    does: 'Slabs set in a combed bed, their joints filled with resin when the bed bears it, the joints coloured.',
    first: { method: 'setting-bed', name: 'Bed' },
    next: [
      { method: 'resin-joints', name: 'Joints', gate: 'walk', takes: 'own' },
      { method: 'joint-colour', name: 'Colour', gate: 'walk' },
    ],
  },
  {
    id: 'two-pours',
    label: 'Two pours, the counterpart seated between',
    does: 'A channel poured, and the ring or plate lowered into a second pour once the first is firm.',
    first: { method: 'poured-collar', name: 'First pour' },
    next: [{ method: 'poured-collar', name: 'Second pour', gate: 'firm', takes: 'own' }],
  },
  {
    id: 'hole-coat',
    label: 'Hole in the shell, then finish coat',
    does: 'A hole filled a little low, and the colour coat laid into what was left.',
    first: { method: 'laminate-hole', name: 'Fill' },
    next: [{ method: 'finish-coat', name: 'Finish coat', gate: 'set', takes: 'left' }],
  },
  {
    id: 'dent-coat',
    label: 'Dent filled, then coated',
    does: 'Filler drawn into the dent in thin layers, sanded to its line, and coated.',
    first: { method: 'body-filler', name: 'Fill' },
    next: [{ method: 'barrier-coat', name: 'Coat', gate: 'set' }],
  },
  {
    id: 'gouge-coat',
    label: 'Gouge filled, then primed',
    does: 'A gouge in metal filled in one domed pass, filed flush, and primed against rust.',
    first: { method: 'metal-filler', name: 'Fill' },
    next: [{ method: 'barrier-coat', name: 'Primer', gate: 'set' }],
  },
  {
    id: 'fitting',
    label: 'Fitting: tack, build, fair, barrier',
    does: 'Tacked on a prop, built up round it, faired to the hull, and sealed.',
    first: { method: 'fitting-tack', name: 'Tack' },
    next: [
      { method: 'fitting-build', name: 'Build', gate: 'window', takes: 'own' },
      { method: 'fairing-skin', name: 'Fair', gate: 'window', takes: 'own' },
      { method: 'barrier-coat', name: 'Barrier', gate: 'set' },
    ],
  },
  {
    id: 'timber',
    label: 'Timber: soaked, then built up',
    does: 'Soft timber soaked until it takes no more, and built up with filled paste to its line.',
    first: { method: 'timber-soak', name: 'Soak' },
    next: [
      { method: 'fitting-build', name: 'Build', gate: 'window', takes: 'own' },
      { method: 'fairing-skin', name: 'Fair', gate: 'window', takes: 'own' },
    ],
  },
  {
    id: 'felt-edge',
    label: 'Felt or fabric, then an edge coat',
    does: 'A pad wetted out and laid, and its face and edges coated inside the window.',
    first: { method: 'felt-wet-out', name: 'Pad' },
    next: [{ method: 'barrier-coat', name: 'Edge coat', gate: 'window' }],
  },
  {
    id: 'chip-coat',
    label: 'Chip in stone, then a clear coat',
    does: 'A chip filled proud and coloured, cut back, and given a clear coat where it is polished.',
    first: { method: 'stone-chip', name: 'Fill' },
    next: [{ method: 'finish-coat', name: 'Clear coat', gate: 'set' }],
  },
];

const methodsOf = (chain: ReadyChain): readonly Method[] =>
  [chain.first, ...chain.next].map(({ method }) => methodOf(method)!);

/** What a chain may be done on: what all its passes may. */
export const basesOf = (chain: ReadyChain): readonly BaseMaterial[] => {
  const [first, ...others] = methodsOf(chain);
  return first!.bases.filter((b) => others.every((m) => m.bases.includes(b)));
};

/** Whether a method begins with something broken of that sort. */
export const mends = (method: Method, broke: BrokeId): boolean =>
  method.shapes.some((id) => SHAPES[id].broke === broke);

/** Methods that mend that sort of thing, those that are first of all done for it in front. */
export const mendersOf = (broke: BrokeId, of: readonly Method[]): readonly Method[] => {
  const rank = (m: Method) => m.shapes.findIndex((id) => SHAPES[id].broke === broke);
  return of.filter((m) => rank(m) >= 0).sort((a, b) => rank(a) - rank(b));
};

/** Whether a chain begins with something broken of that sort. */
export const chainMends = (chain: ReadyChain, broke: BrokeId): boolean => mends(methodsOf(chain)[0]!, broke);

/**
 * The further passes of a ready-made chain put on a repair that begins with its first method; nothing of them is chosen
 * or measured yet.
 * @throws Refusal where the base bears one of its methods not
 */
export function withChain(repair: Repair, chain: ReadyChain): Repair {
  const named: Piece = { ...pieceOf(repair), passName: chain.first.name };
  return chain.next.reduce(
    (r, { method, name, gate, takes }) => {
      const below = r.chain.at(-1)!;
      const longer = withNext(r, methodOf(method)!);
      const last = pieceOf(longer, longer.chain.at(-1)!);
      const own =
        takes === 'own'
          ? { from: 'own' as const }
          : takes === 'left'
            ? { from: 'left' as const, of: below }
            : last.takes;
      return withPiece(longer, { ...last, passName: name, gate, takes: own });
    },
    withPiece(repair, named),
  );
}
