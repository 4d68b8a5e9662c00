import { plainWords } from '@/words';
import { readCovers } from './covers-text';

const m2 = (text: string, system: 'metric' | 'us' = 'metric') => {
  const read = readCovers(text, system);
  return read.per === null ? plainWords(read.sentence) : [read.per, Number(read.m2.toPrecision(6))];
};

test.each([
  ['0.42 m²/L', ['litre', 0.42]],
  ['0,42 m2/l', ['litre', 0.42]],
  ['6 m² per litre', ['litre', 6]],
  ['6.5 m² a set', ['pack', 6.5]],
  ['6.5 m2 per pair', ['pack', 6.5]],
  ['12 sq m a kit', ['pack', 12]],
  ['200 mL/m²', ['litre', 5]],
  ['200 g/m²', ['kg', 5]],
  ['0.2 kg per m2', ['kg', 5]],
  ['5 m²/kg', ['kg', 5]],
  // Of a range the end that covers less.
  ['150 - 200 g/m²', ['kg', 5]],
  ['5–7 m²/kg', ['kg', 5]],
  // A square foot is 0.09290304 m², a US gallon 3.785411784 L, a UK one 4.54609 L.
  ['250 ft²/US gal', ['litre', Number(((250 * 0.09290304) / 3.785411784).toPrecision(6))]],
  ['250 ft² per gal (US)', ['litre', Number(((250 * 0.09290304) / 3.785411784).toPrecision(6))]],
  ['250 sq ft/UK gal', ['litre', Number(((250 * 0.09290304) / 4.54609).toPrecision(6))]],
])('%s is understood', (text, wanted) => {
  expect(m2(text)).toEqual(wanted);
});

test('a gallon without its country is asked for, and is the reader’s own in US units', () => {
  expect(m2('250 ft²/gal')).toMatch(/Which gallon/);
  expect(m2('250 ft²/gal', 'us')).toEqual(m2('250 ft²/US gal'));
});

test('one thousand or one and a half is asked, with both as presses', () => {
  const read = readCovers('1,500 m² a kit', 'metric');
  expect(read.per).toBeNull();
  expect(read).toMatchObject({ choices: [{ text: '1.500 m² a kit' }, { text: '1500 m² a kit' }] });
});

test.each(['6.5', '6.5 m²', '0 m²/L', '-3 m²/L', 'm²/L', '6.5 kg/L', 'a lot', '6.5 m² a room'])(
  '%s is asked again',
  (text) => {
    expect(m2(text)).toMatch(/As printed/);
  },
);
