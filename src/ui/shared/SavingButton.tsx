'use client';
import { type ButtonHTMLAttributes, useEffect, useRef, useState } from 'react';
import { useSlow } from './use-slow';

/** A button whose act is done when it is on disk: until then it cannot be pressed again, and says so. */
export function SavingButton({
  onSave,
  disabled,
  children,
  ...rest
}: Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'onClick'> & { onSave: () => Promise<unknown> }) {
  const [busy, setBusy] = useState(false);
  const slow = useSlow(busy);
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
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
