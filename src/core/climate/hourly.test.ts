import { plainWords } from '@/words';
import { CHARACTERS, type CharacterId, madeUpForecast } from '../../device/forecast';
import { airOver, type CsvRead, climateProblems, readHourlyCsv, valueAt } from '.';

const ZONE = 'Europe/Helsinki';
const rows = (r: CsvRead) => ('rows' in r ? r.rows : []);
const ask = (r: CsvRead) => ('ask' in r ? r.ask.what : null);
const HEAD = 'time;temperature °C;humidity %\n';

test('a file of decimal commas with a header; the zone is asked, then taken as the site’s or as UTC', () => {
  const text = `${HEAD}2026-05-05 06:00;6,5;88\n2026-05-05 07:00;7,25;84\n2026-05-05 08:00;9;80\n`;
  expect(ask(readHourlyCsv(text, ZONE))).toBe('zone');
  const site = rows(readHourlyCsv(text, ZONE, { zone: 'site' }));
  expect(site.map((r) => [r.atMs, r.tempC, r.humidityPct])).toEqual([
    [Date.UTC(2026, 4, 5, 3), 6.5, 88],
    [Date.UTC(2026, 4, 5, 4), 7.25, 84],
    [Date.UTC(2026, 4, 5, 5), 9, 80],
  ]);
  expect(rows(readHourlyCsv(text, ZONE, { zone: 'utc' }))[0]!.atMs).toBe(Date.UTC(2026, 4, 5, 6));
});

test('what names its zone and unit is not asked; Fahrenheit by its header is converted', () => {
  const r = rows(readHourlyCsv('Date,Temp °F\n2026-05-05T06:00Z,50\n2026-05-05T07:00+00:00,68\n', ZONE));
  expect(r.map((x) => Math.round(x.tempC * 1000) / 1000)).toEqual([10, 20]);
  expect(r[0]!.humidityPct).toBeNull();
});

test('a unit that is not named is asked, and so is whether day or month comes first', () => {
  const text = 'time,temp\n05/06/2026 06:00,44\n05/06/2026 07:00,47\n';
  expect(ask(readHourlyCsv(text, ZONE))).toBe('unit');
  expect(ask(readHourlyCsv(text, ZONE, { unit: 'F' }))).toBe('order');
  expect(ask(readHourlyCsv(text, ZONE, { unit: 'F', order: 'dmy' }))).toBe('zone');
  expect(rows(readHourlyCsv(text, ZONE, { unit: 'F', order: 'dmy', zone: 'utc' }))[0]!.atMs).toBe(
    Date.UTC(2026, 5, 5, 6),
  );
  expect(rows(readHourlyCsv(text, ZONE, { unit: 'F', order: 'mdy', zone: 'utc' }))[0]!.atMs).toBe(
    Date.UTC(2026, 4, 6, 6),
  );
  // A thirteenth says it by itself.
  expect(ask(readHourlyCsv('time,temp °C\n13/06/2026 06:00,12\n13/06/2026 07:00,13\n', ZONE))).toBe('zone');
});

test.each([
  ['2026-05-05 06:00;6;80\n2026-05-05 05:00;6;80\n', /Row 3: .* earlier than the row before/],
  ['2026-05-05 06:00;6;80\n2026-05-05 06:00;6;80\n', /Row 3: .* there twice/],
  [
    '2026-05-05 06:00;180;80\n2026-05-05 07:00;18,1;80\n',
    /Row 2: 180 °C is beyond any weather. Is a decimal point missing/,
  ],
  ['2026-05-05 06:00;18;108\n2026-05-05 07:00;18;80\n', /Row 2: a humidity of 108 %/],
  ['2026-05-05 06:00;18;-3\n2026-05-05 07:00;18;80\n', /Row 2: a humidity of −3 %/],
  ['2026-05-05 06:00;18;80\n2026-05-05 11:00;18;80\n', /Row 3: 5 hours are missing/],
  ['2026-05-05 06:00;warm;80\n2026-05-05 07:00;18;80\n', /Row 2: the temperature “warm” is not a number/],
  ['yesterday;18;80\n2026-05-05 07:00;18;80\n', /Row 2: “yesterday” is no date/],
])('%#: a bad row is refused by its number', (body, words) => {
  expect(() => readHourlyCsv(HEAD + body, ZONE, { zone: 'utc' })).toThrow(words);
});

