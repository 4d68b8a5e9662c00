import { bare, type Message, percent, refuse, texts } from '../say';
import { figure } from '../units';
import { systemKind } from './kinds';
import type { Milestone, PlainTable, TimeTable } from './milestone';
import type { SheetRevision } from './sheet';

const REFUSED = texts('refused.system.dose', {
  'no-dose': 'The sheet states this time for doses from {low} to {high}; at no dose it says nothing.',
  'beyond-doses': 'The sheet states this time for doses from {low} to {high}; at {dose} it says nothing.',
  'between-two-doses':
    'Between two doses the times can only be read when both are stated in the same form, for the same temperatures.',
  'air-humidity-sheet': 'In air of {humidity} humidity the sheet gives no drying time: it goes up to {top}.',
  'sheet-allows':
    '{one, select, yes {The sheet gives {max} alone} other {The sheet allows {min} to {max}}}; {dose} is {little, select, yes {too little} other {too much}}: {effect}.',
});
const DOSE = texts('dose', {
  slow: 'slow',
  fast: 'fast',
  soft: 'it may stay soft for good',
  brittle: 'it gets brittle and may burn',
  stiff: 'stiff',
  runny: 'runny',
  dry: 'it stays dry inside and does not bind',
  weak: 'it shrinks, dusts and stays weak',
});

/** What little and much of what is dosed make of a mix, and what too little and too much of it do. */
interface DoseTells {
  readonly little: Message;
  readonly much: Message;
  readonly tooLittle: Message;
  readonly tooMuch: Message;
}
/** What starts the cure makes it fast; water makes it wet. */
const STARTS: DoseTells = { little: DOSE.slow(), much: DOSE.fast(), tooLittle: DOSE.soft(), tooMuch: DOSE.brittle() };
const WETS: DoseTells = { little: DOSE.stiff(), much: DOSE.runny(), tooLittle: DOSE.dry(), tooMuch: DOSE.weak() };
const TELLS: Readonly<Record<string, DoseTells>> = { hardener: STARTS, catalyst: STARTS, water: WETS };

export const doseTells = ({ kind }: Pick<SheetRevision, 'kind'>): DoseTells =>
  TELLS[systemKind(kind).dosed ?? ''] ?? STARTS;

/** A sheet that gives one figure for a dose, and no range. */
export const isOneDose = (dose: NonNullable<SheetRevision['dose']>): boolean => !(dose.maxPct > dose.minPct);

/** Why a dose is beyond what a sheet allows; null where it is not, or the sheet has none. */
export function doseBeyond(sheet: Pick<SheetRevision, 'kind' | 'dose'>, dosePct: number): Message | null {
  const { dose } = sheet;
  if (!dose || (dosePct >= dose.minPct - 1e-9 && dosePct <= dose.maxPct + 1e-9)) return null;
  const little = dosePct < dose.minPct;
  const tells = doseTells(sheet);
  return REFUSED['sheet-allows']({
    one: isOneDose(dose) ? 'yes' : 'no',
    min: bare(percent(dose.minPct)),
    max: percent(dose.maxPct),
    dose: percent(dosePct),
    little: little ? 'yes' : 'no',
    effect: little ? tells.tooLittle : tells.tooMuch,
  });
}

/** What decides which of a sheet's figures hold: the dose chosen and the dampest air of the wait. */
export interface Circumstance {
  readonly dosePct: number | null;
  readonly humidityPct: number;
}

type Row = { readonly fromMin: number; readonly toMin: number };
const KELVIN = 273.15;

/** ln τ linear in ln dose, between two doses. */
const between = (a: Row, b: Row, x: number): Row => {
  const mix = (p: number, q: number) => Math.exp(Math.log(p) + (Math.log(q) - Math.log(p)) * x);
  return { fromMin: mix(a.fromMin, b.fromMin), toMin: mix(a.toMin, b.toMin) };
};

/** A row of a curve at a temperature within its points: ln τ linear in 1/T. */
function rowAt(points: readonly (Row & { readonly tempC: number })[], tempC: number): Row {
  const i = Math.max(
    0,
    Math.min(
      points.length - 2,
      points.findLastIndex((p) => p.tempC <= tempC),
    ),
  );
  const [p, q] = [points[i]!, points[i + 1]!];
  const inv = (t: number) => 1 / (t + KELVIN);
  return between(p, q, (inv(tempC) - inv(p.tempC)) / (inv(q.tempC) - inv(p.tempC)));
}

function mixed(field: string, a: PlainTable, b: PlainTable, x: number): PlainTable {
  if (a.form === 'curve' && b.form === 'curve') {
    const low = Math.max(a.points[0]!.tempC, b.points[0]!.tempC);
    const high = Math.min(a.points.at(-1)!.tempC, b.points.at(-1)!.tempC);
    const temps = [...new Set([...a.points, ...b.points].map((p) => p.tempC))]
      .filter((t) => t >= low && t <= high)
      .sort((p, q) => p - q);
    if (temps.length >= 2)
      return {
        form: 'curve',
        points: temps.map((tempC) => ({ tempC, ...between(rowAt(a.points, tempC), rowAt(b.points, tempC), x) })),
      };
  }
  if (
    a.form === 'bands' &&
    b.form === 'bands' &&
    a.bands.length === b.bands.length &&
    a.bands.every((r, i) => r.fromC === b.bands[i]!.fromC && r.toC === b.bands[i]!.toC)
  )
    return {
      form: 'bands',
      bands: a.bands.map((r, i) => ({ fromC: r.fromC, toC: r.toC, ...between(r, b.bands[i]!, x) })),
    };
  if (a.form === 'single' && b.form === 'single' && a.tempC === b.tempC)
    return { form: 'single', tempC: a.tempC, ...between(a, b, x) };
  return refuse(
    field,
    [a.form, b.form],
    'the same form and temperatures at every dose',
    REFUSED['between-two-doses'](),
  );
}

