import { attempt, bare, degC, exactly, grams, minutes, type Problem, percent, texts } from '../say';
import { clockOf, isMetered, MILESTONES, type Milestone, partOf, partsByWeight, type SheetRevision } from '../system';
import { figure } from '../units';
import { paceOf } from './pace';

const REFUSED = texts('refused.cure.flaws', {
  'densities-volume-weight':
    'By the densities {byVolume} : 100 by volume is {byWeight} : 100 by weight, the sheet says {said} : 100. A ratio or a density is mistyped.',
  'pack-off-ratio':
    '{pack}: it holds {got} of {part} to {per} of A, the ratio asks for {want}. Mixed whole it is not the mix of the sheet: one of them is mistyped.',
  'ends-swapped': '{label}: {low} to {high} {unit} has its ends swapped.',
  'stated-dose-but': '{label}: it is stated by dose, but the sheet names no range of doses.',
  'doses-run-sheet':
    "{label}: its doses run from {least} to {most}, the sheet's range from {min} to {max}: outside its own doses it says nothing.",
  'slower-two-doses': '{label}: {dose} is slower than {dose2} at {at}. Are two doses swapped?',
  'times-change-temperature':
    '{label}: the times change with temperature by {fit} kJ/mol, outside the usual 25 to 120. Check the table.',
  'between-times-do':
    '{label}: between {temp} and {temp2} the times do not fit the rest of the table. A slip in one cell?',
  'sheet-puts-before': 'At {at} the sheet puts {later} ({laterAt}) before {sooner} ({soonerAt}). Check both.',
});

const R_KJ = 8.314462618e-3;
const KELVIN = 273.15;

/** Activation energy fitted to a curve by least squares over ln τ against 1/T, kJ/mol; undefined for other forms. */
export function fittedActivationKJ(milestone: Milestone): number | undefined {
  if (milestone.table.form !== 'curve') return undefined;
  const rows = milestone.table.points.map(
    (p) => [1 / (p.tempC + KELVIN), Math.log(Math.sqrt(p.fromMin * p.toMin))] as const,
  );
  const n = rows.length;
  const mx = rows.reduce((s, r) => s + r[0], 0) / n;
  const my = rows.reduce((s, r) => s + r[1], 0) / n;
  const sxx = rows.reduce((s, r) => s + (r[0] - mx) ** 2, 0);
  const sxy = rows.reduce((s, r) => s + (r[0] - mx) * (r[1] - my), 0);
  return sxx > 0 ? (R_KJ * sxy) / sxx : undefined;
}

/**
 * Slips in a typed sheet: tables that grow with temperature, swapped ranges, odd activation energies (outside 25–120
 * kJ/mol over the table, 10–200 or three times off the fit between neighbours), milestones that cross, and missing
 * times.
 */
export function sheetFlaws(sheet: SheetRevision): readonly Problem[] {
  const found = known.get(sheet) ?? flawsOf(sheet);
  known.set(sheet, found);
  return found;
}

/** Sheets are immutable: each is looked through once. */
const known = new WeakMap<SheetRevision, readonly Problem[]>();

/** A milestone as plain tables: one of each dose, one of each humidity. */
function plainOnes(m: Milestone): Milestone[] {
  if (m.table.form === 'by-dose') return m.table.doses.map(({ table }) => ({ ...m, table }));
  if (m.table.form !== 'tiers') return [m];
  const { tiers } = m.table;
  return [...new Set(tiers.map((t) => t.humidityToPct))].map((h) => ({
    ...m,
    table: {
      form: 'bands',
      bands: tiers
        .filter((t) => t.humidityToPct === h)
        .map(({ fromC, toC, fromMin, toMin }) => ({ fromC, toC, fromMin, toMin })),
    },
  }));
}

/** A weight ratio and a volume ratio of one sheet must agree through the densities this well. */
const RATIOS_AGREE_PCT = 5;

function ratioFlaws(sheet: SheetRevision): Problem[] {
  const { ratio } = sheet;
  const [a, b] = [partOf(sheet, 'A'), partOf(sheet, 'B')];
  if (!ratio.also || !a || !b) return [];
  const density = b.densityGPerMl / a.densityGPerMl;
  const weight = ratio.basis === 'weight' ? ratio.b / ratio.a : ratio.also.b / ratio.also.a;
  const volume = ratio.basis === 'volume' ? ratio.b / ratio.a : ratio.also.b / ratio.also.a;
  const off = (weight / (volume * density) - 1) * 100;
  return Math.abs(off) <= RATIOS_AGREE_PCT
    ? []
    : [
        {
          field: 'ratio.also',
          value: [weight, volume],
          allowed: `agreement within ${RATIOS_AGREE_PCT} %`,
          sentence: REFUSED['densities-volume-weight']({
            byVolume: figure(100 * volume),
            byWeight: figure(100 * volume * density),
            said: figure(100 * weight),
          }),
        },
      ];
}

