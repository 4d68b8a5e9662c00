import { clashesOf } from '../../system';
import { figure } from '../../units';
import { at, deg, finding, type Rule, rangeOver } from './rule';

/** A mix cured in the cold turns to glass not far above the warmest it has been, K: a usual figure, for want of the sheet’s. */
const GLASS_ABOVE_CURE_K = 20;
/** Nearer than this to its glass transition a resin carries nothing, K. */
const GLASS_MARGIN_K = 15;
const DAY_MS = 86_400_000;

/** What the cold leaves undone, and what does not go together. */
export const coldRules: Readonly<Record<string, Rule>> = {
  'cold-cure': (c) => {
    const cold = curedCold(c);
    if (!cold) return [];
    return [
      finding(
        'cold-cure',
        'caution',
        'hold',
        'It sets, but will not reach full strength',
        `From ${at(c, cold.fromMs)} to ${at(c, cold.toMs)} the base is never above ${deg(cold.warmestC)}; the sheet asks for ${cold.needsC} °C for a full cure.`,
        `Warm it afterwards to at least ${cold.needsC} °C for a day, before it is loaded.`,
      ),
    ];
  },

  glass: (c) => {
    const { plan, repair } = c;
    const { sheet, thermal, openMs } = plan;
    const glass = sheet?.limits.glassC;
    if (glass == null || !sheet || !thermal || openMs === null) return [];
    const cold = curedCold(c);
    const expected = cold ? Math.min(glass, cold.warmestC + GLASS_ABOVE_CURE_K) : glass;
    const most = expected - GLASS_MARGIN_K;
    const asked = repair.load?.serviceC ?? null;
    const { times, values } = thermal.base;
    const first = times.findIndex((ms, i) => ms >= openMs && values[i]! > most);
    if (first < 0 && !(asked !== null && asked > most)) return [];
    const hottest = first < 0 ? asked! : Math.max(asked ?? values[first]!, ...values.slice(first));
    return [
      finding(
        'glass',
        'stop',
        'release',
        'Too warm in service for what it will be',
        `It reaches ${deg(hottest)}${first >= 0 ? `, first at ${at(c, times[first]!)}` : ' in service'}; its glass transition is expected at ${figure(expected)} °C${
          cold ? `, lowered by the cold cure (${deg(cold.warmestC)} + ${GLASS_ABOVE_CURE_K} K, an estimate)` : ', by the sheet'
        }, and ${GLASS_MARGIN_K} K under it nothing may be loaded.`,
        cold ? 'Cure it warm before it is loaded, or keep load off it.' : 'Shade it, or choose a system with a higher glass transition.',
      ),
    ];
  },

  meets: (c) => {
    const { plan, repair } = c;
    if (!plan.sheet) return [];
    const mixing = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? null;
    const next = plan.milestones.find((m) => m.kind === 'recoat-from')?.planMs ?? plan.openMs;
    return clashesOf(plan.sheet.family, repair.meets).map((k) => {
      const from = k.from === 'mixing' ? mixing : next;
      return finding(
        `meets:${k.id}`,
        k.severity,
        k.from === 'mixing' ? 'material' : 'finish',
        k.title,
        `${k.why}${from === null ? '' : ` It matters from ${at(c, from)}${k.from === 'mixing' ? ', when it is mixed' : ', when the next layer may come'}.`}`,
        k.todo,
      );
    });
  },
};

/** Whether the base stays under the sheet’s temperature of full cure from placing on, until a day past service or to full cure. */
function curedCold({ plan }: Parameters<Rule>[0]): { fromMs: number; toMs: number; warmestC: number; needsC: number } | null {
  const { sheet, thermal, placedMs } = plan;
  const needsC = sheet?.limits.fullCureMinC;
  if (needsC == null || !thermal || placedMs === null) return null;
  const full = plan.milestones.findLast((m) => m.kind === 'full-cure')?.planMs;
  const toMs = Math.min(full ?? (plan.openMs ?? placedMs) + DAY_MS, thermal.base.times.at(-1)!);
  const range = rangeOver(thermal.base, { fromMs: placedMs, toMs: Math.max(toMs, placedMs + 1) });
  return range.ok && range.value.max < needsC ? { fromMs: placedMs, toMs, warmestC: range.value.max, needsC } : null;
}
