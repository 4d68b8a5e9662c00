import { leanThreshold, proportionOf } from '../system';
import { figure, refuse } from '../units';
import { liftShares } from '../void';
import {
  clearSteps,
  endOfMixing,
  mixSteps,
  notMoving,
  noWaterPressure,
  partKits,
  soundBase,
  UPTAKE_ML_PER_M2,
  uptakeSetting,
  waiting,
} from './common';
import type { Method, MethodContext, StepDraft } from './method';

/** Nobody fills a hole in more. */
const MOST_LIFTS = 100;

/** Lifts the sheet asks for. @throws Refusal when they would be more than anybody places */
export function liftsOf(c: MethodContext): number {
  // A chosen lift may be thinner than the sheet's, never thicker.
  const own = [c.sheet.limits.liftMaxMm, c.liftMm].filter((x): x is number => x !== null);
  const max = own.length ? Math.min(...own) : null;
  const lifts = c.school('deep-fills') === 'one' || max === null ? 1 : Math.max(1, Math.ceil(c.measured.faces.maxDepthMm / max - 1e-9));
  if (lifts > MOST_LIFTS)
    refuse(
      'liftMm',
      max,
      `a lift that fills it in up to ${MOST_LIFTS}`,
      `Lifts of ${figure(max ?? 0)} mm would be ${lifts} to fill ${figure(c.measured.faces.maxDepthMm)} mm: check the thickness of a lift and the depth.`,
    );
  return lifts;
}

/** Liquid drawn off as primer, mL, and its share of all mixed liquid. */
export function primerDraw(c: MethodContext): { ml: number; share: number; threshold: number; wholeAllowed: boolean } {
  const ml = c.school('priming') === 'drawn' ? (c.void.count * c.measured.faces.wettedAreaMm2 * c.setting('primer')) / 1e6 : 0;
  const p = proportionOf(c.sheet);
  const liquid = c.measured.nominalMl * p.liquidShare + ml;
  const share = ml / liquid;
  const threshold = leanThreshold(c.sheet);
  return { ml, share, threshold, wholeAllowed: share <= threshold };
}

