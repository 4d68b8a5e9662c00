import { parseQuantity, parseRatio } from '../typed';
import type { UnitSystem } from '../units';
import { systemKind } from './kinds';
import { bothOf, readPack } from './pack-text';
import {
  AN_AMOUNT,
  type Ends,
  endsIn,
  NUMBER,
  PART,
  readable,
  SHARES,
  type SheetLine,
  type Told,
} from './pasted-readers';

const WEIGHT = /\bby (?:weight|mass)\b|\bweight\b|\bmass\b|\bwt\b|w\/w|\bpbw\b|gewichts?|\bgew\b|massenteil/i;
const VOLUME = /\bby vol(?:ume)?\b|\bvol\w*\b|v\/v|\bpbv\b/i;
const basisIn = (words: string): 'weight' | 'volume' | null =>
  WEIGHT.test(words) ? 'weight' : VOLUME.test(words) ? 'volume' : null;
const RATIO = /(\d+(?:[.,]\d+)?)\s*(?:parts?\b[^\d:]*?)?\s*(?::|\bto\b)\s*(\d+(?:[.,]\d+)?)(?![\d.,]*\s*:)([^\d]*)/gi;

/** A hundred to so much by weight, of what is dosed: so many per cent of part A. */
function asDose(line: string): Told {
  const [, a, b] = /(?<![\d:.,])(\d{1,3})\s*:\s*(\d+(?:[.,]\d+)?)(?!\s*:)/.exec(WEIGHT.test(line) ? line : '') ?? [];
  const share = (100 * Number(b?.replace(',', '.'))) / Number(a);
  if (!(share > 0 && share <= MOST_DOSE_PCT)) return [];
  return [
    ['doseUsual', `${Number(share.toPrecision(4))} %`],
    ['doseOf', 'A'],
  ];
}
const MOST_DOSE_PCT = 60;

/** A to B of a kind that has a ratio: on one basis, or on both. */
export function ratios({ kind, line, heading, pack, system }: SheetLine): Told {
  if (systemKind(kind).dosed !== null) return asDose(line);
  const equal = /\bequal parts\b|zu gleichen teilen/i.test(line);
  const text = equal ? `1:1 ${line}` : line;
  const found = [...text.matchAll(RATIO)];
  // By volume 2:1, by weight 100:45: whoever names no basis behind the last figures names each before its own.
  const ahead = (i: number) => {
    const one = found[i - 1];
    return basisIn(text.slice(one ? one.index + one[0].length - one[3]!.length : 0, found[i]!.index));
  };
  const last = found.at(-1);
  const isAhead = last !== undefined && ahead(0) !== null && basisIn(last[3]!) === null;
  const told = found.flatMap(([, a, b, behind], i) => {
    const basis = (isAhead ? ahead(i) : null) ?? basisIn(behind!) ?? basisIn(heading);
    const read = parseRatio(`${a}:${b}${basis ? ` by ${basis}` : ''}`);
    return read.ok || read.choices ? [{ basis, text: `${a}:${b}${basis ? ` by ${basis}` : ''}` }] : [];
  });
  const [first, second] = told;
  if (!first) return [];
  const other = second && first.basis && second.basis && second.basis !== first.basis ? second : null;
  // What is pressed out of its pack is metered as the pack is filled.
  const onPack = !first.basis && pack && systemKind(kind).mixing === 'mixer';
  const metered = onPack ? readPack(`${pack} ${first.text}`, { kind }, system)?.ratio : null;
  return [['ratio', metered ?? first.text], ...(other ? [['also', other.text] as const] : [])];
}

