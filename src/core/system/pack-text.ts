import { isBackwards, type Parsed, parseQuantity, parseRatio, readNumber } from '../typed';
import type { UnitSystem } from '../units';
import { isMeteredByPack, type PartId, type SystemKindId, systemKind } from './kinds';
import { namedParts } from './named-parts';
import { inOneMeasure } from './one-measure';

/** What is read from the words on a pack. */
export interface PackRead {
  /** What is in it of each part, as text with its unit; parts the words say nothing of are left out. */
  readonly parts: Readonly<Partial<Record<PartId, string>>>;
  /** The ratio printed on it, with its basis; null where none is. */
  readonly ratio: string | null;
  /** All of it, with its unit, where the pack itself meters its parts and no ratio is known; null otherwise. */
  readonly whole: string | null;
}

/** No pack has more words on it that are typed, in characters. */
const LONGEST = 300;

/** An amount as it stands on a pack: `2 × 150 mL`, `1 1/2 US gal`, `1/2 pt`, `50-lb`, `10 oz av`. */
const AMOUNT =
  /(?:(?<!\d)(\d{1,3})\s*[x×]\s*)?(\d+\/\d+|\d[\d.,]*(?:[\s-]+\d+\/\d+)?|[½¼¾])[\s-]*((?:US|UK|imp\.?)\s*(?:fl\.?\s*oz|gal|qt|pt)|fl\.?\s*oz(?:\s*(?:US|UK))?|oz(?:\s*av)?|millilit(?:re|er)s?|lit(?:re|er)s?|grams?|kilos?|pounds?|kg|lbs?|ml|cc|cl|gallons?|gal|quarts?|qts?|pints?|pts?|g|l)(?![a-z])(?:\s*\((US|UK)\))?/gi;
const RATIO = /\d+(?:[.,]\d+)?(?:\s*:\s*\d+(?:[.,]\d+)?)+(?:\s*(?:by\s+)?(?:weight|mass|volume|vol|wt|w\/w|v\/v))?/i;

type Asked = Extract<Parsed, { ok: false }>;

interface Amount {
  readonly kind: 'mass' | 'volume';
  readonly core: number;
  readonly text: string;
}

/** Measures that differ by country; whoever works in US units has said which. */
const OF_A_COUNTRY = /^(?:gal|qt|pt|fl oz)$/i;

/** An amount as it is read elsewhere: `2 US gal`. */
function amountText(number: string, unit: string, country: string | undefined, system: UnitSystem): string {
  // A gallon of a pack has its country before it, behind it, or in brackets.
  const spelt = unit
    .replace(/\./g, '')
    .replace(/\s+/g, ' ')
    .replace(/^gal.*/i, 'gal')
    .replace(/^(?:qt|quart).*/i, 'qt')
    .replace(/^(?:pt|pint).*/i, 'pt');
  const theirs = country ?? (system === 'us' && OF_A_COUNTRY.test(spelt) ? 'US' : '');
  return /^cl$/i.test(spelt)
    ? `${Number(number.replace(',', '.')) * 10} mL`
    : `${number} ${theirs} ${spelt}`.replace(/ {2,}/g, ' ');
}

function amountOf(text: string, system: UnitSystem): Amount | null {
  for (const kind of ['mass', 'volume'] as const) {
    const read = parseQuantity(kind, text, system);
    if (read.ok && read.value > 0) return { kind, core: read.value, text };
  }
  return null;
}

const THOUSANDS = /(?<![\d.,])(\d{1,3})[ \u00a0\u202f](\d{3})(?=\s*(?:[+&]|(?:k?g|m?l)\b))/gi;
const UNIT_SAID_ONCE = /(?<![\d.,:])(\d[\d.,]*)\s*([+&])\s*(\d[\d.,]*)\s*(k?g|m?l|lbs?)\b/gi;
/** A pack in one measure, thousands without their gap, a unit that is said once at both: `1 000 + 1 000 g`. */
const asPrinted = (text: string): string =>
  inOneMeasure(text).replace(THOUSANDS, '$1$2').replace(UNIT_SAID_ONCE, '$1 $4 $2 $3 $4');

/** The amounts printed on a pack, as they stand there and as they are read. */
const amountsIn = (printed: string, system: UnitSystem) =>
  [...printed.matchAll(AMOUNT)].flatMap(
    ({ 0: all, 1: times, 2: number = '', 3: unit = '', 4: country, index: from }) =>
      'bad' in readNumber(number.split(/[\s/-]/)[0]!.replace(/[½¼¾]/, '1'))
        ? []
        : [
            {
              ...{ stands: all.trim(), times: Number(times ?? 1), from, to: from + all.length },
              amount: amountText(number, unit, country, system),
            },
          ],
  );

