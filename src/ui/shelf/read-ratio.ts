import {
  isMeteredByPack,
  mixedDensity,
  PART_IDS,
  type Part,
  partsByWeight,
  partsOfMix,
  perHundredOfA,
  readPack,
  type SheetRevision,
  systemKind,
} from '@/core/system';
import { parseRatio, readNumber } from '@/core/typed';
import { figure, joined, phrase, readQuantity } from '@/words';
import type { KitDraft, SheetDraft } from './draft';
import type { Reader } from './sheet-reader';

/** “1.8 times by volume”: how sand is told beside a resin, its bulk against the mixed liquid. */
const BY_VOLUME = /^([\d.,]+)\D*\bvol/i;
/** “12 g per 100 mL”, “3.25 L to a bag of 25 kg”: so much of one to so much of the other, words behind it left out. */
const PER = /^(.+?)\s*(?:\/|\b(?:per|for|to|into|je|pro|auf|in)\b)\s*(?:(?:an?|the|one|each|every)\b\s*)?(.*)$/i;
/** The figure with its unit in what stands behind: “bag of 25 kg”, “kg of powder”. */
function amountIn(text: string | undefined): string | undefined {
  const figure = /[\d.,½¼¾]+\s*[^\d\s]+/.exec(text ?? '')?.[0];
  const unit = /^[^\d\s]+/.exec(text ?? '')?.[0];
  return figure ?? (unit && `1 ${unit}`);
}

type Basis = Pick<SheetRevision['ratio'], 'basis' | 'a' | 'b'>;
const densityOf = (parts: readonly Part[], id: Part['id']): number =>
  parts.find((p) => p.id === id)?.densityGPerMl ?? Number.NaN;
/** A and B by weight, on the scale of the ratio, and the room they take up. */
export function liquidOf(ratio: Basis, parts: readonly Part[]) {
  const [a, b] = [densityOf(parts, 'A'), densityOf(parts, 'B')];
  const isByVolume = ratio.basis === 'volume';
  const [massA, massB] = isByVolume ? [ratio.a * a, ratio.b * b] : [ratio.a, ratio.b];
  return { massA, massG: massA + massB, ml: isByVolume ? ratio.a + ratio.b : ratio.a / a + ratio.b / b };
}

/** What the first pack holds of a part, g or mL; null where nothing is typed, or nothing that can be read so. */
function inPack(read: Reader, d: SheetDraft, id: Part['id'], kind: 'mass' | 'volume'): number | null {
  const text = d.kits[0]?.massG[id] ?? '';
  const held = text.trim() ? readQuantity(kind, text, read.system) : null;
  return held?.ok && held.value > 0 ? held.value : null;
}
const packG = (read: Reader, d: SheetDraft, id: Part['id']) => inPack(read, d, id, 'mass');

/** The same, g, of what is told by its litres through its density. */
function heldG(read: Reader, d: SheetDraft, id: Part['id'], parts: readonly Part[]): number | null {
  const ml = inPack(read, d, id, 'volume');
  return packG(read, d, id) ?? (ml === null ? null : ml * densityOf(parts, id));
}

/**
 * What a pack holds altogether, each half of it, mL or g, where the pack meters its parts and only its whole is told;
 * null where its parts are typed, or a ratio.
 */
export function halfOf(read: Reader, d: SheetDraft, kit: KitDraft): { kind: 'mass' | 'volume'; each: number } | null {
  if (!isMeteredByPack(d.kind) || d.ratio.trim() || kit.massG.A.trim() || kit.massG.B.trim()) return null;
  const whole = readPack(kit.label, { kind: d.kind }, read.system)?.whole;
  for (const kind of ['volume', 'mass'] as const) {
    const all = whole ? readQuantity(kind, whole, read.system) : null;
    if (all?.ok) return { kind, each: all.value / 2 };
  }
  return null;
}

