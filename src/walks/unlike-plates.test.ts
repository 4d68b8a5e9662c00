import { isTaken, METHODS } from '@/core/method';
import { likePlaces, type Piece, partAnew, partName, repairOf } from '@/core/plan';
import { type Event, planReport, viewJob } from '@/core/record';
import { isMetered, type SheetRevision } from '@/core/system';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { kitOf } from '@/sample/sheet-words';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { draws, minutesAt } from './draws';
import { at, baseAt, clock, drawnShape, firstPlanned, happened, printedPlan, ZONE } from './made';
import { job, piece, plan, sheet } from './plates';

/** Plates of unlike size out of one mix, each spread and closed by itself, called by their names. */
type Size = readonly [length: number, width: number];
const plate = ([length, width]: Size, thick = 0.5): VoidShape =>
  ({
    ...SHAPES.bondLine.blank(),
    outline: { kind: 'rectangle', length: measured(length, 'rule'), width: measured(width, 'rule') },
    holes: { count: 4, diameter: measured(13, 'calliper') },
    thickness: measured(thick, 'gauge'),
  }) as VoidShape;
const plates = (sizes: readonly Size[], names?: readonly string[]): Void => ({
  ...voidOf(plate(sizes[0]!)),
  shapes: sizes.map((size) => plate(size)),
  ...(names ? { places: [...names] } : {}),
});
/** What one takes, its squeeze-out of a quarter included, mL. */
const takesMl = ([length, width]: Size): number => ((length * width - 4 * Math.PI * 6.5 ** 2) * 0.5 * 1.25) / 1000;
const LEFT: Size = [180, 120];
const RIGHT: Size = [240, 150];
const two = piece({ void: plates([LEFT, RIGHT], ['left', 'right']) });

describe('two plates, one of them larger', () => {
  const p = plan(two, '2027-04-13T06:00');
  const of = (id: string) => p.steps.find((s) => s.id === id)!;
  const minutes = (id: string) => (Date.parse(of(id).to!) - Date.parse(of(id).from!)) / 60_000;

  test('35.3 mL in both faces, 47.3 with what stays in the pot: one mix for both', () => {
    expect(takesMl(LEFT) + takesMl(RIGHT)).toBeCloseTo(35.3, 1);
    expect(p.toMixMl).toBeCloseTo(47.3, 1);
    expect(p.batches).toHaveLength(1);
    expect(p.batches[0]!.ml).toBeCloseTo(47.3, 1);
  });
  test('each is spread for as long as it takes, 6 and 11 min, closed before the next, and called by its name', () => {
    expect(p.steps.filter((s) => /:(spread|close)$/.test(s.id)).map((s) => s.title)).toEqual([
      'Spread part 1 of 2, both faces: left',
      'Close part 1 of 2, move it a little: left',
      'Spread part 2 of 2, both faces: right',
      'Close part 2 of 2, move it a little: right',
    ]);
    expect(minutes('b1:spread')).toBe(Math.ceil(takesMl(LEFT) / 2.2));
    expect(minutes('b1.2:spread')).toBe(Math.ceil(takesMl(RIGHT) / 2.2));
    expect(clock(of('b1:close').to!)).toBe(clock(of('b1.2:spread').from!));
    // The larger takes longer to grind, as its face is larger.
    expect(minutes('prep.2:grind')).toBeGreaterThan(minutes('prep:grind'));
  });
  test('each skins by its own clock', () => {
    const open = p.milestones.filter((m) => m.kind === 'open');
    expect(open.map((m) => m.part)).toEqual([0, 1]);
    for (const [i, m] of open.entries())
      expect(Date.parse(m.since!)).toBe(Date.parse(of(i ? 'b1.2:spread' : 'b1:spread').from!));
  });
  test('two shapes without names are one face, as they always were', () => {
    const one = plan(piece({ void: plates([LEFT, RIGHT]) }), '2027-04-13T06:00');
    expect(one.toMixMl).toBeCloseTo(p.toMixMl!, 6);
    expect(one.steps.filter((s) => /\bclose$/.test(s.id))).toHaveLength(1);
  });
  test('the working says why so many come out of one pot', () => {
    const parts = p.working.mix!.find((w) => plainWords(w.label) === 'Parts from one pot')!;
    expect(Number(parts.value)).toBe(2);
    expect(plainWords(parts.expression)).toMatch(/^of 13\.2 mL to 22\.2 mL, in their order/);
  });
});

