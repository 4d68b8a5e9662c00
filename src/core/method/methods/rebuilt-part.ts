import { leftOf, secondsTo } from '../../heat';
import { exactly, grams, minutes, ml, texts } from '../../say';
import { isMixedAsPlaced, type SheetRevision } from '../../system';
import { placesIn } from '../../void';
import { shareOf } from '../allowances';
import { clear, endOfMixing, HELD_LONGER, waiting, weighedOrWhole } from '../common';
import { type MethodContext, settingIn, type TaskContext } from '../context';
import { options } from '../effects';
import { filledInLifts, restsFilled, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const POURED = texts('rebuilt-part.poured', {
  liquid: 'Pour {mass} of liquid, {volume}: some of it evaporates.',
});

/**
 * A thermoplastic moulding stick: W/mK, J/m³K; film of stirred hot water, and of still air on a hand-held piece, W/m²K.
 */
const STICK = { kWPerMK: 0.25, rhoC: 1080 * 1900 } as const;
const IN_WATER = 500;
const IN_AIR = 25;

/** Minutes in the water until the stick is soft through; null where the water is too cold for it. */
export function softensIn(c: Pick<MethodContext, 'settings'>): number | null {
  const seconds = secondsTo(
    { ...STICK, halfM: settingIn(c, 'stick') / 2000, h: IN_WATER },
    { fromC: settingIn(c, 'room'), intoC: settingIn(c, 'bath'), toC: settingIn(c, 'soft'), at: 'centre' },
  );
  return seconds === null ? null : seconds / 60;
}

/** Seconds in which it can be formed once it is pressed out, from its mean as it leaves the water. */
export function formsFor(c: Pick<MethodContext, 'settings'>): number | null {
  const soft = softensIn(c);
  if (soft === null) return null;
  const [room, bath] = [settingIn(c, 'room'), settingIn(c, 'bath')];
  const meanC =
    bath + (room - bath) * leftOf({ ...STICK, halfM: settingIn(c, 'stick') / 2000, h: IN_WATER }, soft * 60, 'mean');
  return secondsTo(
    { ...STICK, halfM: settingIn(c, 'pressed') / 2000, h: IN_AIR },
    { fromC: meanC, intoC: room, toC: settingIn(c, 'stiff'), at: 'mean' },
  );
}

/** Built up bead by bead, or pressed into the mould out of a pot, a nozzle or a hand, mL a minute. */
const BEADS = 0.3;
const PRESSED_IN = 15;
const pace = (sheet: SheetRevision): number => (isMixedAsPlaced(sheet) ? BEADS : PRESSED_IN);

/** Beads that so much is, each laid in its part of a minute. */
const beads = (c: TaskContext): number =>
  Math.max(
    1,
    Math.ceil(((c.batch?.placedMl ?? c.measured.nominalMl) * settingIn(c, 'beads')) / settingIn(c, 'rate') - 1e-6),
  );

/** A broken-off tab, lug or edge in plastic, built up again in the copy of its twin. */
export const rebuiltPart: Method = {
  id: 'rebuilt-part',
  version: 1,
  label: 'Tab, lug or edge in plastic, rebuilt',
  engine: 'fill',
  does: 'A mould is pressed over the sound twin, set over the break, and the missing piece is built up in it, bead by bead.',
  bases: ['plastic', 'laminate'],
  shapes: ['castCopy', 'fillet', 'corner'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste', 'putty', 'beads'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  questions: [
    {
      id: 'bonds',
      on: ['plastic'],
      ask: 'Does the code on the part name a plastic that bonds with this system, or has a trial on a hidden spot held?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'A plastic that may not bond',
        why: 'Waxy plastics let go of everything that is put on them.',
        todo: 'Make a trial on a hidden spot, or replace the part.',
      },
    },
    {
      id: 'hand',
      ask: 'Is the twin of the same hand as the broken one: a left for a left?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'A left copied for a right',
        why: 'The piece will fit nowhere.',
        todo: 'Find a twin of the same hand; the rest of the plan stands.',
      },
    },
    {
      id: 'bears',
      ask: 'Does anybody’s safety hang on this piece?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Safety hangs on it',
        why: 'A rebuilt tab is weaker than the moulded one.',
        todo: 'Replace the part, or have it judged by a competent person.',
      },
    },
  ],
  schools: [
    {
      id: 'key',
      matter: 'Hold at the root',
      stage: 'place',
      options: options('rebuilt-part.key', [
        {
          id: 'holes',
          label: 'holes and cuts',
          fits: 'thick roots',
          says: { key: 'Small holes and cuts across the root' },
        },
        {
          id: 'wire',
          label: 'a wire or mesh let in',
          fits: 'thin roots that are bent in use',
          says: { key: 'A wire or strip of mesh let into the root' },
        },
      ]),
      byDefault: 'holes',
      why: 'A butt joint on plastic breaks where it was glued.',
    },
    weighedOrWhole('rebuilt-part', {
      weighed: { label: 'as much as it takes', fits: 'powder and liquid, tubes' },
      whole: { label: 'a whole packet', fits: 'packets that are mixed at once' },
      why: 'A small piece takes little.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'cut', label: 'Cut away afterwards', kind: 'percent', byDefault: 30, min: 0, max: 200, stage: 'mix' },
    {
      id: 'rate',
      label: 'Built up in a minute',
      kind: 'rate',
      byDefault: BEADS,
      usual: pace,
      min: 0.02,
      max: 500,
      stage: 'place',
    },
    { id: 'beads', label: 'Beads in a minute', kind: 'count', byDefault: 5, min: 1, max: 60, stage: 'place' },
    {
      id: 'evaporates',
      label: 'Liquid poured beyond, for what evaporates',
      kind: 'percent',
      byDefault: 10,
      min: 0,
      max: 100,
      stage: 'mix',
    },
    { id: 'stick', label: 'Moulding stick, thickness', kind: 'length', byDefault: 8, min: 1, max: 40, stage: 'place' },
    { id: 'pressed', label: 'Pressed out to', kind: 'length', byDefault: 5, min: 0.5, max: 40, stage: 'place' },
    { id: 'bath', label: 'Hot water', kind: 'temperature', byDefault: 68, min: 30, max: 100, stage: 'place' },
    {
      id: 'room',
      label: 'Air where it is moulded',
      kind: 'temperature',
      byDefault: 15,
      min: -10,
      max: 45,
      stage: 'place',
    },
    { id: 'soft', label: 'Soft at', kind: 'temperature', byDefault: 60, min: 30, max: 99, stage: 'place' },
    { id: 'stiff', label: 'Stiff at', kind: 'temperature', byDefault: 50, min: 20, max: 98, stage: 'place' },
  ],
  preparation: [
    'Code of the plastic read on the part; a trial on a hidden spot.',
    'Twin of the same hand found, clean and dry.',
    'Gloss off by a cutter, dust blown off; nothing wiped that smears.',
    'Lid on the liquid: it is gone in minutes.',
  ],
  mistakes: [
    'A minute in hot water: the middle is still hard.',
    'Powder and liquid by equal volume.',
    'A left copied for a right.',
    'Drilled before it is hard.',
  ],
  cautions: [
    'Vapours: ventilate, no flames or sparks.',
    'Hot water: tongs.',
    'Grinding plastic: breathing protection.',
  ],
  tools: [
    'moulding stick and hot water',
    'thermometer',
    'fine scale',
    'brush or dropper',
    'cutter',
    'pilot and final drill',
  ],
  tests: [
    { id: 'twin', kind: 'twin', ask: 'Does it lie on its twin, thickness and hole?' },
    {
      id: 'snap',
      kind: 'function',
      ask: 'Does it snap in without a creak, and does a light sideways pull move nothing?',
    },
  ],
  finishAnswer: 'cut to its twin, drilled, primed',
  review: null,
  serves: 'release',
  rests: restsFilled,
  allowances: [shareOf('cut', 'cut away afterwards')],
  gaps: {
    warm: (c) => {
      const soft = softensIn(c);
      return soft === null ? '' : minutes(soft);
    },
    soft: (c) => (softensIn(c) === null ? 'no' : 'yes'),
    forms: (c) => Math.round(formsFor(c) ?? 0),
    bath: (c) => exactly({ is: 'temperature', value: settingIn(c, 'bath') }),
    beads,
    liquid: (c) => {
      const [, b] = c.sheet.parts;
      const g = (c.batch?.massG.B ?? 0) * (1 + settingIn(c, 'evaporates') / 100);
      return b && g > 0 ? POURED.liquid({ mass: grams(g), volume: ml(g / b.densityGPerMl) }) : '';
    },
  },
  tasks: [
    ...tasks('rebuilt-part', [
      {
        task: 'prep:key',
        throws: 'dust',
        role: 'prepare',
        title: 'Gloss off, key the root',
        detail: '{key}; dust blown off. Compare with the twin: the same hand.',
        confirm: 'Dull, keyed, same hand',
        work: { fixed: 8, per: { place: 4 } },
        hold: true,
      },
      {
        task: 'prep:mould',
        role: 'set-out',
        title: 'Soften the stick through, press it over the twin',
        detail:
          '{soft, select, yes {{warm} in water of {bath} until it is soft in its middle, not only outside; then {forms} seconds to press it before it stiffens. Let it go cold on the twin.} other {Water of {bath} does not soften it: hotter water, or another stick.}}',
        confirm: 'Cold, off the twin, sharp inside',
        work: {
          // Softened together, pressed over the twin one after the other.
          sheet: (c) => {
            const n = placesIn(c.void);
            return Math.ceil((softensIn(c) ?? 0) + (n * (formsFor(c) ?? 0)) / 60) + 4 * (n + 1);
          },
        },
      },
      {
        task: 'prep:fit',
        block: 'first',
        role: 'prepare',
        title: 'Set the mould over the break; read the base',
        detail: 'Tight at the root, held by tape; at least {dewMargin} above the dew point.',
        confirm: 'Tight, and read',
        work: { per: { place: 5 }, formerly: { per: null, now: 'place', times: 1 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('rebuilt-part', filledInLifts, {
      place: {
        title:
          '{how, select, beads {{several, select, yes {Batch {n}: {beads} beads} other {Build it up: {beads} beads}}} other {Fill the mould{several, select, yes {, batch {n}} other {}}}}',
        detail:
          '{how, select, beads {Corners first, each bead into the wet of the last; lid on between. {liquid} Where it grows warm, pause: it boils and holds bubbles.} mixer {Nozzle into the farthest corner, drawn back as it fills; no air shut in, a little over.} other {Pressed into the corners first, no air shut in, a little over.}}',
        confirm: 'Mould is full, a little over',
      },
    }),
    ...tasks('rebuilt-part', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Leave it in the mould',
        detail: 'Not bent to see.',
        confirm: 'Left alone',
        work: { fixed: 2 },
      },
      {
        task: 'finish:demould',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        title: 'Off with the mould, top up what is missing',
        detail: 'Voids filled with the same; hard again before it is cut.',
        confirm: 'Whole, hard',
        work: { per: { place: 10 }, formerly: { per: null, now: 'place', times: 1 } },
        waits: { for: 'release', on: 'last', orElse: HELD_LONGER },
      },
      {
        task: 'finish:cut',
        onFace: 'always',
        throws: 'dust',
        role: 'finish',
        block: 'finish',
        title: 'Cut and drill to the twin, prime flexible',
        detail: 'Thickness by the twin; pilot first, then its hole; topcoat by its own sheet.',
        confirm: 'As its twin',
        work: { per: { place: 20 }, formerly: { per: null, now: 'place', times: 1 } },
      },
    ]),
  ],
};
