import { type Batch, TOP_UP } from '../mix';
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

/** The primer of one lift: its floor, for the first, and its walls. */
export interface LiftPrimer {
  readonly areaM2: number;
  /** Liquid drawn off from the batches of this lift, mL; 0 where it is not the primer. */
  readonly ml: number;
  /** Share of the liquid of this lift, and the share up to which its sand may stay whole; null where that cannot be told. */
  readonly share: number;
  readonly threshold: number | null;
  /** Whether the sand of what is drawn off is left out. */
  readonly cut: boolean;
}

/** Primer of each lift. What a batch gives is judged on the liquid of its own lift, each batch giving what it covers. */
export function primerOf(c: MethodContext): readonly LiftPrimer[] {
  const { planAreaMm2, wettedAreaMm2 } = c.measured.faces;
  const shares = liftShares(c.void, liftsOf(c));
  const floor = (c.void.count * planAreaMm2) / 1e6;
  const walls = (c.void.count * Math.max(0, wettedAreaMm2 - planAreaMm2)) / 1e6 / shares.length;
  const threshold = leanThreshold(c.sheet);
  const { liquidShare } = proportionOf(c.sheet);
  return shares.map((of, lift) => {
    const areaM2 = (lift === 0 ? floor : 0) + walls;
    const ml = c.school('priming') === 'drawn' ? areaM2 * c.setting('primer') : 0;
    const share = ml > 0 ? ml / (c.measured.nominalMl * of * liquidShare + ml) : 0;
    return { areaM2, ml, share, threshold, cut: ml > 0 && (c.school('draw-off') === 'cut' || threshold === null || share > threshold) };
  });
}

/** What the sand of a batch loses to its primer, as said where it is set out. */
const leftOutText = (batch: Batch): string =>
  batch.leftOutG > 0 ? ` Leave ${figure(batch.leftOutG)} g of the sand out: its liquid goes into the primer.` : '';

/** One lift goes on what the last left, before its window closes by what was placed first. */
const onLift = (below: readonly number[]): Partial<StepDraft> => ({
  waitFor: { kind: 'next-lift', batches: below },
  within: { kind: 'recoat-until', batches: below, by: 'begin' },
});

/** Resin mortar in a hollow, spall or cut-out of a floor, slab or ramp. */
export const mortarPatch: Method = {
  id: 'mortar-patch',
  version: 1,
  label: 'Resin mortar patch',
  engine: 'fill in lifts',
  does: 'A hollow in concrete is cut square, primed and filled with resin mortar in lifts.',
  bases: ['concrete'],
  shapes: ['patch', 'edge', 'corner', 'scan', 'filled', 'chase', 'hole', 'ring'],
  laidOn: null,
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
    const primer = primerOf(c);
    const drawn = primer.reduce((sum, p) => sum + p.ml, 0);
    if (drawn > 0) {
      // Liquid drawn off takes its aggregate with it when that is cut to match: the mix shrinks by the whole.
      const { liquidShare } = proportionOf(c.sheet);
      const cut = primer.filter((p) => p.cut);
      const area = primer.reduce((sum, p) => sum + p.areaM2, 0);
      out.push({
        id: 'primer',
        label:
          cut.length === primer.length
            ? 'drawn off as primer, aggregate cut'
            : cut.length
              ? 'drawn off as primer, aggregate cut in part'
              : 'drawn off as primer, aggregate whole',
        ml: primer.reduce((sum, p) => sum + (p.cut ? p.ml / liquidShare : p.ml), 0),
        expression: `${figure(area)} m² × ${c.setting('primer')} mL/m²${cut.length ? ` / liquid share${cut.length < primer.length ? ' where it is cut' : ''}` : ''}`,
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
    const primer = primerOf(c);
    const { liquidShare } = proportionOf(c.sheet);
    // A lift is mixed with its own primer and, the last, with the crown or the recess: that moves its share of the whole.
    const area = (c.void.count * c.measured.faces.planAreaMm2) / 1000;
    const level = { crown: area * c.setting('crown'), recess: -area * c.setting('recess') }[c.school('finish-level')] ?? 0;
    const shares = liftShares(c.void, primer.length);
    const own = shares.map((of, i) => c.measured.nominalMl * of + primer[i]!.ml / (primer[i]!.cut ? liquidShare : 1));
    // A recess deeper than the last lift is left out of all of them alike.
    const onTop = own.at(-1)! + level > 0;
    const ml = own.map((mine, i) => mine + level * (onTop ? Number(i === own.length - 1) : shares[i]!));
    const all = ml.reduce((a, b) => a + b, 0);
    return ml.map((mine, i) => ({
      label: ml.length === 1 ? 'the patch' : `lift ${i + 1}`,
      share: mine / all,
      ...(primer[i]!.ml > 0 ? { drawn: { ml: primer[i]!.ml, cut: primer[i]!.cut } } : {}),
    }));
  },
  steps: (c) => {
    const area = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
    const lifts = c.portions.length;
    const depth = c.measured.faces.maxDepthMm / lifts;
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
    const priming = c.school('priming');
    const primer = primerOf(c);
    c.batches.forEach((batch, i) => {
      const n = i + 1;
      const firstOfLift = i === 0 || c.batches[i - 1]!.portion !== batch.portion;
      const lift = batch.portion + 1;
      const ofLift = c.batches.filter((b) => b.portion === batch.portion);
      const block = firstOfLift ? `lift${lift}` : `lift${lift}:${n}`;
      const below = c.batches.filter((b) => b.portion === batch.portion - 1).map((b) => b.index);
      const [weigh, mix] = mixSteps(
        batch,
        c.batches.length,
        c.sheet.mixMin,
        c.school('end-of-mixing'),
        batch.drawnMl > 0
          ? `Liquids first; draw off ${figure(batch.drawnMl)} mL as primer; then the sand in portions.`
          : 'Liquids first, then the sand in portions.',
        block,
      );
      // Each batch is primed for as far as it reaches: a primer brushed far ahead dries before the mortar comes.
      const covers = (primer[batch.portion]?.areaM2 ?? 0) * (batch.ml / ofLift.reduce((sum, b) => sum + b.ml, 0));
      const faces = lift === 1 ? 'Floor and walls' : 'The walls of this lift';
      const prime: StepDraft = {
        id: priming === 'separate' && i === 0 ? 'prep:prime' : `b${n}:prime`,
        stage: 'place',
        title: priming === 'separate' ? 'Prime, no puddles' : 'Brush the primer in, no puddles',
        detail: `${faces}${ofLift.length > 1 ? ', as far as this batch reaches' : ''}; place while it is wet.`,
        handsOnMin: (priming === 'separate' ? 3 : 2) + 20 * covers,
        confirm: 'Primed, no puddles',
        block,
        batch: i,
        marks: { end: ['last-coat'] },
      };
      const primed = priming !== 'none' && batch.label !== TOP_UP;
      steps.push({ ...weigh!, detail: `${weigh!.detail}${leftOutText(batch)}`, ...(firstOfLift && lift > 1 ? onLift(below) : {}) });
      if (primed && priming === 'separate') steps.push(prime);
      steps.push(mix!);
      if (primed && priming === 'drawn') steps.push(prime);
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
        handsOnMin: batch.ml / (c.setting('rate') * c.crew),
        confirm: lifts > 1 ? `Lift ${lift} is in` : 'It is in',
        block,
        batch: i,
        marks: { end: ['placed', 'faces-closed'] },
        ...(primed ? { within: { kind: 'primer-wet', batches: [i], by: 'end' } } : {}),
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
        waitFor: { kind: 'sandable', batches: [last] },
      },
    );
    return steps;
  },
};
