'use client';
import { useEffect, useId, useRef, useState } from 'react';
import { fieldText, type Kind, type Parsed, parseQuantity, type UnitSystem } from '@/core/units';
import { usePrefs } from '../workspace/prefs';
import { useTyped } from '../workspace/typing';

export interface Typed {
  readonly value: number;
  readonly text: string;
  readonly system: UnitSystem;
}

interface Props {
  readonly kind: Kind;
  readonly label: string;
  readonly value: number | null;
  /** Text as typed before, and the units it was typed for. */
  readonly typed?: { readonly text: string; readonly system: UnitSystem };
  readonly onChange: (typed: Typed) => void;
  /** Called when the field is emptied; without it an empty field is an error. */
  readonly onClear?: () => void;
  /** A sentence from the core about this field. */
  readonly problem?: string | null;
  readonly check?: (value: number) => string | null;
  readonly hideLabel?: boolean;
  readonly placeholder?: string;
  /** Significant figures shown of a value that was not typed as it stands. */
  readonly digits?: number;
  readonly className?: string;
}

/**
 * A quantity typed as people say it. It is read when the field is left or Enter is pressed; what is ambiguous is asked
 * with buttons, what is wrong keeps the text and says why. The stored value is untouched until a reading is sound.
 */
export function QuantityField({
  kind,
  label,
  value,
  typed,
  onChange,
  onClear,
  problem,
  check,
  hideLabel,
  placeholder,
  className,
  digits,
}: Props) {
  const system = usePrefs((p) => p.system);
  const shown = value === null ? '' : fieldText(kind, value, system, typed, digits);
  const input = useRef<HTMLInputElement>(null);
  const { text: draft, restored, type: setDraft } = useTyped(`${label} (${kind})`, input);
  const [fault, setFault] = useState<Extract<Parsed, { ok: false }> | null>(null);
  const id = useId();
  const drawn = useRef(false);
  // A value that changes elsewhere (a drag, an undo) or other units replace what is shown, unless something unread is
  // in the field.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the reset belongs to these changes alone
  useEffect(() => {
    if (!drawn.current) {
      drawn.current = true;
      return;
    }
    setDraft(null);
    setFault(null);
  }, [value, system]);
  // What was typed before the page was left comes back, marked where it cannot be read.
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when it comes back
  useEffect(() => {
    if (!restored || draft === null) return;
    const parsed = parseQuantity(kind, draft, system);
    const objection = parsed.ok ? check?.(parsed.value) : null;
    if (!parsed.ok) setFault(parsed);
    else if (objection) setFault({ ok: false, sentence: objection });
  }, [restored]);

  const read = (text: string) => {
    if (text.trim() === '' && onClear) {
      setDraft(null);
      setFault(null);
      onClear();
      return;
    }
    if (text === shown && !fault) return;
    const parsed = parseQuantity(kind, text, system);
    if (!parsed.ok) {
      setFault(parsed);
      return;
    }
    const objection = check?.(parsed.value);
    if (objection) {
      setFault({ ok: false, sentence: objection });
      return;
    }
    setFault(null);
    setDraft(null);
    onChange({ value: parsed.value, text: parsed.text, system });
  };
  const sentence = fault?.sentence ?? problem ?? null;
  const waits = restored && !sentence ? 'As you left it, not taken in yet: Enter takes it.' : null;
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block mb-0.5'}>
        {label}
      </label>
      <input
        id={id}
        ref={input}
        data-typed={`${label} (${kind})`}
        className="field fig font-semibold"
        value={draft ?? shown}
        placeholder={placeholder}
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        aria-invalid={sentence ? true : undefined}
        aria-describedby={sentence || waits ? `${id}-say` : undefined}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={(e) => (draft !== null ? read(e.target.value) : undefined)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') read(e.currentTarget.value);
          if (e.key === 'Escape') {
            setDraft(null);
            setFault(null);
          }
        }}
      />
      {sentence && (
        <p id={`${id}-say`} role="alert" className="text-sm mt-0.5" style={{ color: 'var(--stop)' }}>
          {sentence}
        </p>
      )}
      {waits && (
        <p id={`${id}-say`} className="text-sm mt-0.5 soft">
          {waits}
        </p>
      )}
      {fault?.choices && (
        <div className="flex flex-wrap gap-1 mt-1">
          {fault.choices.map((choice) => (
            <button
              key={choice.text}
              type="button"
              className="act text-sm"
              onClick={() => {
                setDraft(choice.text);
                read(choice.text);
              }}
            >
              {choice.label}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
