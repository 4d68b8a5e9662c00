import { methodsData, sampleData } from '@/sample/jobs';
import { viewJob } from '../record';
import { isPacedKind, parsePaced } from '../typed';
import { type Piece, pacedAmounts, pacedMinutes, pieceOf, repairOf } from '.';

/** What a pace is told by is held against the minutes that its steps then take. */
const NOW = Date.UTC(2027, 3, 20, 4);
const bundles = [sampleData, methodsData].flatMap((of) => [...of(NOW, 'Europe/Helsinki').bundles]);
const PACES = ['rate', 'coat-rate', 'lay-rate'];

interface Paced {
  readonly id: string;
  readonly plan: (settings: Piece['settings']) => ReturnType<typeof viewJob>['repairs'][number]['plan'];
}
const all: readonly Paced[] = bundles.flatMap((bundle) =>
  bundle.repairs.map((repair): Paced => {
    const piece = { ...pieceOf(repair), crew: 1, reserve: false } as Piece;
    return {
      id: repair.id,
      plan: (settings) =>
        viewJob(
          {
            job: {
              ...bundle.job,
              startFrom: NOW,
              workingHours: { fromHour: 0, toHour: 24, days: [1, 2, 3, 4, 5, 6, 7] },
            },
            repairs: [repairOf({ ...piece, settings: { ...piece.settings, ...settings } })],
            sheets: bundle.sheets,
            stock: [],
            events: [],
          },
          NOW,
        ).repairs[0]!.plan,
    };
  }),
);

/** Minutes of all steps that a setting is a factor of. */
const minutesBy = (plan: ReturnType<Paced['plan']>, id: string): number =>
  plan.steps.filter((s) => s.factors.includes(id)).reduce((sum, s) => sum + (s.endMs - s.startMs) / 60_000, 0);

test('told for all of it, by the metre, the square metre or the piece, the steps take that long together', () => {
  const seen: string[] = [];
  for (const { id, plan } of all) {
    const before = plan({});
    const setting = before.method?.settings.find((s) => PACES.includes(s.id));
    const amounts = setting && pacedAmounts(before, setting);
    if (!setting || !amounts || !isPacedKind(setting.kind)) continue;
    // As long as it takes by now, so that it still comes out of as many pots.
    const now = minutesBy(before, setting.id);
    if (!now || !amounts.all || before.problems.length) continue;
    const steps = before.steps.filter((x) => x.factors.includes(setting.id)).length;
    for (const [by, text] of [
      ['all', `${now} min in all`],
      ['m', `${(now * amounts.m!) / amounts.all} min a metre`],
      ['place', `${(now * amounts.place!) / amounts.all} min each`],
      ['m2', `${(now * amounts.m2!) / amounts.all} min/m²`],
    ] as const) {
      if (amounts[by] === null) continue;
      const read = parsePaced(setting.kind, text, 'metric', amounts);
      expect([id, by, read.ok]).toEqual([id, by, true]);
      if (!read.ok) continue;
      const after = minutesBy(plan({ [setting.id]: read.value }), setting.id);
      // Steps are laid out in whole minutes.
      expect([id, by, Math.abs(after - now) <= steps]).toEqual([id, by, true]);
      seen.push(by);
    }
  }
  // Several coats among them: all of it is all of them.
  expect([...new Set(seen)].sort()).toEqual(['all', 'm', 'm2', 'place']);
  expect(seen.length).toBeGreaterThan(25);
});

test('a hand’s breadth is not told by the metre', () => {
  const small = { all: 20, m: 500, m2: 5000, place: null, places: 1 };
  expect(pacedMinutes(small, 'rate', 5)).toEqual({
    all: 4,
    m: null,
    ft: null,
    m2: null,
    ft2: null,
    place: null,
  });
  const long = pacedMinutes({ ...small, all: 5000 }, 'rate', 50);
  expect([long.m, long.ft, long.m2]).toEqual([10, expect.closeTo(3.048, 9), 100]);
});
