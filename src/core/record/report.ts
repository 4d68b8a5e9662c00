import { z } from 'zod';
import { Finding } from '../judge';
import { FIRST_PASS, holdsIn, restsOf } from '../plan';
import { Said, type WorkLine, WorkLine as WorkLineSchema } from '../say';
import type { JobView, PassView, RepairView } from './bundle';
import { usedUp } from './pick-list';

const iso = z.string().nullable();
const Line = z.object({ label: Said, ml: z.number(), expression: Said, voice: z.string() });
const BatchOut = z.object({
  label: Said,
  /** What is mixed, and what of it goes into its place; null in plans kept before 0.15. */
  ml: z.number(),
  placedMl: z.number().nullable().default(null),
  kits: z.number().nullable(),
  /** Whole packs of what may be split; earlier versions knew none. */
  packs: z.number().nullable().default(null),
  massG: z.record(z.string(), z.number()),
  volumeMl: z.record(z.string(), z.number()),
});

/** What is of one pass. */
const OfPass = {
  method: z.string(),
  system: z.string().nullable(),
  volumeMl: z
    .object({ nominal: z.number(), p5: z.number(), p95: z.number(), decides: z.string().nullable() })
    .nullable(),
  amounts: z.array(Line),
  toMixMl: z.number().nullable(),
  onHandMl: z.number().nullable(),
  potC: z.number().nullable(),
  usableMin: z.number().nullable(),
  batches: z.array(BatchOut),
  kits: z.object({ label: z.string(), use: z.number(), buy: z.number(), leftMl: z.number() }).nullable(),
  /** What the method uses up beside the mix; none told before 0.16. */
  consumables: z
    .array(z.object({ what: z.string(), quantity: z.number(), unit: z.string(), why: z.string() }))
    .default([]),
} as const;

/** The plan of one repair as exported: what `npm run plan`, `POST /api/plan` and snapshots carry. */
export const RepairReport = z.object({
  repairId: z.string(),
  name: z.string(),
  /** Of the first pass; {@link passes} has those of all of them. */
  ...OfPass,
  passes: z
    .array(z.object({ id: z.string(), name: z.string(), takes: z.string(), gate: z.string(), ...OfPass }))
    .default([]),
  steps: z.array(
    z.object({
      id: z.string(),
      pass: z.string().default(FIRST_PASS),
      stage: z.string(),
      title: Said,
      /** How it is done; empty in plans kept before 0.15. */
      detail: Said.default(''),
      from: z.string(),
      to: z.string(),
      hold: z.boolean(),
      done: iso,
      /** When it is tried by touch before that, hour by hour. */
      tries: z.array(z.string()).default([]),
      /** When it is worked at, where it is longer than a working day; empty where it is done in one go. */
      days: z.array(z.object({ from: z.string(), to: z.string() })).default([]),
    }),
  ),
  /** Where the plan stops for want of a time, and what may stand in; steps behind it have none. */
  stop: z
    .object({
      step: z.string(),
      kind: z.string(),
      why: Said,
      later: z.array(z.object({ kind: z.string(), at: z.string() })),
      touch: z.boolean(),
    })
    .nullable()
    .default(null),
  untimed: z.array(z.object({ id: z.string(), stage: z.string(), title: Said })).default([]),
  milestones: z.array(
    z.object({
      kind: z.string(),
      pass: z.string().default(FIRST_PASS),
      label: z.string(),
      clock: z.string(),
      batch: z.number().nullable(),
      /** Which of several like parts, from 0; null where it is of all. */
      part: z.number().nullable().default(null),
      /** What it counts from; null where that is not planned. */
      since: iso.default(null),
      from: iso,
      to: iso,
      plans: iso,
      standing: z.string(),
      sheetSays: Said,
      problem: Said.nullable(),
    }),
  ),
  opens: iso,
  habit24h: iso,
  inHandMin: z.number().nullable(),
  /** When it may be left alone, and whether its wait fits. */
  rests: z
    .array(
      z.object({
        from: z.string(),
        until: z.string(),
        costs: z.string(),
        begins: z.string(),
        done: iso,
        share: z.number().nullable(),
        latest: iso,
        holds: z.boolean(),
      }),
    )
    .default([]),
  findings: z.array(Finding),
  needs: z.array(z.object({ stage: z.string(), text: Said })),
  problems: z.array(z.object({ stage: z.string(), field: z.string(), allowed: z.string(), sentence: Said })),
  working: z.record(z.string(), z.array(WorkLineSchema)),
});
export type RepairReport = z.infer<typeof RepairReport>;

