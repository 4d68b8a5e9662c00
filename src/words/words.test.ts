import { RULES } from '@/core/judge/rules';
import {
  allTexts,
  at,
  bare,
  degC,
  exactly,
  grams,
  kelvin,
  listed,
  type Message,
  Message as MessageSchema,
  minutes,
  ml,
  mm,
  on,
  percent,
  plain,
  texts,
} from '@/core/say';
import { CURRENCIES, parseMoney } from '@/core/typed';
import { money } from '@/core/units';
import { PLAIN_READER, type Reader, say } from '.';
import { moneyText } from './render';

const metric: Reader = { system: 'metric', zone: 'Europe/Helsinki', language: 'en' };
const us: Reader = { ...metric, system: 'us' };
const T = texts('test', {
  quantities: '{length}, {mass}, {temp}, {limit}, {gap}, {time}, {share}',
  moments: '{near} and {far}',
  lifts: 'Place it in {n, plural, one {# lift} other {# lifts}}.',
  side: 'It lies {side, select, under {under} other {above}} it.',
  list: 'for {names}',
  limit: '{limit}',
  costs: 'for {price}',
  nested: 'First: {inner}',
});

describe('money', () => {
  const costs = (amount: number, of: string | null, reader: Partial<Reader> = {}) =>
    say(T.costs({ price: money(amount, of) }), { ...metric, ...reader }).replaceAll('\u00a0', ' ');
  test('stands as the reader’s language writes it, whole amounts without hundredths', () => {
    expect(costs(64, 'EUR')).toBe('for €64');
    expect(costs(1064.5, 'EUR')).toBe('for €1,064.50');
    expect(costs(12, 'USD')).toBe('for US$12');
    expect(costs(64, 'EUR', { language: 'de' })).toBe('for 64 €');
    expect(costs(0.1 + 0.2, 'CHF')).toBe('for CHF 0.30');
    expect(costs(900, 'JPY')).toBe('for JP¥900');
  });
  test('is told as such where nobody said what it is an amount of', () => {
    expect(costs(68, null)).toBe('for 68 (of what money is not said)');
    expect(costs(68.4, null)).toBe('for 68.40 (of what money is not said)');
  });
  test('what is written is read back as it was, in the same language', () => {
    for (const of of CURRENCIES) {
      const written = moneyText(money(64, of), 'en').replace(/\.00$/, '');
      const read = parseMoney(written, { own: of });
      expect([of, read.ok && read.value]).toEqual([of, 64]);
      expect([of, read.ok && read.currency]).toEqual([of, of]);
    }
  });
});

