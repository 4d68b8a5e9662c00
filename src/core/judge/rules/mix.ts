import { runM, stillLacksMm, tubeMm } from '../../method';
import { FOR_RATIO, vesselMassG } from '../../mix';
import { inRounds, likePlaces, spotBySpot } from '../../plan';
import { along, degC, exactly, grams, listed, minutes, ml, mm, percent } from '../../say';
import { FAMILIES, isMetered, type MilestoneId, milestoneOf, systemKind } from '../../system';
import { boreOf, placesIn } from '../../void';
import { findings } from '../finding';
import type { Rule } from './rule';
import { WAYS, weighed } from './ways';

/** A pot this many times the mass of the sheet’s pot life no longer keeps to it. */
const POT_MASS_FACTOR = 1.5;

/** Stretches are told in steps of so much, m. */
const STRETCH_M = 0.1;

/** Less of what goes in is hardly anything to spare. */
const LITTLE_SPARE = 0.05;

/** Of the sheet’s pot life; above it nobody would notice. */
const NOTICED_SHARE = 0.95;

const F = findings({
  'kit-over': {
    severity: 'note',
    stage: 'mix',
    title: 'A kit for very little',
    why: '{kits, plural, one {# kit is} other {# kits are}} opened{part, select, none {} other { for {part}}}, the last of them for {over}.',
    todo: 'A little less over, and one fewer serves; but nothing is then left for a doubt.',
  },
  waste: {
    severity: 'note',
    stage: 'mix',
    title: 'More is mixed than goes in',
    why: '{need} are needed and whole kits make {made}: {over} are mixed for nothing{heats, select, yes {, and what stands in the pot heats itself} other {}}.',
    todo: '{ways, select, none {The sheet does not let this kit be split: take a smaller one, or have another place ready for the rest.} other {Split the kit by weighing, take a smaller one, or have another place ready for the rest.}}',
  },
  lost: {
    severity: 'note',
    stage: 'mix',
    title: 'Much stays behind',
    why: '{lost} are {pressed, select, yes {thrown away with mixers and flow checks} other {left in {pots, plural, one {the pot} other {# pots}} and on tools}}, and {placed} go in.',
    todo: '{pressed, select, yes {The first shots go however little is placed: do other places with the same mixer and pack.} other {{pots, plural, one {A small cup scraped out well keeps less: set what stays in it in the sheet.} other {{apart, select, yes {Each lift waits for the one before, so each is a mix of its own: a small cup, or a card to mix on, keeps less than the sheet’s pot.} other {Fewer mixes lose less: more hands, a cooler pot, or a slower system; a small cup keeps less than the sheet’s pot.}}}}}}',
  },
  'for-ratio': {
    severity: 'note',
    stage: 'mix',
    title: 'Mixed for the sake of the ratio',
    why: '{over} of {all} are waste: {pots, plural, one {the pot is} other {each pot is}} filled up to {least}, since less cannot be measured out in its ratio.',
    todo: 'A finer scale needs less of it; or do other places with the same mix.',
  },
  spare: {
    severity: 'caution',
    stage: 'mix',
    title: 'Hardly anything to spare',
    why: '{left} are left of {packs, plural, one {# pack} other {# packs}}, and one place takes {each}: one that takes more, or one more pause, opens another pack.',
    todo: 'Have one pack more at hand; it stays closed if all goes well.',
  },
  'spare:share': {
    id: 'spare',
    severity: 'caution',
    stage: 'mix',
    title: 'Hardly anything to spare',
    why: '{left} are left of {packs, plural, one {# pack} other {# packs}}, and {placed} go in: a twentieth more, or one more pause, opens another pack.',
    todo: 'Have one pack more at hand; it stays closed if all goes well.',
  },
  stretches: {
    severity: 'note',
    stage: 'place',
    title: 'Worked stretch by stretch',
    why: 'All of it takes {all}; what is pressed out can be worked for {usable}.',
    todo: 'Fill {stretch} at a time and work it before the next: nothing waits behind the gun.',
  },
  starved: {
    severity: 'stop',
    stage: 'mix',
    title: 'Two thirds starves this anchor',
    why: 'The gap is {gap}, two thirds of the bore {filled}: the rod is too thin for its hole.',
    todo: 'Overfill and wipe, or use a closer-fitting bit.',
  },
  'hole-gap:reach': {
    severity: 'caution',
    stage: 'place',
    title: 'Nozzle does not reach the bottom',
    why: 'The hole is {deep}, the mixer reaches {reach}{tubed, select, yes { and the tube on it {tube} more} other {}}: air stays behind the resin.',
    todo: 'Fit a tube that is longer by {lacks}.',
  },
  'hole-gap:tube': {
    id: 'hole-gap',
    severity: 'note',
    stage: 'place',
    title: 'A tube on the mixer',
    why: 'The hole is {deep}, the mixer reaches {reach}: a tube of {tube} is counted, with what stays in it.',
    todo: 'Cut it to length and mark the depth on it before the pack is opened.',
  },
  'pot-mass': {
    severity: 'caution',
    stage: 'mix',
    title:
      '{share, select, unknown {{by, select, hand {A bigger lump than the sheet’s time is for} other {A bigger pot than the sheet’s pot life is for}}} other {{by, select, hand {The lump} other {The pot}} warms itself and dies sooner}}',
    why: '{mass} {by, select, hand {lie in one lump} other {stand in one pot}}, the sheet’s time is for {stated}{assumed, select, yes { (assumed, the sheet names none)} other {}}: {share, select, unknown {it heats itself and dies sooner than the clock says.} other {an estimated {share} of that time is left, and the clocks here count with it{beyond, select, yes {, as if it lost nothing to the air, since it is beyond what was prepared} other {}}{filled, select, yes {; your own fillers are left out of it, they make it milder} other {}}.}}{rest, select, runaway { Left {by, select, hand {lying} other {in the pot}}, a rest of that size may run away: smoke and fire.} hot { Left {by, select, hand {lying} other {in the pot}}, it gets hotter than {hot}.} other {}}',
    todo: '{by, select, hand {Knead less at once and press it in at once; never leave a rest lying in a lump.} other {Mix smaller batches, spread it out at once, or keep it in a flat tray; never leave a rest standing in the pot.}}',
  },
  estimate: {
    severity: 'note',
    stage: 'hold',
    title: 'Estimated, not the sheet’s word',
    why: 'The sheet gives one figure for {times}{dries, select, no {; away from its temperature it is carried by the family’s activation energy ± 10 kJ/mol.} flat {, and no temperature with it: taken as it stands, it says nothing of how much longer it dries in a colder or damper hour.} other {; in a colder hour it dries longer by as much as water evaporates more slowly, at one humidity. A damp hour is slower still.}}',
    todo: '{dries, select, no {Prove it by touch and by a smear as thin, on a like base beside it, before release.} other {Touch it with a dry finger before it is gone on with, and again each hour.}}',
  },
  extrapolated: {
    severity: 'caution',
    stage: 'hold',
    title: 'Beyond the sheet’s points',
    why: 'The temperature runs past the outer points of the sheet for {times}.',
    todo: 'Prove it by touch and by a smear as thin, on a like base beside it, before release.',
  },
});
/** A last kit opened for less than this share of it is worth a word. */
const KIT_OVER = 0.12;

