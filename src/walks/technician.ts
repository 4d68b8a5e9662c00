import { FIRST_PASS, type PlannedStep } from '@/core/plan';
import { type Bundle, type Event, type EventBody, type JobView, viewJob } from '@/core/record';

/** A step of a job, with the repair it is of. */
export interface JobStep extends PlannedStep {
  readonly repairId: string;
  /** Of the step among all of the job. */
  readonly path: string;
}

/** Who works a job step by step and tells each as it is done: what the plan says next is asked anew every time. */
export class Technician {
  private readonly events: Event[] = [];
  private readonly started = new Set<string>();
  private readonly over = new Set<string>();

  constructor(
    private readonly bundle: Bundle,
    public nowMs: number,
  ) {}

  view(): JobView {
    return viewJob({ ...this.bundle, events: this.events, snapshots: [] }, this.nowMs);
  }

  /** All that is not done yet, as it comes. */
  ahead(view = this.view()): readonly JobStep[] {
    return view.repairs
      .flatMap(({ repair, plan }) =>
        plan.steps.map((s): JobStep => ({ ...s, repairId: repair.id, path: `${repair.id} ${s.passId} ${s.id}` })),
      )
      .filter((s) => !this.over.has(s.path))
      .sort((a, b) => a.startMs - b.startMs || a.endMs - b.endMs);
  }

  /** Does a step, begun when it is planned or now. @param lateMs how much longer than planned it takes */
  does(step: JobStep, lateMs = 0, view = this.view()): void {
    const { repairId, passId, id, marks } = step;
    const fromMs = Math.max(step.startMs, this.nowMs);
    const toMs = fromMs + (step.endMs - step.startMs) + lateMs;
    if (!this.started.has(repairId)) {
      const { passes } = view.repairs.find((r) => r.repair.id === repairId)!;
      const usable = Object.fromEntries(passes.map((p) => [p.plan.passId, p.plan.usableMin]));
      this.tell(repairId, FIRST_PASS, fromMs, {
        kind: 'started',
        snapshotId: 'none',
        usableMin: usable[FIRST_PASS] ?? null,
        usable,
      });
      this.started.add(repairId);
    }
    if (marks?.begin?.length) this.tell(repairId, passId, fromMs, { kind: 'step-begun', step: id });
    this.tell(repairId, passId, toMs, { kind: 'step-done', step: id });
    this.over.add(step.path);
    this.nowMs = Math.max(this.nowMs, toMs);
  }

  /** All that was told. */
  told(): readonly Event[] {
    return this.events;
  }

  /** Tells something of a pass. */
  tell(repairId: string, passId: string, atMs: number, body: EventBody): void {
    const { length } = this.events;
    this.events.push({
      record: 'event',
      version: 1,
      id: `t${length}`,
      device: 'technician',
      sequence: length,
      at: atMs,
      recordedAt: atMs,
      jobId: this.bundle.job.id,
      repairId,
      amends: null,
      role: 'technician',
      body,
      ...(passId === FIRST_PASS ? {} : { passId }),
    });
  }
}
