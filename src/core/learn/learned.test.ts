import { workedJob } from '@/sample/finished';
import { finishedData } from '@/sample/jobs';
import { methodOf } from '../method';
import { type Bundle, chainsOf, obstaclesToRelease, type RepairView, viewJob } from '../record';
import {
  clockLearned,
  factorsLearned,
  lessonsOf,
  materialLearned,
  minutesLearned,
  seenIn,
  systemLearned,
  toolLearned,
} from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const ZONE = 'Europe/Helsinki';
const { bundles } = finishedData(NOW, ZONE);
const [edges, bench] = bundles;
const viewsOf = (b: Bundle): readonly RepairView[] => viewJob(b, NOW).repairs;
const lessonsIn = (b: Bundle) => lessonsOf(viewsOf(b), b.events);

test('a finished job of the sample is released, whole, and nothing of it was signed that was not done', () => {
  for (const b of bundles) {
    for (const view of viewsOf(b)) {
      expect([view.repair.name, view.actuals.released?.to]).toEqual([view.repair.name, 'ferry office']);
      expect([view.repair.name, view.plan.steps.filter((s) => s.doneAt === null).map((s) => s.id)]).toEqual([
        view.repair.name,
        [],
      ]);
      expect([view.repair.name, obstaclesToRelease(view, NOW).length]).toEqual([view.repair.name, 0]);
      const steps = view.plan.steps.map((s) => s.doneAt!);
      expect([view.repair.name, [...steps].sort((x, y) => x - y)]).toEqual([view.repair.name, steps]);
    }
    expect(chainsOf(b.events).flatMap((c) => c.breaks)).toEqual([]);
    expect(b.events.every((e) => e.at < NOW)).toBe(true);
  }
});

test('the same seed gives the same record, another another', () => {
  const again = finishedData(NOW, ZONE).bundles[0]!;
  expect(again.events).toEqual(edges!.events);
  const other = workedJob(
    { ...edges!, events: [] },
    { seed: 42, slower: 1.28, scatter: 0.22, late: 1.12, looksEvery: 60 },
  );
  expect(other.events.map((e) => e.at)).not.toEqual(edges!.events.map((e) => e.at));
});

test('a crew that needs 28 % longer is found to, task by task, from seven records', () => {
  const lessons = lessonsIn(edges!);
  const cut = minutesLearned(lessons, 'mortar-patch', 'prep:cut')!;
  expect(cut.estimate).toMatchObject({ count: 7, how: 'log-normal' });
  const all = lessons.learned.filter(
    (l) => l.lesson === 'minutes' && l.methodId === 'mortar-patch' && l.estimate.count > 5,
  );
  expect(all.length).toBeGreaterThan(3);
  const middle = all.map((l) => l.estimate.ratio).sort((a, b) => a - b)[all.length >> 1]!;
  expect([middle > 1.15, middle < 1.42]).toEqual([true, true]);
  expect(all.filter((l) => l.estimate.low <= 1.28 && l.estimate.high >= 1.28).length / all.length).toBeGreaterThan(0.5);
});

test('how late it sets is bounded by the looks at the smear, never by the cup', () => {
  const clock = clockLearned(lessonsIn(edges!), edges!.sheets[0]!.systemId)!;
  expect(clock.estimate.count).toBe(7);
  expect([clock.estimate.low < 1.12, clock.estimate.high > 1.02]).toEqual([true, true]);
  expect(clock.seen.every((s) => s.observation.is === 'between')).toBe(true);
  // Cups alone say nothing of the place.
  const cups = edges!.events.filter(
    (e) => !(e.body.kind === 'witness' && e.body.of === 'smear') && e.body.kind !== 'test',
  );
  expect(clockLearned(lessonsOf(viewsOf({ ...edges!, events: cups }), cups), edges!.sheets[0]!.systemId)).toBeNull();
});

test('what is taken over is the method’s own figures times what it took, rates the other way round', () => {
  const lessons = lessonsIn(bench!);
  const filler = methodOf('body-filler')!;
  const taken = factorsLearned(lessons, filler);
  const sand = minutesLearned(lessons, 'body-filler', 'finish:sand')!.estimate.ratio;
  const p80 = filler.settings.find((s) => s.id === 'takes-off')!.byDefault;
  expect(taken['takes-off']! * sand).toBeCloseTo(p80, 0);
  expect(Object.keys(taken).some((id) => id.startsWith('finish:sand'))).toBe(false);
  const strip = minutesLearned(lessons, 'body-filler', 'prep:strip')!.estimate.ratio;
  expect(taken['prep:strip min']! / 10).toBeCloseTo(strip, 1);
  expect(factorsLearned(lessons, filler, ['prep:strip'])['takes-off']).toBeUndefined();
});

test('records of one’s own figures are held against Grenko’s, not against what was typed', () => {
  const typed = (min: number): Bundle => ({
    ...edges!,
    events: [],
    repairs: edges!.repairs.map((r) => ({
      ...r,
      passes: { p1: { ...r.passes.p1!, settings: { 'prep:clean min': min } } },
    })),
  });
  const crew = { seed: 5, slower: 1, scatter: 0.05, late: 1, looksEvery: 60 };
  const method = methodOf('mortar-patch')!;
  const ratioOf = (b: Bundle, task: string) =>
    minutesLearned(lessonsIn(workedJob(b, crew)), 'mortar-patch', task)?.estimate.ratio;
  const task = method.tasks.find((t) => t.work.fixed && !t.work.per && !t.work.by && t.role === 'prepare')!;
  const twice = (b: Bundle): Bundle => ({
    ...b,
    events: [],
    repairs: b.repairs.map((r) => ({
      ...r,
      passes: { p1: { ...r.passes.p1!, settings: { [`${task.task} min`]: task.work.fixed! * 2 } } },
    })),
  });
  expect(typed(1).repairs).toHaveLength(7);
  const plain = ratioOf(edges!, task.task)!;
  expect(ratioOf(twice(edges!), task.task)! / plain).toBeCloseTo(2, 0);
});

