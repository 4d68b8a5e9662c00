import { ml, mm, percent, texts } from '../../say';
import { cleaningOf, cleaningSaid } from '../../system';
import { type Annulus, effectiveRodMm, placesIn } from '../../void';
import { clear, drunk, noWaterPressure, soundBase, uptakeSetting, waiting } from '../common';
import { settingIn } from '../context';
import { options } from '../effects';
import { pressed } from '../engines';
import type { Method } from '../method';
import { boreMl, brushOf, bySize, drilledAlike, drilledBySize, overHoles, rodsOf } from '../rods';
import { tasks } from '../task';
import { tubeSettings } from '../tube';

const AMOUNT = texts('anchor.amount', {
  collar: 'collar, wiped off',
  ofGap: '{share} of the gap',
  below: 'left below the mouth',
  belowBy: 'gap × {depth} × {count}',
  thirds: 'two thirds of the bore, against the gap',
  thirdsBy: '2/3 × {bore} − {gap}',
});

/** Deeper than that a hole is filled behind a piston plug, mm. */
const PLUG_FROM_MM = 250;

const MINERAL = ['concrete', 'stone'] as const;

/** A rod, bolt or eye glued into a drilled hole. */
export const anchor: Method = {
  id: 'anchor',
  version: 1,
  label: 'Anchor in a drilled hole',
  engine: 'press',
  does: 'A bolt, rod or eye is glued into concrete, stone or timber with a pack and a static mixer.',
  bases: ['concrete', 'stone', 'timber'],
  shapes: ['annulus'],
  laidOn: null,
  setsOut: true,
  takes: { flow: ['paste'], out: ['mixer'], binder: ['resin'] },
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
    {
      id: 'hollow',
      on: MINERAL,
      ask: 'Is the base solid here, or is the sieve sleeve at hand that the sheet names for hollow blocks?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Hollow base',
        why: 'Resin runs off into the chamber and holds nothing.',
        todo: 'Take the sieve sleeve that the sheet names, with its own hole and amount; or anchor where it is solid.',
      },
    },
    {
      id: 'uncracked',
      on: MINERAL,
      ask: 'Is it free of cracks where the hole goes, or is the system approved for cracked concrete?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Cracked base',
        why: 'A crack runs along the bore, and as it opens the anchor lets go.',
        todo: 'Move it, or take a system approved for cracked concrete and have it reviewed.',
      },
    },
    {
      id: 'bore',
      on: MINERAL,
      ask: 'Is the hole drilled by hammer, or by diamond where the sheet allows that?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'A bore that the sheet does not allow',
        why: 'A diamond leaves a smooth wall with slurry on it: resin holds on it with a part of its strength.',
        todo: 'Drill by hammer, or roughen and flush it as the sheet has it.',
      },
    },
    noWaterPressure,
    {
      id: 'hole-dry',
      ask: 'Is the hole free of standing water?',
      wants: 'yes',
      allows: (sheet) => sheet.holes?.wet ?? null,
      otherwise: {
        severity: 'stop',
        title: 'Water in the hole',
        why: 'Water takes the place of resin and dilutes it at the wall, and it cures slower.',
        todo: 'Blow the hole out and let it dry; or take a resin whose sheet allows wet holes, with the time it names for them.',
      },
    },
    {
      id: 'lasting-pull',
      ask: 'Does a load pull on it without end, above all overhead?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'A lasting pull',
        why: 'Resin creeps under a pull that never ends, the warmer the more.',
        todo: 'Only a system approved for it, and a competent person’s review; else a fixing that holds by its shape.',
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
        todo: 'Fill behind a piston plug; use end caps and wedges, and hold the rod until the release time.',
      },
    },
  ],
  schools: [
    {
      id: 'filling',
      matter: 'How far to fill the hole',
      stage: 'mix',
      options: options('anchor.filling', [
        {
          id: 'overfill',
          label: 'overfill and wipe',
          fits: 'everywhere the surplus can be wiped off',
          effect: { shows: ['collar'] },
        },
        {
          id: 'below',
          label: 'to a little below the mouth',
          fits: 'where nothing may run over the face',
          effect: { shows: ['below'] },
        },
        {
          id: 'two-thirds',
          label: 'two thirds of the depth',
          fits: 'close-fitting rods that push the resin up',
          effect: { shows: ['two-thirds'], pushedUp: true },
        },
      ]),
      byDefault: 'overfill',
      why: 'Surplus can be removed; a starved anchor cannot be seen.',
    },
    {
      id: 'first-shots',
      matter: 'First shots of a mixer',
      stage: 'mix',
      options: options('anchor.first-shots', [
        { id: 'thrown', label: 'thrown away until even', fits: 'always', effect: { purge: true } },
        { id: 'used', label: 'used', fits: 'never for anything that carries load', effect: { purge: false } },
      ]),
      byDefault: 'thrown',
      why: 'The first resin out of a new mixer is not mixed.',
    },
    {
      id: 'several',
      matter: 'Several like holes',
      stage: 'place',
      options: options('anchor.several', [
        {
          id: 'one',
          label: 'one at a time',
          fits: 'unless the working time clearly allows two',
          effect: { grouping: 'one' },
        },
        {
          id: 'several',
          label: 'as many as the working time allows',
          fits: 'practised hands and cold bases',
          effect: { grouping: 'several' },
        },
      ]),
      byDefault: 'one',
      why: 'A rod that goes in late goes in badly.',
    },
    {
      id: 'wet-hole',
      matter: 'A wet hole of which the sheet is silent',
      stage: 'hold',
      options: options('anchor.wet-hole', [
        { id: 'dried', label: 'blown out and dried first', fits: 'always', effect: { waitsLonger: false } },
        {
          id: 'longer',
          label: 'filled wet, and everything waits twice as long',
          fits: 'where the maker allows wet holes and tells no time for them',
          effect: { waitsLonger: true },
        },
      ]),
      byDefault: 'dried',
      why: 'Water at the wall takes from the grip, and nobody has said how much.',
    },
    waiting,
  ],
  settings: [
    { id: 'collar', label: 'Collar wiped off', kind: 'percent', byDefault: 10, min: 0, max: 100, stage: 'mix' },
    { id: 'below-mouth', label: 'Left below the mouth', kind: 'length', byDefault: 5, min: 0, max: 200, stage: 'mix' },
    {
      id: 'per-place',
      label: 'Time for each hole',
      kind: 'duration',
      byDefault: 3,
      min: 0.1,
      max: 120,
      stage: 'place',
    },
    {
      id: 'set-place',
      label: 'Of it, setting the rod',
      kind: 'duration',
      byDefault: 1,
      min: 0.05,
      max: 120,
      stage: 'place',
    },
    ...tubeSettings,
    // A paste is not drunk by the wall of a hole.
    { ...uptakeSetting, byDefault: 0 },
  ],
  preparation: [
    'Hold point: position, edge distance and depth checked before drilling.',
    'Blown and brushed from the bottom of the hole, as often as the sheet says: usually twice, twice, and twice again.',
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
  consumes: [
    {
      id: 'plug',
      what: 'piston plugs of the hole’s width, one on each mixer',
      one: 'piston plug of the hole’s width, on the mixer',
      unit: '',
      why: 'so deep a hole fills without air only behind a plug',
      of: (c) =>
        rodsOf(c).some((s) => s.holeDepth.valueMm > PLUG_FROM_MM) ? c.batches.reduce((n, b) => n + b.mixers, 0) : 0,
    },
  ],
  tools: ['drill with the marked bit', 'blow-out pump', 'round brush', 'dispenser', 'wedges', 'wiping cloths'],
  tests: [
    { id: 'collar', kind: 'look', ask: 'Is the collar of resin even all round, with no hollow?' },
    { id: 'hard', kind: 'nail', ask: 'Is the resin at the collar hard under a nail?' },
    { id: 'upright', kind: 'level', ask: 'Does the rod stand where it was marked, and still?' },
  ],
  finishAnswer: 'collar wiped, thread clean',
  review: 'An anchor holds up people, vehicles or loads.',
  serves: 'load',
  allowances: [
    {
      id: 'collar',
      optional: true,
      of: (c) => ({
        label: AMOUNT.collar(),
        ml: (c.measured.nominalMl * settingIn(c, 'collar')) / 100,
        expression: AMOUNT.ofGap({ share: percent(settingIn(c, 'collar')) }),
      }),
    },
    {
      id: 'below',
      optional: true,
      of: (c) => {
        const gapMm2 = (s: Annulus) =>
          (Math.PI / 4) * (s.holeDiameter.valueMm ** 2 - effectiveRodMm(s.rodDiameter.valueMm, s.thread) ** 2);
        const depth = settingIn(c, 'below-mouth');
        return {
          label: AMOUNT.below(),
          ml: -overHoles(c, (s) => gapMm2(s) * depth),
          expression: AMOUNT.belowBy({ depth: mm(depth), count: placesIn(c.void) }),
        };
      },
    },
    {
      id: 'two-thirds',
      optional: true,
      of: (c) => ({
        label: AMOUNT.thirds(),
        ml: (2 / 3) * boreMl(c) - c.measured.nominalMl,
        expression: AMOUNT.thirdsBy({ bore: ml(boreMl(c)), gap: ml(c.measured.nominalMl) }),
      }),
    },
    drunk('wall'),
  ],
  gaps: {
    alike: (c) => (drilledAlike(c) ? 'yes' : 'no'),
    drilled: drilledBySize,
    embedded: (c) => bySize(c, (s) => mm(s.embedment.valueMm)),
    cycle: (c) => cleaningSaid(cleaningOf(c.sheet.holes)),
    brush: brushOf,
  },
  tasks: [
    ...tasks('anchor', [
      {
        task: 'prep:mark',
        role: 'set-out',
        title: 'Mark and check the place of {count, plural, one {the hole} other {# holes}}',
        detail:
          '{settingOut} Distance to edges and to each other, direction, what lies inside. Nothing is drilled before this is ticked.',
        confirm: 'Place is right',
        work: { fixed: 5, per: { place: 2 } },
        hold: true,
      },
      {
        task: 'prep:drill',
        throws: 'dust',
        role: 'prepare',
        title: 'Drill {count, plural, one {the hole} other {# holes}}',
        detail:
          '{alike, select, yes {Bit {drilled}} other {By size: {drilled}}}; measure the bit, it decides most. {variants}',
        confirm: '{count, plural, one {Drilled to depth} other {All drilled to depth}}',
        work: { per: { place: 4 } },
      },
      {
        task: 'prep:clean',
        throws: 'dust',
        role: 'prepare',
        title: 'Clean {count, plural, one {the hole} other {# holes}}: {cycle}',
        detail:
          'From the bottom of {count, plural, one {the hole} other {each hole}}, until no dust comes. {brush, select, none {A round brush that fits tightly} other {Round brush of {brush}}}.',
        confirm: 'No more dust comes',
        work: { per: { 'cleaning stroke': 0.5 }, formerly: { per: 'place', now: 'cleaning stroke', times: 1 / 6 } },
        hold: true,
        counted: true,
      },
    ]),
    ...clear,
    ...tasks('anchor', [
      {
        task: 'prep:dry-fit',
        role: 'prepare',
        title: 'Try the rod dry, mark its depth',
        detail:
          'What has stood since it was cleaned, overnight or beside other drilling, is blown out again. The rod goes {embedded} in by hand. Mark it with tape.',
        confirm: 'Fits and is marked',
        work: { fixed: 1, per: { place: 1 } },
      },
    ]),
    ...pressed,
    ...tasks('anchor', [
      {
        task: 'hold:wedge',
        role: 'hold',
        block: 'work',
        title: 'Wedge, and leave alone',
        detail: 'No turning, no nut, no load. Bar the place off.',
        confirm: 'Wedged and barred',
        work: { fixed: 2 },
      },
      {
        task: 'finish:clean',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: 'Take wedges out, clean thread and collar',
        detail: 'Only when it has set: not before the time of the sheet.',
        confirm: 'Clean',
        work: { per: { place: 2 } },
        waits: { for: 'release', on: 'last', orElse: ['load'] },
      },
    ]),
  ],
};
