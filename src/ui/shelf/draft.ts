import { nanoid } from 'nanoid';
import { attempt, type Said } from '@/core/say';
import {
  type BaseMaterial,
  type Flow,
  hazardsOf,
  type Limits,
  type Milestone,
  type MilestoneId,
  PART_IDS,
  type PartId,
  parseTable,
  type RunsOn,
  type SheetRevision,
  type STRENGTH_TESTS,
  type StartId,
  strengthText,
  systemKind,
  tableText,
  usualClock,
} from '@/core/system';
import { coreText } from '@/core/typed';
import type { Kind, UnitSystem } from '@/core/units';
import { phrase, readQuantity } from '@/words';
import { type HolesDraft, holesDraft, NO_HOLES } from './holes-draft';
import { LIMIT_FIELDS } from './limit-list';

/** A time of the sheet as typed. */
export interface TimeDraft {
  readonly key: string;
  readonly kind: MilestoneId;
  readonly startsAt: StartId;
  readonly runsOn: RunsOn;
  readonly text: string;
  /** Pot size that a pot life belongs to. */
  readonly reference: string;
}

export interface KitDraft {
  readonly key: string;
  readonly label: string;
  readonly massG: Readonly<Record<PartId, string>>;
  readonly yieldMl: string;
  readonly price: string;
  readonly contents: string;
  /** Null where nobody has said: then it is as usual for its kind. */
  readonly splittable: boolean | null;
}

/** A sheet as typed: every field its text, nothing lost until it can be read. */
export interface SheetDraft extends HolesDraft {
  readonly name: string;
  readonly maker: string;
  readonly kind: SheetRevision['kind'];
  readonly family: SheetRevision['family'];
  readonly parts: Readonly<Record<PartId, { readonly name: string; readonly density: string; readonly bulk: string }>>;
  readonly ratio: string;
  readonly also: string;
  readonly tolerance: string;
  /** Density of the ready mix. */
  readonly mixed: string;
  readonly cByWeight: string;
  readonly dByWeight: string;
  readonly doseMin: string;
  readonly doseMax: string;
  readonly doseUsual: string;
  readonly doseOf: 'A' | 'total' | '';
  readonly mixMin: string;
  readonly mixRpm: string;
  readonly mixManner: string;
  readonly potLoss: string;
  readonly coverage: string;
  readonly covers: string;
  readonly uptake: string;
  readonly times: readonly TimeDraft[];
  readonly kits: readonly KitDraft[];
  readonly mixerVolume: string;
  readonly mixerPurge: string;
  readonly mixerReach: string;
  readonly mixerFlow: string;
  readonly limits: Readonly<Record<string, string>>;
  /** Strength over age, one a line; empty where the sheet prints none. */
  readonly strengthPoints: string;
  readonly strengthTest: (typeof STRENGTH_TESTS)[number];
  readonly strengthAt: string;
  readonly characteristic: string;
  readonly characteristicTo: string;
  readonly bases: readonly BaseMaterial[];
  readonly preparation: Readonly<Partial<Record<BaseMaterial, string>>>;
  /** Empty where the sheet says nothing of it. */
  readonly wetness: Limits['wetness'] | '';
  readonly primer: SheetRevision['primer'];
  readonly colour: string;
  readonly flow: '' | Flow;
  readonly sanding: SheetRevision['finish']['sanding'];
  readonly paintable: SheetRevision['finish']['paintable'];
  /** What the paper says of a greasy film; empty where it is silent. */
  readonly film: NonNullable<SheetRevision['finish']['film']> | '';
  readonly storeMin: string;
  readonly storeMax: string;
  readonly shelfMonths: string;
  readonly openedMonths: string;
  readonly checks: string;
  readonly hazards: string;
  readonly protection: string;
  readonly typedFrom: string;
}

const NO_MASS: KitDraft['massG'] = { A: '', B: '', C: '', D: '' };
export const blankKit = (): KitDraft => ({
  key: nanoid(6),
  label: '',
  massG: NO_MASS,
  yieldMl: '',
  price: '',
  contents: '',
  splittable: null,
});

