'use client';
import type { Criterion, Suit } from '@/core/judge';
import type { Piece } from '@/core/plan';
import { systemKind } from '@/core/system';
import { own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { useSay } from '../shared/bits';
import { Link } from '../shared/Link';
import { chooseSheet } from '../workspace/choose';

/** Met is a tick, failed a cross in a box, what cannot be told a dot: shape before colour. */
function Mark({ met }: { met: Criterion['met'] }) {
  const word = met === null ? 'not told: ' : met ? 'met: ' : 'failed: ';
  return (
    <>
      <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true" className="shrink-0 mt-0.5">
        {met === true && <path d="M2 7.5 L5.5 11 L12 3" fill="none" stroke="var(--ink)" strokeWidth="2" />}
        {met === false && (
          <>
            <rect x="0.5" y="0.5" width="13" height="13" fill="var(--stop)" />
            <path d="M3.5 3.5 L10.5 10.5 M10.5 3.5 L3.5 10.5" stroke="var(--stop-bg)" strokeWidth="2" />
          </>
        )}
        {met === null && <circle cx="7" cy="7" r="2" fill="var(--ink-2)" />}
      </svg>
      <span className="sr-only">{word}</span>
    </>
  );
}

/** Systems side by side: a column each, a criterion a row; the best first, those that fail with their reasons. */
export function SuitTable({ suits, repair }: { suits: readonly Suit[]; repair: Piece }) {
  const says = useSay('utc');
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by key
    <section className="overflow-x-auto thin-scroll mt-2" aria-label="Systems side by side" tabIndex={0}>
      <table className="text-[0.86rem] leading-tight border-separate border-spacing-0">
        <thead>
          <tr>
            <th
              className="sticky left-0 z-10 min-w-[5.6rem] text-left font-normal soft align-bottom pb-1"
              style={{ background: 'var(--paper)' }}
            >
              it must
            </th>
            {suits.map((s) => {
              const chosen = s.sheet.id === repair.sheetId;
              return (
                <th
                  key={s.sheet.id}
                  scope="col"
                  className="text-left align-top px-2 pt-1 pb-1.5 w-[10.6rem] min-w-[10.6rem] font-normal"
                  style={{
                    background: chosen ? 'var(--leaf)' : undefined,
                    borderTop: chosen ? '3px solid var(--ink)' : '3px solid transparent',
                  }}
                >
                  <Link href={`/shelf/${s.sheet.id}`} className="font-bold">
                    <Own>{s.sheet.name}</Own>
                  </Link>
                  <span className="block soft text-xs min-h-8">{systemKind(s.sheet.kind).label}</span>
                  <button
                    type="button"
                    className="btn text-sm fine:!min-h-8 !px-2 fine:!py-0.5"
                    aria-pressed={chosen}
                    aria-label={phrase`${chosen ? 'Chosen' : 'Choose'}: ${own(s.sheet.name)}`}
                    disabled={!s.serves && !chosen}
                    onClick={() => chooseSheet(repair, s.sheet)}
                  >
                    {chosen ? 'chosen' : 'choose'}
                  </button>{' '}
                  {s.fails > 0 && <span className="text-xs">{phrase`fails ${s.fails}`}</span>}
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {(suits[0]?.criteria ?? []).map((c, i) => (
            <tr key={c.id}>
              <th
                scope="row"
                className="sticky left-0 z-10 text-left font-normal align-top py-1 pr-2"
                style={{ background: 'var(--paper)', borderTop: '1px solid var(--paper-line)' }}
              >
                {c.label}
              </th>
              {suits.map((s) => {
                const x = s.criteria[i]!;
                return (
                  <td
                    key={s.sheet.id}
                    className={`align-top px-2 py-1 ${x.met === false ? 'font-semibold' : ''}`}
                    style={{
                      borderTop: '1px solid var(--paper-line)',
                      background: s.sheet.id === repair.sheetId ? 'var(--leaf)' : undefined,
                    }}
                  >
                    <span className="flex gap-1.5">
                      <Mark met={x.met} />
                      <span>{says(x.says)}</span>
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
