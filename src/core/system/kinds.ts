import { z } from 'zod';
import type { FamilyId } from './family';
import { CAUSTIC, ofChemistry, PEROXIDE, SENSITISING, SILICA, VAPOUR } from './hazards';
import type { Flow, Mixing, Way } from './manner';
import type { MilestoneId, StartId } from './milestone';
import type { PartId, UsualPart } from './part-kinds';
import type { WETNESS } from './wetness';

export * from './part-kinds';

/** Groups of fields that the sheet of a kind may fill. */
export type SheetField =
  | 'mixer'
  | 'pot'
  | 'dose'
  | 'aggregate'
  | 'thickener'
  | 'lift'
  | 'bond'
  | 'sag'
  | 'uptake'
  | 'humidity';

export interface SystemKind {
  readonly label: string;
  readonly does: string;
  /** Families it comes in; the first is the usual one, and gives the activation energy of single figures. */
  readonly families: readonly FamilyId[];
  /** How a mix of it may lie, the usual first; a sheet may say which. */
  readonly flows: readonly Flow[];
  readonly mixing: Mixing;
  readonly parts: readonly UsualPart[];
  /** The name of what is dosed within a range; null where the ratio is fixed. */
  readonly dosed: string | null;
  readonly ways: readonly Way[];
  /** Of a lift and a bond line the one that its sheets usually mean by a thickness stands first. */
  readonly asks: readonly SheetField[];
  /** What stays on board, film or in a cup at most, mL, where that is less than in a pot. */
  readonly keepsMl?: number;
  /** Its packs are mixed whole, unless the sheet lets them be parted: what is in them settles or is metered out. */
  readonly whole?: true;
  /** Wetted bead by bead as it is placed: nothing is mixed beforehand. */
  readonly asPlaced?: true;
  /**
   * Minutes that are usually left to place it once it is mixed, at 20 °C and on the short side, where that is not half
   * an hour: planned with where its sheet tells nothing of it.
   */
  readonly worksMin?: number;
  /** Minutes of mixing, where they are usually others than of a pot. */
  readonly mixMin?: number;
  /** Mixed inside its own pack: nothing of it is weighed. */
  readonly ownBag?: true;
  /** Times that its sheets usually print, in the order of work. */
  readonly times: readonly MilestoneId[];
  /** What those count from that usually count from something else. */
  readonly counts?: Readonly<Partial<Record<MilestoneId, StartId>>>;
  /** How wet its sheets usually want the base; bone dry, where it is not said. */
  readonly base?: (typeof WETNESS)[number];
  readonly hazards: readonly string[];
  readonly protection: readonly string[];
}

const GLOVES = ['nitrile gloves', 'eye cover'];

const resin = (name = 'resin', densityGPerMl = 1.1): UsualPart => ({ id: 'A', name, role: 'resin', densityGPerMl });
const hardener = (name = 'hardener', densityGPerMl = 1): UsualPart => ({
  id: 'B',
  name,
  role: 'hardener',
  densityGPerMl,
});
const sand = (id: PartId = 'C'): UsualPart => ({
  id,
  name: 'graded sand',
  role: 'aggregate',
  densityGPerMl: 2.65,
  filler: 'grains',
  bulkGPerMl: 1.75,
});

