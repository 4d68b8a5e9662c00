'use client';
import { useEffect, useState } from 'react';
import { phrase } from '@/words';
import { useWorkspace } from '../workspace/workspace';

/** Says while something is not on disk yet; silent when all of it is, or so quick that it would only flicker. */
export function Saving() {
  const waiting = useWorkspace((d) => d.waiting);
  const failure = useWorkspace((d) => d.failure);
  const [shown, setShown] = useState(false);
  useEffect(() => {
    if (!waiting) {
      setShown(false);
      return;
    }
    const timer = setTimeout(() => setShown(true), 400);
    return () => clearTimeout(timer);
  }, [waiting]);
  // Leaving a page with something unsaved is asked about by the browser.
  useEffect(() => {
    if (!failure) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [failure]);
  if (!shown) return null;
  return (
    <p
      role="status"
      data-testid="saving"
      className="no-print fixed right-3 bottom-2 z-40 px-2 py-0.5 text-sm"
      style={{ background: 'var(--paper)', color: 'var(--ink)', border: '1px dashed var(--rule)' }}
    >
      {failure ? phrase`${waiting} not saved yet` : 'saving…'}
    </p>
  );
}
