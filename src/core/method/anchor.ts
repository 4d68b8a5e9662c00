import { figure } from '../units';
import { type Annulus, effectiveRodMm } from '../void';
import { clearSteps, noWaterPressure, settingOutText, soundBase, UPTAKE_ML_PER_M2, uptakeSetting, variantsText, waiting } from './common';
import type { Method, MethodContext, StepDraft } from './method';

const shapeOf = (c: MethodContext): Annulus => c.void.shapes[0] as Annulus;

/** Volume of the whole bore, empty, of all like holes, mL. */
const boreMl = (c: MethodContext) => {
  const s = shapeOf(c);
  return (c.void.count * (Math.PI / 4) * s.holeDiameter.valueMm ** 2 * s.holeDepth.valueMm) / 1000;
};

/** A rod, bolt or eye glued into a drilled hole. */
export const anchor: Method = {
  id: 'anchor',
  version: 1,
  label: 'Anchor in a drilled hole',
  engine: 'anchor',
  does: 'A bolt, rod or eye is glued into concrete or stone with a pack and a static mixer.',
  bases: ['concrete', 'stone'],
  shapes: ['annulus'],
  laidOn: null,
  setsOut: true,
  kinds: ['anchor-pack'],
  questions: [
    soundBase,
    {
      id: 'hole-clear',
      ask: 'Is the place clear of reinforcement, pipes, cables, edges and old holes?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Something in the way of the hole',
        why: 'A hit bar or cable is worse than a missing bolt, and a hole near an edge splits it.',
        todo: 'Locate and mark what is inside; move the hole.',
      },
    },
    noWaterPressure,
    {
      id: 'hole-dry',
      ask: 'Is the hole free of standing water?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Water in the hole',
        why: 'Water takes the place of resin and dilutes it at the wall.',
        todo: 'Blow the hole out; use a resin whose sheet allows wet holes.',
      },
    },
    {
      id: 'overhead',
      ask: 'Is the hole overhead?',
      wants: 'no',
      otherwise: {
        severity: 'caution',
        title: 'Overhead hole',
        why: 'Resin runs out and the rod slides before it sets.',
        todo: 'Use end caps and wedges, and hold the rod until the release time.',
      },
    },
  ],
  schools: [
    {
      id: 'filling',
      matter: 'How far to fill the hole',
      stage: 'mix',
      options: [
        { id: 'overfill', label: 'overfill and wipe', fits: 'everywhere the surplus can be wiped off' },
        { id: 'below', label: 'to a little below the mouth', fits: 'where nothing may run over the face' },
        { id: 'two-thirds', label: 'two thirds of the depth', fits: 'close-fitting rods that push the resin up' },
      ],
      byDefault: 'overfill',
      why: 'Surplus can be removed; a starved anchor cannot be seen.',
    },
    {
      id: 'first-shots',
      matter: 'First shots of a mixer',
      stage: 'mix',
      options: [
        { id: 'thrown', label: 'thrown away until even', fits: 'always' },
        { id: 'used', label: 'used', fits: 'never for anything that carries load' },
      ],
      byDefault: 'thrown',
      why: 'The first resin out of a new mixer is not mixed.',
    },
    {
      id: 'several',
      matter: 'Several like holes',
      stage: 'place',
      options: [
        { id: 'one', label: 'one at a time', fits: 'unless the working time clearly allows two' },
        { id: 'several', label: 'as many as the working time allows', fits: 'practised hands and cold bases' },
      ],
      byDefault: 'one',
      why: 'A rod that goes in late goes in badly.',
    },
    waiting,
  ],
  settings: [
    { id: 'collar', label: 'Collar wiped off', kind: 'percent', byDefault: 10, min: 0, max: 100, stage: 'mix' },
    { id: 'below-mouth', label: 'Left below the mouth', kind: 'length', byDefault: 5, min: 0, max: 200, stage: 'mix' },
    { id: 'per-place', label: 'Time for each hole', kind: 'duration', byDefault: 3, min: 0.5, max: 120, stage: 'place' },
    uptakeSetting,
  ],
  preparation: [
    'Hold point: position, edge distance and depth checked before drilling.',
    'Blow, brush, blow: twice, from the bottom of the hole.',
    'Rod clean and free of oil, embedment marked on it.',
    'Both parts seen to flow before the mixer goes on.',
  ],
  mistakes: [
    'Dust left in the hole: half the grip.',
    'Nozzle not at the bottom: air behind the resin.',
    'Rod hammered in instead of turned.',
    'Loaded by the air temperature while the base was colder.',
  ],
  cautions: [
    'Eye cover when blowing out holes; breathing protection against drilling dust.',
    'Nothing hangs on the rod before its load time at the temperature of the base.',
  ],
  tools: ['drill with the marked bit', 'blow-out pump', 'round brush', 'dispenser', 'wedges', 'wiping cloths'],
  tests: [
    { id: 'collar', ask: 'Is the collar of resin even all round, with no hollow?' },
    { id: 'hard', ask: 'Is the resin at the collar hard under a nail?' },
    { id: 'upright', ask: 'Does the rod stand where it was marked, and still?' },
  ],
  finishAnswer: 'collar wiped, thread clean',
  review: 'An anchor holds up people, vehicles or loads.',
  serves: 'load',
  allowances: (c) => {
    const s = shapeOf(c);
    const net = c.measured.nominalMl;
    const way = c.school('filling');
    const out = [];
    if (way === 'overfill')
      out.push({
        id: 'collar',
        label: 'collar, wiped off',
        ml: (net * c.setting('collar')) / 100,
        expression: `${c.setting('collar')} % of the gap`,
        voice: 'chosen' as const,
      });
    if (way === 'below') {
      const rod = effectiveRodMm(s.rodDiameter.valueMm, s.thread);
      const ml = (-c.void.count * (Math.PI / 4) * (s.holeDiameter.valueMm ** 2 - rod ** 2) * c.setting('below-mouth')) / 1000;
      out.push({
        id: 'below',
        label: 'left below the mouth',
        ml,
        expression: `gap × ${c.setting('below-mouth')} mm × ${c.void.count}`,
        voice: 'chosen' as const,
      });
    }
    if (way === 'two-thirds')
      out.push({
        id: 'two-thirds',
        label: 'two thirds of the bore, against the gap',
        ml: (2 / 3) * boreMl(c) - net,
        expression: `2/3 × ${figure(boreMl(c))} mL − ${figure(net)} mL`,
        voice: 'chosen' as const,
      });
    const perM2 = c.setting('uptake') < 0 ? UPTAKE_ML_PER_M2[c.base] : c.setting('uptake');
    const wall = (c.void.count * c.measured.faces.wettedAreaMm2) / 1e6;
    out.push({
      id: 'uptake',
      label: 'drunk by the wall of the hole',
      ml: wall * perM2,
      expression: `${figure(wall)} m² × ${perM2} mL/m²`,
      voice: 'chosen' as const,
    });
    return out;
  },
  portions: () => [{ label: 'all holes', share: 1 }],
  steps: (c) => {
    const s = shapeOf(c);
    const n = c.void.count;
    const per = c.setting('per-place');
    const holes = n === 1 ? 'the hole' : `${n} holes`;
    const steps: StepDraft[] = [
      {
        id: 'prep:mark',
        stage: 'place',
        title: `Mark and check the place of ${holes}`,
        detail: `${settingOutText(c)}Distance to edges and to each other, direction, what lies inside. Nothing is drilled before this is ticked.`,
        handsOnMin: 5 + 2 * n,
        confirm: 'Place is right',
        hold: true,
        block: 'prep',
      },
      {
        id: 'prep:drill',
        stage: 'place',
        title: `Drill ${holes}`,
        detail: `Bit ${figure(s.holeDiameter.valueMm)} mm, ${figure(s.holeDepth.valueMm)} mm deep; measure the bit, it decides most.${variantsText(c.void)}`,
        handsOnMin: 4 * n,
        confirm: n === 1 ? 'Drilled to depth' : 'All drilled to depth',
        block: 'prep',
      },
      {
        id: 'prep:clean',
        stage: 'place',
        title: 'Blow, brush, blow; twice',
        detail: 'From the bottom of the hole, until no dust comes.',
        handsOnMin: 3 * n,
        confirm: 'No more dust comes',
        hold: true,
        block: 'prep',
      },
      ...clearSteps(c.void, 'prep'),
      {
        id: 'prep:dry-fit',
        stage: 'place',
        title: 'Try the rod dry, mark its depth',
        detail: `The rod goes ${figure(s.embedment.valueMm)} mm in by hand. Mark it with tape.`,
        handsOnMin: 1 + n,
        confirm: 'Fits and is marked',
        block: 'prep',
      },
    ];
    c.batches.forEach((batch, i) => {
      const block = `b${i + 1}`;
      const which = n === 1 ? 'the hole' : batch.places === 1 ? `hole ${i + 1} of ${n}` : `${batch.places} holes`;
      if (batch.mixers > 0 || i === 0)
        steps.push({
          id: `b${i + 1}:purge`,
          stage: 'mix',
          title: c.school('first-shots') === 'thrown' ? 'Fresh mixer: throw the first shots away' : 'Fresh mixer on',
          detail: `See both parts flow, put the mixer on, ${c.school('first-shots') === 'thrown' && c.sheet.mixer ? `press out ${c.sheet.mixer.purgeMl} mL until the colour is even` : 'go on at once'}.`,
          handsOnMin: 1.5,
          confirm: 'Colour is even',
          block,
          batch: i,
        });
      steps.push({
        id: `b${i + 1}:fill`,
        stage: 'place',
        title: `Fill ${which} and turn the rod in`,
        detail: 'Nozzle to the back, withdraw as it fills, no air. Turn the rod in to its mark; wipe the surplus to an even collar.',
        handsOnMin: per * batch.places,
        confirm: batch.places === 1 ? 'Rod is at its mark' : 'Rods are at their marks',
        block,
        batch: i,
        marks: { begin: ['mix-begins'], end: ['placed', 'last-coat', 'faces-closed'] },
      });
    });
    const last = c.batches.length - 1;
    steps.push(
      {
        id: 'hold:wedge',
        stage: 'hold',
        title: 'Wedge, and leave alone',
        detail: 'No turning, no nut, no load. Bar the place off.',
        handsOnMin: 2,
        confirm: 'Wedged and barred',
        block: `b${last + 1}`,
      },
      {
        id: 'finish:clean',
        stage: 'finish',
        title: 'Take wedges out, clean thread and collar',
        detail: 'Only after the release time.',
        handsOnMin: 2 * n,
        confirm: 'Clean',
        block: 'finish',
        waitFor: { kind: 'release', batches: [last] },
      },
    );
    return steps;
  },
};
