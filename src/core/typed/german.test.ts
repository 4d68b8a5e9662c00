import { parseTable, readCovers } from '../system';
import { inWordsRead, parseQuantity, parseRatio } from '.';

test.each([
  ['4 h bis 5 h', '4 h to 5 h'],
  ['10 bis 15 C, bis 70 %: 8 h', '10 to 15 C, up to 70 %: 8 h'],
  ['45 bis 60 min bei 23 C', '45 to 60 min at 23 C'],
  ['-5 bis -2 C: 3 Tage', '-5 to -2 C: 3 d'],
  ['2:1 nach Volumen', '2:1 by volume'],
  ['100:48 Gewichtsteile', '100:48 by weight'],
  ['6,5 m² je Satz', '6,5 m² a set'],
  ['biscuit at 3', 'biscuit at 3'],
  ['Standard 5', 'Standard 5'],
])('“%s” is read as “%s”', (german, read) => {
  expect(inWordsRead(german)).toBe(read);
});

test('a table, a ratio, a coverage and a time typed in German are the same as in English', () => {
  for (const [german, english] of [
    ['10 C: 4 h bis 5 h\n20 C: 90 Minuten', '10 C: 4 h to 5 h\n20 C: 90 min'],
    ['45 bis 60 min bei 23 C', '45 to 60 min at 23 C'],
  ])
    expect(parseTable(german!, 'x', 'metric')).toEqual(parseTable(english!, 'x', 'metric'));
  expect(parseRatio('100:48 nach Gewicht')).toMatchObject({ ok: true, basis: 'weight', parts: [100, 48] });
  expect(parseRatio('2:1 Vol.')).toMatchObject({ ok: true, basis: 'volume' });
  expect(readCovers('6.5 m² je Satz', 'metric')).toMatchObject({ per: 'pack', m2: 6.5 });
  expect(parseQuantity('duration', '2 Stunden', 'metric')).toMatchObject({ ok: true, value: 120 });
  expect(parseQuantity('duration', '3 Tage', 'metric')).toMatchObject({ ok: true, value: 4320 });
  expect(parseQuantity('length', '2 Zoll', 'metric')).toMatchObject({ ok: true, value: 50.8 });
});
