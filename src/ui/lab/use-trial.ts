'use client';
import { startTransition, useEffect, useRef, useState } from 'react';
import type { PlaceAsk } from '@/core/plan';
import { type PlanWorker, startPlanWorker } from '@/worker/plan';
import type { PlaceReply } from '@/worker/plan.worker';

/**
 * A system tried at a place, in a worker that stays as long as the view. The last answer is shown until the next is
 * there.
 */
export function useTrial(ask: PlaceAsk | null): PlaceReply | null {
  const worker = useRef<PlanWorker | null>(null);
  const [reply, setReply] = useState<PlaceReply | null>(null);
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = null;
    },
    [],
  );
  useEffect(() => {
    if (!ask) return setReply(null);
    let old = false;
    worker.current ??= startPlanWorker();
    void worker.current.api.place(ask).then((found) => {
      // An answer to what is no longer asked is let go.
      // Drawn bit by bit, so that the hand is never kept waiting.
      if (!old) startTransition(() => setReply(found));
    });
    return () => {
      old = true;
    };
  }, [ask]);
  return reply;
}
