import { DateTime } from 'luxon';
import { isTaken, METHODS, type Method, methodOf } from '@/core/method';
import type { Piece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, drawnShape, firstPlanned, happened, scaled, workedUpTo, ZONE } from './made';

/** Ordinary work that is longer than a working day, planned for the first time: nobody works through the night. */
const NOW = at('2027-05-10T07:00');
const MIN = 60_000;
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const named = (name: string) => sheets.find((s) => s.name === name)!;
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 },
};
const { fromHour, toHour } = job.workingHours;
const planned = (
  id: string,
  sheet: SheetRevision,
  o: { count: number; over?: Partial<Piece>; dims?: Readonly<Record<string, number>> },
) => firstPlanned({ job, nowMs: NOW }, methodOf(id)! as Method, sheet, o);
type Plan = ReturnType<typeof planned>;
type Step = Plan['steps'][number];

const minutes = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / MIN;
const stretches = (s: Step) => (s.days.length ? s.days : [{ from: s.from, to: s.to }]);
const took = (s: Step) => stretches(s).reduce((sum, d) => sum + minutes(d.from, d.to), 0);
const local = (iso: string) => DateTime.fromISO(iso, { zone: ZONE });
/** Whether it lies inside the hours of one working day. */
const inHours = ({ from, to }: { from: string; to: string }) => {
  const [a, b] = [local(from), local(to)];
  const minute = (d: DateTime) => d.hour * 60 + d.minute;
  return a.hasSame(b, 'day') && minute(a) >= fromHour * 60 && minute(b) <= toHour * 60 && a.weekday <= 5;
};
const finding = (p: Plan, id: string) => p.findings.find((f) => f.id.split(':').slice(-2).join(':') === id);
const atNight = (p: Plan) => p.steps.flatMap((s) => (stretches(s).every(inHours) ? [] : [[s.title, s.from, s.to]]));

describe('a floor of sixty slabs in a combed bed', () => {
  const p = planned('setting-bed', named('Granite setting bed'), { count: 60 });
  const laid = p.steps.filter((s) => s.id.endsWith(':spread'));
  test('it rests at night, and only where a mix is used up and its last area covered', () => {
    expect(atNight(p)).toEqual([]);
    expect(finding(p, 'overrun')).toBeUndefined();
    const dates = [...new Set(laid.map((s) => local(s.from).toISODate()))];
    expect(dates.length).toBeGreaterThan(1);
    const wet = p.steps.filter((s) => s.stage === 'mix' || s.id.endsWith(':spread'));
    const first = wet.filter((s, i) => i > 0 && !local(s.from).hasSame(local(wet[i - 1]!.from), 'day'));
    expect(first.map((s) => s.id.replace(/^b\d+/, ''))).toEqual(dates.slice(1).map(() => ':weigh'));
  });
  test('what of it is covered in all is what is covered in an hour, whatever the mixes', () => {
    // 60 slabs, 5 m² an hour.
    const plan = methodOf('setting-bed')!;
    const areaM2 = (laid.reduce((sum, s) => sum + took(s), 0) / 60) * 5;
    const one = planned(plan.id, named('Granite setting bed'), { count: 1 });
    const oneM2 = (one.steps.filter((s) => s.id.endsWith(':spread')).reduce((sum, s) => sum + took(s), 0) / 60) * 5;
    expect(areaM2).toBeGreaterThan(55 * oneM2);
    expect(areaM2).toBeLessThan(62 * oneM2);
  });
  test('it is told when it rests and how it is left', () => {
    const told = finding(p, 'rests:wet')!;
    expect(told.severity).toBe('note');
    expect(told.why).toMatch(
      /^Not all of it fits into the working day: from \w+ .* on it rests, and goes on \w+ 0?7:00/,
    );
    expect(told.todo).toMatch(/cut off clean along the last row/);
  });
});

