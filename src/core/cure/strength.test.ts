import { mortarSheet, pasteSheet, resinSheet } from '../../sample/systems';
import { seriesOf } from '../climate';
import { Refusal } from '../say';
import { milestoneOf, parseStrengthPoints, Strength, strengthText } from '../system';
import { monotoneCurve, paceOf, progressAlong, reach, steady } from '.';

const H = 3_600_000;

describe('the monotone curve', () => {
  const x = [0, 1, 2, 4, 5, 9];
  const y = [0, 0, 3, 3.1, 8, 8];
  const at = monotoneCurve(x, y);

  test('runs through its points, never falls where they do not, and never leaves their range', () => {
    for (const [i, v] of x.entries()) expect(at(v)).toBeCloseTo(y[i]!, 12);
    let last = at(-1);
    for (let t = -1; t <= 10; t += 0.01) {
      const v = at(t);
      expect(v).toBeGreaterThanOrEqual(last - 1e-12);
      expect(v).toBeLessThanOrEqual(8);
      last = v;
    }
  });

  test('a straight row of points gives the straight line; level stretches stay level', () => {
    const line = monotoneCurve([0, 1, 3, 7], [0, 2, 6, 14]);
    for (let t = 0; t <= 7; t += 0.13) expect(line(t)).toBeCloseTo(2 * t, 10);
    for (let t = 0; t <= 1; t += 0.1) expect(at(t)).toBe(0);
  });

  test('slopes agree across its points: no kinks', () => {
    const d = 1e-6;
    for (const v of x.slice(1, -1)) expect((at(v + d) - at(v)) / d - (at(v) - at(v - d)) / d).toBeCloseTo(0, 3);
  });

  test('one point is a level line; places that do not rise are refused', () => {
    expect(monotoneCurve([3], [7])(100)).toBe(7);
    expect(() => monotoneCurve([1, 1], [2, 3])).toThrow(Refusal);
  });
});

describe('progress along a history', () => {
  const load = milestoneOf(mortarSheet, 'load')!;
  const options = { label: 'load', cureMinC: 5, clock: 'waiting' as const };
  const pace = paceOf(load, 'long', 'resin-amine');
  // Two cold nights and a mild day, in pieces of some hours.
  const history = seriesOf(
    [0, 5, 11, 16, 22, 30, 38, 47, 55, 70, 200, 400].map((h, i) => [
      h * H,
      [12, 7, 3, 9, 18, 14, 6, 4, 16, 21, 12, 11][i]!,
    ]),
  );

  test('is 1 exactly where the milestone is reached', () => {
    const { atMs } = reach(pace, history, 2 * H, options);
    const along = progressAlong(pace, history, 2 * H, options);
    // A history with a sample at that instant shows it.
    const split = seriesOf(
      [...history.times].flatMap((t, i) =>
        t < atMs && history.times[i + 1]! > atMs
          ? [
              [t, history.values[i]!],
              [
                atMs,
                history.values[i]! +
                  ((history.values[i + 1]! - history.values[i]!) * (atMs - t)) / (history.times[i + 1]! - t),
              ],
            ]
          : [[t, history.values[i]!]],
      ) as [number, number][],
    );
    const there = progressAlong(pace, split, 2 * H, options);
    expect(there.values[[...there.times].indexOf(atMs)]).toBeCloseTo(1, 4);
    expect(along.values.at(-1)!).toBeGreaterThan(1);
  });

  test('adds up over split histories, never falls, and stands still below the sheet’s least', () => {
    const whole = progressAlong(pace, history, 0, options);
    const k = 5;
    const first = whole.values[k]!;
    const rest = progressAlong(pace, history, history.times[k]!, options);
    expect(first + rest.values.at(-1)!).toBeCloseTo(whole.values.at(-1)!, 9);
    for (let i = 1; i < whole.values.length; i++) expect(whole.values[i]!).toBeGreaterThanOrEqual(whole.values[i - 1]!);
    const cold = progressAlong(pace, steady(4, 0, 90 * H), 0, options);
    expect(cold.values.at(-1)).toBe(0);
  });

  test('bands: time credited over the coldest band met, as where they are reached', () => {
    const m = milestoneOf(resinSheet, 'load')!;
    const p = paceOf(m, 'long', resinSheet.family);
    const o = { label: 'load', cureMinC: resinSheet.limits.cureMinC, clock: 'waiting' as const };
    const { atMs } = reach(p, steady(12, 0, 90 * H), 0, o);
    expect(progressAlong(p, steady(12, 0, atMs), 0, o).values.at(-1)).toBeCloseTo(1, 9);
  });

  test('ends where the temperature leaves the table', () => {
    const hot = seriesOf([
      [0, 20],
      [10 * H, 20],
      [20 * H, 90],
    ]);
    const along = progressAlong(pace, hot, 0, options);
    expect(along.times.at(-1)).toBe(10 * H);
  });
});

describe('strength as typed', () => {
  test('reads ages and stress in any unit, and comes back as the same points', () => {
    const points = parseStrengthPoints('1 d: 41 MPa\n72 h: 58 N/mm2\n7 d: 9718 psi', 'strength', 'metric');
    expect(points.map((p) => p.afterMin)).toEqual([1440, 4320, 10080]);
    expect(points[2]!.mpa).toBeCloseTo(67, 1);
    const s = Strength.parse({ test: 'compression', tempC: 20, points: points.slice(0, 2), characteristicMpa: null });
    expect(parseStrengthPoints(strengthText(s), 'strength', 'us')).toEqual(s.points);
    expect(pasteSheet.strength!.points.length).toBeGreaterThan(1);
  });

  test.each([
    '1 d 32 MPa\n7 d 50 MPa',
    '24h 32MPa; 7d 50MPa',
    'after 1 day: 32 N/mm²\nafter 1 week: 50 N/mm²',
    '32 MPa after 24 h\n50 MPa after 7 days',
    '32 MPa (1 d)\n50 MPa (7 d)',
    'nach 1 Tag: 32 MPa\nnach 7 Tagen: 50 MPa',
  ])('whichever stands first and whatever joins them: %j', (text) => {
    expect(parseStrengthPoints(text, 'strength', 'metric')).toEqual([
      { afterMin: 1440, mpa: 32 },
      { afterMin: 10_080, mpa: 50 },
    ]);
  });

  test.each([
    ['', /at least one line/i],
    ['45 MPa', /Line 1/],
    ['tomorrow: 3 MPa', /Line 1/],
    ['1 d: strong', /Line 1/],
    ['1 d: 30 MPa\n12 h: 40 MPa', /does not come after/],
    ['1 d: 30 MPa\n2 d: 20 MPa', /less than/],
    ['1 d: 0 MPa', /Line 1/],
  ])('“%s” is refused with its line', (text, sentence) => {
    expect(() => parseStrengthPoints(text, 'strength', 'metric')).toThrow(sentence);
  });
});
