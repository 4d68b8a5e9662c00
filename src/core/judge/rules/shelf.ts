import { dayOf } from '../../climate';
import { wantsThickening } from '../../method';
import {
  type ColourTrial,
  fillerOf,
  LOOKS,
  recipeFor,
  scaledColour,
  TINT_MAX_PCT,
  takenTrial,
  unfitLooks,
} from '../../mix';
import { instrumentOf, passedOver, type RepairPlan, servedLast } from '../../plan';
import { attempt, density, exactly, grams, listed, ml, mm, percent } from '../../say';
import {
  coverageMl,
  isMetered,
  kitVolumeMl,
  makesAsPrinted,
  SAGS,
  systemKind,
  USUAL_DENSITY_SPREAD,
  WETNESS,
} from '../../system';
import { type Finding, findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  lot: {
    severity: 'caution',
    stage: 'mix',
    title: 'Lot {lot} is passed over',
    why: 'It is {why}.',
    todo: 'Do not use it here; the plan counts without it.',
  },
  example: {
    severity: 'stop',
    stage: 'material',
    title: 'An example sheet, not one of yours',
    why: 'The figures of {name} are made up to look at how a repair is planned.',
    todo: 'Type in the sheet of what you have in hand and choose it here, before anything is mixed.',
  },
  density: {
    severity: 'caution',
    stage: 'mix',
    title: 'Weighed by a density that is not on the sheet',
    why: 'Of {parts} the sheet prints no density; as usual for such a part it is {density}, give or take {spread}. What is weighed for this void may be so much too little or too much.',
    todo: 'Weigh a measured cup of each once and type its density into the sheet’s next revision, or keep that much in hand.',
  },
  'density-whole': {
    id: 'density',
    severity: 'caution',
    stage: 'mix',
    title: 'What a kit makes hangs on a density that is not on the sheet',
    why: 'Of {parts} the sheet prints no density; as usual for such a part it is {density}, give or take {spread}. {kits, plural, one {The kit makes} other {The # kits make}} {made} by it; {needed} are needed.',
    todo: 'Look on the pack for what it makes and type that into the sheet’s next revision, or have one more within reach.',
  },
  moisture: {
    severity: 'stop',
    stage: 'material',
    title: 'Base too damp inside',
    why: 'It holds {is}, the sheet allows {limit}.',
    todo: 'Let it dry and measure again, or choose a system for damp bases.',
  },
  thicken: {
    severity: 'caution',
    stage: 'mix',
    title: 'It runs, and this work needs a paste',
    why: '{name} {filled, select, yes {still runs with the fillers chosen} other {is liquid when it is mixed}}; it would run out of its place before it sets.',
    todo: 'Choose fillers of one’s own and how it shall stand here, or take a system that is a paste.',
  },
  grains: {
    severity: 'caution',
    stage: 'mix',
    title: 'Grains in a mix that bears none',
    why: 'With {grains} in it {name} makes a mortar; what is thin, soaks in or shall be smooth is not made of that.',
    todo: 'Take a filler without grains, or a method that places mortar.',
  },
  wetness: {
    severity: 'stop',
    stage: 'material',
    title: 'Surface wetter than the sheet allows',
    why: 'It is found {is}, the sheet wants {wanted}.',
    todo: 'Dry it, or choose a system that bears the wet.',
  },
  'wetness-usual': {
    id: 'wetness',
    severity: 'caution',
    stage: 'material',
    title: 'Surface wetter than such a system usually bears',
    why: 'It is found {is}; the sheet says nothing of it, and usual for its kind is {wanted}.',
    todo: 'Ask for it and type it into the sheet’s next revision; till then dry it.',
  },
  sag: {
    severity: 'stop',
    stage: 'material',
    title: 'It would sag out',
    why: '{lift} {where, select, wall {on a wall} other {overhead}}, the sheet holds {limit}.',
    todo: 'Build it in thinner lifts, shutter it, or thicken it within the sheet.',
  },
  coverage: {
    severity: 'note',
    stage: 'mix',
    title: 'The sheet counts with less from a kit',
    why: 'By its masses {kit} makes {geometry}, by the sheet’s own figure {least}: {less} less.',
    todo: 'The smaller figure plans.',
  },
  'colour:much': {
    severity: 'caution',
    stage: 'mix',
    title: 'Much tint in the mix',
    why: '{share} of tints and dust; above {most} most sheets no longer stand for strength and cure (assumed, not from this sheet).',
    todo: 'Ask the maker, or colour a thin last coat only.',
  },
  'colour:fine': {
    severity: 'caution',
    stage: 'mix',
    title: 'A tint too small for the scale',
    why: 'In {mix} of mix its smallest tint is lost in a step of {step}.',
    todo: 'Weigh on a finer scale, or colour at least {least} at once and divide it.',
  },
  'colour:lost': {
    severity: 'caution',
    stage: 'mix',
    title: '{name} is too little for the scale',
    why: 'Scaled it is {mass}, and half a step of {step} is {off} of it.',
    todo: '{whole, select, none {} other {Mix the whole trial: then it is weighed within {whole}, and {left} of it is left over. }}Or thin it with {parts, plural, one {one part} other {# parts}} of base, weigh that, and take as much less base; or a finer scale.',
  },
  'colour:unseen': {
    severity: 'stop',
    stage: 'mix',
    title: 'A colour taken without {looks}',
    why: 'Of “{name}” it is not written down that it fits {looks}. What fits dry is another colour wet, and another again by lamp.',
    todo: 'Look at it so, beside its neighbour, and write down what you see; or try on.',
  },
  'witness-none': {
    severity: 'note',
    stage: 'hold',
    title: 'No cup kept of batch {batch}',
    why: 'A left-over cup shows whether ratio and mixing were right.',
    todo: 'Set what is left in the pot aside as its witness and note it.',
  },
  'witness-soft': {
    severity: 'stop',
    stage: 'release',
    title: 'The cup of batch {batch} is not hard',
    why: 'By the clock it should bear load now, and a cup is hard sooner than a thin layer.',
    todo: 'Do not load it. Touch the cup again; doubt the ratio and the mixing if it stays soft.',
  },
  'smear-soft': {
    severity: 'stop',
    stage: 'release',
    title: 'The smear of batch {batch} is not hard',
    why: 'It lay beside the repair, as thick and as cold: the repair is no further than it is.',
    todo: 'Do not load it. Read the base, warm the place, touch the smear again each hour.',
  },
});

