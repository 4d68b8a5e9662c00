import fc from 'fast-check';
import { say } from '@/words';
import { between, GRAIN_UM, GRITS, type GritId, gritsIn, ladderOf, SKIP_MOST, scratchMm, skipsOf } from '.';
import { coatOffMm, rungWords, TAKEN_OFF } from './ladder';

const reader = { system: 'metric', zone: 'utc', language: 'en' } as const;
const spec = { coarsest: 'P80', to: 'P180', offMm: () => 0 } as const;
type Asked = Parameters<typeof ladderOf>[1];
const ask = (over: Partial<Asked> = {}): Asked => ({
  offMm: 0.5,
  areaM2: 0.2094,
  places: 1,
  takesOffMlMin: TAKEN_OFF.soft,
  to: null,
  wet: false,
  washed: false,
  own: [],
  ...over,
});
const grits = (over: Partial<Asked> = {}, s: Parameters<typeof ladderOf>[0] = spec) =>
  ladderOf(s, ask(over)).rungs.map((r) => r.grit);
const grade = (g: GritId) => Number(g.slice(1));

test('grains fall from grade to grade, and are those of the standard at three of them', () => {
  for (const [i, g] of GRITS.slice(1).entries()) expect([g, GRAIN_UM[g] < GRAIN_UM[GRITS[i]!]]).toEqual([g, true]);
  expect([GRAIN_UM.P80, GRAIN_UM.P240, GRAIN_UM.P2000]).toEqual([201, 58.5, 10.3]);
});

test('a door of dosed filler: P80, P120, P180, three quarters of an hour', () => {
  const { rungs } = ladderOf(spec, ask());
  expect(rungs.map((r) => r.grit)).toEqual(['P80', 'P120', 'P180']);
  // By hand: 104.7 mL at 4 mL/min; then 80 µm and 50 µm over the face at 2.49 and 1.63 mL/min; one minute each to look.
  expect(rungs[0]!.minutes).toBeCloseTo(1 + 104.7 / 4, 2);
  expect(rungs[1]!.minutes).toBeCloseTo(1 + (0.0804 * 209.4) / (4 * (125 / 201)), 2);
  expect(rungs[2]!.minutes).toBeCloseTo(1 + (0.05 * 209.4) / (4 * (82 / 201)), 2);
  const all = rungs.reduce((s, r) => s + r.minutes, 0);
  expect([all > 40, all < 48]).toEqual([true, true]);
});

test('a coat on a patch begins fine and ends in gloss, no step more than twice as fine', () => {
  const coat = { coarsest: 'P400', to: 'P1500', offMm: () => 0.3 } as const;
  expect(grits({ offMm: 0.3, areaM2: 0.01, takesOffMlMin: 2 }, coat)).toEqual(['P400', 'P800', 'P1500']);
  expect(grits({ offMm: 0.3, areaM2: 0.01, takesOffMlMin: 2, to: 'P800' }, coat)).toEqual(['P400', 'P800']);
});

test('what is to come off decides the first grit: more of it, or over more, never a finer one', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.double({ min: 0, max: 2, noNaN: true }),
      fc.double({ min: 1e-4, max: 3, noNaN: true }),
      fc.constantFrom(...Object.values(TAKEN_OFF)),
      (off, more, areaM2, takesOffMlMin) => {
        const [a, b] = [off, off + more].map((offMm) => ladderOf(spec, ask({ offMm, areaM2, takesOffMlMin })).rungs);
        expect(GRAIN_UM[b![0]!.grit]).toBeGreaterThanOrEqual(GRAIN_UM[a![0]!.grit]);
        expect(b!.reduce((s, r) => s + r.minutes, 0)).toBeGreaterThanOrEqual(
          a!.reduce((s, r) => s + r.minutes, 0) - 1e-9,
        );
        for (const rungs of [a!, b!]) {
          expect(skipsOf(rungs.map((r) => r.grit))).toEqual([]);
          expect(rungs.at(-1)!.grit).toBe('P180');
          expect(grade(rungs[0]!.grit)).toBeGreaterThanOrEqual(80);
          for (const r of rungs) expect(Number.isFinite(r.minutes) && r.minutes >= 1).toBe(true);
        }
      },
    ),
  );
});

test('small as it is, a coat is not cut back with the last grit, nor a gouge with what only dulls it', () => {
  const small = { areaM2: 1e-4, takesOffMlMin: 2 };
  expect(grits({ ...small, offMm: 0.3 }, { coarsest: 'P400', to: 'P1500', offMm: () => 0.3 })).toEqual([
    'P400',
    'P800',
    'P1500',
  ]);
  expect(grits({ ...small, offMm: 0.5, takesOffMlMin: 1 }, { coarsest: 'P80', to: 'P240', offMm: () => 0.5 })).toEqual([
    'P120',
    'P240',
  ]);
});

