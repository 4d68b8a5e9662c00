import { z } from 'zod';

/** A currency by its three letters (ISO 4217). */
export const Currency = z.string().regex(/^[A-Z]{3}$/, 'must be the three letters of a currency');
export type Currency = z.infer<typeof Currency>;

/** An amount of money. Its currency is null where nobody said what it is an amount of. */
export const Money = z.object({ money: z.number(), of: Currency.nullable() });
export type Money = z.infer<typeof Money>;

/** An amount of money. @example money(64, 'EUR') */
export const money = (amount: number, of: Currency | null): Money => ({ money: amount, of });

/**
 * Adds up what is in one currency; amounts of unlike currencies stand beside each other.
 * @returns one amount for each currency, in the order in which they are met; an empty list of nothing
 * @example addMoney([money(3, 'EUR'), money(2, 'USD'), money(1, 'EUR')]) // 4 EUR, 2 USD
 */
export function addMoney(amounts: readonly Money[]): readonly Money[] {
  const sums = new Map<Currency | null, number>();
  for (const { money: amount, of } of amounts) sums.set(of, (sums.get(of) ?? 0) + amount);
  return [...sums].map(([of, amount]) => money(amount, of));
}