test('gaps up to three hours are bridged and shown; a file without a header is refused', () => {
  const r = readHourlyCsv(`${HEAD}2026-05-05 06:00;6;80\n2026-05-05 09:00;12;80\n2026-05-05 10:00;12;80\n`, ZONE, {
    zone: 'utc',
  });
  expect('gaps' in r ? r.gaps : []).toEqual([{ fromMs: Date.UTC(2026, 4, 5, 6), toMs: Date.UTC(2026, 4, 5, 9) }]);
  expect(() => readHourlyCsv('1;2;3\n4;5;6\n7;8;9', ZONE)).toThrow(/names no time or no temperature/);
});

test('air follows the hours by straight lines, holds the first before them, and ends where they end', () => {
  const first = Date.UTC(2026, 4, 5);
  const source = {
    kind: 'hourly' as const,
    source: 'test',
    standIn: false,
    humidityPct: 70,
    rows: Array.from({ length: 100 }, (_, i) => ({
      atMs: first + i * 3_600_000,
      tempC: 10 + (i % 2),
      humidityPct: null,
      spreadK: 0,
    })),
  };
  expect(climateProblems(source)).toEqual([]);
  const { air, dew } = airOver(source, ZONE, first - 2 * 86_400_000, first + 30 * 86_400_000);
  expect(valueAt(air, first + 1_800_000)).toBeCloseTo(10.5, 9);
  expect(valueAt(air, first - 86_400_000)).toBe(10);
  expect(air.times.at(-1)!).toBeLessThanOrEqual(first + 99 * 3_600_000);
  expect(() => valueAt(air, first + 100 * 3_600_000)).toThrow(/does not cover/);
  for (let i = 0; i < air.values.length; i++) expect(dew.values[i]!).toBeLessThanOrEqual(air.values[i]! + 1e-9);
  expect(() => airOver(source, ZONE, first + 20 * 86_400_000, first + 30 * 86_400_000)).toThrow(
    /before the work begins/,
  );
  const broken = { ...source, rows: [source.rows[1]!, source.rows[0]!] };
  expect(plainWords(climateProblems(broken)[0]!.sentence)).toMatch(/not later/);
});

test('made-up weather: the same for the same seed, sound hour by hour, wider with its distance, each in its character', () => {
  for (const id of Object.keys(CHARACTERS) as CharacterId[]) {
    const w = madeUpForecast(id, 4, Date.UTC(2026, 4, 5), 24 * 10, 3);
    expect(madeUpForecast(id, 4, Date.UTC(2026, 4, 5), 24 * 10, 3)).toEqual(w);
    expect(madeUpForecast(id, 5, Date.UTC(2026, 4, 5), 24 * 10, 3)).not.toEqual(w);
    expect(climateProblems({ kind: 'hourly', source: id, standIn: true, humidityPct: 70, rows: [...w] })).toEqual([]);
    for (let i = 1; i < w.length; i++) expect(w[i]!.spreadK).toBeGreaterThan(w[i - 1]!.spreadK);
  }
  const mean = (id: CharacterId) => madeUpForecast(id, 1, 0, 240, 0).reduce((s, r) => s + r.tempC, 0) / 240;
  expect(Math.min(...madeUpForecast('frost-night', 1, 0, 240, 0).map((r) => r.tempC))).toBeLessThan(0);
  expect(mean('heat-wave')).toBeGreaterThan(mean('sea-breeze'));
  // The warmest hour of a clear day lies in its afternoon.
  const day = madeUpForecast('heat-wave', 2, 0, 24, 0);
  expect(day.reduce((a, r, i) => (r.tempC > day[a]!.tempC ? i : a), 0)).toBeGreaterThanOrEqual(13);
});

