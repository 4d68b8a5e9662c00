import { exactly, listed, type Message, mm, percent, texts } from '../../say';
import { isMetered } from '../../system';
import { facesOf, kindOf, placesIn, type VoidShape } from '../../void';
import { levels, shareOf } from '../allowances';
import { clear, endOfMixing, firstThicker, HELD_LONGER, levelSetting, waiting, weighedOrWhole } from '../common';
import { type MethodContext, settingIn, type TaskContext } from '../context';
import { type Effects, options } from '../effects';
import { filledInLifts, liftsAfter, restsFilled, reworded } from '../engines';
import { circlesG, fabricSettings, neatGPerMl, resinFor } from '../fabric';
import { SMEAR_MM, takenOff } from '../ladder';
import { layersMm } from '../lifts';
import type { Method } from '../method';
import { tasks } from '../task';

const SAYS = texts('laminate-hole.says', { layer: '{thick} in Ø {across}', layers: '{each}.' });
const AMOUNT = texts('laminate-hole.amount', {
  fabric: 'wets out the fabric',
  by: '{n, plural, one {# circle} other {# circles}} a hole, fibre share {share}',
});

const backed = (e: Effects): boolean => e.shows.includes('fabric');

/** How wide a hole is, mm; one that was not drilled counts as a round one of its area. */
const acrossMm = (shape: VoidShape): number =>
  kindOf(shape).bore?.(shape).acrossMm ?? Math.sqrt((4 / Math.PI) * facesOf(shape).planAreaMm2);

/** Widths of the holes that are backed with fabric, mm: a screw hole needs none. */
const backedMm = (c: MethodContext): readonly number[] =>
  c.void.shapes.map(acrossMm).filter((across) => across >= settingIn(c, 'fabricFrom') - 1e-9);

/** How thick the layer of a batch stands in the holes of each width, where that is not told by their depth alone. */
function layersSaid(c: TaskContext): Message | '' {
  const lift = c.batch!.portion;
  if (c.portions.length < 2) return '';
  const by = new Map<string, Message>();
  for (const shape of c.void.shapes) {
    const thick = layersMm(c, shape)[lift];
    if (thick === undefined) continue;
    const said = SAYS.layer({ thick: mm(thick, 2), across: exactly(mm(acrossMm(shape))) });
    by.set(`${thick}/${acrossMm(shape)}`, said);
  }
  return SAYS.layers({ each: listed([...by.values()], 'comma') });
}

const circles = (c: MethodContext) => Math.round(settingIn(c, 'circles'));

/** How often a syringe is filled for so much; what is left of a fill is pressed out with the next. */
export const syringeFills = (ml: number, holdsMl: number): number => Math.max(1, Math.ceil(ml / holdsMl - 1e-9));