const WATER = `(m?l|L|lit(?:re|er)s?|k?g|lbs?|US\\s?(?:qt|pt|gal|fl oz))\\b\\.?`;
const WATER_PER = new RegExp(
  `(${PART})(?:\\s*(?:to|-)\\s*(${PART}))?\\s*${WATER}\\s*(?:of\\s+)?(?:\\p{L}+\\s+){0,3}(?:(?:per|for|to|a|je|pro|auf|/|:)\\s*(.*?${AN_AMOUNT}|(?:bag|sack|unit|pail|pack)\\b)(.*))$`,
  'iu',
);
/** `0.13 - 0.14 l/kg`. */
const WATER_OF_A_KG = new RegExp(`(${PART})(?:\\s*(?:to|-)\\s*(${PART}))?\\s*(m?l)\\s*(?:/|per)\\s*kg\\b`, 'i');
/** `For 100 g of filler use 2 g of hardener`. */
const FOR_SO_MUCH = new RegExp(
  `\\b(?:for|to|per|auf|zu)\\s+(${AN_AMOUNT})[^\\d]{0,40}(${AN_AMOUNT})\\s*(?:of\\s+)?(?:hardener|catalyst|peroxide|water|härter|wasser)`,
  'i',
);
/** `Mix with 3.4 to 3.8 litres of clean water`, of the one bag that there is. */
const TO_THE_BAG = new RegExp(
  `(${PART})(?:\\s*(?:to|-)\\s*(${PART}))?\\s*${WATER}\\s*(?:of\\s+)?(?:(?:clean|cold|tap|potable|mixing)\\s+)*(?:water|wasser)\\b(?!\\s*(?:per|for|to|a)\\b)`,
  'iu',
);
const MOST_WATER = new RegExp(
  `\\b(?:max\\w*|up to|not? more than|never more than)\\.?[^\\d]*(${PART})\\s*${WATER}`,
  'i',
);

/** Per cent of what: of all that is mixed, or of what the dose goes into. */
const OF_TOTAL = /%\s*(?:by (?:weight|volume)\s*)?(?:of|on|der) (?:the |all )?(?:total|whole|mix\w*|gesamt\w*)/i;
const OF_PART_A =
  /%\s*(?:by (?:weight|volume)\s*)?(?:of|on|to|auf|vom?|der) (?:the )?(?:part A|comp\w* A|A\b|resin|base|filler|paste|putty|powder|dry|harz|spachtel|pulver)/i;

const SHARE_RANGE = new RegExp(`${NUMBER}\\s*%?\\s*(?:to|-)\\s*${NUMBER}\\s*%`);
/** A range of shares with what is usual in it: `2 %, range 1.5 to 2.5 %`. */
function withUsual(line: string): Ends {
  const ends = endsIn(line, SHARES);
  const { only } = ends.min && ends.max ? endsIn(line.replace(SHARE_RANGE, ' '), SHARES) : ends;
  return only === undefined ? ends : { ...ends, only };
}

/** Whether one amount is more than another, a litre of water being a kilogram. */
function outweighs(one: string, other: string, system: UnitSystem): boolean {
  const [a, b] = [one, other].map((text) => {
    const reads = (['mass', 'volume'] as const).map((kind) => parseQuantity(kind, text, system));
    return reads.flatMap((read) => (read.ok ? [read.value] : []))[0] ?? Number.NaN;
  });
  return a! > b!;
}

/** What is dosed within a range, as a share or as so much to so much. */
export function doses({ kind, line, system, pack }: SheetLine): Told {
  if (systemKind(kind).dosed === null) return [];
  const ofBag = systemKind(kind).dosed === 'water' && pack ? TO_THE_BAG.exec(line) : null;
  const ofKg = WATER_OF_A_KG.exec(line);
  const per = ofKg ?? WATER_PER.exec(line) ?? ofBag;
  if (per) {
    const [, from, to, unit, bag = '', rest = ''] = per;
    const [told, known] = [bag, pack ?? ''].map((words) => new RegExp(AN_AMOUNT, 'i').exec(words)?.[0]);
    const amount = ofKg ? '1 kg' : (told ?? known);
    if (!amount) return [];
    // To each 20 kg bag: that is the pack, where no other is told.
    const held = pack === null ? /^\s*(bag|sack|pail|tub|tin|bucket)\b/i.exec(rest)?.[1] : undefined;
    const itself = held ? [['pack', `${amount} ${held}`] as const] : [];
    const bagText = amount.replace('-', ' ');
    const text = (n: string, of = unit) => {
      const own = `${n} ${of}`;
      // 25 kg to 4 litres of water: what is let in is the less of the two.
      return outweighs(own, bagText, system) ? `${bagText} to ${own}` : `${own} to ${bagText}`;
    };
    const most = MOST_WATER.exec(rest);
    const max = most ? text(most[1]!, most[2]) : to ? text(to) : null;
    const usual = to ? (['doseMin', text(from!)] as const) : (['doseUsual', text(from!)] as const);
    return [...itself, usual, ...(max ? [['doseMax', max] as const] : [])];
  }
  const [, of, own] = FOR_SO_MUCH.exec(line) ?? [];
  if (own && of) return [['doseUsual', `${own} to ${of}`]];
  const ends = withUsual(line);
  const whole = OF_TOTAL.test(line) ? 'total' : OF_PART_A.test(line) ? 'A' : null;
  const fields = { doseMin: ends.min, doseUsual: ends.only, doseMax: ends.max } as const;
  const told = (['doseUsual', 'doseMin', 'doseMax'] as const).flatMap((field) => {
    const text = readable('percent', fields[field], system);
    return text ? [[field, text] as const] : [];
  });
  return told.length && whole ? [...told, ['doseOf', whole]] : told;
}

