import { refuse, texts } from '../say';
import { isMetered, plannedKitMl, proportionOf, staysWhole } from '../system';
import { capsOf } from './caps';
import { metered } from './metered';
import { type AmountLine, type MixAsk, type MixResult, withLast } from './mix-ask';
import { potted } from './potted';
import { areasByBags } from './whole-packs';

const REFUSED = texts('refused.mix.amounts', {
  'mixing-standing-way':
    'Mixing, standing and the way to the place use up the whole pot life: nothing could be placed. Shorten the way, cool the material, or choose a slower system.',
  'allowances-nothing-left': 'With these allowances nothing is left to place. Check the recess.',
});

const SAY = texts('mix', {
  void: 'the void',
  measured: 'measured',
  reserve: 'reserve for doubt',
  reserveBy: 'up to the 90 % value',
});

/**
 * Areas of a floor of several days that come out even with its bags; null where they stay as they are.
 * @param mix what they take as they are
 */
export function evenAreas(ask: MixAsk, mix: MixResult): number | null {
  const whole = staysWhole(ask.kit, ask.split);
  if (!ask.parts || whole || isMetered(ask.sheet.kind)) return null;
  const kitMl = mix.kits.volumeMl;
  const areaMl = mix.batches.reduce((sum, b) => sum + b.placedMl, 0) / ask.parts.count;
  return areasByBags(areaMl, { ask, caps: capsOf(ask, mix.proportion, null, true), kitMl, whole });
}

/**
 * From the void to what is mixed, in how many batches, from how many kits. Losses depend on the number of batches and
 * mixers, and that number on the losses: the smallest number that fits is found by trying in order.
 * @throws Refusal when no batch can be placed in its working time
 */
export function amounts(ask: MixAsk): MixResult {
  const { sheet, kit } = ask;
  const proportion = proportionOf(sheet);
  // The sheet's yield often disagrees with geometry: the smaller one plans, the working shows both.
  const kitMl = plannedKitMl(sheet, kit);
  if (!(ask.usableMin > 0)) refuse('usableMin', ask.usableMin, 'more than 0 min', REFUSED['mixing-standing-way']());
  const reserve = ask.reserve ? Math.max(0, ask.p90Ml - ask.netMl) : 0;
  const lines: AmountLine[] = [
    { id: 'net', label: SAY.void(), ml: ask.netMl, expression: SAY.measured(), voice: 'measured' },
    ...ask.allowances.filter((a) => a.ml !== 0),
    ...(reserve > 0
      ? [{ id: 'reserve', label: SAY.reserve(), ml: reserve, expression: SAY.reserveBy(), voice: 'computed' as const }]
      : []),
  ];
  const placed = lines.reduce((sum, l) => sum + l.ml, 0);
  if (!(placed > 0)) refuse('allowances', placed, 'more than 0 mL to place', REFUSED['allowances-nothing-left']());
  // Whoever wants no reserve for doubt has on hand what is planned.
  const safety = ask.reserve ? Math.max(0, ask.p95Ml - ask.netMl - reserve - (ask.spareMl ?? 0)) : 0;
  const basis = {
    ask: { ...ask, portions: withLast(ask.portions, lines, placed) },
    proportion,
    kitMl,
    lines,
    placed,
    safety,
  };
  const plan = isMetered(sheet.kind) ? metered : potted;
  const mix = plan(basis);
  if (!ask.cuts?.length) return mix;
  // As many as were to be at hand before a pot or a mixer died.
  const meant = plan({ ...basis, ask: { ...basis.ask, cuts: [] } }).kits.buy;
  return { ...mix, kits: { ...mix.kits, meant } };
}