/** A to B by what is in the first pack, by mass or by volume as it is typed there. */
function asPacked(read: Reader, d: SheetDraft): Basis | null {
  for (const [basis, kind] of [
    ['weight', 'mass'],
    ['volume', 'volume'],
  ] as const) {
    const [a, b] = [inPack(read, d, 'A', kind), inPack(read, d, 'B', kind)];
    if (a !== null && b !== null) return { basis, a: 100, b: Number(((100 * b) / a).toPrecision(6)) };
  }
  return null;
}

/** An amount of a part, g; water is told by its litres as well. null where it is no amount. */
function gramsOf(read: Reader, text: string, part: Part): number | null {
  const weighed = readQuantity('mass', text, read.system);
  if (weighed.ok) return weighed.value > 0 ? weighed.value : null;
  const poured = part.role === 'water' ? readQuantity('volume', text, read.system) : weighed;
  return poured.ok && poured.value > 0 ? poured.value * part.densityGPerMl : null;
}

/**
 * Parts by weight of a filler on the scale of A and B by weight: typed so, by its bulk volume, by grams to so much of
 * the mixed liquid; or as the first pack holds it, where nothing is typed.
 */
function fillerOf(read: Reader, d: SheetDraft, id: 'C' | 'D', ratio: Basis, parts: readonly Part[]): number | null {
  const part = parts.find((p) => p.id === id);
  if (!part) return null;
  const field = id === 'C' ? 'cByWeight' : 'dByWeight';
  const text = d[field].trim();
  const liquid = liquidOf(ratio, parts);
  const [a, own] = [heldG(read, d, 'A', parts), gramsOf(read, d.kits[0]?.massG[id] ?? '', part)];
  if (!text && a !== null && own !== null) return Number(((own / a) * liquid.massA).toPrecision(6));
  const keep = () => {
    read.printed[field] = text.slice(0, 60);
  };
  const byVolume = part.filler === 'grains' ? BY_VOLUME.exec(text) : null;
  const times = byVolume && readNumber(byVolume[1]!);
  if (times && 'value' in times && times.value > 0) {
    keep();
    // Measured by the cup at the place as well: what is usual for sand is near enough to weigh it by.
    const usual = systemKind(d.kind).parts.find((p) => p.id === id)?.bulkGPerMl;
    const bulk = part.bulkGPerMl ?? usual;
    if (bulk) {
      if (!part.bulkGPerMl) read.takeAsUsual(id === 'C' ? 'bulkC' : 'bulkD');
      return times.value * liquid.ml * bulk;
    }
    read.say(field, 'By volume it is weighed through its tamped bulk density: type that, too.');
    return Number.NaN;
  }
  const per = PER.exec(text);
  const amount = amountIn(per?.[2]);
  if (per && amount) {
    const grams = gramsOf(read, per[1]!, part);
    const [inMl, inG] = (['volume', 'mass'] as const).map((kind) => readQuantity(kind, amount, read.system));
    if (grams !== null && inMl!.ok && inMl!.value > 0) {
      keep();
      return (grams * liquid.ml) / inMl!.value;
    }
    if (grams !== null && inG!.ok && inG!.value > 0) {
      keep();
      return (grams * liquid.massG) / inG!.value;
    }
  }
  return read.above(field, 'count', d[field]);
}

/** A to B with its fillers, by weight. */
export function ratioOf(read: Reader, d: SheetDraft, parts: readonly Part[]): SheetRevision['ratio'] {
  const ratio = mainRatioOf(read, d, parts);
  return {
    ...ratio,
    cByWeight: fillerOf(read, d, 'C', ratio, parts),
    dByWeight: fillerOf(read, d, 'D', ratio, parts),
  };
}