test('of three mixes each says which plates it is for', () => {
  const sizes: Size[] = [LEFT, [600, 160], RIGHT, LEFT, [500, 200]];
  const p = plan(piece({ void: plates(sizes, ['A', 'B', 'C', 'D', 'E']) }), '2027-04-13T06:00');
  expect(p.batches.length).toBeGreaterThan(1);
  expect(p.batches.map((b) => b.label).join(' | ')).toMatch(/^parts? 1.*: A.*E$/);
  const placed = p.batches.reduce((sum, b) => sum + b.ml - 12, 0);
  expect(placed).toBeCloseTo(
    sizes.reduce((sum, size) => sum + takesMl(size), 0),
    1,
  );
});

test('a seat is told by the name of its plate, and by its number where it has none', () => {
  const at = (names: readonly string[], seats: Piece['seats']) =>
    plan(piece({ void: plates([LEFT, RIGHT, LEFT], names), seats }), '2027-04-13T06:00').findings.find((f) =>
      /cracked seat/i.test(f.title),
    )?.why;
  expect(at(['front', 'rear', 'spare'], { '2': 'cracked' })).toMatch(/^At rear: a crack/);
  expect(at(['front', '', 'spare'], { '2': 'cracked', '3': 'cracked' })).toMatch(/^At 2 and spare: a crack/);
  expect(at(['front', 'rear', 'spare'], { '4': 'cracked' })).toBeUndefined();
});

test('a plate that was knocked is spread anew with what that one takes, under its name', () => {
  const view = viewJob(
    { job, repairs: [repairOf(two)], sheets: [sheet], stock: [], events: [] },
    at('2027-04-13T06:00'),
  );
  const like = likePlaces(view.repairs[0]!.plan)!;
  expect(like).toMatchObject({ count: 2, oneByOne: true, apart: null });
  expect(partAnew(like, 0)).toEqual({
    places: 1,
    which: ['left'],
    part: 0,
    missingMl: expect.closeTo(takesMl(LEFT), 1),
  });
  expect(partAnew(like, 1).missingMl).toBeCloseTo(takesMl(RIGHT), 1);
  expect(partAnew(like, null)).toEqual({ missingMl: null });
  const { plan: planned } = view.repairs[0]!;
  expect([partName(planned, 0), partName(planned, 1), partName(planned, 2)]).toEqual(['left', 'right', '']);
  // Areas of one face are no places.
  expect(partName({ ...planned, context: { ...planned.context!, areas: 3 } }, 0)).toBe('');
  expect(partName({ ...planned, context: null }, 0)).toBe('');
});

test('work that was begun before is one face still', () => {
  const events: readonly Event[] = happened(job, [
    ['2027-04-13T06:00', { kind: 'started', snapshotId: 'kept', usableMin: null }],
  ]);
  const closesBy = (coreVersion: string): number => {
    const repairs = [repairOf(two)];
    const kept = { id: 'kept', repairs, coreVersion };
    const view = viewJob(
      { job, repairs, sheets: [sheet], stock: [], events, snapshots: [kept] as never },
      at('2027-04-13T06:30'),
    );
    return planReport(view).repairs[0]!.steps.filter((s) => /\bclose$/.test(s.id)).length;
  };
  expect([closesBy('0.37.0'), closesBy('0.38.0')]).toEqual([1, 2]);
});

/** Every cutting of so many plates into rows, as the sizes of each row. */
const cuttings = <T>([first, ...rest]: readonly T[]): readonly (readonly (readonly T[])[])[] =>
  rest.length === 0
    ? [[[first!]]]
    : cuttings(rest).flatMap(([row, ...rows]) => [
        [[first!, ...row!], ...rows],
        [[first!], row!, ...rows],
      ]);

