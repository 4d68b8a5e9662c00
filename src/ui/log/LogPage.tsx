'use client';
import { Fragment, useDeferredValue, useMemo, useState } from 'react';
import { z } from 'zod';
import { repairName } from '@/core/plan';
import {
  bodyShape,
  byTime,
  chainsOf,
  type Event,
  type EventBody,
  entriesOf,
  eventSaid,
  isClosedTo,
  isSignature,
} from '@/core/record';
import type { Kind } from '@/core/units';
import { formatDuration, phrase } from '@/words';
import { useSay } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { Link } from '../shared/Link';
import { QuantityField } from '../shared/QuantityField';
import { RecordForm } from '../shared/RecordForm';
import { Tag } from '../shared/Tag';
import { WhenField } from '../shared/WhenField';
import { clock as clockAt, dayOf, fullWhen } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { useJobView } from '../workspace/view';
import { clock, useWorkspace } from '../workspace/workspace';

/** One event in plain words. */
export function useWords(jobId: string) {
  const view = useJobView(jobId);
  const says = useSay(view?.job.zone ?? 'utc');
  return (e: Event): string =>
    says(
      eventSaid(
        e,
        view?.repairs.find((r) => r.repair.id === e.repairId),
      ),
    );
}

/** Entries that are shown at first, and with each press further ones. */
const FIRST_SHOWN = 120;
const FURTHER = 400;

/** What happened when. Nothing is erased: a correction stands beside what it corrects. */
export function LogPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const nowMs = useNow(60_000);
  const events = useWorkspace((d) => d.events);
  const words = useWords(jobId);
  const [amending, setAmending] = useState<Event | null>(null);
  const [most, setMost] = useState(FIRST_SHOWN);
  const mine = useMemo(() => events.filter((e) => e.jobId === jobId), [events, jobId]);
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser.
      </main>
    );
  const names = new Map(view.repairs.map((r) => [r.repair.id, repairName(r.repair)]));
  const all = [...entriesOf(mine)].sort((a, b) => byTime(a.event, b.event));
  // A long record opens at its end; what lies before is a press away.
  const entries = all.slice(Math.max(0, all.length - most));
  const closed = new Set(
    view.repairs
      .filter((r) =>
        isClosedTo(
          mine.filter((e) => e.repairId === r.repair.id),
          CORRECTION,
        ),
      )
      .map((r) => r.repair.id),
  );
  return (
    <div className="px-4 md:px-6 pt-3 pb-8">
      <Tag view={view} nowMs={nowMs} />
      <main id="main" className="mt-4 max-w-5xl">
        <h1 className="text-2xl font-bold">Log</h1>
        <p className="soft mb-3">What happened when. A correction is added beside; nothing is erased.</p>
        {entries.length === 0 && (
          <p>
            Nothing has happened yet. The first entry is written when work begins in the{' '}
            <Link href={`/job/${jobId}`}>running view of a repair</Link>.
          </p>
        )}
        {all.length > entries.length && (
          <div className="flex gap-2 mb-2 no-print items-center">
            <button
              type="button"
              className="btn text-sm"
              onClick={() => setMost(most + FURTHER)}
            >{phrase`${Math.min(FURTHER, all.length - entries.length)} earlier entries`}</button>
            <button
              type="button"
              className="btn btn-link text-sm"
              onClick={() => setMost(all.length)}
            >{phrase`all ${all.length}`}</button>
          </div>
        )}
        <table className="table paper">
          <thead className="text-left soft text-sm max-[420px]:text-xs max-[380px]:sr-only">
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
            {entries.map(({ event: e, later }, i) => {
              const day = dayOf(e.at, view.job.zone);
              const isNewDay = i === 0 || dayOf(entries[i - 1]!.event.at, view.job.zone) !== day;
              const last = later.at(-1) ?? e;
              // What was signed is not unsaid: it is reopened, in Release. A closed record is not corrected.
              const fixed =
                closed.has(e.repairId) || isSignature(e) || last.body.kind === 'withdrawn' || FINAL.has(e.body.kind);
              return (
                <Fragment key={e.id}>
                  {isNewDay && (
                    <tr style={{ borderTop: '2px solid var(--ink)' }}>
                      <th scope="rowgroup" colSpan={5} className="text-left p-2 pb-0.5">
                        {day}
                      </th>
                    </tr>
                  )}
                  <tr
                    className="max-[380px]:grid max-[380px]:grid-cols-[auto_minmax(0,1fr)] max-[380px]:gap-x-2 max-[380px]:px-2"
                    style={{ borderTop: '1px solid var(--paper-line)' }}
                    data-event={e.body.kind}
                  >
                    <td className="fig text-[0.85rem] px-2 py-1.5 whitespace-nowrap align-top">
                      <time dateTime={new Date(e.at).toISOString()}>{clockAt(e.at, view.job.zone)}</time>
                    </td>
                    <td className="align-top py-1.5 pr-2 max-[420px]:pr-1">{names.get(e.repairId ?? '')}</td>
                    <td className="align-top py-1.5 max-[380px]:col-span-2">
                      <span className={later.length ? 'line-through soft' : ''}>{words(e)}</span>
                      {e.clockJumpMs !== undefined && (
                        <span className="block soft text-sm">{phrase`written while the device’s clock was in doubt by ${formatDuration(Math.abs(e.clockJumpMs) / 60_000)}`}</span>
                      )}
                      {later.map((c) => (
                        <span key={c.id} className="block">
                          → {words(c)}
                          {c.body.kind !== 'withdrawn' && c.at !== e.at
                            ? phrase`, at ${fullWhen(c.at, view.job.zone)}`
                            : ''}{' '}
                          <span className="soft text-sm">
                            ({c.role}, {fullWhen(c.recordedAt, view.job.zone)})
                          </span>
                        </span>
                      ))}
                    </td>
                    <td className="align-top py-1.5 pr-2 max-[420px]:pr-1">{e.role}</td>
                    <td className="align-top py-1 text-right pr-2 max-[420px]:pr-0 no-print">
                      {!fixed && (
                        <button
                          type="button"
                          className="btn btn-link text-sm max-[420px]:text-xs max-[420px]:px-0"
                          onClick={() => setAmending(last)}
                        >
                          correct…
                        </button>
                      )}
                    </td>
                  </tr>
                </Fragment>
              );
            })}
          </tbody>
        </table>
        <Chains events={mine} names={names} />
      </main>
      <Dialog open={amending !== null} title="Correct an entry" onClose={() => setAmending(null)}>
        {amending && (
          <Amend event={amending} zone={view.job.zone} words={words(amending)} onDone={() => setAmending(null)} />
        )}
      </Dialog>
    </div>
  );
}

