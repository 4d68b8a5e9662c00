import { IntlMessageFormat } from 'intl-messageformat';
import { siteTimeOf } from '@/core/climate';
import {
  type List,
  type Moment,
  type Quantity,
  type Said,
  textOf,
  texts,
  type Value,
  WORKED_DIGITS,
  type WorkLine,
  whyOf,
} from '@/core/say';
import {
  FIELD_UNIT,
  figure,
  format,
  formatDuration,
  fromCore,
  type Hours,
  inSixteenths,
  type Money,
  shownUnit,
  type UnitSystem,
  unitOf,
  withMark,
} from '@/core/units';
import { inLanguage, LANGUAGE_ROWS, type Language, spokenLanguage } from './tongue';

/** Who reads: units, the zone of the site, the language. */
export interface Reader {
  readonly system: UnitSystem;
  readonly zone: string;
  readonly language: Language;
  /** How the hours of a day are told; 24 where it is not said. */
  readonly hours?: Hours;
}

/** The reader of a program that asks nothing else. */
export const PLAIN_READER: Reader = { system: 'metric', zone: 'utc', language: 'en' };

const formats = new Map<string, IntlMessageFormat>();

function formatOf(id: string, language: Language): IntlMessageFormat {
  const key = `${language}|${id}`;
  const known = formats.get(key);
  if (known) return known;
  const text = textOf(id);
  if (text === undefined) throw new RangeError(`no text is called ${id}`);
  const made = new IntlMessageFormat(inLanguage(text, language), language, undefined, { ignoreTag: true });
  formats.set(key, made);
  return made;
}

/** By the gaps that a text chooses by, what it chooses between. */
type Choices = ReadonlyMap<string, ReadonlySet<string>>;
const choices = new WeakMap<IntlMessageFormat, Choices>();

type Elements = ReturnType<IntlMessageFormat['getAst']>;
function* branchesOf(elements: Elements): Generator<readonly [gap: string, option: string]> {
  for (const e of elements)
    if ('options' in e)
      for (const [option, { value }] of Object.entries(e.options)) {
        yield [e.value, option];
        yield* branchesOf(value);
      }
}

function choicesOf(text: IntlMessageFormat): Choices {
  const known = choices.get(text);
  if (known) return known;
  const made = new Map<string, Set<string>>();
  for (const [gap, option] of branchesOf(text.getAst())) made.set(gap, (made.get(gap) ?? new Set()).add(option));
  choices.set(text, made);
  return made;
}

const isQuantity = (v: object): v is Quantity => 'is' in v;
const isMoney = (v: object): v is Money => 'money' in v;
const isMoment = (v: object): v is Moment => 'at' in v;
const isList = (v: object): v is List => 'list' in v;

/** A figure with all it has; in units it was not said in, as finely as anybody reads. */
function exact({ is, value }: Quantity, { system }: Reader): string {
  if (is === 'duration') return formatDuration(value);
  const unit = shownUnit(is, value, system);
  const asSaid = unit === shownUnit(is, value, 'metric');
  const told = fromCore(unitOf(is, unit), value);
  return `${inSixteenths(unit, told) ?? figure(told, asSaid ? 4 : 3)} ${unit}`.trim().replace(/^-/, '−');
}

/** A figure within an expression: all its digits as measured, in other units without the noise of converting. */
const bareFigure = ({ is, value, digits }: Quantity, { system }: Reader): string =>
  figure(fromCore(unitOf(is, FIELD_UNIT[is][system]), value), digits ?? (system === 'metric' ? 8 : 5));

/** Units for a quantity that stands beside a figure for each of the larger. */
const LARGE: Readonly<Partial<Record<Quantity['is'], Readonly<Record<UnitSystem, string>>>>> = {
  area: { metric: 'm²', us: 'ft²' },
  length: { metric: 'm', us: 'ft' },
};

/** A figure in whole steps of the unit it is read in. */
function stepped({ is, value }: Quantity, step: number, { system }: Reader): string {
  const unit = shownUnit(is, value, system);
  const steps = Math.round(fromCore(unitOf(is, unit), value) / step);
  return `${figure(steps * step, 4)} ${unit}`;
}

function quantity(q: Quantity, reader: Reader): string {
  if (q.bare) return bareFigure(q, reader);
  if (q.step) return stepped(q, q.step, reader);
  const large = q.large ? LARGE[q.is]?.[reader.system] : undefined;
  if (large) return `${figure(fromCore(unitOf(q.is, large), q.value), q.digits)} ${large}`;
  return q.exact ? exact(q, reader) : format(q.is, q.value, reader.system, q.digits).text;
}

