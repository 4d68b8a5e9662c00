'use client';
import { CURRENCIES } from '@/core/typed';
import { LANGUAGE_ROWS, phrase, spokenLanguage } from '@/words';
import { ComboField } from '../shared/ComboField';
import { useOwnMoney } from '../workspace/own-money';
import { setPrefs } from '../workspace/prefs';

const nameOf = (currency: string): string =>
  new Intl.DisplayNames(LANGUAGE_ROWS[spokenLanguage()].locale, { type: 'currency' }).of(currency) ?? '';

/** What a price is in that is typed without a sign. */
export function MoneyPick() {
  const own = useOwnMoney();
  return (
    <ComboField
      label="Prices without a sign are in"
      value={own ?? ''}
      options={CURRENCIES}
      beside={nameOf}
      onTake={(typed) => {
        const money = typed.trim().toUpperCase();
        if (!CURRENCIES.includes(money))
          return phrase`“${typed}” is no money known here: type its three letters, as EUR.`;
        setPrefs({ money });
        return null;
      }}
    />
  );
}
