import fc from 'fast-check';
import { PLAIN_READER, say } from '@/words';
import { parsePaced, readPace } from '.';

/** Twelve litres along 8 m of a strip 0.2 m wide, in four places. */
const amounts = { all: 12_000, m: 1500, m2: 7500, place: 3000, places: 4 };
const rate = (text: string, over: Partial<Record<keyof typeof amounts, number | null>> = {}) =>
  parsePaced('rate', text, 'metric', { ...amounts, ...over } as typeof amounts);
const value = (text: string, over = {}) => {
  const read = rate(text, over);
  return read.ok ? read.value : say(read.sentence, PLAIN_READER);
};

describe('how fast it goes, as people tell it', () => {
  test.each([
    ['250 mL/min', 250],
    ['0.3 L/min', 300],
    ['300', 300],
    ['5 min/m', 300],
    ['5 min per metre', 300],
    ['5 min a metre', 300],
    ['10 min / 2 m', 300],
    ['12 m/h', 300],
    ['12 m an hour', 300],
    ['25 min/m²', 300],
    ['2.4 m²/h', 300],
    ['2,4 m2 per hour', 300],
    ['10 min each', 300],
    ['10 min a side', 300],
    ['10 min for each plate', 300],
    ['10 min/hole', 300],
    ['6 holes/h', 300],
    ['6 holes an hour', 300],
    ['40 min in all', 300],
    ['40 min for all of it', 300],
    ['0 h 40 min in all', 300],
    ['5 min je Meter', 300],
    ['2,4 m² pro Stunde', 300],
    ['10 Minuten je', 300],
    ['40 Minuten insgesamt', 300],
  ])('%s', (text, wanted) => {
    expect(value(text)).toBeCloseTo(wanted, 6);
  });
  test('in feet as in metres', () => {
    expect(value('5 min/ft')).toBeCloseTo((1500 * 0.3048) / 5, 6);
    expect(value('100 sq ft/h')).toBeCloseTo((7500 * 9.290304) / 60, 3);
  });
  test('a bare time is asked where there are several, and means all of it where there is one', () => {
    const asked = rate('8 min');
    expect(asked.ok).toBe(false);
    if (asked.ok) return;
    expect(say(asked.sentence, PLAIN_READER)).toBe('8 min: for each of the 4, or for all of them?');
    expect(asked.choices!.map(({ text }) => value(text))).toEqual([3000 / 8, 12_000 / 8]);
    expect(value('8 min', { places: 1, place: null })).toBe(12_000 / 8);
  });
  test('what is not there is said, not guessed', () => {
    expect(value('5 min/m', { m: null })).toMatch(/runs along a line/);
    expect(value('4 m²/h', { m2: null })).toMatch(/square metres/);
    expect(value('6 min each', { place: null, places: 1 })).toMatch(/one of it only/);
    expect(value('40 min', { all: null, place: null, places: 1, m: null, m2: null })).toMatch(/not measured yet/);
  });
  test.each(['', 'fast', '0 min', '-5 min each', '5 min/', '/h', '4 kg/h', 'min/m', '4 m²', '3 plates'])(
    'not understood: “%s”',
    (text) => {
      const read = rate(text);
      expect(read.ok).toBe(false);
      if (!read.ok) expect(say(read.sentence, PLAIN_READER)).toMatch(/not understood|Nothing is typed/);
    },
  );
  test('square metres an hour as they are, or by the minutes of one', () => {
    const area = (text: string) =>
      parsePaced('area-rate', text, 'metric', { all: 26, m: null, m2: 1, place: 13, places: 2 });
    for (const [text, perHour] of [
      ['11 m²/h', 11],
      ['6 min/m²', 10],
      ['130 min each', 6],
      ['2 h 36 in all', 10],
    ] as const)
      expect([text, area(text)]).toEqual([text, { ok: true, value: expect.closeTo(perHour, 9), text }]);
  });
});

test('so many metres in so many minutes is the same whichever stands first', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 600 }), (m, min) => {
      const one = readPace(`${m} m / ${min} min`, 'metric');
      const other = readPace(`${min} min / ${m} m`, 'metric');
      expect(one).toEqual({ by: 'm', perMin: expect.closeTo(m / min, 9) });
      expect(other).toEqual(one && { by: 'm', perMin: expect.closeTo(one.perMin, 9) });
    }),
  );
});
