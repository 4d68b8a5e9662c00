import type { SheetRevision } from '../core/system';
import { shellSheet } from './everyday-systems';
import { curve, kitOf, limits, partsOf, ratioOf, system } from './sheet-words';

/** Systems that only the jobs of floors and workshop need; of the sample like the others. */
export const workshopSheets: readonly SheetRevision[] = [
  system('joint-resin', 'Joint resin, washable', 'liquid-resin', {
    flow: 'paste',
    parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.6 }, B: { densityGPerMl: 1.1 } }),
    ratio: ratioOf({ basis: 'weight', a: 100, b: 12, tolerancePct: 4 }),
    milestones: [
      curve('use-by', 'mix-begins', 'pot', [
        [10, 70, 80],
        [20, 36, 42],
        [30, 18, 22],
      ]),
      curve('wash-from', 'placed', 'base', [
        [10, 18, 22],
        [20, 9, 11],
        [30, 5, 6],
      ]),
      curve('wash-until', 'placed', 'base', [
        [10, 48, 54],
        [20, 28, 32],
        [30, 15, 18],
      ]),
      curve('foot', 'placed', 'base', [
        [10, 1300, 1500],
        [20, 660, 780],
        [30, 360, 420],
      ]),
      curve('load', 'placed', 'base', [
        [10, 4000, 4600],
        [20, 2000, 2300],
        [30, 1000, 1200],
      ]),
    ],
    limits: { ...limits, baseMinC: 8, baseMaxC: 30, bases: ['stone', 'concrete'] },
    kits: [kitOf('unit', 'Unit 2.5 L', [3500, 420], { yieldMl: 2500, price: 46 })],
    potLossMl: 60,
    mixMin: 4,
    mixManner: 'fold in the bucket, then out of it in heaps',
    finish: { colour: 'granite grey', sanding: 'not', paintable: 'no' },
  }),
  shellSheet,
  system('steel', 'Steel-filled paste', 'paste', {
    ratio: ratioOf({ basis: 'weight', a: 100, b: 10, tolerancePct: 5 }),
    milestones: [
      curve('use-by', 'mix-begins', 'pot', [
        [10, 60, 70],
        [20, 30, 36],
        [30, 15, 18],
      ]),
      curve('gel', 'placed', 'base', [
        [10, 160, 190],
        [20, 80, 95],
        [30, 40, 48],
      ]),
      curve('sandable', 'placed', 'base', [
        [10, 1100, 1300],
        [20, 540, 640],
        [30, 270, 320],
      ]),
      curve('load', 'placed', 'base', [
        [10, 2800, 3300],
        [20, 1400, 1600],
        [30, 700, 820],
      ]),
    ],
    limits: { ...limits, baseMinC: 8, liftMinMm: 0.5, liftMaxMm: 10, sagWallMm: 10, bases: ['metal'] },
    kits: [kitOf('tin', 'Tin pair 550 g', [500, 50], { splittable: true, price: 38 })],
    potLossMl: 3,
    mixMin: 3,
    finish: { colour: 'grey, metallic', sanding: 'hard', paintable: 'yes' },
  }),
  system('elastic', 'Joint sealant 2-part, elastic', 'paste', {
    family: 'isocyanate',
    ratio: ratioOf({ basis: 'weight', a: 100, b: 12, tolerancePct: 5 }),
    milestones: [
      curve('use-by', 'mix-begins', 'pot', [
        [5, 150, 180],
        [20, 75, 90],
        [30, 40, 50],
      ]),
      curve('gel', 'placed', 'base', [
        [5, 700, 840],
        [20, 330, 390],
        [30, 170, 210],
      ]),
      curve('foot', 'placed', 'base', [
        [5, 2200, 2600],
        [20, 1000, 1200],
        [30, 520, 620],
      ]),
      curve('load', 'placed', 'base', [
        [5, 6000, 7000],
        [20, 2900, 3300],
        [30, 1500, 1750],
      ]),
    ],
    limits: { ...limits, baseMinC: 5, baseMaxC: 35, sagWallMm: 25, bases: ['concrete', 'stone', 'metal'] },
    kits: [kitOf('pail', 'Pail 4 kg', [3571, 429], { splittable: true, price: 52 })],
    potLossMl: 25,
    mixMin: 5,
    mixManner: 'slow paddle, no air',
    finish: { colour: 'stone grey', sanding: 'not', paintable: 'no' },
  }),
  system('wet', 'Wetting resin, slow', 'liquid-resin', {
    parts: partsOf('liquid-resin', { A: { densityGPerMl: 1.13 }, B: { densityGPerMl: 0.97 } }),
    ratio: ratioOf({ basis: 'weight', a: 100, b: 30, tolerancePct: 3 }),
    milestones: [
      curve('use-by', 'mix-begins', 'pot', [
        [10, 90, 110],
        [20, 45, 55],
        [30, 22, 28],
      ]),
      curve('open', 'placed', 'base', [
        [10, 150, 180],
        [20, 75, 90],
        [30, 38, 45],
      ]),
      curve('gel', 'placed', 'base', [
        [10, 420, 500],
        [20, 210, 250],
        [30, 100, 125],
      ]),
      curve('recoat-from', 'placed', 'base', [
        [10, 480, 560],
        [20, 240, 280],
        [30, 120, 140],
      ]),
      curve('recoat-until', 'placed', 'base', [
        [10, 2700, 2900],
        [20, 1440, 1560],
        [30, 720, 780],
      ]),
      curve('sandable', 'placed', 'base', [
        [10, 1400, 1600],
        [20, 720, 840],
        [30, 360, 420],
      ]),
      curve('release', 'placed', 'base', [
        [10, 1300, 1500],
        [20, 660, 780],
        [30, 330, 390],
      ]),
      curve('load', 'placed', 'base', [
        [10, 4300, 4900],
        [20, 2160, 2500],
        [30, 1080, 1250],
      ]),
    ],
    limits: {
      ...limits,
      baseMinC: 8,
      materialMinC: 10,
      bases: ['laminate', 'timber', 'metal', 'plastic', 'concrete'],
    },
    kits: [kitOf('set', 'Bottle set 1.3 kg', [1000, 300], { splittable: true, price: 33 })],
    potLossMl: 10,
    mixMin: 2,
  }),
];
