import { BY_COVERAGE, choiceWith, coatsOf, ENGINES, faceM2, geometricMl, settingIn, usualOf } from '../../method';
import { beforehandMin, ONE_LOT } from '../../mix';
import type { RepairPlan } from '../../plan';
import { areaOf, minutes, ml, percent } from '../../say';
import { type Finding, findings } from '../finding';
import type { JudgeContext, Rule } from './rule';
import { WAYS, weighed } from './ways';

const F = findings({
  rate: {
    severity: 'caution',
    stage: 'mix',
    title: 'A whole kit must be placed faster than usual',
    why: 'One kit makes {kit}, and {left} are left to place it: that is {needed}{crew, plural, one {} other { for each of # pairs of hands}}. Grenko’s own figure for one pair of hands is {usual}; nobody chose it, so it is planned with what the kit needs.',
    todo: 'Say how fast you place, bring more hands, cool the pot, or take a smaller kit.',
  },
  'rate:pack': {
    id: 'rate',
    severity: 'caution',
    stage: 'mix',
    title: 'A whole pack must be placed faster than usual',
    why: 'One pack makes {kit}, and {left} are left to place it: that is {needed}{crew, plural, one {} other { for each of # pairs of hands}}. Grenko’s own figure for one pair of hands is {usual}; nobody chose it, and packs are mixed whole, so it is planned with what a pack needs.',
    todo: 'Say how fast you place: where that is slower, of each pack so much is weighed out as is placed in its time. More hands or a cooler pot do as well.',
  },
  'rate:lot': {
    id: 'rate',
    severity: 'caution',
    stage: 'mix',
    title: 'One lot must be used up faster than usual',
    why: 'All of a coat over {area} is one lot, with {left} to use it up: that is {needed}{crew, plural, one {} other { for each of # pairs of hands}}. Grenko’s own figure for one pair of hands is {usual}; nobody chose it, so it is planned with what the lot needs.',
    todo: 'Say how fast you coat, bring more hands, or let the lot change at a threshold.',
  },
  'rate:place': {
    id: 'rate',
    severity: 'caution',
    stage: 'place',
    title: 'A hole must be filled faster than usual',
    why: 'From its first shot to the rod at its mark each hole is planned with {usual}, a figure of Grenko’s own; at that temperature the resin works for {left}.',
    todo: 'Try one dry against the clock and type what it takes; with more than {left}, colder packs, or a slower resin.',
  },
  claim: {
    severity: 'note',
    stage: 'mix',
    title: 'The sheet says more than the geometry',
    why: '{sheet} by the sheet’s coverage, {geometry} by area and thickness: {gap} between them, {share} of the geometry. The sheet plans.',
    todo: 'Order by the sheet; what the first coat really took goes into the record.',
  },
  'one-lot': {
    severity: 'stop',
    stage: 'mix',
    title: 'One lot cannot be used up in its life',
    why: '{said}',
    todo: 'Each area that has a lot of its own is measured as a shape of its own.',
  },
  'lot-break': {
    severity: 'note',
    stage: 'mix',
    title: 'The lot changes at a threshold',
    why: 'Each of the {areas} areas has a lot of its own in every coat, in whole packs unless they are weighed: {packs} in all.',
    todo: 'Write down which lot is where; never change it in mid-room.',
  },
});

/** The setting that says how long a hole takes. */
const PER_PLACE = 'per-place';
/** More hands than this do not paint one floor. */
const MOST_ROUND = 12;
/** More hands than this do not work at one place. */
const MOST_HANDS = 4;

