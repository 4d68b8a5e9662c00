'use client';
import type { Batch } from '@/core/mix';
import { type PartId, partOf, type SheetRevision } from '@/core/system';
import { useFormat } from '../shared/bits';

const W = 780;
const H = 360;
const FLOOR = H - 24;
const TOP = 64;

/** Parts and mix as columns to scale: A waves on petrol, B dots on ochre, C grains, the mix waves on pale olive. */
export function MixingColumns({ batch, sheet }: { batch: Batch; sheet: SheetRevision }) {
  const format = useFormat();
  const parts = (['A', 'B', 'C'] as PartId[]).filter((p) => batch.massG[p] > 0);
  const heaviest = Math.max(...parts.map((p) => batch.massG[p]));
  const slot = W / (parts.length + 1.25);
  const column = Math.min(104, slot * 0.42);
  // Areas keep the scale when one part dwarfs the other: B is narrower, never a hairline.
  const shape = (mass: number) => {
    const share = mass / heaviest;
    const width = share < 0.08 ? column * 0.35 : share < 0.45 ? column * 0.62 : column;
    return { width, height: Math.max(4, Math.min(FLOOR - TOP, ((FLOOR - TOP) * share * column) / width)) };
  };
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full h-full"
      role="img"
      aria-label={`${parts.map((p) => `${format('mass', batch.massG[p]).text} of ${p}`).join(' plus ')} makes ${format('volume', batch.ml).text}`}
    >
      {parts.map((p, i) => {
        const { width, height } = shape(batch.massG[p]);
        const x = 26 + i * slot;
        return (
          <g key={p}>
            <text x={x + width / 2 + (column - width) / 2} y="22" textAnchor="middle" fontSize="15" fontWeight="700" fill="var(--ink)">
              {p} {partOf(sheet, p)?.name}
            </text>
            <g transform={`translate(${x + (column - width) / 2} 0)`}>
              <rect x="0" y={TOP - 22} width={width} height={FLOOR - TOP + 22} fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
              <rect x="1.5" y={FLOOR - height} width={width - 3} height={height - 1.5} fill={`url(#tx-${p.toLowerCase()})`} />
              <line x1="-11" x2={width + 11} y1={FLOOR - height} y2={FLOOR - height} stroke="var(--ink)" strokeWidth="2.4" />
            </g>
            <text
              x={x + column + (column - width) / -2 + 18}
              y={Math.max(TOP + 6, FLOOR - height + 8)}
              fontSize="23"
              fontWeight="750"
              className="fig"
              fill="var(--ink)"
            >
              {format('mass', batch.massG[p]).text}
            </text>
            <text
              x={x + column + (column - width) / -2 + 18}
              y={Math.max(TOP + 6, FLOOR - height + 8) + 21}
              fontSize="13"
              className="fig"
              fill="var(--ink-2)"
            >
              {format('volume', batch.volumeMl[p]).text}
            </text>
            <text x={x + slot - 26} y={FLOOR - 40} textAnchor="middle" fontSize="34" fill="var(--ink)">
              {i < parts.length - 1 ? '+' : '='}
            </text>
          </g>
        );
      })}
      <g transform={`translate(${26 + parts.length * slot} 0)`}>
        <text x={column / 2} y="22" textAnchor="middle" fontSize="15" fontWeight="700" fill="var(--ink)">
          mix
        </text>
        <rect x="0" y={TOP - 22} width={column} height={FLOOR - TOP + 22} fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
        <rect x="1.5" y={TOP + 20} width={column - 3} height={FLOOR - TOP - 21.5} fill="url(#tx-liquid)" />
        <line x1="-11" x2={column + 11} y1={TOP + 20} y2={TOP + 20} stroke="var(--ink)" strokeWidth="2.4" />
        <text x={column + 16} y={TOP + 28} fontSize="23" fontWeight="750" className="fig" fill="var(--ink)">
          {format('volume', batch.ml).text}
        </text>
        <text x={column + 16} y={TOP + 49} fontSize="13" className="fig" fill="var(--ink-2)">
          {format('mass', batch.massG.A + batch.massG.B + batch.massG.C).text}
        </text>
        {batch.kits !== null && (
          <text x={column + 16} y={TOP + 70} fontSize="13" fill="var(--ink-2)">
            {batch.kits} whole kit{batch.kits > 1 ? 's' : ''}
          </text>
        )}
      </g>
    </svg>
  );
}
