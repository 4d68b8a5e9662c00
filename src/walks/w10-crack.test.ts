import { groundsOf, type Piece, placedSoFar, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import { longerTable, type Milestone } from '@/core/system';
import { type VoidShape, voidOf } from '@/core/void';
import { ratioOf } from '@/sample/sheet-words';
import { plainWords } from '@/words';
import { cFor, job, NOW, piece, sheet } from './crack';
import { at, happened, off, printedPlan } from './made';

const slower = (m: Milestone): Milestone => ({ ...m, table: longerTable(m.table, 10) });
const plan = (over: Partial<Piece> = {}, sheets = [sheet]) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets }, NOW).repairs[0]!;

test('2.461 L in the union, 2.707 with the overfill, in six batches of 466 mL', () => {
  const p = plan();
  expect(p.volumeMl!.nominal / 1000).toBeCloseTo(2.461, 2);
  expect(p.batches).toHaveLength(6);
  expect(p.batches[0]!.ml).toBeCloseTo(466, -1);
  expect(p.batches[0]!.volumeMl.A).toBeCloseTo(112, 0);
  expect(p.batches[0]!.volumeMl.B).toBeCloseTo(112, 0);
  expect(p.batches[0]!.massG.C! / 638).toBeCloseTo(1, 2);
  expect(p.batches.reduce((s, b) => s + b.volumeMl.A!, 0) / 673).toBeCloseTo(1, 2);
  expect(p.batches.reduce((s, b) => s + b.massG.C!, 0) / 3830).toBeCloseTo(1, 2);
  // Without the cleaning inside the pot life it would be four.
  expect(plan({ settings: { overfill: 10, rate: 210, clean: 0 } }).batches).toHaveLength(4);
});
test('the faces are painted with neat resin first: 192 mL over 9.6 m and 15 left behind, right before the first pour', () => {
  const p = plan();
  const neat = p.consumables.find((c) => /neat resin/.test(c.what))!;
  expect([neat.quantity, neat.unit]).toEqual([207, 'mL']);
  const painted = p.steps.find((s) => s.id === 'neat')!;
  expect(painted.title).toMatch(/207 mL over 9\.6/);
  expect(p.steps.find((s) => s.id === 'b1:mix')!.from).toBe(painted.to);
  // An hour tacky is enough for all of it; a quarter of an hour is not, and says in how many stretches it would be.
  expect(p.findings.some((f) => f.id === 'primed-too-far')).toBe(false);
  const quick = plan({ settings: { ...piece().settings, 'neat-life': 15 } });
  const told = quick.findings.find((f) => f.id === 'primed-too-far')!;
  expect(told.todo).toMatch(/in 2 stretches/);
  // Who has not typed how long it stays tacky is told whose hour that is: the mix itself is dead long before.
  const taken = (over: Partial<Piece>) => plan(over).findings.filter((f) => f.id === 'neat-slower');
  expect(taken({}).map((f) => f.severity)).toEqual(['note']);
  expect(taken({})[0]!.why).toMatch(/^Painting it takes 1\d min\. .* wet or tacky for 1 h is Grenko’s figure/);
  expect(taken({ settings: { ...piece().settings, 'neat-life': 60 } })).toEqual([]);
  expect(taken({ schools: { neat: 'bare' } })).toEqual([]);
  const slow = { ...sheet, milestones: sheet.milestones.map((m) => (m.kind === 'use-by' ? slower(m) : m)) };
  expect(plan({}, [slow]).findings.filter((f) => f.id === 'neat-slower')).toEqual([]);
  const bare = plan({ schools: { neat: 'bare' } });
  expect([bare.consumables, bare.steps.some((s) => s.id === 'neat')]).toEqual([[], false]);
  // What runs down a joint that crosses is kept out by a piece of foam each.
  expect(p.consumables.map((c) => c.what)).toEqual(['neat resin for the faces']);
});
test('poured back to back, each clean before its pot is dead', () => {
  const p = plan();
  const mixes = p.steps.filter((s) => s.id.endsWith(':mix'));
  const cleaned = p.steps.filter((s) => s.id.endsWith(':clean'));
  for (const [i, s] of cleaned.entries()) {
    const minutes = (Date.parse(s.to!) - Date.parse(mixes[i]!.from!)) / 60_000;
    // 0.75 mixed, 466 mL poured in 2.22, 1.0 cleaned.
    expect(minutes).toBeCloseTo(3.97, 2);
    expect(minutes).toBeLessThan(4.22);
    if (mixes[i + 1]) expect(mixes[i + 1]!.from).toBe(s.to);
  }
});
test('ground 11:59 to 16:47: from by the last pour, until by the first', () => {
  const before = plan();
  const pours = before.steps.filter((s) => s.id.endsWith(':pour'));
  const first = at('2027-04-22T10:11');
  const told = before.steps.slice(0, before.steps.findIndex((s) => s.id === 'b6:pour') + 1).map((s) => {
    const n = pours.findIndex((x) => x.from! >= s.from! || x.id === s.id);
    const ms = first + (Math.max(0, n) * 20 * 60_000) / 5;
    return [new Date(ms + 3 * 3_600_000).toISOString().slice(0, 19), { kind: 'step-done', step: s.id }] as const;
  });
  const events = happened(job, [
    ['2027-04-22T09:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
    ...told,
  ]);
  const p = printedPlan({ job, repairs: [repairOf(piece())], sheets: [sheet], events }, at('2027-04-22T10:31'))
    .repairs[0]!;
  expect(off(p.milestones.find((m) => m.kind === 'sandable')!.plans, '2027-04-22T11:59')).toBeLessThanOrEqual(2);
  expect(off(p.milestones.find((m) => m.kind === 'sandable-until')!.plans, '2027-04-22T16:47')).toBeLessThanOrEqual(2);
});
test('sand 2.8 times is lean; not accepted: one pot of 2.7 L', () => {
  const lean = { ...sheet, ratio: ratioOf({ basis: 'weight' as const, a: 100, b: 100, cByWeight: cFor(2.8) }) };
  expect(plan({}, [lean]).findings.some((f) => /lean/i.test(f.id + f.title))).toBe(true);
  expect(plan().findings.some((f) => /lean/i.test(f.id))).toBe(false);
  expect(Math.max(...plan().batches.map((b) => b.ml))).toBeLessThan(540);
});
test('resin as cold as the slab, 1 °C beyond the points, would need three batches: offered, and pressed it is so', () => {
  const offered = plan().findings.find((f) => f.id === 'cooler-pots')!;
  expect(offered.severity).toBe('note');
  expect(offered.why).toMatch(/At 16.* it lives 4\.2 min: 6 batches\. At 9 °C.* it lives 7 min, 1 K beyond .*: 3 do\./);
  const [way] = offered.ways!;
  expect(way!.set).toEqual({ path: ['materialC'], value: 9 });
  const cold = plan({ materialC: 9 });
  expect(cold.batches).toHaveLength(3);
  expect(cold.findings.map((f) => f.id)).not.toContain('cooler-pots');
  expect(cold.findings.some((f) => /Beyond the sheet’s points/.test(f.title))).toBe(true);
  // No cooler than the sheet lets it be mixed, and then it is not called as cold as the place.
  const least = { ...sheet, limits: { ...sheet.limits, materialMinC: 12 } };
  const held = plan({}, [least]).findings.find((f) => f.id === 'cooler-pots')!;
  expect([held.ways![0]!.set.value, held.why]).toEqual([12, expect.stringMatching(/At 12 °C it lives .*: 4 do\.$/)]);
  expect(plan({ materialC: 12 }, [least]).batches).toHaveLength(4);
  expect(offered.why).toMatch(/as cold as the place/);
  // Not where it is as cold already, nor where few batches do, nor while somebody works.
  expect(plan({ materialC: 10 }).findings.map((f) => f.id)).not.toContain('cooler-pots');
  const quick = plan({ settings: { ...piece().settings, rate: 900 } });
  expect([quick.batches.length < 4, quick.findings.some((f) => f.id === 'cooler-pots')]).toEqual([true, false]);
});
test('where each batch ends is told along the crack: every 1.60 m, and the ends meet', () => {
  const pours = plan().steps.filter((s) => s.id.endsWith(':pour'));
  const metres = (figure: string, unit: string) => Number(figure) / (unit === 'mm' ? 1000 : 1);
  const ends = pours.map(({ title }) => {
    const [, from, fromUnit, to, toUnit] = /from ([\d.]+) (mm|m) to ([\d.]+) (mm|m):/.exec(title)!;
    return [metres(from!, fromUnit!), metres(to!, toUnit!)] as const;
  });
  expect(ends.map(([, to]) => to)).toEqual([1.6, 3.2, 4.8, 6.4, 8, 9.6]);
  for (const [i, [from]] of ends.entries()) expect(from).toBe(ends[i - 1]?.[1] ?? 0);
});
test('a crack that grows wider is poured in ever shorter stretches of the same volume', () => {
  const wide = voidOf({
    ...piece().void!.shapes[0]!,
    slot: null,
    stations: [
      { atMm: 200, widthMm: 5, depthMm: 26 },
      { atMm: 9800, widthMm: 30, depthMm: 26 },
    ],
  } as VoidShape);
  const p = plan({ void: wide });
  const to = p.steps
    .filter((s) => s.id.endsWith(':pour'))
    .map((s) => Number(/ to ([\d.]+) m:/.exec(s.title)?.[1] ?? Number(/ to (\d+) mm:/.exec(s.title)![1]) / 1000));
  const n = to.length;
  expect(n).toBeGreaterThan(3);
  const stretches = to.map((x, i) => x - (to[i - 1] ?? 0));
  for (let i = 1; i < n; i++) expect(stretches[i]!).toBeLessThan(stretches[i - 1]!);
  // Volume up to x of a width 5 + 25 x/L grows as 5x + 12.5 x²/L: an end by hand.
  const L = 9.6;
  const share = 1 / n;
  const x = (-5 + Math.sqrt(25 + 50 * share * (5 + 12.5))) / (25 / L);
  expect(to[0]).toBeCloseTo(x, 1);
});
describe('poured so late that it may only be ground while nobody works', () => {
  const late = (over: Partial<Piece> = {}) => {
    const p = plan({ plannedStart: at('2027-04-22T16:30'), ...over });
    return { p, told: p.findings.find((f) => f.id === 'late:finish:grind') };
  };
  const on = (p: ReturnType<typeof plan>, kind: string) =>
    Date.parse(p.milestones.find((m) => m.kind === kind)!.plans!);
  const grind = (p: ReturnType<typeof plan>) => p.steps.find((s) => s.id === 'finish:grind')!;
  test('that is said, with its window and the hour it would be ground at', () => {
    const { p, told } = late();
    expect(off(grind(p).from!, '2027-04-23T06:00')).toBe(0);
    expect(told).toMatchObject({ severity: 'caution', stage: 'place' });
    // Sandable from 20:25 by the last pour, until 01:14 by the first; the ramp closes at 20:00.
    expect(told!.why).toMatch(/Fri 06:00.* from Thu 20:2\d to Fri 01:1\d, while nobody works/);
  });
  test('the hour that is offered brings it into its window', () => {
    const [way] = late().told!.ways!;
    expect(way!.set.path).toEqual(['plannedStart']);
    const { p, told } = late({ plannedStart: way!.set.value as number });
    expect(told).toBeUndefined();
    const [from, to] = [Date.parse(grind(p).from!), Date.parse(grind(p).to!)];
    expect(from).toBeGreaterThanOrEqual(on(p, 'sandable'));
    expect(to).toBeLessThanOrEqual(Math.min(on(p, 'sandable-until'), at('2027-04-22T20:00')));
    // Not needlessly early: half an hour later it would not do any more.
    expect(late({ plannedStart: (way!.set.value as number) + 30 * 60_000 }).told).toBeDefined();
  });
});
describe('a sawn contraction joint crosses it at 4.1 m', () => {
  const crossed = (...atMm: number[]) =>
    voidOf({ ...piece().void!.shapes[0]!, crossings: atMm.map((at) => ({ atMm: at })) } as VoidShape);
  test('it stays open: told where its batch is poured, a piece of foam to fetch, nothing less to mix', () => {
    const p = plan({ void: crossed(4100) });
    expect(p.steps.filter((s) => /kept open/.test(s.title)).map((s) => [s.id, s.title])).toEqual([
      ['b3:pour', 'Pour batch 3 of 6, from 3.2 m to 4.8 m, the joint at 4.1 m kept open: mark where it ends'],
    ]);
    expect(p.consumables.find((c) => c.what.startsWith('closed-cell foam'))!.quantity).toBe(1);
    expect(p.volumeMl!.nominal).toBe(plan().volumeMl!.nominal);
  });
  test('it is drawn where it lies, with the batches', () => {
    const view = viewJob(
      { job, repairs: [repairOf(piece({ void: crossed(4100) }))], sheets: [sheet], stock: [], events: [] },
      NOW,
    );
    const [ground, ...others] = groundsOf(view.repairs[0]!.passes[0]!.plan);
    expect(others).toEqual([]);
    expect(ground!.keptOpen.map(({ from, to }) => [from[0], to[0]])).toEqual([[4100, 4100]]);
    const here = ground!.laid.find(({ points }) => {
      const xs = points.map((q) => q[0]);
      return Math.min(...xs) < 4100 && 4100 < Math.max(...xs);
    });
    expect(here!.batch).toBe(2);
  });
  test('one beyond its end does not cross it', () => {
    expect(
      plan({ void: crossed(9700) })
        .problems.map((x) => plainWords(x.sentence))
        .join(),
    ).toMatch(/Joint 1, at 9\.7 m, does not cross it: it runs from 0 mm to 9\.6 m/);
  });
});
describe('two cracks of one repair, poured one after the other', () => {
  const [crack] = piece().void!.shapes as [VoidShape & { stations: object[] }];
  const half = { ...crack, stations: crack.stations.map((s, i) => ({ ...s, atMm: i * 4800 })) } as VoidShape;
  test('each batch says which crack it is in, and one that ends the first begins the second', () => {
    const one = plan();
    const two = plan({ void: { ...voidOf(half), shapes: [half, half] } });
    expect(two.volumeMl!.nominal).toBeCloseTo(one.volumeMl!.nominal, 3);
    const told = two.steps.filter((s) => s.id.endsWith(':pour')).map((s) => /, (.*): mark/.exec(s.title)![1]);
    expect(told).toEqual([
      'crack 1 from 0 m to 1.6 m',
      'crack 1 from 1.6 m to 3.2 m',
      'crack 1 from 3.2 m to 4.8 m',
      'crack 2 from 0 m to 1.6 m',
      'crack 2 from 1.6 m to 3.2 m',
      'crack 2 from 3.2 m to 4.8 m',
    ]);
    const unequal = { ...crack, stations: crack.stations.map((s, i) => ({ ...s, atMm: i * 2400 })) } as VoidShape;
    const told2 = plan({ void: { ...voidOf(half), shapes: [unequal, half] } })
      .steps.filter((s) => s.id.endsWith(':pour'))
      .map((s) => /, (.*): mark/.exec(s.title)?.[1]);
    expect(told2.filter((t) => / and /.test(t!))).toHaveLength(1);
    expect(told2.find((t) => / and /.test(t!))).toMatch(/^crack 1 from .* to 2\.4 m and crack 2 from 0 m to /);
  });
  test('like cracks are counted and told likewise', () => {
    const p = plan({ void: { ...voidOf(half), count: 2 } });
    const first = p.steps.filter((s) => /crack 2 from 0 m/.test(s.title));
    expect(first).toHaveLength(1);
  });
});

describe('batch 3 stiffens after 1.2 min of pouring', () => {
  const before = plan({ plannedStart: at('2027-04-22T09:30') });
  const pour = before.steps.find((x) => x.id === 'b3:pour')!;
  const diedMs = Date.parse(pour.from!) + 1.2 * 60_000;
  const upTo = before.steps.slice(
    0,
    before.steps.findIndex((x) => x.id === 'b3:pour'),
  );
  const local = (ms: number) => new Date(ms + 3 * 3_600_000).toISOString().slice(0, 23);
  const told = (placedMl: number | null) =>
    happened(job, [
      ['2027-04-22T09:30', { kind: 'started', snapshotId: 'none', usableMin: null }],
      ...upTo.map((x) => [local(Date.parse(x.to!)), { kind: 'step-done', step: x.id }] as const),
      [
        local(diedMs),
        {
          kind: 'trouble',
          trouble: 'pot-hot',
          batch: 2,
          missingMl: null,
          ...(placedMl === null ? {} : { placed: { ml: placedMl, step: 'b3:pour' } }),
        },
      ],
    ]);
  const replanned = (placedMl: number | null) =>
    printedPlan({ job, repairs: [repairOf(piece())], sheets: [sheet], events: told(placedMl) }, diedMs).repairs[0]!;

  test('252 mL had been placed by then, at 210 mL a minute', () => {
    const [pass] = viewJob(
      { job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events: told(null).slice(0, -1) },
      diedMs,
    ).repairs[0]!.passes;
    expect(placedSoFar(pass!.plan, pass!.actuals, diedMs)).toMatchObject({ step: 'b3:pour', batch: 2 });
    expect(placedSoFar(pass!.plan, pass!.actuals, diedMs)!.ml).toBeCloseTo(252, 0);
    expect(placedSoFar(pass!.plan, pass!.actuals, diedMs + 10 * 60_000)!.ml).toBeCloseTo(451.2, 0);
    expect(placedSoFar(pass!.plan, pass!.actuals, diedMs)!.ofMl).toBeCloseTo(451.2, 0);
  });
  test('they stay: a new mark at 4.09 m, 214 mL are waste, and the last 5.51 m take four batches and not three', () => {
    const p = replanned(252);
    expect(p.batches).toHaveLength(7);
    expect(p.batches[2]!.ml - 252).toBeCloseTo(214, 0);
    const ends = p.steps.filter((x) => x.id.endsWith(':pour')).map((x) => / to ([\d.]+) m:/.exec(x.title)![1]);
    expect(ends.slice(0, 3)).toEqual(['1.6', '3.2', '4.09']);
    expect(ends.at(-1)).toBe('9.6');
    // Nothing that lies there is poured again, and the next is set out at once.
    const open = p.steps.filter((x) => x.done === null).map((x) => x.id);
    expect(open).not.toContain('b3:pour');
    // The tool is cleaned first; then what still stands in its cups is set out by the new amounts, all four of them.
    expect(open.slice(0, 3)).toEqual(['b3:clean', 'weigh-all:anew', 'b4:mix']);
    const anew = p.steps.find((x) => x.id === 'weigh-all:anew')!;
    expect(anew.title).toBe('Set all 4 batches out, again');
    expect(open.filter((id) => id.endsWith(':pour'))).toEqual(['b4:pour', 'b5:pour', 'b6:pour', 'b7:pour']);
    // Each of the four is in and its tool clean before its pot is dead.
    for (const b of p.batches.slice(3)) expect(b.ml).toBeLessThan(519.5);
    // No millilitre is lost or made: what is placed is what was to be placed.
    const placed = p.batches.map((b) => b.placedMl!);
    expect(placed.reduce((a, b) => a + b, 0)).toBeCloseTo(2707, 0);
    const said = p.findings.find((f) => f.id.startsWith('cut-short'))!;
    expect(said.title).toBe('Batch 3 died before all of it was placed');
    expect(said.why).toMatch(/252 mL of it stay, 214 mL are waste.* take 4 batches, and not the 3 that were planned/);
    const died = p.amounts.find((a) => /died in the pot/.test(a.label))!;
    expect(died.ml).toBeCloseTo(451.2 - 252, 0);
    expect(p.toMixMl!).toBeCloseTo(2707 + 7 * 15 + 199.2, 0);
  });
  test('nothing of it placed, or nobody knows how much: the batch is mixed again as it was', () => {
    const p = replanned(null);
    expect(p.batches).toHaveLength(6);
    const open = p.steps.filter((x) => x.done === null).map((x) => x.id);
    expect(open).toContain('b3~2:pour');
    expect(open.slice(0, 2)).toEqual(['weigh-all:anew', 'b3~2:mix']);
    expect(p.steps.find((x) => x.id === 'weigh-all:anew')!.title).toBe('Set all 4 batches out, again');
  });
});