/** `Bottle 1: 250 mL` is the first of them, and no ratio. */
const NUMBERED = /\b(?:bottle|part|tin|can|pail|comp\w*|komp\w*)\.?\s*[1-4]\s*:/gi;

/**
 * What is in a pack of each part, told by their names and in whatever order; null where the words do not tell it so.
 * @example partsByName('hardener 60 g, colour 300 g', 'joint-colour', 'metric') // B 60 g, A 300 g
 */
export function partsByName(text: string, kind: SystemKindId, system: UnitSystem): PackRead['parts'] | null {
  if (text.length > LONGEST) return null;
  // The ratio beside them is read for itself; what stands in its place keeps every other where it is.
  const printed = asPrinted(text)
    .replace(NUMBERED, ' ')
    .replace(RATIO, (ratio) => ' '.repeat(ratio.length));
  const amounts = amountsIn(printed, system);
  // A share of something else is no amount: 1.2 kg/L.
  if (amounts.some(({ to, times }) => times > 1 || /^\s*[/·]/.test(printed.slice(to)))) return null;
  const told = amounts.flatMap(({ from, to, amount }) => {
    const read = amountOf(amount, system);
    return read ? [{ ...read, from, to }] : [];
  });
  if (told.length < amounts.length) return null;
  // Resin 2 kg, hardener 1 kg (3 kg): what all of it weighs has no name.
  const named = namedParts(printed, told, kind) ?? namedParts(printed, withoutTheirSum(told), kind);
  return named && Object.fromEntries(named);
}

/**
 * An amount on a pack that has several readings, an ounce of mass or of fluid, a gallon of two countries: the question,
 * and the words on the pack with each of the answers. Null where all are sure.
 * @example unsureOf('22 oz cartridge', 'us')?.choices[0] // { label: 'oz av', text: '22 oz av cartridge' }
 */
export function unsureOf(text: string, system: UnitSystem): Asked | null {
  for (const { stands, amount } of text.length > LONGEST ? [] : amountsIn(asPrinted(text), system)) {
    const reads = (['mass', 'volume'] as const).map((kind) => parseQuantity(kind, amount, system));
    const asks = reads.find((read): read is Asked => !read.ok && read.choices !== undefined);
    if (!asks || reads.some((read) => read.ok)) continue;
    const choices = reads.flatMap((read) => (read.ok ? [] : (read.choices ?? [])));
    // Of two parts in ounces both are in the same.
    const unit = /[a-z][a-z.\s]*$/i.exec(stands)?.[0] ?? stands;
    const [before, all] = [`(?<=\\d[\\s-]*)`, unit.replace(/[.]/g, '\\.')];
    const meant = (symbol: string) => text.replace(new RegExp(`${before}${all}(?![a-z])`, 'gi'), ` ${symbol}`);
    return { ...asks, choices: choices.map((c) => ({ ...c, text: meant(c.label).replace(/ {2,}/g, ' ') })) };
  }
  return null;
}

/** Rounded as packs are. */
const SUM_PCT = 1;

/** Amounts without the one that is the sum of the others: `5 kg (4 kg + 1 kg)`. */
function withoutTheirSum<A extends Amount>(amounts: readonly A[]): readonly A[] {
  const isSum = (of: A) => {
    const rest = amounts.filter((a) => a !== of);
    const sum = rest.reduce((n, a) => n + a.core, 0);
    return rest.length > 1 && rest.every((a) => a.kind === of.kind) && Math.abs(sum / of.core - 1) < SUM_PCT / 100;
  };
  return amounts.filter((a) => !isSum(a));
}

/** A ratio on a pack without its basis has that of the amounts on it. */
const withItsBasis = (ratio: string, { kind }: Pick<Amount, 'kind'>): string =>
  /[a-z]/i.test(ratio) ? ratio.trim() : `${ratio.trim()} by ${kind === 'mass' ? 'weight' : 'volume'}`;

const EACH = /\beach\b|\bje\b/i;
/** More digits than any pack is filled by. */
const rounded = (n: number): number => Number(n.toPrecision(6));
const inCore = ({ kind }: Pick<Amount, 'kind'>, core: number): string =>
  `${rounded(core)} ${kind === 'mass' ? 'g' : 'mL'}`;
/** A part of an amount, in the unit the amount is printed in. */
const partOf = (amount: Amount, share: number): string => {
  const [, number = '', unit = ''] = /^([\d.,]+)\s*([^\d\s/].*)$/.exec(amount.text) ?? [];
  const read = readNumber(number);
  return unit && 'value' in read ? `${rounded(read.value * share)} ${unit}` : inCore(amount, amount.core * share);
};

