import fc from 'fast-check';
import { DateTime } from 'luxon';
import { methodsData, sampleData } from '../../sample/jobs';
import { type Away, type Job, NONE_BEFORE, workedAt } from '../plan';
import {
  atOnce,
  type Bundle,
  type Event,
  type EventBody,
  isOpen,
  jobsBefore,
  jobsInTurn,
  promisedInYard,
  viewJob,
} from '.';

const ZONE = 'Europe/Helsinki';
const NOW = DateTime.fromISO('2027-04-13T10:20', { zone: ZONE }).toMillis();
const HOUR = 3_600_000;

const sample = [...sampleData(NOW, ZONE).bundles, ...methodsData(NOW, ZONE).bundles];
/** Jobs of the sample of which nothing has begun. */
const planned = sample.filter((b) => !b.events.length);
const sheets = [...new Map(sample.flatMap((b) => b.sheets).map((s) => [s.id, s])).values()];

/** The first three of some. */
function firstOf(jobs: readonly Bundle[]): [Bundle, Bundle, Bundle] {
  const [a, b, c = b] = jobs;
  if (!a || !b || !c) throw new Error('two jobs at least');
  return [a, b, c];
}

/** A yard of jobs, all of one shelf. */
const yardOf = (jobs: readonly Bundle[], stock: Bundle['stock'] = []): readonly Bundle[] =>
  jobs.map((b) => ({ ...b, sheets, stock }));

const by = (b: Bundle, over: Partial<Job>): Bundle => ({ ...b, job: { ...b.job, ...over } });

const viewsOf = (yard: readonly Bundle[], nowMs = NOW) => yard.map((b) => viewJob({ ...b, yard }, nowMs));

type View = ReturnType<typeof viewJob>;

/** Every minute of every step, as it is laid out. */
const worked = ({ plan }: View) => plan.repairs.flatMap((r) => r.steps.flatMap((s) => workedAt(s)));

const together = (a: View, b: View): number =>
  worked(a).reduce(
    (ms, x) =>
      worked(b).reduce((sum, y) => sum + Math.max(0, Math.min(x.toMs, y.toMs) - Math.max(x.fromMs, y.fromMs)), ms),
    0,
  );

const event = (jobId: string, repairId: string, at: number, n: number, body: EventBody): Event => ({
  record: 'event',
  version: 1,
  id: `${jobId}-${n}`,
  device: 'yard',
  sequence: n,
  at,
  recordedAt: at,
  jobId,
  repairId,
  amends: null,
  role: 'technician',
  body,
});

const timesOf = ({ plan }: View) => plan.repairs.map((r) => r.steps.map((s) => [s.id, s.startMs, s.endMs]));