/** `2 parts sand to 1 part mixed liquid by volume`. */
const PARTS_BY_VOLUME =
  /^(?=.*\bvol).*?(\d+(?:[.,]\d+)?)\s*parts?\s*(?:of )?(?:[\p{L}-]+\s+){0,4}?(?:by vol\w*\s+)?(?:to|:)\s*(\d+(?:[.,]\d+)?)\s*parts?\b/iu;
const TIMES_BY_VOLUME =
  /(\d+(?:[.,]\d+)?)\s*(?:times|x|×|parts?|-fold)?\s*(?:the\s+)?(?:mixed\s+)?(?:liquid|resin|mix)?\s*\(?by (?:bulk )?vol/i;
const SO_MUCH_TO = new RegExp(
  `(${AN_AMOUNT})\\s*(?:(?:of )?\\p{L}+ )?(?:per|to|for|into|je|auf)\\s*(${AN_AMOUNT})`,
  'iu',
);

/** Sand or a filler to so much of the mixed liquid. */
export function fillers({ kind, line }: SheetLine): Told {
  if (!systemKind(kind).parts.some((p) => p.id === 'C' && p.filler)) return [];
  // The most that it bears is not what is usual, and a range has no one figure.
  if (/\b(?:up to|max\w*|most|bis zu)\b|\d\s*(?:-|to)\s*\d+(?:[.,]\d+)?\s*(?:parts?|times)/i.test(line)) return [];
  const [, sand, liquid] = PARTS_BY_VOLUME.exec(line) ?? [];
  if (sand && liquid) {
    const share = Number(sand.replace(',', '.')) / Number(liquid.replace(',', '.'));
    return Number.isFinite(share) ? [['cByWeight', `${Number(share.toPrecision(4))} times by volume`]] : [];
  }
  const times = TIMES_BY_VOLUME.exec(line)?.[1];
  if (times) return [['cByWeight', `${times} times by volume`]];
  const [, own, of] = SO_MUCH_TO.exec(line) ?? [];
  return own && of ? [['cByWeight', `${own} to ${of}`]] : [];
}

/** `Add 40 g of water per set`, and nothing more of it. */
const TO_A_PACK = new RegExp(
  `^(?:add|plus|with|water:?)?\\s*(${AN_AMOUNT})\\s*(?:of )?(?:(?:tap|cold) )?(?:water)?\\s*(?:(?:per|to|for|into) (?:a|one|each|the)?\\s*(?:set|kit|pack|unit|bottle))?\\.?$`,
  'i',
);
/** Water let into two other parts: as a share of them, or so much to so much; a range has no one figure. */
export function waters({ kind, line, pack, system }: SheetLine): Told {
  if (!systemKind(kind).parts.some((p) => p.id === 'C' && p.role === 'water')) return [];
  const [, own, of] = SO_MUCH_TO.exec(line) ?? [];
  if (own && of) return [['cByWeight', `${own} to ${of}`]];
  const toPack = TO_A_PACK.exec(line)?.[1];
  const both = toPack && pack && bothOf(pack, kind, system);
  if (toPack && both) return [['cByWeight', `${toPack} to ${both}`]];
  const share = /\d+(?:[.,]\d+)?(?=\s*%)/.exec(endsIn(line, SHARES).only ?? '')?.[0];
  // A jug measures it, unless the sheet says that it is weighed.
  const unit = basisIn(line) === 'weight' ? 'g' : 'mL';
  return share ? [['cByWeight', `${share} ${unit} to 100 ${unit}`]] : [];
}
