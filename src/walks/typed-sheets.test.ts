import { methodOf } from '@/core/method';
import { type Piece, pieceOf, withPiece } from '@/core/plan';
import type { MilestoneId, SheetRevision } from '@/core/system';
import { kindOf, measured, SHAPES, type VoidShape, voidOf, withValue } from '@/core/void';
import { blankDraft, blankKit, blankTime, ofKind, type SheetDraft } from '@/ui/shelf/draft';
import { readDraft } from '@/ui/shelf/read-draft';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER } from '@/words';
import { at, printedPlan, ZONE } from './made';

/**
 * Sheets as most papers are: a ratio, a pack, the working time and one time of service, each for one temperature, typed
 * into the form and everything else left. Whoever has nothing better gets a plan to its end.
 */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 } };

interface Typed {
  readonly kind: SheetRevision['kind'];
  readonly ratio?: string;
  readonly packs: Readonly<Record<string, string>>;
  readonly times: Partial<Record<MilestoneId, string>>;
  readonly more?: Partial<SheetDraft>;
}
const dosed = (from: string, usual: string, to: string): Partial<SheetDraft> => ({
  doseMin: `${from} %`,
  doseUsual: `${usual} %`,
  doseMax: `${to} %`,
  doseOf: 'A',
});
function typed({ kind, ratio = '', packs, times, more = {} }: Typed): SheetRevision {
  const blank = ofKind(blankDraft(), kind);
  const kept = blank.times.filter((t) => !Object.hasOwn(times, t.kind));
  const told = (Object.entries(times) as [MilestoneId, string][]).map(([of, text]) => ({
    ...(blank.times.find((t) => t.kind === of) ?? blankTime(of)),
    text,
  }));
  const kit = { ...blankKit(kind), label: 'Pack', massG: { A: '', B: '', C: '', D: '', ...packs } };
  const made = readDraft(
    { ...blank, name: 'Lakeside, as printed', ratio, kits: [kit], times: [...kept, ...told], ...more },
    'metric',
    null,
    'technician',
    NOW,
  );
  if (!('sheet' in made)) throw new Error(JSON.stringify(made.faults));
  return made.sheet;
}
const planned = (
  methodId: string,
  sheet: SheetRevision,
  dims: Readonly<Record<string, number>>,
  count = 1,
  over: Partial<Piece> = {},
) => {
  const method = methodOf(methodId)!;
  const blank = SHAPES[method.shapes[0]!].blank() as VoidShape;
  const shape = kindOf(blank)
    .dimensions(blank)
    .reduce<VoidShape>(
      (s, d) =>
        withValue(kindOf(s), s, d.key, { ...measured(dims[d.key] ?? d.measured.valueMm, 'rule'), text: 'as typed' }),
      blank,
    );
  const fresh = freshRepair(job.id, methodId, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: { ...voidOf(shape), count },
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    ...over,
  });
  return printedPlan({ job, repairs: [repair], sheets: [sheet] }, NOW, { ...PLAIN_READER, zone: ZONE }).repairs[0]!;
};

