'use client';
import { useState } from 'react';
import { z } from 'zod';
import type { StrengthOver } from '@/core/plan';
import { bodyShape, type Opening, obstaclesToOpen, openingsOf, Role } from '@/core/record';

import { figure, lowered, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { useSay } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { RecordForm } from '../shared/RecordForm';
import { shortWhen } from '../shared/when';
import { record } from '../workspace/record';
import { SIGNS_IN } from './signs-in';

/** Places that are so far apart are not told apart. */
const A_MINUTE_MS = 60_000;

/** What may be let onto it, one use after the other, each signed by itself. */
export function Openings({
  view,
  at,
  nowMs,
  role,
  strength,
}: StageProps & { role: string; strength: StrengthOver | null }) {
  const [signing, setSigning] = useState<Opening | null>(null);
  const { whole } = at;
  const { plan, actuals } = whole;
  const { zone } = view.job;
  return (
    <>
      <ul>
        {openingsOf(plan).map((m) => {
          const signed = actuals.opened.get(m.kind);
          const reached = m.atMs !== null && nowMs >= m.atMs;
          return (
            <li
              key={m.kind}
              className="flex flex-wrap items-center gap-x-4 py-1"
              style={{ borderTop: '1px solid var(--paper-line)' }}
              data-opens={m.kind}
            >
              <span className="flex-1 min-w-32">
                {reached ? '● ' : '○ '}
                {m.label}
              </span>
              {strength?.fromPoints && m.atMs !== null && (
                <span className="soft fig text-sm">
                  {figure(strength.shareAt(m.atMs) * 100, 2)} %
                  <span className="hidden sm:inline"> of its strength</span>
                </span>
              )}
              <span className="fig sm:w-40 text-right">
                {m.atMs !== null ? shortWhen(m.atMs, zone, nowMs) : 'no time'}
                {m.atMs !== null && m.firstMs !== null && m.atMs - m.firstMs >= A_MINUTE_MS && (
                  <span className="block soft text-sm">{phrase`the first ${shortWhen(m.firstMs, zone, nowMs)}`}</span>
                )}
              </span>
              <span className="sm:w-36 text-right text-sm no-print">
                {signed
                  ? phrase`opened, ${signed.role}`
                  : reached &&
                    !actuals.released &&
                    actuals.startedAt !== null && (
                      <button type="button" className="btn text-sm" onClick={() => setSigning(m)}>
                        open for this…
                      </button>
                    )}
              </span>
            </li>
          );
        })}
      </ul>
      <Dialog
        open={signing !== null}
        title={phrase`Open it: ${signing ? lowered(signing.label) : ''}`}
        onClose={() => setSigning(null)}
      >
        {signing && <Sign m={signing} at={at} zone={zone} nowMs={nowMs} known={role} onDone={() => setSigning(null)} />}
      </Dialog>
    </>
  );
}

const Opened = z.object({ note: bodyShape('opened').note, role: Role });

function Sign({
  m,
  at,
  zone,
  nowMs,
  known,
  onDone,
}: {
  m: Opening;
  at: StageProps['at'];
  zone: string;
  nowMs: number;
  known: string;
  onDone: () => void;
}) {
  const says = useSay(zone);
  const obstacles = obstaclesToOpen(at.whole, m.kind, nowMs).map(says);
  if (obstacles.length)
    return (
      <>
        <p className="font-bold">Not yet:</p>
        <ul className="list-disc pl-5">
          {obstacles.map((o) => (
            <li key={o} className="first-letter:uppercase">
              {o}
            </li>
          ))}
        </ul>
      </>
    );
  return (
    <div className="flex flex-col gap-3">
      <p>For this alone. The barrier stays for everything else until the repair is released.</p>
      <RecordForm
        schema={Opened}
        start={{ note: '', role: known }}
        fields={[
          {
            name: 'note',
            label: 'What may use it, and what not',
            rows: 2,
            kept: `open ${m.kind}`,
            missing: '',
          },
          SIGNS_IN,
        ]}
        act="Sign and open for this"
        onSave={({ note, role }) => record(at.repair.id, { kind: 'opened', stage: m.kind, note }, role)}
        onDone={onDone}
      />
    </div>
  );
}
