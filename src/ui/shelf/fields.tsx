'use client';
import { type ReactNode, useId } from 'react';
import { afterPress } from '../shared/after-press';
import { Prose } from '../shared/bits';
import type { DraftFaults } from './draft';

/** A field of a sheet, kept as its text; complaints stand under it. */
export function Typed({
  field,
  label,
  aside,
  hint,
  value,
  fault,
  onChange,
  onChoose = onChange,
  onLeave,
  onPaste,
  multiline,
  rows = 2,
  beside,
}: {
  /** Its name in the draft, by which a list of what is wrong leads to it. */
  field?: string;
  label: ReactNode;
  /** What its label stands for, in a word. */
  aside?: string | undefined;
  hint?: string;
  value: string;
  fault?: DraftFaults[string];
  onChange: (v: string) => void;
  /** One of several readings was pressed; it is typed then, where nothing else is said. */
  onChoose?: (v: string) => void;
  onLeave?: () => void;
  /** What a pasted text becomes; undefined takes it as it is. */
  onPaste?: (text: string) => string | undefined;
  multiline?: boolean;
  /** Lines it has room for while it is empty. */
  rows?: number;
  /** Its label stands beside it where there is room. */
  beside?: boolean;
}) {
  const own = useId();
  const id = field ? `sheet-${field}` : own;
  const common = {
    id,
    className: multiline ? 'textarea fig' : 'input fig',
    value,
    placeholder: hint,
    'aria-invalid': fault ? (true as const) : undefined,
    'aria-describedby': [fault && `${id}-say`, aside && `${id}-is`].filter(Boolean).join(' ') || undefined,
    onBlur: onLeave && (() => afterPress(onLeave)),
  };
  const named = (
    <label htmlFor={id} className={beside ? 'block lg:pt-1.5' : 'block'}>
      {label}
    </label>
  );
  return (
    <div className={beside ? 'lg:grid lg:grid-cols-[11rem_minmax(0,1fr)] lg:[&>:not(label)]:col-start-2' : undefined}>
      {aside ? (
        <div className="flex flex-wrap items-baseline gap-x-1.5">
          {named}
          <span id={`${id}-is`} className="soft text-sm">
            {aside}
          </span>
        </div>
      ) : (
        named
      )}
      {multiline ? (
        <textarea
          rows={Math.max(rows, value.split('\n').length)}
          {...common}
          onChange={(e) => onChange(e.target.value)}
          onPaste={(e) => {
            const text = onPaste?.(e.clipboardData.getData('text/plain'));
            if (text === undefined) return;
            e.preventDefault();
            onChange(text);
          }}
        />
      ) : (
        <input {...common} onChange={(e) => onChange(e.target.value)} />
      )}
      {fault && (
        <p id={`${id}-say`} role="alert" className="text-sm mt-1.5" style={{ color: 'var(--stop)' }}>
          <Prose>{fault.sentence}</Prose>
        </p>
      )}
      {fault?.choices?.map((c) => (
        <button key={c.text} type="button" className="btn text-sm mr-1" onClick={() => onChoose(c.text)}>
          {c.label}
        </button>
      ))}
    </div>
  );
}

export function Pick({
  label,
  value,
  options,
  onChange,
}: {
  label: ReactNode;
  value: string;
  options: readonly (readonly [string, string])[];
  onChange: (v: string) => void;
}) {
  return (
    <label className="block">
      {label}
      <select className="select" value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
