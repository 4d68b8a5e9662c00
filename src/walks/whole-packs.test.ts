import { DateTime } from 'luxon';
import { methodOf } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { foldedSteps } from '@/ui/place/fold-steps';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, drawnShape, firstPlanned, happened, workedUpTo, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';

/**
 * Large fills out of packs that may be split, planned for the first time: nobody weighs a sack and a quarter out of
 * two, and no patch is left half-filled over night untold.
 */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 12, humidityPct: 60 } };
const plan = (
  id: string,
  sheet: SheetRevision,
  dims: Readonly<Record<string, number>>,
  over: Parameters<typeof firstPlanned>[3] = {},
) => firstPlanned({ job, nowMs: NOW }, methodOf(id)!, sheet, { dims, ...over });
type Plan = ReturnType<typeof plan>;

const slab = (long: number, wide: number, deep: number) => ({
  'outline.length': long,
  'outline.width': wide,
  'depth.mean': deep,
});
const bags = (kg = 25): Paper => [
  'cement-water',
  '',
  `${kg} kg, ${kg * 0.14} kg`,
  'use-by 10 C: 40 min\n20 C: 20 min, foot 10 C: 10 h\n20 C: 4 h',
  dosed(12, 13, 14),
];
const COAT: Paper = [
  'liquid-resin',
  '3:1 by volume',
  '3 kg, 1 kg',
  'use-by 20 C: 60 min, recoat-from 20 C: 5 h, recoat-until 20 C: 24 h, load 20 C: 5 d, wet 20 C: 5 d',
];
const MORTAR: Paper = [
  'mortar-kit',
  '2:1 by weight',
  '2 kg, 1 kg, 12 kg',
  'use-by 10 C: 60 min\n20 C: 35 min, foot 10 C: 24 h\n20 C: 12 h, load 10 C: 3 d\n20 C: 1 d, next-lift 10 C: 8 h\n20 C: 4 h',
  { cByWeight: '8' },
];

const day = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toISODate();
const wet = (p: Plan) => p.steps.filter((s) => /^b\d+:(weigh|mix|prime|place)$/.test(s.id));
const daysOf = (p: Plan) => [...new Set(wet(p).map((s) => day(s.from)))];
const massOf = ({ massG }: Pick<Plan['batches'][number], 'massG'>, part: string): number => massG[part]!;
const finding = (p: Plan, id: string) => p.findings.find((f) => f.id.endsWith(id));

describe('two square metres out of 25 kg bags', () => {
  const p = plan('cement-patch', typed(bags(), NOW), slab(2000, 1000, 50));
  test('a bag is mixed at a time, with its water; the last is what is left to do, weighed', () => {
    const kg = p.batches.map((b) => massOf(b, 'A') / 1000);
    expect(kg.slice(0, -1)).toEqual(kg.slice(1).map(() => expect.closeTo(25, 6)));
    expect(kg.at(-1)!).toBeLessThan(25);
    for (const b of p.batches) expect(massOf(b, 'B') / massOf(b, 'A')).toBeCloseTo(0.13, 6);
    expect(p.batches.length).toBe(p.kits!.use);
  });
  test('the step says so, and of the part bag it says what is weighed', () => {
    const said = p.steps.filter((s) => s.id.endsWith(':weigh')).map((s) => s.detail);
    for (const text of said.slice(0, -1))
      expect(text).toMatch(/^One whole bag: 25\.00 kg of powder, 3\.250 kg \(3\.25 L\) of water\./);
    expect(said.at(-1)).toMatch(/^1\d\.\d+ kg of powder, 2\.\d+ kg \(2\.\d+ L\) of water\./);
  });
  test('nothing is lost: what goes in is the void, its surplus and its reserve, whatever the pots', () => {
    const placed = p.amounts.filter((a) => a.label !== 'left in pots and on tools').reduce((sum, a) => sum + a.ml, 0);
    const mixed = p.batches.reduce((sum, b) => sum + b.ml, 0);
    expect(mixed).toBeCloseTo(placed + 20 * p.batches.length, 3);
    expect(mixed).toBeCloseTo(p.toMixMl!, 3);
  });
  test('a bag that our own pace would part is placed a little faster, which is said, with both ways out', () => {
    const told = finding(p, 'rate')!;
    expect(told).toMatchObject({ severity: 'caution', stage: 'mix' });
    expect(told.title).toBe('A whole pack must be placed faster than usual');
    const place = p.steps.find((s) => s.id === 'b1:place')!;
    expect((Date.parse(place.to!) - Date.parse(place.from!)) / 60_000).toBeLessThanOrEqual(p.usableMin!);
    // Whoever is as slow as that says so, and weighs.
    const slow = plan('cement-patch', typed(bags(), NOW), slab(2000, 1000, 50), { over: { settings: { rate: 350 } } });
    expect(finding(slow, 'rate')).toBeUndefined();
    for (const b of slow.batches) expect(massOf(b, 'A')).toBeLessThan(25_000);
  });
  test('where a bag would take half as long again the bags are parted by weighing', () => {
    const warm = firstPlanned(
      { job: { ...job, climate: { ...job.climate, tempC: 22 } }, nowMs: NOW },
      methodOf('cement-patch')!,
      typed(bags(), NOW),
      { dims: slab(2000, 1000, 50) },
    );
    expect(finding(warm, 'rate')).toBeUndefined();
    for (const b of warm.batches) expect(massOf(b, 'A')).toBeLessThan(16_700);
  });
});