function mainRatioOf(read: Reader, d: SheetDraft, parts: readonly Part[]): SheetRevision['ratio'] {
  const tolerancePct = read.quantity('tolerance', 'percent', d.tolerance, true);
  if (tolerancePct !== null && (tolerancePct <= 0 || tolerancePct > 50))
    read.say('tolerance', 'More than 0, at most 50 %; leave it empty where the sheet is silent.');
  const common = { cByWeight: null, dByWeight: null, tolerancePct };
  const dose = doseOf(read, d, parts);
  if (dose) return { ...common, basis: 'weight', a: 100, b: perHundredOfA(dose.usualPct || 2, dose.of), also: null };
  const halves = d.kits.map((kit) => halfOf(read, d, kit));
  if (halves.every((half) => half !== null)) {
    read.takeAsUsual('ratio');
    return { ...common, basis: halves[0]!.kind === 'mass' ? 'weight' : 'volume', a: 1, b: 1, also: null };
  }
  // A kit that is made up as it is mixed says its ratio by what is in it.
  const packed = d.ratio.trim() ? null : asPacked(read, d);
  const ratio = packed ? null : parseRatio(d.ratio);
  if (ratio && !ratio.ok) read.faults.ratio = ratio;
  else if (ratio?.ok && ratio.parts.length !== 2)
    read.say('ratio', 'Type A to B here; further parts have their own fields, by weight.');
  const basis = packed?.basis ?? (ratio?.ok ? ratio.basis : null);
  let also: SheetRevision['ratio']['also'] = null;
  if (d.also.trim()) {
    const other = parseRatio(d.also);
    if (!other.ok) read.faults.also = other;
    else if (other.basis === basis)
      read.say('also', phrase`Both ratios are by ${other.basis}: this one is for the other basis.`);
    else if (other.parts.length !== 2) read.say('also', 'Type A to B.');
    else also = { a: other.parts[0]!, b: other.parts[1]! };
  }
  if (packed) return { ...common, ...packed, also };
  return ratio?.ok
    ? { ...common, basis: ratio.basis, a: ratio.parts[0]!, b: ratio.parts[1] ?? 1, also }
    : { ...common, basis: 'weight', a: 1, b: 1, also };
}

const DOSES = ['doseMin', 'doseUsual', 'doseMax'] as const;
type DoseField = (typeof DOSES)[number];

/**
 * Water that stands in a pack beside its powder is what belongs to it, of part A, %; null where none stands there, or
 * something is said of the dose. A tube of hardener is not: as often as not it is meant for more than one tin.
 */
function waterInPack(read: Reader, d: SheetDraft, parts: readonly Part[]): number | null {
  if (DOSES.some((field) => d[field].trim()) || !parts.some((p) => p.id === 'B' && p.role === 'water')) return null;
  const [powderG, waterG, waterMl] = [packG(read, d, 'A'), packG(read, d, 'B'), inPack(read, d, 'B', 'volume')];
  const massB = waterG ?? (waterMl === null ? null : waterMl * densityOf(parts, 'B'));
  return powderG === null || massB === null ? null : (100 * massB) / powderG;
}

/**
 * A dose that is told as so much to so much: water to a bag, a tube to a tin. Of part A, %; null where it is told
 * otherwise. Without its other half it is to what is in the first pack.
 */
function dosePer(read: Reader, d: SheetDraft, field: DoseField, parts: readonly Part[]): number | null {
  const text = d[field].trim();
  if (!text && field === 'doseUsual') return waterInPack(read, d, parts);
  const per = PER.exec(text);
  const own = per ? per[1]! : text;
  const [ml, grams] = (['volume', 'mass'] as const).map((kind) =>
    /[^\d.,\s]/.test(own) && !/%/.test(own) ? readQuantity(kind, own, read.system) : null,
  );
  const massB = grams?.ok ? grams.value : ml?.ok ? ml.value * densityOf(parts, 'B') : null;
  if (massB === null || !(massB > 0)) return null;
  const amount = amountIn(per?.[2]);
  const told = amount ? readQuantity('mass', amount, read.system) : null;
  const massA = told ? (told.ok && told.value > 0 ? told.value : null) : packG(read, d, 'A');
  return massA === null ? null : Number(((100 * massB) / massA).toPrecision(6));
}

/** Whether a dose is told as a range alone, as most sheets print it: its middle is usual then. */
const isRangeAlone = (d: SheetDraft): boolean =>
  !d.doseUsual.trim() && d.doseMin.trim() !== '' && d.doseMax.trim() !== '';

