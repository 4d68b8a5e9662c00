'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';

const TakeList = dynamic(() => import('./TakeList').then((m) => m.TakeList), { ssr: false });

/** The way in for who has a list: nothing of it is loaded until it is opened. */
export function ManyAtOnce(of: { readonly jobId: string; readonly nextOrder: number }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className="mt-3 no-print" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="py-1 cursor-pointer font-semibold">Many at once, out of a spreadsheet</summary>
      {isOpen && <TakeList {...of} />}
    </details>
  );
}
