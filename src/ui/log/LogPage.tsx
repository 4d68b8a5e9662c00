'use client';
import Link from 'next/link';
import { useState } from 'react';
import { METHODS, signsOf, TROUBLES } from '@/core/method';
import { FIRST_PASS, pieceName, WITNESS_STATES } from '@/core/plan';
import { byTime, type Event, type EventBody } from '@/core/record';
import { formatDuration } from '@/core/units';
import { useFormat, useSay } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { QuantityField } from '../shared/QuantityField';
import { RememberedArea, useRememberedText } from '../shared/Remembered';
import { SavingButton } from '../shared/SavingButton';
import { Tag } from '../shared/Tag';
import { fullWhen } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { useJobView } from '../workspace/view';
import { useWorkspace } from '../workspace/workspace';

const CHANNEL = { base: 'base', air: 'air', pot: 'pot' } as const;

/** A trouble by its label, and the sign that was found. */
function troubleTold({ trouble, sign }: Extract<EventBody, { kind: 'trouble' }>): string {
  const known = TROUBLES.find((t) => t.id === trouble);
  const found = known && signsOf(known)?.find((s) => s.id === sign);
  return `${known?.label ?? trouble}${found ? ` (${found.sign})` : ''}`;
}

/** One event in plain words. */
export function useWords(jobId: string) {
  const format = useFormat();
  const view = useJobView(jobId);
  const says = useSay(view?.job.zone ?? 'utc');
  /** A step by its words, and by its pass where there are several. */
  const stepTitle = ({ repairId, passId = FIRST_PASS }: Event, id: string): string => {
    const passes = view?.repairs.find((r) => r.repair.id === repairId)?.passes ?? [];
    const at = passes.findIndex((p) => p.repair.passId === passId);
    const title = passes[at]?.plan.steps.find((x) => x.id === id)?.title;
    return `${says(title ?? id)}${passes.length > 1 && at >= 0 ? ` (${pieceName(passes[at]!.repair, at)})` : ''}`;
  };
  return (e: Event): string => {
    const b: EventBody = e.body;
    switch (b.kind) {
      case 'started':
        return 'Work begun; the plan is kept as it was.';
      case 'replanned':
        return 'Planned anew from the draft; what was done stands.';
      case 'step-begun':
        return `Begun: ${stepTitle(e, b.step)}`;
      case 'step-done':
        return `Done: ${stepTitle(e, b.step)}`;
      case 'reading':
        return `${CHANNEL[b.channel]} ${format('temperature', b.valueC).text} (${b.source})`;
      case 'humidity':
        return `Humidity of the air ${b.valuePct} % (${b.source})`;
      case 'poured':
        return `Poured ${format('mass', b.massG).text} of ${b.part}${b.lot ? `, lot ${b.lot}` : ''}, batch ${b.batch + 1}`;
      case 'discarded':
        return `Pot of batch ${b.batch + 1} thrown away: ${b.why}`;
      case 'witness':
        return b.state === 'kept'
          ? `Cup of batch ${b.batch + 1} kept as its witness`
          : `Cup of batch ${b.batch + 1}: ${WITNESS_STATES[b.state]}`;
      case 'drunk':
        return `Face ${b.face + 1} took ${format('volume', b.ml).text} in one coat`;
      case 'taken':
        return `Taken from lot ${b.lot}: ${b.count} × ${b.kit}`;
      case 'contents':
        return `Contents of ${b.kit}: ${b.found.map((f) => `${f.what} ${f.found} of ${f.listed}`).join(', ')}`;
      case 'note':
        return `Note: ${b.text}`;
      case 'trouble':
        return `Something went wrong: ${troubleTold(b)}${b.missingMl ? `, ${format('volume', b.missingMl).text} missing` : ''}`;
      case 'override':
        return `Stop overridden: ${b.title}. Reason: ${b.reason}`;
      case 'test':
        return `Test “${METHODS.flatMap((m) => m.tests).find((t) => t.id === b.test)?.ask ?? b.test}”: ${b.answer}`;
      case 'released':
        return 'Released';
      case 'reviewed':
        return 'Reviewed';
      case 'lesson':
        return `Lesson: ${b.text}`;
      case 'withdrawn':
        return `Withdrawn: ${b.why}`;
      case 'clock-set':
        return `The device’s clock was wrong by ${formatDuration(Math.abs(b.shiftMs) / 60_000)}: what it wrote before is counted from the right time.`;
    }
  };
}

