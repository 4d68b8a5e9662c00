'use client';
import { useMemo } from 'react';
import { CURRENCIES } from '@/core/typed';
import { LANGUAGE_ROWS } from '@/words';
import { useOwnMoney } from '../workspace/own-money';
import { setPrefs, usePrefs } from '../workspace/prefs';

/** What a price is in that is typed without a sign. */
export function MoneyPick() {
  const own = useOwnMoney();
  const language = usePrefs((p) => p.language);
  const names = useMemo(() => new Intl.DisplayNames(LANGUAGE_ROWS[language].locale, { type: 'currency' }), [language]);
  return (
    <label className="block">
      Prices without a sign are in
      <select
        className="select"
        // Names of moneys are the browser’s words in the language of the reader.
        data-theirs
        value={own ?? ''}
        onChange={(e) => setPrefs({ money: e.target.value === '' ? null : e.target.value })}
      >
        {own === null && <option value="">not said: it is asked</option>}
        {CURRENCIES.map((currency) => (
          <option key={currency} value={currency}>
            {`${currency} · ${names.of(currency) ?? ''}`}
          </option>
        ))}
      </select>
    </label>
  );
}
