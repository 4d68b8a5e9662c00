import { nanoid } from 'nanoid';
import {
  type BaseMaterial,
  type Limits,
  type Milestone,
  type MilestoneId,
  parseTable,
  type RunsOn,
  SheetRevision,
  type StartId,
  tableText,
} from '@/core/system';
import { type Kind, parseQuantity, parseRatio, Refusal, type UnitSystem } from '@/core/units';

/** A time of the sheet as typed. */
export interface TimeDraft {
  readonly key: string;
  readonly kind: MilestoneId;
  readonly startsAt: StartId;
  readonly runsOn: RunsOn;
  readonly text: string;
}

/** A sheet as typed: every field its text, nothing lost until it can be read. */
export interface SheetDraft {
  readonly name: string;
  readonly kind: SheetRevision['kind'];
  readonly family: SheetRevision['family'];
  readonly ratio: string;
  readonly tolerance: string;
  readonly densityA: string;
  readonly densityB: string;
  readonly withC: boolean;
  readonly cByWeight: string;
  readonly densityC: string;
  readonly bulkC: string;
  readonly mixMin: string;
  readonly potLoss: string;
  readonly times: readonly TimeDraft[];
  readonly kits: readonly {
    readonly key: string;
    readonly label: string;
    readonly a: string;
    readonly b: string;
    readonly c: string;
    readonly yieldMl: string;
    readonly splittable: boolean;
  }[];
  readonly mixerVolume: string;
  readonly mixerPurge: string;
  readonly mixerReach: string;
  readonly limits: Readonly<Record<string, string>>;
  readonly bases: readonly BaseMaterial[];
  readonly wetness: Limits['wetness'];
  readonly primer: SheetRevision['primer'];
  readonly hazards: string;
  readonly typedFrom: string;
}

/** The limits a sheet may set, with what kind of quantity each is. */
export const LIMIT_FIELDS: readonly { id: Exclude<keyof Limits, 'bases' | 'wetness'>; label: string; kind: Kind }[] = [
  { id: 'baseMinC', label: 'Base from', kind: 'temperature' },
  { id: 'baseMaxC', label: 'Base to', kind: 'temperature' },
  { id: 'airMinC', label: 'Air from', kind: 'temperature' },
  { id: 'airMaxC', label: 'Air to', kind: 'temperature' },
  { id: 'materialMinC', label: 'Material from', kind: 'temperature' },
  { id: 'materialMaxC', label: 'Material to', kind: 'temperature' },
  { id: 'cureMinC', label: 'Cures from', kind: 'temperature' },
  { id: 'humidityMaxPct', label: 'Humidity up to', kind: 'percent' },
  { id: 'dewMarginK', label: 'Above dew point by', kind: 'interval' },
  { id: 'baseAgeMinDays', label: 'Concrete from (days)', kind: 'count' },
  { id: 'liftMinMm', label: 'Lift from', kind: 'length' },
  { id: 'liftMaxMm', label: 'Lift to', kind: 'length' },
  { id: 'bondMinMm', label: 'Bond line from', kind: 'length' },
  { id: 'bondMaxMm', label: 'Bond line to', kind: 'length' },
];

export const blankDraft = (): SheetDraft => ({
  name: '',
  kind: 'paste',
  family: 'resin-amine',
  ratio: '',
  tolerance: '',
  densityA: '',
  densityB: '',
  withC: false,
  cByWeight: '',
  densityC: '2.65',
  bulkC: '',
  mixMin: '3 min',
  potLoss: '20 mL',
  times: [
    { key: nanoid(6), kind: 'use-by', startsAt: 'mix-begins', runsOn: 'pot', text: '' },
    { key: nanoid(6), kind: 'load', startsAt: 'placed', runsOn: 'base', text: '' },
  ],
  kits: [{ key: nanoid(6), label: '', a: '', b: '', c: '', yieldMl: '', splittable: false }],
  mixerVolume: '',
  mixerPurge: '',
  mixerReach: '',
  limits: {},
  bases: [],
  wetness: 'bone dry',
  primer: 'silent',
  hazards: 'Sensitising: gloves and eye cover for both parts.',
  typedFrom: '',
});