/** Parts as a kind usually has them, as text; their densities are left for the sheet to say. */
function partsOfKind(kind: SheetRevision['kind']): SheetDraft['parts'] {
  const blank = { name: '', density: '', bulk: '' };
  const parts: Record<PartId, { name: string; density: string; bulk: string }> = {
    A: blank,
    B: blank,
    C: blank,
    D: blank,
  };
  for (const p of systemKind(kind).parts)
    parts[p.id] = {
      name: p.name,
      density: '',
      bulk: '',
    };
  return parts;
}

/** A line for a time of a sheet, with what it usually counts from and runs on. */
export const blankTime = (kind: MilestoneId): TimeDraft => ({
  key: nanoid(6),
  kind,
  ...usualClock(kind),
  text: '',
  reference: '',
});

/** The lines that are typed into, in their order, and those that sheets of a kind usually print beside them. */
export function timesOfKind(kind: SheetRevision['kind'], typed: readonly TimeDraft[]): readonly TimeDraft[] {
  const { times, counts = {} } = systemKind(kind);
  const here = typed.filter((t) => t.text.trim() !== '' || t.reference.trim() !== '');
  const blank = (id: MilestoneId): TimeDraft => {
    const startsAt = counts[id];
    return { ...blankTime(id), ...(startsAt ? { startsAt } : {}) };
  };
  return [...here, ...times.filter((id) => !here.some((t) => t.kind === id)).map(blank)];
}

/** What changes in a draft when its kind does: parts, family, hazards and protection as that kind usually has them. */
export function ofKind(draft: SheetDraft, kind: SheetRevision['kind']): SheetDraft {
  const spec = systemKind(kind);
  const was = systemKind(draft.kind);
  const usual = (text: string, list: readonly string[]) => text.trim() === '' || text === list.join('\n');
  const parts = partsOfKind(kind);
  const isTold = draft.family !== was.families[0] && spec.families.includes(draft.family);
  const family = isTold ? draft.family : spec.families[0]!;
  return {
    ...draft,
    kind,
    family,
    parts: Object.fromEntries(
      (['A', 'B', 'C', 'D'] as const).map((id) => [
        id,
        { ...parts[id], density: draft.parts[id].density || parts[id].density, bulk: draft.parts[id].bulk },
      ]),
    ) as unknown as SheetDraft['parts'],
    times: timesOfKind(kind, draft.times),
    hazards: usual(draft.hazards, hazardsOf(draft.kind, draft.family))
      ? hazardsOf(kind, family).join('\n')
      : draft.hazards,
    protection: usual(draft.protection, was.protection) ? spec.protection.join('\n') : draft.protection,
  };
}

/** What changes in a draft when its chemistry does: the cautions, as long as they are the usual ones. */
export const ofFamily = (draft: SheetDraft, family: SheetDraft['family']): SheetDraft => ({
  ...draft,
  family,
  hazards: isUsual(draft) ? hazardsOf(draft.kind, family).join('\n') : draft.hazards,
});
/** Whether its cautions are those of its kind. */
export const isUsual = ({ kind, family, hazards }: SheetDraft): boolean =>
  hazards.trim() === '' || hazards === hazardsOf(kind, family).join('\n');

export const blankDraft = (): SheetDraft => ({
  name: '',
  maker: '',
  kind: 'paste',
  family: 'resin-amine',
  parts: partsOfKind('paste'),
  ratio: '',
  also: '',
  tolerance: '',
  mixed: '',
  cByWeight: '',
  dByWeight: '',
  doseMin: '',
  doseMax: '',
  doseUsual: '',
  doseOf: '',
  mixMin: '',
  mixRpm: '',
  mixManner: '',
  potLoss: '',
  coverage: '',
  covers: '',
  uptake: '',
  times: timesOfKind('paste', []),
  kits: [blankKit()],
  mixerVolume: '',
  mixerPurge: '',
  mixerReach: '',
  mixerFlow: '',
  ...NO_HOLES,
  limits: {},
  strengthPoints: '',
  strengthTest: 'compression',
  strengthAt: '',
  characteristic: '',
  characteristicTo: '',
  bases: [],
  preparation: {},
  wetness: '',
  primer: 'silent',
  colour: '',
  flow: '',
  sanding: 'silent',
  paintable: 'silent',
  film: '',
  storeMin: '',
  storeMax: '',
  shelfMonths: '',
  openedMonths: '',
  checks: '',
  hazards: systemKind('paste').hazards.join('\n'),
  protection: systemKind('paste').protection.join('\n'),
  typedFrom: '',
});

