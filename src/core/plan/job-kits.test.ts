import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { furtherSheets } from '../../sample/further-systems';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets, sampleStock } from '../../sample/systems';
import { Refusal } from '../say';
import type { SheetRevision, Stock } from '../system';
import { kindOf, withValue } from '../void';
import { type Job, jobKits, NOTHING_YET, type Piece, passedOver, pieceOf, planJob, repairOf, withPiece } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const job: Job = { ...bundles[0]!.job, climate: { kind: 'constant', tempC: 18, humidityPct: 55 }, wantedAt: null };
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const plate = pieceOf(bundles[1]!.repairs[0]!);
const plan = (repairs: Piece[], stock: readonly Stock[] = [], sheets: readonly SheetRevision[] = sampleSheets) =>
  planJob({
    job,
    repairs: repairs.map((r) => repairOf({ ...r, jobId: job.id })),
    sheets,
    stock,
    actuals: new Map(),
    nowMs: NOW,
  });
const like = (r: Piece, id: string, order: number, over: Partial<Piece> = {}): Piece => ({ ...r, id, order, ...over });

test('three plates from one tin pair: split by weighing they share it, each for itself they would need three', () => {
  // A third of the footprint each: about 90 mL, a pair makes 430.
  const small = (id: string, order: number) => {
    const shape = plate.void!.shapes[0]!;
    const length = kindOf(shape)
      .dimensions(shape)
      .find((d) => d.key.includes('length'))!;
    return like(plate, id, order, {
      void: {
        ...plate.void!,
        shapes: [
          withValue(kindOf(shape), shape, length.key, { ...length.measured, valueMm: length.measured.valueMm / 3 }),
        ],
      },
    });
  };
  const p = plan([small('a', 1), small('b', 2), small('c', 3)]);
  const [kits] = p.kits();
  expect(kits!.kits.set.total).toEqual([1]);
  expect(kits!.alone).toBeCloseTo(3 * 41, 9);
  expect(kits!.kits.set.cost).toBeCloseTo(41, 9);
  // What the needs add up to is what the repairs have on hand.
  expect(kits!.needs.reduce((s, n) => s + n.ml, 0)).toBeCloseTo(
    p.repairs.reduce((s, r) => s + r.mix!.onHandMl, 0),
    6,
  );
  expect(kits!.kits.set.leftMl).toBeCloseTo(430 - kits!.needs.reduce((s, n) => s + n.ml, 0), 6);
});

test('whole kits hours apart are not shared; prepared first and mixed as one they would be, and that is told', () => {
  const shallow = (id: string, order: number) =>
    like(nosing, id, order, { void: { ...nosing.void!, shapes: [shape(9)] }, crew: 2 });
  const shape = (mm: number) =>
    ({
      ...nosing.void!.shapes[0]!,
      depth: {
        kind: 'mean',
        mean: { valueMm: mm, toleranceMm: 0.5, tool: 'gauge', text: `${mm} mm`, system: 'metric', again: null },
      },
    }) as never;
  const p = plan([shallow('a', 1), shallow('b', 2)]);
  const [kits] = p.kits();
  expect(kits!.kits.groups.every((g) => g.length === 1)).toBe(true);
  // About 400 mL each: two small kits apart, one together.
  expect(kits!.kits.set.total).toEqual([2, 0]);
  expect(kits!.together?.kits.set.total).toEqual([1, 0]);
  expect(kits!.together?.saves).toBeCloseTo(34, 9);
});

test('the shelf is taken from first: what expires first, never what is over its date or stood in the frost', () => {
  const stock = sampleStock(NOW);
  const lot = stock.find((l) => l.id === 'stock-mortar-small')!;
  const p = plan([nosing], stock);
  const [kits] = p.kits();
  expect(kits!.takes.find((t) => t.stockId === lot.id)).toMatchObject({ take: 2, passedOver: null });
  expect(kits!.kits.set.cost).toBe(0);
  const old = { ...lot, expiresOn: '2026-05-01' };
  const [without] = plan([nosing], [old]).kits();
  expect(without!.takes).toEqual([
    {
      stockId: lot.id,
      lot: lot.lot,
      kitId: 'small',
      take: 0,
      passedOver: saying('use by 2026-05-01, the work is on 2026-05-06'),
    },
  ]);
  expect(without!.kits.set.buy.reduce((a, b) => a + b, 0)).toBeGreaterThan(0);
  const why = (of: Stock, sheet: SheetRevision, day: string) => plainWords(passedOver(of, sheet, day)!);
  const frozen = { ...lot, breaches: [{ on: '2026-01-01', text: 'froze' }] };
  expect(why(frozen, mortarSheet, '2026-05-06')).toBe('stored outside its range: froze');
  const opened: SheetRevision = { ...pasteSheet, storage: { ...pasteSheet.storage, openedMonths: 3 } };
  const tin: Stock = { ...lot, expiresOn: null, quantity: 0, openedOn: '2026-01-01', openedShare: 0.5 };
  expect(why(tin, opened, '2026-05-06')).toBe('opened on 2026-01-01, good for 3 months');
  expect(passedOver(tin, opened, '2026-03-06')).toBeNull();
  // Two lots, one kit wanted of the earlier.
  const first = { ...lot, id: 'x', lot: 'X', quantity: 1, expiresOn: '2026-06-01' };
  const takes = plan([nosing], [lot, first]).kits()[0]!.takes;
  expect(takes.map((t) => [t.lot, t.take])).toEqual([
    ['X', 1],
    [lot.lot, 1],
  ]);
});

