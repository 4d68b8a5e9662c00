import { usualBaseMm } from '@/core/climate';
import { type Beginning, pieceOf, type Repair, withChain, withPiece } from '@/core/plan';
import type { BaseMaterial } from '@/core/system';
import { freshRepair } from '../workspace/fresh';
import { settingsFromRecords } from '../workspace/lessons';
import { usePrefs } from '../workspace/prefs';
import { clock } from '../workspace/workspace';

/** A repair as it is begun in a job: with what the records taught of its method, and the passes of its chain. */
export function begunRepair(
  jobId: string,
  { methodId, chain }: Beginning,
  madeOf: BaseMaterial | null,
  order: number,
): Repair {
  const made = freshRepair(jobId, methodId, order, clock.now(), madeOf);
  const thicknessMm = usualBaseMm(made.base.material, usePrefs.getState().system);
  const theirs = { ...made, base: { ...made.base, thicknessMm } };
  const fresh = withPiece(theirs, { ...pieceOf(theirs), settings: settingsFromRecords(methodId) });
  return chain ? withChain(fresh, chain) : fresh;
}
