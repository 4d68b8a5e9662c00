'use client';
import type { PassView } from '@/core/record';
import { SavingButton } from '../shared/SavingButton';
import { record } from '../workspace/record';
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
  at: PassView;
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
  const started = at.actuals.startedAt !== null;
  const { mixStep, standStep } = stepsOf(at.plan, batch);
  const [mixingBegan, mixingOver] = [mixStep?.begunAt ?? null, mixStep?.doneAt ?? null];
  const cup = at.actuals.witness.get(batch);
  return (
    <div className="flex flex-wrap gap-2 mt-3">
      {started && ready && mixStep && mixingBegan === null && (
        <SavingButton
          className="btn btn-neutral min-h-12"
          disabled={!within}
          onSave={() => record(at.repair, { kind: 'step-begun', step: mixStep.id }, role)}
        >
          Start mixing: start the clock
        </SavingButton>
      )}
      {started && mixStep && mixingBegan !== null && mixingOver === null && (
        <SavingButton
          className="btn btn-neutral min-h-12"
          onSave={() => record(at.repair, { kind: 'step-done', step: mixStep.id }, role)}
        >
          Mixed to one colour
        </SavingButton>
      )}
      {started && standStep && mixingOver !== null && standStep.doneAt === null && (
        <SavingButton
          className="btn btn-neutral min-h-12"
          disabled={nowMs < standStep.startMs}
          onSave={() => record(at.repair, { kind: 'step-done', step: standStep.id }, role)}
        >
          It has stood its time
        </SavingButton>
      )}
      {started && mixingBegan !== null && !cup && (
        <SavingButton
          className="btn min-h-12"
          onSave={() => record(at.repair, { kind: 'witness', batch, state: 'kept' }, role)}
        >
          A cup of it is kept
        </SavingButton>
      )}
      {poured && (
        <button type="button" className="btn btn-outline btn-error min-h-12" onClick={onThrowAway}>
          Throw this pot away
        </button>
      )}
    </div>
  );
}
