'use client';
import type { FamilyId, Milestone, PlainTable } from '@/core/system';
import { CurveChart } from '../shared/CurveChart';

/** The plain tables a milestone is stated in, each with what it holds for. */
function plainOnes(m: Milestone): readonly { readonly holds: string; readonly table: PlainTable }[] {
  if (m.table.form === 'by-dose') return m.table.doses.map((d) => ({ holds: `at ${d.dosePct} %`, table: d.table }));
  if (m.table.form !== 'tiers') return [{ holds: '', table: m.table }];
  const { tiers } = m.table;
  return [...new Set(tiers.map((t) => t.humidityToPct))]
    .sort((a, b) => a - b)
    .map((h) => ({ holds: `air up to ${h} %`, table: { form: 'bands', bands: tiers.filter((t) => t.humidityToPct === h) } }));
}

/** Times of a milestone over temperature; one picture for each dose or humidity it is stated for. */
export function TimeChart({ milestone, family, atC }: { milestone: Milestone; family: FamilyId; atC: number }) {
  const all = plainOnes(milestone);
  if (all.length === 1) return <CurveChart milestone={milestone} family={family} atC={atC} />;
  return (
    <div className="grid grid-cols-2 gap-2">
      {all.map((p) => (
        <figure key={p.holds}>
          <figcaption className="soft text-xs">{p.holds}</figcaption>
          <CurveChart milestone={{ ...milestone, table: p.table }} family={family} atC={atC} />
        </figure>
      ))}
    </div>
  );
}
