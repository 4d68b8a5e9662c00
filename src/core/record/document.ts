import Papa from 'papaparse';
import { z } from 'zod';
import { type Finding, standingStops } from '../judge';
import {
  FAILURES,
  FIRST_PASS,
  limitSaid,
  MEASURED_KINDS,
  pieceName,
  readingSaid,
  repairName,
  sectionInPlace,
  WITNESS_STATES,
} from '../plan';
import { attempt, exactly, grams, ml, percent, type Said, texts, type Value, type WorkLine } from '../say';
import { isMetered, MILESTONES, PART_IDS, systemKind } from '../system';
import { figure } from '../units';
import { type Drawing, kindOf } from '../void';
import type { JobView, PassView, RepairView } from './bundle';
import type { Event, EventBody } from './event';
import { standingEvents } from './fold';
import { chainsOf } from './links';
import { placeName } from './named-place';
import { figureTests, handTests, reviewNeeded } from './release';
import { CORE_VERSION, type RepairReport } from './report';
import { handsAt, ticksOf } from './ticks';
import { entriesOf, eventSaid } from './told';

/** How whoever reads a document likes its words and instants. */
export interface Teller {
  readonly tell: (said: Said) => string;
  /** With its date. */
  readonly when: (ms: number) => string;
}

const Rows = z.array(z.tuple([z.string(), z.string()]));
const Span = z.object({ label: z.string(), fromMs: z.number(), toMs: z.number() });

/** The record of one repair as a document: all words written out for whoever asked. */
export const RepairDocument = z.object({
  format: z.literal('grenko-record'),
  version: z.literal(1),
  coreVersion: z.string(),
  repairId: z.string(),
  title: z.string(),
  place: z.string(),
  job: z.string(),
  writtenAt: z.string(),
  zone: z.string(),
  facts: Rows,
  /** Hands-on stretches as they were planned, and as they were. */
  planned: z.array(Span),
  real: z.array(Span),
  batches: z.array(
    z.object({
      label: z.string(),
      rows: z.array(
        z.object({ part: z.string(), planned: z.string(), real: z.string(), off: z.string(), lot: z.string() }),
      ),
      witness: z.string(),
    }),
  ),
  readings: z.array(z.object({ channel: z.string(), points: z.array(z.tuple([z.number(), z.number()])) })),
  tests: z.array(z.object({ ask: z.string(), answer: z.string(), at: z.string() })),
  opened: Rows,
  signatures: Rows,
  deviations: z.array(z.string()),
  entries: z.array(
    z.object({
      event: z.string().default(''),
      at: z.string(),
      what: z.string(),
      role: z.string(),
      later: z.array(z.string()),
    }),
  ),
  working: z.array(
    z.object({
      title: z.string(),
      /** The figures above it tells of, as they are called there. */
      explains: z.array(z.string()).default([]),
      lines: z.array(z.object({ label: z.string(), how: z.string(), value: z.string() })),
    }),
  ),
  chains: z.array(z.object({ device: z.string(), entries: z.number(), whole: z.boolean(), last: z.string() })),
});
export type RepairDocument = z.infer<typeof RepairDocument>;

const SAYS = texts('document', {
  amount: '{value}',
  off: '{way, select, more {{share} more} less {{share} less} other {as planned}}',
  how: '{expression} ({source})',
  nothing: 'not weighed',
  pressed: '{rounds, plural, one {pressed out} other {pressed out in # rounds}}, {amount}',
  pack: 'pack: {kit}',
  mixers: 'static mixers',
  unsaid: 'not noted',
  kept: 'cup {cup}; smear {smear}',
  range: '{value} ({from} to {to})',
  'pass-of': '{pass}: {what}',
  system: '{name}, {kind}',
  overridden: 'Overridden{title, select, none {} other {, {title}}}: {reason} ({role}, {when})',
  standing: 'Standing: {title}. {why}',
  reopened: 'Reopened: {reason} ({role}, {when})',
  changed: 'Changed in the draft after the beginning: {what}',
  asked: '{kind}{limit, select, none {} other {, {limit}}}{by, select, none {} other {, asked by {by}}}: {readings}',
});

/** A line of working as it is printed. Kept plans of earlier versions have the unit of a number beside it. */
const lineOf = ({ label, expression, value, unit, source }: WorkLine, tell: Teller['tell']) => ({
  label: tell(label),
  how: source ? tell(SAYS.how({ expression, source })) : tell(expression),
  value: `${typeof value === 'number' ? figure(value, 6) : tell(SAYS.amount({ value }))}${unit ? ` ${unit}` : ''}`,
});

