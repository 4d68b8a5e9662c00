import fc from 'fast-check';
import { parseQuantity, plainText, readNumber } from '@/core/typed';
import { figure as coreFigure, withMark } from '@/core/units';
import { figure, format, formatDuration, joined, PLAIN_READER, phrase, type Reader, readQuantity, say } from '@/words';
import { german } from './de';
import { learnLanguage, speak } from './tongue';

beforeAll(() => learnLanguage('de', german));
afterEach(() => speak('en'));

/** Written with a point, a figure with its decimals; whatever the reader’s mark it is the same. */
const figures = fc.double({ min: 1e-3, max: 1e5, noNaN: true }).map((v) => coreFigure(v, 5));

test('a figure reads as itself in the mark it was written with, down to its thousandths', () => {
  fc.assert(
    fc.property(figures, fc.constantFrom('.' as const, ',' as const), (written, mark) => {
      expect(readNumber(withMark(written, mark), mark)).toEqual({ value: Number(written) });
    }),
  );
});

test('in a German field 1,234 is one and a bit, and 1.234 is asked; in an English one the other way round', () => {
  for (const [mark, own, other] of [
    ['.', '1.234', '1,234'],
    [',', '1,234', '1.234'],
  ] as const) {
    expect(parseQuantity('length', `${own} mm`, 'metric', mark)).toMatchObject({ ok: true, value: 1.234 });
    const asked = parseQuantity('length', `${other} mm`, 'metric', mark);
    expect(asked).toMatchObject({ ok: false, choices: [{ text: `${own} mm` }, { text: '1234 mm' }] });
    // What is offered is understood.
    const values = !asked.ok && asked.choices!.map((c) => parseQuantity('length', c.text, 'metric', mark));
    expect(values).toMatchObject([
      { ok: true, value: 1.234 },
      { ok: true, value: 1234 },
    ]);
    // What has one meaning only is read with either mark.
    for (const text of ['2,5 mm', '2.5 mm'])
      expect(parseQuantity('length', text, 'metric', mark)).toMatchObject({ value: 2.5 });
    expect(parseQuantity('length', '1.200,5 mm', 'metric', mark)).toMatchObject({ value: 1200.5 });
    expect(parseQuantity('length', '1,200.5 mm', 'metric', mark)).toMatchObject({ value: 1200.5 });
  }
});

test('what is kept of a typed figure has a point, and means the same to every reader', () => {
  expect(plainText('1.200,5 mm', ',')).toBe('1200.5 mm');
  expect(plainText('M10x1,5', ',')).toBe('M10x1.5');
  // As finely as it was typed, and what is asked stays as it is.
  expect(plainText('12,0 mm', ',')).toBe('12.0 mm');
  expect(plainText('12.50 mm', '.')).toBe('12.50 mm');
  expect(plainText('1.234 mm', ',')).toBe('1.234 mm');
  expect(plainText('1 1/2 in', ',')).toBe('1 1/2 in');
  fc.assert(
    fc.property(figures, (written) => {
      speak('de');
      const read = readQuantity('length', `${withMark(written, ',')} mm`, 'metric');
      speak('en');
      expect(read).toMatchObject({ ok: true, value: Number(written) });
      expect(read.ok && parseQuantity('length', read.text, 'metric')).toMatchObject({
        ok: true,
        value: Number(written),
      });
    }),
  );
});

test('the language spoken has its mark in figures, sentences and lists', () => {
  const told = () => [
    figure(2.5),
    format('volume', 1250, 'metric').text,
    formatDuration(1.5),
    phrase`${0.25} of it`,
    joined([1.5, 2], ' + '),
  ];
  expect(told()).toEqual(['2.5', '1.25 L', '1.5 min', '0.25 of it', '1.5 + 2']);
  speak('de');
  expect(told()).toEqual(['2,5', '1,25 L', '1,5 min', '0,25 of it', '1,5 + 2']);
});

test('a message has the mark of its reader, whatever is spoken here; what somebody wrote keeps its own', () => {
  const reader: Reader = { ...PLAIN_READER, language: 'de' };
  const said = { id: 'typed.unclear', with: { text: 'lot 4.7b', hint: '2.5' } } as const;
  expect(say(said, PLAIN_READER)).toBe('“lot 4.7b” is not understood. 2.5');
  expect(say(said, reader)).toContain('lot 4.7b');
  expect(say(said, reader)).toMatch(/2,5$/);
});
