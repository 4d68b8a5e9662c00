import fc from 'fast-check';
import { DateTime } from 'luxon';
import { plainWords } from '@/words';
import { saying } from '@/words/saying.testing';
import { clockText, dayText, isoDay, readClock, readDay, readWhen, whenText } from './read-when';

const zone = 'Europe/Helsinki';
/** Tuesday, 5 May 2026, 09:00 at the site. */
const nowMs = Date.UTC(2026, 4, 5, 6);
const read = (text: string, over = {}) => {
  const parsed = readWhen(text, { nowMs, zone, atHour: 7, ...over });
  return parsed.ok
    ? DateTime.fromMillis(parsed.value, { zone }).toFormat('yyyy-MM-dd HH:mm')
    : plainWords(parsed.sentence);
};

test.each([
  ['tomorrow 6', '2026-05-06 06:00'],
  ['tomorrow', '2026-05-06 07:00'],
  ['Fri noon', '2026-05-08 12:00'],
  ['fri 14:30', '2026-05-08 14:30'],
  ['Wed', '2026-05-06 07:00'],
  ['7am', '2026-05-06 07:00'],
  ['17:30', '2026-05-05 17:30'],
  ['17', '2026-05-05 17:00'],
  ['in 3 hours', '2026-05-05 12:00'],
  ['12 May 14:30', '2026-05-12 14:30'],
  ['12.5. 14:30', '2026-05-12 14:30'],
  ['12.05.2026 6:15', '2026-05-12 06:15'],
  ['2026-05-12 14:30', '2026-05-12 14:30'],
  ['2026-05-12T14:30', '2026-05-12 14:30'],
  ['Tue 5 May 2026 09:00', '2026-05-05 09:00'],
  ['25/5/2026 8:00', '2026-05-25 08:00'],
  ['3 May 8:00', '2026-05-03 08:00'],
  // The month before its day, and the day of a month that nobody names.
  ['May 12 2:30 pm', '2026-05-12 14:30'],
  ['May 20, 6pm', '2026-05-20 18:00'],
  ['May 20th, 2027 6 pm', '2027-05-20 18:00'],
  ['Tue May 12', '2026-05-12 07:00'],
  ['Thu 14th 8am', '2026-05-14 08:00'],
  ['the 3rd at 8', '2026-06-03 08:00'],
  ['5th', '2026-05-05 07:00'],
  ['14.30', '2026-05-05 14:30'],
  ['0700', '2026-05-06 07:00'],
  ['tomorrow 0600', '2026-05-06 06:00'],
  ['half past 7 tomorrow', '2026-05-06 07:30'],
  ['quarter to 8 tomorrow', '2026-05-06 07:45'],
  ['day after tomorrow 7', '2026-05-07 07:00'],
  ['übermorgen 7', '2026-05-07 07:00'],
  ['morgen früh um 6', '2026-05-06 06:00'],
  ['morgen halb 8', '2026-05-06 07:30'],
])('“%s” is %s', (text, wanted) => expect(read(text)).toBe(wanted));

test.each(['', 'soon', 'Fri noon or so', '31/31/2026', 'from Mon to Wed', '5 May 2400 9:00', '25:70', '2026', '12.05'])(
  '“%s” is a sentence, never a guess',
  (text) => expect(read(text)).toMatch(/^(That is no day and hour|The year must)/),
);

test('a day and a month that could be either are asked, and each press says what it means', () => {
  const asked = readWhen('5/6/2026 7:00', { nowMs, zone, atHour: 7 });
  if (asked.ok) throw new Error('it was guessed');
  expect(asked.choices!.map((c) => c.label)).toEqual(['5 June 2026', '6 May 2026']);
  expect(asked.choices!.map((c) => read(c.text))).toEqual(['2026-06-05 07:00', '2026-05-06 07:00']);
  expect(read('5/5/2026')).toBe('2026-05-05 07:00');
});

test('a weekday that is not that of its date is asked, with both days as presses', () => {
  const asked = readWhen('Mon 12 May 18:00', { nowMs, zone, atHour: 7 });
  if (asked.ok) throw new Error('it was guessed');
  expect(plainWords(asked.sentence)).toBe('The day and its date do not go together. Which of them is meant?');
  expect(asked.choices!.map((c) => c.label)).toEqual(['Tue 12 May', 'Mon 11 May']);
  expect(asked.choices!.map((c) => read(c.text))).toEqual(['2026-05-12 18:00', '2026-05-11 18:00']);
  expect(read('Tue 12 May 18:00')).toBe('2026-05-12 18:00');
});

test('without a year the coming day is meant, in every form, unless it lies a few weeks behind', () => {
  const november = { nowMs: Date.UTC(2026, 10, 26, 6) };
  for (const text of ['20/3 7:00', '20.3. 7:00', '20 Mar 7:00']) expect(read(text, november)).toBe('2027-03-20 07:00');
  for (const text of ['20/11 7:00', '20.11. 7:00', '20 Nov 7:00'])
    expect(read(text, november)).toBe('2026-11-20 07:00');
});

