import { methodOf } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, drawnShape, firstPlanned, happened, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';

/** Tiles in a bed out of 25 kg bags: an area is what is covered before it skins, a mix is a bag. */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 20, humidityPct: 60 } };
const adhesive = (useBy: string | null, openMin = 20, kg = 25): Paper => [
  'tile-adhesive',
  '',
  `${kg} kg`,
  [...(useBy ? [`use-by ${useBy}`] : []), `open ${openMin} min`, 'next-lift 24 h', 'foot 24 h', 'load 7 d'].join(', '),
  dosed(22, 24, 25),
];
const lay = (sheet: SheetRevision, long: number, wide: number, over = {}) =>
  firstPlanned({ job, nowMs: NOW }, methodOf('setting-bed')!, sheet, {
    dims: { 'outline.length': long, 'outline.width': wide },
    over,
  });
type Plan = ReturnType<typeof lay>;
/** The areas of each batch, by its steps. */
const served = (p: Plan) =>
  p.batches.map((_, i) =>
    p.steps.flatMap((s) => {
      const area = new RegExp(`^b${i + 1}(\\.\\d+)?:spread$`).test(s.id) && /area (\d+)/.exec(s.title);
      return area ? [Number(area[1])] : [];
    }),
  );

describe('twenty square metres', () => {
  const p = lay(typed(adhesive('3 h'), NOW), 5000, 4000);
  test('four bags are mixed whole and the last is what is left to do; none is weighed for an area', () => {
    expect(p.batches.map((b) => b.packs ?? null)).toEqual([1, 1, 1, 1, null]);
    expect(p.batches.slice(0, 4).map((b) => b.massG.A)).toEqual([25_000, 25_000, 25_000, 25_000]);
    expect(p.batches[4]!.massG.A!).toBeGreaterThan(10_000);
    expect(p.batches[4]!.massG.A!).toBeLessThan(25_000);
    expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(/^One whole bag: 25\.00 kg of powder/);
    // Nothing is mixed that is not placed, but what stays in the pails.
    expect(p.batches.reduce((sum, b) => sum + b.ml, 0)).toBeCloseTo(p.toMixMl!, 6);
  });
  test('is told by areas, as its steps are', () => {
    expect(p.batches.map((b) => b.label)).toEqual([
      'areas 1 to 2',
      'areas 3 to 5',
      'areas 6 to 7',
      'areas 8 to 10',
      'areas 11 to 12',
    ]);
  });
  test('each area is laid once, in its order; what a bag leaves goes down first on the next, and that is said', () => {
    expect(served(p).flat()).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
    const first = served(p).map(([area]) => p.steps.find((s) => s.title === `Comb and set area ${area} of 12`)!);
    expect(first.map((s) => s.detail.startsWith('What is left of the last mix goes down first.'))).toEqual([
      false,
      true,
      true,
      true,
      true,
    ]);
    const others = p.steps.filter((s) => s.title.startsWith('Comb') && !first.includes(s));
    expect(others.filter((s) => s.detail.startsWith('What is left'))).toEqual([]);
  });
});

test('what would be dead before it goes down is not left over: a short pot is weighed for its areas', () => {
  const short = lay(typed(adhesive('45 min'), NOW), 5000, 4000);
  expect(short.batches.every((b) => b.packs === null || b.packs === undefined)).toBe(true);
  expect(new Set(short.batches.map((b) => b.massG.A)).size).toBeLessThanOrEqual(2);
});

test('a sheet that prints no pot life parts no bag: those minutes are ours', () => {
  const silent = lay(typed(adhesive(null), NOW), 5000, 4000);
  expect(silent.batches.map((b) => b.packs ?? null)).toEqual([1, 1, 1, 1, null]);
});

