import { plainWords } from '@/words';
import { methodsData, sampleData } from '../../sample/jobs';
import { FRESH_TRIAL } from '../mix';
import { pieceOf, repairOf } from '../plan';
import { isMetered } from '../system';
import { type Bundle, pickList, viewJob } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');

test('kits on the list are those of the plan: from lots, the rest to buy, and their worth adds up', () => {
  for (const b of bundles) {
    const list = pickList(viewJob(b, NOW));
    for (const k of list.kits) expect(k.lots.reduce((s, l) => s + l.take, 0) + k.buy).toBe(k.count);
    // All of the sample is priced in one money.
    const [worth, ...others] = list.worth!;
    expect(others).toEqual([]);
    expect(worth!.of).toBe('EUR');
    expect(worth!.money).toBeCloseTo(
      list.kits.reduce((s, k) => s + k.count * k.price!.money, 0),
      9,
    );
    expect(list.toSpend![0]?.money ?? 0).toBeLessThanOrEqual(worth!.money);
    // Every kit lists its parts.
    for (const k of list.kits) expect(k.lists.length).toBeGreaterThanOrEqual(2);
  }
});

test('sand that is not in the pack is fetched besides: what the batches take and a tenth', () => {
  const b = bundles[0]!;
  const apart = {
    ...b,
    sheets: b.sheets.map((s) => ({
      ...s,
      kits: s.kits.map((k) => (k.massG.C === null ? k : { ...k, apart: ['C' as const] })),
    })),
  };
  const [before, now] = [b, apart].map((x) => pickList(viewJob(x, NOW)));
  const sand = (list: typeof before) =>
    list!.consumables.filter((c) => plainWords(c.why) === 'it is not in the pack; a tenth to spare');
  expect([sand(before).length, sand(now).length]).toEqual([0, 1]);
  const passes = viewJob(apart, NOW).repairs.flatMap((r) => r.passes);
  const takesG = passes
    .filter((p) => p.plan.mix?.kits.kit.apart)
    .flatMap((p) => p.plan.batches)
    .reduce((g, { massG }) => g + massG.C, 0);
  expect(takesG).toBeGreaterThan(1000);
  expect(sand(now)[0]!.quantity).toBe(Math.ceil(takesG * 1.1));
  const parts = (list: typeof before) => list!.kits.flatMap((k) => k.lists.map((l) => l.what));
  expect(parts(before).some((what) => /^part C/.test(what))).toBe(true);
  expect(parts(now).filter((what) => /^part C/.test(what))).toEqual([]);
});

test('consumables follow the batches, mixers the goes', () => {
  const view = viewJob(bundles[0]!, NOW);
  const list = pickList(view);
  const pots = view.repairs
    .filter((r) => r.plan.sheet?.kind === 'mortar-kit')
    .reduce((s, r) => s + r.plan.batches.length, 0);
  expect(list.consumables.find((c) => plainWords(c.what) === 'cups for the witness')!.quantity).toBe(pots);
  const mixers = view.repairs.flatMap((r) => r.plan.batches).reduce((s, b) => s + b.mixers, 0);
  expect(list.consumables.find((c) => plainWords(c.what) === 'static mixers')!.quantity).toBe(mixers + 1);
  expect(list.protection).toContain('dust mask for silica');
  expect(list.disposal.map(plainWords).join(' ')).toMatch(/never a full pot into a bin/);
});

