'use client';
import { z } from 'zod';
import { barrierHeld, barrierMissing, bodyShape, isWalkedOn, type RepairView } from '@/core/record';
import { useSay } from '../shared/bits';
import { RecordForm } from '../shared/RecordForm';
import { SavingButton } from '../shared/SavingButton';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';

/** What usually keeps people off: a floor, and what nobody walks on. */
const USUAL = { walked: 'cones and tape', other: 'a tag on it' };

const PutUp = z.object({ what: bodyShape('barrier').what });

/** What keeps people and vehicles off: put up when something soft lies there, down when the repair is released. */
export function Barrier({
  whole,
  zone,
  nowMs,
  role,
}: {
  whole: RepairView;
  zone: string;
  nowMs: number;
  role: string;
}) {
  const says = useSay(zone);
  const { barrier, startedAt, released } = whole.actuals;
  const usual = barrier?.what ?? (isWalkedOn(whole) ? USUAL.walked : USUAL.other);
  const set = (state: 'up' | 'down', what: string) => record(whole.repair.id, { kind: 'barrier', state, what }, role);
  if (startedAt === null) return null;
  const up = barrier?.state === 'up';
  const held = barrierHeld(whole);
  return (
    <section aria-label="Barrier" className="mt-3">
      <h3 className="font-bold">Barrier</h3>
      {barrier && (
        <p data-testid="barrier">
          <strong>{barrier.what}</strong> {up ? 'up since' : 'down since'} {shortWhen(barrier.atMs, zone, nowMs)},{' '}
          {barrier.role}.{up && released && ' The repair is released: it may come down.'}
        </p>
      )}
      {barrierMissing(whole, nowMs) && (
        <p className="font-semibold" role="status">
          Nothing keeps feet and wheels off what is still soft.
        </p>
      )}
      {up ? (
        <>
          {held && <p className="soft text-sm">{says(held)}</p>}
          <SavingButton className="btn mt-1" disabled={held !== null} onSave={() => set('down', usual)}>
            It is down
          </SavingButton>
        </>
      ) : (
        !released && (
          <RecordForm
            schema={PutUp}
            start={{ what: usual }}
            fields={[{ name: 'what', label: 'What keeps people off', missing: 'Write what keeps people off.' }]}
            row
            tone="btn"
            act="It is up"
            onSave={({ what }) => set('up', what)}
          />
        )
      )}
    </section>
  );
}
