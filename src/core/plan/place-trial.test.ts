import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets } from '../../sample/systems';
import { type Job, type Piece, type PlaceAsk, pieceOf, planJob, repairOf, strengthOver, tryPlace } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const job: Job = { ...bundles[0]!.job, wantedAt: null };
const ask = (over: Partial<PlaceAsk> = {}): PlaceAsk => ({
  sheet: mortarSheet,
  job,
  base: nosing.base,
  materialC: nosing.materialC,
  startMs: null,
  placeMin: 15,
  nowMs: NOW,
  ...over,
});

test('without a start of its own it begins at the best one, and every time of the sheet counts from its mark', () => {
  const t = tryPlace(ask());
  expect(t.startMs).toBe(t.starts.bestMs);
  const at = (kind: string) => t.milestones.find((m) => m.kind === kind)!;
  expect(at('use-by').originMs).toBe(t.startMs);
  expect(at('load').originMs).toBe(t.placedMs);
  expect((t.placedMs - t.startMs) / 60_000).toBeCloseTo(mortarSheet.mixMin + 15, 9);
  expect(t.openMs).toBe(at('load').planMs);
});

test('says of a place what the plan of a repair there says from the same instant', () => {
  const plan = planJob({
    job,
    repairs: [repairOf(nosing)],
    sheets: sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  }).repairs[0]!;
  const load = plan.milestones.find((m) => m.kind === 'load')!;
  const placeMin = 15;
  const t = tryPlace(ask({ placeMin, startMs: load.originMs! - (mortarSheet.mixMin + placeMin) * 60_000 }));
  expect(t.placedMs).toBe(load.originMs);
  expect(Math.abs(t.openMs! - load.planMs!)).toBeLessThan(1000);
  expect(strengthOver(t)!.shareAt(t.openMs!)).toBeCloseTo(strengthOver(plan)!.shareAt(load.planMs!), 4);
});

test('every system of the shelf can be tried; a time it has no answer for has its sentence', () => {
  for (const sheet of sampleSheets) {
    const dry: Job = { ...job, climate: { kind: 'constant', tempC: 20, humidityPct: 50 } };
    const t = tryPlace(ask({ sheet, job: dry }));
    expect(t.milestones).toHaveLength(sheet.milestones.length);
    for (const m of t.milestones) expect(m.planMs !== null || plainWords(m.problem ?? '').length > 10).toBe(true);
  }
});

test('colder it is ready later, and a place that cannot be is refused', () => {
  const cold: Piece['base'] = {
    ...nosing.base,
    back: 'water',
    surroundings: { ...nosing.base.surroundings, waterC: 4 },
  };
  const startMs = NOW + 30 * 3_600_000;
  const sheet = pasteSheet;
  const [mild, wet] = [nosing.base, cold].map(
    (base) => tryPlace(ask({ sheet, base, startMs })).milestones.find((m) => m.kind === 'release')!,
  );
  // A hull over water of 4 °C is under what the sheet’s release answers for, or far behind.
  expect(wet!.planMs ?? Number.POSITIVE_INFINITY).toBeGreaterThan(mild!.planMs! + 3_600_000);
  expect(() => tryPlace(ask({ base: { ...nosing.base, thicknessMm: 0 } }))).toThrow(/thickness/);
  expect(() => tryPlace(ask({ job: { ...job, workingHours: { fromHour: 7, toHour: 17, days: [] } } }))).toThrow(
    /working day/,
  );
});
