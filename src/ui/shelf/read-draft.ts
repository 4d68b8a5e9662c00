import { nanoid } from 'nanoid';
import { attempt, Refusal } from '@/core/say';
import {
  type EstimableField,
  gridToLines,
  isMetered,
  isMeteredByPack,
  isPartedUsually,
  kitVolumeMl,
  type Limits,
  type Milestone,
  mixedDensity,
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
  unsureOf,
  usualMixMin,
  usualWetness,
} from '@/core/system';
import { readNumber } from '@/core/typed';
import type { Currency, Kind, UnitSystem } from '@/core/units';
import { figure, phrase } from '@/words';
import type { DraftFaults, SheetDraft, TimeDraft } from './draft';
import { LIMIT_FIELDS } from './limit-list';
import { readHoles } from './read-holes';
import {
  doseOf,
  halfOf,
  liquidOf,
  partsAsMixed,
  partsAsPacked,
  partsAsYielding,
  ratioOf,
  usualDosePct,
} from './read-ratio';
import { Reader } from './sheet-reader';

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

/** What stays behind where that is a share of the pack, %: “15 % stays in the film”; null where it is told in mL. */
function shareOfPack(read: Reader, text: string): number | null {
  if (!/%|per ?cent/i.test(text)) return null;
  const share = read.above('potLoss', 'percent', text);
  if (share >= 100) read.say('potLoss', 'Less than all of it.');
  read.printed.potLoss = text.trim().slice(0, 60);
  return share;
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
  parts: readonly Part[],
  ratio: SheetRevision['ratio'],
): SheetRevision['kits'] {
  const spec = systemKind(d.kind);
  const isWater = (id: PartId) => spec.parts.some((p) => p.id === id && p.role === 'water');
  const densities = Object.fromEntries(parts.map((p) => [p.id, p.densityGPerMl])) as Partial<Record<PartId, number>>;
  const perA = (id: PartId): number | null => {
    const [text, share] = id === 'C' ? [d.cByWeight, ratio.cByWeight] : [d.dByWeight, ratio.dByWeight];
    return (id === 'C' || id === 'D') && text.trim() && share !== null ? share / liquidOf(ratio, parts).massA : null;
  };
  return d.kits.map((k, i) => {
    const unsure = PART_IDS.some((id) => k.massG[id].trim()) ? null : unsureOf(k.label, read.system);
    if (unsure) read.faults[`kits.${k.key}.label`] = unsure;
    const typed = (id: PartId) => read.pack(`kits.${k.key}.${id.toLowerCase()}`, k.massG[id], densities[id]);
    // Water comes from the tap, and sand by the bag: a pack names what is in it, and what belongs to it follows from
    // the usual dose, or from the ratio.
    const tap = (id: PartId): boolean =>
      !k.massG[id].trim() && spec.parts.some((p) => p.id === id && (p.role === 'water' || p.filler !== undefined));
    const apart = PART_IDS.filter((id) => tap(id) && has(id) && !isWater(id) && perA(id) !== null);
    const usualPct = usualDosePct(read, d, parts);
    const byDose = usualPct === null ? null : perHundredOfA(usualPct, d.doseOf || 'A') / 100;
    const half = halfOf(read, d, k);
    const mass = (id: PartId): number => {
      if (half) return half.kind === 'mass' ? half.each : half.each * (densities[id] ?? Number.NaN);
      if (unsure) return Number.NaN;
      if (isMeteredByPack(d.kind) && !k.massG[id].trim()) {
        read.say(
          `kits.${k.key}.${id.toLowerCase()}`,
          'Type the whole pack as it is printed, like 300 mL, or this part.',
        );
        return Number.NaN;
      }
      const share = spec.dosed !== null ? byDose : perA(id);
      return share !== null && tap(id) ? typed('A') * share : typed(id);
    };
    return {
      id: k.key,
      label: k.label.trim() || phrase`Kit ${i + 1}`,
      massG: { A: mass('A'), B: mass('B'), C: has('C') ? mass('C') : null, D: has('D') ? mass('D') : null },
      splittable: k.splittable ?? isPartedUsually(d.kind),
      ...(k.splittable === null ? { splitUntold: true as const } : {}),
      ...(apart.length ? { apart } : {}),
      yieldMl: read.aboveOrNone(`kits.${k.key}.yieldMl`, 'volume', k.yieldMl),
      price: read.price(`kits.${k.key}.price`, k.price),
      contents: contentsOf(read, `kits.${k.key}.contents`, k.contents),
    };
  });
}

