'use client';
import { useState } from 'react';
import { REFUSAL_SHARE, type Uptake, uptakesOf } from '@/core/plan';
import type { PassView } from '@/core/record';
import type { Said } from '@/core/say';

import { figure, joined, phrase, readQuantity } from '@/words';
import { Prose, useFormat } from '../shared/bits';
import { SavingButton } from '../shared/SavingButton';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';

/** Width and height of the falling bars, px. */
const CHART = { width: 260, height: 64 };

/** What a soak takes, coat by coat and face by face, until it takes no more. */
export function Uptakes({ at, role }: { at: PassView; role: string }) {
  const all = uptakesOf(at.plan, at.actuals);
  if (!all.length) return null;
  return (
    <section aria-label="What it drinks" className="flex flex-col gap-3">
      <h3 className="font-bold text-lg">What it drinks</h3>
      {all.map((u) => (
        <Face key={u.face} of={u} at={at} role={role} />
      ))}
    </section>
  );
}

function Face({ of: u, at, role }: { of: Uptake; at: PassView; role: string }) {
  const format = useFormat();
  const system = usePrefs((p) => p.system);
  const [text, setText] = useState('');
  const [fault, setFault] = useState<Said | null>(null);
  const last = u.coatsMl.at(-1);
  const keep = async () => {
    const read = readQuantity('volume', text, system);
    if (!read.ok || !(read.value > 0)) {
      setFault(read.ok ? 'A coat takes more than nought; leave it out when it took nothing.' : read.sentence);
      return;
    }
    setFault(null);
    await record(at.repair, { kind: 'drunk', face: u.face, ml: read.value }, role);
    setText('');
  };
  return (
    <div style={{ borderTop: '1px solid var(--rule)' }} className="pt-2">
      <p className="flex justify-between gap-3 items-baseline">
        <strong>
          {u.label[0]!.toUpperCase() + u.label.slice(1)}, {format('area', u.areaMm2).text}
        </strong>
        <span className="soft text-sm">{phrase`estimated ${format('volume', u.estimateMl).text}`}</span>
      </p>
      <div className="flex gap-2 items-end mt-1">
        <label className="flex-1">
          {phrase`Coat ${u.coatsMl.length + 1} took`}
          <input
            className="input"
            inputMode="decimal"
            value={text}
            placeholder={
              last === undefined ? format('volume', 85).text : phrase`less than ${format('volume', last).text}`
            }
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <SavingButton className="btn btn-neutral" onSave={keep} disabled={!text.trim()}>
          Write it down
        </SavingButton>
      </div>
      {fault && (
        <p role="alert" style={{ color: 'var(--stop)' }}>
          <Prose>{fault}</Prose>
        </p>
      )}
      {u.coatsMl.length > 0 && (
        <>
          <Falling of={u} />
          <p role="status">
            {u.refuses ? <strong>It takes no more: </strong> : ''}
            {phrase`${u.coatsMl.length} ${u.coatsMl.length === 1 ? 'coat' : 'coats'}, ${
              format('volume', u.totalMl).text
            } in all`}
            {u.lastShare !== null && <>{phrase`, the last ${figure(u.lastShare * 100, 2)} % of the first`}</>}.{' '}
            {u.factor !== null && (
              <span className="soft">{phrase`${figure(u.factor, 3)} × the estimate, ${
                format('uptake', u.mlPerM2).text
              }.`}</span>
            )}
          </p>
        </>
      )}
    </div>
  );
}

/** Coats as bars that fall, with the line below which the face refuses. */
function Falling({ of: { coatsMl, label } }: { of: Uptake }) {
  const most = Math.max(...coatsMl);
  const step = Math.min(34, CHART.width / Math.max(6, coatsMl.length));
  const high = (ml: number) => (ml / most) * (CHART.height - 8);
  const refusal = CHART.height - high(coatsMl[0]! * REFUSAL_SHARE);
  return (
    <svg
      viewBox={`0 0 ${CHART.width} ${CHART.height + 2}`}
      className="w-full max-w-[26rem] my-1.5"
      role="img"
      aria-label={phrase`${label}: coats of ${joined(
        coatsMl.map((ml) => figure(ml)),
        ', ',
      )} mL`}
    >
      {coatsMl.map((ml, i) => (
        <rect
          key={i}
          x={i * step + 2}
          y={CHART.height - high(ml)}
          width={step - 5}
          height={high(ml)}
          fill={i > 0 && ml > coatsMl[i - 1]! ? 'url(#tx-hot)' : 'url(#tx-liquid)'}
          stroke="var(--ink)"
        />
      ))}
      <line
        x1="0"
        x2={CHART.width}
        y1={refusal}
        y2={refusal}
        stroke="var(--stop)"
        strokeWidth="1.2"
        strokeDasharray="4 3"
      />
      <text x={CHART.width} y={refusal - 3} textAnchor="end" fontSize="10" fill="var(--stop)">
        refuses below
      </text>
      <line x1="0" x2={CHART.width} y1={CHART.height} y2={CHART.height} stroke="var(--ink)" />
    </svg>
  );
}