const AT = 'at 20 C';
const ORDINARY: readonly (readonly [
  method: string,
  sheet: Typed,
  dims: Readonly<Record<string, number>>,
  count?: number,
])[] = [
  [
    'anchor',
    {
      kind: 'anchor-pack',
      ratio: '10:1 by volume',
      packs: { A: '300 mL', B: '30 mL' },
      times: { 'use-by': `5 min ${AT}`, load: `1 h ${AT}` },
    },
    { holeDiameter: 14, holeDepth: 110 },
    8,
  ],
  [
    'plate-bond',
    {
      kind: 'paste',
      ratio: '2:1 by volume',
      packs: { A: '500 g', B: '200 g' },
      times: { 'use-by': `45 min ${AT}`, load: `24 h ${AT}` },
    },
    { 'outline.length': 200, 'outline.width': 100, thickness: 0.5 },
    2,
  ],
  [
    'mortar-patch',
    {
      kind: 'mortar-kit',
      ratio: '2:1 by weight',
      packs: { A: '2 kg', B: '1 kg', C: '12 kg' },
      times: { 'use-by': `40 min ${AT}`, foot: `12 h ${AT}`, load: `24 h ${AT}` },
      more: { cByWeight: '8' },
    },
    { 'outline.length': 500, 'outline.width': 400, 'depth.mean': 30 },
  ],
  [
    'poured-collar',
    {
      kind: 'liquid-resin',
      ratio: '4:1 by weight',
      packs: { A: '4 kg', B: '1 kg' },
      times: { 'use-by': `40 min ${AT}`, load: `24 h ${AT}` },
    },
    { outerDiameter: 300, innerDiameter: 200, depth: 30 },
  ],
  [
    'small-part',
    {
      kind: 'sachets',
      ratio: '1:1 by weight',
      packs: { A: '10 g', B: '10 g' },
      times: { 'use-by': `20 min ${AT}`, load: `8 h ${AT}` },
    },
    { 'outline.length': 60, 'outline.width': 30, thickness: 0.5 },
  ],
  [
    'body-filler',
    {
      kind: 'polyester-filler',
      packs: { A: '1 kg', B: '20 g' },
      times: { 'use-by': `6 min ${AT}`, sandable: `25 min ${AT}` },
      more: dosed('1', '2', '3'),
    },
    { 'outline.length': 300, 'outline.width': 200, 'depth.mean': 3 },
  ],
  [
    'metal-filler',
    {
      kind: 'putty',
      ratio: '1:1 by volume',
      packs: { A: '50 g', B: '50 g' },
      times: { 'use-by': `10 min ${AT}`, load: `2 h ${AT}` },
    },
    {},
  ],
  [
    'finish-coat',
    {
      kind: 'finish-resin',
      packs: { A: '1 kg', B: '20 g' },
      times: { 'use-by': `15 min ${AT}`, sandable: `3 h ${AT}` },
      more: dosed('1.5', '2', '2.5'),
    },
    { 'outline.length': 200, 'outline.width': 100, thickness: 0.5 },
  ],
  [
    'cavity-packing',
    {
      kind: 'putty',
      ratio: '1:1 by weight',
      packs: { A: '500 g', B: '500 g' },
      times: { 'use-by': `30 min ${AT}`, load: `24 h ${AT}` },
    },
    {},
    4,
  ],
  [
    'cement-patch',
    {
      kind: 'cement-water',
      packs: { A: '25 kg', B: '3.5 kg' },
      times: { 'use-by': `20 min ${AT}`, foot: `2 h ${AT}` },
      more: dosed('12', '13', '14'),
    },
    { 'outline.length': 400, 'outline.width': 300, 'depth.mean': 40 },
  ],
  [
    'setting-bed',
    {
      kind: 'tile-adhesive',
      packs: { A: '25 kg', B: '6 kg' },
      times: { 'use-by': `2 h ${AT}`, open: `20 min ${AT}`, foot: `24 h ${AT}` },
      more: dosed('22', '24', '26'),
    },
    { 'outline.length': 3000, 'outline.width': 2000 },
  ],
  [
    'crack-mesh',
    {
      kind: 'paste',
      ratio: '2:1 by weight',
      packs: { A: '2 kg', B: '1 kg' },
      times: { 'use-by': `45 min ${AT}`, load: `24 h ${AT}` },
    },
    {},
  ],
  [
    'skim-coat',
    {
      kind: 'mortar-kit',
      ratio: '2:1 by weight',
      packs: { A: '2 kg', B: '1 kg', C: '9 kg' },
      times: { 'use-by': `40 min ${AT}`, foot: `12 h ${AT}` },
      more: { cByWeight: '6' },
    },
    { 'outline.length': 2000, 'outline.width': 1500, thickness: 2 },
  ],
  [
    'rebuilt-part',
    {
      kind: 'powder-liquid',
      ratio: '1.4:1 by weight',
      packs: { A: '100 g', B: '70 g' },
      times: { 'use-by': `5 min ${AT}`, load: `1 h ${AT}` },
    },
    {},
  ],
  [
    'stone-chip',
    {
      kind: 'polyester-filler',
      packs: { A: '500 g', B: '15 g' },
      times: { 'use-by': `8 min ${AT}`, sandable: `1 h ${AT}` },
      more: dosed('1', '2', '3'),
    },
    {},
  ],
  [
    'felt-wet-out',
    {
      kind: 'liquid-resin',
      ratio: '100:38 by weight',
      packs: { A: '500 g', B: '190 g' },
      times: { 'use-by': `30 min ${AT}`, open: `45 min ${AT}`, load: `24 h ${AT}` },
    },
    {},
    2,
  ],
  [
    'timber-soak',
    {
      kind: 'consolidant',
      ratio: '2:1 by volume',
      packs: { A: '1 kg', B: '0.5 kg' },
      times: { 'use-by': `2 h ${AT}`, load: `24 h ${AT}` },
    },
    { 'outline.length': 400, 'outline.width': 150 },
  ],
  [
    'timber-part',
    {
      kind: 'paste',
      ratio: '1:1 by volume',
      packs: { A: '500 g', B: '400 g' },
      times: { 'use-by': `40 min ${AT}`, load: `24 h ${AT}` },
    },
    { 'outline.length': 200, 'outline.width': 100, thickness: 2 },
  ],
  [
    'fitting-tack',
    {
      kind: 'cartridge-paste',
      ratio: '1:1 by volume',
      packs: { A: '25 mL', B: '25 mL' },
      times: { 'use-by': `8 min ${AT}`, load: `1 h ${AT}` },
    },
    { 'outline.length': 100, 'outline.width': 60, thickness: 1 },
    2,
  ],
  [
    'fairing-skin',
    {
      kind: 'four-part-paste',
      ratio: '100:50 by weight',
      packs: { A: '1 kg', B: '0.5 kg', C: '0.2 kg', D: '0.1 kg' },
      times: { 'use-by': `30 min ${AT}`, load: `8 h ${AT}` },
      more: { cByWeight: '12', dByWeight: '4' },
    },
    {},
  ],
];

