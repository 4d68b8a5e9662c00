import { useMemo } from 'react';
import { create } from 'zustand';
import { type Piece, pieceOf } from '@/core/plan';
import type { PassView } from '@/core/record';
import { attempt } from '@/core/say';
import { measureVoid, type Point, unmeasuredIn } from '@/core/void';
import { useWorkspace } from '../workspace/workspace';

/** From where a void is looked at. */
export type Page = 'section' | 'plan' | 'setting';

/**
 * What one is looking at: which shape of the void, drawn from where, cut where; a rim being drawn. None of it is
 * stored.
 */
interface Look {
  readonly repairId: string;
  readonly index: number;
  readonly adding: boolean;
  readonly page: Page | null;
  readonly cut: number;
  readonly rim: readonly Point[];
}
export const fresh = (repairId: string): Look => ({ repairId, index: 0, adding: false, page: null, cut: 0.5, rim: [] });
const useLook = create<Look>(() => fresh(''));
export const look = (over: Partial<Look>) => useLook.setState(over);

/** The look at a repair; another repair begins anew. */
export function useLookAt(repair: Piece): Look {
  const now = useLook();
  const mine = now.repairId === repair.id ? now : fresh(repair.id);
  const last = (repair.void?.shapes.length ?? 1) - 1;
  return mine.index > last ? { ...mine, index: Math.max(0, last) } : mine;
}

/** The repair as drafted this moment, and its void measured: neither waits for the plan. */
export function useDraft({ repair: planned }: PassView) {
  const draft = useWorkspace((d) => d.repairs.get(planned.id));
  // What a pass takes from another is worked out by the plan; a void of its own is read as it is drawn.
  const repair =
    draft && planned.takes.from === 'own' && draft.passes[planned.passId] ? pieceOf(draft, planned.passId) : planned;
  const measuredNow = useMemo(
    () => (repair.void && !unmeasuredIn(repair.void).length ? attempt(() => measureVoid(repair.void!)) : null),
    [repair.void],
  );
  return { repair, v: measuredNow?.ok ? measuredNow.value : null };
}