describe('a floor of several days', () => {
  const large = lay(typed(adhesive('3 h'), NOW), 12_000, 6000);
  const combed = large.steps.filter((s) => s.title.startsWith('Comb'));
  test('nothing of a bag is left over night: each does as many whole areas, and what is over of it is said', () => {
    expect(new Set(combed.map((s) => s.from.slice(0, 10))).size).toBeGreaterThan(1);
    expect(combed.some((s) => s.detail.startsWith('What is left of the last mix'))).toBe(false);
    expect(large.batches.slice(0, -1).every((b) => b.packs === 1)).toBe(true);
    expect(
      new Set(
        served(large)
          .slice(0, -1)
          .map((of) => of.length),
      ),
    ).toEqual(new Set([3]));
    const over = large.amounts.find((a) => a.label === 'left of whole bags')!;
    expect(over.ml).toBeGreaterThan(0);
    expect(over.ml).toBeLessThan(0.04 * large.toMixMl!);
    expect(large.batches.reduce((sum, b) => sum + b.ml, 0)).toBeCloseTo(large.toMixMl!, 4);
  });
  test('no area is wider than is covered before it skins', () => {
    const widestM2 = (5 * 20) / 60;
    expect((12 * 6) / combed.length).toBeLessThanOrEqual(widestM2);
    for (const s of combed) expect((Date.parse(s.to) - Date.parse(s.from)) / 60_000).toBeLessThanOrEqual(20);
  });
  test('random large floors: whole bags but the last, a fortieth or so over, or weighed as before', () => {
    let whole = 0;
    for (const d of draws(8, 11)) {
      const p = lay(typed(adhesive('3 h', d.of(12, 30, 3), d.of(15, 25, 5)), NOW), d.of(9000, 14_000, 500), 6000);
      const said = [d.n, p.batches.length];
      const areas = served(p);
      expect([...said, areas.flat()]).toEqual([...said, areas.flat().map((_, i) => i + 1)]);
      expect(p.batches.reduce((sum, b) => sum + b.ml, 0)).toBeCloseTo(p.toMixMl!, 3);
      if (!p.batches[0]!.packs) continue;
      whole++;
      expect([...said, p.batches.slice(0, -1).every((b) => b.packs! > 0)]).toEqual([...said, true]);
      expect([...said, new Set(areas.slice(0, -1).map((of) => of.length)).size]).toEqual([...said, 1]);
      const over = p.amounts.find((a) => a.label === 'left of whole bags')?.ml ?? 0;
      expect(over).toBeLessThanOrEqual(0.04 * p.toMixMl! + 1);
    }
    expect(whole).toBeGreaterThan(3);
  });
});

test('what one bag does is one mix; a vessel of one’s own is filled as that says', () => {
  expect(lay(typed(adhesive('3 h'), NOW), 2000, 1500).batches).toHaveLength(1);
  const { bench } = pieceOf(freshRepair(job.id, 'setting-bed', 1, NOW));
  const named = lay(typed(adhesive('3 h'), NOW), 5000, 4000, { bench: { ...bench, vesselMaxMl: 12_000 } });
  expect(named.batches.every((b) => (b.packs ?? null) === null)).toBe(true);
});

test('work begun before goes on as it was weighed', () => {
  const sheet = typed(adhesive('3 h'), NOW);
  const method = methodOf('setting-bed')!;
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: voidOf(drawnShape(method, { 'outline.length': 5000, 'outline.width': 4000 })),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  const events = happened(job, [['2027-05-10T07:00', { kind: 'started', snapshotId: 'kept', usableMin: 177 }]]);
  const begunWith = (coreVersion: string) => {
    const snapshots = [{ id: 'kept', repairs: [repair], coreVersion }];
    const mine = events.map((e) => ({ ...e, repairId: repair.id }));
    const view = viewJob({ job, repairs: [repair], sheets: [sheet], stock: [], events: mine, snapshots }, NOW);
    return view.repairs[0]!.plan.batches.map((b) => b.packs ?? null);
  };
  expect(begunWith('0.34.0')).toEqual([null, null, null, null, null, null]);
  expect(begunWith('0.35.0')).toEqual([1, 1, 1, 1, null]);
});

test('random floors agree with bags poured out one after the other', () => {
  let whole = 0;
  for (const d of draws(24, 7)) {
    const kg = d.of(15, 25, 5);
    const sheet = typed(adhesive(`${d.of(2, 4, 1)} h`, d.of(15, 30, 5), kg), NOW);
    const p = lay(sheet, d.of(3000, 6000, 100), d.of(2500, 4500, 100));
    const said = [d.n, kg, p.batches.length];
    const areas = served(p);
    expect([...said, areas.flat()]).toEqual([...said, areas.flat().map((_, i) => i + 1)]);
    expect(p.batches.reduce((sum, b) => sum + b.ml, 0)).toBeCloseTo(p.toMixMl!, 4);
    if (!p.batches.some((b) => b.packs)) continue;
    whole++;
    // Bag by bag into the pail, area by area out of it: no area is begun that the bags so far do not fill.
    const areaMl = p.batches.reduce((sum, b) => sum + b.ml - sheet.potLossMl, 0) / areas.flat().length;
    let poured = 0;
    let laid = 0;
    for (const [i, b] of p.batches.entries()) {
      poured += b.ml - sheet.potLossMl;
      for (const _ of areas[i]!) {
        laid++;
        expect([...said, i, laid * areaMl <= poured * (1 + 1e-9)]).toEqual([...said, i, true]);
      }
      // And none waits that they would fill.
      if (i < p.batches.length - 1) expect([...said, i, (laid + 1) * areaMl > poured]).toEqual([...said, i, true]);
      if (i < p.batches.length - 1) expect([...said, i, b.packs! > 0]).toEqual([...said, i, true]);
    }
  }
  expect(whole).toBeGreaterThan(8);
});
