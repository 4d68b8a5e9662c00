import { freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, plainWords, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets } from '../../sample/systems';
import {
  beyondTable,
  bodyKey,
  emptyTable,
  liftOn,
  liftRun,
  netWhole,
  POT,
  potLifeIn,
  potRun,
  potShareIn,
  reactiveOf,
  worstIn,
} from '../cure';
import { judge } from '../judge';
import { massOf } from '../mix';
import { isMetered, milestoneOf, type SheetRevision } from '../system';
import { measured, SHAPES, type VoidShape, voidOf } from '../void';
import {
  type Actuals,
  heatAsked,
  type JobPlan,
  NOTHING_YET,
  type Piece,
  pieceOf,
  planJob,
  preparePots,
  repairOf,
  withTable,
} from '.';

const zone = 'Europe/Helsinki';
const NOW = Date.parse('2026-05-05T03:00:00Z');
const { bundles } = sampleData(NOW, zone);
const plate = { ...pieceOf(bundles[1]!.repairs[0]!), sheetId: pasteSheet.id, materialC: 20 } as Piece;
const job = { ...bundles[1]!.job, climate: { kind: 'constant', tempC: 20, humidityPct: 50 } } as const;
const m = reactiveOf(pasteSheet);
const heat = preparePots([plate], [pasteSheet]).get(pasteSheet.id)!;
const net = heat.pot;
const referenceG = milestoneOf(pasteSheet, 'use-by')!.referenceMassG!;

/** A big fill by slow hands, so that its own heat decides. */
const big = (over: Partial<Piece> = {}): Piece => ({
  ...plate,
  settings: { ...plate.settings, rate: 12 },
  reserve: false,
  ...over,
});
const planned = (repair: Piece, sheet: SheetRevision, pots = preparePots([repair], [sheet])): JobPlan =>
  planJob({ job, repairs: [repairOf(repair)], sheets: [sheet], stock: [], actuals: new Map(), nowMs: NOW, pots });

test('the share of the pot life read from the net is that of two runs, within 2 %, and never lengthens', () => {
  const life = (massG: number, tempC: number) =>
    potRun(m, { massG, startC: tempC, roomC: tempC, lifeOnly: true }).lifeMin!;
  for (const [massG, tempC] of [
    [330, 17],
    [900, 25],
    [2700, 12],
  ] as const)
    expect(
      Math.abs(potShareIn(net, massG, referenceG, tempC)! / (life(massG, tempC) / life(referenceG, tempC)) - 1),
    ).toBeLessThan(0.02);
  expect(potShareIn(net, referenceG / 3, referenceG, 20)).toBe(1);
  expect(potShareIn(emptyTable('x', POT), 900, referenceG, 20)).toBeNull();
});

test('a net holds all that plans read and leaves the rest open', () => {
  expect(netWhole(net)).toBe(true);
  expect(net.cells.filter((c) => c === null).length).toBeGreaterThan(200);
  // Between cells of the whole table nothing is guessed.
  expect(potLifeIn(net, 333, 18)).toBeNull();
});

test('the larger and warmer the pot, the worse what becomes of a rest', () => {
  const rank = { calm: 0, hot: 1, runaway: 2 } as const;
  const at = (massG: number, tempC: number) => rank[worstIn(net, massG, tempC)!.verdict];
  expect(at(30, 10)).toBeLessThanOrEqual(at(3000, 10));
  expect(at(3000, 10)).toBeLessThanOrEqual(at(3000, 30));
});

