'use client';
import { useDesk } from '../desk/desk';

/** What the person must know about saving, in one line across the top. */
export function Banner() {
  const trouble = useDesk((d) => d.trouble);
  if (!trouble) return null;
  return (
    <div
      role="alert"
      className="no-print px-6 py-2"
      style={{ background: 'var(--stop-bg)', color: 'var(--stop-ink)', borderBottom: '2px solid var(--stop)' }}
    >
      <strong>Not saved. </strong>
      {trouble}
    </div>
  );
}
