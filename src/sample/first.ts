import type { BaseMaterial, SheetRevision } from '../core/system';
import type { UnitSystem } from '../core/units';
import { shapeInInches, type Void, voidOf } from '../core/void';
import { collarSheet, crackSheet, fillerSheet, shellSheet, tileSheet } from './everyday-systems';
import { mortarSheet, pasteSheet, resinSheet } from './first-systems';
import { shaped } from './typed';

/** An ordinary repair of round figures to begin with, and an example system to plan it with. */
export interface FirstLook {
  readonly id: string;
  readonly label: string;
  /** Name of the repair, should it be kept. */
  readonly name: string;
  readonly method: string;
  readonly on: BaseMaterial;
  readonly void: Void;
  readonly sheet: SheetRevision;
  readonly kitId: string;
}

/** What most people have first: one for each way in which a system gets to its place. */
export const FIRST_LOOKS: readonly FirstLook[] = [
  {
    id: 'spall',
    label: 'spall in concrete',
    name: 'Spall',
    method: 'mortar-patch',
    on: 'concrete',
    void: voidOf(shaped('patch', { 'outline.length': 300, 'outline.width': 200, 'depth.mean': 30 })),
    sheet: mortarSheet,
    kitId: 'small',
  },
  {
    id: 'bolts',
    label: 'bolts in drilled holes',
    name: 'Bolts',
    method: 'anchor',
    on: 'concrete',
    void: {
      ...voidOf(
        shaped('annulus', { holeDiameter: 14, holeDepth: 110, rodDiameter: 12, embedment: 110 }, {}, 'calliper'),
      ),
      count: 4,
    },
    sheet: resinSheet,
    kitId: 'cartridge',
  },
  {
    id: 'crack',
    label: 'crack in a floor',
    name: 'Crack',
    method: 'poured-crack',
    on: 'concrete',
    void: voidOf(shaped('groove', { length: 1500, width: 12, depth: 25 }, { form: 'vee' })),
    sheet: crackSheet,
    kitId: 'pair',
  },
  {
    id: 'plate',
    label: 'plate to bond',
    name: 'Plate',
    method: 'plate-bond',
    on: 'metal',
    void: voidOf(shaped('bondLine', { 'outline.length': 300, 'outline.width': 200, thickness: 0.5 })),
    sheet: pasteSheet,
    kitId: 'pair',
  },
  {
    id: 'hole',
    label: 'old screw holes in a hull',
    name: 'Screw holes',
    method: 'laminate-hole',
    on: 'laminate',
    void: { ...voidOf(shaped('hole', { holeDiameter: 8, holeDepth: 8 }, {}, 'calliper')), count: 6 },
    sheet: shellSheet,
    kitId: 'tubs',
  },
  {
    id: 'dent',
    label: 'dent in a panel',
    name: 'Dent',
    method: 'body-filler',
    on: 'metal',
    void: voidOf(shaped('patch', { 'outline.length': 200, 'outline.width': 120, 'depth.mean': 4 })),
    sheet: fillerSheet,
    kitId: 'tin',
  },
  {
    id: 'collar',
    label: 'post to pour in',
    name: 'Post',
    method: 'poured-collar',
    on: 'concrete',
    void: voidOf(shaped('ring', { 'run.outer': 300, 'run.inner': 160, depth: 60 })),
    sheet: collarSheet,
    kitId: 'pail',
  },
  {
    id: 'slabs',
    label: 'slabs to set',
    name: 'Slabs',
    method: 'setting-bed',
    on: 'concrete',
    void: voidOf(
      shaped('notchedBed', {
        'outline.length': 2000,
        'outline.width': 1000,
        'notch.width': 10,
        'notch.depth': 10,
        'notch.gap': 10,
      }),
    ),
    sheet: tileSheet,
    kitId: 'bag',
  },
];

/** The same ordinary repair, of round figures in the units of its reader. */
export const lookIn = (look: FirstLook, system: UnitSystem): FirstLook =>
  system === 'us' ? { ...look, void: { ...look.void, shapes: look.void.shapes.map(shapeInInches) } } : look;