test('lessons left stand at their method, the newest first; work that has not begun teaches nothing', () => {
  const { notes } = lessonsIn(edges!);
  expect(notes.map((n) => n.methodId)).toEqual(['mortar-patch', 'mortar-patch']);
  expect(notes[0]!.atMs).toBeGreaterThan(notes[1]!.atMs);
  for (const v of viewsOf({ ...edges!, events: [] })) expect(seenIn(v, [])).toEqual([]);
});

test('what ran out is at least that, until the work is released', () => {
  const [first] = edges!.repairs;
  const mine = edges!.events.filter((e) => e.repairId === first!.id);
  const placed = mine.findLast((e) => e.body.kind === 'step-done' && e.body.step.endsWith(':place'))!;
  const out = {
    ...placed,
    id: 'out',
    at: placed.at + 1,
    body: { kind: 'trouble', trouble: 'ran-out', batch: 0, missingMl: 200 },
  } as const;
  const upTo = (events: readonly (typeof mine)[number][]) =>
    materialLearned(lessonsOf(viewsOf({ ...edges!, repairs: [first!], events }), events), 'mortar-patch');
  const open = upTo([...mine.filter((e) => e.at <= placed.at), out])!;
  expect(open.seen[0]!.observation.is).toBe('least');
  expect(open.estimate.ratio).toBeGreaterThan(1);
  // One place that had to be made anew is no estimate that was too small.
  const anew = { ...out, body: { ...out.body, trouble: 'contaminated', places: 1 } } as const;
  expect(upTo([...mine.filter((e) => e.at <= placed.at), anew])).toBeNull();
  // And all of its record together tells nothing of it, whatever else is in there.
  expect(upTo([...mine, anew].sort((a, b) => a.at - b.at))).toBeNull();
});

describe('what is left over', () => {
  const lessons = lessonsIn(edges!);
  const { systemId } = edges!.sheets[0]!;

  test('of whole kits is weighed back: a crew that uses 6 % more than planned is found to, from seven records', () => {
    const material = materialLearned(lessons, 'mortar-patch')!;
    expect(material.estimate).toMatchObject({ count: 7, how: 'log-normal' });
    expect([material.estimate.low <= 1.06, material.estimate.high >= 1.06]).toEqual([true, true]);
    expect(material.estimate.high / material.estimate.low).toBeLessThan(1.2);
    // Without a word on what was left, whole kits say nothing of what was used.
    const silent = { ...edges!, events: edges!.events.filter((e) => e.body.kind !== 'left') };
    expect(materialLearned(lessonsIn(silent), 'mortar-patch')).toBeNull();
  });
  test('in the pot is 1.4 times what the sheet has, within what the records leave open', () => {
    const loss = systemLearned(lessons, 'loss', systemId)!;
    expect(loss.estimate.count).toBe(7);
    expect([loss.estimate.low <= 1.4, loss.estimate.high >= 1.4]).toEqual([true, true]);
    expect(loss.estimate.low).toBeGreaterThan(1.1);
  });
  test('a system goes as far as its voids were measured, and a tool is as good as its voids were filled', () => {
    for (const { estimate, seen } of lessons.learned.filter((l) => l.lesson === 'yield')) {
      // How far it goes is how much was used, the other way round, over the same voids.
      const used = materialLearned(lessons, 'mortar-patch')!.seen.filter((s) =>
        seen.some((y) => y.repairId === s.repairId),
      );
      expect(seen.map((s) => s.observation)).toEqual(
        used.map(({ observation: o }) => ({ is: 'exact', ratio: 1 / (o.is === 'exact' ? o.ratio : Number.NaN) })),
      );
      expect(estimate.count).toBe(seen.length);
    }
    const tools = lessons.learned.filter((l) => l.lesson === 'tool');
    expect(tools.reduce((n, l) => n + l.seen.length, 0)).toBe(7);
    for (const l of tools) {
      expect(toolLearned(lessons, l.of!)).toBe(l);
      expect(l.seen.every((s) => s.inside !== undefined)).toBe(true);
    }
  });
  test('a pot that was thrown away leaves nothing that counts', () => {
    const bundle = edges!;
    const [left] = bundle.events.filter((e) => e.body.kind === 'left');
    const { batch } = left!.body as { batch: number };
    const lost: (typeof bundle.events)[number] = {
      ...left!,
      id: 'lost',
      sequence: 99_999,
      at: left!.at + 1000,
      body: { kind: 'discarded', batch, why: 'too hot' },
    };
    const view = viewsOf({ ...bundle, events: [...bundle.events, lost] }).find((v) => v.repair.id === left!.repairId)!;
    expect(view.actuals.left.has(batch)).toBe(false);
    expect(view.actuals.pours.some((p) => p.batch === batch)).toBe(false);
  });
});
