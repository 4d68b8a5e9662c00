import {
  hazardsOf,
  type Limits,
  type Milestone,
  type Part,
  type PlainTable,
  parseCleaning,
  parseRods,
  type SheetRevision,
  SILENT_LIMITS,
  systemKind,
} from '../core/system';

const TYPED_AT = Date.UTC(2026, 2, 2, 9);
type Row = readonly [tempC: number, fromMin: number, toMin: number];

export const curve = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  rows: readonly Row[],
  referenceMassG: number | null = null,
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG,
  printed: null,
  table: { form: 'curve', points: rows.map(([tempC, fromMin, toMin]) => ({ tempC, fromMin, toMin })) },
});
export const bands = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  edges: readonly number[],
  minutes: readonly number[],
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG: null,
  printed: null,
  table: {
    form: 'bands',
    bands: minutes.map((m, i) => ({ fromC: edges[i]!, toC: edges[i + 1]!, fromMin: m, toMin: m })),
  },
});
export const single = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  fromMin: number,
  toMin: number,
  referenceMassG: number | null = null,
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG,
  printed: null,
  table: { form: 'single', tempC: 23, fromMin, toMin },
});

/** Times keyed by the dose of the catalyst. */
export const byDose = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  runsOn: Milestone['runsOn'],
  doses: readonly (readonly [dosePct: number, rows: readonly Row[]])[],
): Milestone => ({
  kind,
  startsAt,
  runsOn,
  referenceMassG: null,
  printed: null,
  table: {
    form: 'by-dose',
    doses: doses.map(([dosePct, rows]) => ({
      dosePct,
      table: curve(kind, startsAt, runsOn, rows).table as PlainTable,
    })),
  },
});
/** Drying times by temperature and humidity. */
export const tiers = (
  kind: Milestone['kind'],
  startsAt: Milestone['startsAt'],
  rows: readonly (readonly [fromC: number, toC: number, humidityToPct: number, fromMin: number, toMin: number])[],
): Milestone => ({
  kind,
  startsAt,
  runsOn: 'base',
  referenceMassG: null,
  printed: null,
  table: {
    form: 'tiers',
    tiers: rows.map(([fromC, toC, humidityToPct, fromMin, toMin]) => ({ fromC, toC, humidityToPct, fromMin, toMin })),
  },
});

export const limits: Limits = SILENT_LIMITS;

/** Parts of a kind as it usually has them, with the figures of this sheet. */
export const partsOf = (kind: SheetRevision['kind'], over: Partial<Record<Part['id'], Partial<Part>>> = {}): Part[] =>
  systemKind(kind).parts.map(({ id, name, role, densityGPerMl, filler, bulkGPerMl }) => ({
    id,
    name,
    role,
    densityGPerMl,
    filler: filler ?? null,
    bulkGPerMl: bulkGPerMl ?? null,
    ...over[id],
  }));
export const ratioOf = (
  over: Pick<SheetRevision['ratio'], 'basis' | 'a' | 'b'> & Partial<SheetRevision['ratio']>,
): SheetRevision['ratio'] => ({
  cByWeight: null,
  dByWeight: null,
  also: null,
  tolerancePct: null,
  ...over,
});
type Kit = SheetRevision['kits'][number];
export const kitOf = (
  id: string,
  label: string,
  massG: readonly [number, number, number?, number?],
  over: Partial<Kit> = {},
): Kit => ({
  id,
  label,
  massG: { A: massG[0], B: massG[1], C: massG[2] ?? null, D: massG[3] ?? null },
  splittable: false,
  yieldMl: null,
  price: null,
  contents: [],
  ...over,
});

export const common = {
  record: 'sheet',
  version: 2,
  revision: 1,
  maker: 'Lakeside stores',
  dose: null,
  mixedGPerMl: null,
  mixer: null,
  potLossMl: 20,
  mixMin: 3,
  mixRpm: null,
  mixManner: '',
  flow: null,
  primer: 'none',
  coverageKgPerM2Mm: null,
  coversM2PerL: null,
  uptakeMlPerM2: null,
  finish: { colour: '', sanding: 'hard', paintable: 'silent' },
  storage: { minC: 5, maxC: 30, shelfMonths: 24, openedMonths: null, checks: [] },
  supersedes: null,
  strength: null,
  currency: 'EUR',
  holes: null,
  printed: {},
  estimated: [],
  typedFrom: 'sample sheet',
  typedByRole: 'foreman',
  typedAt: TYPED_AT,
  sample: true,
} as const satisfies Partial<SheetRevision>;
export const EDGES = [-5, 0, 5, 10, 20, 30, 40];

/** What a sheet says of holes, as it is typed; wet ones take twice the time. */
export const holesOf = (rods: string, cleaning: string): SheetRevision['holes'] => ({
  rods: [...parseRods(rods, 'holes', 'metric')],
  cleaning: [...parseCleaning(cleaning, 'holes')],
  wet: { times: 2 },
  printed: rods,
});

/** What resins of the boat house and the pour ask: dry, and neither cold nor hot. */
export const dryLimits: Limits = {
  ...limits,
  baseMinC: 8,
  baseMaxC: 30,
  materialMinC: 12,
  materialMaxC: 28,
  humidityMaxPct: 85,
  dewMarginK: 3,
  cureMinC: 6,
};

/** A further system of the sample shelf: what differs from the usual of its kind. */
export function system(
  id: string,
  name: string,
  kind: SheetRevision['kind'],
  over: Pick<SheetRevision, 'ratio' | 'milestones' | 'kits'> & Partial<SheetRevision>,
): SheetRevision {
  const spec = systemKind(kind);
  return {
    ...common,
    id: `sheet-${id}-1`,
    systemId: `system-${id}`,
    name,
    kind,
    family: spec.families[0]!,
    parts: partsOf(kind),
    limits,
    hazards: [...hazardsOf(kind, spec.families[0]!)],
    protection: [...spec.protection],
    ...over,
  };
}
