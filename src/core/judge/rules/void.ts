import { BARS_RUN, coatsOf, ENGINES, freedBarMm, liftsMm, liftsOf, METHODS } from '../../method';
import { massOf } from '../../mix';
import type { RepairPlan } from '../../plan';
import { exactly, grams, listed, mm, percent } from '../../say';
import { leastByGrainMm } from '../../system';
import {
  blankSettingOut,
  boreOf,
  disagreements,
  facesOf,
  halfWidthMm,
  kindOf,
  oddReadings,
  SHAPES,
  settingOutMissing,
  settingOutProblems,
} from '../../void';
import { type Finding, findings } from '../finding';
import type { Rule } from './rule';

/** One figure where the lifts are alike, else each of them. */
const eachLift = (thick: readonly number[]) =>
  thick.every((t) => Math.abs(t - thick[0]!) < 1e-6) ? mm(thick[0]!) : listed(thick.map((t) => mm(t)));

/** What one place takes in all, g; null while that is not planned. */
const placeG = ({ mix, batches, void: v }: RepairPlan): number | null =>
  mix && v && batches.length ? batches.reduce((sum, b) => sum + massOf(b.massG), 0) / v.count : null;

const F = findings({
  'bond-thickness': {
    severity: 'stop',
    stage: 'measure',
    title: 'Bond line too thick',
    why: '{is} against {limit} on the sheet.',
    todo: 'Grind until the plate lies closer, or fill the hollow first.',
  },
  'bond-thin': {
    id: 'bond-thickness',
    severity: 'stop',
    stage: 'measure',
    title: 'Bond line too thin',
    why: '{is} against at least {limit} on the sheet.',
    todo: 'Lay wire or beads of the right size as spacers.',
  },
  'lift:deep-pass': {
    id: 'lift:deep',
    severity: 'stop',
    stage: 'place',
    title: 'Deeper than one pass allows',
    why: '{is} against {limit} on the sheet: it heats itself and cracks.',
    todo: 'Place it in {lifts, plural, one {# lift} other {# lifts}}.',
  },
  'lift:deep': {
    severity: 'note',
    stage: 'measure',
    title: 'Deeper than one lift allows',
    why: '{is} against {limit} on the sheet.',
    todo: 'Placed in {lifts, plural, one {# lift} other {# lifts}} of {each}.',
  },
  'lift:thin': {
    severity: 'stop',
    stage: 'measure',
    title: 'Thinner than the mortar allows',
    why: '{is} at its deepest against at least {limit} on the sheet.',
    todo: 'Cut deeper, or choose a finer system.',
  },
  'lift:thin-each': {
    severity: 'stop',
    stage: 'measure',
    title: 'Lifts thinner than the mortar allows',
    why: '{is} are more than one lift of {most}, and {lifts, plural, other {# lifts}} of {each} are thinner than the {limit} the sheet asks for.',
    todo: 'Cut it deeper, to {enough}, or take a system with thicker or thinner lifts.',
  },
  'bars:ours': {
    severity: 'caution',
    stage: 'measure',
    title: 'Length of the freed bars not typed',
    why: '{run} of bar are planned with, a figure of Grenko’s: what is mixed hangs on it.',
    todo: 'Add up the bars that lie open, and type it.',
  },
  'lift:grain': {
    severity: 'caution',
    stage: 'measure',
    title: 'Thinner than three of its grains',
    why: '{thin} with grains of {grain}: a layer holds together from about three of them, {least}. The sheet gives no thinnest lift.',
    todo: 'Cut deeper, choose a finer mortar, or ask what the sheet leaves out.',
  },
  rough: {
    severity: 'caution',
    stage: 'measure',
    title: 'Thinner than the face is rough',
    why: '{coats, plural, one {{each} are} other {# coats of {each}, {all} together, are}} put over a texture {rough} deep: its peaks stand through and wear bare first.',
    todo: 'Fill or skim it first, sand the peaks off and say so, or make it thicker.',
  },
  'lift:feather': {
    severity: 'caution',
    stage: 'measure',
    title: 'Feathered edge',
    why: 'Mortar run out to nothing breaks off under the first wheel.',
    todo: 'Cut the edge vertical and measure it so.',
  },
  'two-readings': {
    severity: 'caution',
    stage: 'measure',
    title: 'Two readings of {what} disagree',
    why: '{first} ± {firstHalf} and {second} ± {secondHalf} cannot both be right; the first is planned with.',
    todo: 'Measure a third time and keep the one it confirms.',
  },
  'second-depth': {
    severity: 'caution',
    stage: 'measure',
    title: 'A second reader found another {what}',
    why: '{first} and {second}, each ± {half}: that is {more} {way, select, more {more} other {less}} to fill{each, select, none {} other {, {each} a place in place of {planned}}}. The first is planned with; they are not averaged.',
    todo: 'Read it a third time, at the place itself, before more is mixed.',
  },
  'odd-reading': {
    severity: 'caution',
    stage: 'measure',
    title: 'Reading {number} stands out',
    why: '{is} where its neighbours read about {around}.',
    todo: 'Read it again; if it is right, take more readings round it.',
  },
  'open-back': {
    severity: 'caution',
    stage: 'measure',
    title: 'The back is open',
    why: 'What is filled in runs out behind until it has set, and nobody sees it.',
    todo: 'Close it first; a hold point for that stands in the steps.',
  },
  'other-method': {
    severity: 'note',
    stage: 'measure',
    title: 'This is usually repaired otherwise',
    why: 'What broke is “{shape}”; made for that: {methods}.',
    todo: 'Plan it as such, or go on if {method} is meant.',
  },
  'through-base': {
    severity: 'note',
    stage: 'measure',
    title: 'Deeper than the base is thick',
    why: '{is} deep in {base} of {thick}.',
    todo: 'Correct the thickness of the base at Inspect: its temperature is computed with it. If the hole goes through, close its back first.',
  },
  'part-depth': {
    severity: 'stop',
    stage: 'measure',
    title: 'Deeper than this part may be',
    why: '{is} at its deepest against {limit} allowed for the part.',
    todo: 'Do not fill it: have the part judged by a competent person.',
  },
  'part-depth:doubt': {
    id: 'part-depth',
    severity: 'stop',
    stage: 'measure',
    title: 'It may be deeper than this part may be',
    why: '{is}, give or take {doubt}, against {limit} allowed for the part.',
    todo: 'Measure the depth more finely, with a gauge, before going on.',
  },
  'setting-out:missing': {
    once: true,
    severity: 'note',
    stage: 'measure',
    title: 'Not set out yet',
    why: '{begun, select, yes {Still open: {missing}.} other {Where it goes is not written down: datum, distances, direction, what must stay clear.}}',
    todo: 'Set it out under the drawing; it is checked at the hold point before drilling or grinding.',
  },
  'setting-out': {
    severity: 'stop',
    stage: 'measure',
    title: 'Too close',
    why: '{why}',
    todo: 'Change the setting-out, or go on with the reason and the role of who answers for it.',
  },
});

