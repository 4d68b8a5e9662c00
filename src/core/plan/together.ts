import { dequal } from 'dequal';
import { isTaken, methodOf } from '../method';
import type { SheetRevision } from '../system';
import { type Pass, type Piece, piecesOf, type Repair, withPiece } from './repair';

/** What is set for several repairs at once; what is not named stays as each has it. */
export interface Together {
  /** A system, for every pass that takes it. */
  readonly sheet?: SheetRevision;
  /** Packs kept at a temperature of their own, °C; null where they follow the air. */
  readonly materialC?: number | null;
  /** Pairs of hands that place. */
  readonly crew?: number;
  /** All that was chosen for another repair, for those that are repaired by the same methods. */
  readonly chosenAs?: Repair;
  /** What another was found to be, for questions of those that are still open: each was looked at, and is like it. */
  readonly foundAs?: Repair;
}

/** Whether a pass takes a system. */
const takes = (piece: Piece, sheet: SheetRevision): boolean => {
  const method = methodOf(piece.method.id);
  return method !== undefined && isTaken(method, sheet);
};

/** Whether any pass of a repair takes a system. */
export const takesSystem = (repair: Repair, sheet: SheetRevision): boolean =>
  piecesOf(repair).some((p) => takes(p, sheet));

/** Whether two repairs are done by the same methods, pass for pass. */
export const isOfKind = (a: Repair, b: Repair): boolean =>
  a.chain.length === b.chain.length && a.chain.every((id, i) => methodAt(a, id) === methodAt(b, b.chain[i]!));
const methodAt = (repair: Repair, id: string): string | undefined => repair.passes[id]?.method.id;

/** What is chosen for a pass, whatever void it is for: nothing that was measured, found, or counts its places. */
const choicesOf = (pass: Pass) => ({
  sheetId: pass.sheetId,
  kitId: pass.kitId,
  schools: pass.schools,
  settings: pass.settings,
  materialC: pass.materialC,
  dosePct: pass.dosePct,
  massCapG: pass.massCapG,
  leastG: pass.leastG,
  liftMm: pass.liftMm,
  grits: pass.grits,
  blend: pass.blend,
  colour: pass.colour,
  reserve: pass.reserve,
  standIns: pass.standIns,
});

/** A repair with all that was chosen for one of its kind; its place, what it was found to be and its sizes are its own. */
function chosenLike(repair: Repair, model: Repair): Repair {
  if (repair.id === model.id || !isOfKind(repair, model)) return repair;
  const { crew, overtimeMin, scaleStepG, bench, load, acceptance, serves } = model;
  const made: Repair = {
    ...repair,
    ...{ crew, overtimeMin, scaleStepG, bench, load, acceptance, serves },
    passes: Object.fromEntries(
      repair.chain.map((id, i) => [id, { ...repair.passes[id]!, ...choicesOf(model.passes[model.chain[i]!]!) }]),
    ),
  };
  return dequal(made, repair) ? repair : made;
}

/** A repair with its open questions answered as those of one of its kind were. */
function foundLike(repair: Repair, model: Repair): Repair {
  const open = Object.keys(model.answers).filter((id) => !(id in repair.answers));
  return isOfKind(repair, model) && open.length
    ? { ...repair, answers: { ...model.answers, ...repair.answers } }
    : repair;
}

/**
 * A repair with what is set for several. Another system keeps neither kit nor dose, blend or colour of the one before.
 * @returns the same repair where nothing of it changes
 */
export function setTogether(repair: Repair, { sheet, materialC, crew, chosenAs, foundAs }: Together): Repair {
  const like = chosenAs ? chosenLike(repair, chosenAs) : repair;
  const found = foundAs ? foundLike(like, foundAs) : like;
  let made = crew === undefined || crew === found.crew ? found : { ...found, crew };
  for (const piece of piecesOf(made)) {
    const over: Partial<Piece> = {
      ...(materialC !== undefined && materialC !== piece.materialC ? { materialC } : {}),
      ...(sheet && sheet.id !== piece.sheetId && takes(piece, sheet)
        ? { sheetId: sheet.id, kitId: sheet.kits[0]!.id, dosePct: null, blend: null, colour: null }
        : {}),
    };
    if (Object.keys(over).length) made = withPiece(made, { ...piece, ...over, crew: made.crew });
  }
  return made;
}