/** Who types a sheet, in whose units and money, and when. */
export interface Typist {
  readonly system: UnitSystem;
  readonly money: Currency | null;
  readonly role: string;
  readonly nowMs: number;
}

/**
 * Reads a draft into a sheet, or says at every field what keeps it from being one.
 * @param before the sheet it revises; null makes a new system
 */
export function readDraft(
  d: SheetDraft,
  { system, money, role, nowMs }: Typist,
  before: SheetRevision | null = null,
): { sheet: SheetRevision } | { faults: DraftFaults } {
  const read = new Reader(system, money);
  const spec = systemKind(d.kind);
  const has = (id: PartId) => spec.parts.some((p) => p.id === id);
  if (!d.name.trim()) read.say('name', 'Give the system a name.');
  const metered = isMetered(d.kind);
  const limit = (id: string, kind: Kind) => read.quantity(`limits.${id}`, kind, d.limits[id] ?? '', true);
  const printedParts = PART_IDS.filter(has).map((id): Part => {
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
  const mixedGPerMl = read.aboveOrNone('mixed', 'density', d.mixed);
  const parts =
    mixedGPerMl === null
      ? [...(partsAsYielding(read, d, printedParts) ?? partsAsPacked(read, d, printedParts))]
      : partsAsMixed(read, d, printedParts, mixedGPerMl);
  const ratio = ratioOf(read, d, parts);
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
  const ofPack = metered ? null : shareOfPack(read, d.potLoss);
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
    ratio,
    mixedGPerMl,
    dose: doseOf(read, d, parts),
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
      wetness: read.orUsual('wetness', d.wetness, usualWetness(d.kind), (said) => said),
    },
    kits: kitsOf(read, d, has, parts, ratio),
    currency: read.currency,
    mixer: metered
      ? {
          volumeMl: or('mixerVolume', 'volume', USUAL.mixer.volumeMl, 'above'),
          purgeMl: or('mixerPurge', 'volume', USUAL.mixer.purgeMl),
          reachMm: or('mixerReach', 'length', USUAL.mixer.reachMm, 'above'),
          // Where nothing is typed no pack is pressed out first.
          flowMl: read.aboveOrNone('mixerFlow', 'volume', d.mixerFlow) ?? 0,
        }
      : null,
    potLossMl: metered || ofPack !== null ? 0 : or('potLoss', 'volume', USUAL.potLossMl),
    flow: d.flow === '' ? null : d.flow,
    mixMin: metered ? 0 : or('mixMin', 'duration', usualMixMin(d.kind)),
    mixRpm: rpmOf(read, d.mixRpm),
    mixManner: d.mixManner.trim(),
    primer: d.primer,
    coverageKgPerM2Mm: read.aboveOrNone('coverage', 'count', d.coverage),
    coversM2PerL: covered?.per === 'litre' ? covered.m2 : null,
    uptakeMlPerM2: read.aboveOrNone('uptake', 'uptake', d.uptake),
    finish: {
      colour: d.colour.trim(),
      sanding: d.sanding,
      paintable: d.paintable,
      ...(d.film ? { film: d.film } : {}),
    },
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
    holes: metered ? readHoles(read, d) : null,
    printed: read.printed,
    estimated: read.estimated,
    typedFrom: d.typedFrom.trim(),
    typedByRole: role,
    typedAt: nowMs,
    sample: false,
  };
  if (Object.keys(read.faults).length) return { faults: read.faults };
  const parsed = SheetRevision.safeParse(candidate);
  if (parsed.success) {
    const { data } = parsed;
    const losing = ofPack === null ? data : { ...data, potLossMl: (kitVolumeMl(data, data.kits[0]!) * ofPack) / 100 };
    if (covered?.per === 'kg')
      return { sheet: { ...losing, coversM2PerL: covered.m2 * (losing.mixedGPerMl ?? mixedDensity(losing)) } };
    return { sheet: covered?.per === 'pack' ? coveringByPack(losing, covered.m2) : losing };
  }
  const issue = parsed.error.issues[0]!;
  return { faults: { form: { sentence: `${issue.path.join('.')}: ${issue.message}` } } };
}
