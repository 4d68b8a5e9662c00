import { levels } from '../allowances';
import { clear, endOfMixing, HELD_LONGER, levelSetting, waiting, weighedOrWhole } from '../common';
import type { MethodContext } from '../context';
import { options } from '../effects';
import { filledInLifts, liftsAfter, restsDrawnThin, reworded } from '../engines';
import { SMEAR_MM, takenOff } from '../ladder';
import type { Method } from '../method';
import { type TaskRow, tasks } from '../task';

const isDosed = ({ sheet }: Pick<MethodContext, 'sheet'>) => sheet.dose !== null;
const lifts = reworded('body-filler', filledInLifts, {
  place: {
    title: 'Spread {piece}{several, select, yes {, mix {n}} other {}}',
    detail: 'Pressed in tight, no air under it; leave it when it turns to chalk, and throw away what is on the board.',
    confirm: 'It is on',
  },
});
const [weigh, , mix] = lifts as readonly [TaskRow, TaskRow, TaskRow];
/**
 * What is dosed is dead within minutes: each mix is weighed as it is mixed, on its own sheet of film, and goes on at
 * once. What waits for the layer below is that mixing, and nothing that could be done meanwhile.
 */
const onFilm = reworded(
  'body-filler',
  [{ ...mix, exact: true, waits: weigh.waits, within: weigh.within, when: (c) => isDosed(c) && mix.when!(c) }],
  {
    mix: {
      title: '{of, plural, one {Dose and mix it on its film} other {Dose and mix batch {n} of {of} on its film}}',
      detail:
        '{kits} {parts}. Folded in and drawn out, never whipped, to one colour. {asSheet} {end} Keep a dab as the witness of its ratio.',
      confirm: 'One colour',
    },
  },
);
const inLifts = lifts.flatMap((row): readonly TaskRow[] => {
  if (row === weigh) return [{ ...row, when: (c) => !isDosed(c) && weigh.when!(c) }];
  if (row === mix) return [...onFilm, { ...row, when: (c) => !isDosed(c) && mix.when!(c) }];
  return [{ ...row, exact: true }];
});

