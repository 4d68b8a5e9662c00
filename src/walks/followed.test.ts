import { WET_ROLES } from '@/core/method';
import { FIRST_PASS, pieceOf, workedAt } from '@/core/plan';
import { type Bundle, elsewhere } from '@/core/record';
import { methodsData, sampleData } from '@/sample/jobs';
import { at, ZONE } from './made';
import { type JobStep, Technician } from './technician';

/**
 * A plan that is followed to the letter stays the plan: nothing is put behind anything, nothing comes or goes, no hour
 * moves, however often it is asked on the way. Else the running view would send people somewhere else than the card in
 * their hand.
 */
const NOW = at('2026-05-05T07:00');
const MIN = 60_000;
const bundles = [sampleData, methodsData].flatMap((of) => of(NOW, ZONE).bundles);
const bare = (b: Bundle): Bundle => ({ ...b, events: [], snapshots: [] });

/** Follows a job, and tells where the plan did not keep to what it had said before the first step. */
function strayed(bundle: Bundle): { readonly worked: number; readonly off: readonly string[] } {
  const technician = new Technician(bundle, NOW);
  const first = technician.ahead();
  const planned = new Map(first.map((s) => [s.path, s]));
  const off: string[] = [];
  let due: readonly JobStep[] = first;
  for (let worked = 0; ; worked++) {
    const view = technician.view();
    const [next] = technician.ahead(view);
    if (!next) return { worked, off: [...off, ...due.map((s) => `${s.path} never came`)] };
    const was = planned.get(next.path);
    if (!was) off.push(`${next.path} is new`);
    else if (was.startMs - due[0]!.startMs > MIN) off.push(`${next.path} before ${due[0]!.path}`);
    else if (Math.abs(next.startMs - was.startMs) > 1.5 * MIN)
      off.push(`${next.path} moved by ${Math.round((next.startMs - was.startMs) / MIN)} min`);
    technician.does(next, 0, view);
    due = due.filter((s) => s.path !== next.path);
  }
}

describe('followed to the letter', () => {
  test.each(bundles.map((b) => [b.job.name, b] as const))('%s', (_, b) => {
    const { worked, off } = strayed(bare(b));
    expect(off).toEqual([]);
    expect(worked).toBeGreaterThan(10);
  });

  const repairs = bundles.flatMap((b) => b.repairs.map((r) => [`${r.name}, ${pieceOf(r).method.id}`, b, r] as const));
  test.each(repairs)('three of %s', (_, b, r) => {
    const three = [0, 1, 2].map((i) => ({ ...r, id: `${r.id}-${i}`, order: i }));
    const job = bare({ ...b, repairs: three });
    // Nobody is asked to be at two places.
    const busy = new Technician(job, NOW)
      .ahead()
      .flatMap((s) => workedAt(s).map((w) => ({ ...w, path: s.path })))
      .sort((x, y) => x.fromMs - y.fromMs);
    for (const [i, w] of busy.entries())
      if (i)
        expect([busy[i - 1]!.path, w.path, w.fromMs >= busy[i - 1]!.toMs - MIN / 2]).toEqual([
          expect.anything(),
          w.path,
          true,
        ]);
    expect(strayed(job).off).toEqual([]);
  });
});