describe('beyond the prepared table the safe neighbour holds', () => {
  const life = (massG: number, tempC: number) =>
    potRun(m, { massG, startC: tempC, roomC: tempC, lifeOnly: true, cells: 7 }).lifeMin!;
  test.each([
    [20_000, 20],
    [100_000, 12],
    [900, 44],
    [5000, -9],
  ])('%i g at %i °C: no longer than a run says, and not far under it', (massG, tempC) => {
    const share = potShareIn(net, massG, referenceG, tempC)!;
    const run = life(massG, tempC) / life(referenceG, tempC);
    expect(share).toBeLessThanOrEqual(run * 1.02);
    expect(share).toBeGreaterThan(run * 0.85);
  });
  test('no jump over 2 % across any edge', () => {
    const share = (massG: number, tempC: number) => potShareIn(net, massG, referenceG, tempC)!;
    const step = (a: number, b: number) => expect(Math.abs(a / b - 1)).toBeLessThan(0.02);
    for (const tempC of [-8, -4, 3, 14, 25, 38, 46]) {
      step(share(9999, tempC), share(10_001, tempC));
      step(share(14_990, tempC), share(15_010, tempC));
      step(share(referenceG * 0.999, tempC), share(referenceG * 1.001, tempC));
    }
    for (const massG of [300, 2000, 9000, 12_000, 40_000]) {
      step(share(massG, -4.01), share(massG, -3.99));
      step(share(massG, 37.99), share(massG, 38.01));
    }
  });
  test('it never grows with the mass', () => {
    for (const tempC of [-8, 5, 20, 41])
      for (let massG = 250, last = 1; massG < 60_000; massG *= 1.4) {
        const now = potShareIn(net, massG, referenceG, tempC)!;
        expect(now).toBeLessThanOrEqual(last + 1e-9);
        last = now;
      }
  });
  test('10.2 kg are told of as 9.9 kg are; what is left alone is never milder than the last entry', () => {
    expect(beyondTable('pot', 10_200, 20)).toBe(true);
    expect(beyondTable('pot', 9_900, 20)).toBe(false);
    expect(worstIn(net, 9e6, 20)).toMatchObject({ verdict: 'runaway', peakC: null });
    const mild = preparePots([{ ...plate, sheetId: mortarSheet.id }], [mortarSheet]).get(mortarSheet.id)!.pot;
    const [inside, beyond, hot] = [worstIn(mild, 9_900, 20)!, worstIn(mild, 40_000, 20)!, worstIn(mild, 500, 45)!];
    expect(beyond.peakC ?? 999).toBeGreaterThanOrEqual(inside.peakC ?? 999);
    expect(hot.peakC ?? 999).toBeGreaterThan(worstIn(mild, 500, 37)!.peakC!);
  });
});

test('one gram of filler of one’s own does not end the heat of a pot', () => {
  const neat = planned(big(), pasteSheet).repairs[0]!;
  const one = { consistency: 'runs', fillers: [{ filler: 'silica', share: 1, per100G: 1 }] } as const;
  const a = planned(big({ blend: one as never }), pasteSheet).repairs[0]!;
  expect(a.problems).toEqual([]);
  expect(a.pot).toMatchObject({ filled: true });
  const massG = Math.max(...neat.batches.map((b) => massOf(b.massG)));
  expect(a.pot!.shareOf(massG)!).toBeCloseTo(neat.pot!.shareOf(massG)!, 2);
  expect(a.pot!.leftAlone(massG)!.verdict).toBe(neat.pot!.leftAlone(massG)!.verdict);
  expect(Math.abs(a.usableMin! / neat.usableMin! - 1)).toBeLessThan(0.05);
});

test('pots are prepared for what is mixed in a pot and heats itself, and for nothing else', () => {
  const asked = heatAsked(
    sampleSheets.map((s) => ({ ...plate, sheetId: s.id })),
    sampleSheets,
  );
  expect(asked.length).toBeGreaterThan(3);
  for (const { sheet } of asked) {
    expect(sheet.family).toBe('resin-amine');
    expect(isMetered(sheet.kind)).toBe(false);
  }
  expect(heatAsked([{ ...plate, sheetId: null }], sampleSheets)).toEqual([]);
});

test('lifts are prepared for the bases they are laid on, and for nothing that is not laid in lifts', () => {
  const on = (material: Piece['base']['material'], id = 'mortar-patch') => ({
    sheetId: mortarSheet.id,
    method: { id, version: 1 },
    base: { material },
  });
  const bodies = (...pieces: Parameters<typeof heatAsked>[0]) =>
    heatAsked(pieces, [mortarSheet]).flatMap((a) => a.bodies.map(bodyKey));
  expect(bodies(on('concrete'), on('stone'), on('concrete'))).toEqual(['pot', 'lift|concrete', 'lift|stone']);
  expect(bodies(on('metal', 'plate-bond'))).toEqual(['pot']);
  const { lifts } = preparePots([on('stone')], [mortarSheet]).get(mortarSheet.id)!;
  expect(Object.keys(lifts)).toEqual(['stone']);
  // A table that comes later is put to those that are there; lifts alone are no plan’s.
  const timber = emptyTable(mortarSheet.id, liftOn('timber'));
  expect(withTable(undefined, timber)).toBeNull();
  expect(Object.keys(withTable({ pot: net, lifts }, timber)!.lifts)).toEqual(['stone', 'timber']);
});

