import { degC, exactly, minutes, refuse, texts } from '../say';
import {
  clockOf,
  FAMILIES,
  type FamilyId,
  MILESTONES,
  type Milestone,
  milestoneKind,
  type PlainTable,
} from '../system';
import { figure } from '../units';

const REFUSED = texts('refused.cure.pace', {
  'range-ends-swapped': '{name}: the range {from} to {to} has its ends swapped.',
  'sheet-states-without':
    '{name}: the sheet states it by {case, select, yes {humidity} other {dose}}; without one there is no time.',
  'band-ends-swapped': '{name}: the band {from} to {to} has its ends swapped.',
  'bands-overlap': '{name}: the bands {from} to {to} and {from2} to {to2} overlap.',
  'longer-in-band': '{name}: {take} at {from} to {to} is longer than {take2} at {from2} to {to2}.',
  'twice-there': '{name}: {temp} is there twice.',
  'longer-at': '{name}: {minutes} at {temp} is longer than {minutes2} at {temp2}.',
  'sheet-says-nothing': '{label}: the sheet says nothing for {temp}; it answers from {low} to {high}.',
});

/** How well a time stands: on the sheet, beyond its outer points, or estimated from one figure. */
export type Standing = 'sheet' | 'extrapolated' | 'estimated';

/** A sheet table made ready: minutes to the milestone at a steady temperature. */
export interface Pace {
  readonly form: Milestone['table']['form'];
  /** Temperatures between which the table answers, °C; outside it is refused. */
  readonly lowC: number;
  readonly highC: number;
  /** Between these the figures are the sheet's own. */
  readonly sheetLowC: number;
  readonly sheetHighC: number;
  /** Temperatures at which the slope changes: places to split an integration. */
  readonly breaksC: readonly number[];
  /** Minutes at a steady temperature; call only inside [lowC, highC]. */
  readonly minutesAt: (tempC: number) => number;
  /** Progress per minute, every RATE_STEP_K from lowC: an entry is worked out when it is first read, 0 until then. */
  readonly rates: Float64Array;
  readonly standingAt: (tempC: number) => Standing;
}

export type Side = 'short' | 'long';

const KELVIN = 273.15;
const R_KJ = 8.314462618e-3;
/** Degrees a curve may be carried beyond its outer points. */
const BEYOND_K = 5;
/** Degrees a single figure may be carried from its temperature. */
const SINGLE_K = 15;
/** This close to its own temperature a single figure is the sheet's word. */
const AT_ITS_OWN_K = 0.05;
/** Degrees over which the one figure of a drying product is taken as it stands, on the side where that is safe. */
const FLAT_K = 25;
/** Over which a figure of the manner of mixing holds: all weather that anybody works in. */
const ANY_K = 80;
/** What a sheet without a temperature is read as: the warm end of a room, so that no wait is cut short by it. */
const UNSTATED_C = 23;
/** The cool end of it: a mix that lasts its time there lasts no longer than that in the same hour. */
const UNSTATED_COOL_C = 20;
/** The last digits of a computed temperature must not decide between two bands. */
const EDGE_K = 1e-6;
/**
 * How evaporation grows with temperature at one humidity, kJ/mol: the heat of vaporisation of water, by Clausius and
 * Clapeyron.
 */
const DRYING_KJ = 44;
/** Spread of the family's activation energy, kJ/mol. */
const SPREAD_KJ = 10;

type Band = Extract<PlainTable, { form: 'bands' }>['bands'][number];

/**
 * The band that answers for a temperature. Sheets in whole degrees leave gaps (`5 to 9`, `10 to 19`): a wait takes the
 * colder band there, a working time the warmer, so that neither is credited with what the sheet does not say.
 * @param bands from the coldest to the warmest
 */
export function bandAt(bands: readonly Band[], tempC: number, clock: 'working' | 'waiting'): Band {
  const i = Math.max(
    0,
    bands.findLastIndex((b) => b.fromC <= tempC + EDGE_K),
  );
  const inGap = clock === 'working' && tempC > bands[i]!.toC - EDGE_K && i + 1 < bands.length;
  return bands[inGap ? i + 1 : i]!;
}

/**
 * Makes a milestone's table ready for one side of the sheet's range.
 * Curve: ln τ linear in 1/T between points (Arrhenius), 5 °C beyond the outer ones. Bands: the band's own figure.
 * Single: carried up to 15 °C with the family's activation energy ± 10 kJ/mol, on the side asked for.
 * @throws Refusal for a table that grows with temperature, swapped ranges, or overlapping bands
 */
