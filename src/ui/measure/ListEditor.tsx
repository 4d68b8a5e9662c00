'use client';
import { ClipboardPaste, Plus, Trash2, Upload } from 'lucide-react';
import { useState } from 'react';
import { attempt, type Said } from '@/core/say';
import { type RowList, rowsFromText } from '@/core/void';
import { joined, phrase } from '@/words';
import { useSay } from '../shared/bits';
import { FilePick } from '../shared/FilePick';
import { QuantityField } from '../shared/QuantityField';
import { useRowKeys } from '../shared/use-row-keys';
import { usePrefs } from '../workspace/prefs';

interface Props {
  readonly list: RowList;
  readonly write: (rows: readonly Readonly<Record<string, number | string>>[]) => void;
  /** What is wrong with the list, or with one of its rows. */
  readonly problemAt: (key: string) => Said | null;
}

/** Columns of figures that the width of a phone takes side by side. */
const MOST_ABREAST = 4;

/** A list of a shape: typed row by row, pasted from a spreadsheet, or read from a CSV file. */
export function ListEditor({ list, write, problemAt }: Props) {
  const system = usePrefs((p) => p.system);
  const [paste, setPaste] = useState<string | null>(null);
  const [fault, setFault] = useState<Said | null>(null);
  // More columns than a line has room for stand under one another, each with its name.
  const many = list.columns.length > MOST_ABREAST;
  const grid = {
    gridTemplateColumns: many ? '1.5rem 1fr 2rem' : `1.5rem repeat(${list.columns.length}, minmax(0,1fr)) 2rem`,
  };
  const set = (i: number, key: string, value: number | string) =>
    write(list.rows.map((r, k) => (k === i ? { ...r, [key]: value } : r)));
  const take = (text: string) => {
    const read = attempt(() => rowsFromText(list, text, system));
    if (!read.ok) {
      setFault(read.problem.sentence);
      setPaste(text);
      return;
    }
    setFault(null);
    setPaste(null);
    write(read.value);
  };
  const prose = useSay();
  const whole = problemAt(list.key);
  const keys = useRowKeys(list.rows);
  return (
    <section className="mt-3" aria-label={list.label}>
      <div className="flex items-baseline justify-between gap-2 flex-wrap">
        <h3 className="font-semibold">
          {list.label} <span className="soft font-normal fig">{list.rows.length}</span>
        </h3>
        <span className="flex gap-1">
          <button type="button" className="btn btn-link text-sm" onClick={() => setPaste(paste === null ? '' : null)}>
            <ClipboardPaste size={15} aria-hidden="true" /> paste
          </button>
          <FilePick
            name={phrase`${list.label}: CSV file`}
            accept=".csv,.txt,.tsv"
            className="btn btn-link text-sm"
            onFile={async (chosen) => take(await chosen.text())}
          >
            <Upload size={15} aria-hidden="true" /> CSV
          </FilePick>
        </span>
      </div>
      {paste !== null && (
        <div className="mt-1">
          <label>
            <span className="soft text-sm">{phrase`One row a line: ${joined(
              list.columns.map((c) => c.label),
              ', ',
            )}${
              list.key === 'depth.readings'
                ? '; or a grid with places along in the first line and across in the first column'
                : ''
            }`}</span>
            <textarea
              className="textarea fig"
              rows={5}
              value={paste}
              aria-invalid={fault ? true : undefined}
              onChange={(e) => setPaste(e.target.value)}
            />
          </label>
          {fault && (
            <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
              {prose(fault)}
            </p>
          )}
          <button type="button" className="btn text-sm mt-1" onClick={() => take(paste)} disabled={!paste.trim()}>
            Take these rows
          </button>
        </div>
      )}
      {list.rows.length > 0 && !many && (
        <div className="grid gap-1 soft text-sm mt-1" style={grid} aria-hidden="true">
          <span />
          {list.columns.map((c) => (
            <span key={c.key}>{c.label}</span>
          ))}
        </div>
      )}
      {list.rows.map((_, i) => (
        <div key={keys[i]}>
          <div className="grid gap-1 mb-1 items-start" style={grid}>
            <span className="fig pt-1.5 soft text-sm">{i + 1}</span>
            {many ? (
              <div className="grid grid-cols-3 gap-1 items-end">
                {list.columns.map((c) => (
                  <div key={c.key} className="min-w-0">
                    <span className="soft text-sm block" aria-hidden="true">
                      {c.label}
                    </span>
                    <Cell list={list} c={c} i={i} set={set} />
                  </div>
                ))}
              </div>
            ) : (
              list.columns.map((c) => <Cell key={c.key} list={list} c={c} i={i} set={set} />)
            )}
            <button
              type="button"
              className="p-1.5"
              aria-label={phrase`${list.label}: remove ${i + 1}`}
              onClick={() => write(list.rows.filter((_, k) => k !== i))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </div>
          {problemAt(`${list.key}.${i}`) && (
            <p role="alert" className="text-sm mb-1" style={{ color: 'var(--stop)' }}>
              {prose(problemAt(`${list.key}.${i}`) ?? '')}
            </p>
          )}
        </div>
      ))}
      {whole && (
        <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {prose(whole)}
        </p>
      )}
      {list.rows.length < list.max && (
        <NextRow key={list.rows.length} list={list} grid={grid} add={(row) => write([...list.rows, row])} />
      )}
    </section>
  );
}

/** One field of one row. */
function Cell({
  list,
  c,
  i,
  set,
}: {
  list: RowList;
  c: RowList['columns'][number];
  i: number;
  set: (i: number, key: string, value: number | string) => void;
}) {
  const row = list.rows[i]!;
  const label = phrase`${list.label} ${i + 1}: ${c.label}`;
  if (c.kind === 'text')
    return (
      <input
        className="input"
        aria-label={label}
        defaultValue={String(row[c.key] ?? '')}
        onBlur={(e) => e.target.value !== row[c.key] && set(i, c.key, e.target.value)}
      />
    );
  if (c.kind === 'choice')
    return (
      <select
        className="select text-sm"
        aria-label={label}
        value={row[c.key]}
        onChange={(e) => set(i, c.key, e.target.value)}
      >
        {c.options?.map((o) => (
          <option key={o.id} value={o.id}>
            {o.label}
          </option>
        ))}
      </select>
    );
  return (
    <QuantityField
      kind={c.kind}
      hideLabel
      label={label}
      value={c.mayLack && !row[c.key] ? null : Number(row[c.key])}
      onChange={(t) => set(i, c.key, t.value)}
      {...(c.mayLack ? { onClear: () => set(i, c.key, 0) } : {})}
    />
  );
}

/** The row to come: places are proposed, and it counts once its last number is typed. */
function NextRow({
  list,
  grid,
  add,
}: {
  list: RowList;
  grid: React.CSSProperties;
  add: (row: Readonly<Record<string, number | string>>) => void;
}) {
  const [row, setRow] = useState(list.blank);
  const last = list.columns.at(-1)!;
  // Places of readings are proposed where they help most; everything else is added whole.
  if (list.key !== 'depth.readings')
    return (
      <button type="button" className="btn text-sm mt-1" onClick={() => add(list.blank)}>
        <Plus size={15} aria-hidden="true" /> add
      </button>
    );
  return (
    <div className="grid gap-1 items-start" style={grid}>
      <span className="fig pt-1.5 text-sm">{list.rows.length + 1}</span>
      {list.columns.map((c) => (
        <QuantityField
          key={c.key}
          kind={c.kind === 'length' ? c.kind : 'count'}
          hideLabel
          label={phrase`Next reading: ${c.label}`}
          placeholder={c.key === last.key ? 'read' : undefined}
          value={c.key === last.key ? null : Number(row[c.key])}
          onChange={(t) =>
            c.key === last.key ? add({ ...row, [c.key]: t.value }) : setRow({ ...row, [c.key]: t.value })
          }
          check={c.key === last.key ? (v) => (v >= 0 ? null : 'Not below 0.') : undefined}
        />
      ))}
      <span />
    </div>
  );
}