/** The plan of a job as exported. */
export const PlanReport = z.object({
  format: z.literal('grenko-plan'),
  /** 1: all in sentences; 2: findings as messages; 3: steps, batches and amounts, too; 4: all. */
  version: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
  coreVersion: z.string(),
  jobId: z.string(),
  at: z.string(),
  problems: z.array(z.object({ field: z.string(), allowed: z.string(), sentence: Said })),
  repairs: z.array(RepairReport),
  /** Kits over the whole job, system by system. */
  kits: z
    .array(
      z.object({
        system: z.string(),
        kits: z.array(z.object({ label: z.string(), use: z.number(), buy: z.number() })),
        groups: z.array(z.array(z.string())),
        cost: z.number(),
        leftMl: z.number(),
        exact: z.boolean(),
        lots: z.array(z.object({ lot: z.string(), take: z.number(), passedOver: Said.nullable() })),
      }),
    )
    // Plans kept by earlier versions knew no kits over the job.
    .default([]),
});
export type PlanReport = z.infer<typeof PlanReport>;

export const CORE_VERSION = '0.51.0';

const stamp = (ms: number | null): string | null => (ms === null ? null : new Date(Math.round(ms)).toISOString());

/** What is told of one pass. */
const ofPass = ({ repair, plan }: PassView) => ({
  method: repair.method.id,
  system: plan.sheet?.name ?? null,
  volumeMl: plan.void
    ? {
        nominal: plan.void.nominalMl,
        p5: plan.void.p5Ml,
        p95: plan.void.p95Ml,
        decides: plan.void.decides?.label ?? null,
      }
    : null,
  consumables: [...usedUp([plan])],
  amounts: (plan.mix?.lines ?? []).map(({ label, ml, expression, voice }) => ({ label, ml, expression, voice })),
  toMixMl: plan.mix?.toMixMl ?? null,
  onHandMl: plan.mix?.onHandMl ?? null,
  potC: plan.potC !== null && Number.isFinite(plan.potC) ? plan.potC : null,
  usableMin: plan.usableMin !== null && Number.isFinite(plan.usableMin) ? plan.usableMin : null,
  batches: plan.batches.map((b) => ({
    label: b.label,
    ml: b.ml,
    placedMl: b.placedMl,
    kits: b.kits,
    packs: b.packs ?? null,
    massG: { ...b.massG },
    volumeMl: { ...b.volumeMl },
  })),
  kits: plan.mix
    ? { label: plan.mix.kits.kit.label, use: plan.mix.kits.use, buy: plan.mix.kits.buy, leftMl: plan.mix.kits.leftMl }
    : null,
});

/** How everything came about, by what it is about; of a further pass with its id before it. */
function workingOf({ passes }: RepairView): Record<string, WorkLine[]> {
  const working: Record<string, WorkLine[]> = {};
  for (const [i, { plan }] of passes.entries()) {
    const of = (what: string) => (i === 0 ? what : `${plan.passId} ${what}`);
    if (plan.void) working[of('volume')] = [...plan.void.working];
    if (plan.mix) working[of('mix')] = [...plan.mix.working];
    for (const m of plan.milestones)
      if (m.working.length)
        working[of([m.kind, ...[m.batch, m.part].flatMap((n) => (n === null ? [] : [n + 1]))].join(' '))] = [
          ...m.working,
        ];
  }
  return working;
}

