import { DateTime } from 'luxon';
import { plainWords } from '@/words';
import {
  airOver,
  BASE_PROPERTIES,
  type BaseBody,
  baseOver,
  baseProblems,
  type ClimateSource,
  climateProblems,
  combine,
  dayOf,
  dewPointC,
  environmentOver,
  extremes,
  humidityOf,
  humidityPct,
  ONLY_AIR,
  ofMaterial,
  seriesOf,
  siteTimeOf,
  valueAt,
  withReadings,
} from '.';

const zone = 'Europe/Helsinki';
const at = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
const frosty: ClimateSource = { kind: 'daily', lowC: 2, lowHour: 6, highC: 14, highHour: 15, humidityAtLowPct: 90 };

describe('dew point', () => {
  test.each([
    // Worked values of the Magnus formula with the constants of Alduchov & Eskridge.
    [20, 50, 9.26],
    [25, 80, 21.31],
    [10, 100, 10],
  ])('%d °C at %d %%', (air, humidity, dew) => expect(dewPointC(air, humidity)).toBeCloseTo(dew, 1));
  test('below zero it is a frost point, warmer than the dew over water', () => {
    // e = 0.5 · 6.1094 hPa; over ice that is −8.16 °C, over supercooled water −9.2 °C.
    expect(dewPointC(0, 50)).toBeCloseTo(-8.16, 2);
  });
  test('humidity and dew point are each other’s inverse, capped at 100', () => {
    for (const h of [5, 35, 60, 99]) expect(humidityPct(18, dewPointC(18, h))).toBeCloseTo(h, 6);
    expect(humidityPct(4, 9)).toBe(100);
    expect(() => dewPointC(20, 0)).toThrow(/Humidity/);
  });
});

describe('air', () => {
  test('low and high come at their local hours, half way in between', () => {
    const { air, dew } = airOver(frosty, zone, at('2026-05-10T00:00'), at('2026-05-12T00:00'));
    expect(valueAt(air, at('2026-05-10T06:00'))).toBeCloseTo(2, 6);
    expect(valueAt(air, at('2026-05-11T15:00'))).toBeCloseTo(14, 6);
    expect(valueAt(air, at('2026-05-10T10:30'))).toBeCloseTo(8, 1);
    expect(humidityOf(valueAt(air, at('2026-05-10T06:00')), valueAt(dew, at('2026-05-10T06:00')))).toBeCloseTo(90, 6);
  });
  test('the night the clock goes back is an hour longer and stays smooth', () => {
    const { air } = airOver(frosty, zone, at('2026-10-24T12:00'), at('2026-10-26T12:00'));
    expect(valueAt(air, at('2026-10-25T06:00'))).toBeCloseTo(2, 6);
    expect((at('2026-10-25T06:00') - at('2026-10-24T15:00')) / 3_600_000).toBe(16);
    for (let i = 1; i < air.values.length; i++) expect(Math.abs(air.values[i]! - air.values[i - 1]!)).toBeLessThan(0.6);
  });
  test('bad sources are named at their field', () => {
    const field = (over: object) => climateProblems({ ...frosty, ...over } as ClimateSource)[0]?.field;
    expect(field({ lowC: 20 })).toBe('lowC');
    expect(field({ lowHour: 25 })).toBe('lowHour');
    expect(field({ highHour: 6.2 })).toBe('highHour');
    expect(field({ humidityAtLowPct: 130 })).toBe('humidityAtLowPct');
    expect(() => airOver(frosty, 'Lake/Nowhere', 0, 1)).toThrow(/time zone/);
  });
});

