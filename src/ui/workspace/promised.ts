'use client';
import { useEffect, useState } from 'react';
import type { Promised } from '@/core/plan';
import { promisedInYard } from '@/core/record';
import { attempt } from '@/core/say';
import { yardOf } from '@/store/state';
import { idle } from './idle';
import { usePotStore } from './pots';
import { clock, stateNow, useWorkspace } from './workspace';

/**
 * What the open jobs of the yard take of each lot, once the page has nothing better to do: all of them are planned for
 * it. None while it is worked out, and where a job cannot be planned.
 */
export function usePromised(): readonly Promised[] {
  const { jobs, repairs, sheets, stock, events, snapshots } = useWorkspace();
  const pots = usePotStore((s) => s.pots);
  const [promised, setPromised] = useState<readonly Promised[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it is worked out from is read when it is
  useEffect(
    () =>
      idle(() => {
        const found = attempt(() => promisedInYard(yardOf(stateNow()), clock.now(), pots));
        setPromised(found.ok ? found.value : []);
      }),
    [jobs, repairs, sheets, stock, events, snapshots, pots],
  );
  return promised;
}