test('what methods use up is listed once for the job: counted things whole, abrasives by grit, and what a missed window costs', () => {
  const view = viewJob(methodsData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-workshop')!, NOW);
  const passes = view.repairs.flatMap((r) => r.passes);
  const all = pickList(view).consumables;
  const rungs = passes.flatMap((p) => p.plan.steps).flatMap((s) => s.grit ?? []);
  expect(rungs.length).toBeGreaterThan(0);
  for (const grit of new Set(rungs))
    expect(
      all.find((c) => /^sheets? of abrasive /.test(plainWords(c.what)) && plainWords(c.what).endsWith(grit))!.quantity,
    ).toBeGreaterThanOrEqual(rungs.filter((g) => g === grit).length);
  expect(all.filter((c) => c.unit === '').every((c) => Number.isInteger(c.quantity))).toBe(true);
  expect(new Set(all.map((c) => c.what)).size).toBe(all.length);
  // The same plan with one of its steps late: solvent and pads for the face, and nothing of them before.
  expect(all.some((c) => /^abrasive pads?$/.test(plainWords(c.what)))).toBe(false);
  const missed = { kind: 'recoat-until', fromMs: null, untilMs: NOW, whileClosed: false, mixByMs: null } as const;
  const late = {
    ...view,
    repairs: view.repairs.map((r) => ({
      ...r,
      passes: r.passes.map((p) => ({
        ...p,
        plan: { ...p.plan, steps: p.plan.steps.map((s, i) => (i === 1 ? { ...s, missed } : s)) },
      })),
    })),
  };
  const m2 = passes.reduce(
    (s, p) => s + (p.plan.void ? (p.repair.void!.count * p.plan.void.faces.planAreaMm2) / 1e6 : 0),
    0,
  );
  expect(pickList(late).consumables.find((c) => /^abrasive pads?$/.test(plainWords(c.what)))!.quantity).toBe(
    Math.ceil(m2 / 0.25),
  );
});

test('each batch has a vessel of its own size: nobody carries thirteen tubs for a spoonful each', () => {
  const view = viewJob(methodsData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-floors')!, NOW);
  const lines = pickList(view).consumables.filter((c) => plainWords(c.what).startsWith('mixing '));
  const potted = view.repairs
    .flatMap((r) => r.passes)
    .filter((p) => p.plan.sheet && !isMetered(p.plan.sheet.kind))
    .flatMap((p) => p.plan.batches.map((b) => b.ml));
  // As many as there are batches, and one of each size to spare.
  expect(lines.reduce((s, l) => s + l.quantity, 0)).toBe(potted.length + lines.length);
  const sizes = lines.map((l) => {
    const [, size, unit] = /of ([\d.]+) (m?L)/.exec(plainWords(l.what))!;
    return Number(size) * (unit === 'L' ? 1000 : 1);
  });
  expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
  // Naive: of each size, those that fit it and not the next smaller one.
  for (const [i, l] of lines.entries())
    expect(l.quantity - 1).toBe(
      potted.filter((ml) => ml * 1.5 <= sizes[i]! + 1e-6 && ml * 1.5 > (sizes[i - 1] ?? 0) + 1e-6).length,
    );
});

test('prices in two moneys stand beside each other and are never added', () => {
  const systemsOf = (of: Bundle) => new Set(pickList(viewJob(of, NOW)).kits.map((k) => k.systemId));
  const b = bundles.find((of) => systemsOf(of).size > 1)!;
  const [abroad] = systemsOf(b);
  const sheets = b.sheets.map((s) => (s.systemId === abroad ? { ...s, currency: 'CHF' } : s));
  const list = pickList(viewJob({ ...b, sheets }, NOW));
  const worthOf = (of: string) => list.worth!.find((m) => m.of === of)!.money;
  const counted = (is: boolean) =>
    list.kits.filter((k) => (k.systemId === abroad) === is).reduce((s, k) => s + k.count * k.price!.money, 0);
  expect(worthOf('CHF')).toBeCloseTo(counted(true), 9);
  expect(worthOf('EUR')).toBeCloseTo(counted(false), 9);
  expect(list.worth).toHaveLength(2);
});

test('a missing price leaves the sum open instead of counting it as nothing; own fillers are on the list', () => {
  const b = bundles[1]!;
  const sheets = b.sheets.map((s) => ({ ...s, kits: s.kits.map((k) => ({ ...k, price: null })) }));
  expect(pickList(viewJob({ ...b, sheets, events: [] }, NOW)).worth).toBeNull();
  const filled = b.repairs.map((r) =>
    repairOf({
      ...pieceOf(r),
      blend: { consistency: 'clings' as const, fillers: [{ filler: 'fibre' as const, share: 1, per100G: null }] },
    }),
  );
  const view = viewJob({ ...b, repairs: filled, events: [] }, NOW);
  const fibre = pickList(view).consumables.find((c) => plainWords(c.what).startsWith('short fibres'))!;
  expect(fibre.quantity).toBe(Math.ceil(view.repairs[0]!.plan.batches.reduce((s, x) => s + x.massG.C, 0) * 1.1));
});

test('fillers of several passes are one line for each, by its own name; tints of a trial are fetched as well', () => {
  const b = bundles[1]!;
  const [first] = b.repairs;
  const own = (share: number) => ({
    consistency: 'stands' as const,
    fillers: [
      { filler: 'fibre' as const, share, per100G: null },
      { filler: 'silica' as const, share: 1, per100G: null },
    ],
  });
  const twice = [first!, { ...first!, id: 'second' }].map((r, i) =>
    repairOf({ ...pieceOf(r), blend: own(i + 1), colour: null }),
  );
  const view = viewJob({ ...b, repairs: twice, events: [] }, NOW);
  const lines = pickList(view).consumables;
  const of = (name: string) => lines.filter((c) => plainWords(c.what) === name);
  for (const [name, shares] of [
    ['short fibres', [1 / 2, 2 / 3]],
    ['fumed silica', [1 / 2, 1 / 3]],
  ] as const) {
    const g = view.repairs.reduce(
      (s, r, i) => s + shares[i]! * r.plan.batches.reduce((sum, x) => sum + x.massG.C, 0),
      0,
    );
    expect(g).toBeGreaterThan(10);
    expect([name, of(name).map((l) => l.quantity)]).toEqual([name, [Math.ceil(g * 1.1 - 1e-9)]]);
  }
  expect(lines.some((c) => /blend of fillers/.test(plainWords(c.what)))).toBe(false);

  const trial = {
    ...FRESH_TRIAL,
    id: 't',
    name: 'T',
    inG: 100,
    tints: [{ name: 'grey', massG: 0.4, densityGPerMl: null }],
  };
  const tinted = repairOf({ ...pieceOf(first!), blend: null, colour: { trials: [trial], chosen: 't', veins: null } });
  const coloured = viewJob({ ...b, repairs: [tinted], events: [] }, NOW);
  const grey = pickList(coloured).consumables.find((c) => plainWords(c.what) === 'grey')!;
  const base = coloured.repairs[0]!.plan.batches.reduce((s, x) => s + x.massG.A, 0);
  expect(grey.quantity / (0.004 * base * 1.1)).toBeCloseTo(1, 1);
  expect(plainWords(grey.why)).toMatch(/trial that was taken/);
});