/** What is in a pack and the ratio must agree this well: what is printed on a sachet is rounded to two figures. */
const PACK_AGREES_PCT = 10;

/**
 * Packs that are mixed whole, or pressed as they are, and hold another mix than the ratio says: what goes into the pot
 * is then not what is planned with. What is dosed is measured to the resin, whatever its tube holds.
 */
function packFlaws(sheet: SheetRevision): Problem[] {
  const asked = attempt(() => partsByWeight(sheet));
  if (!asked.ok) return [];
  const agrees = Math.max(PACK_AGREES_PCT, sheet.ratio.tolerancePct ?? 0) / 100;
  return sheet.kits.flatMap(({ label, massG, splittable }, k) => {
    const perG = massG.A;
    if (splittable && !isMetered(sheet.kind)) return [];
    return (['B', 'C', 'D'] as const).flatMap((id): Problem[] => {
      const [gotG, wantG] = [massG[id], (asked.value[id] / asked.value.A) * perG];
      if (gotG === null || wantG === 0 || (id === 'B' && sheet.dose)) return [];
      if (Math.abs(gotG / wantG - 1) <= agrees) return [];
      return [
        {
          field: `kits.${k}.massG.${id}`,
          value: gotG,
          allowed: `${figure(wantG)} g`,
          sentence: REFUSED['pack-off-ratio']({
            pack: label,
            part: id,
            got: grams(gotG),
            per: grams(perG),
            want: grams(wantG),
          }),
        },
      ];
    });
  });
}

/** Ranges whose ends are swapped. */
function limitFlaws({ limits: l, storage }: SheetRevision): Problem[] {
  const ranges: readonly (readonly [string, number | null, number | null, string])[] = [
    ['Base', l.baseMinC, l.baseMaxC, '°C'],
    ['Air', l.airMinC, l.airMaxC, '°C'],
    ['Material', l.materialMinC, l.materialMaxC, '°C'],
    ['Cure', l.cureMinC, l.fullCureMinC, '°C'],
    ['Lift', l.liftMinMm, l.liftMaxMm, 'mm'],
    ['Bond line', l.bondMinMm, l.bondMaxMm, 'mm'],
    ['Storage', storage.minC, storage.maxC, '°C'],
  ];
  return ranges.flatMap(([label, low, high, unit]) =>
    low !== null && high !== null && low > high
      ? [
          {
            field: `limits.${label.toLowerCase()}`,
            value: [low, high],
            allowed: 'the lower end first',
            sentence: REFUSED['ends-swapped']({ label, low, high, unit }),
          },
        ]
      : [],
  );
}

/** Doses outside the sheet's range, and times that grow with the dose. */
function doseFlaws(sheet: SheetRevision, m: Milestone): Problem[] {
  if (m.table.form !== 'by-dose') return [];
  const label = MILESTONES[m.kind].label;
  const field = `milestones.${m.kind}`;
  if (!sheet.dose)
    return [
      {
        field,
        value: 'by-dose',
        allowed: 'a sheet with a dose',
        sentence: REFUSED['stated-dose-but']({ label }),
      },
    ];
  const out: Problem[] = [];
  const doses = [...m.table.doses].sort((a, b) => a.dosePct - b.dosePct);
  if (doses[0]!.dosePct > sheet.dose.minPct || doses.at(-1)!.dosePct < sheet.dose.maxPct)
    out.push({
      field,
      value: [doses[0]!.dosePct, doses.at(-1)!.dosePct],
      allowed: `${sheet.dose.minPct} to ${sheet.dose.maxPct} %`,
      sentence: REFUSED['doses-run-sheet']({
        label,
        least: bare(percent(doses[0]!.dosePct)),
        most: exactly(percent(doses.at(-1)!.dosePct)),
        min: bare(percent(sheet.dose.minPct)),
        max: exactly(percent(sheet.dose.maxPct)),
      }),
    });
  doses.slice(1).forEach((d, i) => {
    const less = doses[i]!;
    const both = attempt(
      () =>
        [
          paceOf({ ...m, table: less.table }, 'long', sheet.family),
          paceOf({ ...m, table: d.table }, 'long', sheet.family),
        ] as const,
    );
    if (!both.ok) return;
    const [a, b] = both.value;
    const low = Math.max(a.sheetLowC, b.sheetLowC);
    const high = Math.min(a.sheetHighC, b.sheetHighC);
    const at = [low, high].find(
      (t) =>
        low <= high &&
        b.minutesAt(Math.min(t, high - (b.form === 'bands' ? 0.01 : 0))) >
          a.minutesAt(Math.min(t, high - (a.form === 'bands' ? 0.01 : 0))) * 1.0001,
    );
    if (at !== undefined)
      out.push({
        field,
        value: [less.dosePct, d.dosePct],
        allowed: 'times that fall with the dose',
        sentence: REFUSED['slower-two-doses']({
          label,
          dose: exactly(percent(d.dosePct)),
          dose2: exactly(percent(less.dosePct)),
          at: degC(at),
        }),
      });
  });
  return out;
}