/**
 * Reads what is printed on a pack: `300 mL cartridge 10:1`, `420 g + 210 g`, `19 kg kit`, `2 × 150 mL`.
 * One amount for all is parted by the ratio on the pack, or by the sheet's where that is on the same basis; the parts
 * of a dosed kind and the first part of a powder stand alone. What is pressed or kneaded out of its pack need not be
 * parted at all: in which half how much of it is matters to nobody.
 * @param text the words on the pack
 * @param of kind of system, its ratio as typed, parts of C and D by weight for it, usual dose of B in per cent of A,
 * density of A, usual for its kind where it is not told
 * @returns null where the words hold no amount
 * @example readPack('300 mL cartridge 10:1', { kind: 'anchor-pack' }, 'metric') // A 272.727… mL, B 27.27… mL
 */
export function readPack(
  text: string,
  of: {
    readonly kind: SystemKindId;
    readonly ratio?: string;
    readonly cByWeight?: number | null;
    readonly dByWeight?: number | null;
    readonly dosePct?: number | null;
    readonly densityA?: number | null;
  },
  system: UnitSystem,
): PackRead | null {
  if (text.length > LONGEST) return null;
  const spec = systemKind(of.kind);
  const told: Amount[] = [];
  const printed = asPrinted(text);
  for (const { times, amount } of amountsIn(printed, system)) {
    const read = amountOf(amount, system);
    // More of a size than there are parts is a carton of packs.
    const each = times > spec.parts.length ? 1 : times;
    if (read) for (let i = 0; i < each; i++) told.push(read);
  }
  if (unsureOf(text, system)) return null;
  // A part may weigh as much as the others together; all of it is told first, or beside every part.
  const rest = withoutTheirSum(told);
  const apart = told.length > spec.parts.length || rest[0] !== told[0] ? rest : told;
  // More amounts than parts: the first is the size of the kit, in another measure than its parts.
  const amounts = apart.slice(apart.length > spec.parts.length ? 1 : 0);
  if (amounts.length === 2 && isBackwards(printed)) amounts.reverse();
  const onIt = RATIO.exec(printed.replaceAll(AMOUNT, ' '))?.[0] ?? null;
  if (!amounts.length) return null;
  const first = amounts[0]!;
  const basis = first.kind === 'mass' ? 'weight' : 'volume';
  const ratio = onIt && withItsBasis(onIt, first);
  const named = partsByName(text, of.kind, system);
  if (named?.A && named.B) return { ratio, parts: named, whole: null };
  if (amounts.length > 1)
    return {
      ratio,
      parts: Object.fromEntries(spec.parts.slice(0, amounts.length).map((p, i) => [p.id, amounts[i]!.text])),
      whole: null,
    };
  // Twin tins of 500 g each.
  if (spec.dosed === null && spec.parts.length === 2 && EACH.test(printed))
    return { ratio, parts: Object.fromEntries(spec.parts.map((p) => [p.id, first.text])), whole: null };
  const typed = ratio ?? of.ratio ?? '';
  if (isMeteredByPack(of.kind) && !typed.trim()) return { ratio: null, parts: {}, whole: first.text };
  const known = parseRatio(typed);
  const fillers: readonly number[] = spec.parts
    .filter((p) => p.id !== 'A' && p.id !== 'B')
    .map((p) => (p.id === 'C' ? of.cByWeight : of.dByWeight) ?? Number.NaN);
  const shares: readonly number[] =
    spec.dosed !== null
      ? []
      : known.ok && known.basis === basis
        ? known.parts.length === spec.parts.length
          ? known.parts
          : [...known.parts.slice(0, 2), ...fillers]
        : [];
  if (shares.length === spec.parts.length && shares.every((s) => s > 0)) {
    const sum = shares.reduce((a, b) => a + b, 0);
    return {
      ratio,
      parts: Object.fromEntries(spec.parts.map((p, i) => [p.id, partOf(first, shares[i]! / sum)])),
      whole: null,
    };
  }
  // Of what is dosed the tin or bag is part A; what belongs to it follows from its usual dose.
  if (spec.dosed !== null) {
    const massG = first.kind === 'mass' ? first.core : first.core * (of.densityA ?? spec.parts[0]!.densityGPerMl);
    const b = of.dosePct ? inCore({ kind: 'mass' }, (massG * of.dosePct) / 100) : null;
    return { ratio: null, parts: { A: first.text, ...(b ? { B: b } : {}) }, whole: null };
  }
  return { ratio, parts: {}, whole: null };
}

/** All that a pack holds of its first two parts, where both are told in one measure. */
export function bothOf(pack: string, kind: SystemKindId, system: UnitSystem): string | null {
  const { A, B } = readPack(pack, { kind }, system)?.parts ?? {};
  if (!A || !B) return null;
  for (const [of, unit] of [['mass', 'g'] as const, ['volume', 'mL'] as const]) {
    const [a, b] = [parseQuantity(of, A, system), parseQuantity(of, B, system)];
    if (a.ok && b.ok) return `${Number((a.value + b.value).toPrecision(6))} ${unit}`;
  }
  return null;
}
