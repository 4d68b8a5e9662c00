'use client';
import { useId } from 'react';
import type { Said } from '@/core/say';
import { Prose } from './bits';

/** Lines pasted from elsewhere, and what keeps them from being read. */
export function PastedText({
  label,
  value,
  placeholder,
  fault,
  onChange,
}: {
  label: string;
  value: string;
  placeholder: string;
  fault: Said | null;
  onChange: (text: string) => void;
}) {
  const id = useId();
  return (
    <>
      <label htmlFor={id} className="block">
        {label}
      </label>
      <textarea
        id={id}
        className="textarea fig"
        rows={Math.min(12, Math.max(4, value.split('\n').length))}
        value={value}
        placeholder={placeholder}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-say` : undefined}
        onChange={(e) => onChange(e.target.value)}
      />
      {fault && (
        <p id={`${id}-say`} role="alert" style={{ color: 'var(--stop)' }}>
          <Prose>{fault}</Prose>
        </p>
      )}
    </>
  );
}