function flawsOf(sheet: SheetRevision): readonly Problem[] {
  const out: Problem[] = [
    ...ratioFlaws(sheet),
    ...packFlaws(sheet),
    ...limitFlaws(sheet),
    ...sheet.milestones.flatMap((m) => doseFlaws(sheet, m)),
  ];
  const plain = sheet.milestones.flatMap(plainOnes);
  for (const m of plain) {
    const field = `milestones.${m.kind}`;
    const label = MILESTONES[m.kind].label;
    for (const side of ['short', 'long'] as const) {
      const tried = attempt(() => paceOf(m, side, sheet.family));
      if (!tried.ok && !out.some((p) => p.sentence === tried.problem.sentence)) out.push(tried.problem);
    }
    const fit = fittedActivationKJ(m);
    if (fit === undefined || m.table.form !== 'curve') continue;
    if (fit < 25 || fit > 120)
      out.push({
        field,
        value: fit,
        allowed: '25 to 120 kJ/mol',
        sentence: REFUSED['times-change-temperature']({ label, fit: figure(fit) }),
      });
    const points = [...m.table.points].sort((a, b) => a.tempC - b.tempC);
    points.slice(1).forEach((p, i) => {
      const q = points[i]!;
      const pair =
        (R_KJ * Math.log(Math.sqrt(q.fromMin * q.toMin) / Math.sqrt(p.fromMin * p.toMin))) /
        (1 / (q.tempC + KELVIN) - 1 / (p.tempC + KELVIN));
      if (pair >= 0 && (pair < 10 || pair > 200 || (fit > 0 && (pair > 3 * fit || pair < fit / 3))))
        out.push({
          field,
          value: [q.tempC, p.tempC],
          allowed: 'a pair in line with the others',
          sentence: REFUSED['between-times-do']({ label, temp: exactly(degC(q.tempC)), temp2: exactly(degC(p.tempC)) }),
        });
    });
  }
  const ranked = plain
    .filter((m) => sheet.milestones.includes(m))
    .filter((m) => clockOf(m) === 'waiting' && MILESTONES[m.kind].order !== null)
    .sort((a, b) => MILESTONES[a.kind].order! - MILESTONES[b.kind].order!);
  ranked.forEach((m, i) => {
    for (const later of ranked.slice(i + 1)) {
      const both = attempt(() => [paceOf(m, 'long', sheet.family), paceOf(later, 'long', sheet.family)] as const);
      if (!both.ok) continue;
      const [a, b] = both.value;
      const low = Math.max(a.sheetLowC, b.sheetLowC);
      const high = Math.min(a.sheetHighC, b.sheetHighC);
      if (low > high) continue;
      const at = [low, ...a.breaksC, ...b.breaksC, high].find(
        (t) => t >= low && t <= high && (t < high || a.form !== 'bands') && a.minutesAt(t) > b.minutesAt(t) * 1.0001,
      );
      if (at !== undefined)
        out.push({
          field: `milestones.${later.kind}`,
          value: at,
          allowed: `no sooner than ${MILESTONES[m.kind].label}`,
          sentence: REFUSED['sheet-puts-before']({
            at: degC(at),
            later: MILESTONES[later.kind].label.toLowerCase(),
            laterAt: minutes(b.minutesAt(at)),
            sooner: MILESTONES[m.kind].label.toLowerCase(),
            soonerAt: minutes(a.minutesAt(at)),
          }),
        });
    }
  });
  return out;
}