/** The table of kinds. A kind more is an entry more. */
export const SYSTEM_KINDS = {
  'liquid-resin': {
    label: 'Resin and hardener, liquid',
    does: 'Poured, brushed, or filled by oneself.',
    families: ['resin-amine', 'isocyanate'],
    flows: ['pours'],
    mixing: 'pot',
    parts: [resin(), hardener()],
    dosed: null,
    ways: ['weight', 'cup', 'strokes'],
    asks: ['pot', 'lift', 'bond'],
    times: ['use-by', 'gel', 'next-lift', 'recoat-from', 'recoat-until', 'tack-free', 'sandable', 'load', 'full-cure'],
    hazards: [SENSITISING, 'A full pot heats itself: pour it out in time.'],
    protection: GLOVES,
  },
  paste: {
    label: 'Paste adhesive, mixed by hand',
    keepsMl: 10,
    does: 'Two pastes from tins, spread on both faces.',
    families: ['resin-amine', 'methacrylate'],
    flows: ['paste'],
    mixing: 'pot',
    parts: [resin('paste resin', 1.4), hardener('paste hardener', 1.05)],
    dosed: null,
    ways: ['weight', 'cup'],
    asks: ['pot', 'bond', 'lift', 'sag'],
    times: ['use-by', 'open', 'release', 'sandable', 'load', 'full-cure'],
    hazards: [SENSITISING],
    protection: GLOVES,
  },
  'cartridge-paste': {
    label: 'Paste adhesive in twin cartridge',
    does: 'Pressed through a static mixer or out side by side.',
    families: ['resin-amine', 'methacrylate', 'isocyanate'],
    flows: ['paste'],
    mixing: 'mixer',
    parts: [resin('paste resin', 1.3), hardener('paste hardener', 1.1)],
    dosed: null,
    ways: ['strokes', 'weight'],
    asks: ['mixer', 'bond', 'lift', 'sag'],
    times: ['use-by', 'idle', 'open', 'release', 'load', 'full-cure'],
    hazards: [SENSITISING],
    protection: GLOVES,
  },
  'anchor-pack': {
    label: 'Anchor resin, cartridge or twin-bag with static mixer',
    worksMin: 5,
    does: 'Pressed to the back of a drilled hole.',
    families: ['methacrylate', 'resin-amine', 'peroxide'],
    flows: ['paste'],
    mixing: 'mixer',
    parts: [resin('resin', 1.7), hardener('hardener', 1.5)],
    dosed: null,
    ways: ['strokes'],
    asks: ['mixer'],
    times: ['use-by', 'idle', 'load'],
    hazards: [SENSITISING, PEROXIDE],
    protection: GLOVES,
  },
  'mortar-kit': {
    label: 'Resin mortar or grout with aggregate, in kits',
    does: 'Liquids first, then aggregate in portions.',
    families: ['resin-amine', 'methacrylate'],
    flows: ['mortar', 'pours'],
    mixing: 'pot',
    parts: [resin(), hardener(), sand()],
    dosed: null,
    ways: ['weight'],
    asks: ['pot', 'aggregate', 'lift'],
    whole: true,
    times: ['use-by', 'primer-wet', 'next-lift', 'recoat-until', 'sandable', 'foot', 'load', 'full-cure'],
    hazards: [SENSITISING, SILICA],
    protection: [...GLOVES, 'dust mask for silica'],
  },
  'four-part-paste': {
    label: 'Four-part paste: resin, hardener, filler, thickener',
    does: 'Filled by weight, thickened to the wanted stand.',
    families: ['resin-amine'],
    flows: ['paste'],
    mixing: 'pot',
    parts: [
      resin(),
      hardener(),
      { id: 'C', name: 'fibre filler', role: 'filler', densityGPerMl: 1.5, filler: 'thixotrope' },
      { id: 'D', name: 'fumed silica', role: 'thickener', densityGPerMl: 2.2, filler: 'thixotrope' },
    ],
    dosed: null,
    ways: ['weight'],
    asks: ['pot', 'aggregate', 'thickener', 'lift', 'sag'],
    times: ['use-by', 'gel', 'next-lift', 'recoat-until', 'sandable', 'release', 'load', 'full-cure'],
    hazards: [SENSITISING, 'Fumed silica flies: mask on, fans off while it is poured.'],
    protection: [...GLOVES, 'dust mask'],
  },
  consolidant: {
    label: 'Penetrating consolidant',
    does: 'Brushed on until the base takes no more.',
    families: ['resin-amine', 'isocyanate'],
    flows: ['thin'],
    mixing: 'pot',
    parts: [resin('thin resin', 1.02), hardener('thin hardener', 0.98)],
    dosed: null,
    ways: ['cup', 'weight'],
    asks: ['pot', 'uptake'],
    times: ['use-by', 'recoat-from', 'recoat-until', 'load'],
    hazards: [SENSITISING, VAPOUR],
    protection: [...GLOVES, 'vapour mask in closed rooms'],
  },
  sachets: {
    label: 'Pre-measured sachets',
    worksMin: 15,
    keepsMl: 1,
    does: 'Kneaded in their own bag; a sachet is never divided.',
    mixMin: 1,
    families: ['resin-amine', 'methacrylate'],
    flows: ['paste', 'pours'],
    mixing: 'hand',
    parts: [resin('resin', 1.2), hardener('hardener', 1.1)],
    dosed: null,
    ways: ['sachet'],
    asks: ['pot', 'bond'],
    whole: true,
    ownBag: true,
    times: ['use-by', 'release', 'load'],
    hazards: [SENSITISING],
    protection: GLOVES,
  },
  'polyester-filler': {
    label: 'Polyester or vinylester filler with paste peroxide',
    worksMin: 5,
    keepsMl: 4,
    does: 'A strip of hardener folded into the filler, 1 to 3 %.',
    mixMin: 1,
    families: ['peroxide'],
    flows: ['paste'],
    mixing: 'pot',
    parts: [resin('filler', 1.85), { id: 'B', name: 'paste peroxide', role: 'catalyst', densityGPerMl: 1.15 }],
    dosed: 'hardener',
    ways: ['weight', 'strip'],
    asks: ['pot', 'dose', 'lift', 'sag'],
    times: ['use-by', 'sandable'],
    hazards: [PEROXIDE, VAPOUR],
    protection: [...GLOVES, 'dust mask for sanding'],
  },
  'finish-resin': {
    label: 'Finish resin with liquid catalyst in drops',
    worksMin: 10,
    keepsMl: 8,
    does: 'A pigmented coat over a patch, cut back and polished.',
    mixMin: 1,
    families: ['peroxide'],
    flows: ['film'],
    mixing: 'pot',
    parts: [resin('finish resin', 1.2), { id: 'B', name: 'liquid peroxide', role: 'catalyst', densityGPerMl: 1.13 }],
    dosed: 'catalyst',
    ways: ['drops', 'weight'],
    asks: ['pot', 'dose', 'lift'],
    times: ['use-by', 'recoat-from', 'recoat-until', 'sandable', 'load'],
    hazards: [PEROXIDE, VAPOUR],
    protection: [...GLOVES, 'vapour mask in closed rooms'],
  },
  'powder-liquid': {
    label: 'Powder and liquid methacrylate',
    worksMin: 5,
    keepsMl: 0.5,
    does: 'Built up bead by bead.',
    asPlaced: true,
    mixMin: 0.5,
    families: ['methacrylate'],
    flows: ['beads'],
    mixing: 'hand',
    parts: [
      { id: 'A', name: 'powder', role: 'powder', densityGPerMl: 1.19 },
      { id: 'B', name: 'liquid', role: 'liquid', densityGPerMl: 0.94 },
    ],
    dosed: null,
    ways: ['weight', 'cup'],
    asks: ['pot', 'lift'],
    times: ['use-by', 'release', 'sandable', 'load'],
    hazards: [VAPOUR, 'The liquid sensitises and burns easily.'],
    protection: GLOVES,
  },
  putty: {
    label: 'Two-part putty, kneaded by hand',
    worksMin: 20,
    keepsMl: 2,
    does: 'Equal parts kneaded to one colour, rammed in.',
    families: ['resin-amine', 'methacrylate'],
    flows: ['putty'],
    mixing: 'hand',
    parts: [resin('putty resin', 1.9), hardener('putty hardener', 1.8)],
    dosed: null,
    ways: ['weight', 'strip'],
    asks: ['pot', 'lift', 'sag'],
    times: ['use-by', 'sandable', 'release', 'load'],
    hazards: [SENSITISING],
    protection: GLOVES,
  },
  'crack-filler': {
    label: 'Fast crack filler with sand',
    worksMin: 4,
    does: 'Poured into a chased crack within minutes.',
    mixMin: 0.5,
    families: ['isocyanate', 'methacrylate'],
    flows: ['pours'],
    mixing: 'pot',
    parts: [resin('resin', 1.05), hardener('hardener', 1.2), sand()],
    dosed: null,
    ways: ['cup', 'weight'],
    asks: ['pot', 'aggregate'],
    times: ['use-by', 'sandable', 'load'],
    hazards: [SENSITISING, 'Isocyanate: not to be breathed; not for people with asthma.', SILICA],
    protection: [...GLOVES, 'vapour mask in closed rooms'],
  },
  'cement-water': {
    label: 'Cement powder and water',
    worksMin: 20,
    does: 'Packed stiff on a damp base.',
    families: ['cement'],
    flows: ['mortar', 'pours'],
    mixing: 'pot',
    parts: [
      { id: 'A', name: 'powder', role: 'powder', densityGPerMl: 2.7 },
      { id: 'B', name: 'water', role: 'water', densityGPerMl: 1 },
    ],
    dosed: 'water',
    ways: ['weight', 'cup'],
    asks: ['pot', 'dose', 'lift'],
    base: 'saturated, no puddles',
    times: ['use-by', 'foot', 'load'],
    hazards: [CAUSTIC, SILICA],
    protection: [...GLOVES, 'dust mask'],
  },
  'joint-colour': {
    label: 'Two-bottle joint colour with water and a stand time',
    keepsMl: 5,
    does: 'Painted on joints; dries by warmth and dry air.',
    mixMin: 1,
    families: ['water-borne'],
    flows: ['film'],
    mixing: 'pot',
    parts: [
      resin('colour', 1.2),
      hardener('hardener', 1.05),
      { id: 'C', name: 'water', role: 'water', densityGPerMl: 1 },
    ],
    dosed: null,
    ways: ['cup', 'weight'],
    asks: ['pot', 'humidity'],
    times: ['stand', 'use-by', 'recoat-from', 'dry', 'load'],
    // From its last shake, which ends its standing.
    counts: { 'use-by': 'stand-ends' },
    hazards: ['Wash off skin at once.'],
    protection: GLOVES,
  },
  'tile-adhesive': {
    label: 'Tile setting adhesive',
    worksMin: 20,
    does: 'Combed bed under tile and stone.',
    families: ['cement'],
    flows: ['paste'],
    mixing: 'pot',
    parts: [
      { id: 'A', name: 'powder', role: 'powder', densityGPerMl: 2.6 },
      { id: 'B', name: 'water or dispersion', role: 'water', densityGPerMl: 1 },
    ],
    dosed: 'water',
    ways: ['weight', 'cup'],
    asks: ['pot', 'dose', 'bond'],
    times: ['use-by', 'open', 'overlay', 'foot', 'load'],
    hazards: [CAUSTIC, SILICA],
    protection: [...GLOVES, 'dust mask'],
  },
} as const satisfies Record<string, SystemKind>;

export const SystemKindId = z.enum(
  Object.keys(SYSTEM_KINDS) as [keyof typeof SYSTEM_KINDS, ...(keyof typeof SYSTEM_KINDS)[]],
);
export type SystemKindId = z.infer<typeof SystemKindId>;
export const KIND_IDS = SystemKindId.options;

/** The entry of a kind. */
export const systemKind = (id: SystemKindId): SystemKind => SYSTEM_KINDS[id];
/** The cautions that a kind usually has in some chemistry. */
export const hazardsOf = (id: SystemKindId, family: FamilyId): readonly string[] =>
  ofChemistry(systemKind(id).hazards, family);
/** Whether it is pressed through a static mixer, so that nothing stands in a pot. */
export const isMetered = (id: SystemKindId): boolean => SYSTEM_KINDS[id].mixing === 'mixer';
/** Whether its pack brings its parts together in their ratio, so that nobody measures them. */
export const isMeteredByPack = (id: SystemKindId): boolean => isMetered(id) || systemKind(id).ownBag === true;
/** Whether it is mixed only as it is placed, so that nothing stands in a pot. */
export const isMixedAsPlaced = ({ kind }: { readonly kind: SystemKindId }): boolean =>
  systemKind(kind).asPlaced === true;
