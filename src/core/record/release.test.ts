import { say } from '@/words';
import { methodsData, sampleData } from '../../sample/jobs';
import { METHODS, TEST_KINDS, testsUnder } from '../method';
import { allowedNotComputed, bearing, FIRST_LOAD, firstAcceptance } from '../plan';
import {
  type Bundle,
  barrierHeld,
  barrierMissing,
  type Event,
  type EventBody,
  entriesOf,
  eventSaid,
  figureTestId,
  foldEvents,
  handTests,
  isClosedTo,
  obstaclesToOpen,
  obstaclesToRelease,
  openTests,
  reviewNeeded,
  roleRefused,
  standingEvents,
  stepSaid,
  twinOf,
  viewJob,
} from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const MIN = 60_000;
const reader = { system: 'metric', zone: 'utc', language: 'en' } as const;
const words = (list: readonly Parameters<typeof say>[0][]) => list.map((s) => say(s, reader));
const all = [...sampleData(NOW, 'Europe/Helsinki').bundles, ...methodsData(NOW, 'Europe/Helsinki').bundles];

/** One repair alone in its job, worked as planned to its end. */
function done(method: string) {
  const bundle: Bundle = all
    .flatMap((b) => b.repairs.map((r) => ({ ...b, repairs: [r], events: [], snapshots: [] })))
    .find((b) => b.repairs[0]!.chain.length === 1 && b.repairs[0]!.passes.p1?.method.id === method)!;
  const repair = bundle.repairs[0]!;
  const events: Event[] = [];
  const tell = (at: number, body: EventBody, over: Partial<Event> = {}): Event => {
    const e: Event = {
      record: 'event',
      version: 1,
      id: `e${events.length}`,
      device: 'd.1',
      sequence: events.length,
      at,
      recordedAt: at,
      jobId: bundle.job.id,
      repairId: repair.id,
      amends: null,
      role: 'technician',
      body,
      ...over,
    };
    events.push(e);
    return e;
  };
  const view = (nowMs: number, r = repair) => viewJob({ ...bundle, repairs: [r], events }, nowMs).repairs[0]!;
  const plan = view(NOW).plan;
  tell(plan.steps[0]!.startMs, { kind: 'started', snapshotId: 'none', usableMin: null });
  for (const s of plan.steps) {
    const of = s.passId === 'p1' ? {} : { passId: s.passId };
    if (s.marks?.begin?.length) tell(s.startMs, { kind: 'step-begun', step: s.id }, of);
    tell(s.endMs, { kind: 'step-done', step: s.id }, of);
  }
  return { bundle, repair, events, tell, view, endMs: Math.max(...plan.steps.map((s) => s.endMs)) + MIN };
}

test('every test says how it is done and what counts; every method has one that says whether it has set, or is not wet when it is used', () => {
  for (const kind of Object.values(TEST_KINDS)) {
    expect(kind.how.length).toBeGreaterThan(20);
    expect(kind.counts.length).toBeGreaterThan(10);
  }
  for (const m of METHODS) {
    expect([m.id, m.tests.length > 0]).toEqual([m.id, true]);
    expect([m.id, new Set(m.tests.map((t) => t.id)).size]).toEqual([m.id, m.tests.length]);
    for (const t of testsUnder(m, { covered: true, noticed: true }))
      expect([m.id, 'through' in TEST_KINDS[t.kind]]).toEqual([m.id, true]);
  }
});

test('whoever wrote a notice is asked where there is one, and nowhere else', () => {
  const withOutside = METHODS.filter((m) => m.tests.some((t) => t.kind === 'outside'));
  expect(withOutside.length).toBeGreaterThan(0);
  for (const m of withOutside) {
    const kinds = (noticed: boolean) => testsUnder(m, { covered: false, noticed }).map((t) => t.kind);
    expect([m.id, kinds(true).includes('outside'), kinds(false).includes('outside')]).toEqual([m.id, true, false]);
  }
});

