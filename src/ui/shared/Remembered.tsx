'use client';
import { useId, useRef } from 'react';
import { useTyped } from '../workspace/typing';

export interface RememberedText {
  readonly text: string;
  readonly type: (text: string | null) => void;
  readonly field: {
    readonly ref: React.RefObject<HTMLTextAreaElement | null>;
    readonly 'data-typed': string;
    readonly value: string;
    readonly onChange: (e: { currentTarget: { value: string } }) => void;
  };
}

/** A text that is only written when a button is pressed, and kept as it is typed until then. */
export function useRememberedText(name: string): RememberedText {
  const ref = useRef<HTMLTextAreaElement>(null);
  const { text, type } = useTyped(name, ref);
  return {
    text: text ?? '',
    type,
    field: { ref, 'data-typed': name, value: text ?? '', onChange: (e) => type(e.currentTarget.value) },
  };
}

/** A labelled text area over a remembered text. */
export function RememberedArea({
  label,
  rows = 3,
  max,
  of,
}: {
  label: string;
  rows?: number;
  max?: number;
  of: RememberedText;
}) {
  const id = useId();
  return (
    <div className="mb-2">
      <label htmlFor={id}>{label}</label>
      <textarea id={id} className="textarea" rows={rows} maxLength={max} {...of.field} />
    </div>
  );
}
