import { DateTime } from 'luxon';
import { PLAIN_READER, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { humidityOf, valueAt } from '../climate';
import { paceOf } from '../cure';
import { type Job, type Piece, pieceOf, repairOf } from '../plan';
import { viewJob } from '../record';
import type { Said } from '../say';
import { placings } from './rules/rule';

/** What a finding of air, base or dew names is what was met at the minute it names: held to a look at every minute. */
const zone = 'Europe/Helsinki';
const instant = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
const NOW = instant('2026-05-05T06:00');
const MIN = 60_000;
const { bundles } = sampleData(NOW, zone);
const job: Job = { ...bundles[0]!.job, wantedAt: null, climate: { kind: 'constant', tempC: 16, humidityPct: 50 } };
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const sentence = (said: Said) => say(said, { ...PLAIN_READER, zone });

const seen = (over: Partial<Piece>, jobOver: Partial<Job> = {}, sheets = sampleSheets) => {
  const repair = { ...nosing, ...over };
  const bundle = {
    job: { ...job, ...jobOver },
    repairs: [repairOf(repair)],
    sheets,
    stock: [],
    events: [],
  };
  const { plan, findings } = viewJob(bundle, NOW).repairs[0]!;
  return { plan, found: (id: string) => findings.find((f) => f.id === id) };
};
/** The base as it was met: so warm at each of these instants, evenly from one to the next. */
const known = (...at: readonly (readonly [iso: string, tempC: number])[]): Partial<Piece> => ({
  base: { ...nosing.base, known: at.map(([iso, tempC]) => ({ atMs: instant(iso), tempC })) },
});
type Plan = ReturnType<typeof seen>['plan'];
/** Every minute in which something is placed. */
const minutesOf = (plan: Plan) =>
  placings(plan).flatMap(({ fromMs, toMs }) =>
    Array.from({ length: Math.ceil((toMs - fromMs) / MIN) + 1 }, (_, i) => Math.min(fromMs + i * MIN, toMs)),
  );
const lowest = (plan: Plan, what: (ms: number) => number) =>
  minutesOf(plan).reduce((a, b) => (what(b) < what(a) ? b : a));
const clock = (ms: number) => DateTime.fromMillis(ms, { zone }).toFormat('HH:mm');

test('a base that cools while it is placed on is told with the minute at which it is coldest', () => {
  const { plan, found } = seen(known(['2026-05-06T07:00', 8], ['2026-05-06T07:50', 3], ['2026-05-09T06:00', 12]));
  const coldest = lowest(plan, (ms) => valueAt(plan.thermal!.base, ms));
  const [first] = placings(plan);
  expect(coldest).toBeGreaterThan(first!.fromMs + 5 * MIN);
  const says = sentence(found('base-temperature:cold')!.why);
  expect(says).toContain(clock(coldest));
  expect(says).toContain(`${valueAt(plan.thermal!.base, coldest).toFixed(1).replace(/\.0$/, '').replace('-', '−')} °C`);
});

test('a base that is warmest at noon is told with that minute, not with the first of the placing', () => {
  const { plan, found } = seen(
    known(['2026-05-06T06:00', 20], ['2026-05-06T07:38', 44], ['2026-05-06T08:30', 20], ['2026-05-09T06:00', 20]),
  );
  const warmest = lowest(plan, (ms) => -valueAt(plan.thermal!.base, ms));
  expect(sentence(found('base-temperature:hot')!.why)).toContain(clock(warmest));
});

test('the cold night between two lifts is no placing, and stops none', () => {
  const twoDays = known(
    ['2026-05-06T06:00', 12],
    ['2026-05-06T20:00', 12],
    ['2026-05-07T01:00', 2],
    ['2026-05-07T05:30', 12],
    ['2026-05-09T06:00', 12],
  );
  const { plan, found } = seen({ ...twoDays, plannedStart: instant('2026-05-06T16:00') });
  const days = placings(plan).map(({ fromMs }) => DateTime.fromMillis(fromMs, { zone }).day);
  expect([days[0], days.at(-1)]).toEqual([6, 7]);
  expect(plan.sheet!.limits.baseMinC).toBeGreaterThan(2);
  expect(found('base-temperature:cold')).toBeUndefined();
});

test('dew between the beginning and the end of the placing is seen, with its minute', () => {
  // A damp hour whose worst lies inside it.
  const dryBase = known(['2026-05-05T06:00', 16]);
  const later = { ...dryBase, plannedStart: seen(dryBase).plan.steps[0]!.startMs + 8 * MIN };
  const { plan: dry } = seen(later);
  const { fromMs } = placings(dry)[0]!;
  // Weather is kept by quarters of an hour: the one that falls inside it.
  const wetMs = Math.ceil(fromMs / (15 * MIN)) * 15 * MIN;
  const row = (atMs: number, humidityPct: number) => ({ atMs, tempC: 16, humidityPct, spreadK: 0 });
  const rows = [
    row(NOW - 3 * 86_400_000, 45),
    row(wetMs - 15 * MIN, 45),
    row(wetMs, 97),
    row(wetMs + 15 * MIN, 45),
    row(NOW + 9 * 86_400_000, 45),
  ];
  const { plan, found } = seen(later, {
    climate: { kind: 'hourly', source: 'typed', standIn: false, humidityPct: 45, rows },
  });
  expect(placings(plan)[0]!.toMs).toBeGreaterThan(wetMs);
  const { base, air, dew } = plan.thermal!;
  const nearest = lowest(plan, (ms) => valueAt(base, ms) - valueAt(dew, ms));
  const need = plan.sheet!.limits.dewMarginK!;
  expect(valueAt(base, nearest) - valueAt(dew, nearest)).toBeLessThan(need);
  expect(sentence(found('dew')!.why)).toContain(clock(nearest));
  const dampest = lowest(plan, (ms) => -humidityOf(valueAt(air, ms), valueAt(dew, ms)));
  expect(sentence(found('humidity')!.why)).toContain(clock(dampest));
});

describe('where the pot is planned by the hotter of material and base, at the end of the sheet', () => {
  const { milestones, family } = sampleSheets.find((s) => s.id === nosing.sheetId)!;
  const told = paceOf(milestones.find((m) => m.kind === 'use-by')!, 'short', family);
  const on = (baseC: number, materialC: number) =>
    seen({ ...known(['2026-05-05T06:00', baseC]), materialC }).found('material-temperature');

  test('a base beyond it is a caution with both temperatures; nothing is refused for it', () => {
    const found = on(told.highC + 4, 18)!;
    expect(sentence(found.title)).toBe('Base hotter than the sheet tells for the pot');
    expect(sentence(found.why)).toMatch(
      new RegExp(`^${told.highC + 4}(\\.0)? °C at .* ends at ${told.highC}(\\.0)? °C`),
    );
    expect(on(told.highC - 1, 18)).toBeUndefined();
    expect(seen({ ...known(['2026-05-05T06:00', told.highC + 4]), materialC: 18 }).plan.problems).toEqual([]);
  });
  test('material colder than it, on a base that is not: a caution, unless the sheet has a limit of its own', () => {
    const silent = sampleSheets.map((s) => ({ ...s, limits: { ...s.limits, materialMinC: null } }));
    const cold = { ...known(['2026-05-05T06:00', told.lowC + 8]), materialC: told.lowC - 2 };
    const title = (sheets: typeof sampleSheets) =>
      sentence(seen(cold, {}, sheets).found('material-temperature')!.title);
    expect(title(silent)).toBe('Material colder than the sheet tells');
    expect(title(sampleSheets)).toBe('Material too cold to mix');
    const warm = { ...cold, materialC: told.lowC + 1 };
    expect(seen(warm, {}, silent).found('material-temperature')).toBeUndefined();
  });
});
