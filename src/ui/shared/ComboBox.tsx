'use client';
import { ChevronDown } from 'lucide-react';
import { type RefObject, useContext, useRef, useState } from 'react';
import {
  ComboBox,
  ComboBoxStateContext,
  FieldError,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
} from 'react-aria-components/ComboBox';
import type { Said } from '@/core/say';
import { phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { useTyped } from '../workspace/typing';
import { useSay } from './bits';
import { matching } from './matching';

export interface ComboProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly string[];
  /** A word beside each that is listed. */
  readonly beside?: (option: string) => string;
  /** Takes what was chosen or typed; a sentence says why it cannot be taken, and the text stays. */
  readonly onTake: (value: string) => Said | null;
}

/** So many are listed at once: whoever is looking for another types on. */
const LISTED = 40;

/** For the hand: by keys the list opens with the arrow down. */
function ShowList({ input }: { input: RefObject<HTMLInputElement | null> }) {
  const state = useContext(ComboBoxStateContext);
  return (
    <button
      type="button"
      tabIndex={-1}
      className="btn px-2 no-print"
      aria-label="Show the list"
      // The field keeps the hand: a list stays open only while one is in it.
      onMouseDown={(e) => e.preventDefault()}
      onClick={() => {
        input.current?.focus();
        state?.toggle(null, 'manual');
      }}
    >
      <ChevronDown size={18} aria-hidden="true" />
    </button>
  );
}

/** A field with a list that narrows as one types. */
export default function Combo({ label, value, options, beside, onTake }: ComboProps) {
  const name = `${label} (choice)`;
  const input = useRef<HTMLInputElement>(null);
  const { text: draft, type } = useTyped(name, input);
  const [fault, setFault] = useState<Said | null>(null);
  const says = useSay();
  const take = (text: string) => {
    const wanted = text.trim();
    const meant = options.find((o) => o.toLowerCase() === wanted.toLowerCase()) ?? wanted;
    const objection = meant === value ? null : onTake(meant);
    setFault(objection);
    if (!objection) type(null);
  };
  const found = matching(options, draft ?? '');
  const shown = found.slice(0, LISTED);
  return (
    <ComboBox
      allowsCustomValue
      items={shown.map((id) => ({ id }))}
      inputValue={draft ?? value}
      selectedKey={value}
      isInvalid={fault !== null}
      onInputChange={(text) => text !== (draft ?? value) && type(text)}
      onSelectionChange={(key) => take(key === null ? (draft ?? value) : String(key))}
      menuTrigger="input"
    >
      <Label className="block mb-0.5">{label}</Label>
      <div className="flex items-stretch gap-1">
        <Input
          ref={input}
          data-typed={name}
          className="input fig font-semibold"
          spellCheck={false}
          // What is typed stands in the place of what stood there.
          onFocus={(e) => e.target.select()}
          onBlur={() => draft !== null && take(draft)}
        />
        <ShowList input={input} />
      </div>
      <FieldError className="text-sm mt-1.5" style={{ color: 'var(--stop)' }}>
        {fault && says(fault)}
      </FieldError>
      <Popover className="paper z-50 flex flex-col w-(--trigger-width) min-w-64">
        <ListBox<{ id: string }> className="min-h-0 max-h-80 overflow-auto thin-scroll">
          {({ id }) => (
            <ListBoxItem id={id} textValue={id} className="list-row flex justify-between gap-3">
              <Own>{id}</Own>
              {beside && <span className="fig">{beside(id)}</span>}
            </ListBoxItem>
          )}
        </ListBox>
        {found.length > shown.length && (
          <p className="soft text-sm px-2 py-1">{phrase`${found.length - shown.length} more: type on to narrow them.`}</p>
        )}
      </Popover>
    </ComboBox>
  );
}
