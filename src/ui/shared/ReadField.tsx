'use client';
import { type ReactNode, useEffect, useId, useRef, useState } from 'react';
import type { Said } from '@/core/say';
import { useTyped } from '../workspace/typing';
import { afterPress } from './after-press';
import { useSay } from './bits';

/** What a sound reading tells at least. */
interface Reading {
  readonly ok: true;
  readonly value: number;
  readonly text: string;
}

/** Longer than that it is written smaller where the screen is narrow, so that its unit stays in sight. */
const LONG = 16;

/** Why what was typed is not taken, and the readings it may have. */
interface Fault {
  readonly sentence: Said;
  readonly choices?: readonly { readonly label: string; readonly text: string }[];
}

type Unsound = Fault & { readonly ok: false };

interface ReadProps<Sound extends Reading> {
  /** What is typed here is kept under this name, should the page be left. */
  readonly name: string;
  readonly label: string;
  /** The value as it is shown while nobody types. */
  readonly shown: string;
  readonly parse: (text: string) => Sound | Unsound;
  /** A change of it replaces what is shown, unless something unread is in the field. */
  readonly resetOn: string;
  readonly onRead: (read: Sound) => void;
  /** Called when the field is emptied; without it an empty field is an error. */
  readonly onClear?: () => void;
  /** A sentence from the core about this field. */
  readonly problem?: Said | null;
  readonly check?: (value: number) => Said | null;
  readonly hideLabel?: boolean;
  readonly placeholder?: string;
  readonly className?: string;
  readonly disabled?: boolean;
  /** Another way to the value, at the end of the field. */
  readonly beside?: ReactNode;
}

/**
 * What is typed as people say it. It is read when the field is left or Enter is pressed; what is ambiguous is asked
 * with buttons, what is wrong keeps the text and says why. The stored value is untouched until a reading is sound.
 */
export function ReadField<Sound extends Reading>({
  name,
  label,
  shown,
  parse,
  resetOn,
  onRead,
  onClear,
  problem,
  check,
  hideLabel,
  placeholder,
  className,
  disabled,
  beside,
}: ReadProps<Sound>) {
  const input = useRef<HTMLInputElement>(null);
  const { text: draft, restored, type: setDraft } = useTyped(name, input);
  const [fault, setFault] = useState<Fault | null>(null);
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
  }, [resetOn]);
  // What was typed before the page was left comes back, marked where it cannot be read.
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when it comes back
  useEffect(() => {
    if (!restored || draft === null) return;
    const parsed = parse(draft);
    const objection = parsed.ok ? check?.(parsed.value) : null;
    if (!parsed.ok) setFault(parsed);
    else if (objection) setFault({ sentence: objection });
  }, [restored]);

  const read = (text: string) => {
    if (text.trim() === '' && onClear) {
      setDraft(null);
      setFault(null);
      onClear();
      return;
    }
    if (text === shown && !fault) return;
    const parsed = parse(text);
    if (!parsed.ok) {
      setFault(parsed);
      return;
    }
    const objection = check?.(parsed.value);
    if (objection) {
      setFault({ sentence: objection });
      return;
    }
    setFault(null);
    setDraft(null);
    onRead(parsed);
  };
  const says = useSay();
  const wrong = fault?.sentence ?? problem;
  const sentence = wrong ? says(wrong) : null;
  const waits = restored && !sentence ? 'As you left it, not taken in yet: Enter takes it.' : null;
  const field = (
    <input
      id={id}
      ref={input}
      data-typed={name}
      className={`input fig font-semibold ${(draft ?? shown).length > LONG ? 'max-sm:text-[0.85em]' : ''}`}
      value={draft ?? shown}
      placeholder={placeholder}
      disabled={disabled}
      inputMode="text"
      autoComplete="off"
      spellCheck={false}
      aria-invalid={sentence ? true : undefined}
      aria-describedby={sentence || waits ? `${id}-say` : undefined}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={(e) => {
        const text = e.target.value;
        if (draft !== null) afterPress(() => read(text));
      }}
      onKeyDown={(e) => {
        if (e.key === 'Enter') read(e.currentTarget.value);
        if (e.key === 'Escape') {
          setDraft(null);
          setFault(null);
        }
      }}
    />
  );
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block mb-0.5'}>
        {label}
      </label>
      {beside ? (
        <div className="flex items-stretch gap-1">
          {field}
          {beside}
        </div>
      ) : (
        field
      )}
      {sentence && (
        <p id={`${id}-say`} role="alert" className="text-sm mt-1.5" style={{ color: 'var(--stop)' }}>
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
              className="btn text-sm"
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
