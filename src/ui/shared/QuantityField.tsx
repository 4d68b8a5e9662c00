'use client';
import type { Said } from '@/core/say';
import type { Parsed } from '@/core/typed';

import type { Kind, UnitSystem } from '@/core/units';
import { fieldText, readQuantity } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { ReadField } from './ReadField';

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
  readonly problem?: Said | null;
  readonly check?: (value: number) => Said | null;
  readonly hideLabel?: boolean;
  readonly placeholder?: string;
  /** Significant figures shown of a value that was not typed as it stands. */
  readonly digits?: number;
  readonly className?: string;
  /** Another way to read what is typed; as its kind is read else. */
  readonly read?: (text: string, system: UnitSystem) => Parsed;
}

/** A quantity typed as people say it, in the units of the reader. */
export function QuantityField({ kind, label, value, typed, digits, onChange, read: readAs, ...rest }: Props) {
  const system = usePrefs((p) => p.system);
  return (
    <ReadField
      {...rest}
      name={`${label} (${kind})`}
      label={label}
      shown={value === null ? '' : fieldText(kind, value, system, typed, digits)}
      parse={(text) => (readAs ? readAs(text, system) : readQuantity(kind, text, system))}
      resetOn={`${value} ${system}`}
      onRead={({ value: read, text }) => onChange({ value: read, text, system })}
    />
  );
}
