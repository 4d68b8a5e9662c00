import { suits } from '@/core/judge';
import { methodOf } from '@/core/method';
import {
  type ChainPlan,
  NOTHING_YET,
  type Piece,
  passKey,
  pieceOf,
  planJob,
  startsAskOf,
  startWindows,
} from '@/core/plan';
import { windowsOver } from '@/core/plan/calendar';
import { reasonsOf } from '@/core/plan/start-windows';
import { milestoneOf, type SheetRevision } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { at, ended, firstPlanned, firstRepair, ZONE } from './made';
import { flat, ORDINARY } from './ordinary';
import { dosed, type Paper, typed } from './papers';

/**
 * An ordinary job of round figures with every default left, in weather that stays as it is: there is an hour at which
 * it may begin, and what is mixed then is in its place while it lives.
 */
const NOW = at('2027-05-10T05:00');
const MIN = 60_000;
const DAY = 1440 * MIN;
const jobAt = (tempC: number) => ({
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC, humidityPct: 60 },
});
interface Asked {
  readonly tempC: number;
  readonly methodId: string;
  readonly sheet: SheetRevision;
  readonly dims: Readonly<Record<string, number>>;
  readonly count: number;
  readonly by?: number;
  readonly schools?: Readonly<Record<string, string>>;
  readonly begun?: { readonly startedAt: number; readonly madeWith: string };
}

function planned({ tempC, methodId, sheet, dims, count, by = 1, schools = {}, begun }: Asked) {
  const job = jobAt(tempC);
  const method = methodOf(methodId)!;
  const repair = firstRepair({ job, nowMs: NOW }, method, sheet, { dims, count, by, over: { schools } });
  const actuals = new Map(begun ? [[passKey(pieceOf(repair)), { ...NOTHING_YET, ...begun }]] : []);
  const made = planJob({ job, repairs: [repair], sheets: [sheet], stock: [], actuals, nowMs: NOW });
  const plan = made.repairs[0]!;
  const ask = startsAskOf(plan, job, windowsOver(job, NOW - DAY, NOW + 30 * DAY), NOW);
  return { plan, job: made, ask, starts: ask && startWindows(ask) };
}

/** By how much the last of a batch is in its place after its pot is dead, min; whole minutes of its steps left out. */
function lateMin({ plan, sheet }: { plan: ChainPlan; sheet: SheetRevision }): number {
  const useBy = milestoneOf(sheet, 'use-by')!;
  const late = plan.batches.map((b) => {
    const mine = plan.steps.filter((s) => s.batch === b.index);
    const first = mine.findIndex((s) => s.marks?.begin?.includes(useBy.startsAt));
    const ends = mine.findIndex((s) => s.marks?.end?.includes(useBy.startsAt));
    const from = first < 0 ? ends + 1 : first;
    const last = mine.findLastIndex((s) => s.marks?.end?.includes('placed'));
    const clock = plan.milestones.find((m) => m.kind === 'use-by' && m.batch === b.index);
    const lives = (clock!.planMs! - clock!.originMs!) / MIN;
    return mine.slice(from, last + 1).reduce((sum, s) => sum + s.handsOnMin, 0) - lives;
  });
  return Math.max(...late);
}

describe.each(ORDINARY)('%s', (methodId, paper, dims, count) => {
  const sheet = typed(paper, NOW);
  test.each([
    [12, 0.6],
    [18, 1],
    [24, 1.8],
  ])('at %i °C, %f times as large: some start is good, and nothing dies in its pot first', (tempC, by) => {
    const { plan, starts } = planned({ tempC, methodId, sheet, dims, count, by });
    expect(plan.problems).toEqual([]);
    const good = starts!.against.filter((no) => no === 0).length;
    expect(good).toBeGreaterThan(0);
    expect(starts!.reasons.map((r) => r.id)).not.toContain('pot');
  });
  test('held against it in the list of systems, its sheet fails in nothing', () => {
    const { plan, job } = planned({ tempC: 20, methodId, sheet, dims, count: 3, by: 1.5 });
    const [mine] = ended(suits({ job: jobAt(20), repair: plan.piece, plan: job, sheets: [sheet], stock: [] }));
    expect(mine!.criteria.filter((c) => c.met === false)).toEqual([]);
  });
});

