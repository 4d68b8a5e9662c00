import { z } from 'zod';
import { exactly, minutes, newtons, percent, type Said, texts, type Value } from '../say';
import { Figure } from '../units';

/** What gave way when a disc was pulled off. */
export const FAILURES = {
  base: 'in the base',
  bond: 'between base and repair',
  repair: 'in the repair',
  glue: 'in the glue of the disc',
} as const;
export const Failure = z.enum(Object.keys(FAILURES) as [keyof typeof FAILURES, ...(keyof typeof FAILURES)[]]);
export type Failure = z.infer<typeof Failure>;

/** A test that gives a figure. */
export interface MeasuredKind {
  readonly label: string;
  /** What the figure is. */
  readonly quantity: 'count' | 'stress' | 'length' | 'duration';
  /** Whether the figure must be at least, at most, or near what was read before. */
  readonly wants: 'least' | 'most' | 'near';
  readonly limit: string;
  /** How many readings are usual. */
  readonly count: number;
  /** It names what gave way. */
  readonly fails?: true;
  /** The figure says nothing without the scale it was read on. */
  readonly scaled?: true;
  /** A load is put on some of the places and held; one that fails doubles how many are tried, two and all are. */
  readonly held?: true;
  readonly how: string;
  readonly counts: string;
}

/** However small the share that is tried, no fewer than that many places prove the others. */
const LEAST_PROVED = 3;

/**
 * The table of tests by figures; how many and how much is asked is the specification’s, the sheet’s or the client’s.
 */
export const MEASURED_KINDS = {
  hardness: {
    label: 'hardness reading',
    quantity: 'count',
    wants: 'least',
    limit: 'At least',
    count: 3,
    scaled: true,
    how: 'The tester square on, read at once or after the time its scale asks; places apart, not at an edge; on the repair itself, not on the cup alone.',
    counts: 'Every reading reaches what is asked, on the same scale.',
  },
  'pull-off': {
    label: 'pull-off',
    quantity: 'stress',
    wants: 'least',
    limit: 'At least',
    count: 3,
    fails: true,
    how: 'Core drilled into the base, disc glued, pulled slowly and square.',
    counts:
      'Every one reaches what is asked. Torn in the glue of the disc below it: that one does not count and is made again. Torn in the base below it: the base is the weak place, and that is for whoever asked.',
  },
  reading: {
    label: 'reading against the dry trial',
    quantity: 'count',
    wants: 'near',
    limit: 'Off by no more than, in %',
    count: 3,
    how: 'The same instrument, the same places: at the start, in the middle and at the end of the travel.',
    counts: 'Every reading lies as near to the dry trial as is asked.',
  },
  proof: {
    label: 'proof pull',
    quantity: 'length',
    wants: 'most',
    limit: 'Moves at most',
    count: LEAST_PROVED,
    held: true,
    how: 'Gauge against the rod, its foot clear of the load; pulled slowly to the load, held there by the clock, and read at the end.',
    counts:
      'None moves further than is asked. One that does: as many again are tried; two: every one of them. What has failed is out, and is set anew beside it.',
  },
  level: {
    label: 'under the straightedge',
    quantity: 'length',
    wants: 'most',
    limit: 'At most',
    count: 3,
    how: 'Straightedge of the length that was asked, laid both ways; the largest gap by wedge or feeler.',
    counts: 'No gap is larger than is asked.',
  },
  leak: {
    label: 'held without a leak',
    quantity: 'duration',
    wants: 'least',
    limit: 'At least',
    count: 1,
    how: 'Filled or put under its pressure, dry paper under every seam; by the clock.',
    counts: 'Not a drop in all that time.',
  },
} as const satisfies Readonly<Record<string, MeasuredKind>>;
export type MeasuredKindId = keyof typeof MEASURED_KINDS;
export const measuredKind = (id: MeasuredKindId): MeasuredKind => MEASURED_KINDS[id];

/** A measured test that was asked for. */
export const Acceptance = z.object({
  id: z.string().min(1).max(40),
  kind: z.enum(Object.keys(MEASURED_KINDS) as [MeasuredKindId, ...MeasuredKindId[]]),
  /** Least, most, or per cent off; in the core unit of its quantity. */
  limit: Figure.nonnegative(),
  count: z.number().int().min(1).max(60),
  /** What the mean of all must reach, or stay under, beside each by itself; null where it is not asked. */
  meanLimit: Figure.positive().nullable().default(null),
  /** What was read in the dry trial; null for other kinds. */
  reference: Figure.nullable(),
  /**
   * What is pulled or laid on, N, for how long, and the share of the places that is tried; null where it is not asked.
   */
  loadN: Figure.positive().nullable().default(null),
  heldMin: Figure.positive().nullable().default(null),
  sharePct: z.number().positive().max(100).nullable().default(null),
  /** The scale of a hardness tester, and the like. */
  scale: z.string().max(40),
  /** Who asks for it. */
  by: z.string().max(80),
});
export type Acceptance = z.infer<typeof Acceptance>;

/** What a test begins with; the limit is nobody’s until it is typed. */
export const firstAcceptance = (kind: MeasuredKindId, id: string): Acceptance => ({
  id,
  kind,
  limit: 0,
  count: measuredKind(kind).count,
  meanLimit: null,
  loadN: null,
  heldMin: null,
  sharePct: null,
  reference: null,
  scale: '',
  by: '',
});

/** One reading of a measured test. */
export interface TestReading {
  readonly value: number;
  readonly failure: Failure | null;
  readonly atMs: number;
}

