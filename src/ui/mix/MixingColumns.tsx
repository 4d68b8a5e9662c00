'use client';
import { saidAs } from '@/core/mix';
import { PART_IDS, type PartId, partOf } from '@/core/system';
import { useFormat } from '../shared/bits';
import { useNarrow } from '../shared/use-narrow';
import { MixingRows } from './MixingRows';
import type { Mixing } from './mixing';

const W = 780;
const H = 360;
const FLOOR = H - 24;
const TOP = 64;

/** The picture of a batch: columns where there is room for them, lying ones on a phone. */
export function MixingColumns(of: Mixing) {
  return useNarrow() ? <MixingRows {...of} /> : <Columns {...of} />;
}

/**
 * Parts and mix as columns to scale: A waves on petrol, B dots on ochre, fillers grains, the mix waves on pale olive.
 */
function Columns({ batch, sheet, said, poured }: Mixing) {
  const format = useFormat();
  const parts = PART_IDS.filter((p) => batch.massG[p] > 0);
  const target = poured?.targetG ?? batch.massG;
  const inside = (p: PartId) =>
    poured ? (poured.live?.part === p ? poured.live.massG : poured.pouredG[p]) : batch.massG[p];
  const heaviest = Math.max(...parts.map((p) => Math.max(batch.massG[p], target[p])));
  const slot = W / (parts.length + 1.25);
  const column = Math.min(104, slot * 0.42);
  const small = parts.length > 3 ? 0.7 : parts.length > 2 ? 0.76 : 1;
  // Areas keep the scale when one part dwarfs the other: B is narrower, never a hairline.
  const widthOf = (p: PartId) => {
    const share = batch.massG[p] / heaviest;
    return share < 0.08 ? column * 0.35 : share < 0.45 ? column * 0.62 : column;
  };
  const heightOf = (p: PartId, mass: number) =>
    Math.min(FLOOR - TOP + 14, Math.max(mass > 0 ? 3 : 0, ((FLOOR - TOP) * mass * column) / heaviest / widthOf(p)));
  const whole = parts.reduce((s, p) => s + (poured ? target[p] : batch.massG[p]), 0);
  const now = parts.reduce((s, p) => s + inside(p), 0);
  const full = FLOOR - TOP - 21.5;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full h-full"
      role="img"
      aria-label={`${parts.map((p) => `${format('mass', target[p]).text} of ${p}${poured ? `, ${format('mass', inside(p)).text} poured` : ''}`).join(' plus ')} makes ${format('volume', batch.ml).text}`}
    >
      {parts.map((p, i) => {
        const width = widthOf(p);
        const x = 26 + i * slot;
        const level = FLOOR - heightOf(p, inside(p));
        const goal = FLOOR - heightOf(p, target[p]);
        const planned = FLOOR - heightOf(p, batch.massG[p]);
        const moved = poured !== undefined && Math.abs(target[p] - batch.massG[p]) > 0.005 * batch.massG[p];
        const textY = Math.min(FLOOR - 46, Math.max(TOP + 6, goal + 8));
        const textX = x + column + (column - width) / -2 + 18;
        const measured = said?.find((m) => m.part === p);
        const first = measured ? saidAs(measured) : format('mass', target[p]).text;
        const under = poured
          ? [
              moved ? `was ${format('mass', batch.massG[p]).text}` : '',
              inside(p) > 0
                ? `${poured.live?.part === p ? 'on the scale' : 'poured'} ${format('mass', inside(p)).text}`
                : '',
            ]
          : [
              measured && measured.unit !== 'g'
                ? format('mass', batch.massG[p]).text
                : format('volume', batch.volumeMl[p]).text,
            ];
        return (
          <g key={p}>
            <text
              x={x + column / 2}
              y="22"
              textAnchor="middle"
              fontSize={15 * small}
              fontWeight="700"
              fill="var(--ink)"
            >
              {p} {partOf(sheet, p)?.name}
            </text>
            <g transform={`translate(${x + (column - width) / 2} 0)`}>
              <rect
                x="0"
                y={TOP - 22}
                width={width}
                height={FLOOR - TOP + 22}
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth="2"
              />
              <rect
                x="1.5"
                y={level}
                width={width - 3}
                height={Math.max(0, FLOOR - level - 1.5)}
                fill={`url(#tx-${p === 'D' ? 'c' : p.toLowerCase()})`}
              />
              <line x1="-11" x2={width + 11} y1={goal} y2={goal} stroke="var(--ink)" strokeWidth="2.4" />
              {moved && (
                <line x1="-8" x2={width + 8} y1={planned} y2={planned} stroke="var(--ink-2)" strokeDasharray="4 3" />
              )}
            </g>
            <text x={textX} y={textY} fontSize={23 * small} fontWeight="750" className="fig" fill="var(--ink)">
              {first}
            </text>
            {under.filter(Boolean).map((u, k) => (
              <text key={u} x={textX} y={textY + 20 + 17 * k} fontSize={13 * small} className="fig" fill="var(--ink-2)">
                {u}
              </text>
            ))}
            <text x={x + slot - 26} y={FLOOR - 12} textAnchor="middle" fontSize="34" fill="var(--ink)">
              {i < parts.length - 1 ? '+' : '='}
            </text>
          </g>
        );
      })}
      <g transform={`translate(${26 + parts.length * slot} 0)`}>
        <text x={column / 2} y="22" textAnchor="middle" fontSize={15 * small} fontWeight="700" fill="var(--ink)">
          mix
        </text>
        <rect
          x="0"
          y={TOP - 22}
          width={column}
          height={FLOOR - TOP + 22}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <rect
          x="1.5"
          y={FLOOR - 1.5 - (poured ? (full * now) / Math.max(whole, now, 1e-9) : full)}
          width={column - 3}
          height={poured ? (full * now) / Math.max(whole, now, 1e-9) : full}
          fill="url(#tx-liquid)"
        />
        <line x1="-11" x2={column + 11} y1={TOP + 20} y2={TOP + 20} stroke="var(--ink)" strokeWidth="2.4" />
        <text x={column + 16} y={TOP + 28} fontSize={23 * small} fontWeight="750" className="fig" fill="var(--ink)">
          {format('volume', batch.ml).text}
        </text>
        <text x={column + 16} y={TOP + 49} fontSize={13 * small} className="fig" fill="var(--ink-2)">
          {format('mass', whole).text}
        </text>
        {batch.kits !== null && (
          <text x={column + 16} y={TOP + 70} fontSize={13 * small} fill="var(--ink-2)">
            {batch.kits} whole kit{batch.kits > 1 ? 's' : ''}
          </text>
        )}
      </g>
    </svg>
  );
}