describe('who does otherwise', () => {
  const ramp = bare(bundles.find((b) => b.job.id === 'sample-ramp')!);
  const hours = { fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] };
  const [, eyes] = ramp.repairs;

  test('begins with the second place goes on with it; the first waits until its wet work is done', () => {
    const technician = new Technician(ramp, NOW);
    const mine = () => technician.ahead().filter((s) => s.repairId === eyes!.id);
    technician.does(mine()[0]!);
    for (;;) {
      const [next] = technician.ahead();
      if (next!.repairId !== eyes!.id) break;
      technician.does(next!);
    }
    // Nothing is left of it but what waits for the resin.
    expect(mine().length).toBeGreaterThan(0);
    expect(mine().every((s) => s.role === 'finish' || s.role === 'test')).toBe(true);
  });

  test('begins a day early goes on: the next pass does not wait for the day the job was to begin', () => {
    const boat = bare(bundles.find((b) => b.job.id === 'sample-boat')!);
    const [fitting] = boat.repairs;
    const DAY = 24 * 60 * MIN;
    const alone = { ...boat, repairs: [fitting!] };
    /** Worked until the first pass stands on its prop, begun so long before the job was to begin. */
    const propped = (earlyMs: number) => {
      const job = { ...alone.job, startFrom: NOW + earlyMs };
      const technician = new Technician({ ...alone, job }, NOW);
      for (;;) {
        const [next] = technician.ahead();
        if (next!.passId !== FIRST_PASS) return technician.ahead();
        // Who is early does it now, whatever hour it was planned for.
        const hereMs = Math.min(next!.startMs, technician.nowMs);
        technician.does({ ...next!, startMs: hereMs, endMs: hereMs + (next!.endMs - next!.startMs) });
      }
    };
    const [early, usual] = [propped(DAY), propped(0)];
    expect(early.map((s) => s.path)).toEqual(usual.map((s) => s.path));
    for (const [i, s] of early.entries())
      expect([s.path, Math.abs(s.startMs - usual[i]!.startMs) < 2 * MIN]).toEqual([s.path, true]);
  });

  test('has gone home finds the rest in the morning, and not at midnight', () => {
    const job = bare({ ...ramp, job: { ...ramp.job, workingHours: hours }, repairs: [eyes!] });
    const technician = new Technician(job, NOW);
    for (;;) {
      const [next] = technician.ahead();
      if (next!.role === 'finish') break;
      technician.does(next!);
    }
    const set = technician.ahead()[0]!.startMs;
    // Long after the resin has set and the day has ended.
    technician.nowMs = Math.ceil(set / 86_400_000) * 86_400_000 - 4 * 60 * MIN;
    const left = technician.ahead();
    expect(left.length).toBeGreaterThan(0);
    const hourOf = (ms: number) =>
      Number(new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hourCycle: 'h23', timeZone: ZONE }).format(ms));
    expect(hourOf(technician.nowMs)).toBeGreaterThanOrEqual(23);
    for (const s of left) {
      expect(hourOf(s.startMs)).toBeGreaterThanOrEqual(hours.fromHour);
      expect(hourOf(s.startMs)).toBeLessThan(hours.toHour);
    }
  });

  test.each([0, 1, 5, 20])('is %d min late at the end of the day leaves it safe all the same', (lateMin) => {
    const first = new Technician({ ...ramp, repairs: [eyes!] }, NOW).ahead();
    const last = first.filter((s) => s.role === 'place').at(-1)!;
    const leaves = first[first.indexOf(last) + 1]!;
    expect(leaves.role).toBe('hold');
    const zoned = new Date(new Date(leaves.endMs).toLocaleString('en-US', { timeZone: ZONE }));
    // The day ends as the rods are wedged.
    const toHour = zoned.getHours() + zoned.getMinutes() / 60;
    const job = { ...ramp.job, workingHours: { ...ramp.job.workingHours, toHour } };
    const technician = new Technician(bare({ ...ramp, job, repairs: [eyes!] }), NOW);
    for (;;) {
      const [next] = technician.ahead();
      technician.does(next!, next!.path === last.path ? lateMin * MIN : 0);
      if (next!.path === last.path) break;
    }
    const [now, then] = technician.ahead();
    expect(now!.path).toBe(leaves.path);
    expect(now!.startMs - technician.nowMs).toBeLessThan(MIN);
    // What is no wet work waits for the morning.
    technician.does(now!);
    expect(then!.startMs - technician.nowMs).toBeGreaterThan(6 * 60 * MIN);
  });
});

