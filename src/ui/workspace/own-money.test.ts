import { moneyFor } from './own-money';

test.each([
  [['de-CH', 'en-US'], 'CHF'],
  [['en-GB'], 'GBP'],
  [['en-CA', 'fr-CA'], 'CAD'],
  // A language alone is of the country where most people speak it.
  [['de'], 'EUR'],
  [['en'], 'USD'],
  [['eo', 'sv'], 'SEK'],
])('%s pays in %s', (asked, money) => {
  expect(moneyFor(asked)).toBe(money);
});

test('where no country has a money of its own, or a tag is none, none is guessed', () => {
  for (const asked of [[], ['eo'], ['not a tag']]) expect(moneyFor(asked)).toBeNull();
});