test('what one pot takes is one pot, more than a bag of it or not', () => {
  // A third more than a bag, placed well inside its life.
  const p = plan('cement-patch', typed(bags(), NOW), slab(500, 500, 60), { over: { settings: { rate: 2000 } } });
  expect(p.batches).toHaveLength(1);
  expect(p.batches[0]!.massG.A).toBeGreaterThan(25_000);
  expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(/^3\d\.\d+ kg of powder/);
});

test('random patches agree with bags counted by hand', () => {
  for (const d of draws(25)) {
    const [long, wide, deep] = [d.of(600, 2500, 10), d.of(400, 1500, 10), d.of(20, 70, 1)];
    const [bag, rate] = [d.of(15, 30, 1), d.of(200, 1500, 50)];
    const p = plan('cement-patch', typed(bags(bag), NOW), slab(long, wide, deep), { over: { settings: { rate } } });
    if (!p.batches.length) continue;
    const all = p.batches.map((b) => b.ml);
    const bagMl = ((bag * 1000) / massOf(p.batches[0]!, 'A')) * all[0]!;
    const inTimeMl = rate * p.usableMin!;
    const placed = p.batches.reduce((sum, b) => sum + b.placedMl!, 0);
    // Bags that go into a pail, and into the minutes it lives.
    const most = Math.min(Math.max(1, Math.floor(8000 / bagMl)) * bagMl, inTimeMl + 20);
    const whole = Math.floor(most / bagMl + 1e-9) * bagMl - 20;
    const told = [d.n, all.length, all.map((ml) => ml / bagMl)];
    const fewest = Math.ceil(
      placed / (Math.min(inTimeMl + 20, 1.01 * Math.max(1, Math.floor(8000 / bagMl)) * bagMl) - 20),
    );
    const inSacks = whole > 0 ? Math.ceil(placed / whole - 1e-9) : Number.POSITIVE_INFINITY;
    if (placed <= Math.min(inTimeMl, 30_000 - 20)) expect([...told.slice(0, 2)]).toEqual([d.n, 1]);
    else if (inSacks <= Math.max(fewest, (4 / 3) * fewest))
      // As many as whole bags take: all but the last are those.
      expect(told).toEqual([
        d.n,
        inSacks,
        all.map((ml, i) => (i < all.length - 1 ? expect.closeTo((whole + 20) / bagMl, 6) : ml / bagMl)),
      ]);
    // Else they are even, and none is more than its minutes or its pail take.
    else expect([d.n, all.length, Math.max(...all) - Math.min(...all) < 1e-6]).toEqual([d.n, fewest, true]);
    for (const ml of all) if (all.length > 1) expect(ml).toBeLessThanOrEqual(Math.max(8000, 1.0101 * bagMl) + 1e-6);
  }
});

describe('a coat out of packs whose ratio is told by volume', () => {
  const sheet = typed(COAT, NOW);
  const p = plan('barrier-coat', sheet, { 'outline.length': 6000, 'outline.width': 3000, thickness: 1 });
  test('whole packs are its ratio: what is weighed out of none of them is a figure of ours', () => {
    expect(sheet.estimated).toEqual(expect.arrayContaining(['densityA', 'densityB']));
    const [a, b] = sheet.parts.map((x) => x.densityGPerMl) as [number, number];
    expect(a / b).toBeCloseTo(1, 9);
    for (const b of p.batches) expect(massOf(b, 'B') / massOf(b, 'A')).toBeCloseTo(1 / 3, 9);
  });
  test('two packs go into a pail', () => {
    const [first] = p.batches;
    expect(first!.massG).toMatchObject({ A: expect.closeTo(6000, 6), B: expect.closeTo(2000, 6) });
    expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(
      /^2 whole packs: 6\.000 kg of A, 2\.000 kg of B\./,
    );
  });
});