/** Entries that say nothing which could be put right: they are answered by a new one. */
const FINAL: ReadonlySet<EventBody['kind']> = new Set(['reopened', 'clock-set', 'inspection']);
const CORRECTION: Pick<Event, 'body'> = { body: { kind: 'withdrawn', why: 'asked' } };

const NONE_YET: readonly Event[] = [];

const BROKEN = {
  missing: 'entries before it are missing',
  changed: 'the entry before it is not as it was written',
  doubled: 'two entries have this number',
} as const;

/** Whether the record is whole: each entry carries the hash of the one before it. */
function Chains({ events, names }: { events: readonly Event[]; names: ReadonlyMap<string, string> }) {
  // The entries are read first; whether they are whole is told a moment after.
  const settled = useDeferredValue(events, NONE_YET);
  const chains = useMemo(() => chainsOf(settled), [settled]);
  if (!chains.length) return null;
  const breaks = chains.flatMap((c) => c.breaks.map((b) => ({ ...b, of: names.get(c.repairId) ?? c.repairId })));
  const unlinked = chains.reduce((n, c) => n + c.unlinked, 0);
  const linked = chains.reduce((n, c) => n + c.linked, 0);
  const old = unlinked > 0 && phrase` ${unlinked} of an earlier version carry none.`;
  return (
    <section aria-label="Whether the record is whole" className="mt-4" data-testid="chains">
      <h2 className="font-bold">
        {breaks.length ? 'The record is broken' : linked ? 'The record is whole' : 'The record is not linked'}
      </h2>
      <p className="soft text-sm max-w-2xl">{phrase`Each entry carries the hash of the one before it, device by device.${old} The last hashes stand on the report: a record whose end was cut off no longer has them.`}</p>
      {breaks.map((b) => (
        <p
          key={`${b.eventId} ${b.n}`}
          role="alert"
          style={{ color: 'var(--stop)' }}
        >{phrase`${b.of}: at entry ${b.n}, ${BROKEN[b.is]}.`}</p>
      ))}
      <details>
        <summary className="cursor-pointer text-sm">
          {chains.length} {chains.length === 1 ? 'chain' : 'chains'}
        </summary>
        <table className="table text-sm">
          <tbody>
            {chains.map((c) => (
              <tr key={`${c.repairId} ${c.browser}`}>
                <td className="pr-3">{names.get(c.repairId)}</td>
                <td className="pr-3">{phrase`device ${c.browser.slice(0, 8)}`}</td>
                <td className="fig pr-3">{c.linked + c.unlinked}</td>
                <td className="fig break-all">{c.last ?? 'not linked'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}

/** The figure of an entry as another one; null for one that has none. */
function figureOf(body: EventBody): {
  readonly kind: Kind;
  readonly value: number;
  readonly is: (value: number) => EventBody;
  readonly check: (value: number) => string | null;
} | null {
  const positive = (v: number) => (v > 0 ? null : 'More than 0.');
  switch (body.kind) {
    case 'reading':
      return {
        kind: 'temperature',
        value: body.valueC,
        is: (valueC) => ({ ...body, valueC }),
        check: (v) => (v >= -60 && v <= 150 ? null : 'A temperature between −60 and 150 °C.'),
      };
    case 'humidity':
      return {
        kind: 'percent',
        value: body.valuePct,
        is: (valuePct) => ({ ...body, valuePct }),
        check: (v) => (v > 0 && v <= 100 ? null : 'Above 0 and at most 100 %.'),
      };
    case 'poured':
      return { kind: 'mass', value: body.massG, is: (massG) => ({ ...body, massG }), check: positive };
    case 'left':
      return {
        kind: 'mass',
        value: body.overG,
        is: (overG) => ({ ...body, overG }),
        check: (v) => (v >= 0 ? null : 'Nought or more.'),
      };
    case 'drunk':
      return { kind: 'volume', value: body.ml, is: (ml) => ({ ...body, ml }), check: positive };
    case 'trouble':
      return body.missingMl === null
        ? null
        : { kind: 'volume', value: body.missingMl, is: (missingMl) => ({ ...body, missingMl }), check: positive };
    default:
      return null;
  }
}

const Withdrawn = z.object({ why: bodyShape('withdrawn').why });

function Amend({ event, zone, words, onDone }: { event: Event; zone: string; words: string; onDone: () => void }) {
  const role = usePrefs((p) => p.role);
  const figured = figureOf(event.body);
  const putRight = async (body: EventBody, at: number) => {
    await record(event.repairId, body, role, {
      at,
      amends: event.id,
      ...(event.passId ? { passId: event.passId } : {}),
    });
    onDone();
  };
  return (
    <div className="flex flex-col gap-3">
      <p>
        <strong>{words}</strong> stays readable; the correction is added beside it.
      </p>
      {figured && (
        <QuantityField
          kind={figured.kind}
          label="The right value"
          value={figured.value}
          onChange={(t) => void putRight(figured.is(t.value), event.at)}
          check={figured.check}
        />
      )}
      <WhenField
        label="When it really was"
        value={event.at}
        zone={zone}
        atHour={12}
        check={(ms) => (ms > clock.now() ? 'That is still to come.' : null)}
        onChange={(ms) => void putRight(event.body, ms)}
      />
      <RecordForm
        schema={Withdrawn}
        start={{ why: '' }}
        fields={[
          {
            name: 'why',
            label: 'Take it back: why?',
            rows: 2,
            kept: `withdraw ${event.id}`,
            missing: 'Write why: it stays in the record.',
          },
        ]}
        tone="btn"
        act="Withdraw the entry"
        onSave={async ({ why }) => {
          await record(event.repairId, { kind: 'withdrawn', why }, role, {
            amends: event.id,
            ...(event.passId ? { passId: event.passId } : {}),
          });
        }}
        onDone={onDone}
      />
    </div>
  );
}
