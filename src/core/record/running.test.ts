import { say } from '@/words';
import { sampleData } from '../../sample/jobs';
import type { Job } from '../plan';
import {
  type Event,
  type EventBody,
  earlyLoad,
  earlyStep,
  eventSaid,
  idleMixer,
  liveClock,
  livePot,
  liveWindow,
  nextWait,
  obstaclesToRelease,
  toldFrom,
  viewJob,
  windowOn,
} from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const MIN = 60_000;
const reader = { system: 'metric', zone: 'utc', language: 'en' } as const;
const [ramp, winch] = sampleData(NOW, 'Europe/Helsinki').bundles;

/** A repair of the sample worked step by step: each begun and ticked in its planned minute, up to one. */
function worked(bundle: NonNullable<typeof ramp>, repairId: string) {
  const job: Job = { ...bundle.job, wantedAt: null, climate: { kind: 'constant', tempC: 18, humidityPct: 55 } };
  const events: Event[] = [];
  const tell = (atMs: number, body: EventBody) =>
    events.push({
      record: 'event',
      version: 1,
      id: `e${events.length}`,
      device: 'd',
      sequence: events.length + 1,
      at: atMs,
      recordedAt: atMs,
      jobId: job.id,
      repairId,
      amends: null,
      role: 'technician',
      body,
    });
  const see = (nowMs: number) =>
    viewJob({ ...bundle, job, events }, nowMs).repairs.find((r) => r.draft.id === repairId)!;
  const first = see(NOW).plan.steps[0]!.startMs;
  tell(first, { kind: 'started', snapshotId: 'none', usableMin: null });
  let now = first;
  /** Works on until the step of that id is the next one. */
  const until = (id: string) => {
    for (let k = 0; k < 60; k++) {
      const step = see(now).plan.steps.find((s) => s.doneAt === null);
      if (!step || step.id === id) return;
      now = Math.max(now, step.startMs);
      if (step.marks?.begin?.includes('mix-begins')) tell(now, { kind: 'step-begun', step: step.id });
      now += Math.max(1, step.endMs - step.startMs);
      tell(now, { kind: 'step-done', step: step.id });
    }
    throw new Error(`no step ${id} comes`);
  };
  return {
    until,
    tell,
    get now() {
      return now;
    },
    at: (ms = 0) => see(now + ms),
    step: (ms = 0) => see(now + ms).plan.steps.find((s) => s.doneAt === null),
  };
}

