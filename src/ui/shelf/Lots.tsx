'use client';
import { Plus, Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { passedOver } from '@/core/plan';
import { type SheetRevision, type Stock, systemKind } from '@/core/system';
import { money } from '@/core/units';
import { figure, joined, own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { Heading, TextField, useSay } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { DropCounter } from '../shared/DropCounter';
import { Link } from '../shared/Link';
import { MoneyField } from '../shared/MoneyField';
import { QuantityField } from '../shared/QuantityField';
import { DayField } from '../shared/WhenField';
import { dayAndClock } from '../shared/when';
import { useNow } from '../workspace/now';
import { usePromised } from '../workspace/promised';
import { changeLot, putLot, removeLot, useWorkspace } from '../workspace/workspace';

const today = (nowMs: number) => new Date(nowMs).toISOString().slice(0, 10);

/** Lots of a system that stand on the shelf. */
export function Lots({ sheet }: { sheet: SheetRevision }) {
  const says = useSay();
  const stock = useWorkspace((d) => d.stock);
  const [open, setOpen] = useState<string | null>(null);
  const nowMs = useNow(60_000);
  const promised = usePromised();
  const jobs = useWorkspace((d) => d.jobs);
  const lots = [...stock.values()]
    .filter((l) => l.systemId === sheet.systemId)
    .sort((a, b) => ((a.expiresOn ?? '9') < (b.expiresOn ?? '9') ? -1 : 1));
  const add = () => {
    const id = nanoid(12);
    putLot({
      record: 'stock',
      version: 2,
      id,
      systemId: sheet.systemId,
      kitId: sheet.kits[0]!.id,
      lot: 'unnamed lot',
      quantity: 1,
      expiresOn: null,
      openedOn: null,
      openedShare: 0,
      breaches: [],
      price: null,
      currency: null,
      dropsPerMl: null,
      stripMm: null,
      where: '',
      sample: false,
    });
    setOpen(id);
  };
  const mine = open ? stock.get(open) : undefined;
  return (
    <>
      <Heading aside="first to expire is taken first">On the shelf</Heading>
      {lots.length === 0 && <p className="soft">No lot noted. The plan then lists everything to buy.</p>}
      <ul>
        {lots.map((l) => {
          const why = passedOver(l, sheet, today(nowMs));
          return (
            <li
              key={l.id}
              className="py-1.5 flex justify-between gap-3 items-baseline"
              style={{ borderBottom: '1px solid var(--hair)' }}
            >
              <span>
                <strong className="fig">{l.lot}</strong> {l.quantity} ×{' '}
                {sheet.kits.find((k) => k.id === l.kitId)?.label ?? 'a kit no longer on the sheet'}
                {l.openedShare > 0 ? phrase` and ${figure(l.openedShare * 100)} % of an opened one` : ''}
                <span className="block soft text-sm">
                  {joined(
                    [l.expiresOn ? phrase`use by ${l.expiresOn}` : 'no use-by date', l.where].filter(Boolean),
                    ', ',
                  )}
                </span>
                {promised
                  .filter((p) => p.stockId === l.id)
                  .map(({ jobId, job, take, atMs }) => (
                    <span key={jobId} className="block text-sm">
                      {phrase`${take} for `}
                      <Link href={`/job/${jobId}/pick`}>
                        <Own>{job}</Own>
                      </Link>
                      , {dayAndClock(atMs, jobs.get(jobId)?.zone ?? 'UTC')}
                    </span>
                  ))}
                {why && <span className="block text-sm font-semibold">{phrase`not taken: ${says(why)}`}</span>}
              </span>
              <button
                type="button"
                className="btn text-sm"
                onClick={() => setOpen(l.id)}
                aria-label={phrase`Change lot ${l.lot}`}
              >
                change
              </button>
            </li>
          );
        })}
      </ul>
      <button type="button" className="btn text-sm mt-2" onClick={add}>
        <Plus size={16} aria-hidden="true" /> A lot
      </button>
      <Dialog open={mine !== undefined} title={phrase`Lot of ${own(sheet.name)}`} onClose={() => setOpen(null)}>
        {mine && <LotForm lot={mine} sheet={sheet} onGone={() => setOpen(null)} />}
      </Dialog>
    </>
  );
}

function LotForm({ lot, sheet, onGone }: { lot: Stock; sheet: SheetRevision; onGone: () => void }) {
  const change = (over: Partial<Stock>) => changeLot(lot.id, (l) => ({ ...l, ...over }));
  const [breach, setBreach] = useState('');
  const nowMs = useNow(60_000);
  const day = (key: 'expiresOn' | 'openedOn', label: string) => (
    <DayField
      label={label}
      value={lot[key]}
      whole={key === 'expiresOn' ? 'last' : 'first'}
      zone={Intl.DateTimeFormat().resolvedOptions().timeZone}
      onChange={(v) => change({ [key]: v })}
    />
  );
  const { ways } = systemKind(sheet.kind);
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Lot number"
          value={lot.lot}
          onChange={(v) => v.trim() && change({ lot: v.trim().slice(0, 60) })}
        />
        <label className="block">
          Kit
          <select className="select" value={lot.kitId} onChange={(e) => change({ kitId: e.target.value })}>
            {sheet.kits.map((k) => (
              <option key={k.id} value={k.id}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
        <QuantityField
          kind="count"
          label="Closed kits"
          value={lot.quantity}
          onChange={(t) => change({ quantity: t.value })}
          check={(v) => (Number.isInteger(v) && v >= 0 && v < 10_000 ? null : 'Whole kits, 0 or more.')}
        />
        {day('expiresOn', 'Use by')}
        {day('openedOn', 'One opened on')}
        <QuantityField
          kind="percent"
          label="Left in the opened one"
          value={lot.openedShare * 100}
          onChange={(t) => change({ openedShare: t.value / 100 })}
          check={(v) => (v >= 0 && v <= 100 ? null : 'Between 0 and 100 %.')}
        />
        <TextField
          label="Where it stands"
          value={lot.where}
          onChange={(where) => change({ where: where.slice(0, 120) })}
        />
        <MoneyField
          label="Paid for one"
          value={lot.price === null ? null : money(lot.price, lot.currency)}
          onChange={(paid) => change({ price: paid?.money ?? null, currency: paid?.of ?? null })}
        />
      </div>
      {ways.includes('drops') && <DropCounter value={lot.dropsPerMl} onChange={(v) => change({ dropsPerMl: v })} />}
      {ways.includes('strip') && (
        <QuantityField
          kind="length"
          label="Width of the strip from this tube"
          value={lot.stripMm}
          onChange={(t) => change({ stripMm: t.value })}
          onClear={() => change({ stripMm: null })}
          check={(v) => (v > 0 && v < 40 ? null : 'More than 0, under 40 mm.')}
        />
      )}
      <div>
        <h3 className="font-bold">Stored outside its range</h3>
        {lot.breaches.map((b) => (
          <p key={b.on + b.text}>
            <span className="fig">{b.on}</span> {b.text}
          </p>
        ))}
        <div className="flex gap-2 items-end">
          <label className="block flex-1">
            What happened
            <input
              className="input"
              value={breach}
              onChange={(e) => setBreach(e.target.value)}
              placeholder="a night of frost in the boat house"
            />
          </label>
          <button
            type="button"
            className="btn"
            disabled={!breach.trim()}
            onClick={() => {
              change({ breaches: [...lot.breaches, { on: today(nowMs), text: breach.trim().slice(0, 200) }] });
              setBreach('');
            }}
          >
            Note it
          </button>
        </div>
        <p className="soft text-sm">
          A lot with such a note is not taken by the plan until the note is judged and the lot newly entered.
        </p>
      </div>
      <button
        type="button"
        className="btn btn-outline btn-error self-start"
        onClick={() => {
          removeLot(lot.id);
          onGone();
        }}
      >
        <Trash2 size={16} aria-hidden="true" /> Used up or thrown away
      </button>
    </div>
  );
}