describe('a patch that is primed out of its own kit', () => {
  const KIT: Paper = [
    'mortar-kit',
    '2:1 by weight',
    '2 kg, 1 kg, 16 kg',
    'use-by 10 C: 60 min; 20 C: 30 min; 30 C: 15 min, foot 12 h, load 24 h',
    { cByWeight: '11' },
  ];
  const sheet = typed(KIT, NOW);
  const SIZES = [flat(500, 400), flat(250, 200), flat(1200, 900), flat(2500, 1000)];
  const laws = [8, 15, 22].flatMap((tempC) =>
    SIZES.flatMap((area) => [20, 30, 90].map((deep) => ({ tempC, dims: { ...area, 'depth.mean': deep }, deep }))),
  );
  test.each(laws)('$tempC °C, $dims: each batch is primed and placed while it lives', ({ tempC, dims }) => {
    const { plan, starts } = planned({ tempC, methodId: 'mortar-patch', sheet, dims, count: 1 });
    expect(plan.problems).toEqual([]);
    expect(plan.batches.length).toBeGreaterThan(0);
    expect(lateMin({ plan, sheet })).toBeLessThan(1e-6);
    expect([...new Set([...starts!.against].flatMap(reasonsOf))]).not.toContain('pot');
    // Its steps are those of the batch: mixed, brushed in, placed.
    const first = plan.steps.filter((s) => s.batch === 0).map((s) => s.key.task);
    expect(first.slice(-3)).toEqual(['mix', 'prime', 'place']);
  });

  test('the pace its kit wants is counted from what the brushing leaves of its minutes', () => {
    const dims = { ...flat(500, 400), 'depth.mean': 30 };
    const p = firstPlanned({ job: jobAt(15), nowMs: NOW }, methodOf('mortar-patch')!, sheet, { dims });
    const rate = p.findings.find((f) => f.id === 'rate')!;
    const [batch] = p.batches;
    const minutes = (task: string) => {
      const s = p.steps.find((x) => x.id === `b1:${task}`)!;
      return (Date.parse(s.to!) - Date.parse(s.from!)) / MIN;
    };
    const pot = p.milestones.find((m) => m.kind === 'use-by')!;
    const lives = (Date.parse(pot.plans!) - Date.parse(pot.since!)) / MIN;
    expect(minutes('prime')).toBeGreaterThanOrEqual(8);
    expect(minutes('mix') + minutes('prime') + minutes('place')).toBeLessThanOrEqual(lives + 2);
    const [left, needed] = [/(\d+) min are left/, /that is (\d+) mL a minute/].map((of) =>
      Number(of.exec(rate.why ?? '')?.[1]),
    );
    expect(needed! * left!).toBeGreaterThanOrEqual(batch!.placedMl! * 0.97);
    expect(Math.abs(left! - (lives - minutes('mix') - minutes('prime')))).toBeLessThanOrEqual(1);
  });

  test('primed out of a tin of its own it has all of its minutes to be placed in', () => {
    const dims = { ...flat(500, 400), 'depth.mean': 30 };
    const ask = { tempC: 15, methodId: 'mortar-patch', sheet, dims, count: 1 };
    const apart = planned({ ...ask, schools: { priming: 'separate' } }).plan;
    const drawn = planned(ask).plan;
    const took = (of: typeof apart) => of.steps.find((s) => s.id === 'b1:place')!.handsOnMin;
    expect(apart.batches.every((b) => b.before === undefined)).toBe(true);
    const { before } = drawn.batches[0]!;
    expect(took(apart) - took(drawn)).toBeGreaterThan(before!.allMin - 1);
  });

  test('where somebody’s brush outlasts the pot that is said, and a tin of its own ends it; nothing is parted for it', () => {
    const dims = { ...flat(500, 400), 'depth.mean': 30 };
    const told = (over: Partial<Piece>) =>
      firstPlanned({ job: jobAt(22), nowMs: NOW }, methodOf('mortar-patch')!, sheet, { dims, over });
    const plain = told({});
    expect(plain.findings.map((f) => f.id)).not.toContain('brushed');
    const slow = told({ settings: { 'prime min': 60 } });
    expect(slow.findings.find((f) => f.id === 'brushed')).toMatchObject({
      severity: 'stop',
      title: 'The pot dies before it is placed',
    });
    expect(slow.batches).toHaveLength(plain.batches.length);
    const apart = told({ settings: { 'prime min': 60 }, schools: { priming: 'separate' } });
    expect(apart.findings.map((f) => f.id)).not.toContain('brushed');
  });

  test('a figure of ours forbids nothing: a kit that dies fast, on a wide face, is a caution', () => {
    const fast = typed(
      ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 16 kg', 'use-by 12 min, foot 12 h, load 24 h'],
      NOW,
    );
    const p = firstPlanned({ job: jobAt(24), nowMs: NOW }, methodOf('mortar-patch')!, fast, {
      dims: { ...flat(900, 700), 'depth.mean': 12 },
    });
    expect(p.problems).toEqual([]);
    expect(p.findings.find((f) => f.id === 'brushed')!.severity).toBe('caution');
  });

  test('work that was begun before keeps the mixes it was begun with', () => {
    const ask = {
      tempC: 15,
      methodId: 'mortar-patch',
      sheet,
      dims: { ...flat(1200, 900), 'depth.mean': 30 },
      count: 1,
    };
    const begun = (madeWith: string) => planned({ ...ask, begun: { startedAt: NOW, madeWith } }).plan;
    const [was, is] = [begun('0.42.0'), begun('0.43.0')];
    expect(was.batches.every((b) => b.before === undefined)).toBe(true);
    expect(was.mix!.rateNeeded ?? 0).toBeLessThan(is.mix!.rateNeeded!);
    expect(lateMin({ plan: was, sheet })).toBeGreaterThan(1);
    expect(is.batches).toEqual(planned(ask).plan.batches);
  });
});