describe('led from place to place by what the running view shows', () => {
  const several = bundles.filter((b) => b.repairs.length > 1).slice(0, 2);
  test.each(several.map((b) => [b.job.name, b] as const))('%s is worked in the order it is planned', (_, of) => {
    const technician = new Technician(bare(of), NOW);
    const order = technician.ahead();
    let here = of.repairs[0]!.id;
    let ways = 0;
    for (const due of order) {
      const view = technician.view();
      const at = view.repairs.find((r) => r.repair.id === here)!;
      const led = elsewhere(view, at, Math.max(technician.nowMs, technician.ahead(view)[0]!.startMs));
      if (led) {
        here = led.repairId;
        ways++;
      }
      const next = technician.ahead(view).find((s) => s.repairId === here)!;
      expect(next.path).toBe(due.path);
      technician.does(next, 0, view);
    }
    // It is no single place: one is sent from one to the other.
    expect(ways).toBeGreaterThan(of.repairs.length - 1);
  });

  test('where the step here is due or in hand, or it is the only place, one is sent nowhere', () => {
    const ramp = bare(bundles.find((b) => b.job.id === 'sample-ramp')!);
    const technician = new Technician({ ...ramp, repairs: [ramp.repairs[0]!] }, NOW);
    const alone = technician.view();
    expect(elsewhere(alone, alone.repairs[0]!, NOW)).toBeNull();
    const both = new Technician(ramp, NOW);
    const [first] = both.ahead();
    const view = both.view();
    const here = view.repairs.find((r) => r.repair.id === first!.repairId)!;
    const there = view.repairs.find((r) => r.repair.id !== first!.repairId)!;
    expect(elsewhere(view, here, first!.startMs)).toBeNull();
    expect(elsewhere(view, there, first!.startMs)).toMatchObject({ repairId: here.repair.id, name: here.repair.name });
    // What is begun is ended, whatever waits.
    const begun = { ...there.plan.steps[0]!, begunAt: first!.startMs };
    const inHand = { ...there, plan: { ...there.plan, steps: [begun, ...there.plan.steps.slice(1)] } };
    expect(elsewhere(view, inHand, first!.startMs)).toBeNull();
  });
});

describe('late now and then, and away for a while', () => {
  /** A quarter of the steps takes up to three quarters of an hour longer, and at times nobody is there for two. */
  const lateness = (seed: number) => {
    let state = seed;
    return () => {
      state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
      return state / 2 ** 31;
    };
  };

  test.each(bundles.map((b, i) => [b.job.name, b, i + 1] as const))('%s', (_, b, seed) => {
    const random = lateness(seed);
    const technician = new Technician(bare(b), NOW);
    const all = new Set(technician.ahead().map((s) => s.path));
    let done: JobStep | null = null;
    for (;;) {
      const view = technician.view();
      const ahead = technician.ahead(view);
      const [next] = ahead;
      if (!next) break;
      // Nothing is planned for an hour that is over, and nobody for two places.
      expect(next.startMs).toBeGreaterThanOrEqual(technician.nowMs - 1.5 * MIN);
      const busy = ahead
        .flatMap((s) => workedAt(s).map((w) => ({ ...w, path: s.path })))
        .sort((x, y) => x.fromMs - y.fromMs);
      for (const [i, w] of busy.entries())
        if (i && w.fromMs < busy[i - 1]!.toMs - MIN) expect(`${busy[i - 1]!.path} while ${w.path}`).toBe('');
      // What is wet is not left for another place, however long one has been away.
      const mine = done && ahead.find((s) => s.repairId === done!.repairId && s.passId === done!.passId);
      if (mine && goesOn(done!, mine)) expect(next.path).toBe(mine.path);
      all.delete(next.path);
      technician.does(next, random() < 0.25 ? Math.round(random() * 45) * MIN : 0, view);
      done = next;
      if (random() < 0.05) technician.nowMs += Math.round(random() * 120) * MIN;
    }
    expect([...all]).toEqual([]);
  });

  /** Whether a step belongs to the wet work of the one before it, without a wait or a rest between. */
  const goesOn = (before: JobStep, step: JobStep): boolean =>
    before.role !== 'hold' &&
    WET_ROLES.has(before.role) &&
    WET_ROLES.has(step.role) &&
    step.block === before.block &&
    step.batch === before.batch &&
    !step.waitFor &&
    !step.afterRest;
});
