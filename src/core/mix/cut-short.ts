/** A pot that died while it was placed: what of it had been placed stays, what was still in it is waste. */
export interface CutShort {
  readonly batch: number;
  readonly placedMl: number;
}

/** What a pot is for, as far as that matters here. */
interface Pot {
  readonly portion: number;
  readonly placedMl: number;
  readonly kits: number | null;
  /** What it was mixed for, mL, where it was cut short. */
  readonly meantMl?: number;
}

/** A pot’s whole kits, null where it is weighed, and its share of what is shared out. */
interface Share {
  readonly kits: number | null;
  readonly share: number;
}

/**
 * Pots after some of them were cut short: what those left unplaced, with all that was to come after them in the same
 * portion, is shared out anew. The sum of what is placed stays.
 * @param cuts in their order; one of a pot that is not there, or that placed all it was for, changes nothing
 * @param shareOut the pots for so much of a portion that is still to be placed, mL
 */
export function cutShort<P extends Pot>(
  pots: readonly P[],
  cuts: readonly CutShort[],
  shareOut: (restMl: number, portion: number) => readonly Share[],
): readonly P[] {
  return cuts.reduce((now, { batch, placedMl }) => {
    const cut = now[batch];
    if (!cut || placedMl >= cut.placedMl) return now;
    const open = now.slice(batch).filter((p) => p.portion === cut.portion);
    const restMl = open.reduce((sum, p) => sum + p.placedMl, -placedMl);
    const again = shareOut(restMl, cut.portion).map(({ kits, share }) => ({ ...cut, placedMl: share * restMl, kits }));
    return [
      ...now.slice(0, batch),
      { ...cut, placedMl, meantMl: cut.placedMl },
      ...again,
      ...now.slice(batch + open.length),
    ];
  }, pots);
}
