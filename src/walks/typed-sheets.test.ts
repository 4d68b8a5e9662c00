import { methodOf } from '@/core/method';
import type { SheetRevision } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';

/**
 * Sheets as most papers are: a ratio, a pack, the working time and one time of service, each for one temperature, typed
 * into the form and everything else left. Whoever has nothing better gets a plan to its end.
 */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 } };

const planned = (methodId: string, sheet: SheetRevision, dims: Readonly<Record<string, number>>, count = 1) =>
  firstPlanned({ job, nowMs: NOW }, methodOf(methodId)!, sheet, { dims, count });

const flat = (long: number, wide: number) => ({ 'outline.length': long, 'outline.width': wide });
const POWDER = (useBy: string): Paper => [
  'powder-liquid',
  '1.4:1 by weight',
  '100 g, 70 g',
  `use-by ${useBy}, load 1 h`,
];
const CANS: Paper = ['liquid-resin', '4:1 by weight', '4 kg, 1 kg', 'use-by 40 min, load 24 h'];
const RING = { outerDiameter: 300, innerDiameter: 200, depth: 30 };
const ORDINARY: readonly (readonly [
  method: string,
  paper: Paper,
  dims: Readonly<Record<string, number>>,
  count: number,
])[] = [
  [
    'anchor',
    ['anchor-pack', '10:1 by volume', '300 mL, 30 mL', 'use-by 5 min, load 1 h'],
    { holeDiameter: 14, holeDepth: 110 },
    8,
  ],
  [
    'plate-bond',
    ['paste', '2:1 by volume', '500 g, 200 g', 'use-by 45 min, load 24 h'],
    { ...flat(200, 100), thickness: 0.5 },
    2,
  ],
  [
    'mortar-patch',
    ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '8' }],
    { ...flat(500, 400), 'depth.mean': 30 },
    1,
  ],
  ['poured-collar', CANS, RING, 1],
  [
    'small-part',
    ['sachets', '1:1 by weight', '10 g, 10 g', 'use-by 20 min, load 8 h'],
    { ...flat(60, 30), thickness: 0.5 },
    1,
  ],
  [
    'body-filler',
    ['polyester-filler', '', '1 kg, 20 g', 'use-by 6 min, sandable 25 min', dosed(1, 2, 3)],
    { ...flat(300, 200), 'depth.mean': 3 },
    1,
  ],
  ['metal-filler', ['putty', '1:1 by volume', '50 g, 50 g', 'use-by 10 min, load 2 h'], {}, 1],
  [
    'finish-coat',
    ['finish-resin', '', '1 kg, 20 g', 'use-by 15 min, sandable 3 h', dosed(1.5, 2, 2.5)],
    { ...flat(200, 100), thickness: 0.5 },
    1,
  ],
  ['cavity-packing', ['putty', '1:1 by weight', '500 g, 500 g', 'use-by 30 min, load 24 h'], {}, 4],
  [
    'cement-patch',
    ['cement-water', '', '25 kg, 3.5 kg', 'use-by 20 min, foot 2 h', dosed(12, 13, 14)],
    { ...flat(400, 300), 'depth.mean': 40 },
    1,
  ],
  [
    'setting-bed',
    ['tile-adhesive', '', '25 kg, 6 kg', 'use-by 2 h, open 20 min, foot 24 h', dosed(22, 24, 26)],
    flat(3000, 2000),
    1,
  ],
  ['crack-mesh', ['paste', '2:1 by weight', '2 kg, 1 kg', 'use-by 45 min, load 24 h'], {}, 1],
  [
    'skim-coat',
    ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 9 kg', 'use-by 40 min, foot 12 h', { cByWeight: '6' }],
    { ...flat(2000, 1500), thickness: 2 },
    1,
  ],
  ['rebuilt-part', POWDER('5 min'), {}, 1],
  ['stone-chip', ['polyester-filler', '', '500 g, 15 g', 'use-by 8 min, sandable 1 h', dosed(1, 2, 3)], {}, 1],
  [
    'felt-wet-out',
    ['liquid-resin', '100:38 by weight', '500 g, 190 g', 'use-by 30 min, open 45 min, load 24 h'],
    {},
    2,
  ],
  ['timber-soak', ['consolidant', '2:1 by volume', '1 kg, 0.5 kg', 'use-by 2 h, load 24 h'], flat(400, 150), 1],
  [
    'timber-part',
    ['paste', '1:1 by volume', '500 g, 400 g', 'use-by 40 min, load 24 h'],
    { ...flat(200, 100), thickness: 2 },
    1,
  ],
  [
    'fitting-tack',
    ['cartridge-paste', '1:1 by volume', '25 mL, 25 mL', 'use-by 8 min, load 1 h'],
    { ...flat(100, 60), thickness: 1 },
    2,
  ],
  [
    'fairing-skin',
    [
      'four-part-paste',
      '100:50 by weight',
      '1 kg, 0.5 kg, 0.2 kg, 0.1 kg',
      'use-by 30 min, load 8 h',
      { cByWeight: '12', dByWeight: '4' },
    ],
    {},
    1,
  ],
];

