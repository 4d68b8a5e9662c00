'use client';
import { lazy, Suspense } from 'react';
import type { DialogProps } from './DialogSheet';

const DialogSheet = lazy(() => import('./DialogSheet'));

/**
 * A sheet laid over the work: focus stays in it and goes back to where it came from, Escape closes it, and what lies
 * under it is neither reached nor read out. A press beside it does not close it: what is typed would be gone.
 */
export function Dialog({ open, ...of }: DialogProps) {
  if (!open) return null;
  return (
    <Suspense fallback={null}>
      <DialogSheet {...of} />
    </Suspense>
  );
}