test('tests of a chain are those of all its passes; under another pass those that can still be done, each by a name of its own', () => {
  const chains = all.flatMap((b) => viewJob(b, NOW).repairs).filter((r) => r.passes.length > 1);
  expect(chains.length).toBeGreaterThan(4);
  let covered = 0;
  for (const view of chains) {
    const tests = handTests(view);
    expect([view.repair.name, new Set(tests.map((t) => t.id)).size]).toEqual([view.repair.name, tests.length]);
    for (const [i, p] of view.passes.entries()) {
      const mine = tests.filter((t) =>
        i === view.passes.length - 1 ? !t.id.includes('/') : t.id.startsWith(`${p.repair.passId}/`),
      );
      const lies = view.passes.some((q) => q.repair.takes.from !== 'own' && q.repair.takes.of === p.repair.passId);
      covered += lies ? 1 : 0;
      expect([view.repair.name, i, mine.map((t) => t.test)]).toEqual([
        view.repair.name,
        i,
        testsUnder(p.plan.method!, { covered: lies, noticed: view.draft.notice !== null }),
      ]);
    }
  }
  expect(covered).toBeGreaterThan(0);
});

test('a test that says it has set counts only from its time; before that it is asked again', () => {
  const w = done('mortar-patch');
  const nail = handTests(w.view(w.endMs)).find((t) => t.test.kind === 'nail')!;
  const due = w.view(w.endMs).plan.milestones.findLast((m) => m.kind === w.view(w.endMs).plan.serves)!.planMs!;
  w.tell(due - 60 * MIN, { kind: 'test', test: nail.id, answer: 'yes' });
  const early = handTests(w.view(w.endMs)).find((t) => t.id === nail.id)!;
  expect(early).toMatchObject({ answer: 'yes', tooEarly: due });
  expect(words(openTests(w.view(w.endMs))).some((s) => s.startsWith('Test again, it was answered too early'))).toBe(
    true,
  );
  // A no is believed at any time.
  w.tell(due - 30 * MIN, { kind: 'test', test: nail.id, answer: 'no' });
  expect(handTests(w.view(w.endMs)).find((t) => t.id === nail.id)).toMatchObject({ answer: 'no', tooEarly: null });
  w.tell(due + MIN, { kind: 'test', test: nail.id, answer: 'yes' });
  expect(handTests(w.view(w.endMs)).find((t) => t.id === nail.id)).toMatchObject({ answer: 'yes', tooEarly: null });
});

test('figures that were asked for stand in the way until they are as asked, and a trouble makes them be read again', () => {
  const w = done('mortar-patch');
  const asked = { ...firstAcceptance('pull-off', 'x'), limit: 1.5, count: 2 };
  const repair = { ...w.repair, acceptance: [asked] };
  const open = () => words(openTests(w.view(w.endMs + 60 * MIN, repair))).filter((s) => s.startsWith('pull-off'));
  const read = (value: number, failure: 'bond' | 'base' | 'glue') =>
    w.tell(w.endMs + MIN, { kind: 'measured', test: figureTestId(asked), value, failure });
  expect(open()).toEqual(['pull-off: 2 more readings are asked.']);
  read(1.8, 'base');
  const bad = read(1.1, 'bond');
  expect(open()).toEqual(['pull-off: 1 is not as asked.']);
  w.tell(w.endMs + 2 * MIN, { ...bad.body, value: 1.7 } as EventBody, { amends: bad.id, at: bad.at });
  expect(open()).toEqual([]);
  w.tell(w.endMs + 3 * MIN, { kind: 'trouble', trouble: 'pinholes', batch: null, missingMl: 20 });
  expect(open()).toEqual(['pull-off: 2 more readings are asked.']);
});

test('it is opened for one use when it has set and that use has come; all of it takes every test and signature', () => {
  const w = done('mortar-patch');
  const view = () => w.view(w.endMs);
  const foot = view().plan.milestones.find((m) => m.kind === 'foot')!;
  expect(words(obstaclesToOpen(view(), 'foot', foot.planMs! - MIN)).some((s) => s.includes('later than now'))).toBe(
    true,
  );
  const sets = handTests(view()).filter((t) => t.test.kind === 'nail');
  expect(words(obstaclesToOpen(view(), 'foot', w.endMs))).toEqual(sets.map((t) => `Test open: ${t.test.ask}`));
  // A thumb that pressed before that use had come says nothing of it.
  for (const t of sets) w.tell(foot.planMs! - 90 * MIN, { kind: 'test', test: t.id, answer: 'yes' });
  expect(
    words(obstaclesToOpen(view(), 'foot', w.endMs)).every((s) => s.startsWith('Test again, it was answered too early')),
  ).toBe(true);
  expect(obstaclesToOpen(view(), 'foot', w.endMs)).toHaveLength(sets.length);
  for (const t of sets) w.tell(w.endMs, { kind: 'test', test: t.id, answer: 'yes' });
  expect(obstaclesToOpen(view(), 'foot', w.endMs)).toEqual([]);
  w.tell(w.endMs, { kind: 'opened', stage: 'foot', note: 'no barrows' });
  expect(view().actuals.opened.get('foot')).toMatchObject({ role: 'technician' });
  expect(obstaclesToRelease(view(), w.endMs).length).toBeGreaterThan(0);
  expect(view().actuals.released).toBeNull();
});

