'use client';
import Link from 'next/link';
import { sheetFlaws } from '@/core/cure';
import { FAMILIES, kitVolumeMl, SYSTEM_KINDS } from '@/core/system';
import { useDesk } from '../desk/desk';
import { shelfOf } from '../material/Material';
import { useFormat, Ways } from '../shared/bits';

/** Every system with its sheet, and the lots that stand there. */
export function ShelfPage() {
  const { sheets, stock } = useDesk();
  const format = useFormat();
  const shelf = shelfOf(sheets, null);
  return (
    <div className="px-4 md:px-6 py-4 max-w-[80rem]">
      <header className="flex items-baseline gap-6 flex-wrap mb-3">
        <h1 className="text-2xl font-bold">Shelf</h1>
        <span className="soft">two-part systems, as their makers’ sheets state them</span>
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main">
        <Link href="/shelf/new" className="act firm">
          Type in a sheet
        </Link>
        {shelf.length === 0 && (
          <p className="mt-4">Nothing on the shelf. Type in the sheet of a system you have in hand, or load the sample in the yard.</p>
        )}
        <div className="mt-3">
          {shelf.map((s) => {
            const lots = Object.values(stock).filter((l) => l.systemId === s.systemId);
            const flaws = sheetFlaws(s).length;
            return (
              <article key={s.id} className="paper mb-2 p-3 grid md:grid-cols-[1.2fr_1fr_1fr] gap-x-6 gap-y-1">
                <div>
                  <h2 className="text-lg font-bold">
                    <Link href={`/shelf/${s.id}`}>{s.name}</Link>
                  </h2>
                  <p className="soft">{SYSTEM_KINDS[s.kind].label}</p>
                  <p className="soft text-sm">
                    {FAMILIES[s.family].label}, revision {s.revision}
                    {s.sample ? ', sample' : ''}
                  </p>
                  {flaws > 0 && (
                    <p className="font-semibold">
                      {flaws} thing{flaws > 1 ? 's' : ''} to check on the sheet
                    </p>
                  )}
                </div>
                <div className="fig text-[0.85rem]">
                  {s.ratio.a} : {s.ratio.b}
                  {s.ratio.cByWeight !== null ? ` + C ${s.ratio.cByWeight} w` : ''} by {s.ratio.basis}
                  {s.kits.map((k) => (
                    <span key={k.id} className="block">
                      {k.label}: {format('volume', Math.min(kitVolumeMl(s, k), k.yieldMl ?? Number.POSITIVE_INFINITY)).text}
                    </span>
                  ))}
                </div>
                <div className="text-sm">
                  {lots.length === 0 && <span className="soft">no lot noted</span>}
                  {lots.map((l) => (
                    <span key={l.id} className="block">
                      lot <span className="fig">{l.lot}</span>: {l.quantity} × {s.kits.find((k) => k.id === l.kitId)?.label}
                      {l.expiresOn ? `, use by ${l.expiresOn}` : ''}
                    </span>
                  ))}
                </div>
              </article>
            );
          })}
        </div>
      </main>
    </div>
  );
}