/** A stored sheet as a draft, for the next revision. */
export function draftOf(s: SheetRevision): SheetDraft {
  const c = s.parts.find((p) => p.id === 'C');
  const density = (id: string) => `${s.parts.find((p) => p.id === id)?.densityGPerMl ?? ''} g/mL`;
  const units: Partial<Record<Kind, string>> = { temperature: ' °C', length: ' mm', interval: ' K', percent: ' %' };
  return {
    ...blankDraft(),
    name: s.name,
    kind: s.kind,
    family: s.family,
    ratio: `${s.ratio.a}:${s.ratio.b} by ${s.ratio.basis}`,
    tolerance: s.ratio.tolerancePct === null ? '' : `${s.ratio.tolerancePct} %`,
    densityA: density('A'),
    densityB: density('B'),
    withC: c !== undefined,
    cByWeight: s.ratio.cByWeight === null ? '' : String(s.ratio.cByWeight),
    densityC: c ? `${c.densityGPerMl} g/mL` : '2.65 g/mL',
    bulkC: c?.bulkGPerMl ? `${c.bulkGPerMl} g/mL` : '',
    mixMin: `${s.mixMin} min`,
    potLoss: `${s.potLossMl} mL`,
    times: s.milestones.map((m) => ({ key: nanoid(6), kind: m.kind, startsAt: m.startsAt, runsOn: m.runsOn, text: tableText(m.table) })),
    kits: s.kits.map((k) => ({
      key: k.id,
      label: k.label,
      a: `${k.massG.A} g`,
      b: `${k.massG.B} g`,
      c: k.massG.C === null ? '' : `${k.massG.C} g`,
      yieldMl: k.yieldMl === null ? '' : `${k.yieldMl} mL`,
      splittable: k.splittable,
    })),
    mixerVolume: s.mixer ? `${s.mixer.volumeMl} mL` : '',
    mixerPurge: s.mixer ? `${s.mixer.purgeMl} mL` : '',
    mixerReach: s.mixer ? `${s.mixer.reachMm} mm` : '',
    limits: Object.fromEntries(
      LIMIT_FIELDS.flatMap(({ id, kind }) => (s.limits[id] === null ? [] : [[id, `${s.limits[id]}${units[kind] ?? ''}`]])),
    ),
    bases: s.limits.bases,
    wetness: s.limits.wetness,
    primer: s.primer,
    hazards: s.hazards.join('\n'),
    typedFrom: s.typedFrom,
  };
}

export type DraftFaults = Readonly<
  Record<string, { readonly sentence: string; readonly choices?: readonly { readonly label: string; readonly text: string }[] }>
>;