describe('one message, many readers', () => {
  const all = T.quantities({
    length: mm(38.1),
    mass: grams(1250),
    temp: degC(20),
    limit: exactly(degC(5)),
    gap: kelvin(5),
    time: minutes(156),
    share: percent(17.25, 2),
  });
  test('quantities in the units of the reader', () => {
    expect(say(all, metric)).toBe('38.1 mm, 1.25 kg, 20 °C, 5 °C, 5 K, 2 h 36 min, 17 %');
    expect(say(all, us)).toBe('1 1/2 in, 2.76 lb, 68 °F, 41 °F, 9 °F, 2 h 36 min, 17 %');
  });
  test('a limit of time is told as people say it, a rule’s marks by their sixteenths', () => {
    expect(say(T.limit({ limit: exactly(minutes(21 * 1440)) }), metric)).toBe('21 d');
    expect(say(T.limit({ limit: exactly(minutes(90)) }), us)).toBe('1 h 30 min');
    expect(say(T.limit({ limit: exactly(mm(14.2875)) }), us)).toBe('9/16 in');
    expect(say(T.limit({ limit: exactly(mm(-6.35)) }), us)).toBe('−1/4 in');
    expect(say(T.limit({ limit: exactly(mm(14.2875)) }), metric)).toBe('14.29 mm');
  });
  test('a minus is a minus', () => {
    expect(
      say(
        T.quantities({
          length: mm(-3),
          mass: grams(1),
          temp: degC(-4),
          limit: exactly(degC(-5)),
          gap: kelvin(1),
          time: minutes(-3),
          share: percent(1),
        }),
        metric,
      ),
    ).toMatch(/^−3 mm, .*, −4 °C, −5 °C, .*, −3 min/);
  });
  test('instants at the site, with their date where they may lie far off', () => {
    const ms = Date.UTC(2027, 3, 15, 6, 30);
    const said = T.moments({ near: at(ms), far: on(ms) });
    expect(say(said, metric)).toBe('Thu 09:30 and Thu 15 Apr 09:30');
    expect(say(said, { ...metric, zone: 'America/Denver' })).toBe('Thu 00:30 and Thu 15 Apr 00:30');
  });
  test('plurals, choices, lists, messages within messages', () => {
    expect([1, 3].map((n) => say(T.lifts({ n }), metric))).toEqual(['Place it in 1 lift.', 'Place it in 3 lifts.']);
    expect(say(T.side({ side: 'under' }), metric)).toBe('It lies under it.');
    expect(say(T.list({ names: listed(['gel', 'release', 'load']) }), metric)).toBe('for gel, release, and load');
    expect(say(T.list({ names: listed(['stone', 'metal'], 'or') }), metric)).toBe('for stone or metal');
    expect(say(T.nested({ inner: T.list({ names: listed([mm(25.4), mm(50.8)], 'comma') }) }), us)).toBe(
      'First: for 1 in, 2 in',
    );
  });
  test('what was written out, by an earlier version or in a row, stands as it was written', () => {
    expect(say('38.1 mm against 5 °C', us)).toBe('38.1 mm against 5 °C');
    expect(say(plain('Ring {of} 3 mm, #1'), us)).toBe('Ring {of} 3 mm, #1');
  });
  test('a figure within an expression has no unit, and all its digits', () => {
    const of = T.nested({ inner: T.list({ names: listed([bare(mm(14.2875)), bare(mm(110))], 'comma') }) });
    expect([say(of, metric), say(of, us)]).toEqual(['First: for 14.2875, 110', 'First: for 0.5625, 4.3307']);
  });
  test('what is in somebody’s own words is not touched', () => {
    expect(say(T.list({ names: 'Lot 12 mm {x} <b>' }), us)).toBe('for Lot 12 mm {x} <b>');
  });
});

test('a gap that nothing fills, and an id nobody owns, are errors, never a hole in the sentence', () => {
  expect(() => say(T.lifts(), metric)).toThrow();
  expect(() => say({ id: 'test.nowhere' }, metric)).toThrow(/no text is called test.nowhere/);
  expect(() => texts('test', { list: 'twice' })).toThrow(/two texts are called test.list/);
});

test('messages survive a file, and a figure that is none does not', () => {
  const said: Message = T.nested({ inner: T.quantities({ length: mm(1), names: listed(['a', at(5)]) }) });
  expect(MessageSchema.parse(JSON.parse(JSON.stringify(said)))).toEqual(said);
  expect(MessageSchema.safeParse(T.lifts({ n: Number.NaN })).success).toBe(false);
  expect(MessageSchema.safeParse({ id: 'x', with: { a: { is: 'colour', value: 1 } } }).success).toBe(false);
});

test('every text of the core is sound ICU, and says its figures through values, never as digits with a unit', () => {
  expect(Object.keys(RULES).length).toBeGreaterThan(15);
  const ids = [...allTexts().keys()].filter((id) => !id.startsWith('test.'));
  expect(ids.length).toBeGreaterThan(150);
  for (const id of ids) {
    const text = allTexts().get(id)!;
    expect([id, /\d ?(mm|mL|kg|g|°C|K|cm²|m²)(?![\w/])/.test(text)]).toEqual([id, false]);
    // Each gap filled with a word: the formatter reads the whole text, all its branches included.
    const gaps = [...text.matchAll(/\{(\w+)(?=[},])/g)].map(([, name]) => name!);
    const filled = Object.fromEntries(gaps.map((g) => [g, new RegExp(`\\{${g}, plural`).test(text) ? 2 : 'word']));
    expect(say({ id, with: filled }, PLAIN_READER)).not.toMatch(/[{}]/);
  }
});

test('a limit stands as its sheet has it; in other units as finely as anybody reads', () => {
  const of = (q: Parameters<typeof exactly>[0], system: 'metric' | 'us') =>
    say(T.limit({ limit: exactly(q) }), { ...metric, system });
  for (const [q, here, there] of [
    [ml(80), '80 mL', '2.71 US fl oz'],
    [mm(0.3), '0.3 mm', '0.0118 in'],
    [degC(10), '10 °C', '50 °F'],
    [mm(12.75), '12.75 mm', '0.502 in'],
  ] as const)
    expect([of(q, 'metric'), of(q, 'us')]).toEqual([here, there]);
});