/** What a pass pressed out of packs took: packs, as they were fetched, and mixers. Nothing of it is weighed. */
function pressedOf(
  { plan: { mix, batches } }: PassView,
  name: string,
  fetched: readonly Extract<EventBody, { kind: 'taken' }>[],
  tell: Teller['tell'],
): RepairDocument['batches'] {
  if (!mix) return [];
  const { kit, use } = mix.kits;
  const mine = fetched.filter((f) => f.kit === kit.label);
  const mixers = batches.reduce((sum, b) => sum + b.mixers, 0);
  const row = (part: Said, planned: number, real: string, lots: readonly string[]) => ({
    part: tell(part),
    planned: String(planned),
    real,
    off: '',
    lot: [...new Set(lots)].join(', '),
  });
  const packs = mine.reduce((sum, f) => sum + f.count, 0);
  return [
    {
      label: `${name}${tell(SAYS.pressed({ rounds: batches.length, amount: ml(mix.toMixMl) }))}`,
      rows: [
        row(
          SAYS.pack({ kit: kit.label }),
          use,
          packs ? String(packs) : tell(SAYS.unsaid()),
          mine.map((f) => f.lot),
        ),
        ...(mixers ? [row(SAYS.mixers(), mixers, '', [])] : []),
      ],
      witness: '',
    },
  ];
}

/** What was weighed of each batch against what was planned; of packs that are pressed out, how many. */
function batchesOf(view: RepairView, mine: readonly Event[], tell: Teller['tell']): RepairDocument['batches'] {
  const fetched = standingEvents(mine).flatMap(({ body }) => (body.kind === 'taken' ? [body] : []));
  return view.passes.flatMap((pass, i) => {
    const { plan, actuals, repair } = pass;
    const name = view.passes.length > 1 ? `${pieceName(repair, i)}: ` : '';
    if (plan.sheet && isMetered(plan.sheet.kind)) return pressedOf(pass, name, fetched, tell);
    return plan.batches.map((b) => {
      const rows = PART_IDS.filter((p) => b.massG[p] > 0).map((part) => {
        const poured = actuals.pours.filter((x) => x.batch === b.index && x.part === part);
        const real = poured.reduce((s, x) => s + x.massG, 0);
        const share = Number((100 * (real / b.massG[part] - 1)).toFixed(1));
        return {
          part: plan.sheet?.parts.find((x) => x.id === part)?.name || part,
          planned: tell(SAYS.amount({ value: grams(b.massG[part]) })),
          real: poured.length
            ? tell(SAYS.amount({ value: exactly(grams(Number(real.toPrecision(5)))) }))
            : tell(SAYS.nothing()),
          off: poured.length
            ? tell(
                SAYS.off({
                  share: exactly(percent(Math.abs(share))),
                  way: share === 0 ? 'none' : share < 0 ? 'less' : 'more',
                }),
              )
            : '',
          lot: [...new Set(poured.map((x) => x.lot).filter(Boolean))].join(', '),
        };
      });
      const state = (w: { state: keyof typeof WITNESS_STATES } | undefined) => (w ? WITNESS_STATES[w.state] : 'none');
      return {
        label: `${name}${tell(b.label)}, ${tell(SAYS.amount({ value: ml(b.ml) }))}`,
        rows,
        witness: tell(
          SAYS.kept({ cup: state(actuals.witness.get(b.index)), smear: state(actuals.smear.get(b.index)) }),
        ),
      };
    });
  });
}

/** What the figures of a document are called, where their working names them. */
export const FIGURES = { void: 'void', opens: 'may be opened from', batches: 'batches' } as const;
const openedAs = (label: string): string => `opened: ${label}`;