function repairReport(view: RepairView): RepairReport {
  const { repair, plan, findings, passes } = view;
  return {
    repairId: repair.id,
    name: repair.name,
    ...ofPass(passes[0]!),
    passes: passes.map((p) => ({
      id: p.repair.passId,
      name: p.repair.passName,
      takes: p.repair.takes.from === 'own' ? 'own' : `${p.repair.takes.from} ${p.repair.takes.of}`,
      gate: p.repair.gate,
      ...ofPass(p),
    })),
    steps: plan.steps.map((s) => ({
      id: s.id,
      pass: s.passId,
      stage: s.stage,
      title: s.title,
      detail: s.detail,
      from: stamp(s.startMs)!,
      to: stamp(s.endMs)!,
      hold: s.hold ?? false,
      done: stamp(s.doneAt),
      tries: (s.tries ?? []).map((ms) => stamp(ms)!),
      days: (s.days ?? []).map((d) => ({ from: stamp(d.fromMs)!, to: stamp(d.toMs)! })),
    })),
    stop: plan.stop && {
      step: plan.stop.step.id,
      kind: plan.stop.kind,
      why: plan.stop.why,
      later: plan.stop.later.map(({ kind, atMs }) => ({ kind, at: stamp(atMs)! })),
      touch: plan.stop.touch,
    },
    untimed: plan.untimed.map(({ id, stage, title }) => ({ id, stage, title })),
    milestones: passes
      .flatMap((p) => p.plan.milestones.map((m) => ({ ...m, passId: p.plan.passId })))
      .map((m) => ({
        kind: m.kind,
        pass: m.passId,
        label: m.label,
        clock: m.clock,
        batch: m.batch,
        part: m.part,
        since: stamp(m.originMs),
        from: stamp(m.fromMs),
        to: stamp(m.toMs),
        plans: stamp(m.planMs),
        standing: m.standing,
        sheetSays: m.sheetSays,
        problem: m.problem,
      })),
    opens: stamp(plan.openMs),
    habit24h: stamp(plan.habitMs),
    inHandMin: plan.inHandMin,
    rests: restsOf(plan, view.repair.rests).map((f) => ({
      from: stamp(f.rest.fromMs)!,
      until: stamp(f.rest.untilMs)!,
      costs: f.rest.costs,
      begins: stamp(f.fromMs)!,
      done: stamp(f.doneMs),
      share: f.share,
      latest: stamp(f.latestMs),
      holds: holdsIn(f),
    })),
    findings: [...findings],
    needs: Object.entries(plan.open).flatMap(([stage, texts]) => (texts ?? []).map((text) => ({ stage, text }))),
    problems: plan.problems.map(({ stage, field, allowed, sentence }) => ({ stage, field, allowed, sentence })),
    working: workingOf(view),
  };
}

/** The whole plan of a job as plain data. */
export function planReport(view: JobView): PlanReport {
  const kitProblem = view.plan.kitProblem();
  return {
    format: 'grenko-plan',
    version: 4,
    coreVersion: CORE_VERSION,
    jobId: view.job.id,
    at: stamp(view.plan.nowMs)!,
    problems: [...view.plan.problems, ...(kitProblem ? [kitProblem] : [])].map(({ field, allowed, sentence }) => ({
      field,
      allowed,
      sentence,
    })),
    repairs: view.repairs.map(repairReport),
    kits: view.plan.kits().map((k) => ({
      system: k.sheet.name,
      kits: k.offers.map((o, i) => ({ label: o.label, use: k.kits.set.total[i]!, buy: k.kits.set.buy[i]! })),
      groups: k.kits.groups.map((g) => [...g]),
      cost: k.kits.set.cost,
      leftMl: k.kits.set.leftMl,
      exact: k.kits.set.exact,
      lots: k.takes.map(({ lot, take, passedOver }) => ({ lot, take, passedOver })),
    })),
  };
}
