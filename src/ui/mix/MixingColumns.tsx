'use client';
import { saidAs } from '@/core/mix';
import { PART_IDS, type PartId, partOf } from '@/core/system';
import { joined, phrase } from '@/words';
import { useFormat, useSay } from '../shared/bits';
import { useNarrow } from '../shared/use-narrow';
import { useSize } from '../shared/use-width';
import { COLUMNS_FROM, columnsIn, MIX_GAP, underLines, wordsPx } from './columns-fit';
import { MixingRows } from './MixingRows';
import type { Mixing } from './mixing';
import { wholeOf } from './whole';

/** The frame before it is laid out, and the least that columns with their words need, px. */
const FRAME = { width: 700, height: 260 };
const LEAST = { width: 420, height: 168 };
/** Free above the columns for their names and below them, px. */
const TOP = 60;
const BELOW = 12;

/** The picture of a batch: columns where there is room for them, lying ones on a phone. */
export function MixingColumns(of: Mixing) {
  return useNarrow() ? <MixingRows {...of} /> : <Columns {...of} />;
}

/**
 * Parts and mix as columns to scale: A waves on petrol, B dots on ochre, fillers grains, the mix waves on pale olive.
 */
function Columns(of: Mixing) {
  const [frame, size] = useSize(FRAME);
  return (
    <div ref={frame} className="w-full h-full">
      <ColumnsIn {...of} W={Math.max(LEAST.width, size.width)} H={Math.max(LEAST.height, size.height)} />
    </div>
  );
}

/** The columns in a frame of so many px: what is written keeps its size, the columns take what is left. */
function ColumnsIn({ batch, sheet, said, poured, W, H }: Mixing & { W: number; H: number }) {
  const format = useFormat();
  const says = useSay();
  const FLOOR = H - BELOW;
  const parts = PART_IDS.filter((p) => batch.massG[p] > 0);
  const target = poured?.targetG ?? batch.massG;
  const inside = (p: PartId) =>
    poured ? (poured.live?.part === p ? poured.live.massG : poured.pouredG[p]) : batch.massG[p];
  const heaviest = Math.max(...parts.map((p) => Math.max(batch.massG[p], target[p])));
  const firstOf = (p: PartId): string => {
    const measured = said?.find((m) => m.part === p);
    return measured ? says(saidAs(measured)) : format('mass', target[p]).text;
  };
  const planned = (p: PartId) => format('mass', batch.massG[p]).text;
  const isMoved = (p: PartId) => poured !== undefined && Math.abs(target[p] - batch.massG[p]) > 0.005 * batch.massG[p];
  const underOf = (p: PartId): readonly (readonly string[])[] => {
    const measured = said?.find((m) => m.part === p);
    if (!poured) return [[measured && measured.unit !== 'g' ? planned(p) : format('volume', batch.volumeMl[p]).text]];
    return [
      ...(isMoved(p) ? [[phrase`was ${planned(p)}`]] : []),
      ...(inside(p) > 0
        ? [[poured.live?.part === p ? phrase`on the scale` : phrase`poured`, format('mass', inside(p)).text]]
        : []),
    ];
  };
  const whole = parts.reduce((s, p) => s + (poured ? target[p] : batch.massG[p]), 0);
  const emptied = wholeOf(batch, sheet);
  const fit = columnsIn(W, {
    figures: parts.map(firstOf),
    unders: parts.flatMap(underOf).flat(),
    mix: {
      figure: format('volume', batch.ml).text,
      unders: [format('mass', whole).text, ...(emptied ? [emptied] : [])],
    },
  });
  const { slot, column, out, gap } = fit;
  // Areas keep the scale when one part dwarfs the other: B is narrower, never a hairline.
  const widthOf = (p: PartId) => {
    const share = batch.massG[p] / heaviest;
    return share < 0.08 ? column * 0.35 : share < 0.45 ? column * 0.62 : column;
  };
  const heightOf = (p: PartId, mass: number) =>
    Math.min(FLOOR - TOP + 14, Math.max(mass > 0 ? 3 : 0, ((FLOOR - TOP) * mass * column) / heaviest / widthOf(p)));
  const now = parts.reduce((s, p) => s + inside(p), 0);
  const full = FLOOR - TOP - 1.5;
  const told = parts.map((p) => {
    const already = poured ? phrase`, ${format('mass', inside(p)).text} poured` : '';
    return phrase`${format('mass', target[p]).text} of ${p}${already}`;
  });
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full h-full"
      data-columns
      role="img"
      aria-label={phrase`${joined(told, ' plus ')} makes ${format('volume', batch.ml).text}`}
    >
      {parts.map((p, i) => {
        const width = widthOf(p);
        const x = COLUMNS_FROM + i * slot;
        const level = FLOOR - heightOf(p, inside(p));
        const goal = FLOOR - heightOf(p, target[p]);
        const before = FLOOR - heightOf(p, batch.massG[p]);
        const moved = isMoved(p);
        const textX = x + column + (column - width) / -2 + gap;
        const rows = underLines(underOf(p), fit);
        const textY = Math.min(FLOOR - 26 - 17 * rows.length, Math.max(TOP + 6, goal + 8));
        const name = phrase`${p} ${partOf(sheet, p)?.name ?? ''}`;
        return (
          <g key={p}>
            <text
              x={Math.max(x + column / 2, wordsPx(name, fit.name) / 2)}
              y="22"
              textAnchor="middle"
              fontSize={fit.name}
              fontWeight="700"
              fill="var(--ink)"
              {...(name.length * fit.name * 0.55 > slot - 8
                ? { textLength: slot - 8, lengthAdjust: 'spacingAndGlyphs' }
                : {})}
            >
              {name}
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
              <line x1={-out} x2={width + out} y1={goal} y2={goal} stroke="var(--ink)" strokeWidth="2.4" />
              {moved && (
                <line x1="-8" x2={width + 8} y1={before} y2={before} stroke="var(--ink-2)" strokeDasharray="4 3" />
              )}
            </g>
            <text x={textX} y={textY} fontSize={fit.figure} fontWeight="750" className="fig" fill="var(--ink)">
              {firstOf(p)}
            </text>
            {rows.map((u, k) => (
              <text key={u} x={textX} y={textY + 20 + 17 * k} fontSize={fit.under} className="fig" fill="var(--ink-2)">
                {u}
              </text>
            ))}
            <text x={x + slot - 18} y={FLOOR} textAnchor="middle" fontSize="26" fill="var(--ink)">
              {i < parts.length - 1 ? '+' : '='}
            </text>
          </g>
        );
      })}
      <g transform={`translate(${COLUMNS_FROM + parts.length * slot} 0)`}>
        <text x={column / 2} y="22" textAnchor="middle" fontSize={fit.name} fontWeight="700" fill="var(--ink)">
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
        <line x1={-out} x2={column + out} y1={TOP} y2={TOP} stroke="var(--ink)" strokeWidth="2.4" />
        <text x={column + MIX_GAP} y={TOP + 8} fontSize={fit.figure} fontWeight="750" className="fig" fill="var(--ink)">
          {format('volume', batch.ml).text}
        </text>
        <text x={column + MIX_GAP} y={TOP + 28} fontSize={fit.under} className="fig" fill="var(--ink-2)">
          {format('mass', whole).text}
        </text>
        {emptied && (
          <text x={column + MIX_GAP} y={TOP + 46} fontSize={fit.under} fill="var(--ink-2)">
            {emptied}
          </text>
        )}
      </g>
    </svg>
  );
}