test('a patch of coat is taken down to its neighbour, half a square metre loses its peel, in hours and not in days', () => {
  const off = (m2: number) => coatOffMm({ measured: { faces: { planAreaMm2: m2 * 1e6 } } } as never);
  expect([off(0.01), off(0.02)]).toEqual([0.3, 0.3]);
  expect(off(0.5)).toBeCloseTo(0.06, 9);
  for (const areaM2 of [0.005, 0.05, 0.2, 0.5, 2]) {
    const { rungs } = ladderOf(
      { coarsest: 'P400', to: 'P1500', offMm: () => 0 },
      ask({ offMm: off(areaM2), areaM2, takesOffMlMin: 2 }),
    );
    expect([areaM2, rungs.map((r) => r.grit)]).toEqual([areaM2, ['P400', 'P800', 'P1500']]);
    // By hand a practised pair of hands does a square metre of three grits in half a day.
    expect([areaM2, rungs.reduce((s, r) => s + r.minutes, 0) / (areaM2 + 0.1) < 360]).toEqual([areaM2, true]);
  }
});

test('no first grit goes deeper than half of what stands proud, where a finer one serves', () => {
  for (const offMm of [0.1, 0.2, 0.3, 0.5]) {
    const [first] = ladderOf({ ...spec, coarsest: 'P24', to: 'P320' }, ask({ offMm, areaM2: 1 })).rungs;
    expect([offMm, scratchMm(first!.grit) <= offMm / 2]).toEqual([offMm, true]);
  }
});

test('between any two grits as few as keep to the rule, found by trying all; none where there is no gap', () => {
  const box = [
    'P40',
    'P60',
    'P80',
    'P120',
    'P180',
    'P240',
    'P320',
    'P400',
    'P600',
    'P800',
    'P1000',
    'P1200',
    'P1500',
    'P2000',
  ] as const;
  /** Fewest steps over the box, breadth first. */
  const fewest = (from: GritId, to: GritId): number => {
    let edge: GritId[] = [from];
    for (let n = 0; n < 20; n++) {
      if (edge.some((g) => grade(to) <= grade(g) * SKIP_MOST)) return n;
      edge = box.filter((b) => edge.some((g) => grade(b) > grade(g) && grade(b) <= grade(g) * SKIP_MOST));
    }
    return Number.POSITIVE_INFINITY;
  };
  for (const from of box)
    for (const to of box.filter((t) => grade(t) > grade(from))) {
      const put = between(from, to);
      expect([from, to, skipsOf([from, ...put, to])]).toEqual([from, to, []]);
      expect([from, to, put.length]).toEqual([from, to, fewest(from, to)]);
    }
});

test('grits of one’s own are taken as they are, and a skip is told with what belongs between', () => {
  expect(grits({ own: gritsIn('p320, P80') })).toEqual(['P80', 'P320']);
  expect(skipsOf(['P80', 'P320'])).toEqual(
    [{ from: 'P80', to: 'P320', between: ['P120', 'P240'].slice(0, 2) }].map((s) => ({
      ...s,
      between: between('P80', 'P320'),
    })),
  );
  expect(gritsIn('P80 P81 grit 120 P 180 p120,p120')).toEqual(['P80', 'P120']);
  expect(gritsIn('')).toEqual([]);
});

test('the words: what comes off and how long, then the scratches of the one before; an amine film is washed off first', () => {
  const said = { title: { id: 'gap.size' }, detail: { id: 'gap.size' }, confirm: { id: 'gap.datum' } };
  const ladder = ladderOf(spec, ask({ areaM2: 1.3, washed: true, wet: true }));
  expect([ladder.wet, ladder.sections]).toEqual([true, 3]);
  const words = rungWords(ladder, said).map(
    (r) => [r.id, say(r.title, reader), say(r.detail, reader), r.hold] as const,
  );
  expect(words.map((w) => w[0])).toEqual(['wash', 'p80', 'p120', 'p180']);
  expect(words[0]![3]).toBe(false);
  expect(words[1]![2]).toMatch(/^500 µm|^0\.5 mm/);
  expect(words[1]![2]).toMatch(/In 3 masked sections/);
  expect(words[2]![2]).toMatch(/across those of P80/);
  expect(say(rungWords(ladder, said).at(-1)!.confirm, reader)).toBe('the datum');
  // Of wet paper: laid in water first, before anything is washed; of dry paper nothing.
  const soaked = rungWords({ ...ladder, soakMin: 30 }, said);
  expect(soaked.map((r) => [r.id, r.ahead ?? false]).slice(0, 2)).toEqual([
    ['soak', true],
    ['wash', false],
  ]);
  expect(say(soaked[0]!.title, reader)).toBe('Lay P80, P120, and P180 in water');
  expect(say(soaked[0]!.detail, reader)).toMatch(/at least 30 min before/);
  expect(ladderOf(spec, ask({ wet: false, soakMin: 30 })).soakMin).toBe(0);
  // What drinks water is never sanded with it.
  expect(ladderOf({ ...spec, dry: true }, ask({ wet: true })).wet).toBe(false);
});