/** What happened when. Nothing is erased: a correction stands beside what it corrects. */
export function LogPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const nowMs = useNow(60_000);
  const events = useWorkspace((d) => d.events);
  const words = useWords(jobId);
  const [amending, setAmending] = useState<Event | null>(null);
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser.
      </main>
    );
  const mine = events.filter((e) => e.jobId === jobId && !e.amends).sort(byTime);
  const corrections = (id: string) => events.filter((e) => e.amends === id).sort(byTime);
  return (
    <div className="px-4 md:px-6 pt-3 pb-8">
      <Tag view={view} nowMs={nowMs} />
      <main id="main" className="mt-4 max-w-5xl">
        <h1 className="text-2xl font-bold">Log</h1>
        <p className="soft mb-3">What happened when. A correction is added beside; nothing is erased.</p>
        {mine.length === 0 && (
          <p>
            Nothing has happened yet. The first entry is written when work begins in the{' '}
            <Link href={`/job/${jobId}`}>running view of a repair</Link>.
          </p>
        )}
        <table className="w-full paper">
          <thead className="text-left soft text-sm">
            <tr>
              <th className="font-normal p-2">when</th>
              <th className="font-normal">repair</th>
              <th className="font-normal">what</th>
              <th className="font-normal">role</th>
              <th>
                <span className="sr-only">Correct</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {mine.map((e) => {
              const later = corrections(e.id);
              return (
                <tr key={e.id} style={{ borderTop: '1px solid var(--paper-line)' }} data-event={e.body.kind}>
                  <td className="fig text-[0.8rem] p-2 whitespace-nowrap align-top">{fullWhen(e.at, view.job.zone)}</td>
                  <td className="align-top py-1.5 pr-2">
                    {view.repairs.find((r) => r.repair.id === e.repairId)?.repair.name}
                  </td>
                  <td className="align-top py-1.5">
                    <span className={later.length ? 'line-through soft' : ''}>{words(e)}</span>
                    {e.clockJumpMs !== undefined && (
                      <span className="block soft text-sm">
                        written while the device’s clock was in doubt by{' '}
                        {formatDuration(Math.abs(e.clockJumpMs) / 60_000)}
                      </span>
                    )}
                    {later.map((c) => (
                      <span key={c.id} className="block">
                        → {words(c)}{' '}
                        <span className="soft text-sm">
                          ({c.role}, {fullWhen(c.recordedAt, view.job.zone)})
                        </span>
                      </span>
                    ))}
                  </td>
                  <td className="align-top py-1.5 pr-2">{e.role}</td>
                  <td className="align-top py-1 text-right pr-2 no-print">
                    {!later.length && (
                      <button type="button" className="act quiet text-sm" onClick={() => setAmending(e)}>
                        correct…
                      </button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </main>
      <Dialog open={amending !== null} title="Correct an entry" onClose={() => setAmending(null)}>
        {amending && <Amend event={amending} words={words(amending)} onDone={() => setAmending(null)} />}
      </Dialog>
    </div>
  );
}

function Amend({ event, words, onDone }: { event: Event; words: string; onDone: () => void }) {
  const role = usePrefs((p) => p.role);
  const why = useRememberedText(`withdraw ${event.id}`);
  const [fault, setFault] = useState<string | null>(null);
  const reading = event.body.kind === 'reading' ? event.body : null;
  return (
    <div className="flex flex-col gap-3">
      <p>
        <strong>{words}</strong> stays readable; the correction is added beside it.
      </p>
      {reading && (
        <QuantityField
          kind="temperature"
          label="The right value"
          value={reading.valueC}
          onChange={async (t) => {
            await record(event.repairId, { ...reading, valueC: t.value }, role, { at: event.at, amends: event.id });
            onDone();
          }}
          check={(v) => (v >= -60 && v <= 150 ? null : 'A temperature between −60 and 150 °C.')}
        />
      )}
      <RememberedArea label="Take it back: why?" rows={2} of={why} />
      {fault && (
        <p role="alert" style={{ color: 'var(--stop)' }}>
          {fault}
        </p>
      )}
      <SavingButton
        className="act self-start"
        onSave={async () => {
          if (why.text.trim().length < 3) return setFault('Write why: it stays in the record.');
          await record(event.repairId, { kind: 'withdrawn', why: why.text.trim() }, role, { amends: event.id });
          why.type(null);
          onDone();
        }}
      >
        Withdraw the entry
      </SavingButton>
    </div>
  );
}
