'use client';
import { line, scaleLinear, scaleLog } from 'd3';
import { type HeatTable, lineAt } from '@/core/cure';
import { figure, formatDuration, phrase } from '@/words';
import { useFormat } from '../shared/bits';
import { useWidth } from '../shared/use-width';
import { useDegrees } from './charts';

/**
 * Pot life against mass, or the peak of a lift against its thickness, at one temperature: read from the prepared table.
 */
export function AgainstSize(of: { table: HeatTable; tempC: number; size: number }) {
  const points = lineAt(of.table, of.tempC);
  return points.length < 3 ? null : <SizeLine {...of} points={points} />;
}

function SizeLine({
  table,
  tempC,
  size,
  points,
}: {
  table: HeatTable;
  tempC: number;
  size: number;
  points: ReturnType<typeof lineAt>;
}) {
  const degrees = useDegrees();
  const format = useFormat();
  const [ref, room] = useWidth(560);
  const [W, H] = [Math.min(560, room), 170];
  const pot = table.kind === 'pot';
  const x = scaleLog([points[0]!.size, points.at(-1)!.size], [70, W - 14]);
  const value = (v: number) => (pot ? v : degrees.of(v));
  const values = points.map((p) => value(p.value));
  const y = scaleLinear([Math.min(0, ...values), Math.max(...values) * 1.08], [H - 28, 8]);
  const here = points.reduce((a, b) => (Math.abs(Math.log(b.size / size)) < Math.abs(Math.log(a.size / size)) ? b : a));
  const draw = line<(typeof points)[number]>(
    (p) => x(p.size),
    (p) => y(value(p.value)),
  );
  const says = (v: number) => (pot ? formatDuration(v) : phrase`${figure(degrees.of(v))} ${degrees.symbol}`);
  const sizeText = (v: number) => (pot ? format('mass', v, 2) : format('length', v, 2)).text;
  const at = phrase`at ${figure(degrees.of(tempC))} ${degrees.symbol}`;
  return (
    <figure className="mt-2" ref={ref}>
      <figcaption className="text-sm soft">
        {pot
          ? phrase`Pot life against mass, ${at}`
          : phrase`Peak of the mean against thickness, ${at}; where the line ends it runs away`}
      </figcaption>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="w-full max-w-3xl"
        role="img"
        aria-label={phrase`${pot ? 'Pot life' : 'Peak'} from ${says(points[0]!.value)} for ${sizeText(points[0]!.size)} to ${says(points.at(-1)!.value)} for ${sizeText(points.at(-1)!.size)}`}
      >
        {y.ticks(4).map((t) => (
          <g key={t}>
            <line x1="70" x2={W - 14} y1={y(t)} y2={y(t)} stroke="var(--paper-line)" />
            <text x="64" y={y(t) + 4} fontSize="11" textAnchor="end" className="fig" fill="var(--ink-2)">
              {pot ? formatDuration(t) : phrase`${figure(t)} ${degrees.symbol}`}
            </text>
          </g>
        ))}
        {points
          .filter((_, i) => i % (W > 400 ? 4 : 8) === 0)
          .map((p) => (
            <text
              key={p.size}
              x={x(p.size)}
              y={H - 10}
              fontSize="11"
              textAnchor="middle"
              className="fig"
              fill="var(--ink-2)"
            >
              {sizeText(p.size)}
            </text>
          ))}
        <path d={draw(points) ?? ''} fill="none" stroke="var(--ink)" strokeWidth="2" />
        <rect x={x(here.size) - 4} y={y(value(here.value)) - 4} width="8" height="8" fill="var(--part-a)" />
        <text
          x={Math.min(x(here.size) + 8, W - 150)}
          y={y(value(here.value)) - 8}
          fontSize="11.5"
          fontWeight="700"
          fill="var(--part-a)"
          stroke="var(--paper)"
          strokeWidth="3"
          paintOrder="stroke"
        >{phrase`${says(here.value)} for ${sizeText(here.size)}`}</text>
      </svg>
    </figure>
  );
}