/** What is noticed about a colour that was tried in base, and about the taking of it. */
function colourOf(trial: ColourTrial, plan: RepairPlan, stepG: number): readonly Finding[] {
  const { mix, sheet } = plan;
  if (!mix || !sheet) return [];
  const bare = { ...sheet, parts: sheet.parts.filter((p) => p.id === 'A' || p.id === 'B') };
  const made = attempt(() => recipeFor(trial, bare, mix.toMixMl / plan.batches.length, stepG));
  if (!made.ok) return [];
  const { rows, wholeWorstPct, wholeLeftPct, tintPct } = made.value;
  const looks = unfitLooks(trial);
  return [
    ...(looks.length
      ? [
          F['colour:unseen']({
            name: trial.name,
            looks: listed(
              looks.map((l) => LOOKS[l]),
              'or',
            ),
          }),
        ]
      : []),
    ...(tintPct > TINT_MAX_PCT
      ? [F['colour:much']({ share: percent(tintPct, 2), most: exactly(percent(TINT_MAX_PCT)) })]
      : []),
    ...rows.flatMap(({ name, massG, offPct, thinWith }) =>
      thinWith === null
        ? []
        : [
            F['colour:lost'](
              {
                name,
                mass: grams(massG),
                step: exactly(grams(stepG)),
                off: percent(offPct, 2),
                whole: wholeLeftPct > 0 && wholeWorstPct < offPct ? percent(wholeWorstPct, 1) : 'none',
                left: percent(wholeLeftPct, 2),
                parts: thinWith,
              },
              { of: name },
            ),
          ],
    ),
  ];
}

