'use client';
import { VESSELS } from '@/core/cure';
import type { PlaceTrial } from '@/core/plan';

import { formatDuration, phrase } from '@/words';
import { goodPct } from '../place/StartsBar';
import { Heading, useFormat } from '../shared/bits';
import { shortWhen } from '../shared/when';
import type { LabAnswer } from './use-heat';

/** A variant kept beside the one that is tried: self-heating where it is offered, and the place. */
export interface Kept {
  readonly name: string;
  readonly answer: LabAnswer | null;
  readonly trial: PlaceTrial | null;
}

/** Variants kept, side by side. */
export function Beside({
  kept,
  zone,
  nowMs,
  onDrop,
}: {
  kept: readonly Kept[];
  zone: string;
  nowMs: number;
  onDrop: (i: number) => void;
}) {
  const format = useFormat();
  const heat = (say: (a: LabAnswer) => string) => (k: Kept) => (k.answer ? say(k.answer) : '—');
  const rows: readonly (readonly [string, (k: Kept) => string])[] = [
    [
      'pot',
      heat(
        (a) =>
          phrase`${format('mass', a.ask.massG).text} ${VESSELS[a.ask.vessel].label}, mixed at ${format('temperature', a.ask.startC).text}`,
      ),
    ],
    ['dead after', heat((a) => (a.pot.lifeMin === null ? 'over 2 d' : formatDuration(a.pot.lifeMin)))],
    ['gets', heat((a) => (a.pot.peakC === null ? 'runaway' : format('temperature', a.pot.peakC).text))],
    [
      'lift',
      heat(
        (a) =>
          phrase`${format('length', a.ask.thicknessMm).text} on ${a.ask.base} of ${
            format('temperature', a.ask.baseC).text
          }`,
      ),
    ],
    ['lift gets', heat((a) => (a.lift.peakC === null ? 'runaway' : format('temperature', a.lift.peakC).text))],
    ['thickest', heat((a) => format('length', a.thickest.mm, 2).text)],
    ['starts', (k) => (k.trial ? phrase`${goodPct(k.trial.starts)} % of the week is good` : '—')],
    ['mixed', (k) => (k.trial ? shortWhen(k.trial.startMs, zone, nowMs) : '—')],
    [
      'opens',
      (k) =>
        k.trial ? (k.trial.openMs === null ? 'never in these days' : shortWhen(k.trial.openMs, zone, nowMs)) : '—',
    ],
  ];
  return (
    <>
      <Heading>Kept beside</Heading>
      <table className="table text-[0.92rem]">
        <thead>
          <tr>
            <td />
            {kept.map((k, i) => (
              <th key={i} scope="col" className="text-left font-bold pr-3">
                {k.name}{' '}
                <button
                  type="button"
                  className="btn btn-link fine:!py-0 fine:!min-h-0 text-sm"
                  onClick={() => onDrop(i)}
                >
                  drop
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, say]) => (
            <tr key={label} style={{ borderTop: '1px solid var(--hair)' }}>
              <th scope="row" className="text-left font-normal soft py-0.5 pr-3">
                {label}
              </th>
              {kept.map((k, i) => (
                <td key={i} className="fig text-[0.85rem] pr-3">
                  {say(k)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