describe('a plate, from mixing to the joint', () => {
  const plate = { ...winch!, events: [], snapshots: [] };
  const id = plate.repairs[0]!.id;
  test('no clock runs before mixing; from then on the pot; once it is spread, what lies open', () => {
    const w = worked(plate, id);
    w.until('b1:mix');
    expect(livePot(w.at())).toBeNull();
    w.tell(w.now, { kind: 'step-begun', step: 'b1:mix' });
    const pot = livePot(w.at(MIN))!;
    expect(pot.kind).toBe('use-by');
    expect(pot.originMs).toBe(w.now);
    w.until('close');
    expect(livePot(w.at())).toBeNull();
    // The joint is closed inside the open time, and that clock is told, though the pot is done with.
    const open = liveWindow(w.at(), w.step(), w.now);
    expect(open?.kind).toBe('open');
    expect(open!.originMs!).toBeLessThanOrEqual(w.now);
    expect(open!.planMs!).toBeGreaterThan(w.now);
    expect(liveClock(w.at(), w.step(), w.now)).toEqual({ clock: open, ofPot: false });
  });

  test('beside a live pot what must only be begun in time is not the clock: the bared face waits on the spreading', () => {
    const w = worked(plate, id);
    w.until('b1:mix');
    w.tell(w.now, { kind: 'step-begun', step: 'b1:mix' });
    w.tell(w.now + 5 * MIN, { kind: 'step-done', step: 'b1:mix' });
    const step = w.step(6 * MIN)!;
    expect([step.id, step.within?.by]).toEqual(['b1:spread', 'begin']);
    const bare = liveWindow(w.at(6 * MIN), step, w.now + 6 * MIN)!;
    const on = liveClock(w.at(6 * MIN), step, w.now + 6 * MIN)!;
    expect(bare.kind).toBe('bare');
    expect([on.clock.kind, on.ofPot]).toEqual(['use-by', true]);
    // And the pot goes on being the clock when both are over.
    const late = liveClock(w.at(6 * MIN), step, w.now + 300 * MIN)!;
    expect([late.clock.kind, late.ofPot]).toEqual(['use-by', true]);
  });

  test('a window that has not begun is none, nor is one of a step without it', () => {
    const w = worked(plate, id);
    w.until('b1:mix');
    expect(liveWindow(w.at(), w.step(), w.now)).toBeNull();
    expect(liveWindow(w.at(), undefined, w.now)).toBeNull();
  });

  test('closed, it waits: the wait is told, going on is a stop, and so is signing', () => {
    const w = worked(plate, id);
    w.until('finish:release');
    const view = w.at();
    const step = w.step()!;
    expect(nextWait(view, step, w.now)?.kind).toBe('release');
    const early = earlyStep(step, w.now)!;
    expect([early.id, early.severity]).toEqual(['early:finish:release', 'stop']);
    expect(say(early.why, reader)).toMatch(/to go\.$/);
    const after = step.startMs - w.now;
    expect(earlyStep(w.step(after), w.now + after)).toBeNull();
    expect(nextWait(w.at(after), w.step(after), w.now + after)).toBeNull();
    const load = earlyLoad(view.passes[0]!, w.now)!;
    expect([load.id, load.stage]).toEqual(['early:release:tests', 'release']);
    const said = obstaclesToRelease(view, w.now).map((o) => say(o, reader));
    expect(said[0]).toMatch(/^\d+ steps are not ticked, next: “Take the clamps or props off”\.$/);
    expect(said.filter((s) => s.startsWith('Test open:')).length).toBe(view.passes[0]!.plan.method!.tests.length);
    expect(said).toContain('Not reviewed by a competent person yet.');
  });

  test('over while nobody works, the wait keeps nobody who is there: what is told is its own end', () => {
    const hours = { ...plate.job.workingHours, fromHour: 11 };
    const w = worked({ ...plate, job: { ...plate.job, workingHours: hours } }, id);
    w.until('finish:release');
    const step = w.step()!;
    expect(step.forcedBy).toBe('crew or hours');
    const held = step.heldUntilMs!;
    expect(step.startMs - held).toBeGreaterThan(30 * MIN);
    expect(nextWait(w.at(), step, w.now)?.planMs).toBe(held);
    expect(earlyStep(step, w.now)!.title).toMatchObject({ with: { at: toldFrom(held, w.now) } });
    const there = held + 2 * MIN - w.now;
    expect(w.step(there)!.id).toBe(step.id);
    expect(earlyStep(w.step(there), w.now + there)).toBeNull();
    expect(nextWait(w.at(there), w.step(there), w.now + there)).toBeNull();
  });

  test('obstacles fall one by one until nothing is left', () => {
    const w = worked(plate, id);
    w.until('release:tests');
    const step = w.step()!;
    const later = step.endMs - w.now + MIN;
    w.tell(step.endMs, { kind: 'step-done', step: step.id });
    const all = () => obstaclesToRelease(w.at(later), w.now + later).map((o) => say(o, reader));
    const before = all().length;
    for (const t of w.at().passes[0]!.plan.method!.tests)
      w.tell(step.endMs, { kind: 'test', test: t.id, answer: 'yes' });
    w.tell(step.endMs, { kind: 'reviewed', note: '' });
    const left = all();
    expect(left.length).toBeLessThan(before);
    expect(left.filter((s) => !s.startsWith('Stop:'))).toEqual([]);
    // A test that failed comes back, as failed.
    const [test] = w.at().passes[0]!.plan.method!.tests;
    w.tell(step.endMs + 1, { kind: 'test', test: test!.id, answer: 'no' });
    expect(all()).toContain(`Test failed: ${test!.ask}`);
  });
});

test('work that has not begun says so first, and nothing is too early for it', () => {
  const view = viewJob({ ...ramp!, events: [] }, NOW).repairs[0]!;
  expect(say(obstaclesToRelease(view, NOW)[0]!, reader)).toBe('Work has not begun.');
  expect(earlyLoad(view.passes[0]!, NOW)).toBeNull();
});

