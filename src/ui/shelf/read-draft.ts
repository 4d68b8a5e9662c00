import { nanoid } from 'nanoid';
import { attempt, Refusal } from '@/core/say';
import {
  type EstimableField,
  gridToLines,
  isMetered,
  kitVolumeMl,
  type Limits,
  type Milestone,
  PART_IDS,
  type Part,
  type PartId,
  parseStrengthPoints,
  parseTable,
  perHundredOfA,
  readCovers,
  SheetRevision,
  systemKind,
  USUAL,
  usualMixMin,
} from '@/core/system';
import { parseRatio, readNumber } from '@/core/typed';
import type { Kind, UnitSystem } from '@/core/units';
import { figure, phrase, readQuantity } from '@/words';
import { type DraftFaults, LIMIT_FIELDS, type SheetDraft, type TimeDraft } from './draft';
import { Reader } from './sheet-reader';

/** Signs of money before or after a figure. */
const MONEY = /^\s*(?:[$€£¥]|[A-Z]{3}(?=\s))\s*|\s*(?:[$€£¥]|\b[A-Z]{3})\s*$/g;

const lines = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

/** A sheet that says what a whole pack covers: of a litre that follows from what the first pack makes. */
function coveringByPack(sheet: SheetRevision, m2: number): SheetRevision {
  const made = kitVolumeMl(sheet, sheet.kits[0]!) / 1000;
  return { ...sheet, coversM2PerL: m2 / made };
}

/** `2 static mixers, 1 pail` as a list; a name without a count is one. */
function contentsOf(read: Reader, field: string, text: string): SheetRevision['kits'][number]['contents'] {
  return text
    .split(/[,;\n]/)
    .map((x) => x.trim())
    .filter(Boolean)
    .flatMap((x) => {
      const [, n, what = ''] = /^(\d+)?\s*(?:×|x\s)?\s*(.*)$/.exec(x) ?? [];
      const count = n === undefined ? 1 : Number(n);
      if (!what.trim() || count < 1) {
        read.say(field, phrase`“${x}” must be a number and a thing, like 2 static mixers.`);
        return [];
      }
      return [{ what: what.trim(), count }];
    });
}

/** “1.8 times by volume”: how sand is told beside a resin, its bulk against the mixed liquid. */
const BY_VOLUME = /^([\d.,]+)\D*\bvol/i;

/** Parts by weight of a filler that is told by bulk volume, on the scale of A and B by weight. */
function fillerByVolume(
  read: Reader,
  field: 'cByWeight' | 'dByWeight',
  times: number,
  ratio: Pick<SheetRevision['ratio'], 'basis' | 'a' | 'b'>,
  parts: readonly Part[],
): number {
  const [a, b] = (['A', 'B'] as const).map((id) => parts.find((p) => p.id === id)!.densityGPerMl) as [number, number];
  const bulk = parts.find((p) => p.id === field[0]!.toUpperCase())?.bulkGPerMl;
  if (!bulk) {
    read.say(field, 'By volume it is weighed through its tamped bulk density: type that, too.');
    return Number.NaN;
  }
  const liquidMl = ratio.basis === 'volume' ? ratio.a + ratio.b : ratio.a / a + ratio.b / b;
  return times * liquidMl * bulk;
}

function ratioOf(read: Reader, d: SheetDraft, made: readonly Part[]): SheetRevision['ratio'] {
  const ratio = mainRatioOf(read, d);
  const { parts } = systemKind(d.kind);
  const filler = (id: 'C' | 'D', field: 'cByWeight' | 'dByWeight'): number | null => {
    const part = parts.find((p) => p.id === id);
    if (!part) return null;
    const byVolume = part.filler === 'grains' ? BY_VOLUME.exec(d[field].trim()) : null;
    const times = byVolume && readNumber(byVolume[1]!);
    if (times && 'value' in times && times.value > 0) {
      read.printed[field] = d[field].trim().slice(0, 60);
      return fillerByVolume(read, field, times.value, ratio, made);
    }
    return read.above(field, 'count', d[field]);
  };
  return { ...ratio, cByWeight: filler('C', 'cByWeight'), dByWeight: filler('D', 'dByWeight') };
}

