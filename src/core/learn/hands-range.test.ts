import { finishedData, sampleData } from '@/sample/jobs';
import { seeded } from '@/sample/seeded';
import { viewJob } from '../record';
import { handsRange, learnedAs, lessonsOf, minutesLearned } from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const ZONE = 'Europe/Helsinki';
const [edges] = finishedData(NOW, ZONE).bundles;
const lessons = lessonsOf(viewJob(edges!, NOW).repairs, edges!.events);
/** A mortar patch that is still to be done. */
const ramp = sampleData(NOW, ZONE).bundles.find((b) => b.repairs.some((r) => r.id === 'sample-nosing'))!;
const nosing = viewJob({ ...ramp, events: [] }, NOW).repairs.find((r) => r.repair.id === 'sample-nosing')!;

test('a crew that needs 28 % longer is told so of the next like repair, with how far it may go', () => {
  const r = handsRange(lessons, nosing.passes)!;
  const planned = nosing.plan.steps.reduce((sum, s) => sum + s.handsOnMin, 0);
  expect(r.plannedMin).toBeCloseTo(planned, 9);
  expect(r.knownMin / r.plannedMin).toBeGreaterThan(0.8);
  expect(r.likelyMin / r.plannedMin).toBeGreaterThan(1.1);
  expect(r.likelyMin / r.plannedMin).toBeLessThan(1.4);
  expect(r.lowMin).toBeLessThan(r.likelyMin);
  expect(r.highMin).toBeGreaterThan(r.likelyMin);
});
test('what it tells holds: of two hundred like repairs of the same crew nine in ten lie inside', () => {
  const chance = seeded(77);
  const r = handsRange(lessons, nosing.passes)!;
  const steps = nosing.plan.steps.filter((s) => s.handsOnMin > 0);
  const known = (s: (typeof steps)[number]) => minutesLearned(lessons, 'mortar-patch', learnedAs(s)) !== null;
  let inside = 0;
  for (let n = 0; n < 200; n++) {
    const real = steps.reduce(
      (sum, s) => sum + s.handsOnMin * (known(s) ? 1.28 * Math.exp(0.22 * chance.normal()) : 1),
      0,
    );
    if (real >= r.lowMin && real <= r.highMin) inside++;
  }
  expect(inside).toBeGreaterThanOrEqual(180);
  // It is no range that holds everything.
  expect((r.highMin - r.lowMin) / r.likelyMin).toBeLessThan(0.7);
});
test('nothing is said where no record says anything, nor of what is done', () => {
  expect(handsRange({ learned: [], notes: [], repairs: 0 }, nosing.passes)).toBeNull();
  const done = viewJob(edges!, NOW).repairs[0]!;
  expect(handsRange(lessons, done.passes)).toBeNull();
});