test('between two pressings the mixer stands, and counts down from the last one', () => {
  const w = worked({ ...ramp!, events: [] }, ramp!.repairs[1]!.id);
  w.until('b2:fill');
  const pass = w.at().passes[0]!;
  const left = idleMixer(pass, w.now)!;
  expect(left).toBeGreaterThan(0);
  expect(idleMixer(pass, w.now + 90_000)).toBeCloseTo(left - 90_000, 6);
  w.until('hold:wedge');
  // Nothing more is pressed: it may stand as long as it likes.
  expect(idleMixer(w.at().passes[0]!, w.now)).toBeNull();
});

describe('a fitting in four passes, tacked', () => {
  const hull = sampleData(NOW, 'Europe/Helsinki').bundles.find((b) => b.repairs.some((r) => r.chain.length === 4))!;
  const chain = { ...hull, events: [], snapshots: [] };
  const id = chain.repairs.find((r) => r.chain.length === 4)!.id;
  test('what stands behind the window of the pass below is held until that opens, and not longer', () => {
    const w = worked(chain, id);
    w.until('hold:leave');
    w.tell(w.now, { kind: 'step-done', step: 'hold:leave' });
    const step = w.step()!;
    expect([step.passId, step.waitFor, step.gate?.from]).toEqual(['p2', undefined, 'recoat-from']);
    const wait = nextWait(w.at(), step, w.now)!;
    expect(wait.planMs).toBe(step.startMs);
    expect(earlyStep(step, w.now)).toMatchObject({ id: `early:${step.id}`, severity: 'stop' });
    const after = step.startMs - w.now;
    expect(after).toBeGreaterThan(30 * MIN);
    expect(earlyStep(w.step(after), w.now + after)).toBeNull();
  });
  test('when each pass may go on the one before is told from the clocks of that one', () => {
    const view = worked(chain, id).at();
    expect(windowOn(view, 0)).toEqual({ fromMs: null, untilMs: null });
    const [tack] = view.passes;
    const of = (kind: string) => tack!.plan.milestones.find((m) => m.kind === kind)!.planMs;
    expect(windowOn(view, 1)).toEqual({ fromMs: of('recoat-from'), untilMs: of('recoat-until') });
    const { fromMs, untilMs } = windowOn(view, 1);
    expect(untilMs!).toBeGreaterThan(fromMs!);
    // Its first step is planned inside it.
    const first = view.plan.steps.find((s) => s.passId === 'p2')!;
    expect(first.startMs).toBeGreaterThanOrEqual(fromMs!);
    // After full set it is open to the end.
    expect(windowOn(view, 3).untilMs).toBeNull();
  });
});

describe('holes ticked one by one', () => {
  const eyes = ramp!.repairs.find((r) => r.passes.p1?.void?.shapes[0]?.shape === 'annulus')!;
  const at = (place: number, step = 'prep:clean', amends: string | null = null) => ({ place, step, amends });
  const told = (...ticked: readonly ReturnType<typeof at>[]) => {
    const w = worked(ramp!, eyes.id);
    w.until('prep:clean');
    for (const { place, step } of ticked) w.tell(w.now, { kind: 'place-done', step, place });
    return w.at();
  };

  test('the step tells how many there are, and each counts once, whoever ticks it', () => {
    const none = told();
    const step = none.plan.steps.find((s) => s.id === 'prep:clean')!;
    expect(step.counted).toBe(eyes.passes.p1!.void!.count);
    expect(none.actuals.placesDone.get('prep:clean')).toBeUndefined();
    const some = told(at(0), at(1), at(1), at(3));
    expect([...some.actuals.placesDone.get('prep:clean')!].sort()).toEqual([0, 1, 3]);
    // Ticked one by one it is not done yet: that somebody says of all of them.
    expect(some.plan.steps.find((s) => s.id === 'prep:clean')!.doneAt).toBeNull();
    expect(some.actuals.placesDone.get('prep:drill')).toBeUndefined();
  });

  test('no other step is counted, nor a single hole', () => {
    const { plan } = told();
    expect(plan.steps.filter((s) => s.counted).map((s) => s.id)).toEqual(['prep:clean']);
  });

  test('it is told in the record', () => {
    const view = told(at(2));
    const event = {
      ...ramp!.events[0]!,
      repairId: eyes.id,
      body: { kind: 'place-done', step: 'prep:clean', place: 2 } as const,
    };
    const words = [say(eventSaid(event, view), reader)];
    expect(words).toEqual([expect.stringMatching(/^Place 3 done: Clean \d+ holes/)]);
  });
});