function factsOf(view: RepairView, { tell, when }: Teller): RepairDocument['facts'] {
  const ofPass = ({ plan, repair }: PassView, i: number): [string, string][] => {
    const name = view.passes.length > 1 ? `${pieceName(repair, i)}: ` : '';
    const { sheet, void: v, method } = plan;
    return [
      [`${name}method`, method?.label ?? ''],
      [
        `${name}system`,
        sheet ? tell(SAYS.system({ name: sheet.name, kind: systemKind(sheet.kind).label.toLowerCase() })) : '',
      ],
      ...(v
        ? ([
            [`${name}${FIGURES.void}`, tell(SAYS.range({ value: ml(v.nominalMl), from: ml(v.p5Ml), to: ml(v.p95Ml) }))],
          ] as [string, string][])
        : []),
    ];
  };
  const { actuals, plan } = view;
  const { barrier } = actuals;
  return [
    ...view.passes.flatMap(ofPass),
    ['begun', actuals.startedAt === null ? 'not begun' : when(actuals.startedAt)],
    [FIGURES.opens, plan.openMs === null ? 'no time' : when(plan.openMs)],
    ['released', actuals.released ? `${when(actuals.released.atMs)}, ${actuals.released.role}` : 'not released'],
    ...(barrier
      ? ([['barrier', `${barrier.what}, ${barrier.state} ${when(barrier.atMs)}, ${barrier.role}`]] as [
          string,
          string,
        ][])
      : []),
    ...(actuals.released?.to ? ([['handed over to', actuals.released.to]] as [string, string][]) : []),
  ].filter(([, text]) => text !== '') as RepairDocument['facts'];
}

/**
 * What departed from the plan, the sheet or the rules: overridden stops, troubles, what was reopened, missed windows.
 */
function deviationsOf(view: RepairView, { tell, when }: Teller): readonly string[] {
  const overridden = view.passes.flatMap((p) => [...p.actuals.overrides]);
  const findings = new Map<string, Finding>(view.findings.map((f) => [f.id, f]));
  return [
    ...[...new Map(overridden)].map(([id, o]) => {
      const title = findings.get(id)?.title;
      return tell(SAYS.overridden({ title: title ?? 'none', reason: o.reason, role: o.role, when: when(o.atMs) }));
    }),
    ...standingStops(view.findings, view.actuals.overrides).map((f) =>
      tell(SAYS.standing({ title: f.title, why: f.why })),
    ),
    ...view.actuals.reopened.map((r) => tell(SAYS.reopened({ reason: r.reason, role: r.role, when: when(r.atMs) }))),
    ...view.changes.map((c) => tell(SAYS.changed({ what: placeName(c.path, view.draft) }))),
  ];
}