/** Reads a draft into a sheet, or says at every field what keeps it from being one. */
export function readDraft(
  d: SheetDraft,
  system: UnitSystem,
  before: SheetRevision | null,
  role: string,
  nowMs: number,
): { sheet: SheetRevision } | { faults: DraftFaults } {
  const faults: Record<string, { sentence: string; choices?: readonly { label: string; text: string }[] }> = {};
  const quantity = (field: string, kind: Kind, text: string, optional = false): number | null => {
    if (optional && !text.trim()) return null;
    const parsed = parseQuantity(kind, text, system);
    if (parsed.ok) return parsed.value;
    faults[field] = parsed;
    return null;
  };
  const above = (field: string, kind: Kind, text: string): number => {
    const v = quantity(field, kind, text);
    if (v !== null && v <= 0) faults[field] = { sentence: 'Must be more than 0.' };
    return v ?? Number.NaN;
  };
  if (!d.name.trim()) faults.name = { sentence: 'Give the system a name.' };
  const ratio = parseRatio(d.ratio);
  if (!ratio.ok) faults.ratio = ratio;
  else if (ratio.parts.length !== 2) faults.ratio = { sentence: 'Type A to B here; the aggregate C has its own field, by weight.' };
  const milestones: Milestone[] = [];
  for (const t of d.times) {
    try {
      milestones.push({
        kind: t.kind,
        startsAt: t.startsAt,
        runsOn: t.runsOn,
        table: parseTable(t.text, `times.${t.key}`, system),
        referenceMassG: before?.milestones.find((m) => m.kind === t.kind)?.referenceMassG ?? null,
      });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      faults[`times.${t.key}`] = { sentence: error.message };
    }
  }
  const metered = d.kind === 'anchor-pack';
  const candidate = {
    record: 'sheet',
    version: 1,
    id: nanoid(12),
    systemId: before?.systemId ?? nanoid(12),
    revision: (before?.revision ?? 0) + 1,
    supersedes: before?.id ?? null,
    name: d.name.trim(),
    kind: d.kind,
    family: d.family,
    parts: [
      { id: 'A', name: 'resin', role: 'resin', densityGPerMl: above('densityA', 'density', d.densityA), bulkGPerMl: null },
      { id: 'B', name: 'hardener', role: 'hardener', densityGPerMl: above('densityB', 'density', d.densityB), bulkGPerMl: null },
      ...(d.withC
        ? [
            {
              id: 'C',
              name: 'aggregate',
              role: 'aggregate',
              densityGPerMl: above('densityC', 'density', d.densityC),
              bulkGPerMl: quantity('bulkC', 'density', d.bulkC, true),
            },
          ]
        : []),
    ],
    ratio: {
      basis: ratio.ok ? ratio.basis : 'weight',
      a: ratio.ok ? ratio.parts[0] : 1,
      b: ratio.ok ? ratio.parts[1] : 1,
      cByWeight: d.withC ? above('cByWeight', 'count', d.cByWeight) : null,
      tolerancePct: quantity('tolerance', 'percent', d.tolerance, true),
    },
    milestones,
    limits: {
      ...(Object.fromEntries(LIMIT_FIELDS.map(({ id, kind }) => [id, quantity(`limits.${id}`, kind, d.limits[id] ?? '', true)])) as object),
      bases: [...d.bases],
      wetness: d.wetness,
    },
    kits: d.kits.map((k, i) => ({
      id: k.key,
      label: k.label.trim() || `Kit ${i + 1}`,
      massG: {
        A: above(`kits.${k.key}.a`, 'mass', k.a),
        B: above(`kits.${k.key}.b`, 'mass', k.b),
        C: d.withC ? above(`kits.${k.key}.c`, 'mass', k.c) : null,
      },
      splittable: k.splittable,
      yieldMl: quantity(`kits.${k.key}.yieldMl`, 'volume', k.yieldMl, true),
      price: null,
    })),
    mixer: metered
      ? {
          volumeMl: above('mixerVolume', 'volume', d.mixerVolume),
          purgeMl: quantity('mixerPurge', 'volume', d.mixerPurge) ?? Number.NaN,
          reachMm: above('mixerReach', 'length', d.mixerReach),
        }
      : null,
    potLossMl: metered ? 0 : (quantity('potLoss', 'volume', d.potLoss) ?? Number.NaN),
    mixMin: metered ? 0 : (quantity('mixMin', 'duration', d.mixMin) ?? Number.NaN),
    primer: d.primer,
    hazards: d.hazards
      .split('\n')
      .map((h) => h.trim())
      .filter(Boolean),
    typedFrom: d.typedFrom.trim(),
    typedByRole: role,
    typedAt: nowMs,
    sample: false,
  };
  if (Object.keys(faults).length) return { faults };
  const parsed = SheetRevision.safeParse(candidate);
  if (parsed.success) return { sheet: parsed.data };
  const issue = parsed.error.issues[0]!;
  return { faults: { form: { sentence: `${issue.path.join('.')}: ${issue.message}` } } };
}