test.each(ORDINARY)('%s: planned to its end, with nothing that forbids', (id, paper, dims, count) => {
  const p = planned(id, typed(paper, NOW), dims, count);
  expect(p.problems).toEqual([]);
  expect(p.findings.filter((f) => f.severity === 'stop').map((f) => f.title)).toEqual([]);
  expect(p.untimed).toEqual([]);
  expect(p.steps.at(-1)!.id).toBe('release:tests');
  // A pot is stirred no longer than a practitioner stirs it.
  for (const s of p.steps.filter((x) => /^b\d+:mix$/.test(x.id)))
    expect((Date.parse(s.to!) - Date.parse(s.from!)) / 60_000).toBeLessThanOrEqual(3);
});

describe('what is built up bead by bead', () => {
  const p = planned('rebuilt-part', typed(POWDER('5 min'), NOW), {});

  test('is wetted as it is placed: one setting out, no pot that dies under it', () => {
    expect(p.batches).toHaveLength(1);
    const ids = p.steps.map((s) => s.id).filter((i) => /^b\d/.test(i));
    expect(ids).toEqual(['b1:weigh', 'b1:mix', 'b1:place']);
    expect(p.steps.find((s) => s.id === 'b1:mix')!.title).toBe('Wet a first bead aside');
    expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(
      /g of powder, [\d.]+ g of liquid, each in a cup of its own/,
    );
    const place = p.steps.find((s) => s.id === 'b1:place')!;
    const beads = Number(/(\d+) beads/.exec(place.title)![1]);
    // Five beads a minute, longer than any one of them lives.
    expect((Date.parse(place.to!) - Date.parse(place.from!)) / 60_000).toBeCloseTo(beads / 5, 0);
    expect(beads / 5).toBeGreaterThan(6);
  });
  test('no clock of a pot runs beside it', () => {
    expect(p.milestones.filter((m) => m.kind === 'use-by')).toEqual([]);
    expect(p.milestones.find((m) => m.kind === 'load')!.plans).not.toBeNull();
    expect(p.findings.filter((f) => /^late|^tight|pot/.test(f.id))).toEqual([]);
  });
  test('however long one bead lives, it takes as much', () => {
    const slow = planned('rebuilt-part', typed(POWDER('60 min'), NOW), {});
    expect(slow.toMixMl).toBeCloseTo(p.toMixMl!, 9);
    expect(slow.batches).toHaveLength(1);
  });
});

test('can pairs that may be parted are weighed out for a pour; pails that may not are poured whole', () => {
  const cans = typed(CANS, NOW);
  const weighed = planned('poured-collar', cans, RING);
  expect(weighed.batches.map((b) => b.kits)).toEqual([null]);
  expect(weighed.findings.some((f) => f.id === 'waste')).toBe(false);
  const pails = { ...cans, kits: cans.kits.map((k) => ({ ...k, splittable: false })) };
  expect(planned('poured-collar', pails, RING).batches.map((b) => b.kits)).toEqual([1]);
});
