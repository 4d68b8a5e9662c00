import { alike, type Finding } from '@/core/judge';
import { type Piece, type PlannedStep, pieceOf, type Repair, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import type { Milestone } from '@/core/system';
import { voidOf } from '@/core/void';
import { methodsData, sampleData } from '@/sample/jobs';
import { shaped } from '@/sample/typed';
import { printedPlan, scaled, walkJob, walkPiece } from './made';

/** Figures of Grenko's own never forbid a plan, and what is said of many batches is said once. */
const NOW = Date.UTC(2027, 3, 20, 4);
const bundles = [sampleData, methodsData].flatMap((of) => [...of(NOW, 'Europe/Helsinki').bundles]);

function planned(id: string, by: number, tempC: number, over: (piece: Piece) => Partial<Piece> = () => ({})) {
  const bundle = bundles.find((b) => b.repairs.some((r) => r.id === id))!;
  const piece = pieceOf(scaled(bundle.repairs.find((r) => r.id === id)!, by));
  const repair: Repair = repairOf({ ...piece, base: { ...piece.base, known: [] }, ...over(piece) });
  const job = {
    ...bundle.job,
    climate: { kind: 'constant', tempC, humidityPct: 60 } as const,
    startFrom: NOW,
    wantedAt: null,
  };
  // A primer that dries in the half of its time: on a hot base the pots are small already.
  const sheets = bundle.sheets.map((s) => ({ ...s, milestones: s.milestones.map(primerInHalf) }));
  return viewJob({ job, repairs: [repair], sheets, stock: [], events: [] }, NOW).repairs[0]!;
}
const primerInHalf = (m: Milestone): Milestone =>
  m.kind === 'primer-wet' && m.table.form === 'curve'
    ? { ...m, table: { ...m.table, points: m.table.points.map((p) => ({ ...p, fromMin: p.fromMin / 2 })) } }
    : m;
const late = (findings: readonly Finding[]) => findings.filter((f) => f.id.startsWith('late:'));
const factorsOf = (steps: readonly PlannedStep[], role: string) => [
  ...new Set(steps.filter((s) => s.id.endsWith(`:${role}`)).flatMap((s) => s.factors)),
];

test('a primer that dries before the mortar comes, by minutes nobody chose: a caution with the minutes that are left', () => {
  const view = planned('sample-cores', 3, 29);
  const found = late(view.findings);
  expect(found.length).toBeGreaterThan(2);
  expect(new Set(found.map((f) => f.severity))).toEqual(new Set(['caution']));
  // As many as there are batches, told as one.
  expect(alike(found).map(({ more }) => more.length)).toEqual([found.length - 1]);
});

test('by minutes that somebody typed it is a stop; by quicker ones nothing is said', () => {
  const { steps } = planned('sample-cores', 3, 29).plan;
  const typed = (role: string, times: number) =>
    Object.fromEntries(factorsOf(steps, role).map((f) => [f, times])) as Piece['settings'];
  const slow = planned('sample-cores', 3, 29, (p) => ({
    settings: { ...p.settings, ...typed('prime', 9), ...typed('place', 200) },
  }));
  expect(new Set(late(slow.findings).map((f) => f.severity))).toEqual(new Set(['stop']));
  const quick = planned('sample-cores', 3, 29, (p) => ({
    settings: { ...p.settings, ...typed('prime', 1), ...typed('place', 2000) },
  }));
  expect(late(quick.findings)).toEqual([]);
});

test('a pot that is cleaned as its life ends, rounded to a second, is not late', () => {
  for (const by of [1, 1.3, 1.7, 2.2, 3]) {
    const { plan } = planned('sample-crack', by, 29);
    expect(plan.steps.filter((s) => s.lateFor !== null && s.lateMs < 2000)).toEqual([]);
  }
});

test('joints filled with unit after unit: of each it is a caution that it may set unwashed, not of the last alone', () => {
  const known = bundles.flatMap((b) => b.sheets).find((x) => x.id === 'sheet-joint-resin-1')!;
  const sheet = { ...known, sample: false };
  const joints = voidOf(
    shaped('joints', {
      ...{ 'outline.length': 9000, 'outline.width': 4000, tileLength: 300, tileWidth: 300 },
      ...{ jointWidth: 5, depth: 9 },
    }),
  );
  const unwashed = (settings: Piece['settings']) => {
    const job = walkJob({ id: 'walk-own', startFrom: NOW, climate: { kind: 'constant', tempC: 20, humidityPct: 60 } });
    const piece = walkPiece(job, {
      method: { id: 'resin-joints', version: 1 },
      void: joints,
      sheetId: sheet.id,
      kitId: sheet.kits[0]!.id,
      settings,
    });
    const p = printedPlan({ job, repairs: [repairOf(piece)], sheets: [sheet] }, NOW).repairs[0]!;
    return { units: p.batches.length, told: p.findings.filter((f) => /^late:.*wash$/.test(f.id)) };
  };
  const own = unwashed({});
  expect(own.units).toBeGreaterThan(3);
  expect(own.told.map((f) => f.severity)).toEqual(Array.from({ length: own.units }, () => 'caution'));
  for (const f of own.told) expect(f.why).toMatch(/planned with \d+ min, a figure of Grenko’s own; \d+ min are left/);
  // As slow by somebody’s own word, each of them is a stop.
  const typed = unwashed({ rate: 75 });
  expect(typed.told.length).toBeGreaterThan(3);
  expect(new Set(typed.told.map((f) => f.severity))).toEqual(new Set(['stop']));
});
