'use client';
import { CalendarDays } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import type { Chosen } from './WhenCalendar';

const WhenCalendar = dynamic(() => import('./WhenCalendar'), { ssr: false });

/** Opens a calendar beside a field that is else typed into; it is fetched when it is first asked for. */
export function WhenButton({ disabled, ...of }: Chosen & { readonly disabled?: boolean | undefined }) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        ref={button}
        type="button"
        className="btn px-2 no-print"
        aria-label="Choose on a calendar"
        aria-description={of.label}
        aria-haspopup="dialog"
        aria-expanded={open}
        disabled={disabled}
        onClick={() => setOpen(true)}
      >
        <CalendarDays size={18} aria-hidden="true" />
      </button>
      {open && <WhenCalendar {...of} field={button} onClose={() => setOpen(false)} />}
    </>
  );
}