describe('what the packs tell of densities that are on no sheet', () => {
  const densities = (paper: Paper) => typed(paper, NOW).parts.map((x) => x.densityGPerMl) as [number, number];
  const parts = (A: string, B: string) => {
    const part = (density: string) => ({ name: '', density, bulk: '' });
    return { parts: { A: part(A), B: part(B), C: part(''), D: part('') } };
  };
  const usual = densities(['paste', '2:1 by volume', '300 mL, 150 mL', 'use-by 40 min']);
  test('one that is printed stands, and the other gives way', () => {
    const [a, b] = densities(['paste', '2:1 by volume', '1.2 kg, 0.5 kg', 'use-by 40 min', parts('1.3', '')]);
    expect([a, b]).toEqual([1.3, expect.closeTo((1.3 * 0.5 * 2) / 1.2, 9)]);
  });
  test('both printed stand, whatever is in the packs', () => {
    const both = densities(['paste', '2:1 by volume', '1.2 kg, 0.5 kg', 'use-by 40 min', parts('1.3', '1.2')]);
    expect(both).toEqual([1.3, 1.2]);
  });
  test('a second ratio tells them without a pack', () => {
    const [a, b] = densities([
      'paste',
      '2:1 by volume',
      '300 mL, 150 mL',
      'use-by 40 min',
      { also: '100:45 by weight' },
    ]);
    expect(a / b).toBeCloseTo(100 / 45 / 2, 9);
    // Neither is believed more than the other.
    expect(a / usual[0]).toBeCloseTo(usual[1] / b, 9);
  });
  test('weighed packs of what is mixed by volume, and packs by volume of what is weighed', () => {
    const [a, b] = densities(['paste', '100:40 by weight', '500 mL, 220 mL', 'use-by 40 min']);
    expect((500 * a) / (220 * b)).toBeCloseTo(100 / 40, 9);
  });
  test('packs that are not sold to be mixed whole tell nothing', () => {
    expect(densities(['paste', '2:1 by volume', '5 kg, 0.5 kg', 'use-by 40 min'])).toEqual(usual);
  });
});

