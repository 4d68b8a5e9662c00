'use client';
import { useEffect, useState } from 'react';

/** The present, renewed every `everyMs`, and at once when the page wakes: clocks are kept as instants, never counted down. */
export function useNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const renew = () => setNow(Date.now());
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