test('somebody from outside who was asked closes it themselves', () => {
  const w = done('mortar-patch');
  const wait = () =>
    words(obstaclesToRelease(w.view(w.endMs), w.endMs)).filter((s) => s.startsWith('The harbour office'));
  w.tell(w.endMs, { kind: 'inspection', state: 'asked', by: 'The harbour office', note: '' });
  expect(wait()).toEqual(['The harbour office was asked to see it and has not said yet.']);
  w.tell(w.endMs + 1, { kind: 'inspection', state: 'refused', by: 'The harbour office', note: '' });
  expect(wait()).toEqual(['The harbour office did not accept it.']);
  w.tell(w.endMs + 2, { kind: 'inspection', state: 'accepted', by: 'The harbour office', note: '' });
  expect(wait()).toEqual([]);
});

test('whoever reviewed it does not release it', () => {
  const w = done('anchor');
  expect(reviewNeeded(w.view(w.endMs))).toMatch(/holds up/);
  w.tell(w.endMs, { kind: 'reviewed', note: '' }, { role: 'engineer' });
  const view = w.view(w.endMs);
  expect(say(roleRefused(view, ' Engineer ')!, reader)).toBe(
    'Reviewed in the role of engineer: whoever releases it is somebody else.',
  );
  expect(roleRefused(view, 'foreman')).toBeNull();
  expect(roleRefused(done('mortar-patch').view(NOW), 'engineer')).toBeNull();
});

describe('what is signed', () => {
  const w = done('mortar-patch');
  const signed = w.tell(w.endMs, { kind: 'released', note: '', to: 'harbour master' });
  const mine = () => w.events;

  test('closes the record: it is added to or reopened, nothing else', () => {
    expect(w.view(w.endMs).actuals.released).toEqual({ role: 'technician', atMs: w.endMs, to: 'harbour master' });
    for (const body of [
      { kind: 'step-done', step: 'x' },
      { kind: 'test', test: 'nail', answer: 'no' },
      { kind: 'withdrawn', why: 'a slip' },
      { kind: 'reading', channel: 'base', valueC: 4, source: 'typed' },
      { kind: 'trouble', trouble: 'rain', batch: null, missingMl: null },
    ] as EventBody[])
      expect([body.kind, isClosedTo(mine(), { body })]).toEqual([body.kind, true]);
    for (const body of [
      { kind: 'note', text: 'a crack beside it' },
      { kind: 'lesson', text: 'start earlier' },
      { kind: 'reopened', reason: 'it moves' },
    ] as EventBody[])
      expect([body.kind, isClosedTo(mine(), { body })]).toEqual([body.kind, false]);
    expect(isClosedTo(mine().slice(0, -1), { body: { kind: 'step-done', step: 'x' } })).toBe(false);
  });

  test('withdrawing it, as earlier versions let it be, is reopening it; both stay to be read', () => {
    const events = [
      ...mine(),
      {
        ...signed,
        id: 'w',
        amends: signed.id,
        recordedAt: w.endMs + MIN,
        body: { kind: 'withdrawn', why: 'signed too soon' },
      } as Event,
    ];
    const state = foldEvents(events, w.repair.id);
    expect(state.released).toBeNull();
    expect(state.reopened).toEqual([{ reason: 'signed too soon', role: 'technician', atMs: w.endMs + MIN }]);
    expect(standingEvents(events).map((e) => e.body.kind)).toEqual(expect.arrayContaining(['released', 'reopened']));
  });

  test('reopened: tests and signatures are asked anew, and it can be signed once more', () => {
    const again: Event = {
      ...signed,
      id: 'r',
      at: w.endMs + MIN,
      body: { kind: 'reopened', reason: 'a hollow sound' },
    };
    const tested: Event = { ...signed, id: 't', at: w.endMs - 1, body: { kind: 'test', test: 'nail', answer: 'yes' } };
    const state = foldEvents([...mine(), tested, again], w.repair.id);
    expect([state.released, state.reviewed, state.tests.size, state.opened.size]).toEqual([null, null, 0, 0]);
    expect(isClosedTo([...mine(), again], { body: { kind: 'step-done', step: 'x' } })).toBe(false);
    const twice = { ...signed, id: 's2', at: w.endMs + 2 * MIN };
    expect(twinOf(mine(), twice)?.id).toBe(signed.id);
    expect(twinOf([...mine(), again], twice)).toBeUndefined();
    expect(foldEvents([...mine(), again, twice], w.repair.id).released).not.toBeNull();
  });
});