describe('a patch and the night', () => {
  test('what a day holds is not torn apart: it waits for the morning as one', () => {
    const p = plan('mortar-patch', typed(MORTAR, NOW), slab(900, 800, 40));
    expect(p.batches.length).toBeGreaterThan(3);
    expect(daysOf(p)).toHaveLength(1);
    expect(finding(p, 'rests:wet')).toBeUndefined();
  });
  test('what no day holds ends at an edge of its own, which is told, and begins between two mixes', () => {
    const p = plan('mortar-patch', typed(MORTAR, NOW), slab(2000, 1000, 60));
    expect(daysOf(p).length).toBeGreaterThan(1);
    const firsts = wet(p).filter((s, i, all) => i > 0 && day(s.from) !== day(all[i - 1]!.from));
    for (const s of firsts) expect(s.id).toMatch(/:weigh$/);
    const told = finding(p, 'rests:wet')!;
    expect(told).toMatchObject({ severity: 'note', stage: 'place' });
    expect(told.todo).toMatch(/straight, square edge, against a batten.*primed where the walls are/);
  });
  test('of cement its edge is wetted, not primed', () => {
    const p = plan('cement-patch', typed(bags(), NOW), slab(4000, 2000, 50));
    expect(finding(p, 'rests:wet')!.todo).toMatch(/wetted as the base is/);
    expect(p.steps.find((s) => s.id.endsWith(':prep:edge'))!.detail).toMatch(/edge and base dark all over/);
  });
  describe('and its edge', () => {
    const sheet = typed(MORTAR, NOW);
    const dims = slab(2000, 1000, 60);
    const p = plan('mortar-patch', sheet, dims);
    const edges = p.steps.filter((s) => s.id.endsWith(':prep:edge'));
    test('is roughened in the morning, before anything is mixed, once for each night', () => {
      expect(edges.length).toBe(daysOf(p).length - 1);
      for (const edge of edges) {
        const i = p.steps.indexOf(edge);
        expect(p.steps[i + 1]!.id).toBe(edge.id.replace('prep:edge', 'weigh'));
        expect(p.steps[i + 1]!.from).toBe(edge.to);
        expect(DateTime.fromISO(edge.from, { zone: ZONE }).toFormat('HH:mm')).toBe('07:00');
        expect((Date.parse(edge.to!) - Date.parse(edge.from!)) / 60_000).toBe(10);
      }
    });
    test('is told with the last that is placed in the evening, and with no other', () => {
      const told = p.steps.filter((s) => /against a batten/.test(s.detail)).map((s) => s.id);
      expect(told).toEqual(edges.map((e) => p.steps[p.steps.indexOf(e) - 1]!.id));
      for (const id of told) expect(id).toMatch(/:place$/);
    });
    test('is not folded away among like mixes', () => {
      const fresh = freshRepair(job.id, 'mortar-patch', 1, NOW);
      const repair = withPiece(fresh, {
        ...pieceOf(fresh),
        void: voidOf(drawnShape(methodOf('mortar-patch')!, dims)),
        sheetId: sheet.id,
        kitId: sheet.kits[0]!.id,
        answers: Object.fromEntries(methodOf('mortar-patch')!.questions.map((q) => [q.id, q.wants])),
      });
      const { steps } = viewJob({ job, repairs: [repair], sheets: [sheet], stock: [], events: [] }, NOW).repairs[0]!
        .plan;
      const listed = foldedSteps(steps, 20 * 60_000);
      expect(listed.some((l) => l.kind === 'more')).toBe(true);
      const shown = listed.flatMap((l) => (l.kind === 'step' ? [l.step.id] : []));
      const evenings = edges.map((e) => p.steps[p.steps.indexOf(e) - 1]!.id);
      expect(shown).toEqual(expect.arrayContaining(evenings));
    });
    test('nothing of a day runs past its end', () => {
      for (const s of wet(p)) {
        const to = DateTime.fromISO(s.to!, { zone: ZONE });
        expect([s.id, to.hour * 60 + to.minute <= job.workingHours.toHour * 60]).toEqual([s.id, true]);
      }
    });
    test('stands there in the morning until it is done, and in the record after that', () => {
      const evening = p.steps[p.steps.indexOf(edges[0]!) - 1]!;
      const worked = workedUpTo(p.steps, evening.id, '2027-05-10T09:00', '2027-05-10T16:50');
      const at7 = (more: Parameters<typeof happened>[1]) =>
        firstPlanned(
          { job, nowMs: at('2027-05-11T07:12'), events: happened({ ...job, id: job.id }, [...worked, ...more]) },
          methodOf('mortar-patch')!,
          sheet,
          { dims },
        ).steps;
      const open = at7([]);
      const next = open.find((s) => s.done === null)!;
      expect(next.id).toBe(edges[0]!.id);
      const done = at7([['2027-05-11T07:10', { kind: 'step-done', step: next.id }]]);
      expect(done.find((s) => s.id === next.id)!.done).not.toBeNull();
      expect(done.find((s) => s.done === null)!.id).toBe(next.id.replace('prep:edge', 'weigh'));
      // Once for that night, however often it is planned anew.
      expect(done.filter((s) => s.id.endsWith(':prep:edge')).length).toBe(
        open.filter((s) => s.id.endsWith(':prep:edge')).length,
      );
    });
  });
  test('each lift is one piece of work, and the next may come on another day', () => {
    const p = plan('mortar-patch', typed(MORTAR, NOW), slab(900, 800, 60), { over: { liftMm: 30 } });
    const placed = p.steps.filter((s) => s.id.endsWith(':place'));
    const lifts = [1, 2].map((n) => placed.filter((s) => s.title.startsWith(`Place lift ${n}`)));
    expect(lifts.map((l) => l.length)).toEqual([expect.any(Number), expect.any(Number)]);
    for (const lift of lifts) {
      expect(lift.length).toBeGreaterThan(1);
      expect(new Set(lift.map((s) => day(s.from))).size).toBe(1);
    }
    expect(day(lifts[1]![0]!.from)).not.toBe(day(lifts[0]![0]!.from));
  });
});