test('random plates agree with a count by hand: every cutting into mixes tried, each plate by its own minutes', () => {
  for (const d of draws(25, 7)) {
    const sizes: Size[] = Array.from({ length: d.of(2, 6, 1) }, () => [d.of(80, 400, 5), d.of(60, 250, 5)]);
    const [lost, carry, rate, close] = [d.of(4, 20, 2), d.of(0, 4, 1), d.of(1.5, 6, 0.1), d.of(3, 12, 1)];
    const [materialC, baseC] = [d.of(15, 25, 0.5), d.of(10, 20, 0.5)];
    const mine: SheetRevision = {
      ...sheet,
      potLossMl: lost,
      kits: [kitOf('pair', 'Tin pair', [13_200, 5500], { yieldMl: null, splittable: true })],
    };
    const of = piece({
      void: plates(
        sizes,
        sizes.map((_, i) => `P${i + 1}`),
      ),
      materialC,
      // A bared face keeps all day: how many go into a pot is the pot’s alone.
      settings: { ...piece().settings, rate, carry, 'close min': close, 'bare-dry': 900, 'bare-damp': 900 },
    });
    const base: Piece['base'] = { ...of.base, known: baseAt(['2027-04-12T00:00', baseC]) };
    const p = printedPlan(
      {
        job: { ...job, climate: { kind: 'constant', tempC: baseC, humidityPct: 40 } },
        repairs: [repairOf({ ...of, base })],
        sheets: [mine],
      },
      at('2027-04-13T06:00'),
    ).repairs[0]!;

    const left = minutesAt(Math.max(materialC, baseC), [15, 48], [25, 26]) - 3 - carry;
    const takes = (row: readonly Size[]) =>
      row.reduce((min, size) => min + takesMl(size) / rate, 0) + (row.length - 1) * close;
    const may = cuttings(sizes).filter((rows) => rows.every((row) => takes(row) <= left + 1e-6));
    // A plate that one mix is too little for is spread out of several: told elsewhere.
    if (!may.length) continue;
    const mixes = Math.min(...may.map((rows) => rows.length));
    expect([d.n, p.problems, p.batches.length]).toEqual([d.n, [], mixes]);
    const placed = sizes.reduce((sum, size) => sum + takesMl(size), 0);
    expect(p.toMixMl! / (placed + lost * mixes)).toBeCloseTo(1, 2);
    // Some cutting that is as short has just those pots.
    const pots = p.batches.map((b) => b.ml - lost);
    const asPots = (rows: readonly (readonly Size[])[]) =>
      rows.length === mixes &&
      rows.every((row, i) => Math.abs(row.reduce((s, x) => s + takesMl(x), 0) - pots[i]!) < 0.5);
    expect([d.n, may.some(asPots)]).toEqual([d.n, true]);
    const spread = p.steps.filter((s) => s.id.endsWith(':spread'));
    expect(spread.map((s) => s.title.split(': ').at(-1))).toEqual(sizes.map((_, i) => `P${i + 1}`));
    for (const [i, s] of spread.entries()) {
      const min = (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;
      expect(Math.abs(min - takesMl(sizes[i]!) / rate)).toBeLessThanOrEqual(1);
    }
  }
});

describe('like parts told as so many, or each as a place of its own', () => {
  const NOW = at('2027-05-10T07:00');
  const shelf = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
  const here = { job: { ...freshJob(NOW), zone: ZONE, startFrom: NOW }, nowMs: NOW };
  const inParts = METHODS.flatMap((method) => {
    const sheets = shelf.filter((s) => isTaken(method, s));
    return [sheets.find((s) => !isMetered(s.kind)), sheets.find((s) => isMetered(s.kind))].flatMap((s) => {
      if (!s) return [];
      const like = firstPlanned(here, method, s, { count: 3 });
      return like.steps.some((x) => /^\w+\.3:/.test(x.id)) ? [[method.id, s.name, method, s, like] as const] : [];
    });
  });

  test('there are such, closed one after the other and poured one after the other', () => {
    expect(inParts.map(([id]) => id)).toEqual(expect.arrayContaining(['plate-bond', 'small-part', 'poured-collar']));
  });
  test.each(inParts)(
    '%s with %s: the same steps at the same hours out of the same pots',
    (_id, _name, method, s, like) => {
      const shape = drawnShape(method);
      const apart = firstPlanned(here, method, s, {
        over: { void: { ...voidOf(shape), shapes: [shape, shape, shape], places: ['A', 'B', 'C'] } },
      });
      const told = (p: typeof like) => p.steps.map((x) => [x.id, x.from, x.to]);
      expect(told(apart)).toEqual(told(like));
      expect(apart.batches.map((b) => b.ml)).toEqual(like.batches.map((b) => expect.closeTo(b.ml, 6)));
      expect(apart.milestones.map((m) => [m.kind, m.part, m.plans])).toEqual(
        like.milestones.map((m) => [m.kind, m.part, m.plans]),
      );
    },
  );
});
