import fc from 'fast-check';
import { PLAIN_READER, plainWords, say } from '@/words';
import { figure } from '../units';
import { degC, digitsApart, metC as metOf, mm, rangeOf } from '.';

const metC = (...of: Parameters<typeof metOf>) => plainWords(metOf(...of));
const range = (...of: Parameters<typeof rangeOf>) => {
  const said = rangeOf(...of);
  return said && plainWords(said);
};

test('open ends are words, equal ends one figure, a minus a minus', () => {
  expect(range(degC(5), null)).toBe('from 5 °C');
  expect(range(null, degC(30))).toBe('up to 30 °C');
  expect(range(null, null)).toBeNull();
  expect(range(degC(-5), degC(40))).toBe('−5 °C to 40 °C');
  expect(range(mm(4), mm(4))).toBe('4 mm');
});
test('what is met goes to whole degrees, to halves where a limit lies near, and never across it', () => {
  expect(metC(6.56, 6.84, [5, 30])).toBe('7 °C');
  expect(metC(5.4, 12.2, [5, 30])).toBe('5.5 °C to 12 °C');
  expect(metC(4.9, 9, [5, null])).toBe('4.9 °C to 9 °C');
  const c = fc.double({ min: -20, max: 45, noNaN: true });
  fc.assert(
    fc.property(c, c, fc.integer({ min: -5, max: 35 }), (a, b, limit) => {
      const [low, high] = a < b ? [a, b] : [b, a];
      const told = metC(low, high, [limit])
        .replaceAll(' °C', '')
        .split(' to ')
        .map((t) => Number(t.replace('−', '-')));
      for (const [i, was] of [low, high].entries()) {
        const is = told[i] ?? told[0]!;
        expect(Math.abs(is - was)).toBeLessThanOrEqual(1.01);
        // On the side of the limit it is met on.
        if (Math.abs(was - limit) > 0.06)
          expect(Math.sign(is - limit) * Math.sign(was - limit)).toBeGreaterThanOrEqual(0);
      }
    }),
  );
});

test('whole degrees are those of the reader: what was typed as 55 °F is read as 55 °F', () => {
  const us = (...of: Parameters<typeof metOf>) => say(metOf(...of), { ...PLAIN_READER, system: 'us' });
  const c = (f: number) => ((f - 32) * 5) / 9;
  expect(us(c(55), c(55), [-5, 40])).toBe('55 °F');
  expect(us(c(55), c(61), [-5, 40])).toBe('55 °F to 61 °F');
  expect(us(c(40.8), c(60), [5, null])).toBe('40.8 °F to 60 °F');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 110 }), fc.integer({ min: 0, max: 110 }), (a, b) => {
      const [low, high] = a < b ? [a, b] : [b, a];
      // A degree of Fahrenheit may be none of Celsius.
      fc.pre(high - low !== 1);
      expect(us(c(low), c(high), [-40, 60])).toBe(low === high ? `${low} °F` : `${low} °F to ${high} °F`);
    }),
  );
});

test('two values held against each other read apart, with no more figures than that takes', () => {
  expect(digitsApart(3.62, 3.57)).toBe(3);
  expect(digitsApart(5.3, 3.6)).toBe(2);
  expect(digitsApart(2, 2)).toBe(2);
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 1e4, noNaN: true }),
      fc.double({ min: 0.9, max: 1.1, noNaN: true }),
      (a, by) => {
        const digits = digitsApart(a, a * by);
        const [one, other] = [figure(a, digits), figure(a * by, digits)];
        // Read apart where five figures can tell them apart at all; and one figure less would not have done.
        if (figure(a, 5) !== figure(a * by, 5)) expect(one).not.toBe(other);
        if (digits > 2) expect(figure(a, digits - 1)).toBe(figure(a * by, digits - 1));
      },
    ),
  );
});
