'use client';
import { Upload } from 'lucide-react';
import { useMemo, useState } from 'react';
import { METHODS, methodOf } from '@/core/method';
import { type Beginning, pieceOf, READY_CHAINS, withPiece } from '@/core/plan';
import {
  type Damage,
  type DamageList,
  damagesIn,
  damageWords,
  LIST_UNITS,
  type ListSaid,
  listText,
  readDamageList,
  unitless,
  usualHow,
} from '@/core/plan/damage-list';
import { TELLS, type TellId } from '@/core/plan/damage-words';
import { madeOne, TOGETHER, type TogetherId } from '@/core/plan/made-one';
import { attempt } from '@/core/say';
import { BASES, type BaseMaterial } from '@/core/system';
import { isThread, SIZES, sizesIn, unmeasuredIn } from '@/core/void';
import { joined, own, phrase, readQuantity } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { Choice, Prose, useFormat } from '../shared/bits';
import { FilePick } from '../shared/FilePick';
import { PastedText } from '../shared/PastedText';
import { usePrefs } from '../workspace/prefs';
import { addRepairs } from '../workspace/workspace';
import { begunRepair } from './begun';

/** What is said of a list where it differs from what its words usually mean. */
interface Otherwise {
  readonly tells: Readonly<Record<number, TellId | ''>>;
  readonly units: Readonly<Record<number, string>>;
  readonly how: ReadonlyMap<string, Beginning | null>;
  readonly made: BaseMaterial | null;
  readonly together: TogetherId;
}
const AS_USUAL: Otherwise = { tells: {}, units: {}, how: new Map(), made: null, together: 'each' };

const LIKE_THIS = [
  'No   Where   What    How many   Length (m)   Width (mm)   Depth (mm)',
  '1    Bay 2   crack              4.2          3            48',
  '2    Bay 3   spall   3          0.9          640          62',
].join('\n');

const TOLD = { ...TELLS, ...SIZES };
const beginId = ({ methodId, chain }: Beginning): string => (chain ? `chain ${chain.id}` : `method ${methodId}`);
const BEGINNINGS = new Map<string, Beginning>(
  [
    ...METHODS.map((m) => ({ methodId: m.id, chain: null })),
    ...READY_CHAINS.map((chain) => ({ methodId: chain.first.method, chain })),
  ].map((begin) => [beginId(begin), begin]),
);

function saidOf(list: DamageList, { tells, units, how, made }: Otherwise): ListSaid {
  const columns = list.columns.map((c, i) => (i in tells ? tells[i] || null : c.guess));
  const words = usualHow(list, columns, made);
  return {
    tells: columns,
    units: list.columns.map((c, i) => units[i] ?? c.unit),
    how: new Map([...words, ...how].filter((row): row is [string, Beginning] => row[1] !== null)),
    made,
  };
}

