import { sampleSheets } from '../../sample/systems';
import { Refusal } from '../say';
import { parseTable, tableText } from '.';

const at = (text: string) => parseTable(text, 'table', 'metric');

test('the three forms as a sheet prints them', () => {
  expect(at('10 C: 4 h to 5 h\n20 °C: 110-140 min')).toEqual({
    form: 'curve',
    points: [
      { tempC: 10, fromMin: 240, toMin: 300 },
      { tempC: 20, fromMin: 110, toMin: 140 },
    ],
  });
  expect(at('-5 to 0 C: 60 min; 0 to 5 C: 25 min')).toEqual({
    form: 'bands',
    bands: [
      { fromC: -5, toC: 0, fromMin: 60, toMin: 60 },
      { fromC: 0, toC: 5, fromMin: 25, toMin: 25 },
    ],
  });
  expect(at('45 to 60 min at 23 C')).toEqual({ form: 'single', tempC: 23, fromMin: 45, toMin: 60 });
  expect(at('24 h')).toEqual({ form: 'single', tempC: null, fromMin: 1440, toMin: 1440 });
  expect(parseTable('50 to 68 F: 2 h', 'table', 'us')).toMatchObject({ form: 'bands' });
});

test.each([
  ['', /at least one line/],
  ['10 4 h\n20 C: 2 h', /Line 1/],
  ['10 C: 5 h to 4 h\n20 C: 1 h', /swapped/],
  ['10 C: 4 h\n15 to 20 C: 2 h', /one form/],
  ['10 C: soon\n20 C: later', /not understood|time/],
  ['0 min at 20 C', /more than 0/],
])('“%s” is refused with its reason', (text, reason) => {
  expect(() => at(text)).toThrow(Refusal);
  expect(() => at(text)).toThrow(reason);
});

test('every table of the sample comes back from its own text', () => {
  for (const sheet of sampleSheets) for (const m of sheet.milestones) expect(at(tableText(m.table))).toEqual(m.table);
});
