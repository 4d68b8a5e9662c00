import { type Piece, pieceOf, type Repair, withPiece } from '@/core/plan';
import { type Event, type EventBody, planReport, viewJob } from '@/core/record';
import { methodsData, sampleData } from '@/sample/jobs';
import { PLAIN_READER, planInWords } from '@/words';
import { at, scaled, ZONE } from './made';

/** Several hands at many places: what is dry is shared out as far as each has its own, what is wet by its engine. */
const NOW = at('2026-05-05T09:00');
const bundles = [sampleData, methodsData].flatMap((of) => of(NOW, ZONE).bundles);
const bundleOf = (id: string, o: { crew: number; count?: number; by?: number }) => {
  const bundle = bundles.find((b) => b.repairs.some((r) => r.id === id))!;
  const plain = bundle.repairs.find((r) => r.id === id)!;
  const repair = plain.chain.reduce<Repair>((r, pass) => {
    const piece = pieceOf(r, pass);
    const void_ = piece.void && { ...scaled(piece.void, o.by ?? 1), count: o.count ?? piece.void.count };
    return withPiece(r, { ...piece, void: void_, crew: o.crew } as Piece);
  }, plain);
  return { ...bundle, repairs: [repair], events: [] as readonly Event[], snapshots: [] };
};
const plan = (id: string, o: Parameters<typeof bundleOf>[1]) =>
  planInWords(planReport(viewJob(bundleOf(id, o), NOW)), { ...PLAIN_READER, zone: ZONE }).repairs[0]!;
const minutes = (p: ReturnType<typeof plan>, id: string) => {
  const s = p.steps.find((x) => x.id === id)!;
  return (Date.parse(s.to) - Date.parse(s.from)) / 60_000;
};

test('twenty holes are drilled and cleaned by two in half the time, and it says that each wants a drill', () => {
  const [one, two] = [1, 2].map((crew) => plan('sample-eyes', { crew, count: 20 }));
  for (const id of ['prep:drill', 'prep:clean'])
    expect(Math.abs(minutes(two!, id) - minutes(one!, id) / 2)).toBeLessThanOrEqual(1);
  const said = (p: typeof one) => p!.steps.filter((s) => /Shared out among 2, each with tools/.test(s.detail)).length;
  expect(said(one)).toBe(0);
  expect(said(two)).toBeGreaterThanOrEqual(2);
});

test('two holes are shared by two, however many stand by; one hole by nobody', () => {
  const drill = (crew: number, count: number) => minutes(plan('sample-eyes', { crew, count }), 'prep:drill');
  expect(drill(5, 2)).toBe(drill(2, 2));
  expect(drill(2, 2)).toBeLessThan(drill(1, 2));
  expect(drill(3, 1)).toBe(drill(1, 1));
});

test('a patch smaller than a square metre has room for one; a larger one for as many as it has metres', () => {
  const before = (crew: number, by: number) => {
    const p = plan('sample-nosing', { crew, count: 1, by });
    return p.steps.filter((s) => s.id.startsWith('prep:')).reduce((sum, s) => sum + minutes(p, s.id), 0);
  };
  const small = before(1, 1);
  expect(before(2, 1)).toBe(small);
  // Two and a half square metres of it are room for two.
  expect(before(2, 8)).toBeLessThan(before(1, 8));
});

test('a dent of several square metres is sanded side by side, each grit in its share of the time', () => {
  const sanding = (crew: number, by: number) => {
    const p = plan('sample-dent', { crew, count: 1, by });
    return p.steps.filter((s) => s.id.startsWith('finish:sand:p')).map((s) => minutes(p, s.id));
  };
  const [one, two] = [sanding(1, 8.1), sanding(2, 8.1)];
  expect(one.length).toBeGreaterThan(1);
  expect(two).toHaveLength(one.length);
  for (const [i, min] of two.entries()) {
    expect(min).toBeLessThan(one[i]!);
    expect(min).toBeGreaterThanOrEqual(Math.floor(one[i]! / 2));
  }
  expect(sanding(2, 1)).toEqual(sanding(1, 1));
});

describe('one of two leaves while they drill', () => {
  const bundle = bundleOf('sample-eyes', { crew: 2, count: 40 });
  const fresh = viewJob(bundle, NOW).repairs[0]!;
  const drill = fresh.plan.steps.find((s) => s.id === 'prep:drill')!;
  const told = (madeWith: string | null, ...bodies: readonly (readonly [number, EventBody])[]) =>
    bodies.map(
      ([ms, body], i): Event => ({
        record: 'event',
        version: 1,
        id: `h${i}${madeWith ?? ''}`,
        device: 'd',
        sequence: i,
        at: ms,
        recordedAt: ms,
        jobId: bundle.job.id,
        repairId: 'sample-eyes',
        amends: null,
        role: 'technician',
        body,
      }),
    );
  const begun = [
    [drill.startMs - 1, { kind: 'started', snapshotId: 'none', usableMin: fresh.passes[0]!.plan.usableMin }],
    [drill.startMs, { kind: 'step-begun', step: 'prep:drill' }],
  ] as const;
  test('the holes that are left take the other twice as long', () => {
    const leaves = [
      drill.startMs + (drill.endMs - drill.startMs) / 2,
      { kind: 'trouble', trouble: 'leave', batch: null, missingMl: null, handsLeft: 1 },
    ] as const;
    const end = (...more: readonly (readonly [number, EventBody])[]) =>
      viewJob({ ...bundle, events: told(null, ...begun, ...more) }, drill.startMs + 1).repairs[0]!.plan.steps.find(
        (s) => s.id === 'prep:drill',
      )!.endMs;
    const whole = drill.endMs - drill.startMs;
    expect((end(leaves) - end()) / whole).toBeCloseTo(0.5, 1);
  });
});

test('work that was begun before is planned as it was: by one', () => {
  const bundle = bundleOf('sample-eyes', { crew: 2, count: 20 });
  const started: Event = {
    record: 'event',
    version: 1,
    id: 'started',
    device: 'd',
    sequence: 0,
    at: NOW,
    recordedAt: NOW,
    jobId: bundle.job.id,
    repairId: 'sample-eyes',
    amends: null,
    role: 'technician',
    body: { kind: 'started', snapshotId: 'kept', usableMin: 5 },
  };
  const drillBy = (coreVersion: string) => {
    const kept = { id: 'kept', repairs: bundle.repairs, coreVersion };
    const p = planInWords(planReport(viewJob({ ...bundle, events: [started], snapshots: [kept] as never }, NOW)), {
      ...PLAIN_READER,
      zone: ZONE,
    }).repairs[0]!;
    return minutes(p, 'prep:drill');
  };
  const alone = minutes(plan('sample-eyes', { crew: 1, count: 20 }), 'prep:drill');
  expect([drillBy('0.34.0'), drillBy('0.35.0') < alone]).toEqual([alone, true]);
});
