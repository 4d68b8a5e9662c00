import { z } from 'zod';
import { figure, Id, positive, refuse } from '../units';

/** A trial of tints and dust in a small amount of mix, by mass, so that it can be repeated. */
export const ColourTrial = z.object({
  id: Id,
  name: z.string().max(80),
  /** What it was tried in, g of mix. */
  inG: z.number().positive().max(100_000),
  tints: z
    .array(z.object({ name: z.string().min(1).max(60), massG: z.number().positive().max(100_000) }))
    .min(1)
    .max(12),
  /** What the eye said: wet and dry, against the neighbour. */
  note: z.string().max(300),
});
export type ColourTrial = z.infer<typeof ColourTrial>;

export const Colour = z.object({ trials: z.array(ColourTrial).max(40), chosen: z.string().nullable() });
export type Colour = z.infer<typeof Colour>;

/** Tint above this share of the mix is no longer covered by any sheet that does not say so, per cent. */
export const TINT_MAX_PCT = 5;

export interface ScaledColour {
  readonly tints: readonly {
    readonly name: string;
    readonly massG: number;
    readonly roundedG: number;
    readonly offPct: number;
  }[];
  readonly sharePct: number;
  /** Least mix for which every tint is weighed within 5 %, g. */
  readonly leastMixG: number;
}

/** A trial scaled to a batch. @param stepG of the scale */
export function scaledColour(trial: ColourTrial, batchG: number, stepG: number): ScaledColour {
  positive('batchG', batchG, 'The batch');
  positive('stepG', stepG, 'The step of the scale');
  const tints = trial.tints.map((t) => {
    const massG = (t.massG * batchG) / trial.inG;
    const roundedG = Math.round(massG / stepG) * stepG;
    return { name: t.name, massG, roundedG, offPct: (roundedG / massG - 1) * 100 };
  });
  const smallest = Math.min(...trial.tints.map((t) => t.massG / trial.inG));
  return {
    tints,
    sharePct: (100 * trial.tints.reduce((s, t) => s + t.massG, 0)) / trial.inG,
    leastMixG: stepG / 2 / 0.05 / smallest,
  };
}

/** A lot with what it could give. */
export interface LotOffer {
  readonly lot: string;
  readonly availableG: number;
}

/**
 * Lots blended so that one surface gets one colour: as few lots as cover it, the largest first, and of each the same
 * share in every batch.
 * @returns share of each lot in every batch; @throws Refusal when all lots together are too little
 */
export function blendLots(
  lots: readonly LotOffer[],
  needG: number,
): readonly { readonly lot: string; readonly massG: number; readonly share: number }[] {
  positive('needG', needG, 'The amount');
  const all = lots.reduce((s, l) => s + l.availableG, 0);
  if (all < needG * (1 - 1e-9))
    refuse(
      'lots',
      all,
      `at least ${figure(needG)} g`,
      `All lots together hold ${figure(all)} g, this surface takes ${figure(needG)} g: a further lot may differ in colour. Get it before beginning and blend all.`,
    );
  const taken: LotOffer[] = [];
  let sum = 0;
  for (const l of [...lots].sort((a, b) => b.availableG - a.availableG || (a.lot < b.lot ? -1 : 1))) {
    if (sum >= needG * (1 - 1e-9)) break;
    if (l.availableG <= 0) continue;
    taken.push(l);
    sum += l.availableG;
  }
  return taken.map((l) => ({ lot: l.lot, massG: (needG * l.availableG) / sum, share: l.availableG / sum }));
}
