'use client';
import type { ReactNode } from 'react';
import { TONES } from './Notice';

/** A line across the top: what is the matter, and the ways on. */
export function Across({
  head,
  children,
  ways,
  calm,
}: {
  head: string;
  children: ReactNode;
  ways?: ReactNode;
  calm?: boolean;
}) {
  return (
    <div
      role={calm ? 'status' : 'alert'}
      className={`alert ${TONES[calm ? 'caution' : 'stop']} no-print px-4 md:px-6 py-2 flex-wrap gap-y-1 items-center border-0 border-b-2`}
    >
      <p className="min-w-0">
        <strong>{head} </strong>
        {children}
      </p>
      {ways && <div className="flex flex-wrap gap-2">{ways}</div>}
    </div>
  );
}