/** An instant as a sentence names it: its day and clock, with the date where that is asked for. */
function moment({ at, dated }: Moment, { zone, hours, language }: Reader): string {
  const { weekday, day, month, clock } = siteTimeOf(zone, at, hours);
  const dayOf = inLanguage(weekday, language);
  return dated
    ? `${dayOf} ${day}${LANGUAGE_ROWS[language].afterDay} ${inLanguage(month, language)} ${clock}`
    : `${dayOf} ${clock}`;
}

const MONEY = texts('money', { unsaid: '{amount} (of what money is not said)' });

/** An amount of money as a language writes it; whole amounts without their hundredths. */
export function moneyText({ money, of }: Money, language: Language): string {
  const write = (style: Intl.NumberFormatOptions) =>
    new Intl.NumberFormat(LANGUAGE_ROWS[language].locale, { ...style, trailingZeroDisplay: 'stripIfInteger' }).format(
      money,
    );
  return of === null
    ? say(MONEY.unsaid({ amount: write({ minimumFractionDigits: 2, maximumFractionDigits: 2 }) }), {
        ...PLAIN_READER,
        language,
      })
    : write({ style: 'currency', currency: of });
}

/** A figure that a message has as a text. */
const FIGURE = /^[±+−-]?\d+\.\d+$/;

function written(value: Value, reader: Reader): string | number {
  const { decimal } = LANGUAGE_ROWS[reader.language];
  if (typeof value === 'number') return Number.isInteger(value) ? value : withMark(String(value), decimal);
  if (typeof value === 'string' && FIGURE.test(value)) return withMark(value, decimal);
  // A name of ours is told in the reader’s language; what somebody wrote is in no catalogue.
  if (typeof value === 'string') return inLanguage(value, reader.language);
  if (isQuantity(value)) return withMark(quantity(value, reader), decimal).replace(/^-/, '−');
  if (isMoney(value)) return moneyText(value, reader.language);
  if (isMoment(value)) return moment(value, reader);
  if (isList(value)) {
    const parts = value.list.map((v) => String(written(v, reader)));
    if (value.join === 'comma' || value.join === 'space') return parts.join(value.join === 'comma' ? ', ' : ' ');
    return new Intl.ListFormat(reader.language, { type: value.join === 'and' ? 'conjunction' : 'disjunction' }).format(
      parts,
    );
  }
  return say(value, reader);
}

/**
 * A message as its reader reads it.
 * @throws RangeError for an id nobody owns
 * @throws Error of the formatter for a gap that nothing fills
 */
export function say(said: Said, reader: Reader): string {
  // What an earlier version, or a person, wrote out stands as it is: nothing is looked for in a sentence.
  if (typeof said === 'string') return inLanguage(said, reader.language);
  const format = formatOf(said.id, reader.language);
  const chosen = choicesOf(format);
  // What a text chooses by is a mark of ours and no word, whatever language has a word like it.
  const told = (gap: string, v: Value) => {
    const among = chosen.get(gap);
    return among && (typeof v === 'number' || (typeof v === 'string' && among.has(v))) ? v : written(v, reader);
  };
  const values = Object.fromEntries(Object.entries(said.with ?? {}).map(([gap, v]) => [gap, told(gap, v)]));
  const text = String(format.format(values));
  // A gap that is empty here leaves its spaces behind.
  return text.replace(/ {2,}/g, ' ').trim();
}

/** A message as a program reads it that asks nothing else: metric, UTC, English. */
export const plainWords = (said: Said): string => say(said, PLAIN_READER);

/** Why something failed, for whoever has no words of his own for it: in the language this program speaks. */
export const errorInWords = (error: unknown): string =>
  say(whyOf(error), { ...PLAIN_READER, language: spokenLanguage() });

/** A line of working as its reader reads it. Kept plans of earlier versions have the unit of a number beside it. */
export function workedIn({ label, expression, value, unit, source }: WorkLine, reader: Reader) {
  const told =
    typeof value === 'number'
      ? withMark(figure(value, WORKED_DIGITS), LANGUAGE_ROWS[reader.language].decimal)
      : String(written(value, reader));
  return {
    label: say(label, reader),
    expression: say(expression, reader),
    value: unit ? `${told} ${unit}` : told,
    ...(source ? { source: say(source, reader) } : {}),
  };
}
