'use client';
import { useRouter } from 'next/navigation';
import { type ReactNode, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { takeFile } from '../workspace/take-file';

/** Files dropped anywhere on the page: jobs and sheets are taken in, others are told where they belong. */
export function FileDrop({ children }: { children: ReactNode }) {
  const [said, setSaid] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const router = useRouter();
  const { getRootProps, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    // What is pasted belongs to the field it is pasted into.
    noPaste: true,
    onDrop: async (files) => {
      for (const file of files) {
        const taken = await takeFile(file);
        setSaid({ text: taken.said, bad: !taken.ok });
        if (taken.href) router.push(taken.href);
      }
    },
  });
  return (
    <div {...getRootProps({ role: undefined, className: 'min-h-dvh' })}>
      {children}
      {isDragActive && (
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
    </div>
  );
}
