import { BASE_PROPERTIES, valueAt } from '../../climate';
import { fillMm, LEAST_FILL_MM } from '../../method';
import { gaugeOf } from '../../plan';
import { attempt, degC, exactly, listed, minutes, mm, percent, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  movement: {
    severity: 'stop',
    stage: 'measure',
    title: 'The joint moves more than its filling bears',
    why: 'Filled at {now} it opens by {opens} at {coldest} and closes by {closes} at {hottest}: {share} of its {width}, and the filling bears {bears}.',
    todo: 'Saw it to at least {least}, take a filling that bears more, or fill it nearer to the middle of its year.',
  },
  'movement:ours': {
    id: 'movement',
    severity: 'caution',
    stage: 'measure',
    title: 'The joint may move more than its filling bears',
    why: 'Filled at {now} it opens by {opens} at {coldest} and closes by {closes} at {hottest}: {share} of its {width}, and the filling bears {bears}. Nobody typed {ours}: {n, plural, one {a figure} other {figures}} of Grenko’s own.',
    todo: 'Type {n, plural, one {it} other {them}} as the sheet and the place have it. If it stays so: saw it to at least {least}, take a filling that bears more, or fill it nearer to the middle of its year.',
  },
  'gauge-moved': {
    severity: 'stop',
    stage: 'inspect',
    title: 'It moves',
    why: 'Marks over it stood {least} to {most} apart in {watched}: {moved}, where two readings may differ by {doubt}. What is filled in rigid breaks again beside the old line.',
    todo: 'Take the flexible route, or keep it open.',
  },
  'gauge-short': {
    severity: 'caution',
    stage: 'inspect',
    title: 'Not watched for long',
    why: 'The marks stood still for {watched}; a crack opens and closes with the warmth of days.',
    todo: 'Read them again after two days or more.',
  },
  'joint-shape': {
    severity: 'caution',
    stage: 'measure',
    title: 'Filling of the wrong shape',
    why: 'It is {width} wide and {depth} deep: what is as deep as it is wide tears in itself or off its sides; half as deep as wide stretches.',
    todo: 'Set the rod higher: about {half} of filling.',
  },
  'joint-rod': {
    severity: 'note',
    stage: 'measure',
    title: 'A rod stands under the filling',
    why: 'It is {width} wide and {depth} deep: filled {fill} deep over a rod a quarter wider, it stretches with the joint.',
    todo: 'Where it is to be filled to its floor, choose the tape on it; how deep over the rod is a figure at Measure.',
  },
});
const SAY = texts('finding.movement.say', { field: '“{label}”' });

/** How far a joint opens and closes from the temperature it is filled at, mm. @param runMm length that moves into it */
export const joints = (
  runMm: number,
  expansionPerK: number,
  { nowC, coldestC, hottestC }: { readonly nowC: number; readonly coldestC: number; readonly hottestC: number },
): { readonly opensMm: number; readonly closesMm: number } => ({
  opensMm: runMm * expansionPerK * Math.max(0, nowC - coldestC),
  closesMm: runMm * expansionPerK * Math.max(0, hottestC - nowC),
});

/** Settings that decide how far it moves, and how far its filling may. */
const DECIDE: ReadonlySet<string> = new Set(['run', 'movement', 'coldest', 'hottest']);

/** A joint deeper than its filling stretches: how wide and deep, mm, and the share of it that is filled over a rod. */
function deepJoint({ plan: { context, method, void: measured } }: Parameters<Rule>[0]) {
  if (!context || !measured || !Object.hasOwn(context.settings, 'movement')) return null;
  const { thicknessMm: width, maxDepthMm: depth } = measured.faces;
  // Narrow joints are filled to a least depth whatever their width.
  if (depth <= Math.max(width * 0.75, LEAST_FILL_MM)) return null;
  return { width, depth, share: method?.filledShare?.(context) ?? 1 };
}

/** What a joint that moves asks of its filling. */
export const movementRules: Readonly<Record<string, Rule>> = {
  movement: ({ plan, repair }) => {
    const { context, thermal, placedMs } = plan;
    const width = plan.void?.faces.thicknessMm;
    if (!context || !thermal || placedMs === null || !width || !Object.hasOwn(context.settings, 'movement')) return [];
    const { run, movement, coldest, hottest } = context.settings as Readonly<
      Record<'run' | 'movement' | 'coldest' | 'hottest', number>
    >;
    const now = attempt(() => valueAt(thermal.base, placedMs));
    if (!now.ok) return [];
    const { opensMm, closesMm } = joints(run, BASE_PROPERTIES[repair.base.material].expansionPerK, {
      nowC: now.value,
      coldestC: coldest,
      hottestC: hottest,
    });
    const most = Math.max(opensMm, closesMm);
    if ((most / width) * 100 <= movement) return [];
    // Figures that nobody chose forbid nothing.
    const ours = (plan.method?.settings ?? []).filter((s) => DECIDE.has(s.id) && !Object.hasOwn(repair.settings, s.id));
    return [
      F[ours.length ? 'movement:ours' : 'movement']({
        ours: listed(ours.map(({ label }) => SAY.field({ label }))),
        n: ours.length,
        now: degC(now.value),
        opens: mm(opensMm, 2),
        closes: mm(closesMm, 2),
        coldest: exactly(degC(coldest)),
        hottest: exactly(degC(hottest)),
        share: percent((most / width) * 100, 2),
        width: mm(width),
        bears: percent(movement),
        least: mm(Math.ceil((most / movement) * 100 * 2) / 2),
      }),
    ];
  },

  gauge: ({ plan, repair }) => {
    const told = plan.method?.watched === 'still' ? gaugeOf(repair.gauge) : null;
    if (!told) return [];
    const watched = minutes(told.watchedMs / 60_000);
    if (told.moves)
      return [
        F['gauge-moved']({
          least: mm(told.leastMm, 4),
          most: mm(told.mostMm, 4),
          moved: mm(told.movedMm, 2),
          doubt: mm(told.doubtMm, 2),
          watched,
        }),
      ];
    return told.long ? [] : [F['gauge-short']({ watched })];
  },

  'joint-shape': (c) => {
    const joint = deepJoint(c);
    if (!joint || joint.share < 1) return [];
    const { width, depth } = joint;
    return [F['joint-shape']({ width: mm(width), depth: mm(depth), half: mm(fillMm(width, 50)) })];
  },

  'joint-rod': (c) => {
    const joint = deepJoint(c);
    if (!joint || joint.share >= 1) return [];
    const { width, depth, share } = joint;
    return [F['joint-rod']({ width: mm(width), depth: mm(depth), fill: mm(depth * share) })];
  },
};
