import { positive } from '../say';
import { type Part, proportionOf, type SheetRevision } from '../system';
import { type Colour, type ColourTrial, takenTrial } from './colour';
import { withOwn } from './fillers';

/** A tint paste whose density nobody knows, g/mL; and from where on it is dust of stone, which is no tint. */
const USUAL_TINT_G_PER_ML = 1.4;
const DUST_G_PER_ML = 2;
/** What is weighed worse than this is worth a word, per cent. */
export const WEIGHED_PCT = 5;

/** One thing of a recipe, scaled. */
export interface RecipeRow {
  readonly name: string;
  readonly massG: number;
  /** What half a step of the scale is of it, ± per cent. */
  readonly offPct: number;
  /** Parts of base that one part of it is thinned with so that it can be weighed; null where it can be as it is. */
  readonly thinWith: number | null;
}

/** A trial scaled to what is wanted. */
export interface Recipe {
  readonly rows: readonly RecipeRow[];
  /** What the trial itself made, mL. */
  readonly trialMl: number;
  /** Share of the trial that is wanted. */
  readonly factor: number;
  /** The worst row, ± per cent: scaled, and were the trial mixed whole. */
  readonly worstPct: number;
  readonly wholeWorstPct: number;
  /** What is left over of a trial mixed whole, per cent of it; 0 where one does not do. */
  readonly wholeLeftPct: number;
  /** Tint pastes in it, per cent by mass; dust of stone is none. */
  readonly tintPct: number;
}

const densityOf = (t: ColourTrial['tints'][number]): number => t.densityGPerMl ?? USUAL_TINT_G_PER_ML;

/** What a trial is made of, g: base, hardener, and all that colours it. */
function madeOf(trial: ColourTrial, sheet: SheetRevision) {
  const { massShare } = proportionOf(sheet);
  const liquid = massShare.A + massShare.B;
  const baseG = trial.of === 'base' ? trial.inG : (trial.inG * massShare.A) / liquid;
  return {
    baseG,
    hardenerG: (baseG * massShare.B) / massShare.A,
    coloursG: trial.tints.reduce((s, t) => s + t.massG, 0),
    coloursMl: trial.tints.reduce((s, t) => s + t.massG / densityOf(t), 0),
  };
}

/**
 * A trial scaled to a volume: every part by mass, with what the scale makes of it.
 * @param sheet without fillers of its own
 * @param stepG of the scale
 * @throws Refusal for nothing wanted or no step
 */
export function recipeFor(trial: ColourTrial, sheet: SheetRevision, wantedMl: number, stepG: number): Recipe {
  positive('wantedMl', wantedMl, 'The amount');
  positive('stepG', stepG, 'The step of the scale');
  const part = (id: Part['id']) => sheet.parts.find((p) => p.id === id)!;
  const { baseG, hardenerG, coloursG, coloursMl } = madeOf(trial, sheet);
  const trialMl = baseG / part('A').densityGPerMl + hardenerG / part('B').densityGPerMl + coloursMl;
  const factor = wantedMl / trialMl;
  const off = (massG: number) => (50 * stepG) / massG;
  const whole = [
    { name: part('A').name, massG: baseG },
    ...trial.tints.map(({ name, massG }) => ({ name, massG })),
    { name: part('B').name, massG: hardenerG },
  ];
  const rows = whole.map(({ name, massG }, i): RecipeRow => {
    const scaled = massG * factor;
    // Only what colours is thinned: base is what it is thinned with, and hardener counts by itself.
    const colours = i > 0 && i < whole.length - 1;
    const parts = Math.ceil(off(scaled) / WEIGHED_PCT - 1e-9) - 1;
    return {
      name,
      massG: scaled,
      offPct: off(scaled),
      thinWith: colours && off(scaled) > WEIGHED_PCT ? Math.max(1, parts) : null,
    };
  });
  const tints = trial.tints.filter((t) => densityOf(t) < DUST_G_PER_ML).reduce((s, t) => s + t.massG, 0);
  // Hardener is dosed by itself, by drops or strip where it is little.
  const worst = (of: readonly { massG: number }[]) => Math.max(...of.slice(0, -1).map((r) => off(r.massG)));
  return {
    rows,
    trialMl,
    factor,
    worstPct: worst(rows),
    wholeWorstPct: worst(whole),
    wholeLeftPct: factor < 1 ? (1 - factor) * 100 : 0,
    tintPct: (100 * tints) / (baseG + hardenerG + coloursG),
  };
}

const coloured = new WeakMap<SheetRevision, WeakMap<ColourTrial, SheetRevision>>();

/**
 * The sheet with the colour that was taken in it, as part C: it takes up room, and so less of the liquids is mixed. A
 * sheet with fillers, or a trial that was made in ready mix, is left as it is: its tints come on top.
 */
export function withRecipe(sheet: SheetRevision, colour: Colour | null): SheetRevision {
  const trial = takenTrial(colour);
  if (trial?.of !== 'base' || sheet.parts.some((p) => p.id === 'C' || p.id === 'D')) return sheet;
  const known = coloured.get(sheet) ?? new WeakMap<ColourTrial, SheetRevision>();
  coloured.set(sheet, known);
  const found = known.get(trial);
  if (found) return found;
  const { baseG, hardenerG, coloursG, coloursMl } = madeOf(trial, sheet);
  const part: Part = {
    id: 'C',
    name: 'dust and tints',
    role: 'filler',
    densityGPerMl: coloursG / coloursMl,
    bulkGPerMl: null,
    filler: 'thixotrope',
  };
  const made = withOwn(sheet, { part, per100G: (100 * coloursG) / (baseG + hardenerG) }, null);
  known.set(trial, made);
  return made;
}