/** The record of a repair, written out. @param events of its job */
export function documentOf(
  job: JobView,
  view: RepairView,
  events: readonly Event[],
  o: Teller & {
    readonly nowMs: number;
    /** The plan that was kept when the work began. */
    readonly kept?: Pick<RepairReport, 'steps'> | undefined;
  },
): RepairDocument {
  const { tell, when } = o;
  const mine = events.filter((e) => e.repairId === view.repair.id);
  const done = view.plan.steps.filter((s) => s.doneAt !== null);
  const ticks = ticksOf(standingEvents(events));
  const { actuals } = view;
  const perChannel = (['base', 'air', 'pot'] as const).flatMap((channel) => {
    const points = actuals.readings
      .filter((r) => r.channel === channel)
      .map((r): [number, number] => [r.atMs, r.valueC]);
    return points.length ? [{ channel, points }] : [];
  });
  return {
    format: 'grenko-record',
    version: 1,
    coreVersion: CORE_VERSION,
    repairId: view.repair.id,
    title: repairName(view.repair),
    place: view.repair.place,
    job: job.job.name,
    writtenAt: new Date(o.nowMs).toISOString(),
    zone: job.job.zone,
    facts: factsOf(view, o),
    planned: o.kept
      ? o.kept.steps.map((s) => ({ label: tell(s.title), fromMs: Date.parse(s.from), toMs: Date.parse(s.to) }))
      : view.plan.steps.map((s) => ({ label: tell(s.title), fromMs: s.startMs, toMs: s.endMs })),
    real: done.map((s) => ({
      label: tell(s.title),
      ...(handsAt(s, ticks) ?? { fromMs: Math.min(s.startMs, s.doneAt!), toMs: s.doneAt! }),
    })),
    batches: batchesOf(view, mine, tell),
    readings: perChannel,
    tests: [
      ...handTests(view).map((t) => ({
        ask: `${t.of ? `${t.of}: ` : ''}${t.test.ask}`,
        answer: t.answer ?? 'open',
        at: t.atMs === null ? '' : when(t.atMs),
      })),
      ...figureTests(view).map((t) => ({
        ask: tell(
          SAYS.asked({
            kind: MEASURED_KINDS[t.asked.kind].label,
            by: t.asked.by || 'none',
            limit: t.asked.limit > 0 ? (limitSaid(t.asked) as Value) : 'none',
            readings: t.readings
              .map((r) => `${tell(readingSaid(t.asked, r.value))}${r.failure ? ` ${tell(FAILURES[r.failure])}` : ''}`)
              .join('; '),
          }),
        ),
        answer: t.verdict.answer,
        at: t.readings.length ? when(t.readings.at(-1)!.atMs) : '',
      })),
    ],
    opened: [...actuals.opened].map(([kind, s]) => [MILESTONES[kind].label, `${s.role}, ${when(s.atMs)}`]),
    signatures: [
      ...(actuals.reviewed
        ? [['reviewed', `${actuals.reviewed.role}, ${when(actuals.reviewed.atMs)}`] as [string, string]]
        : []),
      ...(actuals.released
        ? [['released', `${actuals.released.role}, ${when(actuals.released.atMs)}`] as [string, string]]
        : []),
      ...(actuals.inspection
        ? [[actuals.inspection.state, `${actuals.inspection.by}, ${when(actuals.inspection.atMs)}`] as [string, string]]
        : []),
      ...(reviewNeeded(view) !== null && !actuals.reviewed
        ? [['review', 'asked for, not signed'] as [string, string]]
        : []),
    ],
    deviations: [...deviationsOf(view, o)],
    entries: entriesOf(mine).map(({ event, later }) => ({
      event: event.id,
      at: when(event.at),
      what: tell(eventSaid(event, view)),
      role: event.role,
      later: later.map((e) => `${tell(eventSaid(e, view))} (${e.role}, ${when(e.recordedAt)})`),
    })),
    working: view.passes.flatMap(({ plan, repair }, i) => {
      const name = view.passes.length > 1 ? `${pieceName(repair, i)}: ` : '';
      const opens = i === view.passes.length - 1 ? plan.serves : null;
      const parts: [string, readonly string[], readonly WorkLine[]][] = [
        ['volume', [`${name}${FIGURES.void}`], plan.void?.working ?? []],
        ['mix', [FIGURES.batches], plan.mix?.working ?? []],
        ...plan.milestones
          .filter((m, k, all) => m.working.length && all.findIndex((x) => x.kind === m.kind) === k)
          .map((m): [string, readonly string[], readonly WorkLine[]] => [
            m.label,
            [
              ...(m.kind === opens ? [FIGURES.opens] : []),
              ...(i === view.passes.length - 1 ? [openedAs(m.label)] : []),
            ],
            m.working,
          ]),
      ];
      return parts.flatMap(([title, explains, lines]) =>
        lines.length
          ? [{ title: `${name}${title}`, explains: [...explains], lines: lines.map((l) => lineOf(l, tell)) }]
          : [],
      );
    }),
    chains: chainsOf(mine).map((c) => ({
      device: c.browser,
      entries: c.linked + c.unlinked,
      whole: c.breaks.length === 0,
      last: c.last ?? '',
    })),
  };
}

/** Sections of a repair, pass by pass, to scale: what lies in each, and over it. */
export const sectionsOf = ({
  passes,
}: RepairView): readonly {
  readonly name: string;
  readonly drawing: Drawing;
  /** As measured, mm, by the key of the line they stand at. */
  readonly values: Readonly<Record<string, number>>;
}[] => {
  const all = passes.map((p, i) => ({ piece: p.plan.piece, name: pieceName(p.repair, i) }));
  return passes.flatMap((p, i) => {
    const drawn = p.plan.piece.void ? attempt(() => sectionInPlace(all, p.repair.passId ?? FIRST_PASS, 0)) : null;
    const [shape] = p.plan.piece.void?.shapes ?? [];
    const measured = shape ? kindOf(shape).dimensions(shape) : [];
    const values = Object.fromEntries(measured.map((d) => [d.key, d.measured.valueMm]));
    return drawn?.ok ? [{ name: all[i]!.name, drawing: drawn.value, values }] : [];
  });
};

/** The record as a table: an entry a line. A cell that begins like a formula is written harmless. */
export const entriesCsv = (doc: RepairDocument): string =>
  Papa.unparse(
    doc.entries.map(({ at, what, role, later }) => ({ when: at, what, role, corrections: later.join(' | ') })),
    { escapeFormulae: true, newline: '\r\n' },
  );