/** Resin mortar in a hollow, spall or cut-out of a floor, slab or ramp. */
export const mortarPatch: Method = {
  id: 'mortar-patch',
  version: 1,
  label: 'Resin mortar patch',
  engine: 'fill in lifts',
  does: 'A hollow in concrete is cut square, primed and filled with resin mortar in lifts.',
  bases: ['concrete'],
  shapes: ['patch', 'edge', 'corner', 'scan', 'filled', 'chase', 'hole', 'ring'],
  setsOut: false,
  kinds: ['mortar-kit'],
  questions: [
    soundBase,
    {
      id: 'edges',
      ask: 'Can the edges be cut square, with no feather edge left?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Feathered edge',
        why: 'Mortar run out to nothing breaks off under the first wheel.',
        todo: 'Cut the edge vertical, at least as deep as the sheet’s thinnest lift.',
      },
    },
    noWaterPressure,
    notMoving,
    {
      id: 'bars',
      ask: 'Is rusting reinforcement laid open?',
      wants: 'no',
      otherwise: {
        severity: 'caution',
        title: 'Rusting reinforcement',
        why: 'Rust goes on under the patch and lifts it.',
        todo: 'Free the bars all round, clean and coat them; have lost section judged by a competent person.',
      },
    },
    {
      id: 'oil',
      ask: 'Is the base free of oil, curing agent and old coating?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Contaminated base',
        why: 'Resin does not wet oil or wax.',
        todo: 'Grind or blast to clean concrete and test with a drop of water: it must soak in.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: [
        { id: 'layers', label: 'several layers, each gelled first', fits: 'anything deeper than the sheet’s lift' },
        { id: 'one', label: 'one slightly domed pass', fits: 'up to the sheet’s lift' },
      ],
      byDefault: 'layers',
      why: 'Thickness is a heat limit.',
    },
    {
      id: 'priming',
      matter: 'Priming',
      stage: 'place',
      options: [
        { id: 'drawn', label: 'a share of the mixed liquid', fits: 'systems whose liquid is the primer' },
        { id: 'separate', label: 'separate primer', fits: 'where the sheet names one' },
        { id: 'none', label: 'none', fits: 'only where the sheet says so' },
      ],
      byDefault: 'drawn',
      why: 'What the sheet says; a share of the liquid where it is silent and the base drinks.',
    },
    {
      id: 'draw-off',
      matter: 'Small primer draw-off',
      stage: 'mix',
      options: [
        { id: 'computed', label: 'as the threshold allows', fits: 'the computed threshold decides' },
        { id: 'cut', label: 'aggregate cut to match', fits: 'always safe' },
      ],
      byDefault: 'computed',
      why: 'Aggregate may stay whole while the liquid still fills the grains.',
    },
    partKits,
    endOfMixing,
    {
      id: 'finish-level',
      matter: 'Finish level',
      stage: 'finish',
      options: [
        { id: 'flush', label: 'screeded flush', fits: 'trafficked floors and ramps' },
        { id: 'crown', label: 'overbuilt and ground back', fits: 'where flatness counts' },
        { id: 'recess', label: 'left low for a finish coat', fits: 'under a coating' },
      ],
      byDefault: 'flush',
      why: 'Cured mortar is slow to grind.',
    },
    waiting,
  ],
  settings: [
    { id: 'crown', label: 'Crown to grind back', kind: 'length', byDefault: 2, min: 0, max: 20, stage: 'finish' },
    { id: 'recess', label: 'Recess for the coat', kind: 'length', byDefault: 2, min: 0, max: 20, stage: 'finish' },
    { id: 'primer', label: 'Primer', kind: 'uptake', byDefault: 200, min: 0, max: 2000, stage: 'place' },
    uptakeSetting,
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 150, min: 5, max: 20000, stage: 'place' },
  ],
  preparation: [
    'Saw the edges square and vertical; no feather edge.',
    'Break out to sound concrete; blow and vacuum out all dust.',
    'Dry: no dark patches, base above dew point + 3 K.',
    'Prime, brush in, no puddles; place while the primer is wet.',
  ],
  mistakes: [
    'Primer left to dry, or standing in puddles.',
    'Sand thrown in all at once: dry balls.',
    'Too deep in one go: it cooks and cracks.',
    'Driven on after “24 hours” of a cold night.',
  ],
  cautions: [
    'Breathing protection and extraction when grinding or pouring sand: silica.',
    'A pot that runs hot goes outside onto bare ground, never into a bin.',
  ],
  tools: ['saw or grinder', 'vacuum', 'primer brush', 'mixing pail and slow paddle', 'screed and steel float', 'straightedge'],
  tests: [
    { id: 'nail', ask: 'Does a nail leave no mark, on the patch and on the left-over cup?' },
    { id: 'tap', ask: 'Does it ring sound when tapped all over?' },
    { id: 'flush', ask: 'Is there no step at the edge under a fingertip?' },
  ],
  finishAnswer: 'flush, brushed',
  review: null,
  serves: 'load',
  allowances: (c) => {
    const area = c.void.count * c.measured.faces.planAreaMm2;
    const level = c.school('finish-level');
    const out = [];
    if (level === 'crown')
      out.push({
        id: 'crown',
        label: 'crown to grind back',
        ml: (area * c.setting('crown')) / 1000,
        expression: `${figure(area / 100)} cm² × ${c.setting('crown')} mm`,
        voice: 'chosen' as const,
      });
    if (level === 'recess')
      out.push({
        id: 'recess',
        label: 'recess for the coat',
        ml: (-area * c.setting('recess')) / 1000,
        expression: `−${figure(area / 100)} cm² × ${c.setting('recess')} mm`,
        voice: 'chosen' as const,
      });
    const draw = primerDraw(c);
    if (draw.ml > 0) {
      const cut = c.school('draw-off') === 'cut' || !draw.wholeAllowed;
      // Liquid drawn off takes its aggregate with it when that is cut to match: the mix shrinks by the whole.
      const ml = cut ? draw.ml / proportionOf(c.sheet).liquidShare : draw.ml;
      out.push({
        id: 'primer',
        label: cut ? 'drawn off as primer, aggregate cut' : 'drawn off as primer, aggregate whole',
        ml,
        expression: `${figure((c.void.count * c.measured.faces.wettedAreaMm2) / 1e6)} m² × ${c.setting('primer')} mL/m²${cut ? ' / liquid share' : ''}`,
        voice: 'chosen' as const,
      });
    } else {
      const perM2 = c.setting('uptake') < 0 ? UPTAKE_ML_PER_M2[c.base] : c.setting('uptake');
      const wet = (c.void.count * c.measured.faces.wettedAreaMm2) / 1e6;
      if (c.school('priming') === 'none')
        out.push({
          id: 'uptake',
          label: 'drunk by the bare base',
          ml: wet * perM2,
          expression: `${figure(wet)} m² × ${perM2} mL/m²`,
          voice: 'chosen' as const,
        });
    }
    return out;
  },
  portions: (c) => {
    const n = liftsOf(c);
    return liftShares(c.void, n).map((share, i) => ({ label: n === 1 ? 'the patch' : `lift ${i + 1}`, share }));
  },
  steps: (c) => {
    const area = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
    const lifts = c.portions.length;
    const depth = c.measured.faces.maxDepthMm / lifts;
    const drawn = c.school('priming') === 'drawn';
    const steps: StepDraft[] = [
      {
        id: 'prep:cut',
        stage: 'place',
        title: 'Saw the edges square and vertical',
        detail: 'Straight into sound concrete, no feather edge.',
        handsOnMin: 10 + 30 * area,
        confirm: 'Edges are square',
        block: 'prep',
      },
      {
        id: 'prep:clean',
        stage: 'place',
        title: 'Break out, blow and vacuum',
        detail: 'Down to sound concrete; no dust under a wiped finger.',
        handsOnMin: 10 + 40 * area,
        confirm: 'Sound and dust-free',
        block: 'prep',
      },
      ...clearSteps(c.void, 'prep'),
      {
        id: 'prep:check',
        stage: 'place',
        title: 'Read the base temperature; base dry?',
        detail: `At least ${figure(c.sheet.limits.dewMarginK ?? 3)} K above the dew point, no dark patches. Mask the edges.`,
        handsOnMin: 5,
        confirm: 'Dry, and read',
        hold: true,
        block: 'prep',
      },
    ];
    if (c.school('priming') === 'separate')
      steps.push({
        id: 'prep:prime',
        stage: 'place',
        title: 'Prime, no puddles',
        detail: 'Brush it in; go on while it is wet.',
        handsOnMin: 3 + 20 * area,
        confirm: 'Primed',
        block: 'prep',
        marks: { end: ['last-coat'] },
      });
    c.batches.forEach((batch, i) => {
      const n = i + 1;
      const firstOfLift = i === 0 || c.batches[i - 1]!.portion !== batch.portion;
      const lift = batch.portion + 1;
      const block = firstOfLift ? `lift${lift}` : `lift${lift}:${n}`;
      const before =
        firstOfLift && lift > 1
          ? { waitFor: { kind: 'next-lift' as const, batch: i - 1 }, within: { kind: 'recoat-until' as const, batch: i - 1 } }
          : {};
      const [weigh, mix] = mixSteps(
        batch,
        c.batches.length,
        c.sheet.mixMin,
        c.school('end-of-mixing'),
        drawn && i === 0
          ? 'Liquids first; draw off the primer and brush it in; then the sand in portions.'
          : 'Liquids first, then the sand in portions.',
        block,
      );
      steps.push({ ...weigh!, ...before }, mix!);
      if (drawn && i === 0)
        steps.push({
          id: 'b1:prime',
          stage: 'place',
          title: 'Brush the primer in, no puddles',
          detail: 'Floor and walls of the patch; place while it is wet.',
          handsOnMin: 2 + 20 * area,
          confirm: 'Primed, no puddles',
          block,
          batch: 0,
          marks: { end: ['last-coat'] },
        });
      steps.push({
        id: `b${n}:place`,
        stage: 'place',
        title:
          lifts > 1
            ? `Place lift ${lift}${firstOfLift ? '' : ', next batch'}, ram it into the corners`
            : 'Place, ram into the corners, screed',
        detail:
          lifts > 1
            ? `${figure(depth)} mm, square to the cut, no air behind.${lift === lifts ? ' Screed and float the top.' : ' Leave the top rough.'}`
            : 'No air behind; screed level with the edges and float.',
        handsOnMin: batch.ml / c.setting('rate'),
        confirm: lifts > 1 ? `Lift ${lift} is in` : 'It is in',
        block,
        batch: i,
        marks: { end: ['placed', 'faces-closed'] },
      });
    });
    const last = c.batches.length - 1;
    const crown = c.school('finish-level') === 'crown';
    steps.push(
      {
        id: 'hold:clean',
        stage: 'hold',
        title: 'Clean tools, cover, bar off',
        detail: 'Before the pot sets. Keep dry and untouched.',
        handsOnMin: 8,
        confirm: 'Covered and barred',
        block: `lift${lifts}`,
      },
      {
        id: 'finish:edge',
        stage: 'finish',
        title: crown ? 'Grind the crown back flush' : 'Feel the edge, brush off',
        detail: crown ? `${c.setting('crown')} mm, when it is chalk-hard.` : 'A fingertip finds no step; a straightedge no hollow.',
        handsOnMin: crown ? 10 + 120 * area : 5,
        confirm: 'Flush',
        block: 'finish',
        waitFor: { kind: 'sandable', batch: last },
      },
    );
    return steps;
  },
};
