'use client';
import { useEffect, useState } from 'react';
import { clock } from './workspace';

/**
 * The present of the workspace, renewed every `everyMs`, and at once when the page wakes: clocks are kept as instants,
 * never counted down.
 */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => clock.now());
  useEffect(() => {
    const renew = () => setNow(clock.now());
    const timer = setInterval(renew, everyMs);
    document.addEventListener('visibilitychange', renew);
    window.addEventListener('focus', renew);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', renew);
      window.removeEventListener('focus', renew);
    };
  }, [everyMs]);
  return now;
}
