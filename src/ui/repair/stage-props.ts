import type { JobView, RepairView } from '@/core/record';

/** What every stage gets. */
export interface StageProps {
  readonly view: JobView;
  readonly at: RepairView;
  readonly nowMs: number;
}