const SAYS = texts('acceptance', {
  reading: '{value}',
  scaled: '{value} {scale}',
  within: 'within {share}',
  held: '{value} under {load} held for {time}',
  unset: 'What is asked has not been typed yet.',
  more: '{n, plural, one {# more reading is} other {# more readings are}} asked.',
  glue: '{n, plural, one {# did} other {# did}} not count, torn in the glue: {more, plural, one {# more is} other {# more are}} asked.',
  good: 'All {n} as asked.',
  mean: 'Each as asked, and their mean of {mean} is not: {limit} is asked of it.',
  bad: '{n, plural, one {# is} other {# are}} not as asked.',
  proving: '{n} moved too far: {more, plural, one {# more is} other {# more are}} tried, {all} in all.',
  unproved: '{n} of {all} moved too far: {n, plural, one {it is} other {they are}} out and set anew; the others hold.',
  'load-untold': 'The load, and how long it is held, have not been typed yet.',
  base: '{n, plural, one {# is} other {# are}} not as asked, torn in the base: the base is weaker than was asked, and whoever asked decides.',
});

/** A reading, or what is asked of it, in the reader’s units. */
export function readingSaid({ kind, scale }: Pick<Acceptance, 'kind' | 'scale'>, value: number): Said {
  const { quantity } = measuredKind(kind);
  const exact = exactly({ is: quantity, value });
  const told: Value = scale ? SAYS.scaled({ value: exact, scale }) : exact;
  return SAYS.reading({ value: told });
}

/** What is asked of each reading, in the reader’s units. */
export function limitSaid(asked: Acceptance): Said {
  if (measuredKind(asked.kind).wants === 'near') return SAYS.within({ share: exactly(percent(asked.limit)) });
  const limit = readingSaid(asked, asked.limit) as Value;
  const { loadN, heldMin } = asked;
  return loadN === null || heldMin === null
    ? SAYS.reading({ value: limit })
    : SAYS.held({ value: limit, load: exactly(newtons(loadN)), time: minutes(heldMin) });
}

/**
 * How many of so many places are tried: the share that is asked, at least three; twice as many once one has failed, all
 * once two have.
 * @example provedOf({ sharePct: 10, count: 3 }, 36) // 4
 */
export function provedOf(
  { sharePct, count }: Pick<Acceptance, 'sharePct' | 'count'>,
  places: number,
  failed = 0,
): number {
  const most = sharePct === null ? Math.max(places, count) : places;
  const first = sharePct === null ? count : Math.max(LEAST_PROVED, Math.ceil((sharePct / 100) * places - 1e-9));
  return failed > 1 ? most : Math.min(most, first * (failed + 1));
}

/** What readings say of a test. */
export interface Verdict {
  readonly answer: 'yes' | 'no' | 'open';
  /** Whether each reading is as asked; null for one that does not count. */
  readonly good: readonly (boolean | null)[];
  readonly mean: number | null;
  /** How many are asked by now. */
  readonly wanted: number;
  readonly why: Said;
}

const meets = (asked: Acceptance, value: number, limit: number): boolean =>
  measuredKind(asked.kind).wants === 'most' ? value <= limit : value >= limit;

const isGood = (asked: Acceptance, value: number): boolean => {
  if (measuredKind(asked.kind).wants !== 'near') return meets(asked, value, asked.limit);
  return Math.abs(value - asked.reference!) <= (asked.limit / 100) * Math.abs(asked.reference!);
};

/**
 * Holds readings against what is asked: each counts by itself, and a failure is never averaged away; then their mean,
 * where more is asked of that.
 */
export function verdictOf(asked: Acceptance, readings: readonly TestReading[], places = asked.count): Verdict {
  const isSet = asked.limit > 0 && (measuredKind(asked.kind).wants !== 'near' || !!asked.reference);
  const { held } = measuredKind(asked.kind);
  const wantedFor = (failed: number) => (held ? provedOf(asked, places, failed) : asked.count);
  const said = (answer: Verdict['answer'], good: Verdict['good'], why: Said): Verdict => {
    const counted = readings.filter((_, i) => good[i] !== null).map((r) => r.value);
    const mean = counted.length ? counted.reduce((a, b) => a + b, 0) / counted.length : null;
    return { answer, good, mean, wanted: wantedFor(good.filter((g) => g === false).length), why };
  };
  if (!isSet)
    return said(
      'open',
      readings.map(() => null),
      SAYS.unset(),
    );
  const good = readings.map(({ value, failure }) => {
    const fits = isGood(asked, value);
    // Glue that held as much as was asked proves that much of the rest.
    return !fits && failure === 'glue' ? null : fits;
  });
  const bad = readings.filter((_, i) => good[i] === false);
  const n: Value = bad.length;
  if (held && (asked.loadN === null || asked.heldMin === null)) return said('open', good, SAYS['load-untold']());
  if (held && bad.length) {
    const all = wantedFor(bad.length);
    const more = all - readings.length;
    return more > 0
      ? said('open', good, SAYS.proving({ n, more, all }))
      : said('no', good, SAYS.unproved({ n, all: readings.length }));
  }
  if (bad.length) return said('no', good, bad.every((r) => r.failure === 'base') ? SAYS.base({ n }) : SAYS.bad({ n }));
  const voids = good.filter((g) => g === null).length;
  const more = wantedFor(0) - (readings.length - voids);
  if (more > 0) return said('open', good, voids ? SAYS.glue({ n: voids, more }) : SAYS.more({ n: more }));
  const done = said('yes', good, SAYS.good({ n: readings.length - voids }));
  const { meanLimit } = asked;
  if (meanLimit === null || done.mean === null || meets(asked, done.mean, meanLimit)) return done;
  const figured = (v: number) => readingSaid(asked, v) as Value;
  return { ...done, answer: 'no', why: SAYS.mean({ mean: figured(done.mean), limit: figured(meanLimit) }) };
}