describe('hands', () => {
  const pair = fc.record({
    a: fc.nat(planned.length - 1),
    b: fc.nat(planned.length - 1),
    hours: fc.integer({ min: -20, max: 20 }),
  });

  test('jobs of one crew never ask for it in one minute; the one that may begin first is planned as if alone', () => {
    fc.assert(
      fc.property(pair, ({ a, b, hours }) => {
        fc.pre(a !== b);
        const first = by(planned[a]!, { doneBy: 'ramp crew' });
        const second = by(planned[b]!, { doneBy: ' Ramp crew ', startFrom: first.job.startFrom + hours * HOUR });
        const yard = yardOf([first, second]);
        const views = viewsOf(yard);
        expect(together(views[0]!, views[1]!)).toBe(0);
        const leads = hours > 0 || (hours === 0 && first.job.id < second.job.id) ? 0 : 1;
        expect(timesOf(views[leads]!)).toEqual(timesOf(viewJob(yard[leads]!, NOW)));
      }),
      { numRuns: 25, seed: 7 },
    );
  });

  test('of jobs with crews of their own, and where nobody says, each is planned as if alone', () => {
    const [a, b, c] = firstOf(planned);
    const yard = yardOf([by(a, { doneBy: 'ramp crew' }), by(b, { doneBy: 'boat shed' }), by(c, { doneBy: '' })]);
    const alone = yard.map((x) => timesOf(viewJob(x, NOW)));
    expect(viewsOf(yard).map(timesOf)).toEqual(alone);
    const nameless = yardOf([a, b, c].map((x) => by(x, { doneBy: '' })));
    expect(viewsOf(nameless).map(timesOf)).toEqual(alone);
  });

  test('two jobs of one repair each take the hours that one job of both takes, one after the other', () => {
    // Another way to the same hours: the scheduler of one job, which knows nothing of a yard.
    const floor = planned.find((b) => b.job.id === 'sample-workshop')!;
    const systemOf = (r: Bundle['repairs'][number]) => r.passes[r.chain[0]!]!.sheetId;
    let compared = 0;
    // Places apart: beside a wet face a job looks ahead, two jobs do not.
    const short = floor.repairs
      .filter((r) => r.chain.length === 1)
      .slice(0, 6)
      .map((r, n) => ({ ...r, place: `place ${n}` }));
    for (const [i, one] of short.entries())
      for (const other of short.slice(i + 1)) {
        // Of one system they would be prepared before the first is mixed.
        if (systemOf(one) === systemOf(other)) continue;
        const both = { ...floor, sheets, stock: [], repairs: [one, other] };
        const asOne = viewJob(both, NOW);
        const yard = yardOf(
          [one, other].map((r, n) => ({
            ...floor,
            job: { ...floor.job, id: `job-${n}`, doneBy: 'workshop' },
            repairs: [{ ...r, jobId: `job-${n}` }],
          })),
        );
        expect(viewsOf(yard).flatMap(timesOf)).toEqual(timesOf(asOne));
        compared++;
      }
    expect(compared).toBeGreaterThan(3);
  });

  test('what has begun goes first, and where somebody was last before the rest', () => {
    const [a, b, c] = firstOf(planned);
    const begun = (x: Bundle, at: number): Bundle => ({
      ...x,
      events: [event(x.job.id, x.repairs[0]!.id, at, 0, { kind: 'started', snapshotId: 'none', usableMin: null })],
    });
    const turn = (jobs: readonly Bundle[]) => jobsInTurn(jobs).map((x) => x.job.id);
    const late = by(a, { startFrom: NOW + 100 * HOUR });
    expect(turn([b, c, begun(late, NOW - HOUR)])[0]).toBe(a.job.id);
    expect(turn([begun(b, NOW - 3 * HOUR), begun(late, NOW - HOUR), c])).toEqual([a.job.id, b.job.id, c.job.id]);
    // Where a mix sets its waits run, whoever was elsewhere since.
    const wet = begun(b, NOW - 5 * HOUR);
    const mixed = event(b.job.id, b.repairs[0]!.id, NOW - 4 * HOUR, 1, { kind: 'step-done', step: 'b1:mix' });
    expect(turn([begun(late, NOW - HOUR), c, { ...wet, events: [...wet.events, mixed] }])[0]).toBe(b.job.id);
    expect(turn([by(b, { startFrom: NOW + 2 }), by(c, { startFrom: NOW + 1 })])).toEqual([c.job.id, b.job.id]);
  });

  test('a job that is released or closed, or has nothing in it, keeps nobody', () => {
    const [a, b] = firstOf(planned);
    const crew = { doneBy: 'ramp crew' };
    const early = by(a, { ...crew, startFrom: b.job.startFrom - HOUR });
    const alone = timesOf(viewJob(yardOf([b])[0]!, NOW));
    const beside = (x: Bundle) => {
      const yard = yardOf([x, by(b, crew)]);
      return timesOf(viewsOf(yard)[1]!);
    };
    expect(beside(early)).not.toEqual(alone);
    expect(beside(by(early, { closedAt: NOW - HOUR }))).toEqual(alone);
    expect(beside({ ...early, repairs: [] })).toEqual(alone);
    const out = early.repairs.map((r, n) => event(a.job.id, r.id, NOW - HOUR, n, { kind: 'released', note: '' }));
    expect(isOpen({ ...early, events: out })).toBe(false);
    expect(isOpen({ ...early, events: out.slice(1) })).toBe(early.repairs.length > 0);
    expect(beside({ ...early, events: out })).toEqual(alone);
  });

  test('it is said where work waits for a crew that is elsewhere, and nowhere else', () => {
    const [a, b] = firstOf(planned);
    const told = (views: readonly View[]) =>
      views.map((v) => v.repairs.flatMap((r) => r.findings.filter((f) => f.id.endsWith('crew-away'))).length);
    const yard = yardOf([by(a, { doneBy: 'x', startFrom: b.job.startFrom - 1 }), by(b, { doneBy: 'x' })]);
    const [, second] = viewsOf(yard);
    const [, n] = told(viewsOf(yard));
    expect(n).toBeGreaterThan(0);
    expect(told(viewsOf(yardOf([by(a, { doneBy: 'x' }), by(b, { doneBy: 'y' })])))).toEqual([0, 0]);
    const ends = new Set((second!.plan.before.away as readonly Away[]).map((w) => w.toMs));
    expect(second!.plan.repairs.some((r) => r.steps.some((s) => ends.has(s.startMs)))).toBe(true);
    // A week later nothing of it is in the way.
    const later = yardOf([by(a, { doneBy: 'x' }), by(b, { doneBy: 'x', startFrom: b.job.startFrom + 40 * 24 * HOUR })]);
    expect(told(viewsOf(later))).toEqual([0, 0]);
  });
});

