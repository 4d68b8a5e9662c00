'use client';
import { useEffect, useMemo, useState } from 'react';
import { runningRepairs } from '../workspace/running';
import { useWorkspace } from '../workspace/workspace';
import { Across } from './Across';

/**
 * Keeps the application in this browser, so that it works with no server; tells of a newer one, which is taken with one
 * press.
 */
export function NewVersion() {
  const repairs = useWorkspace((d) => d.repairs);
  const events = useWorkspace((d) => d.events);
  const waiting = useWorkspace((d) => d.waiting);
  const running = useMemo(() => runningRepairs({ repairs, events }).length, [repairs, events]);
  const [ready, setReady] = useState<ServiceWorker | null>(null);
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    let there = true;
    void navigator.serviceWorker
      .register('/sw.js')
      .then((registration) => {
        // The first one to be kept is no newer one.
        const tell = () => there && navigator.serviceWorker.controller && setReady(registration.waiting);
        const follow = (worker: ServiceWorker | null) => worker?.addEventListener('statechange', tell);
        tell();
        follow(registration.installing);
        registration.addEventListener('updatefound', () => follow(registration.installing));
      })
      .catch(() => undefined);
    return () => {
      there = false;
    };
  }, []);
  if (!ready) return null;
  const take = () => {
    navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), { once: true });
    ready.postMessage('take-over');
  };
  return (
    <Across
      head="A newer Grenko is ready."
      calm
      ways={
        <button type="button" className="btn" disabled={running > 0 || waiting > 0} onClick={take}>
          Take it now
        </button>
      }
    >
      {running > 0
        ? 'It waits until nothing is running: what has begun goes on as it is.'
        : 'It takes a moment; what is stored stays.'}
    </Across>
  );
}