/** A list of damage out of a spreadsheet: what each column tells, how each damage is repaired, and what comes of it. */
export function TakeList({ jobId, nextOrder }: { jobId: string; nextOrder: number }) {
  const system = usePrefs((p) => p.system);
  const [text, setText] = useState('');
  const [otherwise, setOtherwise] = useState(AS_USUAL);
  const [taken, setTaken] = useState('');
  const read = useMemo(() => (text.trim() ? attempt(() => readDamageList(text, 'list')) : null), [text]);
  const list = read?.ok ? read.value : null;
  const said = useMemo(() => list && saidOf(list, otherwise), [list, otherwise]);
  const damages = useMemo(
    () => (list && said ? damagesIn(list, said, { read: (t) => readQuantity('length', t, system), system }) : []),
    [list, said, system],
  );
  const write = (over: Partial<Otherwise>) => setOtherwise((was) => ({ ...was, ...over }));
  const begin = (next: string) => {
    setText(next);
    setOtherwise(AS_USUAL);
    setTaken('');
  };
  const sound = damages.filter((d) => !d.faults.length && d.begin);
  const twice = said?.tells.find((tell, i) => tell && said.tells.indexOf(tell) !== i);
  const take = () => {
    const listed = sound.map((damage, i) => {
      const fresh = begunRepair(jobId, damage.begin!, damage.made, nextOrder + i);
      const measured = withPiece(fresh, { ...pieceOf(fresh), void: damage.void });
      return { repair: { ...measured, name: damage.name, place: damage.place }, what: damage.what };
    });
    const made = madeOne(listed, otherwise.together);
    addRepairs(made);
    const rest = damages.filter((d) => !sound.includes(d)).map((d) => d.line);
    if (rest.length && list) setText(listText(list, new Set(rest)));
    else begin('');
    setTaken(
      phrase`Taken: ${made.length} repair${made.length > 1 ? 's' : ''}. Each is still to be inspected; undo takes all of them away.`,
    );
  };
  return (
    <section aria-label="A list of damage" className="paper p-3 mb-3">
      <PastedText
        label="List, as it stands in the spreadsheet: a line of headings, then a line for each"
        value={text}
        placeholder={LIKE_THIS}
        fault={read && !read.ok ? read.problem.sentence : null}
        onChange={begin}
      />
      <FilePick
        name="List: CSV file"
        accept=".csv,.txt,.tsv"
        className="btn btn-link text-sm"
        onFile={async (file) => begin(await file.text())}
      >
        <Upload size={15} aria-hidden="true" /> CSV file
      </FilePick>
      {list && said && (
        <>
          <Columns list={list} said={said} otherwise={otherwise} write={write} />
          <How list={list} said={said} otherwise={otherwise} write={write} />
          {sound.length > 1 && (
            <>
              <Choice
                label="They become"
                options={Object.entries(TOGETHER).map(([by, label]) => ({ id: by as TogetherId, label }))}
                value={otherwise.together}
                onChange={(together) => write({ together })}
              />
              <p className="soft text-sm">
                As one repair they are prepared first, and mixed and placed one after the other: a kit opened for the
                first serves the last, and each mix says which of them it is for.
              </p>
            </>
          )}
          <Understood list={list} damages={damages} />
          <div className="flex flex-wrap items-center gap-2 mt-2">
            <button
              type="button"
              className="btn btn-neutral"
              disabled={!sound.length || twice !== undefined}
              onClick={take}
            >
              {sound.length < damages.length
                ? phrase`Take ${sound.length} of ${damages.length}`
                : phrase`Take all ${damages.length}`}
            </button>
            <span role="status">
              {twice
                ? phrase`Two of the columns are said to tell “${TOLD[twice]}”.`
                : sound.length < damages.length && 'A line that something is wrong with is left in the list.'}
            </span>
          </div>
        </>
      )}
      {taken && <p role="status">{taken}</p>}
    </section>
  );
}

interface Part {
  readonly list: DamageList;
  readonly said: ListSaid;
  readonly otherwise: Otherwise;
  readonly write: (over: Partial<Otherwise>) => void;
}