test('what is left in opened kits is offered by name to a repair without a system that could use it', () => {
  const open = like(plate, 'open', 2, {
    sheetId: null,
    kitId: null,
    name: 'small bracket',
    void: { ...plate.void!, shapes: plate.void!.shapes },
  });
  const [kits] = plan([like(plate, 'first', 1), { ...open, void: { ...plate.void!, shapes: [small()] } }]).kits();
  expect(kits!.leftOvers).toHaveLength(1);
  expect(kits!.leftOvers[0]).toMatchObject({ mixed: false, from: ['first'] });
  expect(kits!.leftOvers[0]!.offers.map((o) => o.repairId)).toEqual(['open']);
  function small() {
    const shape = plate.void!.shapes[0]!;
    const d = kindOf(shape).dimensions(shape)[0]!;
    return withValue(kindOf(shape), shape, d.key, { ...d.measured, valueMm: d.measured.valueMm / 3 });
  }
});

describe('what sets the batch', () => {
  const one = (over: Partial<Piece>) => plan([like(plate, 'p', 1, over)]).repairs[0]!;
  test('vessel, mass in one pot and crew', () => {
    expect(one({}).batches).toHaveLength(1);
    // 263 mL in a vessel of 250 filled to two thirds: two batches, each with its own loss.
    expect(one({ bench: { ...plate.bench, vesselMaxMl: 250 } }).batches).toHaveLength(2);
    const capped = one({ massCapG: 120 });
    for (const b of capped.batches)
      expect(Object.values(b.massG).reduce((s, x) => s + x, 0)).toBeLessThanOrEqual(120 + 1e-6);
    const slow = { settings: { ...plate.settings, rate: 4 } };
    expect(one({ ...slow, crew: 2 }).batches.length).toBeLessThan(one(slow).batches.length);
  });
  test('a dose beyond the sheet and fillers on top of the sheet’s own are said at the mix, nothing else is lost', () => {
    const filler = sampleSheets.find((s) => s.id === 'sheet-filler-1')!;
    const p = one({ sheetId: filler.id, kitId: 'tin', dosePct: 4 });
    expect(p.problems.find((x) => x.field === 'dosePct')).toMatchObject({
      stage: 'mix',
      sentence: saying(/too much/),
    });
    expect(p.void).not.toBeNull();
    const b = plan([
      like(nosing, 'n', 1, { blend: { consistency: 'firm', fillers: [{ filler: 'sand', share: 1, per100G: null }] } }),
    ]).repairs[0]!;
    expect(plainWords(b.problems[0]!.sentence)).toMatch(/filler on the sheet/);
  });
  test('a stand time is a step of its own, and spends the pot life', () => {
    const standing: SheetRevision = {
      ...pasteSheet,
      id: 'stands',
      milestones: [
        ...pasteSheet.milestones,
        {
          kind: 'stand',
          startsAt: 'mix-ends',
          runsOn: 'pot',
          referenceMassG: null,
          printed: null,
          table: { form: 'single', tempC: 20, fromMin: 10, toMin: 10 },
        },
      ],
    };
    const plain = one({ materialC: 20 });
    const p = plan([like(plate, 'p', 1, { sheetId: 'stands', materialC: 20 })], [], [...sampleSheets, standing])
      .repairs[0]!;
    const stand = p.steps.find((s) => s.id === 'b1:stand')!;
    const mix = p.steps.find((s) => s.id === 'b1:mix')!;
    expect((stand.startMs - mix.endMs) / 60_000).toBeCloseTo(10, 6);
    expect(plain.usableMin! - p.usableMin!).toBeCloseTo(10, 6);
  });
});

