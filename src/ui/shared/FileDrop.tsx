'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { takeFile } from '../workspace/take-file';

const carriesFiles = (e: DragEvent): boolean => e.dataTransfer?.types.includes('Files') ?? false;

/** Files dropped anywhere on the window: jobs and sheets are taken in, others are told where they belong. */
export function FileDrop() {
  const [over, setOver] = useState(false);
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const router = useRouter();
  useEffect(() => {
    const hover = (e: DragEvent) => {
      if (!carriesFiles(e)) return;
      // A field that takes files itself, like that of a scan, is asked first.
      if (e.target instanceof HTMLInputElement && e.target.type === 'file') return;
      e.preventDefault();
      setOver(true);
    };
    const leave = (e: DragEvent) => {
      if (e.relatedTarget === null) setOver(false);
    };
    const drop = (e: DragEvent) => {
      setOver(false);
      if (!carriesFiles(e) || e.defaultPrevented) return;
      if (e.target instanceof HTMLInputElement && e.target.type === 'file') return;
      e.preventDefault();
      void (async () => {
        for (const file of e.dataTransfer?.files ?? []) {
          const taken = await takeFile(file);
          setSaid({ text: taken.said, bad: !taken.ok });
          if (taken.href) router.push(taken.href);
        }
      })();
    };
    window.addEventListener('dragover', hover);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', hover);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, [router]);
  return (
    <>
      {over && (
        <div
          className="fixed inset-3 z-50 grid place-items-center pointer-events-none text-2xl font-bold"
          style={{ border: '3px dashed var(--ink)', background: 'color-mix(in srgb, var(--paper) 80%, transparent)' }}
        >
          Let go: a job or a sheet is taken in
        </div>
      )}
      {said && (
        <div
          role={said.bad ? 'alert' : 'status'}
          className="paper fixed z-40 left-3 right-3 sm:right-auto sm:max-w-lg bottom-3 p-3 flex gap-3 items-start no-print"
          style={{ border: `2px solid ${said.bad ? 'var(--stop)' : 'var(--ink)'}` }}
        >
          <span className="flex-1">{said.text}</span>
          <button type="button" className="btn text-sm" onClick={() => setSaid(null)}>
            Well
          </button>
        </div>
      )}
    </>
  );
}
