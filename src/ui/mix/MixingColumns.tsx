'use client';
import { saidAs } from '@/core/mix';
import { PART_IDS, type PartId, partOf } from '@/core/system';
import { joined, phrase } from '@/words';
import { useFormat, useSay } from '../shared/bits';
import { useNarrow } from '../shared/use-narrow';
import { useSize } from '../shared/use-width';
import { MixingRows } from './MixingRows';
import type { Mixing } from './mixing';
import { wholeOf } from './whole';

/** The frame before it is laid out, and the least that columns with their words need, px. */
const FRAME = { width: 700, height: 260 };
const LEAST = { width: 420, height: 168 };
/** Free above the columns for their names and below them, px. */
const TOP = 60;
const BELOW = 12;

/** Sizes of the figure, of what stands under it and of a name, by the number of parts: the more, the less room. */
const TYPE = [
  { upTo: 2, figure: 23, under: 13, name: 15 },
  { upTo: 3, figure: 17.5, under: 13, name: 15 },
  { upTo: 6, figure: 16, under: 12, name: 13 },
] as const;

/** A letter of a figure is so wide, em. */
const LETTER = 0.61;

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
  const slot = W / (parts.length + 1.25);
  const column = Math.min(104, slot * 0.42);
  // Three columns and more stand close: what reaches out of one keeps clear of the figures beside the last.
  const [out, gap] = parts.length > 2 ? [5, 12] : [11, 18];
  const firstOf = (p: PartId): string => {
    const measured = said?.find((m) => m.part === p);
    return measured ? says(saidAs(measured)) : format('mass', target[p]).text;
  };
  // A figure stands between its column and the next: where that is narrow it is smaller, and never under it.
  const longest = Math.max(...parts.map((p) => firstOf(p).length));
  const room = slot - column - gap - out;
  const type = TYPE.find((t) => parts.length <= t.upTo && longest * t.figure * LETTER <= room) ?? TYPE[2];
  // Areas keep the scale when one part dwarfs the other: B is narrower, never a hairline.
  const widthOf = (p: PartId) => {
    const share = batch.massG[p] / heaviest;
    return share < 0.08 ? column * 0.35 : share < 0.45 ? column * 0.62 : column;
  };
  const heightOf = (p: PartId, mass: number) =>
    Math.min(FLOOR - TOP + 14, Math.max(mass > 0 ? 3 : 0, ((FLOOR - TOP) * mass * column) / heaviest / widthOf(p)));
  const whole = parts.reduce((s, p) => s + (poured ? target[p] : batch.massG[p]), 0);
  const now = parts.reduce((s, p) => s + inside(p), 0);
  const full = FLOOR - TOP - 1.5;
  const emptied = wholeOf(batch, sheet);
  const told = parts.map((p) => {
    const already = poured ? phrase`, ${format('mass', inside(p)).text} poured` : '';
    return phrase`${format('mass', target[p]).text} of ${p}${already}`;
  });
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full h-full"
      role="img"
      aria-label={phrase`${joined(told, ' plus ')} makes ${format('volume', batch.ml).text}`}
    >
      {parts.map((p, i) => {
        const width = widthOf(p);
        const x = 26 + i * slot;
        const level = FLOOR - heightOf(p, inside(p));
        const goal = FLOOR - heightOf(p, target[p]);
        const planned = FLOOR - heightOf(p, batch.massG[p]);
        const moved = poured !== undefined && Math.abs(target[p] - batch.massG[p]) > 0.005 * batch.massG[p];
        const textX = x + column + (column - width) / -2 + gap;
        const measured = said?.find((m) => m.part === p);
        const first = firstOf(p);
        const under = poured
          ? [
              moved ? phrase`was ${format('mass', batch.massG[p]).text}` : '',
              inside(p) > 0
                ? phrase`${poured.live?.part === p ? 'on the scale' : 'poured'} ${format('mass', inside(p)).text}`
                : '',
            ]
          : [
              measured && measured.unit !== 'g'
                ? format('mass', batch.massG[p]).text
                : format('volume', batch.volumeMl[p]).text,
            ];
        const rows = under.filter(Boolean);
        const textY = Math.min(FLOOR - 26 - 17 * rows.length, Math.max(TOP + 6, goal + 8));
        const name = phrase`${p} ${partOf(sheet, p)?.name ?? ''}`;
        return (
          <g key={p}>
            <text
              x={x + column / 2}
              y="22"
              textAnchor="middle"
              fontSize={type.name}
              fontWeight="700"
              fill="var(--ink)"
              {...(name.length * type.name * 0.55 > slot - 8
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
                <line x1="-8" x2={width + 8} y1={planned} y2={planned} stroke="var(--ink-2)" strokeDasharray="4 3" />
              )}
            </g>
            <text x={textX} y={textY} fontSize={type.figure} fontWeight="750" className="fig" fill="var(--ink)">
              {first}
            </text>
            {rows.map((u, k) => (
              <text key={u} x={textX} y={textY + 20 + 17 * k} fontSize={type.under} className="fig" fill="var(--ink-2)">
                {u}
              </text>
            ))}
            <text x={x + slot - 18} y={FLOOR} textAnchor="middle" fontSize="26" fill="var(--ink)">
              {i < parts.length - 1 ? '+' : '='}
            </text>
          </g>
        );
      })}
      <g transform={`translate(${26 + parts.length * slot} 0)`}>
        <text x={column / 2} y="22" textAnchor="middle" fontSize={type.name} fontWeight="700" fill="var(--ink)">
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
        <text x={column + 16} y={TOP + 8} fontSize={type.figure} fontWeight="750" className="fig" fill="var(--ink)">
          {format('volume', batch.ml).text}
        </text>
        <text x={column + 16} y={TOP + 28} fontSize={type.under} className="fig" fill="var(--ink-2)">
          {format('mass', whole).text}
        </text>
        {emptied && (
          <text x={column + 16} y={TOP + 46} fontSize={type.under} fill="var(--ink-2)">
            {emptied}
          </text>
        )}
      </g>
    </svg>
  );
}
