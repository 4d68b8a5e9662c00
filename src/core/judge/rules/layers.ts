import { ENGINES, leadOf, liftsMm, type MethodContext, settingIn, usualOption } from '../../method';
import { withLast } from '../../mix';
import type { RepairPlan } from '../../plan';
import { at, attempt, minutes, ml, mm, percent, texts } from '../../say';
import type { Void } from '../../void';
import { findings } from '../finding';
import { INSTEAD } from './instead';
import type { Rule } from './rule';

const F = findings({
  'even-sets': {
    severity: 'note',
    stage: 'mix',
    title: 'Other layers open fewer packs',
    why: 'Each layer takes whole packs, {packs} in all as it is. A first layer {way, select, more {thicker} other {thinner}} by {lead}, up to {thick}, takes {fewer}; {left} are then left in the fullest.',
    todo: 'Tight: nothing that a layer takes beyond its figure is in its packs. Keep one more at hand.',
  },
  'borders-let-go': {
    severity: 'note',
    stage: 'place',
    title: 'The borders that were pulled no longer fit',
    why: 'By them a batch would hold or take longer than it may, or there are more or fewer batches now: they are planned even.',
    todo: 'Pull them anew, or make them even.',
  },
  'neat-slower': {
    severity: 'note',
    stage: 'place',
    title: 'The neat resin is taken to be a slower one',
    why: 'Painting it takes {paint}. That it stays wet or tacky for {life} is Grenko’s figure, of a wetting resin; what is poured here leaves {usable} once it is mixed.',
    todo: 'Take a wetting resin, and type how long it stays tacky; or paint with the mix itself before its sand goes in, no further ahead than its batch reaches.',
  },
  'primed-too-far': {
    severity: 'caution',
    stage: 'place',
    title: 'The neat resin is no longer tacky when the last is poured',
    why: 'Painted by {painted}, wet or tacky for {life}; the last batch goes in at {poured}.',
    todo: 'Paint in {stretches} stretches, each right before its batches; or a neat resin that stays open longer.',
  },
  uncovered: {
    severity: 'caution',
    stage: 'place',
    title: 'Nothing goes over it',
    why: '“{choice}” fits {fits}, and no pass or coat follows: it comes up under the first wheel.',
    todo: 'Add the pass that covers it, say what is laid on it, or choose otherwise.',
  },
  'mesh-wide': {
    severity: 'caution',
    stage: 'place',
    title: 'The mesh is wider than its bed',
    why: 'It is {mesh} wide and lies on {bed}: what stands out is not bedded and is torn off.',
    todo: 'Measure bed and cover as they will be laid, or take a narrower strip.',
  },
  'comes-to-nothing': {
    severity: 'note',
    stage: 'place',
    title: 'Chosen, and nothing takes it',
    why: '“{choice}” is chosen, and by the settings of this pass no place asks for it.',
    todo: 'Look at its settings, or choose otherwise.',
  },
});
const WAY = texts('finding.even-sets.way', {
  thick: '{way, select, more {Thicker} other {Thinner}} by {lead}',
});

/** Strips are cut to that, mm. */
const STRIP_STEP_MM = 5;
/** A first layer is tried so much thinner or thicker than an even one, first in wide steps, then in fine ones, %. */
const FROM = -30;
const TO = 40;
const WIDE = 2;
const FINE = 0.1;

/** Whole packs that each lift takes, and what the fullest lift leaves in its own, mL. */
interface Packs {
  readonly count: number;
  readonly leftMl: number;
}

/** Packs of a pass whose first layer is thicker by so much; null where a layer would be more than the sheet allows. */
function packsWith(lead: number, plan: RepairPlan, context: MethodContext): Packs | null {
  const { mix } = plan;
  const trial = { ...context, settings: { ...context.settings, [context.params.lead!]: lead } };
  const made = attempt(() => ENGINES[plan.method!.engine].portions(trial));
  if (!made.ok) return null;
  const lines = mix!.lines.filter((l) => l.id !== 'pot');
  const placed = lines.reduce((sum, l) => sum + l.ml, 0);
  const kitMl = mix!.kits.volumeMl;
  const each = withLast(made.value, lines, placed).map((p, i) => {
    const pots = mix!.batches.filter((b) => b.portion === i).length;
    const needMl = p.share * placed + pots * context.sheet.potLossMl;
    const packs = Math.ceil(needMl / kitMl - 1e-9);
    return { packs, leftMl: packs * kitMl - needMl };
  });
  return { count: each.reduce((sum, e) => sum + e.packs, 0), leftMl: Math.min(...each.map((e) => e.leftMl)) };
}

/** Packs with the layers that take them. */
type Layers = Packs & { readonly lead: number };

/** Of so many first layers the one with the fewest packs, and of those the one that leaves most in the fullest. */
function best(from: number, to: number, step: number, packs: (lead: number) => Packs | null): Layers | null {
  let found: Layers | null = null;
  for (let i = 0; i <= Math.round((to - from) / step); i++) {
    const lead = Number((from + i * step).toFixed(1));
    const here = packs(lead);
    if (!here) continue;
    if (!found || here.count < found.count || (here.count === found.count && here.leftMl > found.leftMl + 1e-9))
      found = { ...here, lead };
  }
  return found;
}

/** What was found for a void before: while a temperature is pulled, nothing of it changes. */
const known = new WeakMap<Void, Map<string, Layers | null>>();

