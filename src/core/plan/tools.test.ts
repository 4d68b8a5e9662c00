import fc from 'fast-check';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { judge } from '../judge';
import type { ToolId } from '../method';
import { NOTHING_YET } from './actuals';
import { faultsOf } from './feasible.testing';
import type { Job } from './job';
import { opensFrom } from './plan-chain';
import { planJob } from './plan-job';
import { type Piece, pieceOf, type Repair, repairOf } from './repair';
import { firstClash, type ToolHold } from './tools';

const NOW = Date.parse('2026-05-05T03:00:00Z');
const HOUR = 3_600_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const bundle = bundles.find((b) => b.job.id === 'sample-winch')!;
const plate = pieceOf(bundle.repairs[0]!);
const uncounted: Job = { ...bundle.job, startFrom: Date.parse('2026-05-06T05:00:00Z') };
const having = (has: Partial<Job['atHand']>): Job => ({ ...uncounted, atHand: { ...uncounted.atHand, ...has } });
const clamped = (id: string, order: number, over: Partial<Piece> = {}): Repair =>
  repairOf({ ...plate, id, order, schools: { ...plate.schools, holding: 'clamp' }, ...over });
const planned = (job: Job, repairs: readonly Repair[]) =>
  planJob({ job, repairs, sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW });
const closes = (plan: {
  readonly steps: readonly { readonly key: { task: string }; readonly startMs: number; readonly endMs: number }[];
}) => plan.steps.find((s) => s.key.task === 'close')!.startMs;
const letGo = (plan: Parameters<typeof closes>[0]) => plan.steps.find((s) => s.key.task === 'finish:release')!.endMs;

