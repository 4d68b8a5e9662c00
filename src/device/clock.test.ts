import { createClock } from './clock';

/** A device whose clock can be set, and whose time passes by itself. */
const device = (start = 1_800_000_000_000) => {
  let [passed, set] = [0, 0];
  return {
    source: { wall: () => start + passed + set, mono: () => passed },
    pass: (ms: number) => {
      passed += ms;
    },
    setBy: (ms: number) => {
      set += ms;
    },
    start,
  };
};
const HOUR = 3_600_000;

test('while nobody sets it, own time is the device’s', () => {
  const d = device();
  const clock = createClock(d.source);
  d.pass(90_000);
  expect([clock.now(), clock.aheadMs()]).toEqual([d.start + 90_000, 0]);
  // Kept true by small steps: that is no jump, and is followed.
  for (let i = 0; i < 20; i++) {
    d.pass(1000);
    d.setBy(40);
    clock.now();
  }
  expect([clock.now(), clock.aheadMs()]).toEqual([d.start + 110_800, 0]);
});

test.each([2.8 * HOUR, -2.8 * HOUR])(
  'set by %d ms, own time runs on evenly until somebody says which is right',
  (by) => {
    const d = device();
    const clock = createClock(d.source);
    clock.now();
    d.setBy(by);
    d.pass(60_000);
    expect(clock.now()).toBe(d.start + 60_000);
    expect(clock.aheadMs()).toBe(by);
    // Nobody knows which is right: a pot is judged by the later one, a wait by own time.
    expect(clock.latest()).toBe(d.start + 60_000 + Math.max(0, by));
    // Set back again by itself: nothing is left to ask.
    d.setBy(-by);
    d.pass(1000);
    expect([clock.now(), clock.aheadMs()]).toEqual([d.start + 61_000, 0]);
    d.setBy(by);
    clock.now();
    clock.follow();
    expect([clock.now(), clock.aheadMs()]).toEqual([d.start + 61_000 + by, 0]);
  },
);

test('a page opened again goes on where the last left off: never back, and never ahead of a jump nobody has judged', () => {
  const ahead = device();
  const first = createClock(ahead.source);
  ahead.setBy(2 * HOUR);
  first.now();
  const next = createClock(ahead.source, first.memory());
  expect([next.now(), next.aheadMs()]).toEqual([ahead.start, 2 * HOUR]);
  // Set back while no page was open.
  const back = device();
  const before = createClock(back.source);
  before.now();
  const kept = before.memory();
  back.setBy(-3 * HOUR);
  const after = createClock(back.source, kept);
  expect([after.now(), after.aheadMs()]).toEqual([back.start, -3 * HOUR]);
  // Behind as it was left and right since: nothing is taken off it, waits end later rather than sooner.
  const late = createClock(back.source, { lastMs: back.start - 4 * HOUR, aheadMs: -2 * HOUR });
  expect(late.now()).toBe(back.start - 3 * HOUR);
});
