import { suits } from '@/core/judge';
import { isTaken, methodOf } from '@/core/method';
import {
  type JobAsk,
  type Opener,
  openedBy,
  openersOf,
  pieceOf,
  planJob,
  preparedFrom,
  startsAskOf,
  startWindows,
  withPiece,
} from '@/core/plan';
import { reasonsOf } from '@/core/plan/start-windows';
import type { JobView } from '@/core/record';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, ended, firstRepair, untouched, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { typed } from './papers';

/**
 * What is offered where no hour is good, or a sooner one is wanted: it can be done from now on, and, taken, comes about
 * as it was told.
 */
const NOW = at('2027-05-10T07:00');
const HOUR = 3_600_000;
const rowOf = (id: string) => ORDINARY.find(([method]) => method === id)!;
const sheetOf = (id: string) => ({ ...typed(rowOf(id)[1], NOW), name: id });

interface Asked {
  readonly id: string;
  readonly tempC: number;
  /** In so many hours it is wanted back; none where nobody said. */
  readonly within?: number;
  readonly others?: readonly string[];
  /** Worked with the sheet of that one. */
  readonly by?: string;
  readonly times?: number;
}
function asked({ id, tempC, within, others = [], by = id, times = 1 }: Asked) {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC, humidityPct: 60 },
    wantedAt: within === undefined ? null : NOW + within * HOUR,
  };
  const [, , dims, count] = rowOf(id);
  const sheets = [by, ...others].map(sheetOf);
  const repair = firstRepair({ job, nowMs: NOW }, methodOf(id)!, sheets[0]!, { dims, count, by: times });
  const ask: JobAsk = { job, repairs: [repair], sheets, stock: [], actuals: new Map(), nowMs: NOW };
  const judged = (as = repair) => untouched({ job, repairs: [as], sheets }, NOW);
  return { ask, job, repair, sheets, judged };
}
const stopsOf = ({ repairs }: JobView) =>
  repairs[0]!.findings.filter((f) => f.severity === 'stop').map((f) => plainWords(f.title));
const mixesAt = ({ repairs }: JobView) =>
  repairs[0]!.plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;

const COLD = ['anchor', 'plate-bond', 'mortar-patch', 'small-part', 'body-filler', 'cement-patch', 'timber-soak'];
const CASES: readonly Asked[] = [
  ...COLD.flatMap((id) => [3, 8].map((tempC) => ({ id, tempC }))),
  ...['finish-coat', 'stone-chip', 'fairing-skin'].map((id) => ({ id, tempC: 3, within: 6 })),
  { id: 'plate-bond', tempC: 15, within: 6, others: ['body-filler', 'anchor'] },
  { id: 'felt-wet-out', tempC: 33, others: ['small-part'] },
  { id: 'timber-part', tempC: 33, within: 6, others: ['metal-filler', 'fitting-tack'] },
];
const offered = new Set<Opener['kind']>();
test.each(CASES)('$id at $tempC °C, wanted back within $within h', (of) => {
  const { ask, job, repair, judged } = asked(of);
  const before = stopsOf(judged());
  for (const o of openersOf(ask, repair.id)) {
    offered.add(o.kind);
    // What cannot be told to be ready is no way to be ready by an hour.
    if (job.wantedAt !== null) expect(o.readyMs).not.toBeNull();
    const taken = judged(withPiece(repair, openedBy(o, pieceOf(repair))));
    const plan = taken.repairs[0]!.plan;
    expect(Math.abs(mixesAt(taken)! - o.startMs)).toBeLessThanOrEqual(60_000);
    if (o.readyMs !== null) expect(Math.abs(plan.openMs! - o.readyMs)).toBeLessThanOrEqual(10 * 60_000);
    if (o.missMin !== null) expect(plan.openMs!).toBeGreaterThan(job.wantedAt!);
    expect(stopsOf(taken).filter((title) => !before.includes(title))).toEqual([]);
    if (!o.cover) continue;
    // Somebody at work puts it up from now on; half an hour is taken for it.
    expect(o.cover.upMs).toBe(o.coverFromMs);
    expect(o.cover.upMs!).toBeGreaterThanOrEqual(NOW + HOUR / 2);
    const works = planJob(ask).windows.some((w) => w.fromMs + HOUR / 2 <= o.cover!.upMs! && o.cover!.upMs! <= w.toMs);
    expect(works).toBe(true);
    expect(o.startMs).toBeGreaterThanOrEqual(o.cover.upMs!);
    expect(o.coverToMs!).toBeGreaterThan(o.startMs);
    const told = taken.repairs[0]!.findings.filter((f) => f.id === 'tent');
    expect(told.map((f) => plainWords(f.todo))).toEqual([expect.stringMatching(/^Have it up and on by then/)]);
  }
});
test('both a tent and another system were offered', () => {
  expect([...offered].sort()).toEqual(expect.arrayContaining(['system', 'tent']));
});