/**
 * The plain table that holds at a dose and humidity. @throws Refusal outside the sheet's doses or humidities: nothing
 * is carried beyond them
 */
export function plainTable(table: TimeTable, { dosePct, humidityPct }: Circumstance, field: string): PlainTable {
  if (table.form === 'by-dose') {
    const doses = [...table.doses]
      .sort((a, b) => a.dosePct - b.dosePct)
      .map((d) =>
        d.table.form === 'curve'
          ? { ...d, table: { ...d.table, points: [...d.table.points].sort((a, b) => a.tempC - b.tempC) } }
          : d,
      );
    const [low, high] = [doses[0]!.dosePct, doses.at(-1)!.dosePct];
    const dose = dosePct ?? Number.NaN;
    if (!(dose >= low - 1e-9 && dose <= high + 1e-9))
      return refuse(
        'dosePct',
        dosePct,
        `${figure(low)} to ${figure(high)} %`,
        dosePct === null
          ? REFUSED['no-dose']({ low: bare(percent(low)), high: percent(high) })
          : REFUSED['beyond-doses']({ low: bare(percent(low)), high: percent(high), dose: percent(dose) }),
      );
    const i = Math.max(
      0,
      Math.min(
        doses.length - 2,
        doses.findLastIndex((d) => d.dosePct <= dose),
      ),
    );
    const [a, b] = [doses[i]!, doses[i + 1]!];
    const x = Math.log(dose / a.dosePct) / Math.log(b.dosePct / a.dosePct);
    return x <= 0 ? a.table : x >= 1 ? b.table : mixed(field, a.table, b.table, x);
  }
  if (table.form === 'tiers') {
    const top = Math.max(...table.tiers.map((t) => t.humidityToPct));
    // Of every temperature the driest tier that still covers this air.
    const covering = table.tiers.filter((t) => t.humidityToPct >= humidityPct - 1e-9);
    if (!covering.length)
      return refuse(
        'humidityPct',
        humidityPct,
        `up to ${figure(top)} %`,
        REFUSED['air-humidity-sheet']({ humidity: percent(humidityPct), top: percent(top) }),
      );
    const best = new Map<string, (typeof covering)[number]>();
    for (const t of covering) {
      const key = `${t.fromC}|${t.toC}`;
      const known = best.get(key);
      if (!known || t.humidityToPct < known.humidityToPct) best.set(key, t);
    }
    const bands = [...best.values()].sort((a, b) => a.fromC - b.fromC);
    return { form: 'bands', bands: bands.map(({ fromC, toC, fromMin, toMin }) => ({ fromC, toC, fromMin, toMin })) };
  }
  return table;
}

/** Sheets are immutable: what holds in one circumstance is made ready once. */
const known = new WeakMap<SheetRevision, Map<string, SheetRevision>>();

/**
 * Mass of B for 100 of A at a dose, by the sheet's own meaning of per cent. @example 2 % of the total is 2.04 for 100
 * of A
 */
export const perHundredOfA = (dosePct: number, of: 'A' | 'total'): number =>
  of === 'A' ? dosePct : (100 * dosePct) / (100 - dosePct);

/**
 * The sheet as it holds in one circumstance: its ratio at the dose, its times as plain tables.
 * @param c.dosePct null takes the sheet's usual dose
 * @throws Refusal for a dose beyond the sheet's range
 */
export function sheetIn(sheet: SheetRevision, c: Circumstance): SheetRevision {
  const tiered = sheet.milestones.some((m) => m.table.form === 'tiers');
  if (!sheet.dose && !tiered) return sheet;
  const dosePct = sheet.dose ? (c.dosePct ?? sheet.dose.usualPct) : null;
  const beyond = dosePct === null ? null : doseBeyond(sheet, dosePct);
  if (sheet.dose && beyond)
    refuse('dosePct', dosePct, `${figure(sheet.dose.minPct)} to ${figure(sheet.dose.maxPct)} %`, beyond);
  const made = known.get(sheet) ?? new Map<string, SheetRevision>();
  known.set(sheet, made);
  const key = `${dosePct}|${tiered ? Math.ceil(c.humidityPct) : ''}`;
  const found = made.get(key);
  if (found) return found;
  const here: Circumstance = { dosePct, humidityPct: Math.ceil(c.humidityPct - 1e-9) };
  const milestones = sheet.milestones.map((m): Milestone => {
    const table = plainTable(m.table, here, `milestones.${m.kind}`);
    return table === m.table ? m : { ...m, table };
  });
  const ratio: SheetRevision['ratio'] =
    sheet.dose && dosePct !== null
      ? { ...sheet.ratio, basis: 'weight', a: 100, b: perHundredOfA(dosePct, sheet.dose.of) }
      : sheet.ratio;
  const ready = { ...sheet, milestones, ratio };
  made.set(key, ready);
  return ready;
}
