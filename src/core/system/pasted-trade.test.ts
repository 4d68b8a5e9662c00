import { factsIn, linesOf, readPasted, type SystemKindId } from '.';

/** Sheets as they are laid out in several trades and two languages. */
const facts = (kind: SystemKindId, text: string) =>
  Object.fromEntries(factsIn(text, { kind, system: 'metric' }).map((f) => [f.field, f.text]));
const times = (kind: SystemKindId, text: string) =>
  readPasted(text, 'paste', kind).map((t) => [t.heading, t.guess, linesOf(t).split('\n')]);

test('bands of the base with a word before each, and two times by a stroke, are a table of two columns', () => {
  const sheet = `Kartusche 300 ml
Verarbeitungszeit / Aushärtezeit
Untergrund -5 °C bis -1 °C: 50 min / 5 h
Untergrund 0 °C bis +4 °C: 25 min / 3,5 h
Untergrund +20 °C bis +29 °C: 6 min / 40 min
M12 Bohrloch Ø 14 mm, Setztiefe 70 bis 240 mm
Reinigung: 2x ausblasen, 2x bürsten, 2x ausblasen`;
  expect(times('anchor-pack', sheet)).toEqual([
    ['Verarbeitungszeit', 'use-by', ['-5 to -1 C: 50 min', '0 to 4 C: 25 min', '20 to 29 C: 6 min']],
    ['Aushärtezeit', 'load', ['-5 to -1 C: 5 h', '0 to 4 C: 3,5 h', '20 to 29 C: 40 min']],
  ]);
  expect(facts('anchor-pack', sheet)).toEqual({
    pack: 'Kartusche 300 ml',
    rods: 'M12: 14 mm, 70 to 240 mm',
    cleaning: '2x ausblasen, 2x bürsten, 2x ausblasen',
  });
});

test('a name of the trade before each temperature stays the name of its time', () => {
  expect(times('paste', 'Pot life 10 °C 60 min\nPot life 20 °C 35 min')).toEqual([
    ['Pot life', 'use-by', ['10 C: 60 min', '20 C: 35 min']],
  ]);
});

test('what is done one after the other in a line is told apart, whatever has no time', () => {
  expect(times('joint-colour', 'Shake 2 minutes, let stand 10 minutes, shake again')).toEqual([
    ['Shake', null, ['2 minutes']],
    ['let stand', 'stand', ['10 minutes']],
  ]);
  // The ends of one time are still one.
  expect(times('paste', 'Recoat min. 4 h, max. 24 h').map(([, guess]) => guess)).toEqual([
    'recoat-from',
    'recoat-until',
  ]);
});

test('one time for two things is each of them, where both are times of the trade', () => {
  expect(times('tile-adhesive', 'Can be walked on / grouted: after 24 h\nMaturing time: 5 min')).toEqual([
    ['Can be walked on', 'foot', ['24 h']],
    ['grouted', 'overlay', ['24 h']],
    ['Maturing time', 'stand', ['5 min']],
  ]);
  expect(times('paste', 'Pot life / potting time: 30 min at 20 °C')).toHaveLength(1);
});

test.each([
  ['consolidant', 'A 1 L + B 0.5 L\n2:1 by volume', { pack: 'A 1 L + B 0.5 L', ratio: '2:1 by volume' }],
  ['powder-liquid', 'Powder 100 g, liquid 50 ml', { pack: 'Powder 100 g, liquid 50 ml' }],
  ['putty', 'Mix equal parts by weight', { ratio: '1:1 by weight' }],
  ['putty', 'Mix equal parts', { ratio: '1:1' }],
  ['joint-colour', 'Coverage: 6-7 m² per set and coat', { covers: '6-7 m² per set' }],
  ['finish-resin', '2 % catalyst, range 1.5 to 2.5 %', { doseUsual: '2 %', doseMin: '1.5 %', doseMax: '2.5 %' }],
  ['finish-resin', 'Catalyst 1.5 to 2.5 %', { doseMin: '1.5 %', doseMax: '2.5 %' }],
] as const)('of a %s “%s” is all that it tells', (kind, text, told) => {
  expect(facts(kind, text)).toEqual(told);
});

test('what stands after it was shaken stands by that one word as well', () => {
  const stands = [
    'Mix 10:1 by volume, shake 1 min, stand 5 min',
    'shake 1 min, stand 5 min',
    'Shake 1 min, let stand 5 min',
  ];
  for (const text of stands)
    expect(times('joint-colour', text)).toContainEqual(expect.arrayContaining(['stand', ['5 min']]));
  // Words for an end are no time of their own.
  expect(times('paste', 'Recoat after min. 4 h, max. 24 h at 20 °C').map(([, guess]) => guess)).toEqual([
    'recoat-from',
    'recoat-until',
  ]);
});
