import { z } from 'zod';
import { type Message, texts } from '../say';
import { airInhibited, type FamilyId } from './family';
import type { BaseMaterial } from './sheet';

/** What a base is more exactly, where that decides whether anything bonds to it or cures on it. */
export const GRADES = {
  polyolefin: { label: 'polyethylene or polypropylene', of: 'plastic' },
  fluoro: { label: 'PTFE', of: 'plastic' },
  acetal: { label: 'acetal', of: 'plastic' },
  foam: { label: 'polystyrene foam', of: 'plastic' },
  clear: { label: 'clear plastic that crazes', of: 'plastic' },
  copper: { label: 'copper, brass or bronze', of: 'metal' },
  zinc: { label: 'zinc-coated', of: 'metal' },
  oily: { label: 'oily timber', of: 'timber' },
} as const satisfies Record<string, { label: string; of: BaseMaterial }>;
export const GradeId = z.enum(Object.keys(GRADES) as [keyof typeof GRADES, ...(keyof typeof GRADES)[]]);
export type GradeId = z.infer<typeof GradeId>;

/** What lies on the base already, and what comes over the repair. */
export const LAYERS = {
  amine: 'resin with amine hardener',
  peroxide: 'polyester or vinylester',
  methacrylate: 'methacrylate',
  paint: 'paint of any kind',
} as const;
export const LayerId = z.enum(Object.keys(LAYERS) as [keyof typeof LAYERS, ...(keyof typeof LAYERS)[]]);
export type LayerId = z.infer<typeof LayerId>;

/** What a repair meets: the base more exactly, the layer under it, the layer over it. */
export const Meets = z.object({ grade: GradeId.nullable(), under: LayerId.nullable(), over: LayerId.nullable() });
export type Meets = z.infer<typeof Meets>;
export const MEETS_NOTHING: Meets = { grade: null, under: null, over: null };

/** A meeting that does not go well, and when it begins to matter. */
export interface Clash {
  readonly id: string;
  readonly severity: 'stop' | 'caution';
  /** Before it is mixed, or once the next layer comes. */
  readonly from: 'mixing' | 'next layer';
  /** It is of the outermost skin: where that is ground off, it goes with it. */
  readonly ofSkin?: true;
  readonly title: string;
  readonly why: string;
  readonly todo: string;
}

const RADICAL: readonly FamilyId[] = ['peroxide', 'methacrylate'];
const radical = (layer: LayerId | null) => layer === 'peroxide' || layer === 'methacrylate';
const NO_BOND: readonly (GradeId | null)[] = ['polyolefin', 'fluoro', 'acetal'];

/** The table of clashes. */
const CLASHES: readonly (Clash & { readonly when: (family: FamilyId, m: Meets) => boolean })[] = [
  {
    id: 'no-bond',
    severity: 'stop',
    from: 'mixing',
    when: (_, m) => NO_BOND.includes(m.grade),
    title: 'Nothing of this kind bonds to it',
    why: 'Polyolefins, PTFE and acetal have a surface that resins do not wet; it peels off however well it is abraded.',
    todo: 'Weld it, fasten it, or use a system whose sheet names this plastic and its pretreatment.',
  },
  {
    id: 'dissolves',
    severity: 'stop',
    from: 'mixing',
    when: (f, m) => m.grade === 'foam' && RADICAL.includes(f),
    title: 'It dissolves the foam',
    why: 'Styrene and methacrylate melt polystyrene on contact.',
    todo: 'Use a resin with amine hardener, or seal the foam first as its sheet says.',
  },
  {
    id: 'crazes',
    severity: 'caution',
    from: 'mixing',
    when: (f, m) => m.grade === 'clear' && RADICAL.includes(f),
    title: 'It may craze the plastic',
    why: 'Styrene and methacrylate open fine cracks in clear plastics under stress.',
    todo: 'Try it on a piece that does not matter, and wait a day before judging.',
  },
  {
    id: 'copper',
    severity: 'caution',
    from: 'mixing',
    when: (f, m) => m.grade === 'copper' && f !== 'cement',
    title: 'Copper in the base',
    why: 'It upsets the cure of peroxide systems and is stained and loosened by amine in the damp.',
    todo: 'Abrade bright, bond within the hour, keep water from the edge, and prove it with a trial piece.',
  },
  {
    id: 'oily',
    severity: 'caution',
    from: 'mixing',
    when: (_, m) => m.grade === 'oily',
    title: 'Oil comes out of this timber',
    why: 'The surface is oily again within hours of being planed or wiped.',
    todo: 'Wipe with the solvent the sheet names, abrade, and place within the hour.',
  },
  {
    id: 'radical-on-amine',
    severity: 'stop',
    from: 'mixing',
    when: (f, m) => m.under === 'amine' && f === 'peroxide',
    title: 'Stays soft on the layer under it',
    why: 'Free amine in the face of the old resin holds back polyester and vinylester: they stay tacky just where they should bond.',
    todo: 'Use a resin with amine hardener again; or a tie coat whose sheet names both.',
  },
  {
    id: 'on-paint',
    severity: 'caution',
    from: 'mixing',
    when: (_, m) => m.under === 'paint',
    title: 'It bonds no better than the paint under it',
    why: 'What lies between carries the whole load, and styrene or methacrylate may lift it.',
    todo: 'Take the paint off down to the base.',
  },
  {
    id: 'radical-over',
    severity: 'caution',
    from: 'next layer',
    when: (f, m) => f === 'resin-amine' && radical(m.over),
    title: 'The next layer may stay soft on this one',
    why: 'Amine that has not reacted, and the film it leaves on the face, hold back a peroxide-cured finish.',
    todo: 'Wait for full cure, wash with warm water, abrade, and try a hand’s breadth first; or finish with the same family.',
  },
  {
    id: 'air-inhibited',
    severity: 'caution',
    from: 'next layer',
    ofSkin: true,
    when: (family) => airInhibited({ family }),
    title: 'The face may stay tacky in air',
    why: 'Air holds back the cure of the outermost skin, unless the sheet says it is waxed.',
    todo: 'Use the waxed version for the last layer or cover it with film; a tacky face bonds the next coat, and is washed before paint.',
  },
];

const SAID = new Map(
  CLASHES.map((c) => [c.id, texts(`clash.${c.id}`, { title: c.title, why: c.why, todo: c.todo })] as const),
);
/** A clash in words, as they stand in its row. */
export function clashWords({ id }: Pick<Clash, 'id'>): Readonly<Record<'title' | 'why' | 'todo', Message>> {
  const { title, why, todo } = SAID.get(id)!;
  return { title: title(), why: why(), todo: todo() };
}

/** What does not go well between a family and what it meets. */
export const clashesOf = (family: FamilyId, meets: Meets): readonly Clash[] =>
  CLASHES.filter((c) => c.when(family, meets)).map(({ when: _, ...clash }) => clash);
