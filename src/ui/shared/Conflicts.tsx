'use client';
import type { Repair } from '@/core/plan';
import { type Conflict, changesBetween, type Path, pathName, placeName } from '@/core/record';
import { phrase } from '@/words';
import { settle, useWorkspace } from '../workspace/workspace';

const CALLED: Record<Conflict['kind'], string> = {
  job: 'job',
  repair: 'repair',
  sheet: 'sheet',
  stock: 'lot',
  snapshot: 'frozen plan',
  event: 'entry of the record',
  series: 'series of readings',
  attachment: 'picture',
};

/** A place in what two hands changed: of a repair by the names it has on the screen. */
const placeIn = (kind: Conflict['kind'], record: unknown, path: Path): string =>
  kind === 'repair' && record ? placeName(path, record as Repair) : pathName(path);

const shown = (value: unknown): string => {
  const text = value === undefined ? 'nothing' : typeof value === 'string' ? `“${value}”` : JSON.stringify(value);
  return text.length > 160 ? `${text.slice(0, 160)}…` : text;
};

/** What differs between the two, row by row. */
function rowsOf(
  { kind, path, here, other }: Conflict,
  record: unknown,
): readonly { readonly what: string; readonly here: unknown; readonly other: unknown }[] {
  if (path.length) return [{ what: placeIn(kind, record, path), here, other }];
  if (here === undefined)
    return [
      { what: 'all of it', here: undefined, other: (other as { name?: string } | null)?.name ?? 'as it was here' },
    ];
  return changesBetween(here, other).map((c) => ({
    what: (c.path.length && placeIn(kind, here, c.path)) || 'all of it',
    here: c.before,
    other: c.after,
  }));
}

/** Two that claim one place, side by side: nothing is overwritten before somebody says which stands. */
export function Conflicts() {
  const conflicts = useWorkspace((d) => d.conflicts);
  if (!conflicts.length) return null;
  return (
    <div
      className="no-print px-4 md:px-6 py-2 max-h-[45vh] overflow-auto thin-scroll"
      role="region"
      aria-label="Two that differ"
    >
      {conflicts.map((c) => (
        <Differs key={c.id} conflict={c} />
      ))}
    </div>
  );
}

function Differs({ conflict }: { conflict: Conflict }) {
  const { kind, from, name, here } = conflict;
  const record = useWorkspace((d) => d.repairs.get(conflict.recordId));
  const draft = kind === 'job' || kind === 'repair' || kind === 'stock';
  const otherPlace = from === 'file' ? 'in the file' : 'in this tab';
  const herePlace = from === 'file' ? 'here' : 'in the other tab';
  const title = draft
    ? from === 'file'
      ? phrase`“${name || conflict.recordId}” was planned differently in the file`
      : here === undefined
        ? phrase`“${name || conflict.recordId}” was removed in another tab while it was changed here`
        : phrase`“${name || conflict.recordId}” was changed in two tabs at once`
    : phrase`The file brings another ${CALLED[kind]} under an id that is here${name && name !== kind ? phrase`: ${name}` : ''}`;
  return (
    <section className="paper p-3 mb-2">
      <h2 className="font-bold">{title}</h2>
      <table className="table my-2 text-sm">
        <thead>
          <tr className="text-left soft">
            <th className="font-normal">what</th>
            <th className="font-normal">{herePlace}</th>
            <th className="font-normal">{otherPlace}</th>
          </tr>
        </thead>
        <tbody>
          {rowsOf(conflict, record)
            .slice(0, 12)
            .map((r) => (
              <tr key={r.what} style={{ borderTop: '1px solid var(--paper-line)' }}>
                <td className="pr-3 align-top">{r.what}</td>
                <td className="fig text-xs break-all align-top pr-3">{shown(r.here)}</td>
                <td className="fig text-xs break-all align-top">{shown(r.other)}</td>
              </tr>
            ))}
        </tbody>
      </table>
      <div className="flex gap-2 flex-wrap">
        <button type="button" className="btn" onClick={() => void settle(conflict, 'here')}>
          {from === 'file' ? 'Keep the one here' : here === undefined ? 'Let it go' : 'Keep the other tab’s'}
        </button>
        {draft ? (
          <button type="button" className="btn" onClick={() => void settle(conflict, 'other')}>
            {from === 'file' ? 'Take the one in the file' : here === undefined ? 'Put it back' : 'Take this tab’s'}
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => void settle(conflict, 'both')}>
            Keep both, the other beside it
          </button>
        )}
      </div>
    </section>
  );
}