describe('lots', () => {
  const usersOf = ({ id }: (typeof sheets)[number]) =>
    planned.filter((b) => b.repairs.some((r) => Object.values(r.passes).some((p) => p.sheetId === id)));
  // Of all systems the one that most jobs are planned with.
  const mortar = sheets.reduce((a, b) => (usersOf(b).length > usersOf(a).length ? b : a));
  const users = usersOf(mortar);
  const lot = (quantity: number, id = 'lot'): Bundle['stock'][number] => ({
    record: 'stock',
    version: 2,
    id,
    systemId: mortar.systemId,
    kitId: mortar.kits[0]!.id,
    lot: id,
    quantity,
    expiresOn: null,
    openedOn: null,
    openedShare: 0,
    breaches: [],
    price: null,
    currency: null,
    dropsPerMl: null,
    stripMm: null,
    where: '',
    sample: true,
  });
  const kitsOf = (v: View) => v.plan.kits().find((k) => k.systemId === mortar.systemId)!;
  const takes = (v: View) => kitsOf(v).takes.reduce((n, t) => n + t.take, 0);
  const wants = (v: View) => kitsOf(v).kits.set.total[0]!;
  const buys = (v: View) => kitsOf(v).kits.set.buy[0]!;

  test('the sample has jobs that share a system', () => expect(users.length).toBeGreaterThan(1));

  test.each([0, 1, 2, 3, 5, 8, 1000])('%i kits are given out once, to whoever goes first', (quantity) => {
    const yard = yardOf(users, [lot(quantity)]);
    const views = viewsOf(yard);
    const inTurn = jobsInTurn(yard).map((b) => views[yard.indexOf(b)]!);
    // As one counts it out by hand.
    let left = quantity;
    for (const v of inTurn) {
      const gets = Math.min(left, takes(v));
      expect(takes(v)).toBe(gets);
      expect(takes(v) + buys(v)).toBe(wants(v));
      if (buys(v)) expect(left - gets).toBe(0);
      left -= gets;
    }
    const promised = promisedInYard(yard, NOW);
    expect(promised.reduce((n, p) => n + p.take, 0)).toBe(quantity - left);
    expect(promised.every((p) => p.take > 0)).toBe(true);
  });

  test('what was fetched stays with whoever fetched it, whoever else asks', () => {
    const [a, b] = firstOf(users);
    const none = viewsOf(yardOf([a, b], [lot(1000)])).map(takes);
    const [takesA] = none as [number, number];
    // All of it was taken off the shelf: the lot is empty, and still nothing of it is to be bought.
    const fetched = {
      ...a,
      events: [
        event(a.job.id, a.repairs[0]!.id, NOW - 2, 0, { kind: 'started', snapshotId: 'none', usableMin: null }),
        event(a.job.id, a.repairs[0]!.id, NOW - 1, 1, {
          kind: 'taken',
          stockId: 'lot',
          lot: 'lot',
          kit: mortar.kits[0]!.label,
          count: takesA,
        }),
      ],
    };
    const [x, y] = viewsOf(yardOf([fetched, b], [lot(0)]));
    expect([takes(x!), buys(x!)]).toEqual([takesA, 0]);
    expect(takes(y!)).toBe(0);
    expect(promisedInYard(yardOf([fetched, b], [lot(0)]), NOW)).toEqual([]);
    // A job alone knows its own as well.
    expect(buys(viewJob(yardOf([fetched], [lot(0)])[0]!, NOW))).toBe(0);
  });

  test('jobs that share nothing ask nothing of one another', () => {
    const other = planned.find((b) => !users.includes(b));
    if (!other) throw new Error('a job without the system');
    const yard = yardOf([users[0]!, by(other, { doneBy: 'others' })], [lot(3)]);
    for (const v of viewsOf(yard)) expect(v.plan.before).toBe(NONE_BEFORE);
  });
});

