import { z } from 'zod';
import { grams, positive, refuse, texts } from '../say';
import { Density, figure, Id } from '../units';

const REFUSED = texts('refused.mix.colour', {
  'all-lots-together':
    'All lots together hold {all}, this surface takes {need}: a further lot may differ in colour. Get it before beginning and blend all.',
});

/** How a trial is looked at: wet and dry, by day and by lamp. A colour that fits dry is another one wet. */
export const LOOKS = {
  wetDay: 'wet, by day',
  dryDay: 'dry, by day',
  wetLamp: 'wet, by lamp',
  dryLamp: 'dry, by lamp',
} as const;
export type Look = keyof typeof LOOKS;

/** The looks as a table: what the surface is across, the light it is seen by down. */
export const LOOK_TABLE = {
  surfaces: ['wet', 'dry'],
  rows: [
    { light: 'day', looks: ['wetDay', 'dryDay'] },
    { light: 'lamp', looks: ['wetLamp', 'dryLamp'] },
  ],
} as const satisfies {
  readonly surfaces: readonly string[];
  readonly rows: readonly { readonly light: string; readonly looks: readonly Look[] }[];
};
const Judged = z.boolean().nullable();
const NOT_LOOKED_AT = { wetDay: null, dryDay: null, wetLamp: null, dryLamp: null };

/** A trial of tints and dust in a small amount, by mass, so that it can be repeated. */
export const ColourTrial = z.object({
  id: Id,
  name: z.string().max(80),
  /** What it was tried in, g: of the ready mix, or of the base before its hardener. */
  inG: z.number().positive().max(100_000),
  of: z.enum(['mix', 'base']).default('mix'),
  tints: z
    .array(
      z.object({
        name: z.string().min(1).max(60),
        massG: z.number().positive().max(100_000),
        /** g/mL; null takes the usual one of a tint. */
        densityGPerMl: Density.nullable().default(null),
      }),
    )
    .min(1)
    .max(12),
  /** Whether it fits its neighbour; null where nobody has looked. */
  judged: z.object({ wetDay: Judged, dryDay: Judged, wetLamp: Judged, dryLamp: Judged }).default(NOT_LOOKED_AT),
  /** What the eye said besides. */
  note: z.string().max(300),
  /** Why this one was taken. */
  why: z.string().max(300).default(''),
});
export type ColourTrial = z.infer<typeof ColourTrial>;

/** What a further trial begins with. */
export const FRESH_TRIAL = {
  of: 'base',
  judged: NOT_LOOKED_AT,
  note: '',
  why: '',
} as const satisfies Partial<ColourTrial>;

export const Colour = z.object({
  trials: z.array(ColourTrial).max(40),
  chosen: z.string().nullable(),
  /** A second colour, for veins: its trial, and how much of it. */
  veins: z
    .object({ trial: z.string(), ml: z.number().positive().max(100_000) })
    .nullable()
    .default(null),
});
export type Colour = z.infer<typeof Colour>;

/** The trial that was taken; null where none is. */
export const takenTrial = (colour: Colour | null): ColourTrial | null =>
  colour?.trials.find((t) => t.id === colour.chosen) ?? null;

/** How a trial has been looked at, and how it fell short: not at all, or found off. */
export const unfitLooks = ({ judged }: ColourTrial): readonly Look[] =>
  (Object.keys(LOOKS) as Look[]).filter((look) => judged[look] !== true);

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
      REFUSED['all-lots-together']({ all: grams(all), need: grams(needG) }),
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
