import { methodOf } from '@/core/method';
import { type Job, pieceOf, READY_CHAINS, type Repair, withPiece } from '@/core/plan';
import { withChain } from '@/core/plan/ready-chains';
import type { MilestoneId, SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, firstPlanned, printedPlan, ZONE } from './made';

/**
 * A coat over a filled hole, where the sheet of the fill prints no time to sand: what bears a load may be sanded, and
 * the plan goes on.
 */
const NOW = at('2027-05-10T07:00');
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job: Job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant', tempC: 18, humidityPct: 60 },
};
const chain = READY_CHAINS.find((c) => c.id === 'hole-coat')!;
const fill = sheets.find((s) => s.name === 'Sachet bonder 20 g')!;
const coat = sheets.find((s) => s.name === 'White finish resin')!;
const without = (...kinds: readonly MilestoneId[]): SheetRevision => ({
  ...fill,
  milestones: fill.milestones.filter((m) => !kinds.includes(m.kind)),
});
const planned = (under: SheetRevision, standIns: ReturnType<typeof pieceOf>['standIns'] = {}) => {
  const systems = [under, coat];
  const repair = withChain(freshRepair(job.id, chain.first.method, 1, NOW), chain);
  const whole = repair.chain.reduce<Repair>((r, id, i) => {
    const piece = pieceOf(r, id);
    const method = methodOf(piece.method.id)!;
    return withPiece(r, {
      ...piece,
      ...(i === 0 ? { void: voidOf(drawnShape(method)), standIns } : {}),
      sheetId: systems[i]!.id,
      kitId: systems[i]!.kits[0]!.id,
      answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    });
  }, repair);
  return printedPlan({ job, repairs: [whole], sheets: systems }, NOW).repairs[0]!;
};
type Plan = ReturnType<typeof planned>;
const began = (p: Plan) => Date.parse(p.steps.find((s) => s.pass === 'p2' && s.stage === 'mix')!.from!);
const clock = (p: Plan, kind: MilestoneId) => Date.parse(p.milestones.find((m) => m.kind === kind)!.plans!);
const told = (p: Plan) => p.findings.filter((f) => f.id === 'p2/instead-below:sandable');

test('without a time to sand, the coat waits for what the sheet prints later, and that is said', () => {
  expect(fill.milestones.some((m) => m.kind === 'sandable')).toBe(false);
  const p = planned(fill);
  expect(p.stop).toBeNull();
  expect(began(p)).toBeGreaterThanOrEqual(clock(p, 'load'));
  const [note, ...more] = told(p);
  expect(more).toEqual([]);
  expect(note).toMatchObject({ severity: 'note' });
  expect(note!.why).toMatch(
    /^The sheet of the pass below gives no time for grind or sand; “Mask, read the base; dry\?” waits for its full load/,
  );
  // It is no lack of the coat’s own sheet, and is not told as one.
  expect(p.findings.filter((f) => f.id === 'p2/instead:sandable')).toEqual([]);
  // It is a plan to its end: cut back, polished, signed.
  expect(p.steps.at(-1)!.id).toBe('release:tests');
});
test('a sheet that prints nothing after it: the plan stops, and nothing is taken for no wait', () => {
  const p = planned(without('load', 'foot', 'light-load'));
  expect(p.stop).not.toBeNull();
  expect(p.steps.some((s) => s.pass === 'p2' && s.stage === 'mix')).toBe(false);
  expect(told(p)).toEqual([]);
});
test('the soonest of the later ones that is printed is the one that is waited for', () => {
  const load = fill.milestones.find((m) => m.kind === 'load')!;
  const light = {
    ...load,
    kind: 'light-load' as const,
    table: { form: 'single' as const, tempC: 23, fromMin: 300, toMin: 300 },
  };
  const p = planned({ ...fill, milestones: [...fill.milestones, light] });
  expect(told(p)[0]!.why).toMatch(/waits for its light load instead/);
  expect(began(p)).toBeGreaterThanOrEqual(clock(p, 'light-load'));
  expect(began(p)).toBeLessThan(clock(p, 'load'));
});
test('a figure of one’s own for the sanding stands before a later time of the sheet', () => {
  const own = planned(fill, { sandable: { by: 'own', minutes: 240 } });
  expect(own.stop).toBeNull();
  expect(told(own)).toEqual([]);
  expect(began(own)).toBeLessThan(clock(planned(fill), 'load'));
});

describe('a cement patch whose bag prints one time alone', () => {
  const bag = sheets.find((s) => s.name === 'Stiff cement patch')!;
  const printing = (...kinds: readonly MilestoneId[]) =>
    firstPlanned({ job, nowMs: NOW }, methodOf('cement-patch')!, {
      ...bag,
      milestones: bag.milestones.filter((m) => m.kind === 'use-by' || kinds.includes(m.kind)),
    });
  test('the full load, and not foot traffic: it is uncovered then, and the plan goes on', () => {
    const p = printing('load');
    expect(p.stop).toBeNull();
    const off = p.steps.find((s) => s.id === 'finish:uncover')!;
    expect(Date.parse(off.from!)).toBeGreaterThanOrEqual(clock(p, 'load'));
    expect(p.findings.some((f) => f.id === 'instead:foot')).toBe(true);
  });
  test('foot traffic: at that, and nothing is said', () => {
    const p = printing('foot');
    expect(Date.parse(p.steps.find((s) => s.id === 'finish:uncover')!.from!)).toBeGreaterThanOrEqual(clock(p, 'foot'));
    expect(p.findings.some((f) => f.id.startsWith('instead'))).toBe(false);
  });
  test('neither: the plan stops', () => {
    expect(printing().stop).not.toBeNull();
  });
});