/** Holes and screw holes in a laminate or shell: filled in layers, larger ones backed by fabric. */
export const laminateHole: Method = {
  id: 'laminate-hole',
  version: 1,
  label: 'Hole in a laminate or shell',
  engine: 'fill',
  params: { straight: 'straight', underFilm: true, lead: 'lead' },
  does: 'Screw and fitting holes are cleaned, backed, filled in layers that each gel first, with fabric inside the large ones.',
  bases: ['laminate', 'plastic', 'timber'],
  shapes: ['hole', 'patch'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['pours', 'paste', 'putty'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'core',
      ask: 'Is the core dry: no water comes out, the meter reads low, the edge is not dark?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Wet core',
        why: 'Water shut into a core rots or splits it behind a sound skin.',
        todo: 'Dry and rebuild the core: another job.',
      },
    },
    {
      id: 'blisters',
      on: ['laminate'],
      ask: 'Are there blisters, or a fluid that smells of vinegar?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Osmosis',
        why: 'The laminate itself is breaking up under its coat.',
        todo: 'Have it judged; a hole filled on it comes up again.',
      },
    },
    {
      id: 'bearing',
      ask: 'Does this skin bear a load here: a chainplate, a keel, a rudder, a lifting point?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Load-bearing skin',
        why: 'A plug carries nothing: the fibres have to run through.',
        todo: 'Scarfed laminate, its length by a competent person.',
      },
    },
    {
      id: 'reached',
      ask: 'Can its back be reached, or taped and plugged from outside?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Blind hole',
        why: 'What is pressed into a closed space leaves its air there.',
        todo: 'Drill a weep hole beside it, fill by syringe from the bottom, at hand pressure.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep holes',
      stage: 'place',
      options: options('laminate-hole.deep', [
        {
          id: 'layers',
          label: 'layers, each gelled first',
          fits: 'anything deeper than the sheet’s layer; screw holes go in at once all the same',
        },
        { id: 'one', label: 'one fill', fits: 'plugs that nobody loads', effect: { onePass: true } },
      ]),
      byDefault: 'layers',
      why: 'A thick plug heats, shrinks and parts from its wall.',
    },
    {
      id: 'finish-level',
      matter: 'Level',
      stage: 'finish',
      options: options('laminate-hole.level', [
        { id: 'recess', label: 'low, for a coat', fits: 'where a finish coat follows', effect: { level: 'recess' } },
        { id: 'flush', label: 'flush', fits: 'where it is painted', effect: { level: 'flush' } },
      ]),
      byDefault: 'recess',
      why: 'The coat needs its thickness over the plug as beside it.',
    },
    {
      id: 'fabric',
      matter: 'Fabric inside',
      stage: 'place',
      options: options('laminate-hole.fabric', [
        { id: 'none', label: 'none', fits: 'screw holes and small fittings' },
        {
          id: 'inside',
          label: 'circles that step out, laid inside with the last layer',
          fits: 'holes wider than the sheet fills alone, where the inside can be reached',
          effect: { shows: ['fabric', 'prep:circles'] },
        },
      ]),
      byDefault: 'none',
      why: 'A wide plug is pushed out by a knock; fabric holds it.',
    },
    weighedOrWhole('laminate-hole', {
      weighed: { label: 'as much as it takes', fits: 'tins and tubes on a scale fine enough' },
      whole: { label: 'whole sachets or packs', fits: 'sachets that are opened at once' },
      why: 'A sachet that is opened for a drop is gone.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    {
      id: 'straight',
      label: 'In one fill up to a width of',
      kind: 'length',
      byDefault: 10,
      min: 0,
      max: 100,
      stage: 'place',
    },
    levelSetting('recess', { label: 'Recess for the coat', byDefault: 0.8, max: 10 }),
    takenOff('tough'),
    levelSetting('crown', { label: 'Left proud', byDefault: 0, max: 10 }),
    { id: 'waste', label: 'Left on knife and film', kind: 'percent', byDefault: 0, min: 0, max: 200, stage: 'mix' },
    { id: 'rate', label: 'Filling rate', kind: 'rate', byDefault: 8, min: 0.5, max: 2000, stage: 'place' },
    firstThicker,
    {
      id: 'fabricFrom',
      label: 'Fabric in holes from a width of',
      kind: 'length',
      byDefault: 30,
      min: 0,
      max: 1000,
      stage: 'place',
      when: backed,
    },
    {
      id: 'syringe',
      label: 'The syringe holds',
      kind: 'volume',
      byDefault: 20,
      min: 1,
      max: 500,
      stage: 'place',
    },
    ...fabricSettings(backed),
  ],
  bares: 15,
  preparation: [
    'Old sealant and every loose fibre out; edge of the hole bevelled on both sides.',
    'Backs taped, plugged or vented; tape tried for tightness.',
    'Abraded a finger’s breadth round, dust off, degreased last.',
  ],
  mistakes: [
    'Filled over sealant.',
    'Deep holes in one go.',
    'No film over it: air keeps the top tacky, the knife drags it low.',
  ],
  cautions: [
    'Grinding laminate: breathing protection and cover: fibres and dust.',
    'Resin or peroxide: eyes and skin.',
  ],
  tools: ['countersink or bevel cutter', 'syringe', 'filling knife', 'film', 'tape for the back', 'P80, P120'],
  tests: [
    { id: 'hard', kind: 'nail', ask: 'Does a nail leave no mark in the middle of each?' },
    { id: 'tap', kind: 'tap', ask: 'Does each sound like the skin beside it?' },
    { id: 'edge', kind: 'level', ask: 'Is there no crack of light or edge round the plug?' },
  ],
  finishAnswer: 'dull, at its level',
  review: null,
  serves: 'sandable',
  rests: restsFilled,
  consumes: [
    {
      id: 'circles',
      what: 'circles of fabric',
      one: 'circle of fabric',
      unit: '',
      why: 'stepping out beyond the edge of each backed hole',
      shownBy: 'fabric',
      of: (c) => backedMm(c).length * circles(c) * c.void.count,
    },
    {
      id: 'syringe',
      what: 'syringes, one for each mix',
      one: 'syringe',
      unit: '',
      why: 'what stands in one from the last mix is set',
      of: (c) => (isMetered(c.sheet.kind) ? 0 : c.batches.length),
    },
    {
      id: 'film',
      what: 'pieces of film or wax',
      one: 'piece of film or wax',
      unit: '',
      why: 'one over each hole, so that air does not keep it tacky',
      of: (c) => placesIn(c.void),
    },
  ],
  allowances: [
    ...levels,
    {
      id: 'fabric',
      optional: true,
      of: (c) => {
        const backed = backedMm(c);
        const [step, areal] = [settingIn(c, 'step'), settingIn(c, 'areal')];
        const g = c.void.count * backed.reduce((sum, across) => sum + circlesG(across, circles(c), step, areal), 0);
        if (!backed.length) return null;
        return {
          // It is laid inside with the last layer.
          onLast: true as const,
          label: AMOUNT.fabric(),
          ml: resinFor(g, settingIn(c, 'fibre')) / neatGPerMl(c.sheet),
          expression: AMOUNT.by({ n: circles(c), share: percent(settingIn(c, 'fibre')) }),
        };
      },
    },
    shareOf('waste', 'left on knife and film'),
  ],
  gaps: {
    circles,
    widest: (c) => mm(Math.max(0, ...backedMm(c)) + circles(c) * settingIn(c, 'step')),
    backed: (c) => c.void.count * backedMm(c).length,
    layers: layersSaid,
    fills: (c) => syringeFills(c.batch!.placedMl, settingIn(c, 'syringe')),
  },
  tasks: [
    ...tasks('laminate-hole', [
      {
        task: 'prep:clean',
        throws: 'dust',
        role: 'prepare',
        onBase: true,
        title: 'Clean out, bevel, abrade round it',
        detail: 'To sound material; bevelled so that the plug cannot fall through. Stop where the core is wet.',
        confirm: 'Sound, bevelled, dry',
        work: { fixed: 5, per: { place: 3 } },
        hold: true,
      },
      {
        task: 'prep:back',
        role: 'set-out',
        title: 'Tape or plug the backs',
        detail: 'Tight against the inside; a blind one gets its weep hole.',
        confirm: 'Backs are tight',
        work: { fixed: 2, per: { place: 1 } },
        hold: true,
      },
      {
        task: 'prep:circles',
        role: 'set-out',
        optional: true,
        title: 'Cut the circles of fabric',
        detail:
          '{circles, plural, one {# for each} other {# for each, stepping out,}} of {backed, plural, one {# hole} other {# holes}}, the widest {widest} across. Wetted with mix that is not thickened yet, laid with the last layer.',
        confirm: 'Cut and laid ready',
        when: (c) => backedMm(c).length > 0,
        work: { fixed: 5 },
      },
      {
        task: 'prep:wipe',
        block: 'first',
        role: 'prepare',
        title: 'Dust off, degrease, read the base',
        detail: 'At least {dewMargin} above the dew point.',
        confirm: 'Clean, dry, and read',
        work: { fixed: 4, per: { place: 1 } },
        hold: true,
      },
    ]),
    ...clear,
    ...liftsAfter(
      reworded('laminate-hole', filledInLifts, {
        place: {
          title:
            '{which, select, only {Fill from the bottom{several, select, yes {, mix {n}} other {}}, film over it} last {Last layer{several, select, yes {, mix {n}} other {}}, film over it} other {Fill layer {lift}{several, select, yes {, mix {n}} other {}}}}',
          detail:
            '{layers} {how, select, mixer {Through the mixer from the bottom} hand {Pressed in from the bottom with a thumb} other {By syringe from the bottom, {fills, plural, =1 {filled once} other {filled # times}}}}, no air shut in; {which, select, early {pressed to its level, left rough} other {pressed flat under film, from the middle out}}.',
          confirm: '{which, select, early {Layer {lift} is in} other {All are full}}',
        },
      }),
      'gel',
    ),
    ...tasks('laminate-hole', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Look for leaks, leave it',
        detail: 'A sunk one is topped up before it gels.',
        confirm: 'None sinks',
        work: { fixed: 3 },
      },
      {
        task: 'finish:abrade',
        throws: 'dust',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        title: 'Film off, abrade dull and to its level',
        detail: 'Pinholes opened and filled once more; edges feel as one.',
        ladder: {
          coarsest: 'P80',
          to: 'P120',
          offMm: ({ effects, settings }) => (effects.level === 'crown' ? settings.crown! : 0) + SMEAR_MM,
        },
        confirm: 'Dull, no pinhole',
        work: { fixed: 5, per: { place: 2 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