describe('the record in words', () => {
  const w = done('mortar-patch');

  test('a step is told by its words, also when the plan has it no longer or has it anew', () => {
    const view = w.view(w.endMs);
    const mix = view.plan.steps.find((s) => s.id === 'b1:mix')!;
    expect(stepSaid(view, 'p1', 'b1:mix')).toEqual(mix.title);
    expect(say(stepSaid(view, 'p1', 'b9:mix'), reader)).toMatch(/, batch 9$/);
    expect(say(stepSaid(view, 'p1', 'b1~3:mix'), reader)).toBe(say(mix.title, reader));
    w.tell(w.endMs, { kind: 'trouble', trouble: 'ratio', batch: 0, missingMl: null });
    const lost = w.view(w.endMs + MIN);
    expect(say(stepSaid(lost, 'p1', 'b1:mix'), reader)).toBe(say(mix.title, reader));
    expect(say(stepSaid(lost, 'p1', 'b1~2:mix'), reader)).toMatch(/, again$/);
    expect(stepSaid(lost, 'p1', 'no:such step')).toBe('no:such step');
  });

  test('a step that the method had in an earlier version has its words still', () => {
    const dent = done('body-filler');
    const said = (id: string) => say(stepSaid(dent.view(dent.endMs), 'p1', id), reader);
    // What is dosed is no longer set out batch by batch.
    expect(dent.view(dent.endMs).plan.steps.some((s) => s.key.task === 'weigh')).toBe(false);
    expect([said('b2:weigh'), said('constructor'), said('b1:toString')]).toEqual([
      'Set out the batch, batch 2',
      'constructor',
      'b1:toString',
    ]);
  });

  test('no entry is told by an id, and a test in the words it is asked in', () => {
    const view = w.view(w.endMs);
    for (const e of w.events) {
      const text = say(eventSaid(e, view), reader);
      expect([e.body.kind, /undefined|NaN|\bb\d+:|prep:|finish:/.test(text)]).toEqual([e.body.kind, false]);
    }
    for (const t of handTests(view)) {
      const e: Event = { ...w.events[0]!, body: { kind: 'test', test: t.id, answer: 'no' } };
      expect(say(eventSaid(e, view), reader)).toBe(`Test “${t.test.ask}”: no`);
    }
    const pour: Event = {
      ...w.events[0]!,
      body: { kind: 'poured', batch: 0, part: 'A', massG: 412, lot: 'K7', source: 'typed' },
    };
    expect(say(eventSaid(pour, view), reader)).toBe('Poured 412 g of A, lot K7, batch 1');
    expect(say(eventSaid({ ...pour, body: { ...pour.body, lot: '' } as EventBody }, view), reader)).toBe(
      'Poured 412 g of A, batch 1',
    );
    // A figure of a practice tool says so wherever it stands.
    const practised = { ...pour, body: { ...pour.body, source: 'bench scale (simulated)' } as EventBody };
    expect(say(eventSaid(practised, view), reader)).toBe('Poured 412 g of A, lot K7, batch 1, bench scale (simulated)');
  });

  test('corrections of corrections stand in one line beside the entry, in their order; none is lost, not even in a ring', () => {
    const [a] = w.events;
    const e = (id: string, amends: string | null, recordedAt: number): Event => ({ ...a!, id, amends, recordedAt });
    const events = [
      e('a', null, 1),
      e('c', 'b', 3),
      e('b', 'a', 2),
      e('lone', 'gone', 4),
      e('x', 'y', 5),
      e('y', 'x', 6),
    ];
    const entries = entriesOf(events);
    expect(entries.find((x) => x.event.id === 'a')!.later.map((l) => l.id)).toEqual(['b', 'c']);
    expect(new Set(entries.flatMap((x) => [x.event.id, ...x.later.map((l) => l.id)])).size).toBe(events.length);
  });
});