function mainRatioOf(read: Reader, d: SheetDraft): SheetRevision['ratio'] {
  const { dosed } = systemKind(d.kind);
  const tolerancePct = read.quantity('tolerance', 'percent', d.tolerance, true);
  if (tolerancePct !== null && (tolerancePct <= 0 || tolerancePct > 50))
    read.say('tolerance', 'More than 0, at most 50 %; leave it empty where the sheet is silent.');
  const common = { cByWeight: null, dByWeight: null, tolerancePct };
  if (dosed)
    return {
      ...common,
      basis: 'weight',
      a: 100,
      b: perHundredOfA(doseOf(read, d)?.usualPct ?? 2, d.doseOf || 'A'),
      also: null,
    };
  const ratio = parseRatio(d.ratio);
  if (!ratio.ok) read.faults.ratio = ratio;
  else if (ratio.parts.length !== 2)
    read.say('ratio', 'Type A to B here; further parts have their own fields, by weight.');
  let also: SheetRevision['ratio']['also'] = null;
  if (d.also.trim()) {
    const other = parseRatio(d.also);
    if (!other.ok) read.faults.also = other;
    else if (ratio.ok && other.basis === ratio.basis)
      read.say('also', phrase`Both ratios are by ${ratio.basis}: this one is for the other basis.`);
    else if (other.parts.length !== 2) read.say('also', 'Type A to B.');
    else also = { a: other.parts[0]!, b: other.parts[1]! };
  }
  return ratio.ok
    ? { ...common, basis: ratio.basis, a: ratio.parts[0]!, b: ratio.parts[1] ?? 1, also }
    : { ...common, basis: 'weight', a: 1, b: 1, also };
}

function doseOf(read: Reader, d: SheetDraft): SheetRevision['dose'] {
  const { dosed } = systemKind(d.kind);
  if (!dosed) return null;
  const minPct = read.above('doseMin', 'percent', d.doseMin);
  const maxPct = read.above('doseMax', 'percent', d.doseMax);
  const usualPct = read.above('doseUsual', 'percent', d.doseUsual);
  if (!d.doseOf) read.say('doseOf', 'A % without its whole has no meaning: is it of part A or of the total?');
  if (minPct > maxPct) read.say('doseMax', 'The range has its ends swapped.');
  else if (usualPct < minPct || usualPct > maxPct)
    read.say('doseUsual', phrase`The usual dose lies outside ${minPct} to ${maxPct} %.`);
  for (const [field, v] of [
    ['doseMin', minPct],
    ['doseMax', maxPct],
    ['doseUsual', usualPct],
  ] as const)
    if (v > 60) read.say(field, 'At most 60 %.');
  return { minPct, maxPct, usualPct, of: d.doseOf || 'A' };
}