export function paceOf(milestone: Milestone, side: Side, family: FamilyId): Pace {
  const known = paces.get(milestone) ?? new Map<string, Pace>();
  paces.set(milestone, known);
  const key = `${side}|${family}`;
  const found = known.get(key) ?? withRates(makePace(milestone, side, family));
  known.set(key, found);
  return found;
}

/** Distance of the entries of `Pace.rates`, K. */
const RATE_STEP_K = 0.02;

const withRates = (pace: Omit<Pace, 'rates'>): Pace => ({
  ...pace,
  rates: new Float64Array(Math.ceil((pace.highC - pace.lowC) / RATE_STEP_K) + 2),
});

// A history of days reads the same entries over and over, and of the whole table a part: one shape is worked out once.
const entry = (pace: Pace, k: number): number => {
  const known = pace.rates[k]!;
  if (known > 0) return known;
  const made = 1 / pace.minutesAt(pace.lowC + k * RATE_STEP_K);
  pace.rates[k] = made;
  return made;
};

/**
 * Progress per minute at a steady temperature inside [lowC, highC], read between the entries of a table: within a
 * millionth where the table has no kink, and much quicker than the exponential.
 */
export function rateNear(pace: Pace, tempC: number): number {
  const at = (tempC - pace.lowC) / RATE_STEP_K;
  const k = Math.floor(at);
  const below = entry(pace, k);
  return below + (at - k) * (entry(pace, k + 1) - below);
}

/** Sheets are immutable: a table is made ready once. */
const paces = new WeakMap<Milestone, Map<string, Pace>>();