describe('the barrier', () => {
  const w = done('mortar-patch');
  const load = () => w.view(w.endMs).plan.milestones.findLast((m) => m.kind === 'load')!.planMs!;
  const softAt = () => w.events.findLast((e) => e.body.kind === 'step-begun')!.at;

  test('is missed from what lies soft until it may be loaded, unless one is up', () => {
    const soft = w.view(softAt() + 30 * MIN);
    expect(barrierMissing(soft, softAt() + 30 * MIN)).toBe(true);
    expect(barrierMissing(w.view(load() + MIN), load() + MIN)).toBe(false);
    expect(barrierMissing(viewJob({ ...w.bundle, events: [] }, NOW).repairs[0]!, NOW)).toBe(false);
    w.tell(softAt() + MIN, { kind: 'barrier', state: 'up', what: 'cones and tape' }, { role: 'foreman' });
    expect(barrierMissing(w.view(softAt() + 30 * MIN), softAt() + 30 * MIN)).toBe(false);
    expect(w.view(w.endMs).actuals.barrier).toEqual({
      state: 'up',
      what: 'cones and tape',
      role: 'foreman',
      atMs: softAt() + MIN,
    });
  });

  test('stays until the release, whatever was opened; taken down it is in the record, which is not closed to it', () => {
    expect(words([barrierHeld(w.view(w.endMs))!])).toEqual(['It stays until the repair is released.']);
    w.tell(w.endMs, { kind: 'opened', stage: 'foot', note: '' });
    expect(words([barrierHeld(w.view(w.endMs))!])).toEqual([
      'It stays until the repair is released; what it was opened for is let through it.',
    ]);
    w.tell(w.endMs + MIN, { kind: 'released', note: '', to: '' });
    const down = { kind: 'barrier', state: 'down', what: 'cones and tape' } as const;
    expect([barrierHeld(w.view(w.endMs + MIN)), isClosedTo(w.events, { body: down })]).toEqual([null, false]);
    const told = w.tell(w.endMs + 2 * MIN, down);
    expect(words([eventSaid(told, w.view(w.endMs))])).toEqual(['Barrier down: cones and tape']);
    expect(w.view(w.endMs + 3 * MIN).actuals.barrier?.state).toBe('down');
    // Reopened, it may be put up once more, and holds again.
    w.tell(w.endMs + 4 * MIN, { kind: 'reopened', reason: 'a wheel went over it' });
    expect(barrierHeld(w.view(w.endMs + 4 * MIN))).not.toBeNull();
  });
});

describe('what a chain must carry', () => {
  const chains = all.flatMap((b) =>
    b.repairs.flatMap((r) => (r.chain.length > 1 ? [{ ...b, repairs: [r], events: [], snapshots: [] }] : [])),
  );
  const loaded = (b: (typeof chains)[0], passId: string | null) => {
    const draft = { ...b.repairs[0]!, load: { ...FIRST_LOAD, passId } };
    return viewJob({ ...b, repairs: [draft] }, NOW).repairs[0]!;
  };
  const judged = (b: (typeof chains)[0], passId: string | null) =>
    loaded(b, passId).passes.flatMap((p) => (p.findings.some((f) => /(^|\/)load/.test(f.id)) ? [p.plan.passId] : []));

  test('is judged of one pass, the one that was said or the first that anything is told of', () => {
    expect(chains.length).toBeGreaterThan(3);
    for (const b of chains) {
      const view = loaded(b, null);
      const usual = bearing(view.plan, view.draft.load);
      const told = view.passes.filter((p) => p.plan.sheet?.strength || allowedNotComputed(p.plan));
      expect([view.draft.id, usual.passId]).toEqual([view.draft.id, (told[0] ?? view.passes[0]!).plan.passId]);
      for (const passId of view.draft.chain) {
        expect(bearing(view.plan, { passId }).passId).toBe(passId);
        expect(judged(b, passId).filter((id) => id !== passId)).toEqual([]);
      }
      expect(judged(b, null).filter((id) => id !== usual.passId)).toEqual([]);
    }
    // Of a pass whose sheet tells no strength that is said, once.
    expect(chains.some((b) => b.repairs[0]!.chain.some((id) => judged(b, id).length === 1))).toBe(true);
  });

  test('a pass that is gone carries nothing: the usual one does', () => {
    const view = loaded(chains[0]!, 'p99');
    expect(bearing(view.plan, view.draft.load)).toBe(bearing(view.plan, null));
  });
});