/** What is noticed about lots, the surface against the sheet, the instrument at hand, colour and the cups kept. */
export const shelfRules: Readonly<Record<string, Rule>> = {
  thicken: ({ plan, repair }) => {
    const { method, sheet } = plan;
    if (!method || !sheet || (repair.blend && repair.blend.consistency !== 'runs')) return [];
    // Asked of the liquid as it is without what was put into it.
    const liquid = repair.blend ? { ...sheet, parts: sheet.parts.filter((p) => p.filler === null) } : sheet;
    return wantsThickening(method, liquid)
      ? [F.thicken({ name: sheet.name, filled: repair.blend ? 'yes' : 'no' })]
      : [];
  },

  grains: ({ plan, repair }) => {
    const grains = (repair.blend?.fillers ?? []).map((f) => fillerOf(f.filler)).filter((f) => f.kind === 'grains');
    return plan.sheet && plan.method && !plan.method.takes.sand && grains.length
      ? [F.grains({ name: plan.sheet.name, grains: listed(grains.map((f) => f.label)) })]
      : [];
  },

  example: ({ job, plan }) => (plan.sheet?.sample && !job.sample ? [F.example({ name: plan.sheet.name })] : []),

  density: ({ plan, repair }) => {
    const { sheet } = plan;
    // By the cup, in the ratio that is printed for it, no density is asked for.
    if (sheet?.ratio.basis === 'volume' && instrumentOf(repair, sheet).way === 'cup') return [];
    // What is pressed out of its packs, and water, need no density to be measured out.
    // Where it prints that of the mix, what is weighed for a void is known, whatever of it is in which part.
    if (!sheet || !plan.mix || isMetered(sheet.kind) || sheet.mixedGPerMl !== null) return [];
    // Nor is what is kneaded in its own bag weighed.
    if (systemKind(sheet.kind).ownBag) return [];
    const guessed = sheet.parts.filter(
      (p) => !p.filler && p.role !== 'water' && sheet.estimated.includes(`density${p.id}`),
    );
    // Where its pack makes what its paper says it makes, that is known of the mix as well.
    if (!guessed.length || sheet.kits.some((k) => makesAsPrinted(sheet, k))) return [];
    const told = {
      parts: listed(
        guessed.map((p) => `${p.id}, ${p.name}`),
        'and',
      ),
      density: listed(
        guessed.map((p) => density(p.densityGPerMl)),
        'and',
      ),
      spread: percent(USUAL_DENSITY_SPREAD * 100),
    };
    const { kits, batches, toMixMl } = plan.mix;
    if (batches.some((b) => b.kits === null)) return [F.density(told)];
    // Of whole kits nothing is weighed. What they make may be less; where the paper tells it, or enough is over, not.
    const madeMl = kits.use * kits.volumeMl;
    return kits.kit.yieldMl !== null || madeMl * (1 - USUAL_DENSITY_SPREAD) >= toMixMl
      ? []
      : [F['density-whole']({ ...told, kits: kits.use, made: ml(madeMl), needed: ml(toMixMl) })];
  },

  lots: ({ job, plan, stock }) => {
    const { sheet, mix } = plan;
    if (!sheet || !mix) return [];
    const begins = plan.steps.find((s) => s.stage === 'mix')?.startMs ?? job.startFrom;
    const day = dayOf(job.zone, begins).date;
    return stock
      .filter((l) => l.systemId === sheet.systemId && (l.quantity > 0 || l.openedShare > 0))
      .flatMap((l): Finding[] => {
        const why = passedOver(l, sheet, day);
        return why ? [F.lot({ lot: l.lot, why }, { of: l.id })] : [];
      });
  },

  surface: ({ repair, plan }) => {
    const { sheet } = plan;
    // How wet the bare base is concerns what is put on it, and nothing that comes over that.
    if (!sheet || plan.context?.onFace) return [];
    const out: Finding[] = [];
    const limit = sheet.limits.moistureMaxPct;
    if (limit !== null && repair.moisturePct !== null && repair.moisturePct > limit)
      out.push(F.moisture({ is: percent(repair.moisturePct), limit: exactly(percent(limit)) }));
    if (WETNESS.indexOf(repair.surface) > WETNESS.indexOf(sheet.limits.wetness))
      out.push(
        F[sheet.estimated.includes('wetness') ? 'wetness-usual' : 'wetness']({
          is: repair.surface,
          wanted: sheet.limits.wetness,
        }),
      );
    const sag = SAGS[repair.orientation]?.mostMm(sheet.limits) ?? null;
    const deep = plan.void?.faces.maxDepthMm ?? 0;
    const lift = Math.min(deep, sheet.limits.liftMaxMm ?? deep);
    if (sag !== null && lift > sag)
      out.push(F.sag({ lift: mm(lift), where: repair.orientation, limit: exactly(mm(sag)) }));
    return out;
  },

  coverage: ({ plan }) => {
    const { sheet, kit } = plan;
    if (!sheet || !kit) return [];
    const stated = [kit.yieldMl, coverageMl(sheet, kit)].filter((x): x is number => x !== null);
    const geometry = kitVolumeMl(sheet, kit);
    const least = Math.min(...stated, geometry);
    return least < geometry * 0.95
      ? [
          F.coverage({
            kit: kit.label,
            geometry: ml(geometry),
            least: ml(least),
            less: percent((1 - least / geometry) * 100, 2),
          }),
        ]
      : [];
  },

  colour: ({ repair, plan }) => {
    const trial = takenTrial(repair.colour);
    if (!trial || !plan.batches.length) return [];
    if (trial.of === 'base') return colourOf(trial, plan, repair.scaleStepG);
    const masses = plan.batches.map((b) => Object.values(b.massG).reduce((s, x) => s + x, 0));
    const least = Math.min(...masses);
    const scaled = scaledColour(trial, least, repair.scaleStepG);
    const out: Finding[] = [];
    if (scaled.sharePct > TINT_MAX_PCT)
      out.push(F['colour:much']({ share: percent(scaled.sharePct, 2), most: exactly(percent(TINT_MAX_PCT)) }));
    if (least < scaled.leastMixG)
      out.push(
        F['colour:fine']({
          mix: grams(least),
          step: exactly(grams(repair.scaleStepG)),
          least: grams(scaled.leastMixG),
        }),
      );
    return out;
  },

  witness: ({ plan, actuals, nowMs }) =>
    plan.batches.flatMap((b): Finding[] => {
      const placed = plan.steps.some(
        (s) => s.batch === b.index && s.marks?.end?.includes('placed') && s.doneAt !== null,
      );
      if (!placed || isMetered(plan.sheet!.kind)) return [];
      const cup = actuals.witness.get(b.index);
      const smear = actuals.smear.get(b.index);
      const of = (what: string): Finding[] =>
        [F[what === 'none' ? 'witness-none' : 'witness-soft']({ batch: b.index + 1 })].map((f) => ({
          ...f,
          id: `witness:${b.index}:${what}`,
        }));
      const bears = servedLast(plan)?.planMs ?? null;
      const due = bears !== null && nowMs >= bears;
      const soft = (w: typeof cup) => due && w !== undefined && w.state !== 'hard' && w.state !== 'kept';
      return [
        ...(cup ? [] : of('none')),
        ...(soft(cup) ? of('soft') : []),
        ...(soft(smear) ? [F['smear-soft']({ batch: b.index + 1 }, { of: b.index })] : []),
      ];
    }),
};
