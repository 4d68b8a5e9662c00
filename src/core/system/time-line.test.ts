import fc from 'fast-check';
import { parseTable, tableText } from './table-text';
import { partTimeLine, timeLinesIn } from './time-line';

const said = (text: string) => tableText(parseTable(text, 'x', 'metric'));

test.each([
  ['30 min @ 25 °C', '30 min at 25 C'],
  ['30 min (25 °C)', '30 min at 25 C'],
  ['12 h / 20 °C', '12 h at 20 C'],
  ['20 °C - 30 min', '30 min at 20 C'],
  ['20 °C = 30 min', '30 min at 20 C'],
  ['10 ℃: 4 h', '4 h at 10 C'],
  ['at 20 °C: 30 min', '30 min at 20 C'],
  ['ca. 30 min at 20 °C', '30 min at 20 C'],
  ['approx. 24hrs @ 68 °F', '24 h at 20 C'],
  ['min. 4 h at 20 °C', '4 h at 20 C'],
  ['24 h at 23 °C / 50 % RH', '24 h at 23 C'],
  ['30 min at RT', '30 min'],
  ['at least 4 h', '4 h'],
  ['< 30 min', '30 min'],
  ['30’', '30 min'],
  ['4 h … 24 h', '4 h to 24 h'],
  ['from 4 to 24 h', '4 h to 24 h'],
  ['4 h to max. 24 h', '4 h to 24 h'],
  ['20/30 min', '20 min to 30 min'],
  ['1/2 h', '30 min'],
  ['2/3 days', '48 h to 72 h'],
  ['1 1/2 h', '1 h 30 min'],
  ['0:45 h', '45 min'],
  ['1 week', '168 h'],
  ['2 Wochen', '336 h'],
  ['40 Min.', '40 min'],
])('a time alone as people type and sheets print it: %s', (text, meant) => expect(said(text)).toBe(meant));

test.each([
  ['20 °C: 30 min, 10 °C: 60 min', '20 C: 30 min\n10 C: 1 h'],
  ['16 hours @ 50F; 8 hours @ 68F', '10 C: 16 h\n20 C: 8 h'],
  ['10C 4h\n20C 2h', '10 C: 4 h\n20 C: 2 h'],
  ['5-10 °C: 4 h\n10–20 °C: 2 h', '5 to 10 C: 4 h\n10 to 20 C: 2 h'],
  ['-5 °C to -1 °C: 90 min\n0 °C to +4 °C: 45 min', '-5 to -1 C: 1 h 30 min\n0 to 4 C: 45 min'],
  ['10 to 20 C: 2 h\nover 20 C: 1 h', '10 to 20 C: 2 h\nabove 20 C: 1 h'],
  ['10 to 20 C: 2 h\n≥ 20 °C 1 h', '10 to 20 C: 2 h\nabove 20 C: 1 h'],
  ['10 to 20 C: 2 h\n20 °C and above: 1 h', '10 to 20 C: 2 h\nabove 20 C: 1 h'],
  ['above 20 C: 1 h', 'above 20 C: 1 h'],
  // Under single temperatures it is the last point of their curve.
  ['10 C: 4 h\n20 C: 2 h\n≥ 30 C: 1 h', '10 C: 4 h\n20 C: 2 h\n30 C: 1 h'],
  ['1 % hardener, 20 C: 10 min\n2 % hardener, 20 C: 5 min', '1 %, 20 C: 10 min\n2 %, 20 C: 5 min'],
  ['10 to 15 C, up to 70 % r.h.: 8 h', '10 to 15 C, up to 70 %: 8 h'],
])('lines of times: %j', (text, meant) => expect(said(text)).toBe(meant));

test.each([
  ['0:45', /hours and minutes, or minutes and seconds/],
  ['overnight', /no figure/],
  ['16 h to overnight', /no figure/],
  ['1/2 d', /1 to 2 days/],
  ['below 10 C: 4 h', /no colder end/],
  ['up to 5 °C: 12 h\n5 to 10 °C: 6 h', /no colder end/],
  ['10 C: 4 h (5 h)', /not a unit/],
  ['24 h to 4 h', /swapped/],
])('“%s” is asked with its reason', (text, reason) => expect(() => said(text)).toThrow(reason));

test('a minus is a sign where it touches its number and a joint where it does not', () => {
  expect(partTimeLine('20 °C - 30 min')).toMatchObject({ temps: ['20 °C'], times: ['30 min'] });
  expect(partTimeLine('30 min - 20 °C')).toMatchObject({ temps: ['20 °C'], times: ['30 min'] });
  expect(partTimeLine('-20 °C: 30 min')).toMatchObject({ temps: ['-20 °C'], times: ['30 min'] });
});

test('commas part lines only where each piece is one', () => {
  expect(timeLinesIn('2 %, 20 C: 15 min')).toEqual(['2 %, 20 C: 15 min']);
  expect(timeLinesIn('1,5 h at 20,5 °C')).toEqual(['1,5 h at 20,5 °C']);
  expect(timeLinesIn('60 min at 10 °C, 30 min at 20 °C')).toEqual(['60 min at 10 °C', '30 min at 20 °C']);
});

test('a temperature and a time are the same whichever stands first and whatever joins them', () => {
  const line = fc.record({
    tempC: fc.integer({ min: -30, max: 60 }),
    minutes: fc.integer({ min: 1, max: 5000 }),
    unit: fc.constantFrom<readonly [string, number]>(
      [' min', 1],
      ['min', 1],
      [' hours', 60],
      ['h', 60],
      [' days', 1440],
    ),
    joint: fc.constantFrom(': ', ' - ', ' = ', ' ', ' / '),
    behind: fc.constantFrom(' at ', ' @ ', ' / ', ' ('),
    degree: fc.constantFrom(' °C', '°C', ' C', ' deg C'),
  });
  fc.assert(
    fc.property(line, ({ tempC, minutes, unit: [unit, each], joint, behind, degree }) => {
      const [warm, time] = [`${tempC}${degree}`, `${minutes}${unit}`];
      const meant = { form: 'single', tempC, fromMin: minutes * each, toMin: minutes * each };
      expect(parseTable(`${warm}${joint}${time}`, 'x', 'metric')).toEqual(meant);
      expect(parseTable(`${time}${behind}${warm}${behind === ' (' ? ')' : ''}`, 'x', 'metric')).toEqual(meant);
    }),
  );
});
