'use client';
import { saidAs } from '@/core/mix';
import { PART_IDS, type PartId, partOf } from '@/core/system';
import { phrase } from '@/words';
import { useFormat, useSay } from '../shared/bits';
import type { Mixing } from './mixing';
import { wholeOf } from './whole';

/**
 * The parts and the mix for a page as narrow as a hand: each a lying column to the scale of the masses, its words as
 * large as the rest of the page.
 */
export function MixingRows({ batch, sheet, said, poured }: Mixing) {
  const format = useFormat();
  const says = useSay();
  const parts = PART_IDS.filter((p) => batch.massG[p] > 0);
  const target = poured?.targetG ?? batch.massG;
  const inside = (p: PartId) =>
    poured ? (poured.live?.part === p ? poured.live.massG : poured.pouredG[p]) : batch.massG[p];
  const whole = parts.reduce((s, p) => s + target[p], 0);
  const now = parts.reduce((s, p) => s + inside(p), 0);
  const first = (p: PartId): string => {
    const measured = said?.find((m) => m.part === p);
    return measured ? says(saidAs(measured)) : format('mass', target[p]).text;
  };
  const second = (p: PartId): string =>
    poured
      ? inside(p) > 0
        ? phrase`${poured.live?.part === p ? 'on the scale' : 'poured'} ${format('mass', inside(p)).text}`
        : ''
      : format('volume', batch.volumeMl[p]).text;
  return (
    <ul className="flex flex-col gap-2.5" data-testid="mixing-rows">
      {parts.map((p) => (
        <Row
          key={p}
          name={`${p} ${partOf(sheet, p)?.name ?? ''}`}
          figure={first(p)}
          beside={second(p)}
          fill={p === 'D' ? 'c' : p.toLowerCase()}
          share={inside(p) / whole}
          goal={target[p] / whole}
        />
      ))}
      <Row
        name="mix"
        figure={format('volume', batch.ml).text}
        beside={[format('mass', whole).text, wholeOf(batch, sheet)].filter(Boolean).join(', ')}
        fill="liquid"
        share={now / Math.max(whole, now)}
        goal={1}
      />
    </ul>
  );
}

/** One lying column: filled to a share of the whole, with its goal as a mark. */
function Row({
  name,
  figure,
  beside,
  fill,
  share,
  goal,
}: {
  name: string;
  figure: string;
  beside: string;
  fill: string;
  share: number;
  goal: number;
}) {
  const percent = (x: number) => `${Math.min(100, Math.max(0, x * 100))}%`;
  return (
    <li>
      <p className="flex items-baseline gap-2">
        <span className="font-bold">{name}</span>
        <strong className="fig text-xl ml-auto">{figure}</strong>
        <span className="fig soft">{beside}</span>
      </p>
      <svg width="100%" height="26" aria-hidden="true">
        <rect x="1" y="1" width="99%" height="24" fill="var(--paper)" stroke="var(--ink)" strokeWidth="2" />
        <rect x="2" y="2" width={percent(share * 0.985)} height="22" fill={`url(#tx-${fill})`} />
        <line
          x1={percent(goal * 0.99)}
          x2={percent(goal * 0.99)}
          y1="0"
          y2="26"
          stroke="var(--ink)"
          strokeWidth="2.4"
        />
      </svg>
    </li>
  );
}