/** What each column tells, and in what unit its bare figures are. */
function Columns({ list, said, otherwise, write }: Part) {
  const bare = unitless(list, { ...said, units: list.columns.map((c) => c.unit) });
  return (
    <ol className="mt-2 grid grid-cols-2 sm:grid-cols-3 lg:grid-cols-4 gap-3">
      {list.columns.map(({ heading }, i) => {
        const name = heading || phrase`column ${i + 1}`;
        return (
          <li key={`${i}${heading}`}>
            <label className="block">
              {phrase`“${own(name)}” tells`}
              <select
                className="select"
                value={said.tells[i] ?? ''}
                onChange={(e) => write({ tells: { ...otherwise.tells, [i]: e.target.value as TellId | '' } })}
              >
                <option value="">left out</option>
                {Object.entries(TOLD).map(([tell, label]) => (
                  <option key={tell} value={tell}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
            {bare.includes(i) && (
              <label className="block">
                {phrase`“${own(name)}” in`}
                <select
                  className="select"
                  value={said.units[i] ?? ''}
                  onChange={(e) => write({ units: { ...otherwise.units, [i]: e.target.value } })}
                >
                  <option value="" disabled>
                    in what unit?
                  </option>
                  {LIST_UNITS.map((u) => (
                    <option key={u}>{u}</option>
                  ))}
                </select>
              </label>
            )}
          </li>
        );
      })}
    </ol>
  );
}

/** How each damage is repaired, and what it is made of where the list does not say. */
function How({ list, said, otherwise, write }: Part) {
  return (
    <ol className="mt-3 grid sm:grid-cols-2 gap-3">
      {damageWords(list, said.tells).map((word) => (
        <li key={word}>
          <label className="block">
            {word ? phrase`“${own(word)}” is repaired as` : 'It is repaired as'}
            <select
              className="select"
              value={said.how.has(word) ? beginId(said.how.get(word)!) : ''}
              onChange={(e) => write({ how: new Map(otherwise.how).set(word, BEGINNINGS.get(e.target.value) ?? null) })}
            >
              <option value="">not said yet</option>
              <optgroup label="One method">
                {METHODS.map((m) => (
                  <option key={m.id} value={`method ${m.id}`}>
                    {m.label}
                  </option>
                ))}
              </optgroup>
              <optgroup label="Several passes, one on the other">
                {READY_CHAINS.map((c) => (
                  <option key={c.id} value={`chain ${c.id}`}>
                    {c.label}
                  </option>
                ))}
              </optgroup>
            </select>
          </label>
        </li>
      ))}
      <li>
        <label className="block">
          Made of, where the list does not say
          <select
            className="select"
            value={said.made ?? ''}
            onChange={(e) => write({ made: (e.target.value || null) as BaseMaterial | null })}
          >
            <option value="">what each is usually done on</option>
            {BASES.map((base) => (
              <option key={base} value={base}>
                {base}
              </option>
            ))}
          </select>
        </label>
      </li>
    </ol>
  );
}

/** What comes of each line: its repair with its sizes, and what is wrong with it. */
function Understood({ list, damages }: { list: DamageList; damages: readonly Damage[] }) {
  const show = useFormat();
  const sizesOf = ({ void: measured }: Damage) =>
    measured
      ? [...sizesIn(measured.shapes[0]!)].map(
          // A rod goes by its name.
          ([size, is]) => phrase`${SIZES[size]} ${own(isThread(is) ? is.text : show('length', is.valueMm, 4).text)}`,
        )
      : ['still to be measured'];
  return (
    <ol className="mt-3" aria-label="What comes of it">
      {damages.map((d) => (
        <li key={d.line} className="py-1 border-t border-[var(--line)]">
          <span className="font-semibold">
            <Own>{d.name || phrase`line ${d.line}`}</Own>
          </span>{' '}
          {d.place && (
            <span className="soft">
              <Own>{d.place}</Own>
            </span>
          )}{' '}
          {d.begin && (
            <span>
              {d.begin.chain?.label ?? methodOf(d.begin.methodId)?.label}
              {d.void && d.void.count > 1 && phrase`, ${d.void.count} of them`}
            </span>
          )}{' '}
          <span className="fig text-sm">{joined(sizesOf(d), ', ')}</span>
          {d.void && unmeasuredIn(d.void).length > 0 && (
            <p className="soft text-sm">{phrase`Still to be measured: ${joined(
              unmeasuredIn(d.void).map((m) => m.label),
              ', ',
            )}.`}</p>
          )}
          {d.unused.length > 0 && (
            <p className="soft text-sm">{phrase`It has no place for: ${joined(
              d.unused.map((size) => SIZES[size]),
              ', ',
            )}.`}</p>
          )}
          {d.faults.map(({ column, sentence }, i) => (
            <p key={`${column}${i}`} className="text-sm" style={{ color: 'var(--stop)' }}>
              {column === null
                ? phrase`Line ${d.line}: `
                : phrase`Line ${d.line}, ${own(list.columns[column]?.heading ?? '')}: `}
              <Prose>{sentence}</Prose>
            </p>
          ))}
        </li>
      ))}
    </ol>
  );
}
