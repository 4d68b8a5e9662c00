'use client';
import countryToCurrency from 'country-to-currency';
import type { Currency } from '@/core/units';
import { usePrefs } from './prefs';

/** A tag that is none names no region. */
function regionOf(tag: string): string | undefined {
  try {
    return new Intl.Locale(tag).maximize().region;
  } catch {
    return undefined;
  }
}

/**
 * The money of the first country that a browser asks its languages for; where a language names no country, that in
 * which most people speak it.
 * @returns null where the browser names no language of a country with a money of its own
 */
export function moneyFor(asked: readonly string[]): Currency | null {
  for (const tag of asked) {
    const region = regionOf(tag);
    const money = countryToCurrency[region as keyof typeof countryToCurrency];
    if (money) return money;
  }
  return null;
}

/** The money this person pays in: as chosen, else as the browser’s languages have it. */
export const useOwnMoney = (): Currency | null =>
  usePrefs((p) => p.money) ?? moneyFor(globalThis.navigator?.languages ?? []);
