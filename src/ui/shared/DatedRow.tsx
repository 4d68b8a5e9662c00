'use client';
import { Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { WhenField } from './WhenField';

/** One of several values read at their times: when, the value as it is passed in, and a press that takes it out. */
export function DatedRow({
  label,
  atMs,
  zone,
  atHour,
  onMove,
  takeOut,
  onTakeOut,
  children,
}: {
  label: string;
  atMs: number;
  zone: string;
  /** Of a day that is typed without an hour. */
  atHour: number;
  onMove: (atMs: number) => void;
  takeOut: string;
  onTakeOut: () => void;
  children: ReactNode;
}) {
  return (
    // A whole row for day and hour where the page is narrow: beside the value its hour would be cut off.
    <div className="grid grid-cols-[minmax(0,1fr)_auto] sm:grid-cols-[minmax(0,1fr)_7rem_auto] gap-2 items-end">
      <div className="col-span-2 sm:col-span-1">
        <WhenField label={label} value={atMs} zone={zone} atHour={atHour} onChange={onMove} />
      </div>
      {children}
      <button type="button" className="btn btn-link min-h-12" aria-label={takeOut} onClick={onTakeOut}>
        <Trash2 size={16} aria-hidden="true" />
      </button>
    </div>
  );
}
