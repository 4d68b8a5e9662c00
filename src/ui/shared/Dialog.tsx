'use client';
import { X } from 'lucide-react';
import { type ReactNode, useEffect, useId, useRef } from 'react';

/** A sheet laid over the work, as the browser's own dialog: focus stays in it, Escape closes it. */
export function Dialog({
  open,
  title,
  onClose,
  children,
  wide,
}: {
  open: boolean;
  title: string;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}) {
  const ref = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    if (open && !el.open) {
      el.showModal();
      // The browser would focus the way out first; the hand wants the first field.
      el.querySelector<HTMLElement>('input:not([type=hidden]), textarea, select')?.focus();
    }
    if (!open && el.open) el.close();
  }, [open]);
  return (
    <dialog
      ref={ref}
      aria-labelledby={id}
      // Escape is told at once, so that the same dialog may be asked for again by the very next key.
      onCancel={(e) => {
        if (e.target === e.currentTarget) onClose();
      }}
      // Closing is told a moment later: one that was opened again meanwhile is not the one that closed.
      onClose={(e) => {
        if (!e.currentTarget.open) onClose();
      }}
      className="modal"
    >
      {open && (
        <div className={`modal-box ${wide ? 'max-w-[60rem]' : 'max-w-[34rem]'}`}>
          <div className="flex items-center justify-between mb-4 gap-4">
            <h2 id={id} className="text-xl font-bold">
              {title}
            </h2>
            <button type="button" className="btn min-h-12 min-w-12 justify-center" aria-label="Close" onClick={onClose}>
              <X size={18} aria-hidden="true" />
            </button>
          </div>
          {children}
        </div>
      )}
    </dialog>
  );
}
