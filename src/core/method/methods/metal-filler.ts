import { levels } from '../allowances';
import { clear, endOfMixing, HELD_LONGER, levelSetting, waiting, weighedOrWhole } from '../common';
import { options } from '../effects';
import { filledInLifts, restsFilled, reworded } from '../engines';
import { paperSoak, SMEAR_MM, takenOff, wetOrDry } from '../ladder';
import type { Method } from '../method';
import { tasks } from '../task';

/** A gouge in a metal part, filled with metal-filled paste in one slightly domed pass. */
export const metalFiller: Method = {
  id: 'metal-filler',
  version: 1,
  label: 'Gouge filled with metal paste',
  engine: 'fill',
  does: 'A cosmetic gouge in a metal part is roughened round, filled slightly domed in one pass, filed and sanded flush.',
  bases: ['metal'],
  shapes: ['chase', 'groove', 'patch', 'hole', 'edge', 'corner', 'filled', 'scan'],
  blanks: { groove: { form: 'vee' } },
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste', 'putty'], out: ['pot', 'mixer', 'hand'], binder: ['resin'] },
  params: { conformal: true },
  questions: [
    {
      id: 'crack',
      ask: 'Is the part free of cracks at and round the gouge?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Crack in the part',
        why: 'Filler hides it, and it runs on.',
        todo: 'Have the part judged by a competent person; do not fill it.',
      },
    },
    {
      id: 'sealing',
      ask: 'Is it away from sealing edges, threads and bearing faces?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'Sealing or bearing face',
        why: 'A filled face seals and bears as long as the filler lasts.',
        todo: 'Have it machined or renewed; or have it reviewed.',
      },
    },
  ],
  schools: [
    wetOrDry('metal-filler', 'wet'),
    {
      id: 'finish-level',
      matter: 'Level',
      stage: 'finish',
      options: options('metal-filler.level', [
        {
          id: 'crown',
          label: 'slightly domed, filed flush',
          fits: 'faces that are seen or slid on',
          effect: { level: 'crown' },
        },
        { id: 'flush', label: 'struck flush', fits: 'hidden faces', effect: { level: 'flush' } },
      ]),
      byDefault: 'crown',
      why: 'It shrinks a little, and a hollow is another round.',
    },
    weighedOrWhole('metal-filler', {
      weighed: { label: 'as much as it takes', fits: 'tins and tubes' },
      whole: { label: 'a whole packet', fits: 'packets kneaded in their film' },
      why: 'A gouge takes little.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    takenOff('hard'),
    paperSoak,
    levelSetting('crown', { label: 'Dome over the face', byDefault: 0.5, max: 5 }),
    levelSetting('recess', { label: 'Recess', byDefault: 0, max: 5 }),
    {
      id: 'allowed-depth',
      label: 'Deepest allowed for this part (0: no limit known)',
      kind: 'length',
      byDefault: 0,
      min: 0,
      max: 500,
      stage: 'place',
    },
    { id: 'rate', label: 'Placing rate', kind: 'rate', byDefault: 5, min: 0.1, max: 500, stage: 'place' },
  ],
  bares: 40,
  preparation: [
    'Cosmetic only: no crack, no sealing edge, no deeper than the part allows.',
    'Ring of 20 to 40 mm roughened, burrs off, degreased last.',
    'Length of the hardener strip marked on the board.',
  ],
  mistakes: ['Two strips “because it is cold”.', 'Feathered over gloss.', 'Filed before it is hard: it tears out.'],
  cautions: [
    'Peroxide: keep from eyes, flames and accelerators; never mix it with an accelerator directly.',
    'Filing and sanding: breathing protection; wet where it may be.',
  ],
  tools: ['scraper', 'rule for the strip', 'board and spatula', 'file and block', 'wet and dry paper'],
  tests: [
    { id: 'flush', kind: 'level', ask: 'Is there no step and no hollow under a fingertip?' },
    { id: 'pinholes', kind: 'look', ask: 'Is it free of pinholes?' },
  ],
  finishAnswer: 'filed, sanded flush',
  review: null,
  serves: 'sandable',
  rests: restsFilled,
  allowances: levels,
  tasks: [
    ...tasks('metal-filler', [
      {
        task: 'prep:roughen',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Burrs off, roughen a ring two fingers wide',
        detail: 'Look for cracks under a lamp while you are at it.',
        confirm: 'Rough, no crack',
        work: { per: { place: 10 }, formerly: { per: null, now: 'place', times: 1 } },
        hold: true,
      },
      {
        task: 'prep:wipe',
        block: 'first',
        role: 'prepare',
        title: 'Degrease, read the temperature of the metal',
        detail: 'At least {dewMargin} above the dew point.',
        confirm: 'Clean, and read',
        work: { fixed: 2, per: { place: 2 } },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('metal-filler', filledInLifts, {
      place: {
        title:
          '{which, select, only {Press it in, slightly domed{several, select, yes {, mix {n}} other {}}} last {Press in lift {lift}, slightly domed{several, select, yes {, mix {n}} other {}}} other {Press in lift {lift} of {lifts}, under the face{several, select, yes {, mix {n}} other {}}}}',
        detail: 'First a thin smear rubbed into the scratches, then over it in one go; no air under it.',
        confirm:
          '{which, select, only {It is in, slightly domed} last {It is in, slightly domed} other {Lift {lift} is in}}',
      },
    }),
    ...tasks('metal-filler', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Clean the tools, leave it',
        detail: 'What is left over hardens sooner than the thin fill on cold metal.',
        confirm: 'Left alone',
        work: { fixed: 2 },
      },
      {
        task: 'finish:file',
        throws: 'dust',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        title: 'File and block it flush',
        detail: 'Pinholes filled once more; primed and painted by their own sheets.',
        ladder: {
          coarsest: 'P80',
          to: 'P240',
          offMm: ({ effects, settings }) => (effects.level === 'crown' ? settings.crown! : SMEAR_MM),
        },
        confirm: 'Flush',
        work: { fixed: 15 },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