/** One end or the usual of a dose, %; null where it cannot be read yet. */
function dosePct(read: Reader, d: SheetDraft, field: DoseField, parts: readonly Part[]): number | null {
  const per = dosePer(read, d, field, parts);
  if (per !== null) return d.doseOf === 'total' ? (100 * per) / (100 + per) : per;
  const typed = readQuantity('percent', d[field], read.system);
  return typed.ok && typed.value > 0 ? typed.value : null;
}

/** The usual dose, %; null where it cannot be read yet. */
export function usualDosePct(read: Reader, d: SheetDraft, parts: readonly Part[]): number | null {
  if (!isRangeAlone(d)) return dosePct(read, d, 'doseUsual', parts);
  const [min, max] = (['doseMin', 'doseMax'] as const).map((field) => dosePct(read, d, field, parts));
  return min && max ? (min + max) / 2 : null;
}

/** The range of a dose; one that is not printed at an end ends at what is usual. Null for a kind that is not dosed. */
export function doseOf(read: Reader, d: SheetDraft, parts: readonly Part[]): SheetRevision['dose'] {
  if (!systemKind(d.kind).dosed) return null;
  const pers = DOSES.map((field) => dosePer(read, d, field, parts));
  // So much to so much of part A says its whole.
  const of = d.doseOf || (pers.some((p) => p !== null) ? 'A' : '');
  const pct = (field: DoseField): number => {
    const per = pers[DOSES.indexOf(field)]!;
    if (per === null) return read.above(field, 'percent', d[field]);
    if (d[field].trim()) read.printed[field] = d[field].trim().slice(0, 60);
    return of === 'total' ? (100 * per) / (100 + per) : per;
  };
  const ends = isRangeAlone(d) ? { min: pct('doseMin'), max: pct('doseMax') } : null;
  if (ends) read.takeAsUsual('doseUsual');
  const usualPct = ends ? (ends.min + ends.max) / 2 : pct('doseUsual');
  const [minPct, maxPct] = (['doseMin', 'doseMax'] as const).map((field) => (d[field].trim() ? pct(field) : usualPct));
  if (!of) read.say('doseOf', 'A % without its whole has no meaning: is it of part A or of the total?');
  if (minPct! > maxPct!) read.say('doseMax', 'The range has its ends swapped.');
  else if (usualPct < minPct! || usualPct > maxPct!)
    read.say('doseUsual', phrase`The usual dose lies outside ${figure(minPct!)} to ${figure(maxPct!)} %.`);
  for (const [field, v] of [
    ['doseMin', minPct!],
    ['doseMax', maxPct!],
    ['doseUsual', usualPct],
  ] as const)
    if (v > 60) read.say(field, 'At most 60 %.');
  return { minPct: minPct!, maxPct: maxPct!, usualPct, of: of || 'A' };
}

/** Packs whose contents are further than that from any usual densities are not sold to be mixed whole. */
const MOST_UNLIKE = 1.35;
/** Two ratios that a paper prints side by side tell it themselves: steel in the one part and none in the other. */
const MOST_UNLIKE_TOLD = 2.5;

/**
 * What A weighs to B, each to its own volume, where the sheet tells it without a density: by its ratio on both bases,
 * or by packs that are weighed of what is mixed by volume, or the other way round.
 */
function densityRatioOf(read: Reader, d: SheetDraft, { ratio }: Pick<SheetRevision, 'ratio'>): number | null {
  const { basis, a, b, also } = ratio;
  const kind = basis === 'volume' ? 'mass' : 'volume';
  const [packA, packB] = [inPack(read, d, 'A', kind), inPack(read, d, 'B', kind)];
  const other = also ? also.a / also.b : packA !== null && packB !== null ? packA / packB : null;
  if (other === null) return null;
  const own = a / b;
  return basis === 'volume' ? other / own : own / other;
}

/**
 * Usual densities that agree with what the packs or the second ratio tell of them: a kit is filled to be mixed whole,
 * and a figure of ours shall not say that it is not.
 */
