'use client';
import type { Priced } from '@/core/typed';
import { type Money, money } from '@/core/units';
import { figure, moneyWords, readMoney } from '@/words';
import { useOwnMoney } from '../workspace/own-money';
import { ReadField } from './ReadField';

/** A price as people write it, in any money; a bare number is in the reader’s own. */
export function MoneyField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: Money | null;
  /** null where the field was emptied. */
  onChange: (value: Money | null) => void;
}) {
  const own = useOwnMoney();
  return (
    <ReadField<Priced>
      name={`${label} (money)`}
      label={label}
      // What nobody said a money of stands as it was typed, so that it can be typed over.
      shown={value ? (value.of === null ? figure(value.money, 12) : moneyWords([value])) : ''}
      parse={(text) => readMoney(text, { own })}
      resetOn={value ? `${value.money} ${value.of}` : ''}
      onRead={({ value: amount, currency }) => onChange(money(amount, currency))}
      onClear={() => onChange(null)}
    />
  );
}
