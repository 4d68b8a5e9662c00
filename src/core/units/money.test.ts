import fc from 'fast-check';
import { addMoney, Currency, money } from '.';

const amounts = fc.array(
  fc.record({ money: fc.integer({ min: 0, max: 1e6 }), of: fc.constantFrom('EUR', 'USD', 'CHF', null) }),
);

test('what is added is all there, each currency for itself, in the order it was met', () => {
  fc.assert(
    fc.property(amounts, (list) => {
      const sums = addMoney(list);
      expect(sums.map((s) => s.of)).toEqual([...new Set(list.map((a) => a.of))]);
      for (const { money: sum, of } of sums)
        expect(sum).toBe(list.filter((a) => a.of === of).reduce((s, a) => s + a.money, 0));
    }),
  );
  expect(addMoney([])).toEqual([]);
  expect(addMoney([money(3, 'EUR'), money(2, 'USD'), money(1, 'EUR')])).toEqual([money(4, 'EUR'), money(2, 'USD')]);
});

test('a currency is three capital letters', () => {
  for (const is of ['EUR', 'CHF']) expect(Currency.safeParse(is).success).toBe(true);
  for (const not of ['', 'eur', 'EURO', '€', 'E1R']) expect(Currency.safeParse(not).success).toBe(false);
});