describe('base', () => {
  const body: BaseBody = {
    material: 'concrete',
    thicknessMm: 200,
    back: 'ground',
    exposure: 'sheltered',
    surroundings: ONLY_AIR,
    known: [],
  };
  const { air } = airOver(frosty, zone, at('2026-05-08T00:00'), at('2026-05-14T00:00'));
  const swing = (b: BaseBody) => {
    const base = baseOver(air, b);
    return extremes(base, at('2026-05-12T00:00'), at('2026-05-13T00:00'));
  };
  test('a slab swings less than the air and lags it by hours; a thin plate follows', () => {
    const slab = swing(body);
    const plate = swing({
      material: 'metal',
      thicknessMm: 6,
      back: 'air',
      exposure: 'windy',
      surroundings: ONLY_AIR,
      known: [],
    });
    expect(slab.max - slab.min).toBeLessThan(8);
    expect(plate.max - plate.min).toBeGreaterThan(11);
    const base = baseOver(air, body);
    expect(valueAt(base, at('2026-05-12T06:00'))).toBeGreaterThan(valueAt(air, at('2026-05-12T06:00')) + 1);
    const hourOfLow = [...Array(24).keys()].sort(
      (a, b) => valueAt(base, at('2026-05-12T00:00') + a * 3.6e6) - valueAt(base, at('2026-05-12T00:00') + b * 3.6e6),
    )[0]!;
    expect(hourOfLow).toBeGreaterThanOrEqual(7);
  });
  test('constant air leaves every base at the air temperature, to the last place: limits are met by it', () => {
    for (const tempC of [-5, 5, 8, 10, 11.3])
      for (const material of Object.keys(BASE_PROPERTIES) as BaseBody['material'][])
        for (const back of ['insulated', 'air', 'ground'] as const) {
          const still = airOver(
            { kind: 'constant', tempC, humidityPct: 60 },
            zone,
            at('2026-05-10T00:00'),
            at('2026-05-12T07:00'),
          ).air;
          const base = baseOver(still, { ...body, material, back });
          expect([...new Set(base.values)]).toEqual([tempC]);
          for (const minute of [1, 7, 100, 2000])
            expect(valueAt(base, at('2026-05-10T00:00') + minute * 60_000)).toBe(tempC);
        }
  });
  test('a reading is what it is read as, to the last place, between what was computed', () => {
    const base = baseOver(air, body);
    for (const [hour, read] of [
      [7, 5],
      [11, 8],
      [16, 10],
    ] as const) {
      const t = at('2026-05-12T00:00') + hour * 3.6e6 + 400_000;
      expect(valueAt(withReadings(base, [{ atMs: t, valueC: read }]), t)).toBe(read);
    }
  });
  test('readings replace the forecast and fade with six hours', () => {
    const base = baseOver(air, body);
    const t = at('2026-05-12T09:00');
    const read = withReadings(base, [{ atMs: t, valueC: valueAt(base, t) - 4 }]);
    expect(valueAt(read, t)).toBeCloseTo(valueAt(base, t) - 4, 9);
    expect(valueAt(read, t + 6 * 3.6e6) - valueAt(base, t + 6 * 3.6e6)).toBeCloseTo(-4 / Math.E, 2);
    expect(withReadings(base, [])).toBe(base);
  });
  test('after eight days samples are hourly, and the base goes on without a step', () => {
    const long = airOver(frosty, zone, at('2026-05-01T00:00'), at('2026-05-20T00:00')).air;
    const base = baseOver(long, body);
    expect(long.times.length).toBeLessThan(8 * 96 + 12 * 24 + 2);
    expect(long.times.at(-1)!).toBeGreaterThanOrEqual(at('2026-05-20T00:00'));
    // A day before and a day after the change of step read alike at the same hour.
    for (const hour of ['06', '12', '18'])
      expect(valueAt(base, at(`2026-05-10T${hour}:00`))).toBeCloseTo(valueAt(base, at(`2026-05-08T${hour}:00`)), 0);
  });
  test('by day the sun warms it, by night a clear sky cools it below the air; clouds do less of both', () => {
    const still = {
      times: Float64Array.from({ length: 4 * 96 }, (_, i) => Date.UTC(2026, 4, 5) + i * 900_000),
      values: new Float64Array(4 * 96).fill(12),
    };
    const open: BaseBody = { ...body, surroundings: { ...ONLY_AIR, sky: 'open', cloudPct: 0 } };
    const env = environmentOver(still, open, 'utc');
    const at = (hour: number) => env[3 * 96 + hour * 4]!;
    // Night: − 0.9 · 63 / 10; noon of a day from 6 to 20 h: + 0.65 · 650 / 10 beside it.
    expect(at(2)).toBeCloseTo(12 - 5.67, 9);
    expect(at(13)).toBeCloseTo(12 + 42.25 - 5.67, 6);
    const base = baseOver(still, open, 'utc');
    expect(Math.min(...base.values.subarray(2 * 96))).toBeLessThan(12);
    expect(Math.max(...base.values.subarray(2 * 96))).toBeGreaterThan(20);
    const grey = baseOver(still, { ...open, surroundings: { ...open.surroundings, cloudPct: 100 } }, 'utc');
    expect(Math.min(...grey.values)).toBeGreaterThanOrEqual(12 - 1e-9);
    const shade = environmentOver(still, { ...open, surroundings: { ...open.surroundings, sky: 'shade' } }, 'utc');
    expect(Math.max(...shade)).toBeLessThan(12);
  });
  test('a heater over midnight warms it in its hours; a hull below the water follows the water', () => {
    const still = {
      times: Float64Array.from({ length: 4 * 96 }, (_, i) => Date.UTC(2026, 4, 5) + i * 900_000),
      values: new Float64Array(4 * 96).fill(4),
    };
    const tent: BaseBody = {
      ...body,
      surroundings: { ...ONLY_AIR, sky: 'open', cover: { fromHour: 20, toHour: 6, warmK: 10 } },
    };
    const env = environmentOver(still, tent, 'utc');
    expect([env[96 + 4 * 22], env[96 + 4 * 3]]).toEqual([14, 14]);
    expect(env[96 + 4 * 12]).not.toBe(14);
    const hull: BaseBody = {
      material: 'laminate',
      thicknessMm: 12,
      back: 'water',
      exposure: 'sheltered',
      known: [],
      surroundings: { ...ONLY_AIR, waterC: 9 },
    };
    // Series of films: air 10, laminate 12/0.3 mm, water 300: the face lies where the flux says.
    const flux = (9 - 4) / (1 / 10 + 0.012 / 0.3 + 1 / 300);
    expect(baseOver(still, hull, 'utc').values.at(-1)!).toBeCloseTo(4 + flux / 10, 2);
    expect(plainWords(baseProblems({ ...hull, surroundings: ONLY_AIR, known: [] })[0]!.sentence)).toMatch(
      /how warm the water/,
    );
    expect(
      plainWords(
        baseProblems({
          ...tent,
          surroundings: { ...tent.surroundings, cover: { fromHour: 25, toHour: 6, warmK: 5 } },
        })[0]!.sentence,
      ),
    ).toMatch(/outside the day/);
    expect(
      plainWords(baseProblems({ ...tent, surroundings: { ...tent.surroundings, riseHour: 21 } })[0]!.sentence),
    ).toMatch(/rise before it sets/);
  });
  test('a base without thickness is refused', () =>
    expect(() => baseOver(air, { ...body, thicknessMm: 0 })).toThrow(/thickness/));
});

