import type { GateId } from './repair';

/** A pass of a ready-made chain after the first. */
export interface ReadyPass {
  readonly method: string;
  readonly name: string;
  readonly gate: GateId;
  /** It goes on within the recoat window instead, where the sheet below prints one. */
  readonly inWindow?: true;
  /** What it takes of the pass before it; as its method does unless said. */
  readonly takes?: 'own' | 'face';
}

/** Passes that practitioners commonly put on one another, offered by what broke. */
export interface ReadyChain {
  readonly id: string;
  readonly label: string;
  readonly does: string;
  readonly first: {
    readonly method: string;
    readonly name: string;
    /** What is chosen of it because of what comes after, by the matter. */
    readonly schools?: Readonly<Record<string, string>>;
  };
  readonly next: readonly ReadyPass[];
}

/** The table of ready-made chains. */
export const READY_CHAINS: readonly ReadyChain[] = [
  {
    id: 'patch-skim',
    label: 'Patch, then a skim over all',
    does: 'A spall filled with resin mortar, and the bay skimmed to one face in its window, or once it has set.',
    first: { method: 'mortar-patch', name: 'Patch' },
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set', inWindow: true }],
  },
  {
    id: 'crack-skim',
    label: 'Crack poured, then a skim',
    does: 'A crack opened and poured full, ground, and the bay skimmed over it.',
    first: { method: 'poured-crack', name: 'Crack' },
    // The bay is measured: it is not as wide as its crack.
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set', takes: 'own' }],
  },
  {
    id: 'mesh-skim',
    label: 'Crack bridged, then a skim',
    does: 'Mesh bedded over the crack between two layers, and a skim drawn over it in their window, or once they have set.',
    first: { method: 'crack-mesh', name: 'Mesh' },
    next: [{ method: 'skim-coat', name: 'Skim', gate: 'set', inWindow: true }],
  },
  {
    id: 'bed-joints-colour',
    label: 'Bed, joints, colour',
    does: 'Slabs set in a combed bed, their joints filled with resin when the bed bears it, the joints coloured.',
    first: { method: 'setting-bed', name: 'Bed' },
    next: [
      { method: 'resin-joints', name: 'Joints', gate: 'overlay', takes: 'own' },
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
    does: 'A hole filled a little low, and the colour coat laid into what was left and over its bared edge.',
    first: { method: 'laminate-hole', name: 'Fill' },
    next: [{ method: 'finish-coat', name: 'Finish coat', gate: 'set' }],
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
      // What was built up is faired over its faces; nobody draws it a second time.
      { method: 'fairing-skin', name: 'Fair', gate: 'window', takes: 'face' },
    ],
  },
  {
    id: 'timber-cap',
    label: 'Timber: soaked, rods set, a cap on them',
    does: 'A post end soaked until it takes no more, rods set into it, and a cap lowered onto them in thickened resin.',
    first: { method: 'timber-soak', name: 'Soak' },
    next: [
      { method: 'anchor', name: 'Rods', gate: 'hard', takes: 'own' },
      { method: 'timber-part', name: 'Cap', gate: 'holds', takes: 'own' },
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
    // Nothing holds on a polish: the coat brings the gloss.
    first: { method: 'stone-chip', name: 'Fill', schools: { gloss: 'honed' } },
    next: [{ method: 'finish-coat', name: 'Clear coat', gate: 'set' }],
  },
];

/** How a method usually goes on another: as in the first of the ready-made chains that have the two in a row. */
export function usuallyOn(below: string, method: string): ReadyPass | null {
  for (const { first, next } of READY_CHAINS) {
    const at = next.findIndex((pass, i) => pass.method === method && (next[i - 1] ?? first).method === below);
    if (at >= 0) return next[at]!;
  }
  return null;
}
