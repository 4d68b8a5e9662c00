'use client';
import { X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { phrase } from '@/words';
import { Link } from '../shared/Link';
import { setPrefs, usePrefs } from '../workspace/prefs';
import { useWorkspace } from '../workspace/workspace';
import { GUIDE } from './steps';

/** The walk over the sample: says what is worth seeing here and leads on. It covers nothing one must press. */
export function Guide() {
  const step = usePrefs((p) => p.guide);
  const here = useWorkspace((d) => d.jobs.has('sample-ramp'));
  const panel = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each stop is told anew
  useEffect(() => {
    panel.current?.focus();
  }, [step]);
  const now = step === null ? undefined : GUIDE[step];
  if (!now || step === null || !here) return null;
  const [before, next] = [GUIDE[step - 1], GUIDE[step + 1]];
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="A walk over the sample"
      className="paper no-print fixed z-40 right-3 left-3 sm:left-auto sm:w-96 bottom-3 p-3"
      style={{ border: '2px solid var(--ink)' }}
    >
      <div className="flex items-baseline gap-3">
        <h2 className="font-bold flex-1">
          {now.title} <span className="soft font-normal text-sm">{phrase`${step + 1} of ${GUIDE.length}`}</span>
        </h2>
        <button type="button" className="p-1" aria-label="Leave the walk" onClick={() => setPrefs({ guide: null })}>
          <X size={18} aria-hidden="true" />
        </button>
      </div>
      <p className="text-[0.95rem]">{now.text}</p>
      <div className="flex gap-2 mt-2">
        {before && (
          <Link className="btn text-sm" href={before.href} onClick={() => setPrefs({ guide: step - 1 })}>
            Back
          </Link>
        )}
        {next ? (
          <Link
            className="btn btn-neutral text-sm"
            href={next.href}
            onClick={() => setPrefs({ guide: step + 1 })}
          >{phrase`Next: ${next.title}`}</Link>
        ) : (
          <button type="button" className="btn btn-neutral text-sm" onClick={() => setPrefs({ guide: null })}>
            That was all
          </button>
        )}
      </div>
    </section>
  );
}