test.each([
  ['mortar-patch', 'anchor'],
  ['plate-bond', 'cement-patch'],
  ['body-filler', 'small-part'],
])('with the crew at %s as well, what opens %s comes about as told, and is a gain', (other, id) => {
  let offers = 0;
  for (const tempC of [3, 8]) {
    const { ask, repair } = asked({ id, tempC });
    const beside = { ...asked({ id: other, tempC }).repair, jobId: ask.job.id, order: 0 };
    const both: JobAsk = { ...ask, repairs: [beside, repair], sheets: [...ask.sheets, sheetOf(other)] };
    const mineIn = (repairs: JobAsk['repairs']) =>
      planJob({ ...both, repairs }).repairs.find((p) => p.repairId === repair.id)!;
    const was = mineIn(both.repairs).openMs;
    for (const o of openersOf(both, repair.id)) {
      offers++;
      const made = mineIn([beside, withPiece(repair, openedBy(o, pieceOf(repair)))]);
      const mix = made.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!;
      expect([mix.startMs, made.openMs]).toEqual([o.startMs, o.readyMs]);
      if (was !== null) expect(made.openMs!).toBeLessThan(was);
    }
  }
  expect(offers).toBeGreaterThan(0);
});

test('an hour that was chosen before the tent can be up moves with it', () => {
  const { ask, repair } = asked({ id: 'anchor', tempC: 3 });
  const early = withPiece(repair, { ...pieceOf(repair), plannedStart: NOW });
  const kinds = openersOf({ ...ask, repairs: [early] }, repair.id).map(({ kind, startMs }) => [kind, startMs]);
  expect(kinds).toEqual(openersOf(ask, repair.id).map(({ kind, startMs }) => [kind, startMs]));
  expect(kinds.map(([kind]) => kind)).toContain('tent');
});

test('a system of which nobody can say when it is ready is not offered to be ready in time', () => {
  const of = (within?: number) => {
    const { ask, repair } = asked({ id: 'plate-bond', tempC: 15, within, others: ['body-filler'] });
    return openersOf(ask, repair.id).filter((o) => o.sheetName === 'body-filler');
  };
  // Its paper tells when it is sanded, and nothing of clamps.
  expect(of(6)).toEqual([]);
  expect(of()).toEqual([]);
});

test('a start whose wait the sheet does not tell at the temperatures it meets is no good one', () => {
  const { ask, job, repair } = asked({ id: 'anchor', tempC: 3 });
  // Warmed from eleven on, the base comes into what the sheet tells in the course of the day.
  const cover = { fromHour: 0, toHour: 24, warmK: 5, upMs: at('2027-05-10T11:00') };
  const piece = pieceOf(repair);
  const warmed = withPiece(repair, {
    ...piece,
    base: { ...piece.base, surroundings: { ...piece.base.surroundings, cover } },
  });
  const planFrom = (plannedStart: number) =>
    planJob({ ...ask, repairs: [withPiece(warmed, { ...pieceOf(warmed), plannedStart })] });
  const made = planFrom(cover.upMs - HOUR);
  const starts = startsAskOf(made.repairs[0]!, job, made.windows, NOW)!;
  expect(made.repairs[0]!.stop).toMatchObject({ kind: 'load' });
  const { against, fromMs, stepMs } = startWindows(starts);
  const kept = new Map<boolean, number>();
  for (let mixMs = cover.upMs + stepMs; mixMs < at('2027-05-10T15:00'); mixMs += 2 * stepMs) {
    const i = Math.round((mixMs - fromMs) / stepMs);
    const stops = planFrom(preparedFrom(starts, fromMs + i * stepMs)).repairs[0]!.stop !== null;
    expect([mixMs, reasonsOf(against[i]!).includes('never')]).toEqual([mixMs, stops]);
    kept.set(stops, (kept.get(stops) ?? 0) + 1);
  }
  expect([...kept.keys()].sort()).toEqual([false, true]);
});

describe('a joint that is closed after its working time, however quick the hands', () => {
  const PAIRS = ORDINARY.flatMap(([id]) => ORDINARY.map(([by]) => ({ id, by, tempC: 30, times: 2 }))).filter(
    ({ id, by }) => id !== by && isTaken(methodOf(id)!, sheetOf(by)),
  );
  let late = 0;
  test.each(PAIRS)('$id with the sheet of $by', (of) => {
    const { job, repair, sheets, judged } = asked(of);
    const view = judged();
    if (!stopsOf(view).includes('The joint closes after its working time')) return;
    late++;
    const starts = startsAskOf(view.plan.repairs[0]!, job, view.plan.windows, NOW)!;
    const found = startWindows(starts);
    expect(found.earliestMs).toBeNull();
    expect(found.reasons.map((r) => r.id)).toContain('pot');
    const [suit] = ended(suits({ job, repair: pieceOf(repair), plan: view.plan, sheets, stock: [] }));
    const pot = suit!.criteria.find((c) => c.id === 'pot')!;
    expect([pot.met, plainWords(pot.says)]).toEqual([false, expect.stringMatching(/ to place; the joint is closed /)]);
  });
  test('some there are', () => expect(late).toBeGreaterThan(3));
});
