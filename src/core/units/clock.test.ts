import fc from 'fast-check';
import { clockText, readClock, readWhen, whenText } from '../climate/read-when';
import { inHours } from './clock';

test('the hours of a day, twice to twelve', () => {
  const said = ['00:00', '00:30', '07:05', '11:59', '12:00', '12:01', '13:00', '23:59', '24:00'];
  expect(said.map((at) => inHours(at, 12))).toEqual([
    '12:00 am',
    '12:30 am',
    '7:05 am',
    '11:59 am',
    '12:00 pm',
    '12:01 pm',
    '1:00 pm',
    '11:59 pm',
    '12:00 am',
  ]);
  expect(said.map((at) => inHours(at, 24))).toEqual(said);
});

test('law: no two minutes of a day are said alike, and what is said is read as the same minute', () => {
  const at = (minute: number) =>
    `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
  expect(new Set(Array.from({ length: 1440 }, (_, m) => inHours(at(m), 12))).size).toBe(1440);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1439 }), (minute) => {
      expect(readClock(inHours(at(minute), 12))).toMatchObject({ ok: true, text: at(minute) });
    }),
  );
});

test('law: what a field shows twice to twelve is read again as the same instant, and the end of a day is not its beginning', () => {
  const from = Date.parse('2026-05-05T00:00:00Z');
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 30 * 1440 }), (minute) => {
      const ms = from + minute * 60_000;
      const read = readWhen(whenText(ms, 'Europe/Helsinki', 12), { nowMs: from, zone: 'Europe/Helsinki', atHour: 7 });
      expect(read).toMatchObject({ ok: true, value: ms });
    }),
  );
  for (const hour of [0, 0.5, 12, 17.25, 24])
    expect(readClock(clockText(hour, 12))).toMatchObject({ ok: true, value: hour });
});