/** A dent in sheet metal or laminate, filled in thin layers of dosed filler and sanded to its line. */
export const bodyFiller: Method = {
  id: 'body-filler',
  version: 1,
  label: 'Dent filled with body filler',
  engine: 'fill',
  does: 'A dent is keyed, skimmed and built up in thin layers of dosed filler, each sanded only when it may be.',
  bases: ['metal', 'laminate', 'plastic', 'timber'],
  shapes: ['patch', 'scan', 'filled', 'edge', 'corner', 'fillet'],
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste'], out: ['pot'], binder: ['resin'] },
  params: { skim: 'skim', conformal: true },
  questions: [
    {
      id: 'perforated',
      ask: 'Is it whole where it is filled, with no hole through it?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'A hole through it',
        why: 'Filler that bridges a hole takes up water from behind and lets go.',
        todo: 'Weld, rivet or laminate the hole shut first; filler comes over what is sound.',
      },
    },
    {
      id: 'primer',
      on: ['metal'],
      ask: 'Is there an acid or wash primer where it is filled?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Filler over acid primer',
        why: 'The acid keeps the hardener from working: it stays soft underneath.',
        todo: 'Take the primer off to bare metal, or seal it as both sheets say.',
      },
    },
    {
      id: 'structure',
      ask: 'Is it only the surface, with nothing that carries load bent or cracked?',
      wants: 'yes',
      otherwise: {
        severity: 'stop',
        title: 'More than a surface',
        why: 'Filler carries nothing.',
        todo: 'Have it straightened or renewed first.',
      },
    },
  ],
  schools: [
    {
      id: 'deep-fills',
      matter: 'Deep fills',
      stage: 'place',
      options: options('body-filler.deep', [
        { id: 'layers', label: 'layers, each sanded open', fits: 'anything deeper than the sheet’s layer' },
        { id: 'one', label: 'one pass', fits: 'shallow dents', effect: { onePass: true } },
      ]),
      byDefault: 'layers',
      why: 'A thick layer shrinks, heats and holds pinholes.',
    },
    {
      id: 'finish-level',
      matter: 'Level',
      stage: 'finish',
      options: options('body-filler.level', [
        { id: 'crown', label: 'proud, and sanded back', fits: 'anything that is painted', effect: { level: 'crown' } },
        { id: 'flush', label: 'flush', fits: 'where it is not seen', effect: { level: 'flush' } },
      ]),
      byDefault: 'crown',
      why: 'A low spot is another round.',
    },
    weighedOrWhole('body-filler', {
      weighed: { label: 'as much as is spread in its minutes', fits: 'tins and tubes' },
      whole: { label: 'whole packs only', fits: 'packs that are opened at once' },
      why: 'It turns to chalk on the board: many small mixes, each on a clean sheet of film.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    levelSetting('crown', { label: 'Left proud', byDefault: 0.5, max: 10 }),
    {
      id: 'skim',
      label: 'Tight skim pressed in first',
      kind: 'length',
      byDefault: 0.5,
      min: 0,
      max: 5,
      stage: 'place',
    },
    levelSetting('recess', { label: 'Recess', byDefault: 0, max: 10 }),
    takenOff('soft'),
    {
      id: 'film-holds',
      label: 'Most on one sheet of film',
      kind: 'volume',
      byDefault: 150,
      min: 1,
      max: 5000,
      stage: 'mix',
    },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 25, min: 1, max: 2000, stage: 'place' },
  ],
  bares: 100,
  preparation: [
    'Paint off to the bare base over the dent and a hand’s breadth round it; edges of the paint feathered.',
    'Keyed with a coarse disc, dust off, degreased last; bare steel sealed where the sheet asks.',
    'Dry: no condensation, no filler on a cold panel in damp air.',
    'Tin stirred to the bottom, tube kneaded, sheets of film ready, one for each mix.',
  ],
  mistakes: [
    'Hardener by eye, more of it in the cold.',
    'Spread on after it has turned to chalk.',
    'Sanded before its time: it clogs, and green dust sensitises.',
    'Low spots left, filled again on gloss.',
  ],
  cautions: [
    'Sanding: breathing protection and extraction, dry only; nothing is sanded before its time.',
    'Peroxide: keep from eyes, flames and accelerators; never mix it with an accelerator directly.',
  ],
  tools: [
    'scale or marked board',
    'spreaders',
    'sheets of film',
    'file and long block',
    'abrasives, grit by grit',
    'guide coat',
  ],
  tests: [
    { id: 'line', kind: 'level', ask: 'Does a straightedge or the bare hand find no low spot and no edge?' },
    { id: 'pinholes', kind: 'look', ask: 'Is it free of pinholes and soft places?' },
  ],
  finishAnswer: 'sanded, guide coat gone',
  review: null,
  serves: 'sandable',
  rests: restsDrawnThin,
  mixedOn: 'film-holds',
  consumes: [
    {
      id: 'film',
      what: 'sheets of film to mix on',
      one: 'sheet of film to mix on',
      unit: '',
      why: 'a clean one for each mix',
      of: (c) => c.batches.length,
    },
  ],
  allowances: levels,
  tasks: [
    ...tasks('body-filler', [
      {
        task: 'prep:strip',
        throws: 'dust',
        onBase: true,
        role: 'prepare',
        title: 'Strip and key the dent',
        detail:
          'To the bare base and a hand’s breadth round it; the paint feathered at its edge. Stop where a hole shows.',
        confirm: 'Bare, keyed, no hole',
        work: { fixed: 10, per: { m2: 60 } },
        hold: true,
      },
      {
        task: 'prep:wipe',
        block: 'first',
        role: 'prepare',
        title: 'Blow off, degrease, read the panel',
        detail: 'At least {dewMargin} above the dew point, dry to the touch.',
        confirm: 'Clean, dry, and read',
        work: { fixed: 3, per: { place: 2 } },
        hold: true,
      },
    ]),
    ...clear,
    ...tasks('body-filler', [
      {
        task: 'lay-out',
        role: 'mix',
        block: 'first',
        when: isDosed,
        title:
          '{batches, plural, one {Stir the tin, knead the tube, lay out the film} other {Stir the tin, knead the tube, lay out {batches} sheets of film}}',
        detail: '{allParts} Each is dosed on its own sheet right before it is mixed. Note the lot numbers.',
        confirm: 'All laid out',
        work: { fixed: 4 },
      },
    ]),
    ...liftsAfter(inLifts, 'sandable'),
    ...tasks('body-filler', [
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Clean the spreaders, leave it',
        detail: 'No heat gun on one place: it blisters.',
        confirm: 'Left alone',
        work: { fixed: 3 },
      },
      {
        task: 'finish:sand',
        throws: 'dust',
        onFace: 'set',
        role: 'finish',
        block: 'finish',
        title: 'Sand it to its line',
        detail: 'File or long block, guide coat before each; a low spot goes back to a thin fill.',
        ladder: {
          coarsest: 'P80',
          to: 'P180',
          offMm: ({ effects, settings }) => (effects.level === 'crown' ? settings.crown! : SMEAR_MM),
          dry: true,
        },
        confirm: 'Line is right, guide coat gone',
        work: { fixed: 20, per: { m2: 180 } },
        waits: { for: 'sandable', on: 'last', orElse: HELD_LONGER },
      },
    ]),
  ],
};
