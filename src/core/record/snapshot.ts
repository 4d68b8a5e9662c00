import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';
import { Job, NO_POTS, type Pots, Repair } from '../plan';
import { Id, Instant } from '../units';
import { type Bundle, viewJob } from './bundle';
import { CORE_VERSION, PlanReport, planReport } from './report';

/** A plan as it stood when work began, kept as it was. */
export const PlanSnapshot = z.object({
  record: z.literal('snapshot'),
  version: z.literal(1),
  id: Id,
  jobId: Id,
  madeAt: Instant,
  coreVersion: z.string().max(40),
  inputHash: z.string().max(128),
  job: Job,
  repairs: z.array(Repair).max(500),
  sheetIds: z.array(Id).max(500),
  report: PlanReport,
});
export type PlanSnapshot = z.infer<typeof PlanSnapshot>;

/** JSON with sorted keys: the same data always gives the same text. */
export function stableJson(value: unknown): string {
  return JSON.stringify(value, (_key, v) =>
    v && typeof v === 'object' && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}

/** SHA-256 of the inputs of a plan, hex. */
export function inputHash(bundle: Pick<Bundle, 'job' | 'repairs' | 'sheets'>): string {
  return bytesToHex(sha256(utf8ToBytes(stableJson([bundle.job, bundle.repairs, bundle.sheets]))));
}

/** Freezes the plan as it stands. */
export function snapshotOf(bundle: Bundle, nowMs: number, id: string, pots: Pots = NO_POTS): PlanSnapshot {
  return {
    record: 'snapshot',
    version: 1,
    id,
    jobId: bundle.job.id,
    madeAt: nowMs,
    coreVersion: CORE_VERSION,
    inputHash: inputHash(bundle),
    job: bundle.job,
    repairs: [...bundle.repairs],
    sheetIds: bundle.sheets.map((s) => s.id),
    report: planReport(viewJob(bundle, nowMs, pots)),
  };
}