const maybe = (value: number | null, unit: string) => (value === null ? '' : `${value}${unit}`);

/** The table as the paper prints it, where that still reads to the same table without asking which units are meant. */
function asPrinted(m: Milestone): string {
  const again = m.printed === null ? null : attempt(() => parseTable(m.printed!, 'printed', 'metric'));
  return again?.ok && JSON.stringify(again.value) === JSON.stringify(m.table) ? m.printed! : tableText(m.table);
}

/**
 * A quantity as the paper prints it, where that still reads to the same value to whoever reads it; else in the unit it
 * is kept in.
 */
export function said(s: Pick<SheetRevision, 'printed'>, field: string, kind: Kind, value: number | null): string {
  if (value === null) return '';
  const printed = s.printed[field];
  const same = (system: UnitSystem) => {
    const again = readQuantity(kind, printed!, system);
    return again.ok && again.value === value;
  };
  return printed !== undefined && same('metric') && same('us') ? printed : coreText(kind, value);
}

/** What is in a pack as it was printed, by mass or by volume. */
function inPack(s: SheetRevision, field: string, id: PartId, massG: number | null): string {
  const density = s.parts.find((p) => p.id === id)?.densityGPerMl;
  const printed = s.printed[field];
  if (massG === null || printed === undefined || density === undefined) return said(s, field, 'mass', massG);
  const again = readQuantity('volume', printed, 'metric');
  return again.ok && Math.abs(again.value * density - massG) < 1e-9 * massG ? printed : said(s, field, 'mass', massG);
}

