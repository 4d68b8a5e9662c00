import { METHODS } from '@/core/method';
import { Job, piecesOf, Repair } from '@/core/plan';
import { faultsOf } from '@/core/plan/feasible.testing';
import { chainsOf, Event, PlanSnapshot, planReport, viewJob } from '@/core/record';
import { SheetRevision, Stock } from '@/core/system';
import { SHAPES } from '@/core/void';
import { PLAIN_READER, planInWords } from '@/words';
import { finishedData, methodsData, sampleData, sampleRecords } from './jobs';

const NOW = Date.UTC(2027, 4, 10, 6);
const ZONE = 'Europe/Helsinki';
const SCHEMAS = { job: Job, repair: Repair, sheet: SheetRevision, stock: Stock, event: Event, snapshot: PlanSnapshot };
const bundles = [...sampleData(NOW, ZONE).bundles, ...methodsData(NOW, ZONE).bundles];
const repairs = bundles.flatMap((b) => b.repairs);
const used = new Set(repairs.flatMap((r) => piecesOf(r).map((p) => p.method.id)));

test('every method has a repair at Ostrel Lake, and most shapes are measured in one', () => {
  // The skim over all and the fitting’s tack are passes of chains.
  expect(METHODS.map((m) => m.id).filter((id) => !used.has(id))).toEqual(['finish-coat'].filter((id) => !used.has(id)));
  const shapes = new Set(repairs.flatMap((r) => piecesOf(r).flatMap((p) => p.void?.shapes.map((s) => s.shape) ?? [])));
  expect(Object.keys(SHAPES).filter((id) => !shapes.has(id as never))).toEqual(['fillet']);
});

test('whatever has happened in the sample is one whole chain', () => {
  for (const made of [sampleData, finishedData])
    for (const b of made(NOW, ZONE).bundles)
      for (const c of chainsOf(b.events)) expect([b.job.name, c.breaks, c.unlinked]).toEqual([b.job.name, [], 0]);
});

test('every record is sound, and each is there once', () => {
  for (const made of [sampleData, methodsData, finishedData]) {
    const records = sampleRecords(NOW, ZONE, made);
    for (const r of records) {
      const parsed = SCHEMAS[r.record].safeParse(r);
      expect([r.id, parsed.error?.issues ?? []]).toEqual([r.id, []]);
    }
    expect(new Set(records.map((r) => `${r.record}/${r.id}`)).size).toBe(records.length);
  }
  const ids = repairs.map((r) => r.id);
  expect(new Set(ids).size).toBe(ids.length);
});

const methods = methodsData(NOW, ZONE).bundles;
test.each(methods.map((b) => [b.job.name, b] as const))(
  '%s: every plan can be done as it stands, opens, and has no stop',
  (_, bundle) => {
    const view = viewJob(bundle, NOW);
    expect(faultsOf(view.plan)).toEqual([]);
    for (const r of planInWords(planReport(view), { ...PLAIN_READER, zone: ZONE }).repairs) {
      expect([r.name, r.problems]).toEqual([r.name, []]);
      expect([r.name, r.findings.filter((f) => f.severity === 'stop').map((f) => f.title)]).toEqual([r.name, []]);
      expect([r.name, r.untimed]).toEqual([r.name, []]);
      expect([r.name, Date.parse(r.opens!) > NOW]).toEqual([r.name, true]);
      // Nothing asks for more waiting than anybody would give: it is open in the fortnight it is wanted in.
      expect([r.name, Date.parse(r.opens!) < NOW + 14 * 86_400_000]).toEqual([r.name, true]);
      for (const p of r.passes) expect([r.name, p.name, p.batches.length > 0]).toEqual([r.name, p.name, true]);
    }
  },
);

test('the chains of the sample are worked one after the other: nothing is mixed for a pass before the one below is placed', () => {
  for (const bundle of methods)
    for (const plan of viewJob(bundle, NOW).plan.repairs) {
      const placed = plan.passes.map((p) => p.placedMs!);
      const mixed = plan.passes.map((p) => p.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs);
      for (let i = 1; i < placed.length; i++)
        expect([plan.repairId, mixed[i]! >= placed[i - 1]!]).toEqual([plan.repairId, true]);
    }
});
