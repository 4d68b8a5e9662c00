import type { SheetRevision } from '../core/system';
import { collarSheet } from './everyday-systems';
import { curve, dryLimits, kitOf, partsOf, ratioOf, system } from './sheet-words';

const H = 60;
const hull = [...(['laminate', 'timber', 'metal'] as const)];

/** Four systems that go on each other round a fitting in a hull: tack, build, fair, barrier. */
export const boatSheets: readonly SheetRevision[] = [
  system('tack', 'Quick tack paste', 'paste', {
    ratio: ratioOf({ basis: 'volume', a: 1, b: 1, tolerancePct: 5 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 45, 50],
          [20, 22, 26],
        ],
        100,
      ),
      curve('open', 'last-coat', 'material', [
        [10, 40, 45],
        [20, 20, 24],
      ]),
      curve('gel', 'placed', 'base', [
        [10, 90, 100],
        [20, 45, 50],
      ]),
      curve('recoat-from', 'placed', 'base', [
        [10, 150, 180],
        [20, 75, 90],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 9 * H, 10 * H],
        [20, 5 * H, 6 * H],
      ]),
      curve('release', 'placed', 'base', [
        [10, 5 * H, 6 * H],
        [20, 150, 3 * H],
      ]),
    ],
    limits: { ...dryLimits, bondMinMm: 0.3, bondMaxMm: 4, sagWallMm: 6, sagOverheadMm: 4, bases: hull },
    kits: [kitOf('pair', 'Tube pair 400 g', [220, 180], { splittable: true, price: 24 })],
    potLossMl: 3,
    mixMin: 3,
  }),
  system('build', 'Fibre build paste, 4 parts', 'four-part-paste', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 30, cByWeight: 21.3, dByWeight: 4.7, tolerancePct: 5 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 55, 65],
          [20, 28, 34],
        ],
        300,
      ),
      curve('gel', 'placed', 'base', [
        [10, 4 * H, 5 * H],
        [20, 2 * H, 150],
      ]),
      curve('recoat-from', 'placed', 'base', [
        [10, 5 * H, 6 * H],
        [20, 150, 3 * H],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 20 * H, 24 * H],
        [20, 10 * H, 12 * H],
      ]),
      curve('release', 'placed', 'base', [
        [10, 14 * H, 16 * H],
        [20, 6 * H, 7 * H],
      ]),
    ],
    limits: { ...dryLimits, liftMaxMm: 60, liftMinMm: 2, sagWallMm: 20, sagOverheadMm: 12, bases: hull },
    kits: [kitOf('set', 'Set 1.5 kg', [960, 288, 205, 46], { splittable: true, price: 58 })],
    potLossMl: 10,
    finish: { colour: 'grey', sanding: 'hard', paintable: 'yes' },
  }),
  system('fair', 'Light fairing filler', 'four-part-paste', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 30, cByWeight: 12, dByWeight: 3, tolerancePct: 5 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 60, 70],
          [20, 30, 36],
        ],
        300,
      ),
      curve('gel', 'placed', 'base', [
        [10, 5 * H, 6 * H],
        [20, 150, 3 * H],
      ]),
      curve('recoat-from', 'placed', 'base', [
        [10, 6 * H, 7 * H],
        [20, 3 * H, 210],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 20 * H, 24 * H],
        [20, 10 * H, 12 * H],
      ]),
      curve('sandable', 'placed', 'base', [
        [10, 16 * H, 18 * H],
        [20, 7 * H, 8 * H],
      ]),
    ],
    limits: { ...dryLimits, liftMaxMm: 15, liftMinMm: 0.5, sagWallMm: 12, sagOverheadMm: 8, bases: hull },
    kits: [kitOf('set', 'Set 750 g', [515, 155, 62, 16], { splittable: true, price: 36 })],
    potLossMl: 10,
    finish: { colour: 'white', sanding: 'easy', paintable: 'yes' },
  }),
  system('barrier', 'Barrier coat', 'liquid-resin', {
    flow: 'film',
    parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.35 }, B: { densityGPerMl: 1.0 } }),
    ratio: ratioOf({ basis: 'volume', a: 2, b: 1, tolerancePct: 5 }),
    milestones: [
      curve(
        'use-by',
        'mix-begins',
        'pot',
        [
          [10, 80, 90],
          [20, 40, 45],
        ],
        200,
      ),
      curve('tack-free', 'placed', 'base', [
        [10, 5 * H, 6 * H],
        [20, 150, 3 * H],
      ]),
      curve('recoat-from', 'placed', 'base', [
        [10, 4 * H, 5 * H],
        [20, 2 * H, 150],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 48 * H, 48 * H],
        [20, 24 * H, 24 * H],
      ]),
      curve('wet', 'placed', 'base', [
        [10, 90 * H, 96 * H],
        [20, 44 * H, 48 * H],
      ]),
    ],
    limits: { ...dryLimits, bases: hull },
    kits: [kitOf('pair', 'Can pair 750 mL', [675, 250], { splittable: true, price: 41 })],
    potLossMl: 10,
    finish: { colour: 'grey', sanding: 'easy', paintable: 'yes' },
  }),
  collarSheet,
];