/** A stored sheet as a draft, for the next revision or a copy. */
export function draftOf(s: SheetRevision): SheetDraft {
  const blank = blankDraft();
  const as = (field: string, kind: Kind, value: number | null) =>
    s.estimated.some((f) => f === field) ? '' : said(s, field, kind, value);
  const parts = { ...partsOfKind(s.kind) };
  for (const p of s.parts)
    parts[p.id] = {
      name: p.name,
      density: as(`density${p.id}`, 'density', p.densityGPerMl),
      bulk: as(`bulk${p.id}`, 'density', p.bulkGPerMl),
    };
  const other = s.ratio.basis === 'weight' ? 'volume' : 'weight';
  /** Told as the whole that is printed on the pack. */
  const isWhole = s.estimated.includes('ratio');
  return {
    ...blank,
    name: s.name,
    maker: s.maker,
    kind: s.kind,
    family: s.family,
    parts,
    ratio: s.dose || isWhole ? '' : phrase`${s.ratio.a}:${s.ratio.b} by ${s.ratio.basis}`,
    also: s.ratio.also ? phrase`${s.ratio.also.a}:${s.ratio.also.b} by ${other}` : '',
    tolerance: maybe(s.ratio.tolerancePct, ' %'),
    mixed: s.mixedGPerMl === null ? '' : said(s, 'mixed', 'density', s.mixedGPerMl),
    cByWeight: s.printed.cByWeight ?? maybe(s.ratio.cByWeight, ''),
    dByWeight: s.printed.dByWeight ?? maybe(s.ratio.dByWeight, ''),
    doseMin: s.printed.doseMin ?? maybe(s.dose?.minPct ?? null, ' %'),
    doseMax: s.printed.doseMax ?? maybe(s.dose?.maxPct ?? null, ' %'),
    doseUsual: s.estimated.includes('doseUsual') ? '' : (s.printed.doseUsual ?? maybe(s.dose?.usualPct ?? null, ' %')),
    doseOf: s.dose?.of ?? '',
    mixMin: as('mixMin', 'duration', s.mixMin),
    mixRpm: s.mixRpm ? phrase`${s.mixRpm.from} to ${s.mixRpm.to}` : '',
    mixManner: s.mixManner,
    potLoss: s.printed.potLoss?.includes('%') ? s.printed.potLoss : as('potLoss', 'volume', s.potLossMl),
    coverage: maybe(s.coverageKgPerM2Mm, ''),
    covers: s.printed.covers ?? (s.coversM2PerL === null ? '' : `${s.coversM2PerL} m²/L`),
    uptake: as('uptake', 'uptake', s.uptakeMlPerM2),
    times: timesOfKind(
      s.kind,
      s.milestones.map((m) => ({
        key: nanoid(6),
        kind: m.kind,
        startsAt: m.startsAt,
        runsOn: m.runsOn,
        text: asPrinted(m),
        reference: as(`reference.${m.kind}`, 'mass', m.referenceMassG),
      })),
    ),
    kits: s.kits.map((k) => ({
      key: k.id,
      label: k.label,
      massG: Object.fromEntries(
        PART_IDS.map((id) => [
          id,
          isWhole || k.apart?.includes(id) ? '' : inPack(s, `kits.${k.id}.${id.toLowerCase()}`, id, k.massG[id]),
        ]),
      ) as KitDraft['massG'],
      yieldMl: as(`kits.${k.id}.yieldMl`, 'volume', k.yieldMl),
      price: k.price === null ? '' : `${k.price} ${s.currency ?? ''}`.trim(),
      contents: k.contents.map((c) => `${c.count} ${c.what}`).join(', '),
      splittable: k.splitUntold ? null : k.splittable,
    })),
    mixerVolume: as('mixerVolume', 'volume', s.mixer?.volumeMl ?? null),
    mixerPurge: as('mixerPurge', 'volume', s.mixer?.purgeMl ?? null),
    mixerReach: as('mixerReach', 'length', s.mixer?.reachMm ?? null),
    mixerFlow: as('mixerFlow', 'volume', s.mixer?.flowMl || null),
    ...holesDraft(s),
    limits: Object.fromEntries(
      LIMIT_FIELDS.flatMap(({ id, kind }) => {
        const v = s.limits[id];
        return v === null ? [] : [[id, as(`limits.${id}`, kind, v)]];
      }),
    ),
    strengthPoints: s.strength ? strengthText(s.strength) : '',
    strengthTest: s.strength?.test ?? 'compression',
    strengthAt: as('strengthAt', 'temperature', s.strength?.tempC ?? null),
    characteristic: as('characteristic', 'stress', s.strength?.characteristicMpa ?? null),
    characteristicTo: as('characteristicTo', 'temperature', s.strength?.characteristicToC ?? null),
    bases: s.limits.bases,
    preparation: s.limits.preparation,
    wetness: s.estimated.includes('wetness') ? '' : s.limits.wetness,
    primer: s.primer,
    colour: s.finish.colour,
    flow: s.flow ?? '',
    sanding: s.finish.sanding,
    paintable: s.finish.paintable,
    film: s.finish.film ?? '',
    storeMin: as('storeMin', 'temperature', s.storage.minC),
    storeMax: as('storeMax', 'temperature', s.storage.maxC),
    shelfMonths: maybe(s.storage.shelfMonths, ''),
    openedMonths: maybe(s.storage.openedMonths, ''),
    checks: s.storage.checks.join('\n'),
    hazards: s.hazards.join('\n'),
    protection: s.protection.join('\n'),
    typedFrom: s.typedFrom,
  };
}

export type DraftFaults = Readonly<
  Record<
    string,
    { readonly sentence: Said; readonly choices?: readonly { readonly label: string; readonly text: string }[] }
  >
>;
