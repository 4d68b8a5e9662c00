import { grams, type Message, texts } from '../say';
import { PART_IDS, type PartId } from '../system';
import { isWithin, type Tolerance } from './ratio-check';

const LOST = texts('pot-lost', {
  over: 'Mixing time is over: the pot cannot be brought back. Discard it outside, on bare ground.',
  short: 'It would take {needs} more of {part}, {there} are there: the pot is lost.',
  room: 'It would take {needs} more of {part}, the vessel has room for {room}: the pot is lost, or goes into a larger one.',
});

/** What is to be poured, and within what. */
export interface PourPlan {
  /** Nominal masses, g. */
  readonly massG: Readonly<Record<PartId, number>>;
  readonly tolerance: Tolerance;
  /** All parts in one pot on one scale, or each in its own vessel. */
  readonly vessel: 'one pot' | 'own cups';
  /** Most that the vessel takes, g; null when it does not bind. */
  readonly vesselMaxG: number | null;
  /** What there is of each part, g; null where unknown. */
  readonly availableG: Readonly<Partial<Record<PartId, number>>>;
  /** Step of the scale, g. */
  readonly stepG: number;
}

export interface Pour {
  readonly part: PartId;
  readonly massG: number;
}

/** Where a pouring stands. */
export interface PourState {
  readonly pouredG: Readonly<Record<PartId, number>>;
  /** Targets that follow what was really poured, g. */
  readonly targetG: Readonly<Record<PartId, number>>;
  /** The part to pour next; null when all are in. */
  readonly next: PartId | null;
  /** Still to pour of it, g, and what the scale shall then show. */
  readonly remainG: number;
  readonly readingG: number;
  /** B/A against nominal, per cent; null before both are in. */
  readonly deviationPct: number | null;
  readonly tolerance: Tolerance;
  readonly within: boolean;
  /** What brings it back. */
  readonly correction: { readonly part: PartId; readonly massG: number } | null;
  /** Why it cannot be brought back. */
  readonly discard: Message | null;
}

const NONE: Record<PartId, number> = { A: 0, B: 0, C: 0, D: 0 };

/**
 * Where a pouring stands: every later target follows what was really poured of A; too much of one part gives what to
 * add of the others while mixing is still allowed, else the pot is lost.
 * @param mixingAllowed whether there is still time to mix more in
 */
export function pourState(plan: PourPlan, pours: readonly Pour[], mixingAllowed = true): PourState {
  const poured = { ...NONE };
  for (const p of pours) poured[p.part] += p.massG;
  const parts = PART_IDS.filter((id) => plan.massG[id] > 0);
  const done = new Set(pours.map((p) => p.part));
  const leader = parts[0]!;
  const half = plan.stepG / 2;
  const ratioOf = (id: PartId) => plan.massG[id] / plan.massG[leader];
  // Before A is in, everything follows the plan; after it, what was poured of A.
  const leading = done.has(leader) ? poured[leader] : plan.massG[leader];
  const target = { ...NONE };
  for (const id of parts) target[id] = leading * ratioOf(id);
  const next = parts.find((id) => !done.has(id)) ?? null;
  const total = parts.reduce((s, id) => s + poured[id], 0);
  const deviationPct =
    done.has('A') && done.has('B') && poured.A > 0
      ? (poured.B / poured.A / (plan.massG.B / plan.massG.A) - 1) * 100
      : null;
  // What the scale cannot show nobody can add: half a step of B is no deviation.
  const readPct = (half / plan.massG.B) * 100;
  const past = (pct: number) => Math.sign(pct) * Math.max(0, Math.abs(pct) - readPct);
  const within = deviationPct === null || isWithin(past(deviationPct), plan.tolerance);

  let correction: PourState['correction'] = null;
  let discard: Message | null = null;
  if (!within && deviationPct !== null) {
    const short: PartId = deviationPct < 0 ? 'B' : 'A';
    const massG =
      short === 'B'
        ? poured.A * (plan.massG.B / plan.massG.A) - poured.B
        : poured.B / (plan.massG.B / plan.massG.A) - poured.A;
    const room = plan.vesselMaxG === null ? Number.POSITIVE_INFINITY : plan.vesselMaxG - total;
    const have = (plan.availableG[short] ?? Number.POSITIVE_INFINITY) - poured[short];
    if (!mixingAllowed) discard = LOST.over();
    else if (massG > have + half)
      discard = LOST.short({ needs: grams(massG), part: short, there: grams(Math.max(0, have)) });
    else if (massG > room + half)
      discard = LOST.room({ needs: grams(massG), part: short, room: grams(Math.max(0, room)) });
    else correction = { part: short, massG };
  }
  const remainG = next === null ? (correction?.massG ?? 0) : Math.max(0, target[next] - poured[next]);
  const pouring = next ?? correction?.part ?? leader;
  return {
    pouredG: poured,
    targetG: target,
    next,
    remainG,
    readingG: plan.vessel === 'one pot' ? total + remainG : poured[pouring] + remainG,
    deviationPct,
    tolerance: plan.tolerance,
    within,
    correction,
    discard,
  };
}

/**
 * A pour read as the scale's total in one pot: the last total taken off. @returns null when the scale shows less than
 * before
 */
export const fromTotal = (readingG: number, before: readonly Pour[]): number | null => {
  const had = before.reduce((s, p) => s + p.massG, 0);
  return readingG > had ? readingG - had : null;
};