describe('what an hour is good for goes by the whole of a pot', () => {
  const dims = { ...flat(200, 120), thickness: 1 };
  const PASTE: Paper = ['paste', '2:1 by weight', '2 kg, 1 kg', 'use-by 40 min, load 24 h'];
  const potMin = (paper: Paper, count: number) => {
    const sheet = typed(paper, NOW);
    const { plan, ask } = planned({ tempC: 20, methodId: 'plate-bond', sheet, dims, count });
    const took = (task: string) => plan.steps.find((s) => s.key.task === task)!.handsOnMin;
    return {
      needs: ask!.potMin,
      batches: plan.batches.length,
      mix: took('mix'),
      each: took('spread'),
      close: took('close'),
    };
  };
  test('three plates out of one mix: it lives until the last of them is spread', () => {
    const of = potMin(PASTE, 3);
    expect(of.batches).toBe(1);
    expect(of.needs).toBeCloseTo(of.mix + 3 * of.each + 2 * of.close, 6);
    expect(potMin(PASTE, 1).needs).toBeCloseTo(of.mix + of.each, 6);
  });
  test('out of a mixer each has the time of its own, from where it comes out', () => {
    const of = potMin(['cartridge-paste', '1:1 by volume', '200 mL, 200 mL', 'use-by 10 min, load 24 h'], 3);
    expect(of.needs).toBeCloseTo(of.each, 6);
  });
});

describe('several rooms of several bags each', () => {
  const BAGS: Paper = ['tile-adhesive', '', '25 kg, 6 kg', 'use-by 2 h, foot 24 h', dosed(22, 24, 26)];
  const floor = (count: number, by: number) =>
    planned({ tempC: 18, methodId: 'setting-bed', sheet: typed(BAGS, NOW), dims: flat(4000, 3000), count, by }).plan;
  test.each([
    [1, 1],
    [3, 1],
    [2, 0.5],
  ])(
    '%i of them, %f times as large: all of them take as long as their face, however many bags lie in one',
    (count, by) => {
      const plan = floor(count, by);
      const laid = plan.steps.filter((s) => s.key.task === 'spread');
      expect(laid.length).toBeGreaterThanOrEqual(plan.batches.length);
      const all = laid.reduce((sum, s) => sum + s.handsOnMin, 0);
      expect(all / (60 * 12 * by * by * count)).toBeCloseTo(1 / 5, 6);
      if (count === 3) expect(plan.batches.length).toBeGreaterThan(3);
    },
  );
});
