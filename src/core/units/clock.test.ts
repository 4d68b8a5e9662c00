import fc from 'fast-check';
import { readClock } from '../climate/read-when';
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