test('work that was begun before goes on with the pots it was begun with', () => {
  const sheet = typed(bags(), NOW);
  const dims = slab(2000, 1000, 50);
  const events = happened({ ...job, id: job.id }, [
    ['2027-05-10T09:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
  ]);
  const begun = firstPlanned({ job, nowMs: at('2027-05-10T09:01'), events }, methodOf('cement-patch')!, sheet, {
    dims,
  });
  // No plan was kept of it: it is planned as today.
  expect(begun.batches.length).toBe(plan('cement-patch', sheet, dims).batches.length);
});

describe('tins', () => {
  const RESIN: Paper = [
    'finish-resin',
    '',
    '1 kg, 20 g',
    'use-by 20 C: 20 min, sandable 20 C: 4 h',
    dosed(1.5, 2, 2.5),
  ];
  const warm = { job: { ...job, climate: { ...job.climate, tempC: 17 } }, nowMs: NOW };
  const coat = (long: number) =>
    firstPlanned(warm, methodOf('finish-coat')!, typed(RESIN, NOW), {
      dims: { 'outline.length': long, 'outline.width': 2000, thickness: 0.5 },
    });
  test('many pots are a tin each, its peroxide measured to it, though fewer would do', () => {
    const p = coat(3000);
    const grams = p.batches.map((b) => massOf(b, 'A'));
    expect(grams.length).toBeGreaterThan(4);
    expect(grams.slice(0, -1)).toEqual(grams.slice(1).map(() => expect.closeTo(1000, 6)));
    expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(/^One whole pack: 1\.000 kg of finish resin, 20/);
  });
  test('a few are even, and weighed', () => {
    const p = coat(900);
    expect([2, 3]).toContain(p.batches.length);
    expect(new Set(p.batches.map((b) => massOf(b, 'A').toFixed(6))).size).toBe(1);
  });
});

test('of holes that take several mixes each step says which mix it is', () => {
  const sachets: Paper = ['sachets', '1:1 by weight', '10 g, 10 g', 'use-by 20 C: 20 min, sandable 20 C: 3 h'];
  const holes = (count: number) => plan('laminate-hole', typed(sachets, NOW), {}, { count });
  const titles = holes(5)
    .steps.filter((s) => s.id.endsWith(':place'))
    .map((s) => s.title);
  expect(titles.length).toBeGreaterThan(1);
  expect(new Set(titles).size).toBe(titles.length);
  expect(titles[1]).toBe('Fill from the bottom, mix 2, film over it');
  expect(
    plan('laminate-hole', typed(sachets, NOW), { holeDepth: 20 }).steps.find((s) => s.id === 'b1:place')!.title,
  ).toBe('Fill from the bottom, film over it');
});

test('a cooler pot is offered with the pots it would really take: no more than a sack in each', () => {
  const warm = { job: { ...job, climate: { ...job.climate, tempC: 12 } }, nowMs: NOW };
  const sheet = typed(bags(), NOW);
  const of = (materialC: number) =>
    firstPlanned(warm, methodOf('cement-patch')!, sheet, {
      dims: slab(2000, 1000, 60),
      over: { materialC, settings: { rate: 600 } },
    });
  const [now, cool] = [of(24), of(12)];
  const told = finding(now, 'cooler-pots')!;
  expect(now.batches.length).toBeGreaterThan(cool.batches.length);
  expect(told.why).toContain(`${cool.batches.length}`);
  // By the clock alone it would be fewer than there are sacks.
  expect(cool.batches.length).toBe(cool.kits!.use);
});

test('a lift under another is left rough; the next is rubbed into its damp face, and the last alone is struck', () => {
  const paper = bags();
  const lifted: Paper = [paper[0], paper[1], paper[2], `${paper[3]}, next-lift 3 h`, paper[4]];
  const p = plan('cement-patch', typed(lifted, NOW), slab(1000, 800, 80), { over: { liftMm: 40 } });
  const said = p.steps.filter((s) => s.id.endsWith(':place')).map((s) => s.detail);
  const rough = said.filter((d) => /^Rubbed into the base first.*40(\.0)? mm thick, its top left rough/.test(d));
  const struck = said.filter((d) => /^Rubbed into the damp face of the lift below.*struck level/.test(d));
  expect(rough.length).toBeGreaterThan(0);
  expect([rough.length + struck.length, struck.length > 0]).toEqual([said.length, true]);
  const one = plan('cement-patch', typed(bags(), NOW), slab(500, 500, 40));
  expect(one.steps.find((s) => s.id === 'b1:place')!.detail).toMatch(/^Rubbed into the base first.*struck level/);
});