/** Mixed for nothing, a share of what is needed: above it a plan says why, and what would lower it. */
const WASTE_SAID = 1 / 3;

/** A pot left alone is called hot above this, °C. */
const HOT_C = 120;

/** What is noticed about amounts, reach and scale. */
export const mixRules: Readonly<Record<string, Rule>> = {
  starved: ({ plan }) => {
    if (!plan.mix || !plan.void || !plan.context?.effects.pushedUp) return [];
    const { shows } = plan.context.effects;
    const extra = plan.mix.lines.reduce((sum, l) => sum + (shows.includes(l.id) ? l.ml : 0), 0);
    return extra < 0 ? [F.starved({ gap: ml(plan.void.nominalMl), filled: ml(plan.void.nominalMl + extra) })] : [];
  },

  'hole-gap': ({ repair, plan }) => {
    const deep = repair.void && boreOf(repair.void)?.deepMm;
    const reach = plan.sheet?.mixer?.reachMm;
    if (!deep || !reach || deep <= reach || !plan.context) return [];
    const [tube, lacks] = [tubeMm(plan.context), stillLacksMm(plan.context)];
    const said = { deep: mm(deep), reach: exactly(mm(reach)), tube: mm(tube), lacks: mm(lacks) };
    return [lacks > 0 ? F['hole-gap:reach']({ ...said, tubed: tube > 0 ? 'yes' : 'no' }) : F['hole-gap:tube'](said)];
  },

  'kit-over': ({ plan, repair }) => {
    const { mix, method, sheet, batches } = plan;
    const kitMl = mix?.kits.volumeMl ?? 0;
    if (!mix || !method || !sheet || !batches.length || batches.some((b) => b.kits === null) || mix.kits.use < 2)
      return [];
    if (mix.more) return [];
    // Lifts a wait apart share no kit: what one of them has over is of no use to the other.
    const portions = [...new Set(batches.map((b) => b.portion))];
    const lossMl = (mix.lines.find((l) => l.id === 'pot')?.ml ?? 0) / batches.length;
    if (portions.length > 1)
      return portions.flatMap((portion) => {
        const mine = batches.filter((b) => b.portion === portion);
        const kits = mine.reduce((sum, b) => sum + (b.kits ?? 0), 0);
        const over = mine.reduce((sum, b) => sum + b.placedMl + b.drawnMl + lossMl, 0) - (kits - 1) * kitMl;
        return kits > 1 && over > 0 && over <= KIT_OVER * kitMl
          ? [F['kit-over']({ over: ml(over), kits, part: mine[0]!.label, name: repair.passName }, { of: portion })]
          : [];
      });
    const less = mix.kits.use - 1;
    const over = mix.toMixMl - less * kitMl;
    if (!(over > 0) || over > KIT_OVER * kitMl) return [];
    // What is added in per cent may be made less, as far as one kit fewer serves; each kit saved saves its own loss,
    // too.
    const added = method.settings.find((x) => x.kind === 'percent' && mix.lines.some((l) => l.id === x.id && l.ml > 0));
    const net = mix.lines.find((l) => l.id === 'net')?.ml ?? 0;
    const rest = mix.lines.reduce((sum, l) => sum + (l.id === added?.id || l.id === 'pot' ? 0 : l.ml), 0);
    const fits = Math.floor(((less * kitMl - less * sheet.potLossMl - rest) / net) * 1000) / 10;
    const way =
      added && fits >= 0
        ? [
            {
              say: WAYS.less({ what: added.label, share: percent(fits) }),
              set: { path: ['settings', added.id], value: fits },
            },
          ]
        : [];
    return [F['kit-over']({ over: ml(over), kits: mix.kits.use, part: 'none', name: repair.passName }, { ways: way })];
  },

  waste: ({ plan }) => {
    const { mix, kit, method, sheet } = plan;
    if (!mix || !kit || !method || !mix.kits.leftIsMixed || mix.kits.leftMl <= WASTE_SAID * mix.toMixMl) return [];
    const { use, volumeMl, leftMl } = mix.kits;
    const ways = weighed(method, kit);
    return [
      F.waste(
        {
          need: ml(mix.toMixMl),
          made: ml(use * volumeMl),
          over: ml(leftMl),
          heats: sheet && FAMILIES[sheet.family].selfHeats ? 'yes' : 'no',
          ways: ways.length ? 'some' : 'none',
        },
        { ways },
      ),
    ];
  },

  lost: ({ plan, mixerGoesOn }) => {
    const { mix, sheet } = plan;
    if (!mix || !sheet || mixerGoesOn) return [];
    const forRatio = mix.lines.find((l) => l.id === FOR_RATIO)?.ml ?? 0;
    const lost = mix.lines.reduce((sum, l) => sum + (l.lost ? l.ml : 0), -forRatio);
    const placed = mix.lines.reduce((sum, l) => sum + l.ml, -forRatio) - lost;
    if (placed <= 0 || lost <= WASTE_SAID * placed) return [];
    return [
      F.lost({
        lost: ml(lost),
        placed: ml(placed),
        pots: mix.batches.length,
        apart: new Set(mix.batches.map((b) => b.portion)).size === mix.batches.length ? 'yes' : 'no',
        pressed: isMetered(sheet.kind) ? 'yes' : 'no',
      }),
    ];
  },

  'for-ratio': ({ plan, repair }) => {
    const overMl = plan.mix?.lines.find((l) => l.id === FOR_RATIO)?.ml ?? 0;
    if (!(overMl > 0) || !plan.mix || repair.leastG === null) return [];
    const said = {
      over: ml(overMl),
      all: ml(plan.mix.toMixMl),
      least: exactly(grams(repair.leastG)),
      pots: plan.mix.batches.length,
    };
    return [F['for-ratio'](said)];
  },

  spare: ({ plan, repair }) => {
    const { mix, sheet } = plan;
    if (!mix || !sheet || !isMetered(sheet.kind)) return [];
    const { leftMl, buy } = mix.kits;
    const placedMl = mix.lines.reduce((sum, l) => sum + (l.lost ? 0 : l.ml), 0);
    const of = { left: ml(leftMl), packs: buy };
    if (!inRounds(plan))
      return leftMl < placedMl * LITTLE_SPARE ? [F['spare:share']({ ...of, placed: ml(placedMl) })] : [];
    const like = likePlaces(plan);
    const eachMl = Math.max(
      placedMl / (repair.void ? placesIn(repair.void) : 1),
      ...(like?.apart ?? []).map((of) => of.ml),
    );
    return leftMl < eachMl ? [F.spare({ ...of, each: ml(eachMl) })] : [];
  },

  stretches: ({ plan }) => {
    const { context, usableMin, steps } = plan;
    if (!context || usableMin === null || !spotBySpot(plan)) return [];
    const run = runM(context);
    const allMin = steps.filter((s) => s.marks?.end?.includes('placed')).reduce((sum, s) => sum + s.handsOnMin, 0);
    // Whole minutes of the plan are no reason to part it.
    if (!(run > 0 && allMin > usableMin * 1.05)) return [];
    const stretch = along(
      Math.max(1, Math.floor((run * usableMin) / allMin / STRETCH_M)) * STRETCH_M * 1000,
      run * 1000,
    );
    return [F.stretches({ all: minutes(allMin), usable: minutes(usableMin), stretch })];
  },

  'pot-mass': ({ plan }) => {
    const { sheet, batches, pot } = plan;
    if (!sheet || isMetered(sheet.kind) || !FAMILIES[sheet.family].selfHeats || !batches.length) return [];
    const massG = Math.max(...batches.map((b) => vesselMassG(sheet, b)));
    const share = pot?.shareOf(massG) ?? null;
    const stated = milestoneOf(sheet, 'use-by')?.referenceMassG ?? null;
    const outgrown = stated !== null && massG > POT_MASS_FACTOR * stated;
    if (share === null ? !outgrown : share > NOTICED_SHARE) return [];
    const yes = (is: boolean | undefined) => (is ? 'yes' : 'no');
    return [
      F['pot-mass']({
        share: share === null ? 'unknown' : percent(share * 100, 2),
        mass: grams(massG),
        stated: grams(pot?.referenceG ?? stated!),
        assumed: yes(stated === null),
        beyond: yes(pot?.beyond(massG)),
        by: systemKind(sheet.kind).mixing,
        filled: yes(pot?.filled),
        rest: pot?.leftAlone(massG)?.verdict ?? 'unknown',
        hot: exactly(degC(HOT_C)),
      }),
    ];
  },

  estimate: ({ plan }) => {
    const { sheet } = plan;
    const isDrying = sheet !== null && FAMILIES[sheet.family].activationKJ === null;
    const used = plan.milestones.filter(
      (m) =>
        m.standing !== 'sheet' &&
        m.planMs !== null &&
        (m.kind === plan.serves || m.kind === 'use-by' || m.kind === 'release' || (isDrying && m.clock === 'waiting')),
    );
    // A pot that warms itself is estimated, too, whatever the sheet prints: that is told of the pot.
    const oneFigure = (kind: MilestoneId) => {
      const form = sheet ? milestoneOf(sheet, kind)?.table.form : undefined;
      return form === undefined || form === 'single';
    };
    const howOf = ({ kind }: (typeof used)[number]): 'no' | 'flat' | 'slower' => {
      const table = sheet ? milestoneOf(sheet, kind)?.table : undefined;
      if (!isDrying) return 'no';
      return table?.form === 'single' && table.tempC === null ? 'flat' : 'slower';
    };
    const estimated = used.filter((m) => m.standing === 'estimated' && oneFigure(m.kind));
    const told = (dries: ReturnType<typeof howOf>) => {
      const times = [...new Set(estimated.filter((m) => howOf(m) === dries).map((m) => m.label.toLowerCase()))];
      return times.length ? [F.estimate({ times: listed(times), dries }, dries === 'no' ? {} : { of: dries })] : [];
    };
    const beyond = [...new Set(used.filter((m) => m.standing === 'extrapolated').map((m) => m.label.toLowerCase()))];
    return [
      ...(['no', 'flat', 'slower'] as const).flatMap(told),
      ...(beyond.length ? [F.extrapolated({ times: listed(beyond) })] : []),
    ];
  },
};