test('a pot larger than the sheet’s is used up sooner: clocks, batches and finding say so, and marked as an estimate', () => {
  // A thick bed of one large plate.
  const repair = big({
    void: {
      ...plate.void!,
      shapes: plate.void!.shapes.map((s) =>
        'thickness' in s ? { ...s, thickness: { ...s.thickness, valueMm: 12 } } : s,
      ),
    },
  });
  const plain = planned(repair, pasteSheet, new Map()).repairs[0]!;
  const warm = planned(repair, pasteSheet).repairs[0]!;
  expect(plain.problems).toEqual([]);
  const largest = Math.max(...warm.batches.map((b) => massOf(b.massG)));
  expect(largest).toBeGreaterThan(referenceG);
  const share = warm.pot!.shareOf(largest)!;
  expect(share).toBeLessThan(0.97);
  expect(warm.usableMin!).toBeLessThan(plain.usableMin!);
  const potOf = (p: typeof warm, batch: number) => p.milestones.find((x) => x.kind === 'use-by' && x.batch === batch)!;
  const [a, b] = [potOf(plain, 0), potOf(warm, 0)];
  const own = warm.pot!.shareOf(massOf(warm.batches[0]!.massG))!;
  expect((b.planMs! - b.originMs!) / (a.planMs! - a.originMs!)).toBeCloseTo(own, 2);
  expect(b.standing).toBe('estimated');
  expect(b.working.map((l) => plainWords(l.label))).toContain('Warmed by itself');
  // Every batch is placed inside its own life: rate × minutes left is at least its volume.
  for (const [i, batch] of warm.batches.entries()) {
    const lives = (potOf(warm, i).planMs! - potOf(warm, i).originMs!) / 60_000;
    expect(batch.ml / (12 * repair.crew)).toBeLessThanOrEqual(lives - pasteSheet.mixMin + 0.5);
  }
});

test('what was begun keeps its batches when a table comes later', () => {
  const repair = big();
  const plain = planned(repair, pasteSheet, new Map()).repairs[0]!;
  const begun: Actuals = { ...NOTHING_YET, startedAt: NOW, usableMin: plain.usableMin };
  const plan = planJob({
    job,
    repairs: [repairOf(repair)],
    sheets: [pasteSheet],
    stock: [],
    actuals: new Map([[repair.id, begun]]),
    nowMs: NOW,
    pots: new Map([[pasteSheet.id, heat]]),
  }).repairs[0]!;
  expect(plan.pot).not.toBeNull();
  expect(plan.batches.map((b) => b.ml)).toEqual(plain.batches.map((b) => b.ml));
});

