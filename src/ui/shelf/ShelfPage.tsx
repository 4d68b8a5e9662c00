'use client';
import { Download, FilePlus, Upload } from 'lucide-react';
import { useState } from 'react';
import { sheetFlaws } from '@/core/cure';
import { passedOver } from '@/core/plan';
import { FAMILIES, plannedKitMl, type SheetRevision, systemKind } from '@/core/system';
import { marked, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { shelfOf } from '../material/shelf-of';
import { useFormat, useSay, Ways } from '../shared/bits';
import { FilePick } from '../shared/FilePick';
import { Link } from '../shared/Link';
import { exportSheets } from '../workspace/exchange';
import { saveText } from '../workspace/files';
import { useNow } from '../workspace/now';
import { takeFile } from '../workspace/take-file';
import { useWorkspace } from '../workspace/workspace';

const ratioText = (s: SheetRevision) =>
  s.dose
    ? phrase`${s.dose.minPct} to ${s.dose.maxPct} % ${systemKind(s.kind).dosed}`
    : s.estimated.includes('ratio')
      ? 'as its pack meters it'
      : phrase`${s.ratio.a} : ${s.ratio.b}${s.ratio.cByWeight !== null ? marked(` + ${s.ratio.cByWeight} C`) : ''}${s.ratio.dByWeight !== null ? marked(` + ${s.ratio.dByWeight} D`) : ''} by ${s.ratio.basis}`;

/** Every system with its sheet, and the lots that stand there. */
export function ShelfPage() {
  const { sheets, stock } = useWorkspace();
  const format = useFormat();
  const says = useSay();
  const nowMs = useNow(60_000);
  const [said, setSaid] = useState<string | null>(null);
  const [wanted, setWanted] = useState('');
  const day = new Date(nowMs).toISOString().slice(0, 10);
  const all = shelfOf(sheets, null);
  const words = wanted.trim().toLowerCase();
  const shelf = all.filter((s) =>
    phrase`${s.name} ${systemKind(s.kind).label} ${FAMILIES[s.family].label} ${s.limits.bases.join(' ')}`
      .toLowerCase()
      .includes(words),
  );
  const take = async (file: File) => setSaid((await takeFile(file, 'sheets')).said);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[84rem]">
      <header className="flex items-baseline gap-6 flex-wrap mb-3">
        <h1 className="text-2xl font-bold">Shelf</h1>
        <span className="soft">two-part systems, as their makers’ sheets state them</span>
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main">
        <div className="flex gap-2 flex-wrap items-center">
          <Link href="/shelf/new" className="btn btn-neutral">
            <FilePlus size={16} aria-hidden="true" /> Type in a sheet
          </Link>
          <FilePick name="File of sheets" accept=".json,application/json" onFile={(file) => void take(file)}>
            <Upload size={16} aria-hidden="true" /> Take in a file
          </FilePick>
          {all.length > 0 && (
            <button
              type="button"
              className="btn"
              onClick={async () => saveText('shelf.grenko-sheet.json', await exportSheets(all), 'application/json')}
            >
              <Download size={16} aria-hidden="true" /> The shelf as a file
            </button>
          )}
          <label className="flex items-center gap-2 ml-auto">
            <span className="soft">find</span>
            <input
              className="input !w-52"
              value={wanted}
              onChange={(e) => setWanted(e.target.value)}
              placeholder="putty, timber, drops…"
            />
          </label>
        </div>
        {said && (
          <p role="status" className="mt-2 font-semibold">
            {said}
          </p>
        )}
        {all.length === 0 && (
          <p className="mt-4">
            Nothing on the shelf. Type in the sheet of a system you have in hand, or load the sample in the yard.
          </p>
        )}
        {all.length > 0 && shelf.length === 0 && <p className="mt-4">Nothing on the shelf has these words.</p>}
        <div className="mt-3 paper">
          {shelf.map((s) => {
            const lots = [...stock.values()].filter((l) => l.systemId === s.systemId);
            const flaws = sheetFlaws(s).length;
            return (
              <article
                key={s.id}
                className="px-3 py-2 grid md:grid-cols-[1.25fr_1fr_1.1fr] gap-x-6 gap-y-1"
                style={{ borderBottom: '1px solid var(--hair)' }}
              >
                <div>
                  <h2 className="text-[1.06rem] font-bold leading-tight">
                    <Link href={`/shelf/${s.id}`}>
                      <Own>{s.name}</Own>
                    </Link>
                  </h2>
                  <p className="soft text-sm">
                    {systemKind(s.kind).label}
                    {s.revision > 1 ? phrase`, revision ${s.revision}` : ''}
                    {s.sample ? ', sample' : ''}
                  </p>
                  {flaws > 0 && (
                    <p className="font-semibold">{phrase`${flaws} thing${flaws > 1 ? 's' : ''} to check on the sheet`}</p>
                  )}
                </div>
                <div className="fig text-[0.82rem] leading-snug">
                  {ratioText(s)}
                  {s.kits.map((k) => (
                    <span key={k.id} className="block">
                      {k.label}: {format('volume', plannedKitMl(s, k)).text}
                    </span>
                  ))}
                </div>
                <div className="text-sm leading-snug">
                  {lots.length === 0 && <span className="soft">no lot noted</span>}
                  {lots.map((l) => {
                    const why = passedOver(l, s, day);
                    return (
                      <span key={l.id} className="block">
                        <span className="fig">{l.lot}</span>: {l.quantity} ×{' '}
                        {s.kits.find((k) => k.id === l.kitId)?.label}
                        {why ? (
                          <strong>{phrase`, not taken: ${says(why)}`}</strong>
                        ) : l.expiresOn ? (
                          phrase`, use by ${l.expiresOn}`
                        ) : (
                          ''
                        )}
                      </span>
                    );
                  })}
                </div>
              </article>
            );
          })}
        </div>
      </main>
    </div>
  );
}
