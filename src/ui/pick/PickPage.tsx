'use client';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { jobName, repairName } from '@/core/plan';
import { amountOf, type PickedKit, pickList } from '@/core/record';

import { joined, moneyWords, own, phrase } from '@/words';
import { Heading, useSay, Ways } from '../shared/bits';
import { CopyTables } from '../shared/CopyTables';
import { Dialog } from '../shared/Dialog';
import { Link } from '../shared/Link';
import { QuantityField } from '../shared/QuantityField';
import { SavingButton } from '../shared/SavingButton';
import { fullWhen } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { useJobView } from '../workspace/view';

/** What all of it is worth says something where a part of it is there already. */
const showsWorth = ({ worth, toSpend }: ReturnType<typeof pickList>): boolean =>
  worth !== null && worth.length > 0 && (toSpend === null || moneyWords(worth) !== moneyWords(toSpend));

/** What goes along, on one page: kits from which lots, consumables, protection, disposal, what comes back. */
export function PickPage({ jobId }: { jobId: string }) {
  const view = useJobView(jobId);
  const says = useSay();
  const nowMs = useNow(60_000);
  const [checking, setChecking] = useState<PickedKit | null>(null);
  if (!view)
    return (
      <main id="main" className="p-8">
        This job is not in this browser. <Ways />
      </main>
    );
  const list = pickList(view);
  const missing = view.repairs.filter((r) => r.passes.some((p) => !p.plan.mix));
  return (
    <div>
      <div className="no-print flex gap-2 p-4 items-center flex-wrap">
        <button type="button" className="btn btn-neutral" onClick={() => window.print()}>
          <Printer size={18} aria-hidden="true" /> Print
        </button>
        <CopyTables
          more={[
            list.consumables.map((c) => [says(amountOf(c)), says(c.what), says(c.why)]),
            list.tools.map((x) => [x]),
            list.protection.map((x) => [x]),
          ]}
        />
        <Link className="btn" href={`/job/${jobId}`}>
          Back to the job
        </Link>
        <span className="flex-1" />
        <Ways />
      </div>
      <main
        id="main"
        className="sheet-page paper max-w-[210mm] mx-auto p-[10mm] mb-6"
        data-theme="sun"
        style={{ color: '#000' }}
      >
        <header className="flex items-end gap-4 pb-2" style={{ borderBottom: '3px solid #000' }}>
          <div className="flex-1">
            <h1 className="text-2xl font-extrabold leading-tight">{phrase`Pick list: ${own(jobName(view.job))}`}</h1>
            <p>
              {view.job.place && `${view.job.place} · `}
              {fullWhen(nowMs, view.job.zone)}
            </p>
          </div>
          <p className="text-right">
            {list.toSpend !== null && (
              <>
                {list.toSpend.length > 0 ? (
                  <>
                    to buy for <strong className="fig text-xl">{moneyWords(list.toSpend)}</strong>
                  </>
                ) : (
                  <strong>nothing to buy</strong>
                )}
                <br />
              </>
            )}
            {showsWorth(list) && <>{phrase`worth of all ${moneyWords(list.worth!)}`}</>}
          </p>
        </header>
        {missing.length > 0 && (
          <p className="mt-2 font-semibold">{phrase`Not in this list, because not planned yet: ${joined(
            missing.map((r) => repairName(r.repair)),
            ', ',
          )}.`}</p>
        )}
        <Heading>Kits</Heading>
        {list.kits.length === 0 && <p>Nothing is planned yet.</p>}
        <table className="table">
          <tbody>
            {list.kits.map((k) => (
              <tr key={k.systemId + k.kit} style={{ borderBottom: '1px solid #aaa' }}>
                <td className="py-1 w-7">
                  <Box />
                </td>
                <td className="fig font-bold text-right pr-2 whitespace-nowrap">{k.count} ×</td>
                <td>
                  {k.kit} <span className="soft">{k.system}</span>
                </td>
                <td className="text-sm">
                  {joined(
                    k.lots.map((l) => phrase`${l.take} of lot ${l.lot}`),
                    ', ',
                  )}
                  {k.toOthers.map(({ lot, take, job }) => (
                    <span
                      key={lot + job}
                      className="block soft"
                    >{phrase`${take} of lot ${lot} for “${own(job)}” first`}</span>
                  ))}
                  {k.buy > 0 && <strong>{phrase`${k.lots.length ? ', ' : ''}buy ${k.buy}`}</strong>}
                </td>
                <td className="no-print text-right">
                  <button
                    type="button"
                    className="btn text-sm"
                    onClick={() => setChecking(k)}
                    aria-label={phrase`Check the contents of ${k.kit}`}
                  >
                    check contents
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="grid sm:grid-cols-2 gap-x-8 print:grid-cols-2">
          <div>
            <Heading>Consumables</Heading>
            <ul>
              {list.consumables.map((c) => (
                <li key={says(c.what)} className="flex gap-2 py-0.5">
                  <Box />
                  <span>
                    <strong className="fig">{says(amountOf(c))}</strong> {says(c.what)}
                    <span className="block soft text-xs">{says(c.why)}</span>
                  </span>
                </li>
              ))}
            </ul>
          </div>
          <div>
            <Heading>Tools</Heading>
            <Ticks list={list.tools} />
            <Heading>Protection</Heading>
            <Ticks list={list.protection} />
            {list.checks.length > 0 && (
              <>
                <Heading>Look at before use</Heading>
                <Ticks list={list.checks} />
              </>
            )}
            {list.returns.length > 0 && (
              <>
                <Heading>Comes back unopened, if all goes to plan</Heading>
                <ul>
                  {list.returns.map((r) => (
                    <li key={r.system + r.kit}>
                      {r.count} × {r.kit} <span className="soft">{r.system}</span>
                    </li>
                  ))}
                </ul>
              </>
            )}
            <Heading>What is left</Heading>
            <ul className="list-disc pl-5 text-sm">
              {list.disposal.map(says).map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          </div>
        </div>
      </main>
      <Dialog
        open={checking !== null}
        title={checking ? phrase`Contents of ${checking.kit}` : ''}
        onClose={() => setChecking(null)}
      >
        {checking && (
          <Contents
            kit={checking}
            repairId={
              view.repairs.find((r) => r.passes.some((p) => p.plan.sheet?.systemId === checking.systemId))?.repair.id ??
              null
            }
            onDone={() => setChecking(null)}
          />
        )}
      </Dialog>
    </div>
  );
}

const Box = () => (
  <span aria-hidden="true" className="inline-block size-4 shrink-0 mt-0.5" style={{ border: '1.5px solid #000' }} />
);

function Ticks({ list }: { list: readonly string[] }) {
  return (
    <ul>
      {list.map((x) => (
        <li key={x} className="flex gap-2 py-0.5">
          <Box /> {x}
        </li>
      ))}
    </ul>
  );
}

/** What is in the box against what it lists; the difference goes into the record. */
function Contents({ kit, repairId, onDone }: { kit: PickedKit; repairId: string | null; onDone: () => void }) {
  const { role } = usePrefs();
  const [found, setFound] = useState<readonly number[]>(kit.lists.map((l) => l.count));
  const short = kit.lists.filter((l, i) => found[i]! < l.count);
  return (
    <>
      <table className="table">
        <thead className="soft text-sm text-left">
          <tr>
            <th className="font-normal">what</th>
            <th className="font-normal">listed</th>
            <th className="font-normal">found</th>
          </tr>
        </thead>
        <tbody>
          {kit.lists.map((l, i) => (
            <tr key={l.what}>
              <td>{l.what}</td>
              <td className="fig">{l.count}</td>
              <td>
                <QuantityField
                  kind="count"
                  label={phrase`Found: ${l.what}`}
                  hideLabel
                  className="w-20"
                  value={found[i]!}
                  onChange={({ value }) => setFound(found.map((f, k) => (k === i ? value : f)))}
                  check={(n) => (Number.isInteger(n) && n >= 0 && n <= 999 ? null : 'A whole number from 0 to 999.')}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {short.length > 0 && (
        <p role="status" className="mt-2 font-semibold">{phrase`Missing: ${joined(
          short.map((s) => s.what),
          ', ',
        )}. A kit that is not whole is not used by eye.`}</p>
      )}
      <SavingButton
        className="btn btn-neutral mt-3"
        disabled={!repairId}
        onSave={async () => {
          if (!repairId) return;
          await record(
            repairId,
            {
              kind: 'contents',
              kit: phrase`${kit.kit}, ${kit.system}`,
              found: kit.lists.map((l, i) => ({ what: l.what, listed: l.count, found: found[i]! })),
            },
            role,
          );
          onDone();
        }}
      >
        Into the record
      </SavingButton>
    </>
  );
}
