import { clockOf, MILESTONES, type Milestone, type SheetRevision } from '../system';
import { attempt, figure, type Problem } from '../units';
import { paceOf } from './pace';

const R_KJ = 8.314462618e-3;
const KELVIN = 273.15;

/** Activation energy fitted to a curve by least squares over ln τ against 1/T, kJ/mol; undefined for other forms. */
export function fittedActivationKJ(milestone: Milestone): number | undefined {
  if (milestone.table.form !== 'curve') return undefined;
  const rows = milestone.table.points.map((p) => [1 / (p.tempC + KELVIN), Math.log(Math.sqrt(p.fromMin * p.toMin))] as const);
  const n = rows.length;
  const mx = rows.reduce((s, r) => s + r[0], 0) / n;
  const my = rows.reduce((s, r) => s + r[1], 0) / n;
  const sxx = rows.reduce((s, r) => s + (r[0] - mx) ** 2, 0);
  const sxy = rows.reduce((s, r) => s + (r[0] - mx) * (r[1] - my), 0);
  return sxx > 0 ? (R_KJ * sxy) / sxx : undefined;
}

/**
 * Slips in a typed sheet: tables that grow with temperature, swapped ranges, odd activation energies (outside 25–120 kJ/mol
 * over the table, 10–200 or three times off the fit between neighbours), milestones that cross, and missing times.
 */
export function sheetFlaws(sheet: SheetRevision): readonly Problem[] {
  const found = known.get(sheet) ?? flawsOf(sheet);
  known.set(sheet, found);
  return found;
}

/** Sheets are immutable: each is looked through once. */
const known = new WeakMap<SheetRevision, readonly Problem[]>();

function flawsOf(sheet: SheetRevision): readonly Problem[] {
  const out: Problem[] = [];
  for (const m of sheet.milestones) {
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
        sentence: `${label}: the times change with temperature by ${figure(fit)} kJ/mol, outside the usual 25 to 120. Check the table.`,
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
          sentence: `${label}: between ${q.tempC} and ${p.tempC} °C the times do not fit the rest of the table. A slip in one cell?`,
        });
    });
  }
  const ranked = sheet.milestones
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
          sentence: `At ${figure(at)} °C the sheet puts ${MILESTONES[later.kind].label.toLowerCase()} (${figure(b.minutesAt(at))} min) before ${MILESTONES[m.kind].label.toLowerCase()} (${figure(a.minutesAt(at))} min). Check both.`,
        });
    }
  });
  return out;
}
