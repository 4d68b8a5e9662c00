import { texts } from '@/core/say';
import { joined, lowered, own, PLAIN_READER, phrase, say, spokenLanguage, translated } from '.';
import { Own } from './jsx-runtime';
import { inLanguage, learnLanguage, patternKey, speak } from './tongue';

afterEach(() => speak('en'));
const german = () => {
  learnLanguage(
    'de',
    new Map([
      ['Choose: {0}', 'Wählen: {0}'],
      ['{0} of {1} holes', 'von {1} Löchern {0, plural, =0 {keines} one {eines} other {#}}'],
      ['{0} stop{1}', '{0, plural, one {# Halt} other {# Halte}}'],
      ['whole kit', 'ganzes Gebinde'],
      ['full load', 'volle Last'],
      ['or', 'oder'],
      ['Gel', 'Gel'],
      ['Repair {0}', 'Reparatur {0}'],
      ['Job of {0}', 'Auftrag vom {0}'],
      ['Oct', 'Okt.'],
    ]),
  );
  speak('de');
};

test('what nobody has named is called in the language spoken; a given name as it was given', () => {
  const said = (name: string) => [translated(name), phrase`Choose: ${own(name)}`, Own({ children: name })];
  expect(said('Repair 12')).toEqual(['Repair 12', 'Choose: Repair 12', 'Repair 12']);
  german();
  expect(said('Repair 12')).toEqual(['Reparatur 12', 'Wählen: Reparatur 12', 'Reparatur 12']);
  expect(said('Job of 5 Oct 2027')).toEqual([
    'Auftrag vom 5. Okt. 2027',
    'Wählen: Auftrag vom 5. Okt. 2027',
    'Auftrag vom 5. Okt. 2027',
  ]);
  for (const given of ['Repair of the step', 'Repair 1b', 'Job of a lifetime', 'Sheave post'])
    expect(said(given)).toEqual([given, `Wählen: ${given}`, given]);
});

describe('a phrase', () => {
  test('is the template itself in English, with nothing written for what is not', () => {
    expect(phrase`${2} of ${4} holes${false}${null}${undefined}, ${'x'}`).toBe('2 of 4 holes, x');
    expect(spokenLanguage()).toBe('en');
  });
  test('takes the pattern of the language spoken, its gaps moved, counted and translated themselves', () => {
    german();
    expect(phrase`Choose: ${'whole kit'}`).toBe('Wählen: ganzes Gebinde');
    expect([0, 1, 3].map((n) => phrase`${n} of ${4} holes`)).toEqual([
      'von 4 Löchern keines',
      'von 4 Löchern eines',
      'von 4 Löchern 3',
    ]);
    // The English ending is a gap that German does not use.
    expect([1, 2].map((n) => phrase`${n} stop${n > 1 ? 's' : ''}`)).toEqual(['1 Halt', '2 Halte']);
  });
  test('keeps the spaces about it, for what it is written onto', () => {
    german();
    expect(phrase` Choose: ${'x'} `).toBe(' Wählen: x ');
  });
  test('without a pattern stays as it stands, what is in its gaps is told all the same', () => {
    german();
    expect(phrase`${'whole kit'}, ${own('whole kit')}`).toBe('ganzes Gebinde, whole kit');
  });
  test('a brace somebody typed is no gap', () => {
    german();
    expect(phrase`Choose: ${'{0} it’s'}`).toBe('Wählen: {0} it’s');
  });
});

test('a whole text is looked up with the spaces it has; a part of one is not', () => {
  german();
  expect([translated(' or '), translated('whole kit'), translated('a whole kit'), translated('')]).toEqual([
    ' oder ',
    'ganzes Gebinde',
    'a whole kit',
    '',
  ]);
  expect(joined(['whole kit', 'a bag', 3], ' or ')).toBe('ganzes Gebinde oder a bag oder 3');
});

test('a title within a sentence is small in English, and as the catalogue has it elsewhere', () => {
  expect(lowered('Full load')).toBe('full load');
  german();
  expect([lowered('Full load'), lowered('Gel'), lowered('Unknown')]).toEqual(['volle Last', 'Gel', 'Unknown']);
});

test('what a message chooses by is a mark and no word, in any language', () => {
  const T = texts('tongue-test', { made: '{tins, select, yes {stir {kit}} other {turn {kit}}}, {answer}' });
  learnLanguage(
    'de',
    new Map([
      [
        '{tins, select, yes {stir {kit}} other {turn {kit}}}, {answer}',
        '{answer}: {tins, select, yes {{kit} rühren} other {{kit} wenden}}',
      ],
      ['yes', 'ja'],
      ['no', 'nein'],
      ['tin', 'Dose'],
    ]),
  );
  const told = (tins: string, language: 'en' | 'de') =>
    say(T.made({ tins, kit: 'tin', answer: 'yes' }), { ...PLAIN_READER, language });
  expect([told('yes', 'en'), told('no', 'en')]).toEqual(['stir tin, yes', 'turn tin, yes']);
  expect([told('yes', 'de'), told('no', 'de')]).toEqual(['ja: Dose rühren', 'ja: Dose wenden']);
});

test('another language is asked for without being spoken; one that is not known stays English', () => {
  german();
  speak('en');
  expect([inLanguage('or', 'de'), inLanguage('or', 'en'), translated('or')]).toEqual(['oder', 'or', 'or']);
  expect(patternKey(['a ', ' b ', ''])).toBe('a {0} b {1}');
});