test('a day without an hour begins at the hour of the work', () => {
  expect(read('Fri', { atHour: 6.5 })).toBe('2026-05-08 06:30');
});

test('what a field shows is read as the same minute, in any zone, through the changes of the clock', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: Date.UTC(2026, 0), max: Date.UTC(2031, 0) }),
      fc.constantFrom('Europe/Helsinki', 'America/Denver', 'Asia/Kolkata', 'UTC', 'Australia/Lord_Howe'),
      (at, where) => {
        const minute = Math.floor(at / 60_000) * 60_000;
        const parsed = readWhen(whenText(minute, where), { nowMs, zone: where, atHour: 7 });
        expect(parsed.ok && whenText(parsed.value, where)).toBe(whenText(minute, where));
      },
    ),
  );
});

describe('an hour of the day', () => {
  test.each([
    ['7', 7],
    ['7am', 7],
    ['12am', 0],
    ['12 pm', 12],
    ['5.30 pm', 17.5],
    ['17:30', 17.5],
    ['17h30', 17.5],
    ['noon', 12],
    ['midnight', 24],
    ['24:00', 24],
  ])('“%s”', (text, hour) => expect(readClock(text)).toMatchObject({ ok: true, value: hour }));
  test.each(['', '25', '24:30', '13pm', '7:60', 'early', '-1'])('“%s” is none', (text) =>
    expect(readClock(text)).toMatchObject({ ok: false, sentence: saying(/no hour of the day/) }),
  );
  test('as a field shows it, it is read again', () => {
    for (let m = 0; m <= 24 * 60; m += 7) {
      const parsed = readClock(clockText(m / 60));
      expect(parsed.ok && Math.round(parsed.value * 60)).toBe(m);
    }
  });
});

describe('a day alone', () => {
  const zone = 'Europe/Helsinki';
  const nowMs = Date.UTC(2026, 3, 12, 6);
  const day = (text: string) => {
    const read = readDay(text, { nowMs, zone });
    return read.ok ? isoDay(read.value, zone) : plainWords(read.sentence);
  };
  test.each([
    ['2026-04-23', '2026-04-23'],
    ['23 Apr', '2026-04-23'],
    ['23.4.', '2026-04-23'],
    ['tomorrow', '2026-04-13'],
    ['1 April 2001', '2001-04-01'],
    ['Sun 5 Apr 2026', '2026-04-05'],
  ])('%s is %s', (text, iso) => {
    expect(day(text)).toBe(iso);
    // As it is shown it is read again.
    expect(day(dayText(iso))).toBe(iso);
  });
  test.each([
    ['06/2027', '2027-06-01', '2027-06-30'],
    ['2027-06', '2027-06-01', '2027-06-30'],
    ['June 2027', '2027-06-01', '2027-06-30'],
    ['exp. 02/2028', '2028-02-01', '2028-02-29'],
    ['best before: Dec 2027', '2027-12-01', '2027-12-31'],
    ['März 2027', '2027-03-01', '2027-03-31'],
    ['1998', '1998-01-01', '1998-12-31'],
  ])('%s as a whole is its first day, or its last', (text, first, last) => {
    const end = (whole: 'first' | 'last') => {
      const read = readDay(text, { nowMs, zone, whole });
      return read.ok ? isoDay(read.value, zone) : null;
    };
    expect([end('first'), end('last')]).toEqual([first, last]);
  });

  test('a month and a year of two digits on a pack may be a day: both are pressed', () => {
    const asked = readDay('06/28', { nowMs, zone, whole: 'last' });
    if (asked.ok) throw new Error('it was guessed');
    expect(asked.choices!.map((c) => c.label)).toEqual(['June 2028', '28 June 2026']);
    expect(
      asked.choices!.map((c) => {
        const read = readDay(c.text, { nowMs, zone, whole: 'last' });
        return read.ok && isoDay(read.value, zone);
      }),
    ).toEqual(['2028-06-30', '2026-06-28']);
    // A year of long ago is none, and a thirteenth month is a day.
    expect(day('25/4')).toBe('2026-04-25');
  });

  test.each([
    ['30.6.27', '2027-06-30'],
    ['last Monday', '2026-04-06'],
    ['2027/06/30', '2027-06-30'],
    ['3 weeks ago', '2026-03-22'],
    ['vor 3 Wochen', '2026-03-22'],
    ['vor 28 Tagen', '2026-03-15'],
    ['letzten Montag', '2026-04-06'],
  ])('%s lies where it is said', (text, iso) => expect(day(text)).toBe(iso));

  test('what is no day is told with how one is typed', () => {
    expect(day('whenever')).toMatch(/That is no day\. Type it as “23 Apr”/);
    expect(dayText('nonsense')).toBe('nonsense');
  });
});