describe('as stations and loggers write their files', () => {
  const told = (text: string, answers = {}) => {
    const r = readHourlyCsv(text, ZONE, { zone: 'site', ...answers });
    return 'ask' in r
      ? r.ask.what
      : r.rows.map((x) => [new Date(x.atMs).toISOString().slice(0, 16), x.tempC, x.humidityPct]);
  };
  const two = [
    ['2027-04-14T03:00', 5.1, 80],
    ['2027-04-14T04:00', 6.2, 78],
  ];

  test.each([
    [
      'a day and its hour in two columns',
      'Date,Time,Temp (°C),RH (%)\n2027-04-14,06:00,5.1,80\n2027-04-14,07:00,6.2,78',
    ],
    [
      'German, with decimal commas',
      'Datum;Uhrzeit;Temperatur [°C];rel. Feuchte [%]\n14.04.2027;06:00;5,1;80\n14.04.2027;07:00;6,2;78',
    ],
    [
      'under what the logger tells of itself',
      'Logger 4711\nLocation: slip ramp\n\nTimestamp,Temperature °C,Humidity %\n2027-04-14 06:00,5.1,80\n2027-04-14 07:00,6.2,78',
    ],
    ['years of two digits', 'Time;T °C;RH\n14.04.27 06:00;5,1;80\n14.04.27 07:00;6,2;78'],
    ['seconds since 1970', 'dt,temp °C,humidity\n1807671600,5.1,80\n1807675200,6.2,78'],
    [
      'the air among wind, rain and soil',
      'Time,Wind (km/h),Soil temp (°C),Temp (°C),Rain (%),RH (%)\n2027-04-14 06:00,9,8,5.1,0,80\n2027-04-14 07:00,9,8,6.2,0,78',
    ],
    [
      'the dew point first',
      'Dew point (°C),Temperature (°C),Date/Time,Humidity (%)\n2,5.1,2027-04-14 06:00,80\n2,6.2,2027-04-14 07:00,78',
    ],
    [
      'a zone over the times',
      '"#","Date Time, GMT+02:00","Temp, °C","RH, %"\n1,04/14/27 05:00:00 AM,5.1,80\n2,04/14/27 06:00:00 AM,6.2,78',
    ],
  ])('%s', (_, text) => expect(told(text)).toEqual(two));

  test('without names, by their looks, and the unit is asked', () => {
    const bare = '2027-04-14 06:00,5.1,80\n2027-04-14 07:00,6.2,78';
    expect(told(bare)).toBe('unit');
    expect(told(bare, { unit: 'C' })).toEqual(two);
  });

  test('the dew point tells the humidity where no other column does', () => {
    const read = told('time,temp °F,dew point °F\n2027-04-14 06:00,68,50\n2027-04-14 07:00,68,68');
    // 20 °C with a dew point of 10 °C: 12.27 of 23.37 hPa.
    expect(read).toEqual([
      ['2027-04-14T03:00', 20, expect.closeTo(52.5, 1)],
      ['2027-04-14T04:00', 20, 100],
    ]);
  });

  test('a row is told by its number in the file, whatever stands above it', () => {
    const text = 'Logger 4711\n\ntime,temp °C\n2027-04-14 06:00,5\n2027-04-14 07:00,mild';
    expect(() => told(text)).toThrow(/Row 5: the temperature “mild”/);
  });
});

describe('the readings of a logger', () => {
  const logged = `${HEAD}2026-05-05 06:00;6;80\n2026-05-05 06:10;6,4;79\n2026-05-06 18:00;12;60\n`;

  test('may have gaps of any length, which weather may not', () => {
    const r = rows(readHourlyCsv(logged, ZONE, { zone: 'utc' }, 'readings'));
    expect(r.map((x) => x.tempC)).toEqual([6, 6.4, 12]);
    expect(() => readHourlyCsv(logged, ZONE, { zone: 'utc' })).toThrow(/hours are missing/);
  });

  test('a pot may be hot, a slip of the decimal point is still one', () => {
    const hot = `${HEAD}2026-05-05 06:00;62;\n2026-05-05 06:10;71;\n`;
    expect(rows(readHourlyCsv(hot, ZONE, { zone: 'utc' }, 'readings'))[1]!.tempC).toBe(71);
    expect(() =>
      readHourlyCsv(`${HEAD}2026-05-05 06:00;18;80\n2026-05-05 06:10;180;80\n`, ZONE, { zone: 'utc' }, 'readings'),
    ).toThrow(/decimal point/);
  });
});