describe('a floor that is being laid, its first mixes in', () => {
  const sheet = named('Granite setting bed');
  const before = planned('setting-bed', sheet, { count: 60 });
  const lastOfDay = before.steps.findLast(
    (s) => s.id.endsWith(':spread') && local(s.to).hasSame(local(before.steps[0]!.from), 'day'),
  )!;
  const done = workedUpTo(
    before.steps,
    lastOfDay.id,
    '2027-05-10T07:01',
    local(lastOfDay.to).toFormat("yyyy-MM-dd'T'HH:mm"),
  );
  const events = happened({ ...job, id: job.id }, done);
  const at6 = firstPlanned({ job, nowMs: at('2027-05-10T18:00'), events }, methodOf('setting-bed')!, sheet, {
    count: 60,
  });
  const next = at6.steps.find((s) => s.done === null && s.stage === 'mix')!;
  test('in the evening what comes next is planned for the morning, and not for now', () => {
    expect(lastOfDay.id).not.toBe(before.steps.findLast((s) => s.id.endsWith(':spread'))!.id);
    expect(at6.steps.filter((s) => s.done !== null).length).toBeGreaterThan(3);
    expect(local(next.from).toFormat('ccc HH:mm')).toBe('Tue 07:00');
    expect(atNight(at6).filter(([title]) => /batch|area/.test(title!))).toEqual([]);
  });
});

test('many mixes of one bed share its area: each covers what it is, not all of it again', () => {
  const p = planned('setting-bed', named('Ramp mortar 3-part'), { count: 12 });
  const laid = p.steps.filter((s) => s.id.endsWith(':spread'));
  expect(laid.length).toBeGreaterThan(5);
  const one = planned('setting-bed', named('Ramp mortar 3-part'), { count: 1 }).steps.filter((s) =>
    s.id.endsWith(':spread'),
  );
  const [all, single] = [laid, one].map((list) => list.reduce((sum, s) => sum + took(s), 0)) as [number, number];
  // Each is told in whole minutes.
  expect(all).toBeGreaterThanOrEqual(12 * (single - 1));
  expect(all).toBeLessThanOrEqual(12 * single + laid.length);
  // What a mix covers is laid while it lives: it was two hours for each of ten mixes that live twenty minutes.
  for (const s of laid) expect(took(s)).toBeLessThanOrEqual(p.usableMin! + 1);
  expect(laid.map((s) => s.title)).toEqual(laid.map((_, i) => `Comb and set the bed of batch ${i + 1}`));
});

test('a sheet without an open time: nobody knows how far to comb, and that is said', () => {
  const told = (name: string) => finding(planned('setting-bed', named(name), { count: 1 }), 'bed:open');
  expect(told('Ramp mortar 3-part')).toMatchObject({ severity: 'caution' });
  expect(told('Ramp mortar 3-part')!.todo).toMatch(/nothing on the finger means skinned/);
  expect(told('Granite setting bed')).toBeUndefined();
});

describe('dry work longer than a day', () => {
  const p = planned('barrier-coat', named('Barrier coat'), { count: 60 });
  const [sand] = p.steps.filter((s) => s.days.length > 0);
  test('sanding a hull rests at night and goes on, its minutes none the fewer', () => {
    expect(sand!.title).toMatch(/^Sand dull/);
    expect(sand!.days.length).toBeGreaterThan(1);
    expect(sand!.days.every(inHours)).toBe(true);
    expect([sand!.from, sand!.to]).toEqual([sand!.days[0]!.from, sand!.days.at(-1)!.to]);
    // 5 min, and 20 for each square metre of sixty drawn patches of 0.6 m².
    expect(took(sand!)).toBe(5 + 20 * 0.6 * 60);
  });
  test('it is told, with its hours and its end', () => {
    const told = p.findings.find((f) => f.id.startsWith('rests:dry'))!;
    expect(told.why).toMatch(/Sand dull, wipe.* is \d+ h/);
    expect(told.severity).toBe('note');
  });
  test('several such steps are told each by itself, where it is done', () => {
    const told = planned('finish-coat', named('White finish resin'), { count: 60 }).findings.filter((f) =>
      f.id.startsWith('rests:dry'),
    );
    expect(told.length).toBeGreaterThan(1);
    expect(new Set(told.map((f) => f.id)).size).toBe(told.length);
    expect([...new Set(told.map((f) => f.stage))]).toEqual(['place', 'finish']);
  });
  test('what fits into a day stays one stretch', () => {
    expect(planned('barrier-coat', named('Barrier coat'), { count: 6 }).steps.every((s) => s.days.length === 0)).toBe(
      true,
    );
  });
});

