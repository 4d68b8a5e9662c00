'use client';
import type { RepairView } from '@/core/record';
import { record } from '../workspace/workspace';
import { stepsOf } from './steps-of';

/** What is done with a pot once all is in it: mixing, standing, a cup kept, or away with it. */
export function BenchSteps({
  at,
  batch,
  ready,
  within,
  poured,
  nowMs,
  role,
  onThrowAway,
}: {
  at: RepairView;
  batch: number;
  /** All parts are in, and the pot is not lost. */
  ready: boolean;
  /** The ratio is inside its tolerance. */
  within: boolean;
  poured: boolean;
  nowMs: number;
  role: string;
  onThrowAway: () => void;
}) {
  const repairId = at.repair.id;
  const started = at.actuals.startedAt !== null;
  const { mixStep, standStep } = stepsOf(at.plan, batch);
  const [mixingBegan, mixingOver] = [mixStep?.begunAt ?? null, mixStep?.doneAt ?? null];
  const cup = at.actuals.witness.get(batch);
  return (
    <div className="flex flex-wrap gap-2 mt-3">
      {started && ready && mixStep && mixingBegan === null && (
        <button
          type="button"
          className="act firm min-h-12"
          disabled={!within}
          onClick={() => void record(repairId, { kind: 'step-begun', step: mixStep.id }, role)}
        >
          Start mixing: start the clock
        </button>
      )}
      {started && mixStep && mixingBegan !== null && mixingOver === null && (
        <button
          type="button"
          className="act firm min-h-12"
          onClick={() => void record(repairId, { kind: 'step-done', step: mixStep.id }, role)}
        >
          Mixed to one colour
        </button>
      )}
      {started && standStep && mixingOver !== null && standStep.doneAt === null && (
        <button
          type="button"
          className="act firm min-h-12"
          disabled={nowMs < standStep.startMs}
          onClick={() => void record(repairId, { kind: 'step-done', step: standStep.id }, role)}
        >
          It has stood its time
        </button>
      )}
      {started && mixingBegan !== null && !cup && (
        <button
          type="button"
          className="act min-h-12"
          onClick={() => void record(repairId, { kind: 'witness', batch, state: 'kept' }, role)}
        >
          A cup of it is kept
        </button>
      )}
      {poured && (
        <button type="button" className="act danger min-h-12" onClick={onThrowAway}>
          Throw this pot away
        </button>
      )}
    </div>
  );
}