/** From this place on in its list a shape is one that a method can do besides. */
const BESIDES = 4;

/** What is noticed about the void and where it is set out. */
export const voidRules: Readonly<Record<string, Rule>> = {
  'bond-thickness': ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    const t = shape && kindOf(shape).bondMm?.(shape);
    if (t === undefined || !plan.sheet || !plan.void) return [];
    const { bondMinMm, bondMaxMm } = plan.sheet.limits;
    if (bondMaxMm !== null && t > bondMaxMm) return [F['bond-thickness']({ is: mm(t), limit: exactly(mm(bondMaxMm)) })];
    if (bondMinMm !== null && t < bondMinMm) return [F['bond-thin']({ is: mm(t), limit: exactly(mm(bondMinMm)) })];
    return [];
  },

  rough: ({ plan, repair }) => {
    const { context, method } = plan;
    if (!context || !method || !ENGINES[method.engine].onFaces) return [];
    // What soaks in, or is too thin to be measured, does not cover.
    if (context.params.byCoverage || context.params.toRefusal) return [];
    const n = coatsOf(context);
    for (const s of repair.void?.shapes ?? []) {
      if (!('texture' in s) || !('thickness' in s)) continue;
      const each = s.thickness.valueMm;
      const rough = (facesOf(s).thicknessMm ?? each) - each;
      if (n * each < rough - 1e-9) return [F.rough({ coats: n, each: mm(each), all: mm(n * each), rough: mm(rough) })];
    }
    return [];
  },

  lift: ({ plan, repair }) => {
    if (!plan.sheet || !plan.void || !plan.context || !plan.method || !ENGINES[plan.method.engine].inLifts) return [];
    const { liftMaxMm, liftMinMm, grainMm } = plan.sheet.limits;
    const depth = plan.void.faces.maxDepthMm;
    const out: Finding[] = [];
    if (liftMaxMm !== null && depth > liftMaxMm && !plan.context.params.narrow) {
      // What is planned is what is said: a lift chosen thinner than the sheet’s makes more of them.
      const { effects } = plan.context;
      const lifts = liftsOf({ ...plan.context, effects: { ...effects, onePass: false } });
      const said = { is: mm(depth), limit: exactly(mm(liftMaxMm)), lifts, each: eachLift(liftsMm(plan.context)) };
      // A screw hole is too narrow for its depth to matter.
      if (lifts > 1) out.push(F[effects.onePass ? 'lift:deep-pass' : 'lift:deep'](said));
    }
    if (liftMinMm !== null && depth < liftMinMm)
      out.push(F['lift:thin']({ is: mm(depth), limit: exactly(mm(liftMinMm)) }));
    const each = liftsMm(plan.context);
    const thinnest = Math.min(...each);
    if (
      liftMinMm !== null &&
      liftMaxMm !== null &&
      each.length > 1 &&
      thinnest < liftMinMm - 1e-9 &&
      depth >= liftMinMm
    )
      out.push(
        F['lift:thin-each']({
          is: mm(depth),
          lifts: each.length,
          most: exactly(mm(liftMaxMm)),
          each: eachLift(each),
          limit: exactly(mm(liftMinMm)),
          enough: mm(Math.ceil(each.length * liftMinMm)),
        }),
      );
    const byGrain = leastByGrainMm(plan.sheet.limits);
    if (byGrain !== null && Math.min(depth, thinnest) < byGrain - 1e-9)
      out.push(
        F['lift:grain']({
          thin: mm(Math.min(depth, thinnest)),
          grain: exactly(mm(grainMm!)),
          least: exactly(mm(byGrain)),
        }),
      );
    const feathered = repair.void?.shapes.some((s) => kindOf(s).readings?.(s)?.feathered);
    if (feathered) out.push(F['lift:feather'](undefined, { severity: liftMinMm ? 'stop' : 'caution' }));
    return out;
  },

  bars: ({ plan: { context }, repair }) => {
    const run = context ? freedBarMm(context) : 0;
    return run > 0 && !Object.hasOwn(repair.settings, BARS_RUN) ? [F['bars:ours']({ run: mm(run) })] : [];
  },

  'other-method': ({ plan, repair }) => {
    const main = repair.void?.shapes[0];
    if (!main || !plan.method) return [];
    // A method names what it is made for first; what it can do besides stands far down.
    if (plan.method.shapes.indexOf(main.shape) < BESIDES) return [];
    const made = METHODS.filter((m) => m.shapes[0] === main.shape && m.bases.includes(repair.base.material));
    if (!made.length) return [];
    return [
      F['other-method']({
        shape: kindOf(main).label.toLowerCase(),
        methods: listed(made.map((m) => m.label)),
        method: plan.method.label.toLowerCase(),
      }),
    ];
  },

  'through-base': ({ repair, plan }) => {
    // A hole that is only drawn so far is as deep as its picture.
    const bore = plan.void && repair.void && boreOf(repair.void);
    const { material, thicknessMm } = repair.base;
    if (!bore || bore.deepMm <= thicknessMm) return [];
    return [F['through-base']({ is: mm(bore.deepMm), base: material, thick: mm(thicknessMm) })];
  },

  'part-depth': ({ plan, repair }) => {
    const limit = plan.context?.settings['allowed-depth'] ?? 0;
    if (!(limit > 0) || !plan.void || !repair.void) return [];
    const deep = plan.void.faces.maxDepthMm;
    const reads = repair.void.shapes.flatMap((s) => kindOf(s).dimensions(s)).filter((d) => /depth/i.test(d.key));
    const doubt = Math.max(0, ...reads.map((d) => halfWidthMm(d.measured)));
    if (deep > limit) return [F['part-depth']({ is: mm(deep), limit: exactly(mm(limit)) })];
    return deep + doubt > limit
      ? [F['part-depth:doubt']({ is: mm(deep), doubt: mm(doubt), limit: exactly(mm(limit)) })]
      : [];
  },

  'two-readings': ({ repair }) =>
    (repair.void ? disagreements(repair.void) : []).map(({ key, label, measured: m }) =>
      F['two-readings'](
        {
          what: label.toLowerCase(),
          first: mm(m.valueMm, 4),
          firstHalf: mm(halfWidthMm(m)),
          second: mm(m.again!.valueMm, 4),
          secondHalf: mm(halfWidthMm(m.again!)),
        },
        { of: key },
      ),
    ),

  'second-depth': ({ repair, plan }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) =>
      (kindOf(shape).secondReadings?.(shape) ?? []).map((r, k) => {
        const eachG = placeG(plan);
        return F['second-depth'](
          {
            what: r.label,
            first: mm(r.firstMm, 4),
            second: mm(r.secondMm, 4),
            half: mm(r.halfMm),
            more: percent(Math.abs(r.ratio - 1) * 100),
            way: r.ratio > 1 ? 'more' : 'less',
            each: eachG === null ? 'none' : grams(eachG * r.ratio),
            planned: grams(eachG ?? 0),
          },
          { of: `${i}.${k}` },
        );
      }),
    ),

  'odd-reading': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) => {
      const readings = kindOf(shape).readings?.(shape);
      if (!readings) return [];
      return oddReadings(readings.list, halfWidthMm(readings.read)).map((odd) =>
        F['odd-reading'](
          { number: odd.index + 1, is: mm(odd.depthMm), around: mm(odd.aroundMm) },
          { of: `${i}.${odd.index}` },
        ),
      );
    }),

  'shape-notice': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) =>
      (SHAPES[shape.shape].notices?.(shape) ?? []).map(
        (n): Finding => ({
          id: `shape-notice:${i}.${n.id}`,
          severity: n.severity,
          stage: 'measure',
          title: n.title,
          why: n.why,
          todo: n.todo,
        }),
      ),
    ),

  'open-back': ({ repair }) => (repair.void?.back === 'open' ? [F['open-back']()] : []),

  'setting-out': ({ repair, plan }) => {
    if (!plan.method?.setsOut || !repair.void) return [];
    const { count } = repair.void;
    const sizeMm = boreOf(repair.void)?.acrossMm ?? 0;
    const missing = settingOutMissing(repair.settingOut ?? blankSettingOut(), count);
    if (!repair.settingOut || missing.length)
      return [
        F['setting-out:missing']({
          begun: repair.settingOut ? 'yes' : 'no',
          missing: listed(
            missing.map((m) => m.toLowerCase()),
            'comma',
          ),
        }),
      ];
    return settingOutProblems(repair.settingOut, count, sizeMm).map((p) =>
      F['setting-out']({ why: p.sentence }, { of: p.field }),
    );
  },
};
