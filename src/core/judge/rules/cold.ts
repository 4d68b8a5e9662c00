import { type Method, settingIn } from '../../method';
import { overLast } from '../../plan';
import { at, degC, exactly, kelvin, texts } from '../../say';
import { clashesOf, clashWords } from '../../system';
import { type Finding, findings } from '../finding';
import { INSTEAD } from './instead';
import { type Rule, rangeOver } from './rule';

/**
 * A mix cured in the cold turns to glass not far above the warmest it has been, K: a usual figure, for want of the
 * sheet’s.
 */
const GLASS_ABOVE_CURE_K = 20;
/** Nearer than this to its glass transition a resin carries nothing, K. */
const GLASS_MARGIN_K = 15;
const DAY_MS = 86_400_000;

/** What stands so proud is ground off with the skin that air held back, mm. */
const SKIN_MM = 0.3;

/** The choices of a method that keep the air from its face. */
const waysToShut = ({ schools }: Method): Pick<Finding, 'ways'> => {
  const ways = schools.flatMap((school) =>
    school.options
      .filter((o) => o.effect.airShut)
      .map((o) => ({ say: INSTEAD.take({ option: o.label }), set: { path: ['schools', school.id], value: o.id } })),
  );
  return ways.length ? { ways } : {};
};

const F = findings({
  'cold-cure': {
    severity: 'caution',
    stage: 'hold',
    title: 'It sets, but will not reach full strength',
    why: 'From {from} to {to} the base is never above {warmest}; the sheet asks for {needs} for a full cure.',
    todo: 'Warm it afterwards to at least {needs} for a day, before it is loaded.',
  },
  glass: {
    severity: 'stop',
    stage: 'release',
    title: 'Too warm in service for what it will be',
    why: 'It reaches {hottest}{first, select, never { in service} other {, first at {first}}}; its glass transition is expected at {expected}{cold, select, none {, by the sheet} other {, lowered by the cold cure ({cold} + {above}, an estimate)}}, and {margin} under it nothing may be loaded.',
    todo: '{cold, select, none {Shade it, or choose a system with a higher glass transition.} other {Cure it warm before it is loaded, or keep load off it.}}',
  },
});
const MEETS = texts('finding.meets', {
  why: '{why}',
  mixing: '{why} It matters from {from}, when it is mixed.',
  layer: '{why} It matters from {from}, when the next layer may come.',
});

/** What the cold leaves undone, and what does not go together. */
export const coldRules: Readonly<Record<string, Rule>> = {
  'cold-cure': (c) => {
    const cold = curedCold(c);
    if (!cold) return [];
    return [
      F['cold-cure']({
        from: at(cold.fromMs),
        to: at(cold.toMs),
        warmest: degC(cold.warmestC),
        needs: exactly(degC(cold.needsC)),
      }),
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
      F.glass({
        hottest: degC(hottest),
        first: first < 0 ? 'never' : at(times[first]!),
        expected: exactly(degC(expected)),
        cold: cold ? degC(cold.warmestC) : 'none',
        above: exactly(kelvin(GLASS_ABOVE_CURE_K)),
        margin: exactly(kelvin(GLASS_MARGIN_K)),
      }),
    ];
  },

  meets: (c) => {
    const { plan, repair } = c;
    if (!plan.sheet) return [];
    const mixing = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs ?? null;
    const next = plan.milestones.find((m) => m.kind === 'recoat-from')?.planMs ?? plan.openMs;
    // Where nothing comes over it, no hour is named for that.
    const over = repair.meets.over === null ? null : next;
    const ground = (plan.context?.effects.level === 'crown' ? settingIn(plan.context, 'crown') : 0) >= SKIN_MM;
    const shut = plan.context?.effects.airShut === true || plan.context?.params.underFilm === true;
    const clashes = clashesOf(plan.sheet.family, repair.meets).filter((k) => !(k.ofSkin && (ground || shut)));
    return clashes.map((k): Finding => {
      const from = k.from === 'mixing' ? mixing : over;
      const { title, why, todo } = clashWords(k);
      return {
        id: `meets:${k.id}`,
        severity: k.severity,
        stage: k.from === 'mixing' ? 'material' : 'finish',
        title,
        why:
          from === null ? MEETS.why({ why }) : MEETS[k.from === 'mixing' ? 'mixing' : 'layer']({ why, from: at(from) }),
        todo,
        ...(k.ofSkin && plan.method ? waysToShut(plan.method) : {}),
      };
    });
  },
};

/**
 * Whether the base stays under the sheet’s temperature of full cure from placing on, until a day past service or to
 * full cure.
 */
function curedCold({
  plan,
}: Parameters<Rule>[0]): { fromMs: number; toMs: number; warmestC: number; needsC: number } | null {
  const { sheet, thermal, placedMs } = plan;
  const needsC = sheet?.limits.fullCureMinC;
  if (needsC == null || !thermal || placedMs === null) return null;
  const full = overLast(plan.milestones, 'full-cure')?.planMs;
  const toMs = Math.min(full ?? (plan.openMs ?? placedMs) + DAY_MS, thermal.base.times.at(-1)!);
  const range = rangeOver(thermal.base, { fromMs: placedMs, toMs: Math.max(toMs, placedMs + 1) });
  return range.ok && range.value.max < needsC ? { fromMs: placedMs, toMs, warmestC: range.value.max, needsC } : null;
}
