'use client';
import { useState } from 'react';
import { barrierHeld, barrierMissing, isWalkedOn, type RepairView } from '@/core/record';
import { useSay } from '../shared/bits';
import { SavingButton } from '../shared/SavingButton';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';

/** What usually keeps people off: a floor, and what nobody walks on. */
const USUAL = { walked: 'cones and tape', other: 'a tag on it' };

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
  const [typed, setTyped] = useState<string | null>(null);
  const what = typed ?? barrier?.what ?? (isWalkedOn(whole) ? USUAL.walked : USUAL.other);
  const set = (state: 'up' | 'down') => async () => {
    await record(whole.repair.id, { kind: 'barrier', state, what: what.trim() }, role);
    setTyped(null);
  };
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
          <SavingButton className="btn mt-1" disabled={held !== null} onSave={set('down')}>
            It is down
          </SavingButton>
        </>
      ) : (
        !released && (
          <div className="flex gap-2 items-end mt-1">
            <label className="flex-1">
              What keeps people off
              <input className="input" value={what} maxLength={200} onChange={(e) => setTyped(e.target.value)} />
            </label>
            <SavingButton className="btn" disabled={!what.trim()} onSave={set('up')}>
              It is up
            </SavingButton>
          </div>
        )
      )}
    </section>
  );
}