/** The layers that open the fewest packs; null where those that are planned do. */
function fewestPacks(plan: RepairPlan, context: MethodContext): Layers | null {
  const { mix } = plan;
  const packs = (lead: number) => packsWith(lead, plan, context);
  const of = known.get(context.void) ?? new Map<string, Layers | null>();
  known.set(context.void, of);
  const key = [
    leadOf(context),
    context.liftMm,
    context.sheet.limits.liftMaxMm,
    context.effects.level,
    mix!.kits.volumeMl,
    context.sheet.potLossMl,
    ...mix!.lines.map((l) => `${l.id} ${l.ml}`),
    ...mix!.batches.map((b) => b.portion),
  ].join('|');
  const before = of.get(key);
  if (before !== undefined) return before;
  const near = best(FROM, TO, WIDE, packs);
  // The fine look is only for the middle of what is found.
  const found = near && near.count < mix!.kits.use ? best(near.lead - WIDE, near.lead + WIDE, FINE, packs) : null;
  of.set(key, found);
  return found;
}

/** What is noticed about lifts and what lies in them. */
export const layerRules: Readonly<Record<string, Rule>> = {
  'borders-let-go': ({ plan }) => (plan.mix?.bordersKept === false ? [F['borders-let-go']()] : []),

  // Of what somebody chose: a choice of ours is no mistake of theirs.
  uncovered: ({ plan, repair, covered }) => {
    const { method } = plan;
    if (!method || covered || repair.meets.over !== null) return [];
    return method.schools.flatMap((school) => {
      const id = repair.schools[school.id] ?? usualOption(school, plan.sheet);
      const chosen = school.options.find((o) => o.id === id);
      if (!chosen?.effect.wantsCover) return [];
      return [
        F.uncovered(
          { choice: chosen.label, fits: chosen.fits },
          {
            ways: school.options
              .filter((o) => !o.effect.wantsCover)
              .map((o) => ({
                say: INSTEAD.take({ option: o.label }),
                set: { path: ['schools', school.id], value: o.id },
              })),
          },
        ),
      ];
    });
  },

  'mesh-wide': ({ plan }) => {
    const { method, context } = plan;
    if (!method?.strip || !context) return [];
    const { setting, bedMm } = method.strip;
    const [mesh, bed] = [settingIn(context, setting), bedMm(context)];
    if (!(mesh > bed + 0.5)) return [];
    // Nobody cuts a strip to less than a step of his shears.
    const fits = Math.floor(bed / STRIP_STEP_MM) * STRIP_STEP_MM;
    const row = method.settings.find((s) => s.id === setting)!;
    const ways =
      fits >= row.min
        ? [{ say: INSTEAD.width({ width: mm(fits) }), set: { path: ['settings', setting], value: fits } }]
        : [];
    return [F['mesh-wide']({ mesh: mm(mesh), bed: mm(bed) }, { ways })];
  },

  'comes-to-nothing': ({ plan, repair }) => {
    const { method, mix } = plan;
    if (!method || !mix) return [];
    return method.schools.flatMap((school) => {
      const chosen = school.options.find((o) => o.id === repair.schools[school.id]);
      const adds = method.allowances.filter((row) => row.optional && chosen?.effect.shows?.includes(row.id));
      if (!chosen || !adds.length || adds.some((row) => mix.lines.some((l) => l.id === row.id))) return [];
      return [F['comes-to-nothing']({ choice: chosen.label })];
    });
  },

  'primed-too-far': ({ plan: { context, steps } }) => {
    const primed = context?.params.primed && steps.find((s) => s.role === 'prime');
    const poured = steps.findLast((s) => s.marks?.end?.includes('placed'));
    if (!primed || !poured) return [];
    const life = settingIn(context, context.params.primed!);
    const laterMin = (poured.endMs - primed.endMs) / 60_000;
    if (laterMin <= life) return [];
    return [
      F['primed-too-far']({
        painted: at(primed.endMs),
        life: minutes(life),
        poured: at(poured.endMs),
        stretches: Math.ceil(laterMin / life),
      }),
    ];
  },

  'neat-slower': ({ repair, plan: { context, steps, usableMin } }) => {
    const setting = context?.params.primed;
    const primed = setting && steps.find((s) => s.role === 'prime');
    // Who typed how long it stays tacky knows the resin.
    if (!primed || usableMin === null || repair.settings[setting] !== undefined) return [];
    if (primed.handsOnMin <= usableMin) return [];
    return [
      F['neat-slower']({
        paint: minutes(primed.handsOnMin),
        life: minutes(settingIn(context, setting)),
        usable: minutes(usableMin),
      }),
    ];
  },

  'even-sets': ({ plan }) => {
    const { context, mix } = plan;
    if (!mix || !plan.method || !context?.params.lead || liftsMm(context).length < 2) return [];
    if (mix.more || mix.batches.some((b) => b.kits === null)) return [];
    // Only where all of it together would take fewer: what is missing in one layer is over in another.
    if (mix.kits.use <= Math.ceil(mix.toMixMl / mix.kits.volumeMl - 1e-9)) return [];
    const found = fewestPacks(plan, context);
    if (!found) return [];
    const trial = { ...context, settings: { ...context.settings, [context.params.lead]: found.lead } };
    const said = { way: found.lead > 0 ? 'more' : 'less', lead: percent(Math.abs(found.lead)) };
    return [
      F['even-sets'](
        { ...said, packs: mix.kits.use, fewer: found.count, thick: mm(liftsMm(trial)[0]!), left: ml(found.leftMl) },
        { ways: [{ say: WAY.thick(said), set: { path: ['settings', context.params.lead], value: found.lead } }] },
      ),
    ];
  },
};
