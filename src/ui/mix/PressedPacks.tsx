'use client';
import { useState } from 'react';
import { type MixResult, type PackPart, packsOf, saidShots } from '@/core/mix';
import type { SheetRevision } from '@/core/system';

import { figure, joined, phrase } from '@/words';
import { useFormat, useSay } from '../shared/bits';

const W = 760;
const ROW = 46;
const GAP = 12;
/** More rows than that are folded until they are asked for. */
const SHOWN = 8;

const FILL: Record<PackPart['is'], string> = {
  flow: 'url(#tx-a)',
  mixer: 'url(#tx-b)',
  round: 'url(#tx-liquid)',
  left: 'none',
};

/**
 * What a pressed system takes: pack by pack as it is pressed out, shots, rounds, mixers. No columns by weight: nothing
 * is weighed.
 */
export function PressedPacks({
  mix,
  sheet,
  places,
  apart,
  holes,
  strokeMl,
  zone,
}: {
  mix: MixResult;
  sheet: SheetRevision;
  places: number;
  /** What each takes, where one takes more than another. */
  apart: readonly { readonly ml: number }[] | null;
  /** Whether it goes into holes, round by round; else in portions, or part by part. */
  holes: boolean;
  strokeMl: number | null;
  zone: string;
}) {
  const format = useFormat();
  const says = useSay(zone);
  const [all, setAll] = useState(false);
  const packs = packsOf(sheet, mix);
  const shownPacks = packs.slice(0, SHOWN);
  const pack = mix.kits.volumeMl;
  const mixers = mix.batches.reduce((s, b) => s + b.mixers, 0);
  const eachMl = mix.lines.reduce((s, l) => s + (l.lost ? 0 : l.ml), 0) / places;
  const shots = strokeMl === null ? null : eachMl / strokeMl;
  const said = shots === null ? null : saidShots(shots);
  // Of several sizes each is told, with how many there are of it.
  const sizes = new Map<string, number>();
  for (const { ml } of apart ?? []) {
    const text = format('volume', ml).text;
    sizes.set(text, (sizes.get(text) ?? 0) + 1);
  }
  // Where each round is one hole, it is called one.
  const single = mix.batches.every((b) => b.places === 1);
  const rounds = all ? mix.batches : mix.batches.slice(0, SHOWN);
  return (
    <div className="flex flex-col gap-3">
      <p className="text-lg">
        <strong className="fig">
          {sizes.size > 1
            ? joined(
                [...sizes].map(([text, n]) => `${n} × ${text}`),
                ', ',
              )
            : format('volume', eachMl).text}
        </strong>{' '}
        {holes ? 'a hole' : places > 1 ? 'for each place' : 'goes in'}
        {sizes.size < 2 && shots !== null && said && (
          <>
            : <strong className="fig">{figure(shots, 3)}</strong>
            {phrase` shots, ${said.full} full${said.part === 'none' ? '' : phrase` and ${said.part === 'two thirds' ? 'two thirds' : `a ${said.part}`}`}`}
          </>
        )}
        {mixers > 0 && (
          <span className="soft">{phrase` · ${mixers} mixer${mixers > 1 ? 's' : ''} · ${mix.kits.use} pack${mix.kits.use > 1 ? 's' : ''}`}</span>
        )}
      </p>
      <svg
        viewBox={`0 0 ${W} ${shownPacks.length * (ROW + GAP)}`}
        className="w-full"
        role="img"
        aria-label="Packs as they are pressed out"
      >
        {shownPacks.map((parts, i) => {
          let x = 0;
          return (
            <g key={i} transform={`translate(0 ${i * (ROW + GAP)})`}>
              {parts.map((p, k) => {
                const from = x;
                const width = (p.ml / pack) * W;
                x += width;
                return (
                  <g key={k}>
                    <rect x={from} width={width} height={ROW} fill={FILL[p.is]} stroke="var(--ink)" strokeWidth={1} />
                    {p.is === 'round' && width > 54 && (
                      <text
                        x={from + width / 2}
                        y={ROW / 2 + 5}
                        fontSize={14}
                        textAnchor="middle"
                        className="fig"
                        fill="var(--ink)"
                        fontWeight={600}
                      >
                        {mix.batches[p.batch!]!.fromTo
                          ? mix.batches[p.batch!]!.fromTo!.filter((n, j, l) => j === 0 || n !== l[0]).join('–')
                          : ''}
                      </text>
                    )}
                  </g>
                );
              })}
              <rect width={W} height={ROW} fill="none" stroke="var(--ink)" strokeWidth={2} />
            </g>
          );
        })}
      </svg>
      <p className="soft text-sm">
        {holes
          ? phrase`one bar a pack, ${format('volume', pack).text}; waves: into holes, with their numbers; dots: left in a mixer or thrown away`
          : phrase`one bar a pack, ${format('volume', pack).text}; waves: into its place; dots: left in a mixer or thrown away`}
        {(sheet.mixer?.flowMl ?? 0) > 0 && '; dark waves: pressed out until both parts flow'}
        {packs.length > SHOWN && phrase`; the first ${SHOWN} of ${packs.length} packs`}
      </p>
      <table className="table max-w-[34rem]">
        <tbody>
          {rounds.map((b) => (
            <tr key={b.index} style={{ borderTop: '1px solid var(--paper-line)' }}>
              <td className="py-1">{says(b.label)}</td>
              <td className="soft text-sm">
                {b.pauseMin ? phrase`after a pause of ${format('duration', b.pauseMin).text}` : ''}
                {b.pauseMin && b.mixers ? ', ' : ''}
                {b.mixers ? 'fresh mixer' : ''}
              </td>
              <td className="fig text-right">{format('volume', b.ml).text}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {mix.batches.length > SHOWN && (
        <button
          type="button"
          className="btn btn-link self-start text-sm"
          aria-expanded={all}
          onClick={() => setAll(!all)}
        >
          {all ? 'fold' : phrase`all ${mix.batches.length} ${holes ? (single ? 'holes' : 'rounds') : 'goes'}`}
        </button>
      )}
    </div>
  );
}