test('series: straight lines between samples, no guess outside', () => {
  const s = seriesOf([
    [0, 10],
    [100, 20],
    [200, 0],
  ]);
  expect(valueAt(s, 150)).toBe(10);
  expect(extremes(s, 50, 150)).toEqual({ min: 10, max: 20, minMs: 150, maxMs: 100 });
  expect(
    combine(
      s,
      seriesOf([
        [0, 12],
        [100, 12],
        [200, 12],
      ]),
      Math.max,
    ).values,
  ).toEqual(Float64Array.from([12, 20, 12]));
  expect(() => valueAt(s, 201)).toThrow(/does not cover/);
  expect(() =>
    seriesOf([
      [5, 1],
      [5, 2],
    ]),
  ).toThrow(/not later/);
});

describe('local days and clocks', () => {
  test.each(['Europe/Helsinki', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'UTC'])(
    'in %s they agree with the zone’s own calendar, through both clock changes',
    (zone) => {
      for (const from of ['2026-03-27T00:00Z', '2026-10-23T00:00Z', '2026-04-03T00:00Z', '2026-11-24T00:00Z'])
        for (let h = 0; h < 120; h += 0.75) {
          const ms = Date.parse(from) + h * 3_600_000;
          const there = DateTime.fromMillis(ms, { zone });
          const { weekday, day, month, clock } = siteTimeOf(zone, ms);
          expect(`${weekday} ${clock}`).toBe(there.toFormat('ccc HH:mm'));
          expect(`${weekday} ${day} ${month} ${clock}`).toBe(there.toFormat('ccc d LLL HH:mm'));
          expect(dayOf(zone, ms).date).toBe(there.toISODate());
        }
    },
  );

  test('a zone that is none is refused', () => {
    expect(() => dayOf('Nowhere/Town', 0)).toThrow(/not a known time zone/);
  });
});

test('a base found to be of another material is as thick as that usually is, unless somebody measured it', () => {
  const slab = { material: 'concrete', thicknessMm: 200, back: 'ground' } as const;
  expect(ofMaterial(slab, 'laminate')).toEqual({ material: 'laminate', thicknessMm: 8, back: 'air' });
  expect(ofMaterial({ ...slab, thicknessMm: 120 }, 'plastic')).toEqual({
    material: 'plastic',
    thicknessMm: 120,
    back: 'air',
  });
  expect(ofMaterial({ ...slab, back: 'water' }, 'timber').back).toBe('water');
  // There and back again is where it began.
  expect(ofMaterial({ ...slab, ...ofMaterial(slab, 'metal') }, 'concrete')).toEqual(slab);
});
