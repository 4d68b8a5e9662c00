import type { ScaleReading } from './scale';
import { displayG, EMPTY_PAN, panAfter, simulatedScale, tared, USUAL_SCALE } from './simulated-scale';

/** A clock that is turned by hand. */
function handClock() {
  let now = 0;
  const runs: { ms: number; next: number; run: () => void }[] = [];
  return {
    now: () => now,
    every: (ms: number, run: () => void) => {
      const entry = { ms, next: now + ms, run };
      runs.push(entry);
      return () => {
        runs.splice(runs.indexOf(entry), 1);
      };
    },
    turn: (ms: number) => {
      for (const end = now + ms; now < end; ) {
        now += 20;
        for (const r of [...runs])
          if (r.next <= now) {
            r.next += r.ms;
            r.run();
          }
      }
    },
    running: () => runs.length,
  };
}

test('what runs in is what lands: the steps may be long or short', () => {
  const c = { ...USUAL_SCALE, driftGPerMin: 0 };
  const pour = (dt: number) => {
    let s = EMPTY_PAN;
    for (let t = 0; t < 4 - 1e-9; t += dt) s = panAfter(s, dt, true, c);
    for (let t = 0; t < 4 - 1e-9; t += dt) s = panAfter(s, dt, false, c);
    return s;
  };
  expect(pour(0.01).massG).toBeCloseTo(pour(1).massG, 6);
  // Start and drip cancel: four seconds of pouring land as four seconds of pouring.
  expect(pour(0.1).massG).toBeCloseTo(4 * c.pourGPerS, 3);
});

test('stopping overshoots: what is under way still arrives', () => {
  let s = EMPTY_PAN;
  for (let i = 0; i < 40; i++) s = panAfter(s, 0.1, true, USUAL_SCALE);
  const atStop = s.massG;
  for (let i = 0; i < 40; i++) s = panAfter(s, 0.1, false, USUAL_SCALE);
  expect(s.massG - atStop).toBeCloseTo(USUAL_SCALE.pourGPerS * USUAL_SCALE.dripS, 2);
});

test('taring is nought, the zero creeps, the display shows its step', () => {
  let s = tared({ ...EMPTY_PAN, massG: 300, shownG: 300 });
  expect(displayG(s, 0, USUAL_SCALE)).toBe(0);
  for (let i = 0; i < 600; i++) s = panAfter(s, 0.1, false, USUAL_SCALE);
  expect(s.shownG).toBeCloseTo(USUAL_SCALE.driftGPerMin, 2);
  expect((displayG({ ...s, shownG: 12.34 }, 0, USUAL_SCALE) * 10) % 1).toBeCloseTo(0, 9);
});

test('it streams, says when it rests, wavers by its noise, and tells when it is unplugged', () => {
  const clock = handClock();
  const scale = simulatedScale(USUAL_SCALE, 3, clock);
  const heard: ScaleReading[] = [];
  const letGo = scale.listen((r) => heard.push(r));
  scale.tare();
  scale.pour(true);
  clock.turn(2000);
  expect(heard.at(-1)).toMatchObject({ kind: 'reading', stable: false });
  scale.pour(false);
  clock.turn(4000);
  const resting = heard.slice(-20).flatMap((r) => (r.kind === 'reading' ? [r] : []));
  expect(resting.every((r) => r.stable)).toBe(true);
  const grams = resting.map((r) => r.grams);
  expect(Math.max(...grams) - Math.min(...grams)).toBeLessThan(8 * USUAL_SCALE.noiseG);
  expect(grams.at(-1)!).toBeGreaterThan(30);
  scale.plug(false);
  const count = heard.length;
  expect(heard.at(-1)).toMatchObject({ kind: 'lost', lastGrams: grams.at(-1) });
  clock.turn(1000);
  expect(heard).toHaveLength(count);
  scale.plug(true);
  clock.turn(200);
  expect(heard.at(-1)!.kind).toBe('reading');
  letGo();
  expect(clock.running()).toBe(0);
});