export function partsAsPacked(read: Reader, d: SheetDraft, parts: readonly Part[]): Part[] {
  if (systemKind(d.kind).dosed) return [...parts];
  const ratio = ratioOf(read, d, parts);
  const told = densityRatioOf(read, d, { ratio });
  const most = ratio.also ? MOST_UNLIKE_TOLD : MOST_UNLIKE;
  const usual = densityOf(parts, 'A') / densityOf(parts, 'B');
  const off = told === null ? Number.NaN : told / usual;
  if (!(off > 1 / most && off < most)) return [...parts];
  const isFree = ({ id, role }: Part) => (id === 'A' || id === 'B') && role !== 'water' && !d.parts[id].density.trim();
  const each = off ** (1 / Math.max(1, parts.filter(isFree).length));
  return parts.map((p) =>
    isFree(p) ? { ...p, densityGPerMl: p.id === 'A' ? p.densityGPerMl * each : p.densityGPerMl / each } : p,
  );
}

/**
 * Parts of which the first pack makes as much as is printed that it makes: the paper’s own word goes before a density
 * of ours. Null where its paper tells neither, or none of ours would be near.
 */
export function partsAsYielding(read: Reader, d: SheetDraft, parts: readonly Part[]): readonly Part[] | null {
  const text = d.kits[0]?.yieldMl.trim() ?? '';
  const yields = text ? readQuantity('volume', text, read.system) : null;
  const packA = packG(read, d, 'A');
  const free = freeParts(d, parts);
  if (!yields?.ok || !(yields.value > 0) || packA === null || !free.length || isMeteredByPack(d.kind)) return null;
  const sheet = { name: d.name, parts: [...parts], ratio: ratioOf(read, d, parts) };
  // By volume it takes the densities to say what is in the pack.
  if (sheet.ratio.basis !== 'weight') return null;
  const masses = partsByWeight(sheet);
  const massG = (packA * PART_IDS.reduce((sum, id) => sum + masses[id], 0)) / masses.A;
  if (!(massG > 0 && Number.isFinite(massG))) return null;
  const made = partsOfMix(sheet, free, massG / yields.value);
  const off = made ? densityOf(made, free[0]!) / densityOf(parts, free[0]!) : Number.NaN;
  return off > 1 / MOST_UNLIKE && off < MOST_UNLIKE ? made : null;
}

/** Parts whose density is not printed. Water is water: what is told of the mix is of what is mixed with it. */
const freeParts = (d: SheetDraft, parts: readonly Part[]) =>
  PART_IDS.filter((id) => parts.some((p) => p.id === id && p.role !== 'water' && !d.parts[id].density.trim()));

/** Parts of which the mix, together, has the density that is printed of it. */
export function partsAsMixed(read: Reader, d: SheetDraft, parts: readonly Part[], mixedGPerMl: number): Part[] {
  const sheet = { name: d.name, parts: [...parts], ratio: ratioOf(read, d, parts) };
  const free = freeParts(d, parts);
  const told = [mixedGPerMl, sheet.ratio.a, sheet.ratio.b, ...parts.map((p) => p.densityGPerMl)];
  if (!told.every((x) => x > 0 && Number.isFinite(x))) return [...parts];
  if (!free.length) {
    const made = mixedDensity(sheet);
    if (Math.abs(made / mixedGPerMl - 1) > MOST_APART)
      read.say(
        'mixed',
        phrase`By their densities the parts make ${figure(made, 3)} g/mL: one of them is mistyped, or this.`,
      );
    return [...parts];
  }
  const made = partsOfMix(sheet, free, mixedGPerMl);
  if (made) return [...made];
  read.say(
    'mixed',
    phrase`With what is typed of the others no density of ${joined(free, ', ')} makes that. Is the ratio by ${sheet.ratio.basis}?`,
  );
  return [...parts];
}
/** A mix shrinks as it cures, and sheets round: by more than that the parts do not make it. */
const MOST_APART = 0.15;