describe('many small parts, each spread and closed', () => {
  const quick = named('Panel filler');
  const p = planned('small-part', quick, { count: 60 });
  test('the work never rests between two pots of one part', () => {
    const of = (s: Step) => /part (\d+) of 60/.exec(s.title)?.[1];
    const turns = p.steps.filter((s) => /:(spread|close)$/.test(s.id));
    let rests = 0;
    for (const [i, s] of turns.entries()) {
      const before = turns[i - 1];
      if (!before || local(s.from).hasSame(local(before.from), 'day')) continue;
      rests++;
      expect([before.id.endsWith(':close'), of(s) === of(before)]).toEqual([true, false]);
    }
    expect(rests).toBeGreaterThan(0);
  });
});

describe.each([200, 450])('%i holes, one after the other', (count) => {
  const p = planned('anchor', named('Quick anchor resin 10:1'), { count });
  const mixers = p.steps.filter((s) => s.id.endsWith(':purge'));
  const filled = p.steps.filter((s) => s.id.endsWith(':fill'));
  test('a fresh mixer each morning, and no hole filled when the day is over', () => {
    expect(finding(p, 'overrun')).toBeUndefined();
    expect(atNight(p)).toEqual([]);
    // Ten hours less the mixer and what the place is left with, three minutes a hole.
    const perDay = Math.floor((10 * 60 - 4) / 3);
    expect(mixers).toHaveLength(Math.ceil(count / perDay));
    expect(new Set(filled.map((s) => local(s.from).toISODate())).size).toBe(mixers.length);
  });
  test('every hole is filled once, and its minutes are those of its hour', () => {
    expect(filled).toHaveLength(count);
    for (const s of filled) expect(took(s)).toBeCloseTo(3, 1);
  });
});

test('posts are soaked one by one, and the work rests between them; one face is soaked wet into wet to its end', () => {
  const thin = named('Thin timber consolidant');
  const posts = planned('timber-soak', thin, { count: 20 });
  expect(finding(posts, 'rests:wet')!.todo).toMatch(/soaked until it takes no more/);
  expect(atNight(posts)).toEqual([]);
  const wall = planned('timber-soak', thin, {
    count: 1,
    over: { void: scaled(voidOf(drawnShape(methodOf('timber-soak')!)), 4) },
  });
  expect(wall.volumeMl!.nominal).toBeGreaterThan((posts.volumeMl!.nominal / 20) * 5);
  expect(finding(wall, 'rests:wet')).toBeUndefined();
  expect(finding(wall, 'overrun')).toBeDefined();
});

test('a pour that never stops is not broken: longer than a day is a caution, as before', () => {
  const p = planned('poured-collar', named('Three-minute crack filler'), { count: 60 });
  expect(finding(p, 'overrun')).toMatchObject({ severity: 'caution' });
  expect(finding(p, 'rests:wet')).toBeUndefined();
});

test('random counts of every method that may rest: no wet step at night, order kept, nothing at once', () => {
  const resting = METHODS.filter((m) => m.rests);
  expect(resting.length).toBeGreaterThan(7);
  let rested = 0;
  for (const d of draws(40, 5)) {
    const method = resting[d.of(0, resting.length - 1, 1)]!;
    const taken = sheets.filter((s) => isTaken(method, s));
    const sheet = taken[d.of(0, taken.length - 1, 1)]!;
    const p = planned(method.id, sheet, { count: d.of(8, 40, 1) });
    if (p.problems.length || p.steps.length === 0) continue;
    const told = [d.n, method.id, sheet.name] as const;
    let end = Number.NEGATIVE_INFINITY;
    for (const s of p.steps)
      for (const w of stretches(s)) {
        expect([...told, s.title, Date.parse(w.from) >= end]).toEqual([...told, s.title, true]);
        end = Date.parse(w.to);
      }
    if (!finding(p, 'rests:wet')) continue;
    rested++;
    if (!finding(p, 'overrun')) expect([...told, atNight(p)]).toEqual([...told, []]);
  }
  expect(rested).toBeGreaterThan(5);
});
