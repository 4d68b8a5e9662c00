import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { z } from 'zod';
import { Job, NO_POTS, type Pots, Repair } from '../plan';
import { Id, Instant } from '../units';
import { type Bundle, type JobInYard, viewJob } from './bundle';
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

/** Strings that stand in JSON as they are: no quote, no backslash, no control, no half of a pair. */
const PLAIN = /^[ !#-[\]-\ud7ff]*$/;
const quoted = (text: string): string => (PLAIN.test(text) ? `"${text}"` : JSON.stringify(text));

/** JSON with sorted keys: the same data always gives the same text. */
export function stableJson(value: unknown): string {
  if (typeof value === 'string') return quoted(value);
  if (value === null || typeof value !== 'object') return JSON.stringify(value) ?? 'null';
  if (Array.isArray(value)) return `[${value.map(stableJson).join(',')}]`;
  const of = value as Readonly<Record<string, unknown>>;
  // As a date or the like writes itself.
  if (typeof of.toJSON === 'function') return stableJson((of.toJSON as () => unknown)());
  let text = '';
  for (const key of Object.keys(of).sort()) {
    const v = of[key];
    if (v === undefined || typeof v === 'function') continue;
    const told = typeof v === 'number' && Number.isFinite(v) ? `${v}` : stableJson(v);
    text += text ? `,${quoted(key)}:${told}` : `${quoted(key)}:${told}`;
  }
  return `{${text}}`;
}

/** SHA-256 of the inputs of a plan, hex. */
export function inputHash(bundle: Pick<Bundle, 'job' | 'repairs' | 'sheets'>): string {
  return bytesToHex(sha256(utf8ToBytes(stableJson([bundle.job, bundle.repairs, bundle.sheets]))));
}

/** Freezes the plan as it stands. */
export function snapshotOf(bundle: JobInYard, nowMs: number, id: string, pots: Pots = NO_POTS): PlanSnapshot {
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