describe('at two places at once', () => {
  /** Minute by minute, as one lays two calendars on one another. */
  const firstMinute = (a: View, b: View): number | null => {
    const busy = (v: View) =>
      v.plan.repairs.flatMap((r) =>
        r.steps.filter((s) => s.doneAt === null && s.handsOnMin > 0).flatMap((s) => workedAt(s)),
      );
    const [x, y] = [busy(a), busy(b)];
    const end = Math.max(...x.map((w) => w.toMs));
    for (let t = NOW; t < end; t += 60_000)
      if ([x, y].every((list) => list.some((w) => w.fromMs < t + 60_000 && w.toMs > t && w.toMs > w.fromMs))) return t;
    return null;
  };

  test('the first hour for which both are planned is told, of each two of which nobody said whose they are', () => {
    for (const [i, a] of planned.entries())
      for (const b of planned.slice(i + 1)) {
        const views = viewsOf(yardOf([by(a, { doneBy: '' }), by(b, { doneBy: 'boat shed' })]));
        const met = atOnce(views, NOW);
        const naive = firstMinute(views[0]!, views[1]!);
        expect(met.length).toBe(naive === null ? 0 : 1);
        if (naive !== null) expect(Math.abs(met[0]!.fromMs - naive)).toBeLessThanOrEqual(60_000);
      }
  });

  test('crews with names are nobody’s question', () => {
    const [a, b] = firstOf(planned);
    const views = viewsOf(yardOf([by(a, { doneBy: 'x' }), by(b, { doneBy: 'y' })]));
    expect(atOnce(views, NOW)).toEqual([]);
  });
});

test('a note names the other job and its hours', () => {
  const [a, b] = firstOf(planned);
  const yard = yardOf([by(a, { doneBy: 'x', startFrom: b.job.startFrom - 1 }), by(b, { doneBy: 'x' })]);
  const [found] = viewsOf(yard)[1]!.repairs.flatMap((r) => r.findings.filter((f) => f.id.endsWith('crew-away')));
  expect(JSON.stringify(found!.why)).toContain(a.job.name);
});

test('a job that cannot be planned takes nothing, and keeps no other from being planned', () => {
  const [a, b, c] = firstOf(planned);
  const crew = { doneBy: 'x' };
  const jobs = yardOf([
    by(a, { ...crew, startFrom: 1 }),
    by(b, { ...crew, startFrom: 2 }),
    by(c, { ...crew, startFrom: 3 }),
  ]);
  const plan = (throws: Bundle | null) => (of: Bundle) => {
    if (of === throws) throw new TypeError('made up for the test');
    return viewJob(of, NOW).plan;
  };
  const before = (throws: Bundle | null) => jobsBefore(jobs[2]!, { jobs, onShelf: new Set(), plan: plan(throws) });
  const of = (id: string, throws: Bundle | null) => before(throws).away.filter((w) => w.jobId === id).length;
  expect([of(a.job.id, null) > 0, of(b.job.id, null) > 0]).toEqual([true, true]);
  expect([of(a.job.id, jobs[0]!), of(b.job.id, jobs[0]!) > 0]).toEqual([0, true]);
});