test.each(ORDINARY.map(([id, sheet, dims, count = 1]) => [id, sheet, dims, count] as const))(
  '%s: planned to its end, with nothing that forbids',
  (id, sheet, dims, count) => {
    const p = planned(id, typed(sheet), dims, count);
    expect(p.problems).toEqual([]);
    expect(p.findings.filter((f) => f.severity === 'stop').map((f) => f.title)).toEqual([]);
    expect(p.untimed).toEqual([]);
    expect(p.steps.at(-1)!.id).toBe('release:tests');
    // A pot is stirred no longer than a practitioner stirs it: never most of what it lives.
    for (const s of p.steps.filter((x) => /^b\d+:mix$/.test(x.id))) {
      const min = (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;
      expect([id, min]).toEqual([id, expect.any(Number)]);
      expect(min).toBeLessThanOrEqual(5);
    }
  },
);

describe('what is built up bead by bead', () => {
  const sheet = (useBy: string) =>
    typed({
      kind: 'powder-liquid',
      ratio: '1.4:1 by weight',
      packs: { A: '100 g', B: '70 g' },
      times: { 'use-by': useBy, load: `1 h ${AT}` },
    });
  const p = planned('rebuilt-part', sheet(`5 min ${AT}`), {});

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
  test('however long one bead lives, it takes as much', () => {
    const slow = planned('rebuilt-part', sheet(`60 min ${AT}`), {});
    expect(slow.toMixMl).toBeCloseTo(p.toMixMl!, 9);
    expect(slow.batches).toHaveLength(1);
  });
});

test('can pairs that may be parted are weighed out for a pour; pails that may not are poured whole', () => {
  const cans = typed({
    kind: 'liquid-resin',
    ratio: '4:1 by weight',
    packs: { A: '4 kg', B: '1 kg' },
    times: { 'use-by': `40 min ${AT}`, load: `24 h ${AT}` },
  });
  const ring = { outerDiameter: 300, innerDiameter: 200, depth: 30 };
  const weighed = planned('poured-collar', cans, ring);
  expect(weighed.batches.map((b) => b.kits)).toEqual([null]);
  expect(weighed.findings.some((f) => f.id === 'waste')).toBe(false);
  const pails = { ...cans, kits: cans.kits.map((k) => ({ ...k, splittable: false })) };
  expect(planned('poured-collar', pails, ring).batches.map((b) => b.kits)).toEqual([1]);
});
