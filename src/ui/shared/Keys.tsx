'use client';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { STAGES, type Stage } from '@/core/method';
import { setPrefs, THEMES, usePrefs } from '../workspace/prefs';
import { redo, undo, useWorkspace } from '../workspace/workspace';
import { Dialog } from './Dialog';

// The list of all that can be done is asked for on few days; the keys are listened to on all.
const GoOrDo = dynamic(() => import('./GoOrDo').then((m) => m.GoOrDo), { ssr: false });

const KEYS = [
  ['1 … 8', 'open a stage of the repair'],
  ['[ and ]', 'one stage back or on'],
  ['{ and }', 'one pass of a chain back or on'],
  ['r', 'running view of the repair'],
  ['y', 'yard: all jobs'],
  ['s', 'shelf: all systems'],
  ['u', 'metric or US customary'],
  ['t', 'day, night, full sun'],
  ['Ctrl Z, Ctrl Shift Z', 'undo and redo of planning'],
  ['Ctrl K or /', 'go anywhere or do anything by typing'],
  ['?', 'this list'],
] as const;

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Keyboard of the whole product: single keys, the list of them, and going anywhere by typing. */
export function Keys() {
  const [open, setOpen] = useState<'none' | 'keys' | 'go'>('none');
  const router = useRouter();
  const repairs = useWorkspace((d) => d.repairs);
  const { system, theme } = usePrefs();

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const command = e.ctrlKey || e.metaKey;
      if (command && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        setOpen('go');
        return;
      }
      if (typing(e.target)) return;
      if (command && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        if (e.shiftKey) redo();
        else undo();
        return;
      }
      // Asked of the page, not of our state: dialogs and calendars are opened by many.
      if (command || e.altKey || document.querySelector('[role=dialog]')) return;
      // Read from the address itself, which is ahead of the page while it changes.
      const [, kind, job, repair, stage] = location.pathname.split('/');
      const at = kind === 'job' && repair && repair !== 'card' && repair !== 'log' ? `/job/${job}/${repair}` : null;
      const index = STAGES.indexOf(stage as Stage);
      const go = (href: string | null) => href && router.push(href);
      // The pass that is open stays open from stage to stage.
      const { search } = location;
      const turned = (by: number) => {
        const chain = repairs.get(repair ?? '')?.chain ?? [];
        const open = Math.max(0, chain.indexOf(new URLSearchParams(search).get('pass') ?? ''));
        const next = chain[open + by];
        return at && next ? `${at}/${stage}${open + by > 0 ? `?pass=${next}` : ''}` : null;
      };
      if (at && /^[1-8]$/.test(e.key)) go(`${at}/${STAGES[Number(e.key) - 1]}${search}`);
      else if (at && e.key === '[' && index > 0) go(`${at}/${STAGES[index - 1]}${search}`);
      else if (at && e.key === ']' && index >= 0 && index < 7) go(`${at}/${STAGES[index + 1]}${search}`);
      else if (index >= 0 && e.key === '{') go(turned(-1));
      else if (index >= 0 && e.key === '}') go(turned(1));
      else if (at && e.key === 'r') go(`${at}/run`);
      else if (e.key === 'y') go('/');
      else if (e.key === 's') go('/shelf');
      else if (e.key === 'u') setPrefs({ system: system === 'metric' ? 'us' : 'metric' });
      else if (e.key === 't') setPrefs({ theme: THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]! });
      else if (e.key === '?') setOpen('keys');
      else if (e.key === '/') setOpen('go');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router, system, theme, repairs]);

  const close = () => setOpen('none');
  return (
    <>
      <Dialog open={open === 'keys'} title="Keys" onClose={close}>
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {KEYS.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="fig font-semibold">{key}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
      <Dialog open={open === 'go'} title="Go, or do" onClose={close}>
        {open === 'go' && <GoOrDo onClose={close} />}
      </Dialog>
    </>
  );
}