/** The pace that a whole kit or a whole lot needs where Grenko’s own is too slow; null where it is not. */
function neededPace({ mix, kit, method, context, usableMin, sheet }: RepairPlan, crew: number) {
  if (!mix || mix.rateNeeded === null || !kit || !method || !context || usableMin === null) return null;
  const engine = ENGINES[method.engine];
  const pace = engine.pace?.(context);
  const row = method.settings.find((s) => s.id === pace?.setting);
  if (!pace || !row) return null;
  const told = (value: number) =>
    row.kind === 'area-rate' ? WAYS.hour({ of: areaOf(value * 1e6) }) : WAYS.minute({ of: ml(value) });
  // In what the method counts by, rounded up so that it does.
  const least = Math.ceil((mix.rateNeeded / pace.mlPerMin) * 100 - 1e-6) / 100;
  const usual = usualOf(row, sheet);
  const hands = Math.ceil((least * crew) / usual);
  const before = Math.max(0, ...mix.batches.map(beforehandMin));
  const needed = told(least);
  return {
    method,
    kit,
    oneLot: engine.oneLot?.(context) ?? false,
    area: areaOf(faceM2(context) * 1e6),
    kitMakes: ml(mix.kits.volumeMl),
    said: { left: minutes(Math.max(0, usableMin - before)), crew, needed, usual: told(usual) },
    /** Packs that may be split are, where somebody is as slow as we thought. */
    parted: (): NonNullable<Finding['ways']> => [
      { say: WAYS.rate({ needed: told(usual) }), set: { path: ['settings', row.id], value: usual } },
    ],
    whole: mix.batches.every((b) => b.kits !== null),
    ways: (mostHands: number): NonNullable<Finding['ways']> => [
      { say: WAYS.rate({ needed }), set: { path: ['settings', row.id], value: least } },
      ...(hands <= mostHands ? [{ say: WAYS.crew({ crew: hands }), set: { path: ['crew'], value: hands } }] : []),
    ],
  };
}

/** Holes that take longer, by a figure of Grenko’s own, than the resin works. */
function slowPlace({ plan: { method, context, mix, usableMin }, repair }: JudgeContext): Finding[] {
  if (!mix || !method || !context || usableMin === null || !ENGINES[method.engine].inRounds) return [];
  const usual = settingIn(context, PER_PLACE);
  if (usual <= usableMin || repair.settings[PER_PLACE] !== undefined) return [];
  const left = minutes(usableMin);
  const way = { say: WAYS.place({ takes: left }), set: { path: ['settings', PER_PLACE], value: usableMin } };
  return [F['rate:place']({ usual: minutes(usual), left }, { ways: [way] })];
}

/** What is noticed about how fast it must be placed, in what lots, and by whose coverage. */
export const rateRules: Readonly<Record<string, Rule>> = {
  rate: (c) => {
    const need = neededPace(c.plan, c.repair.crew);
    if (!need) return slowPlace(c);
    const { said, oneLot, method, kit } = need;
    if (oneLot) return [F['rate:lot']({ ...said, area: need.area }, { ways: need.ways(MOST_ROUND) })];
    return !need.whole
      ? [F['rate:pack']({ ...said, kit: need.kitMakes }, { ways: [...need.ways(MOST_HANDS), ...need.parted()] })]
      : [F.rate({ ...said, kit: need.kitMakes }, { ways: [...need.ways(MOST_HANDS), ...weighed(method, kit)] })];
  },

  claim: ({ plan }) => {
    const { mix, context } = plan;
    const line = mix?.lines.find((l) => l.id === BY_COVERAGE);
    if (!mix || !context || context.params.byCoverage || !line || line.ml <= 0) return [];
    const coats = () =>
      Array.from({ length: coatsOf(context) }, (_, layer) => geometricMl(context, layer)).reduce((a, b) => a + b, 0);
    const geometry = ENGINES[plan.method!.engine].onFaces ? coats() : context.measured.nominalMl;
    return [
      F.claim({
        sheet: ml(geometry + line.ml),
        geometry: ml(geometry),
        gap: ml(line.ml),
        share: percent((100 * line.ml) / geometry, 2),
      }),
    ];
  },

  'one-lot': ({ plan }) => {
    const { method, context, mix } = plan;
    if (!method || !context) return [];
    if (mix && context.effects.lots === 'area' && context.void.shapes.length > 1)
      return [F['lot-break']({ areas: context.void.shapes.length, packs: mix.kits.use })];
    const said = plan.problems.find((p) => p.field === ONE_LOT);
    if (!said) return [];
    const hands = said.value as number;
    const apart = context.void.shapes.length > 1 ? choiceWith(method, 'lots', 'area') : null;
    return [
      F['one-lot'](
        { said: said.sentence },
        {
          refusal: ONE_LOT,
          ways: [
            ...(hands <= MOST_ROUND
              ? [{ say: WAYS.crew({ crew: hands }), set: { path: ['crew'], value: hands } }]
              : []),
            ...(apart ? [{ say: WAYS.lots(), set: { path: ['schools', apart.school], value: apart.option } }] : []),
          ],
        },
      ),
    ];
  },
};