function makePace(milestone: Milestone, side: Side, family: FamilyId): Omit<Pace, 'rates'> {
  const table = milestone.table;
  const name = MILESTONES[milestone.kind].label;
  const take = (row: { fromMin: number; toMin: number }) => {
    if (row.fromMin > row.toMin)
      refuse(
        `milestones.${milestone.kind}`,
        [row.fromMin, row.toMin],
        'shorter end first',
        REFUSED['range-ends-swapped']({ name, from: exactly(minutes(row.fromMin)), to: exactly(minutes(row.toMin)) }),
      );
    return side === 'short' ? row.fromMin : row.toMin;
  };

  if (table.form === 'by-dose' || table.form === 'tiers')
    return refuse(
      `milestones.${milestone.kind}`,
      table.form,
      table.form === 'tiers' ? 'a humidity' : 'a dose',
      REFUSED['sheet-states-without']({ name, case: table.form === 'tiers' ? 'yes' : 'no' }),
    );

  if (table.form === 'single') {
    const mid: number | null = FAMILIES[family].activationKJ;
    const ofRoomC = side === 'short' && mid !== null ? UNSTATED_COOL_C : UNSTATED_C;
    const at = table.tempC ?? ofRoomC;
    const minutes = take(table);
    if (table.tempC === null && milestoneKind(milestone.kind).byCalendar)
      return {
        form: 'single',
        lowC: at - ANY_K,
        highC: at + ANY_K,
        sheetLowC: at - ANY_K,
        sheetHighC: at + ANY_K,
        breaksC: [at],
        minutesAt: () => minutes,
        standingAt: () => 'sheet',
      };
    if (mid === null) {
      // What is told with no temperature is told of any, and so is the manner of mixing.
      const anyC = table.tempC === null || milestoneKind(milestone.kind).manner;
      const [below, above] = anyC ? [ANY_K, ANY_K] : side === 'long' ? [SINGLE_K, FLAT_K] : [FLAT_K, SINGLE_K];
      // It dries as fast as water evaporates: a wait grows where it is colder and a working time shrinks where it is
      // warmer; on the other side both are taken as they stand.
      const worse = side === 'long' ? 1 : -1;
      const drying = (t: number) => {
        const slower = ((DRYING_KJ + SPREAD_KJ) / R_KJ) * (1 / (t + KELVIN) - 1 / (at + KELVIN));
        return minutes * Math.exp(worse * Math.max(0, worse * slower));
      };
      return {
        form: 'single',
        lowC: at - below,
        highC: at + above,
        sheetLowC: at,
        sheetHighC: at,
        breaksC: [at],
        minutesAt: anyC ? () => minutes : drying,
        standingAt: (t) => (table.tempC !== null && Math.abs(t - at) < AT_ITS_OWN_K ? 'sheet' : 'estimated'),
      };
    }
    return {
      form: 'single',
      lowC: at - SINGLE_K,
      highC: (table.tempC ?? UNSTATED_C) + SINGLE_K,
      sheetLowC: at,
      sheetHighC: at,
      breaksC: [at],
      // Below its own temperature a higher activation energy lengthens the time, above it shortens it.
      minutesAt: (t) => {
        const e = t < at === (side === 'long') ? mid + SPREAD_KJ : mid - SPREAD_KJ;
        return minutes * Math.exp((e / R_KJ) * (1 / (t + KELVIN) - 1 / (at + KELVIN)));
      },
      standingAt: (t) => (table.tempC !== null && Math.abs(t - at) < AT_ITS_OWN_K ? 'sheet' : 'estimated'),
    };
  }

  if (table.form === 'bands') {
    const bands = [...table.bands].sort((a, b) => a.fromC - b.fromC);
    bands.forEach((band, i) => {
      if (band.toC <= band.fromC)
        refuse(
          `milestones.${milestone.kind}`,
          [band.fromC, band.toC],
          'colder end first',
          REFUSED['band-ends-swapped']({ name, from: exactly(degC(band.fromC)), to: exactly(degC(band.toC)) }),
        );
      const next = bands[i + 1];
      if (next && next.fromC < band.toC)
        refuse(
          `milestones.${milestone.kind}`,
          [band.toC, next.fromC],
          'bands that do not overlap',
          REFUSED['bands-overlap']({
            name,
            from: exactly(degC(band.fromC)),
            to: exactly(degC(band.toC)),
            from2: exactly(degC(next.fromC)),
            to2: exactly(degC(next.toC)),
          }),
        );
      if (next && take(next) > take(band))
        refuse(
          `milestones.${milestone.kind}`,
          [take(band), take(next)],
          'times that fall with temperature',
          REFUSED['longer-in-band']({
            name,
            take: exactly(minutes(take(next))),
            from: exactly(degC(next.fromC)),
            to: exactly(degC(next.toC)),
            take2: exactly(minutes(take(band))),
            from2: exactly(degC(band.fromC)),
            to2: exactly(degC(band.toC)),
          }),
        );
    });
    return {
      form: 'bands',
      lowC: bands[0]!.fromC,
      highC: bands.at(-1)!.toC,
      sheetLowC: bands[0]!.fromC,
      sheetHighC: bands.at(-1)!.toC,
      breaksC: bands.flatMap((b) => [b.fromC, b.toC]),
      minutesAt: (t) => take(bandAt(bands, t, clockOf(milestone))),
      standingAt: () => 'sheet',
    };
  }

  const points = [...table.points].sort((a, b) => a.tempC - b.tempC).map((p) => ({ tempC: p.tempC, minutes: take(p) }));
  for (const [i, p] of points.entries()) {
    const next = points[i + 1];
    if (!next) break;
    if (next.tempC === p.tempC)
      refuse(
        `milestones.${milestone.kind}`,
        p.tempC,
        'one time a temperature',
        REFUSED['twice-there']({ name, temp: exactly(degC(p.tempC)) }),
      );
    if (next.minutes > p.minutes)
      refuse(
        `milestones.${milestone.kind}`,
        [p.minutes, next.minutes],
        'times that fall with temperature',
        REFUSED['longer-at']({
          name,
          minutes: minutes(next.minutes),
          temp: exactly(degC(next.tempC)),
          minutes2: minutes(p.minutes),
          temp2: exactly(degC(p.tempC)),
        }),
      );
  }
  const x = points.map((p) => 1 / (p.tempC + KELVIN));
  const y = points.map((p) => Math.log(p.minutes));
  const last = points.length - 2;
  return {
    form: 'curve',
    lowC: points[0]!.tempC - BEYOND_K,
    highC: points.at(-1)!.tempC + BEYOND_K,
    sheetLowC: points[0]!.tempC,
    sheetHighC: points.at(-1)!.tempC,
    breaksC: points.map((p) => p.tempC),
    minutesAt: (t) => {
      let i = 0;
      while (i < last && t > points[i + 1]!.tempC) i++;
      const inv = 1 / (t + KELVIN);
      return Math.exp(y[i]! + ((y[i + 1]! - y[i]!) * (inv - x[i]!)) / (x[i + 1]! - x[i]!));
    },
    standingAt: (t) => (t < points[0]!.tempC || t > points.at(-1)!.tempC ? 'extrapolated' : 'sheet'),
  };
}

/** Minutes at a steady temperature. @throws Refusal outside what the table can answer */
export function minutesAt(pace: Pace, tempC: number, label: string): number {
  if (!(tempC >= pace.lowC && tempC <= pace.highC))
    refuse(
      'tempC',
      tempC,
      `${figure(pace.lowC)} to ${figure(pace.highC)} °C`,
      REFUSED['sheet-says-nothing']({
        label,
        temp: degC(tempC),
        low: exactly(degC(pace.lowC)),
        high: exactly(degC(pace.highC)),
      }),
    );
  return pace.minutesAt(tempC);
}
