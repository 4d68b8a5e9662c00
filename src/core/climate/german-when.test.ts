import { inEnglish } from './german-when';
import { dayText, readClock, readWhen, whenText } from './read-when';

const zone = 'Europe/Helsinki';
// Thu 8 Jan 2026 10:00 in Helsinki.
const typing = { nowMs: Date.UTC(2026, 0, 8, 8), zone, atHour: 7 };
const at = (text: string) => {
  const read = readWhen(text, typing);
  return read.ok ? whenText(read.value, zone) : 'not read';
};

test.each([
  ['morgen 7', 'tomorrow 7'],
  ['Fr mittags', 'Fri noon'],
  ['nächsten Fr 12 Uhr', 'next Fri 12:00'],
  ['12. Mai 14:30', '12 May 14:30'],
  ['heute 17 Uhr 30', 'today 17:30'],
  ['in 3 Stunden', 'in 3 hours'],
  ['am 3. Mai um 9:00', '3 May 9:00'],
  ['So 1. März 2026 9:00', 'Sun 1 Mar 2026 9:00'],
])('“%s” is the instant of “%s”', (german, english) => {
  expect(at(german)).not.toBe('not read');
  expect(at(german)).toBe(at(english));
});

test('what is no German is left as it was', () => {
  for (const text of ['tomorrow 7', 'Mon noon', '12 May 14:30', 'Sunday 8', '2026-05-12 14:30', 'Donegal'])
    expect(inEnglish(text)).toBe(text);
});

test('a field shows an instant in German and reads what it shows, every hour of a year of days', () => {
  for (let day = 0; day < 366; day += 3) {
    const ms = Date.UTC(2026, 0, 1, day % 24) + day * 86_400_000;
    const shown = whenText(ms, zone, 24, 'de');
    const read = readWhen(shown, typing);
    expect([shown, read.ok && read.value]).toEqual([shown, ms]);
  }
  expect(dayText('2026-05-05', 'de')).toBe('Di 5 Mai 2026');
});

test('an hour as it is said in German', () => {
  expect(['7 Uhr', '17.30 Uhr', 'mittags'].map((text) => readClock(text))).toMatchObject([
    { ok: true, value: 7 },
    { ok: true, value: 17.5 },
    { ok: true, value: 12 },
  ]);
});

test.each([
  ['8/5/26 9:00', ['8 Mai 2026', '5 August 2026']],
  ['Mo 20 Jan', ['Di 20 Jan', 'Mo 19 Jan']],
])('what may be read in two ways is asked in German: “%s”', (text, labels) => {
  const of = (locale?: string) => {
    const read = readWhen(text, { ...typing, ...(locale ? { locale } : {}) });
    return read.ok ? [] : (read.choices ?? []);
  };
  // Without dots and abbreviated as this engine has them.
  expect(of('de').map((c) => c.label.replaceAll('.', ''))).toEqual(labels);
  // Whatever it is asked in, what a press types is read.
  expect(of('de').map((c) => c.text)).toEqual(of().map((c) => c.text));
  for (const { text: said } of of('de')) expect(readWhen(said, typing).ok).toBe(true);
});
