import type { Said } from '@/core/say';
import { PLAIN_READER, plainWords, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { mortarSheet, pasteSheet, sampleSheets } from '../../sample/systems';
import { judge } from '../judge';
import type { SheetRevision } from '../system';
import {
  FIRST_LOAD,
  type Job,
  type Load,
  loadCheck,
  NOTHING_YET,
  type Piece,
  pieceOf,
  planJob,
  type RepairPlan,
  repairOf,
  strengthOver,
} from '.';

const sentence = (said: Said) => say(said, { ...PLAIN_READER, zone: 'Europe/Helsinki' });

const NOW = Date.parse('2026-05-05T03:00:00Z');
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const constant = (tempC: number): Job => ({
  ...bundles[1]!.job,
  climate: { kind: 'constant', tempC, humidityPct: 50 },
});
const plate = { ...pieceOf(bundles[1]!.repairs[0]!), sheetId: pasteSheet.id } as Piece;
const [nosing, eyes] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const MIN = 60_000;

const planned = (repair: Piece, sheet: SheetRevision | null, tempC = 20): RepairPlan =>
  planJob({
    job: constant(tempC),
    repairs: [repairOf(repair)],
    sheets: sheet ? [sheet] : sampleSheets,
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  }).repairs[0]!;
const found = (repair: Piece, sheets: readonly SheetRevision[] = sampleSheets, tempC = 20) => {
  const job = constant(tempC);
  const plan = planJob({ job, repairs: [repairOf(repair)], sheets, stock: [], actuals: new Map(), nowMs: NOW })
    .repairs[0]!;
  return judge({ job, repair, plan, actuals: NOTHING_YET, sheets, stock: [], nowMs: NOW });
};

const load = (over: Partial<Load> = {}): Load => ({ ...FIRST_LOAD, forceN: 10_000, ...over });

test('at the temperature of the sheet’s points the strength is the sheet’s own, at their ages', () => {
  const plan = planned(nosing, mortarSheet, 20);
  const s = strengthOver(plan)!;
  expect(s.fromPoints).toBe(true);
  for (const p of mortarSheet.strength!.points)
    expect(s.shareAt(s.originMs + p.afterMin * MIN)).toBeCloseTo(p.mpa / 67, 3);
  expect(s.shareAt(s.originMs)).toBe(0);
  expect(s.reaches(58 / 67)! - s.originMs).toBeCloseTo(3 * 1440 * MIN, -5);
  expect(s.reaches(1.1)).toBeNull();
});

test('colder it is reached later, by as much as the sheet’s own clock says, and never falls', () => {
  const [warm, cold] = [20, 10].map((t) => strengthOver(planned(nosing, mortarSheet, t))!);
  const took = (s: typeof warm) => s!.reaches(41 / 67)! - s!.originMs;
  // Full cure of the mortar: 7200–8640 min at 20 °C, 14400–17300 at 10 °C.
  expect(took(cold) / took(warm)).toBeCloseTo(17300 / 8640, 2);
  let last = 0;
  for (let h = 0; h < 300; h++) {
    const v = cold!.shareAt(cold!.originMs + h * 3_600_000);
    expect(v).toBeGreaterThanOrEqual(last);
    last = v;
  }
});

test('without points no curve is invented: nothing until the sheet’s time, whole from there', () => {
  const plan = planned(nosing, { ...mortarSheet, strength: null }, 20);
  const s = strengthOver(plan)!;
  const served = plan.milestones.findLast((m) => m.kind === plan.serves)!.planMs!;
  expect([s.fromPoints, s.shareAt(served - 1), s.shareAt(served)]).toEqual([false, 0, 1]);
});

test('the share a load needs is load × factor over area × characteristic strength × knock-downs', () => {
  const plan = planned(plate, pasteSheet);
  const area = plan.void!.faces.planAreaMm2;
  const all = load({ sustained: true, wet: true, peel: true });
  const check = loadCheck(plan, all, strengthOver(plan));
  expect(check.needs).toBeCloseTo((10_000 * 3) / (area * 9 * 0.3 * 0.7 * 0.2), 9);
  // 620 × 380 mm less four holes of 18 mm.
  expect(area).toBeCloseTo(620 * 380 - 4 * Math.PI * 81, 6);
  expect(loadCheck(plan, load({ areaMm2: 500 }), null).needs).toBeCloseTo(30_000 / 4500, 9);
  expect(check.working.map((l) => plainWords(l.label))).toEqual(
    expect.arrayContaining(['Asked of one place', 'It bears', 'Share needed']),
  );
});

test('a load comes on never before the sheet’s own time, and later where it needs more than is there', () => {
  const plan = planned(plate, pasteSheet);
  const served = plan.milestones.findLast((m) => m.kind === plan.serves)!.planMs!;
  const strength = strengthOver(plan);
  const small = loadCheck(plan, load({ forceN: 100 }), strength);
  expect(small.fromMs).toBe(served);
  const much = loadCheck(plan, load({ areaMm2: 30_000 / 9 / 0.97 }), strength);
  expect(much.needs).toBeCloseTo(0.97, 6);
  expect(much.fromMs!).toBeGreaterThan(served);
  expect(strength!.shareAt(much.fromMs!)).toBeCloseTo(0.97, 3);
});

test('an anchor is held against what the sheet or the engineer allows on it, never a mean bond stress', () => {
  const plan = planned(eyes, null);
  expect(plainWords(loadCheck(plan, load(), strengthOver(plan)).missing!)).toMatch(/engineer/);
  const ok = loadCheck(plan, load({ forceN: 4000, safetyFactor: 1, allowedN: 9000 }), strengthOver(plan));
  expect(ok.needs).toBeCloseTo(4 / 9, 9);
});

test('what is not known is said, not assumed', () => {
  const plan = planned(plate, { ...pasteSheet, strength: { ...pasteSheet.strength!, characteristicMpa: null } });
  expect(plainWords(loadCheck(plan, load(), null).missing!)).toMatch(/characteristic/);
  const hot = planned(plate, pasteSheet);
  expect(plainWords(loadCheck(hot, load({ serviceC: 55 }), null).missing!)).toMatch(/up to 40 °C/);
});

test('findings: too much is a stop, later than the opening is a stop with its instant, unchecked a caution; review is asked for', () => {
  const ids = (l: Load, repair = plate) => found({ ...repair, load: l }).map((f) => `${f.severity} ${f.id}`);
  expect(ids(load({ areaMm2: 100 }))).toContain('stop load');
  expect(ids(load({ forceN: 100 }))).not.toContain('stop load');
  const late = found({ ...plate, load: load({ areaMm2: 30_000 / 9 / 0.97 }) }).find((f) => f.id === 'load')!;
  expect(sentence(late.title)).toMatch(/only from \w{3} \d\d:\d\d/);
  expect(ids(load(), eyes)).toContain('caution load:unchecked');
  expect(found({ ...nosing, load: load({ forceN: 10 }) }).some((f) => f.id === 'review')).toBe(true);
  expect(found(nosing).some((f) => f.id === 'review')).toBe(false);
});

test('cured below what the sheet asks for it stays weak, and a warm day in service then stops the load', () => {
  const cold = found(nosing, sampleSheets, 8);
  expect(sentence(cold.find((f) => f.id === 'cold-cure')!.why)).toMatch(/never above 8 °C; the sheet asks for 10 °C/);
  expect(found(nosing, sampleSheets, 14).some((f) => f.id === 'cold-cure')).toBe(false);
  // 8 °C + 20 K, less 15 K: anything warmer than 13 °C.
  const glass = found({ ...nosing, load: load({ forceN: 10, serviceC: 25 }) }, sampleSheets, 8).find(
    (f) => f.id === 'glass',
  )!;
  expect([glass.severity, glass.stage]).toEqual(['stop', 'release']);
  expect(sentence(glass.why)).toMatch(/28 °C, lowered by the cold cure/);
  expect(
    found({ ...nosing, load: load({ forceN: 10, serviceC: 25 }) }, sampleSheets, 14).some((f) => f.id === 'glass'),
  ).toBe(false);
  expect(
    found({ ...nosing, load: load({ forceN: 10, serviceC: 45 }) }, sampleSheets, 14).some((f) => f.id === 'glass'),
  ).toBe(true);
});

test.each([
  ['polyolefin', null, null, 'stop meets:no-bond'],
  ['fluoro', null, null, 'stop meets:no-bond'],
  ['acetal', null, null, 'stop meets:no-bond'],
  ['copper', null, null, 'caution meets:copper'],
  ['oily', null, null, 'caution meets:oily'],
  [null, 'paint', null, 'caution meets:on-paint'],
  [null, null, 'peroxide', 'caution meets:radical-over'],
] as const)('what it meets is noticed: %s, under %s, over %s', (grade, under, over, id) => {
  const f = found({ ...plate, meets: { grade, under, over } }).find((x) => `${x.severity} ${x.id}` === id)!;
  expect(sentence(f.why)).toMatch(/It matters from \w{3} \d\d:\d\d/);
  expect(found(plate).some((x) => x.id.startsWith('meets:'))).toBe(false);
});

test('radical systems: foam dissolves, old amine resin keeps them soft, air keeps the face tacky', () => {
  const filler = sampleSheets.find((s) => s.family === 'peroxide')!;
  const ids = (meets: Piece['meets']) =>
    found({ ...nosing, sheetId: filler.id, kitId: null, meets }).map((f) => `${f.severity} ${f.id}`);
  expect(ids({ grade: 'foam', under: null, over: null })).toEqual(
    expect.arrayContaining(['stop meets:dissolves', 'caution meets:air-inhibited']),
  );
  expect(ids({ grade: null, under: 'amine', over: null })).toContain('stop meets:radical-on-amine');
  expect(ids({ grade: 'clear', under: null, over: null })).toContain('caution meets:crazes');
});
