import fc from 'fast-check';
import { plainWords } from '@/words';
import { CURRENCIES, parseMoney } from '.';

const read = (text: string, own: string | null = null, mark: '.' | ',' = '.') => {
  const found = parseMoney(text, { own, mark });
  return found.ok ? found.text : plainWords(found.sentence);
};
const choices = (text: string, own: string | null = null) => {
  const found = parseMoney(text, { own });
  if (found.ok) throw new Error(`${text} was not asked`);
  return (found.choices ?? []).map((c) => c.text);
};

test.each([
  ['64 €', '64 EUR'],
  ['€64.50', '64.5 EUR'],
  ['EUR 64', '64 EUR'],
  ['64 eur', '64 EUR'],
  ['64 Euro', '64 EUR'],
  ['£ 7.20', '7.2 GBP'],
  ['US$12', '12 USD'],
  ['12 CA$', '12 CAD'],
  ['Fr. 18.-', '18 CHF'],
  ['Fr.18', '18 CHF'],
  ['18.— CHF', '18 CHF'],
  ['64,- €', '64 EUR'],
  ['€.50', '0.5 EUR'],
  ['R$ 40', '40 BRL'],
  ["1'250 CHF", '1250 CHF'],
  ['1 250,00 €', '1250 EUR'],
  ['129 zł', '129 PLN'],
  ['0 EUR', '0 EUR'],
])('%s is %s, whoever reads it', (text, means) => {
  expect(read(text)).toBe(means);
  expect(read(text, 'USD')).toBe(means);
});

test('a bare number is in the reader’s own money, and asked where that is not known', () => {
  expect(read('64', 'EUR')).toBe('64 EUR');
  expect(read('64')).toBe('64 of which money?');
  expect(choices('64')).toEqual(['64 EUR', '64 USD', '64 GBP', '64 CHF']);
});

test('a number beside a price that has its sign is in the same money; a sign of its own is its own', () => {
  const beside = (text: string) => parseMoney(text, { own: 'USD', bare: 'EUR' });
  expect(beside('20')).toMatchObject({ ok: true, currency: 'EUR' });
  expect(beside('$20')).toMatchObject({ ok: true, currency: 'USD' });
});

test('a sign of several countries is the reader’s own, and asked where his is not among them', () => {
  expect(read('$12', 'CAD')).toBe('12 CAD');
  expect(read('kr 90', 'NOK')).toBe('90 NOK');
  expect(read('$12', 'EUR')).toBe('More than one country writes its money $. Whose is it?');
  expect(choices('$12', 'EUR')).toEqual(['12 USD', '12 CAD', '12 AUD', '12 NZD']);
  expect(choices('¥900')).toEqual(['900 JPY', '900 CNY']);
});

test('marks of decimals are the reader’s; what has two readings is asked with its sign kept', () => {
  expect(read('1,500 €', null, ',')).toBe('1.5 EUR');
  expect(choices('1,500 €')).toEqual(['1.500 €', '1500 €']);
  expect(choices('$1,500', 'USD')).toEqual(['$1.500', '$1500']);
});

test('what is no price says so and names what was typed', () => {
  for (const wrong of ['cheap', '€', '€ 5 $', '5 € 6', '1.2.3 €'])
    expect(read(wrong)).toContain(`“${wrong}” is no price`);
  expect(read('64 bottles')).toContain('“bottles” is no money known here');
  expect(read('64 constructor')).toContain('“constructor” is no money known here');
  for (const below of ['-3 €', '−3 €', '€ -3']) expect(read(below)).toBe('A price is not below 0.');
  expect(read('  ')).toContain('Nothing is typed yet');
});

test('what a reading gives back and what a question offers reads without doubt, and means the same', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 9_999_999 }),
      fc.constantFrom(...CURRENCIES),
      fc.constantFrom(...CURRENCIES, null),
      (cents, currency, own) => {
        const first = parseMoney(`${cents / 100} ${currency}`, { own });
        expect(first).toMatchObject({ ok: true, value: cents / 100, currency });
        if (first.ok) expect(parseMoney(first.text, { own: null })).toEqual(first);
      },
    ),
  );
  for (const asked of ['64', '$12', 'kr 3', '¥ 9']) {
    const offered = choices(asked).map((text) => parseMoney(text, { own: null }));
    expect(offered.every((o) => o.ok)).toBe(true);
  }
});