describe('the heat of a lift', () => {
  const [nosing] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece];
  const mortar = sampleSheets.find((s) => s.id === nosing.sheetId)!;
  const found = (sheet: SheetRevision, over: Partial<Piece> = {}) => {
    const mine = { ...nosing, sheetId: sheet.id, ...over };
    const here = { ...bundles[0]!.job, climate: { kind: 'constant', tempC: 24, humidityPct: 50 } } as const;
    const pots = preparePots([mine], [sheet]);
    const plan = planJob({
      job: here,
      repairs: [repairOf(mine)],
      sheets: [sheet],
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
      pots,
    }).repairs[0]!;
    return {
      plan,
      heat: judge({ job: here, repair: mine, plan, actuals: NOTHING_YET, sheets: [sheet], stock: [], nowMs: NOW }).find(
        (f) => f.id === 'lift-heat',
      ),
    };
  };

  test('a mortar full of sand stays calm in the sheet’s lifts', () => {
    const { plan, heat: hot } = found(mortar);
    expect(plan.pot!.lift(19, 24)!.likely.verdict).toBe('calm');
    expect(hot).toBeUndefined();
  });

  test('the same liquid with little sand in one deep pass is stopped, and what is told is what a run gives', () => {
    const rich: SheetRevision = {
      ...mortar,
      id: 'rich-1',
      ratio: { ...mortar.ratio, cByWeight: mortar.ratio.cByWeight! / 12 },
      kits: mortar.kits.map((k) => ({
        ...k,
        massG: { ...k.massG, C: k.massG.C! / 12 },
        yieldMl: null,
        splittable: true,
      })),
      coverageKgPerM2Mm: null,
      limits: { ...mortar.limits, liftMaxMm: null },
    };
    const deep = {
      ...nosing.void!,
      shapes: [{ ...nosing.void!.shapes[0]!, depth: { kind: 'mean', mean: measured(70, 'gauge') } }],
    } as Piece['void'];
    const { heat: hot, plan } = found(rich, {
      void: deep,
      schools: { ...nosing.schools, 'part-kits': 'weighed', 'deep-fills': 'one' },
    });
    expect(plan.problems).toEqual([]);
    expect([hot?.severity, hot?.stage]).toEqual(['stop', 'place']);
    const run = liftRun(reactiveOf(rich), { thicknessMm: 70, base: 'concrete', baseC: 24, airC: 24, startC: 24 });
    expect(run.verdict === 'calm' && (run.peakC ?? 0) < 90).toBe(false);
    // An estimate of ours forbids nothing that the sheet allows: then it is a word of caution that says so.
    const allowing = { ...rich, id: 'rich-2', limits: { ...rich.limits, liftMaxMm: 80 } };
    const said = found(allowing, {
      void: deep,
      schools: { ...nosing.schools, 'part-kits': 'weighed', 'deep-fills': 'one' },
    }).heat!;
    expect(said.severity).toBe('caution');
    expect(say(said.why, PLAIN_READER)).toMatch(
      /An estimate, for concrete of 200 mm; the sheet itself allows 80 mm\.$/,
    );
  });

  test('it is told for what it lies on; on what is thin, and with added fillers, it is no stop', () => {
    const nextLift = milestoneOf(mortarSheet, 'next-lift')!;
    const silent = { ...pasteSheet, id: 'paste-9', limits: { ...pasteSheet.limits, liftMaxMm: null } };
    const resin = { ...silent, id: 'paste-10', milestones: [...silent.milestones, nextLift] };
    const on = (
      material: Piece['base']['material'],
      thicknessMm: number,
      over: Partial<Piece> = {},
      sheet: SheetRevision = resin,
      down = 20,
    ) => {
      const build = freshRepair(job.id, 'fitting-build', 1, NOW, material);
      const edge = { ...SHAPES.edge.blank(), down: measured(down), back: measured(1.5 * down), length: measured(400) };
      const base = { ...pieceOf(build).base, material, thicknessMm };
      return found(sheet, { ...pieceOf(build), sheetId: sheet.id, base, void: voidOf(edge as VoidShape), ...over })
        .heat;
    };
    const stone = on('stone', 200, {}, resin, 40)!;
    const timber = on('timber', 50)!;
    expect(stone.severity).toBe('stop');
    expect(say(stone.why, PLAIN_READER)).toMatch(/is what stone bears beside it\. An estimate, for stone of 200 mm\.$/);
    // The press that it offers ends it: lifts thin enough, each after the one below.
    const [thinner] = timber.ways!;
    expect(say(thinner!.say, PLAIN_READER)).toMatch(/^Lifts of \d+ mm$/);
    expect(thinner!.set.path).toEqual(['liftMm']);
    expect(on('timber', 50, { liftMm: thinner!.set.value as number })).toBeUndefined();
    const thicker = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30].find((lift) => lift > Number(thinner!.set.value))!;
    expect(on('timber', 50, { liftMm: thicker })).toBeDefined();
    // In one pass, as somebody chose, there are no lifts; nor is a wait offered that nothing tells.
    expect(on('timber', 50, { schools: { 'deep-fills': 'one' } })!.ways ?? []).toEqual([]);
    expect(on('timber', 50, {}, silent)!.ways ?? []).toEqual([]);
    expect(say(timber.why, PLAIN_READER)).toMatch(
      /90 °C is what timber bears beside it\. An estimate, for timber of 50 mm\.$/,
    );
    // What a thin base with air behind takes up hangs on what stands there: that is a word, and no stop.
    expect(on('metal', 10)!.severity).toBe('caution');
    expect(timber.severity).toBe('caution');
    expect(say(timber.why, PLAIN_READER)).toMatch(
      /90 °C is what timber bears beside it\. An estimate, for timber of 50 mm\.$/,
    );
    const blend = { consistency: 'peak', fillers: [{ filler: 'silica', share: 1, per100G: 8 }] } as never;
    const filled = on('stone', 200, { blend }, resin, 40)!;
    expect(filled.severity).toBe('caution');
    expect(say(filled.why, PLAIN_READER)).toMatch(/the mix without the fillers added to it/);
  });
});