function timeOf(read: Reader, t: TimeDraft): Milestone | null {
  const field = `times.${t.key}`;
  try {
    return {
      kind: t.kind,
      startsAt: t.startsAt,
      runsOn: t.runsOn,
      table: parseTable(gridToLines(t.text, field), field, read.system),
      referenceMassG: referenceOf(read, field, t),
      printed: t.text.trim().slice(0, 4000),
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    read.say(field, error.problem.sentence);
    return null;
  }
}

/** Lines of times have passing names: what is printed of one is kept by what it is the time of. */
function referenceOf(read: Reader, field: string, t: TimeDraft): number | null {
  const at = `${field}.reference`;
  const massG = read.aboveOrNone(at, 'mass', t.reference);
  const said = read.printed[at];
  delete read.printed[at];
  if (said) read.printed[`reference.${t.kind}`] = said;
  return massG;
}

function strengthOf(read: Reader, d: SheetDraft): SheetRevision['strength'] {
  if (!d.strengthPoints.trim()) {
    for (const field of ['strengthAt', 'characteristic', 'characteristicTo'] as const)
      if (d[field].trim()) read.say('strengthPoints', 'Type what it has after how long, one a line, like 1 d: 32 MPa.');
    return null;
  }
  const points = attempt(() => parseStrengthPoints(d.strengthPoints, 'strengthPoints', read.system));
  if (!points.ok) read.say('strengthPoints', points.problem.sentence);
  const tempC = read.quantity('strengthAt', 'temperature', d.strengthAt);
  const characteristicMpa = read.aboveOrNone('characteristic', 'stress', d.characteristic);
  const last = points.ok ? points.value.at(-1)!.mpa : Number.POSITIVE_INFINITY;
  if (characteristicMpa !== null && characteristicMpa > last)
    read.say('characteristic', phrase`It cannot be more than the ${figure(last)} MPa it reaches: is this the mean?`);
  return {
    test: d.strengthTest,
    tempC: tempC ?? Number.NaN,
    points: points.ok ? points.value : [],
    characteristicMpa,
    characteristicToC: read.quantity('characteristicTo', 'temperature', d.characteristicTo, true),
  };
}

function rpmOf(read: Reader, text: string): SheetRevision['mixRpm'] {
  if (!text.trim()) return null;
  const [from, to = from] = text.split(/\s*(?:to|-|–)\s*/).map((x) => readNumber(x.trim()));
  if (!from || !to || !('value' in from) || !('value' in to) || from.value <= 0 || from.value > to.value) {
    read.say('mixRpm', 'Type it like 300 to 400, the slower first.');
    return null;
  }
  return { from: from.value, to: to.value };
}

function kitsOf(
  read: Reader,
  d: SheetDraft,
  has: (id: PartId) => boolean,
  densities: Readonly<Partial<Record<PartId, number>>>,
): SheetRevision['kits'] {
  const spec = systemKind(d.kind);
  return d.kits.map((k, i) => {
    const typed = (id: PartId) => read.pack(`kits.${k.key}.${id.toLowerCase()}`, k.massG[id], densities[id]);
    // Water comes from the tap: a bag names its powder, and what belongs to it follows from the usual dose.
    const tap = (id: PartId): boolean =>
      spec.dosed !== null && !k.massG[id].trim() && spec.parts.some((p) => p.id === id && p.role === 'water');
    const usualPct = readQuantity('percent', d.doseUsual, read.system);
    const mass = (id: PartId): number =>
      tap(id) && usualPct.ok && usualPct.value > 0
        ? (typed('A') * perHundredOfA(usualPct.value, d.doseOf || 'A')) / 100
        : typed(id);
    return {
      id: k.key,
      label: k.label.trim() || phrase`Kit ${i + 1}`,
      massG: { A: mass('A'), B: mass('B'), C: has('C') ? mass('C') : null, D: has('D') ? mass('D') : null },
      splittable: k.splittable,
      yieldMl: read.aboveOrNone(`kits.${k.key}.yieldMl`, 'volume', k.yieldMl),
      price: read.quantity(`kits.${k.key}.price`, 'count', k.price.replace(MONEY, ''), true),
      contents: contentsOf(read, `kits.${k.key}.contents`, k.contents),
    };
  });
}

/**
 * Reads a draft into a sheet, or says at every field what keeps it from being one.
 * @param before the sheet it revises; null makes a new system
 */
export function readDraft(
  d: SheetDraft,
  system: UnitSystem,
  before: SheetRevision | null,
  role: string,
  nowMs: number,
): { sheet: SheetRevision } | { faults: DraftFaults } {
  const read = new Reader(system);
  const spec = systemKind(d.kind);
  const has = (id: PartId) => spec.parts.some((p) => p.id === id);
  if (!d.name.trim()) read.say('name', 'Give the system a name.');
  const metered = isMetered(d.kind);
  const limit = (id: string, kind: Kind) => read.quantity(`limits.${id}`, kind, d.limits[id] ?? '', true);
  const parts = PART_IDS.filter(has).map((id) => {
    const usual = spec.parts.find((p) => p.id === id)!;
    return {
      id,
      name: d.parts[id].name.trim() || usual.name,
      role: usual.role,
      densityGPerMl: read.orUsual(`density${id}`, d.parts[id].density, usual.densityGPerMl, () =>
        read.above(`density${id}`, 'density', d.parts[id].density),
      ),
      bulkGPerMl: usual.filler === 'grains' ? read.aboveOrNone(`bulk${id}`, 'density', d.parts[id].bulk) : null,
      filler: usual.filler ?? null,
    };
  });
  const densities = Object.fromEntries(parts.map((p) => [p.id, p.densityGPerMl])) as Partial<Record<PartId, number>>;
  const or = (field: EstimableField & keyof SheetDraft, kind: Kind, usual: number, least?: 'above') =>
    read.orUsual(field, d[field] as string, usual, () =>
      least === 'above'
        ? read.above(field, kind, d[field] as string)
        : (read.quantity(field, kind, d[field] as string) ?? Number.NaN),
    );
  const covered = d.covers.trim() ? readCovers(d.covers, system) : null;
  if (covered?.per === null) read.faults.covers = covered;
  // As it is kept it needs no other words.
  else if (covered && d.covers.trim() !== `${covered.m2} m²/L`) read.printed.covers = d.covers.trim().slice(0, 60);
  const candidate = {
    record: 'sheet',
    version: 2,
    id: nanoid(12),
    systemId: before?.systemId ?? nanoid(12),
    revision: (before?.revision ?? 0) + 1,
    supersedes: before?.id ?? null,
    name: d.name.trim(),
    maker: d.maker.trim(),
    kind: d.kind,
    family: d.family,
    parts,
    ratio: ratioOf(read, d, parts),
    dose: doseOf(read, d),
    // A line that nothing is typed into is a time the sheet does not print.
    milestones: d.times
      .filter((t) => t.text.trim() !== '' || t.reference.trim() !== '')
      .map((t) => timeOf(read, t))
      .filter((m) => m !== null),
    limits: {
      ...(Object.fromEntries(LIMIT_FIELDS.map(({ id, kind }) => [id, limit(id, kind)])) as Omit<
        Limits,
        'bases' | 'preparation' | 'wetness'
      >),
      bases: [...d.bases],
      preparation: Object.fromEntries(
        d.bases.flatMap((b) => (d.preparation[b]?.trim() ? [[b, d.preparation[b]!.trim()]] : [])),
      ),
      wetness: d.wetness,
    },
    kits: kitsOf(read, d, has, densities),
    mixer: metered
      ? {
          volumeMl: or('mixerVolume', 'volume', USUAL.mixer.volumeMl, 'above'),
          purgeMl: or('mixerPurge', 'volume', USUAL.mixer.purgeMl),
          reachMm: or('mixerReach', 'length', USUAL.mixer.reachMm, 'above'),
          // Where nothing is typed no pack is pressed out first.
          flowMl: read.aboveOrNone('mixerFlow', 'volume', d.mixerFlow) ?? 0,
        }
      : null,
    potLossMl: metered ? 0 : or('potLoss', 'volume', USUAL.potLossMl),
    flow: d.flow === '' ? null : d.flow,
    mixMin: metered ? 0 : or('mixMin', 'duration', usualMixMin(d.kind)),
    mixRpm: rpmOf(read, d.mixRpm),
    mixManner: d.mixManner.trim(),
    primer: d.primer,
    coverageKgPerM2Mm: read.aboveOrNone('coverage', 'count', d.coverage),
    coversM2PerL: covered?.per === 'litre' ? covered.m2 : null,
    uptakeMlPerM2: read.aboveOrNone('uptake', 'count', d.uptake),
    finish: { colour: d.colour.trim(), sanding: d.sanding, paintable: d.paintable },
    storage: {
      minC: read.quantity('storeMin', 'temperature', d.storeMin, true),
      maxC: read.quantity('storeMax', 'temperature', d.storeMax, true),
      shelfMonths: read.aboveOrNone('shelfMonths', 'count', d.shelfMonths),
      openedMonths: read.aboveOrNone('openedMonths', 'count', d.openedMonths),
      checks: lines(d.checks),
    },
    hazards: lines(d.hazards),
    protection: lines(d.protection),
    strength: strengthOf(read, d),
    printed: read.printed,
    estimated: read.estimated,
    typedFrom: d.typedFrom.trim(),
    typedByRole: role,
    typedAt: nowMs,
    sample: false,
  };
  if (Object.keys(read.faults).length) return { faults: read.faults };
  const parsed = SheetRevision.safeParse(candidate);
  if (parsed.success) return { sheet: covered?.per === 'pack' ? coveringByPack(parsed.data, covered.m2) : parsed.data };
  const issue = parsed.error.issues[0]!;
  return { faults: { form: { sentence: `${issue.path.join('.')}: ${issue.message}` } } };
}
