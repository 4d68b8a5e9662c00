'use client';
import { FIGURES, type RepairDocument, type RepairView, type sectionsOf } from '@/core/record';
import { joined, phrase } from '@/words';
import { Heading } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { Compared } from './Compared';

type Explained = RepairDocument['working'][number];

/** What is told, with what stands behind it one press away. */
function Pairs({
  list,
  working = [],
}: {
  list: readonly (readonly [string, string])[];
  working?: readonly Explained[];
}) {
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-0.5 break-words [&>div>dd]:min-w-0 [&>div>dd]:[overflow-wrap:anywhere]">
      {list.map(([a, b]) => (
        <div key={`${a} ${b}`} className="contents">
          <dt className="soft">{a}</dt>
          <dd className="has-[details[open]]:col-span-2">
            <Opens figure={a} working={working}>
              {b}
            </Opens>
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** A figure that opens to how it came about; plain where nothing was computed. */
function Opens({
  figure,
  working,
  children,
}: {
  figure: string;
  working: readonly Explained[];
  children: React.ReactNode;
}) {
  const behind = working.filter((w) => w.explains.includes(figure));
  if (!behind.length) return children;
  return (
    <details data-figure={figure}>
      <summary className="cursor-pointer">{children}</summary>
      {behind.map((w) => (
        <WorkingOf key={w.title} lines={w.lines} />
      ))}
    </details>
  );
}

function WorkingOf({ lines }: Pick<Explained, 'lines'>) {
  return (
    <table className="table text-sm [overflow-wrap:normal]">
      <tbody>
        {lines.map((l, i) => (
          <tr key={`${l.label} ${i}`}>
            <td className="pr-3 align-top">{l.label}</td>
            <td className="pr-3 soft">{l.how}</td>
            <td className="fig text-right whitespace-nowrap">{l.value}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The record of a repair written out on the screen, as it is printed. */
export function Written({
  doc,
  view,
  zone,
  sections,
  photos,
}: {
  doc: RepairDocument;
  view: RepairView;
  zone: string;
  sections: ReturnType<typeof sectionsOf>;
  photos: readonly {
    readonly id: string;
    readonly eventId: string;
    readonly data: string;
    readonly type: string;
    readonly caption: string;
  }[];
}) {
  return (
    <article className="paper p-3 md:p-5 overflow-x-auto" aria-label={phrase`Record of ${doc.title}`}>
      <h2 className="text-2xl font-extrabold">{doc.title}</h2>
      <p className="soft mb-3">{joined([doc.place, doc.job].filter(Boolean), ' · ')}</p>
      <div className="grid md:grid-cols-[1fr_18rem] gap-5">
        <Pairs list={doc.facts} working={doc.working} />
        {sections[0] && (
          <Drawing
            drawing={sections[0].drawing}
            values={sections[0].values}
            base={view.repair.base.material}
            width={288}
            height={200}
            small
          />
        )}
      </div>
      {doc.deviations.length > 0 && (
        <>
          <Heading>Departures</Heading>
          <ul className="list-disc pl-5">
            {doc.deviations.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </>
      )}
      <Heading aside="hands on; above as planned, below as it was">Planned and real</Heading>
      <Compared doc={doc} zone={zone} />
      {doc.batches.length > 0 && (
        <>
          <Heading>Batches</Heading>
          <Opens figure={FIGURES.batches} working={doc.working}>
            how they come about
          </Opens>
          <table className="table text-[0.95rem]">
            <thead className="soft text-sm text-left">
              <tr>
                <th className="font-normal">part</th>
                <th className="font-normal">planned</th>
                <th className="font-normal">as it was</th>
                <th className="font-normal">off by</th>
                <th className="font-normal">lot</th>
              </tr>
            </thead>
            {doc.batches.map((b) => (
              <tbody key={b.label}>
                <tr style={{ borderTop: '1px solid var(--hair)' }}>
                  <th colSpan={5} className="text-left pt-1.5">
                    {b.label} <span className="soft font-normal">{b.witness}</span>
                  </th>
                </tr>
                {b.rows.map((r) => (
                  <tr key={r.part}>
                    <td>{r.part}</td>
                    <td className="fig">{r.planned}</td>
                    <td className="fig">{r.real}</td>
                    <td className="fig">{r.off}</td>
                    <td>{r.lot}</td>
                  </tr>
                ))}
              </tbody>
            ))}
          </table>
        </>
      )}
      <Heading>Tests and signatures</Heading>
      <ul>
        {doc.tests.map((t) => (
          <li key={t.ask} className="flex gap-4">
            <span className="flex-1">{t.ask}</span>
            <strong>{t.answer}</strong>
            <span className="soft">{t.at}</span>
          </li>
        ))}
      </ul>
      <Pairs
        list={[...doc.opened.map(([a, b]) => [`opened: ${a}`, b] as const), ...doc.signatures]}
        working={doc.working}
      />
      {photos.length > 0 && (
        <>
          <Heading>Photographs</Heading>
          <div className="grid grid-cols-2 md:grid-cols-3 gap-3">
            {photos.map((p) => (
              <figure key={p.id}>
                {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
                <img src={`data:${p.type};base64,${p.data}`} alt={p.caption} className="w-full" />
                <figcaption className="text-sm">{p.caption}</figcaption>
              </figure>
            ))}
          </div>
        </>
      )}
      <Heading>What happened</Heading>
      <table className="table text-[0.95rem]">
        <tbody>
          {doc.entries.map((e, i) => (
            <tr key={`${e.at} ${i}`} style={{ borderTop: '1px solid var(--paper-line)' }}>
              <td className="fig text-[0.8rem] whitespace-nowrap pr-3 align-top py-1">{e.at}</td>
              <td className="py-1">
                <span className={e.later.length ? 'line-through soft' : ''}>{e.what}</span>
                {e.later.map((l) => (
                  <span key={l} className="block">
                    → {l}
                  </span>
                ))}
                {photos
                  .filter((p) => p.eventId === e.event)
                  .map((p) => (
                    // biome-ignore lint/performance/noImgElement: the picture lives in this browser's database
                    <img
                      key={p.id}
                      src={`data:${p.type};base64,${p.data}`}
                      alt={p.caption}
                      loading="lazy"
                      className="h-20 w-auto my-1"
                    />
                  ))}
              </td>
              <td className="align-top py-1 soft">{e.role}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <details className="mt-3">
        <summary className="cursor-pointer">Working: how every figure came about</summary>
        {doc.working.map((w) => (
          <section key={w.title}>
            <Heading>{w.title}</Heading>
            <WorkingOf lines={w.lines} />
          </section>
        ))}
      </details>
      <Heading>Whether the record is whole</Heading>
      <Pairs
        list={doc.chains.map((c) => [
          phrase`device ${c.device.slice(0, 12)}`,
          phrase`${c.entries} entries, ${c.whole ? 'whole' : 'broken'}${c.last ? phrase`; last ${c.last}` : '; not linked'}`,
        ])}
      />
    </article>
  );
}