describe('clamps of a site', () => {
  test('uncounted they make nobody wait; two plates are closed on one day', () => {
    const [a, b] = planned(uncounted, [clamped('a', 0), clamped('b', 1)]).repairs;
    expect(closes(b!)).toBeLessThan(letGo(a!));
    expect(b!.lacks).toEqual([]);
    expect(b!.holds).toMatchObject([{ tool: 'clamps', count: 4, passId: 'p1' }]);
  });
  test('enough of them change nothing', () => {
    const free = planned(uncounted, [clamped('a', 0), clamped('b', 1)]);
    const counted = planned(having({ clamps: 8 }), [clamped('a', 0), clamped('b', 1)]);
    expect(counted.repairs.map((r) => r.steps)).toEqual(free.repairs.map((r) => r.steps));
  });
  test('with one set the second plate is closed when the first lets go, and says what it waited for', () => {
    const [a, b] = planned(having({ clamps: 4 }), [clamped('a', 0), clamped('b', 1)]).repairs;
    expect(closes(b!)).toBeGreaterThanOrEqual(letGo(a!));
    expect(b!.awaits).toEqual([{ tool: 'clamps', passId: 'p1', needs: 4, has: 4, untilMs: letGo(a!) }]);
    expect(b!.steps[0]!.forcedBy).toBe('tools');
    // What needs no clamps is not kept waiting by them.
    const tape = clamped('c', 2, { schools: { ...plate.schools, holding: 'fastener' } });
    const third = planned(having({ clamps: 4 }), [clamped('a', 0), tape]).repairs[1]!;
    expect(closes(third)).toBeLessThan(letGo(a!));
  });
  test('nobody grinds today what can only be closed tomorrow', () => {
    const days = { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5, 6, 7] };
    const { repairs } = planned({ ...having({ clamps: 4 }), workingHours: days }, [clamped('a', 0), clamped('b', 1)]);
    const [a, b] = repairs;
    expect(new Date(closes(b!)).getUTCDate()).toBe(new Date(closes(a!)).getUTCDate() + 1);
    expect(new Date(b!.steps[0]!.startMs).getUTCDate()).toBe(new Date(closes(b!)).getUTCDate());
    expect(b!.steps.map((s) => s.key.task)).not.toContain('bare-again');
  });
  test('half a set more on each is half a set less for others', () => {
    const few = (id: string, order: number, clamps: number) =>
      clamped(id, order, { settings: { ...plate.settings, clamps } });
    const [a, b] = planned(having({ clamps: 6 }), [few('a', 0, 3), few('b', 1, 3)]).repairs;
    expect(closes(b!)).toBeLessThan(letGo(a!));
    const [c, d] = planned(having({ clamps: 6 }), [few('a', 0, 3), few('b', 1, 4)]).repairs;
    expect(closes(d!)).toBeGreaterThanOrEqual(letGo(c!));
  });
  test('more than there are at all is planned all the same, and is a stop with a way out', () => {
    const job = having({ clamps: 3 });
    const repair = clamped('a', 0);
    const [a] = planned(job, [repair]).repairs;
    expect(a!.openMs).not.toBeNull();
    expect(a!.lacks).toEqual([{ tool: 'clamps', passId: 'p1', needs: 4, has: 3, awaited: false }]);
    const found = judge({
      job,
      repair: pieceOf(repair),
      plan: a!.passes[0]!,
      actuals: NOTHING_YET,
      sheets: sampleSheets,
      stock: [],
      nowMs: NOW,
    }).find((f) => f.id === 'tools-lacking:clamps')!;
    expect(found.severity).toBe('stop');
    expect(found.ways!.map((w) => w.set)).toEqual([{ path: ['settings', 'clamps'], value: 3 }]);
  });
  test('hands beyond those of the job are noticed, and the press plans for those who are there', () => {
    const repair = clamped('a', 0, { crew: 3 });
    const found = (hands: number | null) => {
      const job = having({ hands });
      const plan = planned(job, [repair]).repairs[0]!.passes[0]!;
      const of = { job, repair: pieceOf(repair), plan, actuals: NOTHING_YET, sheets: sampleSheets, stock: [] };
      return judge({ ...of, nowMs: NOW }).find((f) => f.id === 'hands-lacking');
    };
    expect(found(null)).toBeUndefined();
    expect(found(3)).toBeUndefined();
    expect(found(2)!.ways!.map((w) => w.set)).toEqual([{ path: ['crew'], value: 2 }]);
  });
  test('clamps of a plate whose plan never ends do not come free by themselves', () => {
    const silent = { ...sampleSheets.find((s) => s.id === plate.sheetId)!, id: 'silent' };
    const sheets = [...sampleSheets, { ...silent, milestones: silent.milestones.filter((m) => m.kind === 'open') }];
    const job = having({ clamps: 4 });
    const repairs = [clamped('a', 0, { sheetId: 'silent' }), clamped('b', 1)];
    const [a, b] = planJob({ job, repairs, sheets, stock: [], actuals: new Map(), nowMs: NOW }).repairs;
    expect(a!.stop).not.toBeNull();
    expect(b!.lacks).toMatchObject([{ tool: 'clamps', needs: 4, has: 4, awaited: true }]);
  });
  test('a plate that is closed already goes on, whoever wants its clamps', () => {
    const free = planned(uncounted, [clamped('a', 0), clamped('b', 1)]).repairs;
    const closed = free[1]!.steps.findIndex((s) => s.key.task === 'close');
    const done = new Map(free[1]!.steps.slice(0, closed + 1).map((s) => [s.id, s.endMs]));
    const actuals = new Map([['b', { ...NOTHING_YET, startedAt: free[1]!.steps[0]!.startMs, done }]]);
    const again = planJob({
      job: having({ clamps: 4 }),
      repairs: [clamped('a', 0), clamped('b', 1)],
      sheets: sampleSheets,
      stock: [],
      actuals,
      nowMs: free[1]!.steps[closed]!.endMs,
    }).repairs[1]!;
    expect(again.steps.find((s) => s.key.task === 'close')!.doneAt).toBe(free[1]!.steps[closed]!.endMs);
  });
  test('what has begun holds its clamps already, though another stands before it in the order of the work', () => {
    const [alone] = planned(uncounted, [clamped('b', 1)]).repairs;
    const closed = alone!.steps.findIndex((s) => s.key.task === 'close');
    const done = new Map(alone!.steps.slice(0, closed + 1).map((s) => [s.id, s.endMs]));
    const { repairs } = planJob({
      job: having({ clamps: 4 }),
      repairs: [clamped('a', 0), clamped('b', 1)],
      sheets: sampleSheets,
      stock: [],
      actuals: new Map([['b', { ...NOTHING_YET, startedAt: alone!.steps[0]!.startMs, done }]]),
      nowMs: alone!.steps[closed]!.endMs,
    });
    expect(repairs.map((r) => r.repairId)).toEqual(['a', 'b']);
    expect(closes(repairs[0]!)).toBeGreaterThanOrEqual(letGo(repairs[1]!));
  });
});