test('jobs of nothing and of unplanned repairs have no kits; a kit of nothing is refused', () => {
  expect(plan([]).kits()).toEqual([]);
  expect(plan([like(nosing, 'n', 1, { sheetId: null })]).kits()).toEqual([]);
  const p = plan([nosing]).repairs[0]!;
  const broken: SheetRevision = { ...p.sheet!, kits: [{ ...p.sheet!.kits[0]!, yieldMl: 0 }] };
  expect(() => jobKits(job, [p], [], [broken])).toThrow(Refusal);
  expect(NOTHING_YET.pours).toEqual([]);
});

test('a chain in which one pass has no system yet still has its kits, and what is left over', () => {
  const boat = sampleData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-boat')!;
  const [fitting, collar] = boat.repairs;
  for (const open of fitting!.chain) {
    const bare = withPiece(fitting!, { ...pieceOf(fitting!, open), sheetId: null, kitId: null });
    const plan = planJob({
      job: boat.job,
      repairs: [bare, collar!],
      sheets: boat.sheets,
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    });
    expect(plan.kitProblem()).toBeNull();
    const systems = plan.kits().map((k) => k.sheet.id);
    expect(systems).toContain('sheet-collar-1');
    for (const k of plan.kits()) for (const left of k.leftOvers) expect(left.ml).toBeGreaterThan(1);
  }
});

describe('one resin with other fillers in each pass', () => {
  const pour = furtherSheets.find((s) => s.id === 'sheet-pour-1')!;
  // Small pairs, so that many are needed.
  const resin = { ...pour, kits: [{ ...pour.kits[0]!, massG: { A: 100, B: 30, C: null, D: null } }] };
  const blend = (filler: 'spheres' | 'fibre'): Piece['blend'] => ({
    consistency: 'stands',
    fillers: [{ filler, share: 1, per100G: null }],
  });
  const one = (id: string, order: number, over: Partial<Piece> = {}) =>
    like(plate, id, order, { sheetId: resin.id, kitId: resin.kits[0]!.id, ...over });
  const light = (id: string, order: number) => one(id, order, { blend: blend('spheres') });
  const gramsOf = (p: ReturnType<typeof plan>) =>
    p.repairs.reduce(
      (sum, { mix }) => sum + mix!.batches.reduce((s, b) => s + (b.massG.A * mix!.onHandMl) / mix!.toMixMl, 0),
      0,
    );

  test.each([
    ['plain first', [one('a', 1), light('b', 2), one('c', 3, { blend: blend('fibre') })]],
    ['filled first', [light('b', 1), one('c', 2, { blend: blend('fibre') }), one('a', 3)]],
  ] as const)('%s: kits are counted by what is taken out of them, in grams of A', (_, passes) => {
    const p = plan([...passes], [], [resin]);
    const [kits] = p.kits();
    // Another way to the same count: no volume of any mix in it.
    const of = gramsOf(p) / resin.kits[0]!.massG.A;
    const whole = kits!.needs.reduce((s, n) => s + n.ml, 0) / kits!.offers[0]!.volumeMl;
    expect(whole / of).toBeCloseTo(1, 6);
    expect(kits!.kits.set.total).toEqual([Math.ceil(of)]);
    // By the volumes of the mixes it would be far more: hollow spheres take up most of the room.
    const byVolume = p.repairs.reduce((s, r) => s + r.mix!.onHandMl, 0) / kits!.offers[0]!.volumeMl;
    expect(byVolume).toBeGreaterThan(1.15 * of);
  });
  test('what a kit makes is told as its own mix, whichever pass comes first', () => {
    const offers = ([one('a', 1)] as Piece[])
      .concat(light('b', 1))
      .map((x) => plan([x], [], [resin]).kits()[0]!.offers);
    expect(offers[1]).toEqual(offers[0]);
  });
  test('whole kits take their fillers beside them: as many grams for each gram of liquid as weighed out', () => {
    const masses = (schools: Piece['schools']) => {
      const r = plan([one('a', 1, { blend: blend('fibre'), schools })], [], [resin]).repairs[0]!;
      return r.mix!.batches[0]!;
    };
    const [whole, weighed] = [masses({ 'part-kits': 'whole' }), masses({ 'part-kits': 'weighed' })];
    expect([whole.kits! > 1, weighed.kits]).toEqual([true, null]);
    const loading = (b: typeof whole) => b.massG.C / (b.massG.A + b.massG.B);
    expect(loading(whole)).toBeGreaterThan(0.1);
    expect(loading(whole)).toBeCloseTo(loading(weighed), 9);
    // Nothing gets lost: what the parts take up is what the batch is.
    const room = resin.kits[0]!.yieldMl === null ? whole.ml : null;
    const volume = whole.volumeMl.A + whole.volumeMl.B + whole.volumeMl.C;
    if (room !== null) expect(volume).toBeCloseTo(room, 6);
    expect(volume).toBeGreaterThan(1.1 * (whole.volumeMl.A + whole.volumeMl.B));
  });
});
