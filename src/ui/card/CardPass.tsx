'use client';
import type { Batch } from '@/core/mix';
import type { PassView } from '@/core/record';
import { isMetered, PART_IDS } from '@/core/system';
import { SHAPES } from '@/core/void';
import { phrase } from '@/words';
import { wholeOf } from '../mix/whole';
import { useFormat, useSay } from '../shared/bits';
import { Drawing } from '../shared/Drawing';

/** What is filled in by hand on paper, and has no use on a phone. */
const PENCIL = 'max-sm:hidden print:table-cell';

/** Parts that any batch has. */
const partsIn = (batches: readonly Batch[]) => PART_IDS.filter((p) => batches.some((b) => b.massG[p] > 0));

/** One pass on the job card: what goes where, how much of it, and room for the hours at which it was mixed. */
export function CardPass({ pass: { plan, repair }, name, zone }: { pass: PassView; name: string; zone: string }) {
  const says = useSay(zone);
  const format = useFormat();
  const shape = repair.void?.shapes[0];
  const { mix, sheet } = plan;
  // Nobody weighs what comes out of a nozzle.
  const pressed = sheet !== null && isMetered(sheet.kind);
  const parts = pressed ? [] : partsIn(plan.batches);
  return (
    <div className="mt-1">
      <div className="grid sm:grid-cols-[minmax(0,1fr)_58mm] print:grid-cols-[minmax(0,1fr)_58mm] gap-4">
        <div>
          <p>
            {name && <strong>{name} · </strong>}
            {plan.method?.label} · {sheet?.name ?? 'no system chosen'}
          </p>
          {plan.void && mix ? (
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 mt-1">
              <dt>void</dt>
              <dd className="fig font-semibold">{phrase`${format('volume', plan.void.nominalMl).text} (${format('volume', plan.void.p5Ml).digits} to ${format('volume', plan.void.p95Ml).digits})`}</dd>
              <dt>mix</dt>
              <dd className="fig font-semibold">{phrase`${
                format('volume', mix.toMixMl).text
              } in ${plan.batches.length}`}</dd>
              <dt>bring</dt>
              <dd className="fig font-semibold">
                {mix.kits.buy} × {mix.kits.kit.label}
              </dd>
            </dl>
          ) : (
            <p className="font-bold mt-1">{phrase`Not planned to the end: ${[
              ...(plan.open.measure ?? []),
              ...(plan.open.material ?? []),
              ...plan.problems.map((p) => p.sentence),
            ]
              .map(says)
              .join(' ')}`}</p>
          )}
        </div>
        {shape && plan.void && (
          <div className="h-[42mm] border border-black">
            <Drawing
              drawing={SHAPES[shape.shape].section(shape)}
              base={repair.base.material}
              width={230}
              height={165}
              small
              values={Object.fromEntries(SHAPES[shape.shape].dimensions(shape).map((d) => [d.key, d.measured.valueMm]))}
            />
          </div>
        )}
      </div>
      {plan.batches.length > 0 && (
        <table className="table mt-2 text-sm">
          <thead>
            <tr className="text-left">
              {(pressed ? ['rounds', 'pressed out'] : ['batch', ...parts, 'mix']).map((h) => (
                <th key={h} className="font-normal border-b border-black">
                  {h}
                </th>
              ))}
              {(pressed ? ['first shot', 'last shot'] : ['mixed at', 'dead at']).map((h) => (
                <th key={h} className={`font-normal border-b border-black ${PENCIL}`}>
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plan.batches.map((b) => (
              <tr key={b.index} className="fig">
                <td className="font-sans">
                  {b.index + 1} {[says(b.label), sheet && wholeOf(b, sheet)].filter(Boolean).join(', ')}
                </td>
                {parts.map((p) => (
                  <td key={p} className="sm:whitespace-nowrap print:whitespace-nowrap">
                    {b.massG[p] > 0 ? format('mass', b.massG[p]).text : ''}
                  </td>
                ))}
                <td className="sm:whitespace-nowrap print:whitespace-nowrap">{format('volume', b.ml).text}</td>
                <td className={PENCIL}>____:____</td>
                <td className={PENCIL}>____:____</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
