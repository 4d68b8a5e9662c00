'use client';
import type { ReactNode } from 'react';

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
      className="no-print px-4 md:px-6 py-2 flex flex-wrap gap-x-4 gap-y-1 items-center"
      style={{
        background: calm ? 'var(--caution-bg)' : 'var(--stop-bg)',
        color: calm ? 'var(--caution-ink)' : 'var(--stop-ink)',
        borderBottom: `2px solid ${calm ? 'var(--rule)' : 'var(--stop)'}`,
      }}
    >
      <p className="min-w-0">
        <strong>{head} </strong>
        {children}
      </p>
      {ways && <div className="flex flex-wrap gap-2">{ways}</div>}
    </div>
  );
}
