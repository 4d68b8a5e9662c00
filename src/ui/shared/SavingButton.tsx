'use client';
import { type ButtonHTMLAttributes, useEffect, useRef, useState } from 'react';

/** What takes longer than this is told, ms. */
const SOON_MS = 150;

/** A button whose act is done when it is on disk: until then it cannot be pressed again, and says so. */
export function SavingButton({
  onSave,
  disabled,
  children,
  ...rest
}: Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'onClick'> & { onSave: () => Promise<unknown> }) {
  const [busy, setBusy] = useState(false);
  const [slow, setSlow] = useState(false);
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  useEffect(() => {
    if (!busy) return setSlow(false);
    const timer = setTimeout(() => setSlow(true), SOON_MS);
    return () => clearTimeout(timer);
  }, [busy]);
  return (
    <button
      type="button"
      {...rest}
      disabled={disabled || busy}
      aria-busy={busy || undefined}
      onClick={async () => {
        setBusy(true);
        try {
          await onSave();
        } finally {
          if (here.current) setBusy(false);
        }
      }}
    >
      {slow ? 'saving…' : children}
    </button>
  );
}
