import type { VoidShape } from '../void';
import type { Job } from './job';
import { type Pass, type Repair, USUAL_SCALE_G } from './repair';

/** A photograph belongs to what it shows: a copy is measured from another place. */
function withoutPhoto(shape: VoidShape): VoidShape {
  return 'outline' in shape && shape.outline.kind === 'polygon' && shape.outline.photoId !== null
    ? { ...shape, outline: { ...shape.outline, photoId: null } }
    : shape;
}

const copiedPass = (pass: Pass): Pass => ({
  ...pass,
  void: pass.void && { ...pass.void, shapes: pass.void.shapes.map(withoutPhoto) },
});

/** Where a copy goes. */
interface Into {
  readonly id: string;
  readonly jobId: string;
  readonly order: number;
  readonly nowMs: number;
  /** Its name; that of the first where none is said. */
  readonly name?: string;
}

/**
 * A repair as a template for another: what was measured and chosen is kept, what was found or happened at its place is
 * not. Inspection is made anew wherever it is.
 */
export function copiedRepair(repair: Repair, { id, jobId, order, nowMs, name = repair.name }: Into): Repair {
  const elsewhere = jobId !== repair.jobId;
  return {
    ...repair,
    id,
    jobId,
    order,
    name,
    answers: {},
    base: { ...repair.base, known: [], castOn: elsewhere ? null : repair.base.castOn },
    passes: Object.fromEntries(Object.entries(repair.passes).map(([key, pass]) => [key, copiedPass(pass)])),
    surface: 'bone dry',
    moisturePct: null,
    plannedStart: null,
    waterAt: null,
    rests: [],
    notice: null,
    scaleStepG: elsewhere ? USUAL_SCALE_G : repair.scaleStepG,
    updatedAt: nowMs,
  };
}

/**
 * A job as a template: its place, hours and air, with copies of its repairs; nothing of its dates and its record.
 * @param ids one for the job, then one for each repair
 */
export function copiedJob(
  job: Job,
  repairs: readonly Repair[],
  { ids, nowMs, name }: { readonly ids: readonly string[]; readonly nowMs: number; readonly name: string },
): { readonly job: Job; readonly repairs: readonly Repair[] } {
  const [id, ...others] = ids;
  if (!id || others.length < repairs.length) throw new RangeError('an id for the job and one for each repair');
  return {
    job: {
      ...job,
      id,
      name,
      wantedAt: null,
      startFrom: Math.ceil(nowMs / 3_600_000) * 3_600_000,
      createdAt: nowMs,
      updatedAt: nowMs,
      closedAt: null,
      sample: false,
    },
    repairs: repairs.map((r, i) => copiedRepair(r, { id: others[i]!, jobId: id, order: r.order, nowMs })),
  };
}
