import fc from 'fast-check';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { methodOf } from '../method';
import {
  type ChainPlan,
  GATES,
  type GateId,
  type Job,
  type JobPlan,
  pieceOf,
  planJob,
  type Repair,
  withNext,
  withPiece,
} from '.';
import { faultsOf } from './feasible.testing';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');

test.each(bundles.map((b) => [b.job.name, b] as const))('the sample can be done as it stands: %s', (_, bundle) => {
  const plan = planJob({
    job: bundle.job,
    repairs: bundle.repairs,
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
  expect(faultsOf(plan)).toEqual([]);
});

const [nosing, eyes] = bundles[0]!.repairs as [Repair, Repair];
const plate = bundles[1]!.repairs[0]!;
/** A thousand take twenty seconds. */
const RUNS = Number(process.env.RUNS ?? 200);
const gates = Object.keys(GATES) as GateId[];
const anyRepair = fc.record({
  of: fc.constantFrom(nosing, eyes, plate),
  crew: fc.integer({ min: 1, max: 3 }),
  overtimeMin: fc.constantFrom(0, 0, 20, 90),
  liftMm: fc.constantFrom(null, 8, 15),
  /** As many times the places: work that is longer than a day among the rest. */
  many: fc.constantFrom(1, 1, 1, 12),
  /** Further pours on the first, where it is one. */
  pours: fc.array(fc.constantFrom(...gates), { maxLength: 3 }),
});
const anyJob = fc.record({
  repairs: fc.array(anyRepair, { minLength: 1, maxLength: 4 }),
  fromHour: fc.integer({ min: 5, max: 10 }),
  hours: fc.integer({ min: 3, max: 14 }),
  days: fc.subarray([1, 2, 3, 4, 5, 6, 7] as const, { minLength: 2 }),
  low: fc.integer({ min: 6, max: 18 }),
  startHour: fc.integer({ min: 0, max: 30 }),
});
type AnyJob = typeof anyJob extends fc.Arbitrary<infer T> ? T : never;

function planOf(any: AnyJob): JobPlan {
  const job: Job = {
    ...bundles[0]!.job,
    startFrom: NOW + any.startHour * 3_600_000,
    wantedAt: null,
    climate: { kind: 'daily', lowC: any.low, lowHour: 5, highC: any.low + 8, highHour: 14, humidityAtLowPct: 60 },
    workingHours: { fromHour: any.fromHour, toHour: any.fromHour + any.hours, days: [...any.days] },
  };
  const repairs = any.repairs.map(({ of, crew, overtimeMin, liftMm, pours, many }, i): Repair => {
    const { void: one } = pieceOf(of);
    const void_ = one && { ...one, count: one.count * many };
    let repair = withPiece(of, {
      ...pieceOf(of),
      void: void_,
      id: `r${i}`,
      order: i + 1,
      jobId: job.id,
      crew,
      overtimeMin,
      liftMm,
    });
    for (const gate of of === nosing ? pours : []) {
      repair = withNext(repair, methodOf('mortar-patch')!);
      const { name: _n, ...own } = of.passes.p1!;
      const at = pieceOf(repair, repair.chain.at(-1)!);
      repair = withPiece(repair, { ...at, ...own, name: at.name, gate, crew, answers: at.answers });
    }
    return { ...repair, id: `r${i}`, order: i + 1 };
  });
  return planJob({ job, repairs, sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW });
}

test('law: random jobs can all be done as they are planned', () => {
  let planned = 0;
  fc.assert(
    fc.property(anyJob, (any) => {
      const plan = planOf(any);
      planned += plan.repairs.filter((r) => r.openMs !== null).length;
      expect(faultsOf(plan)).toEqual([]);
    }),
    { numRuns: RUNS },
  );
  // Most of them are plans to the end: a law about nothing would hold as well.
  expect(planned).toBeGreaterThan(RUNS);
});

test('the reading finds what cannot be done: two at once, out of order, at night, torn apart, too soon, idle', () => {
  const plan = planJob({
    job: bundles[0]!.job,
    repairs: bundles[0]!.repairs,
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
  /** The same plan with one step of its first repair moved by so many hours. */
  const moved = (id: string, hours: number): readonly string[] => {
    const [first, ...rest] = plan.repairs as [ChainPlan, ...ChainPlan[]];
    const steps = first.steps.map((s) =>
      s.id === id ? { ...s, startMs: s.startMs + hours * 3_600_000, endMs: s.endMs + hours * 3_600_000 } : s,
    );
    const passes = [{ ...first.passes[0]!, steps }];
    return faultsOf({ ...plan, repairs: [{ ...first, steps, passes }, ...rest] }).map((f) => f.split(':')[0]!);
  };
  const ids = plan.repairs[0]!.steps.map((s) => s.id);
  const waiting = plan.repairs[0]!.steps.find((s) => s.waitFor)!;
  expect(ids.length).toBeGreaterThan(5);
  expect(moved(ids[0]!, 0)).toEqual([]);
  expect(moved(ids[1]!, -0.02)).toEqual(expect.arrayContaining(['two places', 'order']));
  expect(moved(waiting.id, -1)).toContain('too soon');
  expect(moved('b1:mix', 0.2)).toContain('torn apart');
  expect(moved(ids.at(-1)!, 12)).toContain('closed');
  // All from the mixing on a day later, with the crew said to be why.
  const mixed = planJob({
    job: bundles[0]!.job,
    repairs: bundles[0]!.repairs.slice(0, 1),
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  });
  const [alone] = mixed.repairs as [ChainPlan];
  const mixes = alone.steps.findIndex((s) => s.id === 'b1:mix');
  const first = alone.steps.findIndex((s, i) => i > 0 && i <= mixes && s.block === alone.steps[mixes]!.block);
  const later = alone.steps.map((s, i) =>
    i < first
      ? s
      : {
          ...s,
          ...(i === first ? { forcedBy: 'crew or hours' as const } : {}),
          startMs: s.startMs + 86_400_000,
          endMs: s.endMs + 86_400_000,
        },
  );
  const passes = [{ ...alone.passes[0]!, steps: later }];
  expect(faultsOf({ ...mixed, repairs: [{ ...alone, steps: later, passes }] }).map((f) => f.split(':')[0])).toContain(
    'idle',
  );
});
