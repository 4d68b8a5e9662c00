import { draws } from '@/walks/draws';
import { longestMs, overDays, type Window } from './calendar';
import { Hands } from './hands';

const MIN = 60_000;
const H = 60;
/** Ten working days of 8 hours each, in minutes from nought. */
const days = Array.from({ length: 10 }, (_, i): readonly [number, number] => [i * 24 * H + 8 * H, i * 24 * H + 16 * H]);
const windows: readonly Window[] = days.map(([from, to]) => ({ fromMs: from * MIN, toMs: to * MIN }));
const worked = (list: readonly Window[]) => list.reduce((min, w) => min + (w.toMs - w.fromMs) / MIN, 0);

/** The naive way: minute by minute, worked where work is open and hands are free, in runs of at least half an hour. */
function minuteByMinute(busy: readonly (readonly [number, number])[], ready: number, need: number): number[] {
  const open = (m: number) => days.some(([a, b]) => m >= a && m < b) && !busy.some(([a, b]) => m >= a && m < b);
  const out: number[] = [];
  for (let m = ready; out.length < need; ) {
    const least = Math.min(need - out.length, 30);
    if (!Array.from({ length: least }, (_, k) => m + k).every(open)) {
      m++;
      continue;
    }
    while (out.length < need && open(m)) out.push(m++);
  }
  return out;
}

test('work over several days is done in the minutes that a list of minutes has free', () => {
  let broken = 0;
  for (const d of draws(80, 11)) {
    const busy = Array.from({ length: d.of(0, 6, 1) }, (): readonly [number, number] => {
      const from = d.of(0, 5 * 24 * H, 1);
      return [from, from + d.of(5, 400, 1)];
    });
    const [ready, need] = [d.of(0, 40 * H, 1), d.of(20, 30 * H, 1)];
    const hands = Hands.of(busy.map(([a, b]) => ({ fromMs: a * MIN, toMs: b * MIN })));
    const found = overDays(windows, hands, ready * MIN, need * MIN);
    const minutes = found.flatMap((w) =>
      Array.from({ length: (w.toMs - w.fromMs) / MIN }, (_, k) => w.fromMs / MIN + k),
    );
    expect([d.n, minutes]).toEqual([d.n, minuteByMinute(busy, ready, need)]);
    if (found.length > 1) broken++;
  }
  // Else the comparison would have compared one stretch with one stretch.
  expect(broken).toBeGreaterThan(40);
});

test('what fits into what is left of a day is one stretch; what does not rests at its end', () => {
  const free = Hands.of();
  expect(overDays(windows, free, 9 * H * MIN, 7 * H * MIN)).toEqual([{ fromMs: 9 * H * MIN, toMs: 16 * H * MIN }]);
  const two = overDays(windows, free, 9 * H * MIN, 8 * H * MIN);
  expect(two.map((w) => [w.fromMs / MIN / H, w.toMs / MIN / H])).toEqual([
    [9, 16],
    [32, 33],
  ]);
  // Twenty minutes before the end nobody takes up a long work.
  expect(overDays(windows, free, (16 * H - 20) * MIN, 3 * H * MIN)[0].fromMs).toBe(32 * H * MIN);
});

test('days that do not hold it are refused in a sentence, and nothing of it is dropped', () => {
  expect(() => overDays(windows, Hands.of(), 0, 81 * H * MIN)).toThrow(/No working time is left/);
  expect(worked(overDays(windows, Hands.of(), 0, 80 * H * MIN))).toBe(80 * H);
  expect(longestMs(windows)).toBe(8 * H * MIN);
  expect(longestMs([])).toBe(0);
});

test('hands that are free say until when', () => {
  const hands = Hands.of([
    { fromMs: 10, toMs: 20 },
    { fromMs: 30, toMs: 40 },
  ]);
  expect([0, 20, 25, 40].map((ms) => hands.freeUntil(ms))).toEqual([10, 30, 30, Number.POSITIVE_INFINITY]);
});