describe('one tent for two', () => {
  const warm = { ...plate.base.surroundings, cover: { fromHour: 0, toHour: 24, warmK: 8 } };
  const tented = (id: string, order: number): Repair =>
    clamped(id, order, { base: { ...plate.base, surroundings: warm } });
  test('the second is mixed once the first is opened', () => {
    const [a, b] = planned(having({ heaters: 1 }), [tented('a', 0), tented('b', 1)]).repairs;
    const mixed = b!.steps.find((s) => s.key.task === 'mix')!.startMs;
    expect(mixed).toBeGreaterThanOrEqual(a!.steps.at(-1)!.startMs);
    const free = planned(uncounted, [tented('a', 0), tented('b', 1)]).repairs;
    expect(free[1]!.steps.find((s) => s.key.task === 'mix')!.startMs).toBeLessThan(free[0]!.steps.at(-1)!.startMs);
  });
  test('it stands over a place from when it is put up: over two at once it is lacking, and that is told', () => {
    const upFrom = (upMs: number): Repair =>
      clamped('b', 1, { base: { ...plate.base, surroundings: { ...warm, cover: { ...warm.cover, upMs } } } });
    const [a] = planned(having({ heaters: 1 }), [tented('a', 0)]).repairs;
    const [from, to] = [a!.holds.find((h) => h.tool === 'heaters')!.fromMs, a!.steps.at(-1)!.startMs];
    const second = (upMs: number) => planned(having({ heaters: 1 }), [tented('a', 0), upFrom(upMs)]).repairs[1]!;
    const early = second(from + HOUR);
    expect(early.holds.find((h) => h.tool === 'heaters')!.fromMs).toBe(from + HOUR);
    expect(early.lacks).toMatchObject([{ tool: 'heaters', needs: 1, has: 1, awaited: true }]);
    // Put up once the first is open it is there.
    expect(second(to + HOUR).lacks).toEqual([]);
  });
  test('whoever asks when it opens from another hour is told with the same tents', () => {
    const plan = planned(having({ heaters: 1 }), [tented('a', 0), tented('b', 1)]).repairs[1]!;
    const [first] = plan.steps;
    expect(opensFrom(plan, first!.startMs)).toBe(plan.openMs);
    expect(opensFrom(plan, first!.startMs - 30 * HOUR)).toBe(plan.openMs);
  });
});

/** Too few at any minute, found by looking at every minute. */
const overdrawn = (holds: readonly ToolHold[], tool: ToolId, has: number): boolean => {
  const own = holds.filter((h) => h.tool === tool && h.count <= has);
  return own.some(
    ({ fromMs }) =>
      own.filter((h) => h.fromMs <= fromMs && (h.toMs ?? Infinity) > fromMs).reduce((n, h) => n + h.count, 0) > has,
  );
};

test('whatever is asked of them, no more are at places than there are, and nobody is in two places', () => {
  const some = fc.record({
    has: fc.integer({ min: 1, max: 9 }),
    wanted: fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 2, maxLength: 4 }),
    later: fc.integer({ min: 0, max: 40 }),
  });
  fc.assert(
    fc.property(some, ({ has, wanted, later }) => {
      const repairs = wanted.map((clamps, i) =>
        clamped(`r${i}`, i, {
          settings: { ...plate.settings, clamps },
          // One of them has an hour of its own, before which others want the same clamps.
          ...(i === 0 ? { plannedStart: uncounted.startFrom + later * HOUR } : {}),
        }),
      );
      const plan = planned(having({ clamps: has }), repairs);
      expect(
        overdrawn(
          plan.repairs.flatMap((r) => r.holds),
          'clamps',
          has,
        ),
      ).toBe(false);
      expect(faultsOf(plan).filter((f) => !f.startsWith('idle'))).toEqual([]);
      expect(plan.repairs.flatMap((r) => r.lacks).map((l) => l.needs)).toEqual(wanted.filter((n) => n > has));
    }),
    { numRuns: 40 },
  );
});

test('the first clash is the one that counting minute by minute finds', () => {
  const hold = fc.record({
    fromMs: fc.integer({ min: 0, max: 30 }),
    lasts: fc.integer({ min: 1, max: 12 }),
    count: fc.integer({ min: 1, max: 4 }),
  });
  const made = (h: { fromMs: number; lasts: number; count: number }, i: number): ToolHold => ({
    tool: 'clamps',
    count: h.count,
    passId: 'p1',
    stepId: `s${i}`,
    fromMs: h.fromMs,
    toMs: h.fromMs + h.lasts,
  });
  fc.assert(
    fc.property(fc.array(hold, { maxLength: 6 }), hold, fc.integer({ min: 1, max: 8 }), (others, own, has) => {
      const taken = others.map(made);
      const mine = made(own, 99);
      const left = (ms: number) =>
        has - taken.filter((t) => t.count <= has && t.fromMs <= ms && t.toMs! > ms).reduce((n, t) => n + t.count, 0);
      const minutes = Array.from({ length: mine.toMs! - mine.fromMs }, (_, i) => mine.fromMs + i);
      const short = mine.count <= has && minutes.some((ms) => left(ms) < mine.count);
      const clash = firstClash([mine], taken, { hands: null, clamps: has, props: null, heaters: null }, () => false);
      expect(clash !== null).toBe(short);
      if (clash) expect(taken.some((t) => t.toMs === clash.freeMs)).toBe(true);
    }),
  );
});
