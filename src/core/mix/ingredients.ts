import { PART_IDS, type PartId, type SheetRevision } from '../system';
import { type Colour, type ColourTrial, takenTrial } from './colour';
import { type Blend, fillerOf } from './fillers';

/** What somebody puts into a system besides its own parts. */
export interface OwnStuff {
  readonly blend: Blend | null;
  readonly colour: Colour | null;
}

/** One thing of a mix that is measured out by itself. */
export interface Ingredient {
  /** The part of the plan it is, or is in; null for what comes on top of all parts. */
  readonly part: PartId | null;
  /** What stands on its tin: the letter of resin and hardener, else a name. */
  readonly name: string;
  /** Its mass as a share of that of a part, or of the whole mix. */
  readonly share: number;
  readonly of: PartId | 'mix';
  /** What it does in the mix, as far as that decides when it goes in. */
  readonly as: 'liquid' | 'grains' | 'filler' | 'thickener' | 'colour';
  /** It is no part of the system: somebody puts it in besides, and has to have it. */
  readonly own: boolean;
}

/** Fillers of one's own as the part they make up: grains are part D, all others part C, thickeners last. */
function filled(blend: Blend, part: 'C' | 'D'): readonly Ingredient[] {
  const mine = blend.fillers.filter((f) => (fillerOf(f.filler).kind === 'grains') === (part === 'D'));
  const whole = mine.reduce((s, f) => s + f.share, 0);
  const made = mine.map((f): Ingredient => {
    const { label, serves } = fillerOf(f.filler);
    const as = part === 'D' ? 'grains' : serves === 'thickening' ? 'thickener' : 'filler';
    return { part, name: label, share: f.share / whole, of: part, as, own: true };
  });
  return [...made.filter((i) => i.as !== 'thickener'), ...made.filter((i) => i.as === 'thickener')];
}

/** What colours a mix: within part C of a recipe that was planned with, else on top of it. */
function coloured(trial: ColourTrial, within: boolean): readonly Ingredient[] {
  const of = within ? 'C' : trial.of === 'base' ? 'A' : 'mix';
  const whole = within ? trial.tints.reduce((s, t) => s + t.massG, 0) : trial.inG;
  return trial.tints.map(({ name, massG }) => ({
    part: within ? 'C' : null,
    name,
    share: massG / whole,
    of,
    as: 'colour',
    own: true,
  }));
}

const asPart = (filler: SheetRevision['parts'][number]['filler']): Ingredient['as'] =>
  filler === null ? 'liquid' : filler === 'grains' ? 'grains' : 'filler';

/**
 * What a mix is made of, each thing as it is measured out by itself: parts in their order, thickeners after other
 * fillers.
 * @param sheet as typed, without what is put in besides
 */
export function ingredientsOf(sheet: SheetRevision, { blend, colour }: OwnStuff): readonly Ingredient[] {
  // Tins of resin and hardener go by their letters; where a little is dosed into much, each goes by its name.
  const dosed = sheet.parts.some((p) => p.role === 'catalyst');
  const parts = PART_IDS.flatMap((id) => sheet.parts.filter((p) => p.id === id)).map(
    ({ id, role, name, filler }): Ingredient => ({
      part: id,
      name: !dosed && (role === 'resin' || role === 'hardener') ? id : name,
      share: 1,
      of: id,
      as: role === 'thickener' ? 'thickener' : asPart(filler),
      own: false,
    }),
  );
  const trial = takenTrial(colour);
  const planned = trial?.of === 'base' && !blend && !sheet.parts.some((p) => p.id === 'C' || p.id === 'D');
  return [
    ...parts,
    ...(blend ? [...filled(blend, 'C'), ...filled(blend, 'D')] : []),
    ...(trial ? coloured(trial, planned) : []),
  ];
}

/** An ingredient and how much of it, g. */
export type Weighed = Ingredient & { readonly massG: number };

/** Ingredients by the masses of their parts; what there is nothing of is left out. @param massG of each part, g */
export function weighedOf(
  ingredients: readonly Ingredient[],
  massG: Readonly<Record<PartId, number>>,
): readonly Weighed[] {
  const all = PART_IDS.reduce((s, id) => s + massG[id], 0);
  return ingredients
    .map((i) => ({ ...i, massG: i.share * (i.of === 'mix' ? all : massG[i.of]) }))
    .filter((i) => i.massG > 0);
}
