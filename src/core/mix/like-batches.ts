import { PART_IDS } from '../system';
import type { Batch } from './mix-ask';

/** Masses that differ by less are told as one. */
const LIKE = 0.005;

/**
 * Batches in a row that are weighed out alike, told once: runs of them, in their order.
 * @param apart what keeps like ones from being told together besides
 * @example likeBatches([25 kg, 25 kg, 18 kg]) // [[25 kg, 25 kg], [18 kg]]
 */
export function likeBatches<B extends Pick<Batch, 'massG'>>(
  batches: readonly B[],
  apart: (a: B, b: B) => boolean = () => false,
): readonly (readonly B[])[] {
  const isLike = (a: B, b: B) =>
    !apart(a, b) && PART_IDS.every((id) => Math.abs(a.massG[id] - b.massG[id]) <= LIKE * a.massG[id]);
  const runs: B[][] = [];
  for (const batch of batches) {
    const run = runs.at(-1);
    if (run && isLike(run[0]!, batch)) run.push(batch);
    else runs.push([batch]);
  }
  return runs;
}
