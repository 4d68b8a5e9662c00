import { figure } from '../units';
import { clearSteps, endOfMixing, mixSteps, settingOutText, waiting } from './common';
import type { Method, StepDraft } from './method';

/** A plate or bracket glued to bare metal. */
export const plateBond: Method = {
  id: 'plate-bond',
  version: 1,
  label: 'Plate bonded to metal',
  engine: 'bond',
  does: 'A plate or bracket is bonded to bare metal with a thin, even bond line.',
  bases: ['metal'],
  shapes: ['bondLine', 'notchedBed', 'fillet'],
  laidOn: 'part',
  setsOut: true,
  kinds: ['paste'],
  questions: [
    {
      id: 'torn',
      ask: 'Is the metal under the plate torn or cracked?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Torn seat',
        why: 'A tear is not a bonding job: it runs on under the plate.',
        todo: 'Have the metal mended first, or choose welding with a competent person.',
      },
    },
    {
      id: 'rust',
      ask: 'Has rust eaten into the thickness of the metal?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Metal thinned by rust',
        why: 'The plate would pull on what is no longer there.',
        todo: 'Have the remaining thickness judged by a competent person.',
      },
    },
    {
      id: 'load-path',
      ask: 'Must this joint be welded or bolted by its drawing or rules?',
      wants: 'no',
      otherwise: {
        severity: 'stop',
        title: 'Load path that must be welded',
        why: 'Adhesive may not replace a joint that the rules ask for.',
        todo: 'Weld or bolt it; note the reason.',
      },
    },
    {
      id: 'mock-up',
      ask: 'Does the plate lie flat in the dry fit, without rocking?',
      wants: 'yes',
      otherwise: {
        severity: 'caution',
        title: 'Plate rocks',
        why: 'A rocking plate makes a wedge of the bond line.',
        todo: 'Back to grinding; fit again before mixing.',
      },
    },
    {
      id: 'galvanised',
      ask: 'Is the metal painted, galvanised, copper-bearing or oily where it bonds?',
      wants: 'no',
      otherwise: {
        severity: 'caution',
        title: 'Face that does not bond as it is',
        why: 'The adhesive holds to the paint or oil, not to the metal.',
        todo: 'Degrease, grind to bare bright metal over the whole footprint, degrease again; copper-bearing metal needs the maker’s word.',
      },
    },
  ],
  schools: [
    {
      id: 'cleaning-order',
      matter: 'Cleaning order',
      stage: 'place',
      options: [
        { id: 'solvent-first', label: 'solvent, abrade, wipe', fits: 'oily or unknown faces' },
        { id: 'abrade-first', label: 'abrade, then solvent', fits: 'new clean metal' },
      ],
      byDefault: 'solvent-first',
      why: 'Grinding oil rubs it in; solvent is always last.',
    },
    {
      id: 'holding',
      matter: 'Holding',
      stage: 'hold',
      options: [
        { id: 'fastener', label: 'drawn up by its fastener', fits: 'plates with a bolt through them' },
        { id: 'clamp', label: 'clamps', fits: 'edges that can be reached' },
        { id: 'weight', label: 'own weight or prop', fits: 'level faces' },
      ],
      byDefault: 'clamp',
      why: 'By load and fixture time.',
    },
    {
      id: 'squeeze-out',
      matter: 'Squeeze-out',
      stage: 'place',
      options: [
        { id: 'wiped', label: 'wiped at once', fits: 'where it shows or obstructs' },
        { id: 'left', label: 'left as a fillet', fits: 'hidden edges: it also seals' },
        { id: 'trimmed', label: 'trimmed later', fits: 'pastes that smear when wet' },
      ],
      byDefault: 'wiped',
      why: 'Wet adhesive wipes, set adhesive must be cut.',
    },
    {
      id: 'part-kits',
      matter: 'Part kits',
      stage: 'mix',
      options: [
        { id: 'weighed', label: 'split by weighing', fits: 'a sheet that allows it and a scale fine enough' },
        { id: 'whole', label: 'whole kits only', fits: 'kits whose sheet forbids splitting, and coarse scales' },
      ],
      byDefault: 'whole',
      why: 'Half a kit by eye is the commonest way to a soft bond.',
    },
    {
      id: 'pot-temperature',
      matter: 'Warm or cool the pot',
      stage: 'mix',
      options: [
        { id: 'warm', label: 'warm to mix and spread', fits: 'cold, stiff paste' },
        { id: 'as-is', label: 'as it is', fits: 'material within the sheet’s range' },
      ],
      byDefault: 'as-is',
      why: 'Warmed it mixes better and dies sooner.',
    },
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'bead', label: 'Bead all round', kind: 'percent', byDefault: 10, min: 0, max: 200, stage: 'mix' },
    { id: 'back-butter', label: 'Left in the texture of both faces', kind: 'uptake', byDefault: 40, min: 0, max: 2000, stage: 'mix' },
    { id: 'part', label: 'Thickness of the part laid on', kind: 'length', byDefault: 10, min: 0.5, max: 300, stage: 'place' },
    { id: 'rate', label: 'Spreading rate', kind: 'rate', byDefault: 25, min: 1, max: 5000, stage: 'place' },
  ],
  preparation: [
    'Mock-up: mark the footprint, find where more grinding is needed.',
    'Bare bright metal over the whole footprint and a margin round it.',
    'Degrease last; bond before it rusts, within the hour outdoors.',
    'Product warmed into the sheet’s range for mixing and spreading.',
  ],
  mistakes: [
    'Gloss left in a corner of the footprint.',
    'Clamped so hard that the joint starves.',
    'Plate set down flat on a full bed: air in the middle.',
    'Clamps off because it “felt hard” at the edge.',
  ],
  cautions: ['Solvent and hot work do not go together.', 'Grinding: eye, ear and breathing protection, no sparks near solvent.'],
  tools: ['grinder with flap disc', 'solvent and clean cloths', 'notched spreader', 'clamps or props', 'feeler gauge'],
  tests: [
    { id: 'bead', ask: 'Did adhesive show all round and at the inspection holes?' },
    { id: 'tap', ask: 'Does the plate ring sound when tapped, with no hollow place?' },
    { id: 'cup', ask: 'Is the left-over cup hard under a nail?' },
  ],
  finishAnswer: 'primed, edge sealed',
  review: 'A bonded plate carries load.',
  serves: 'load',
  allowances: (c) => [
    {
      id: 'bead',
      label: 'bead all round',
      ml: (c.measured.nominalMl * c.setting('bead')) / 100,
      expression: `${c.setting('bead')} % of the bond line`,
      voice: 'chosen',
    },
    {
      id: 'back-butter',
      label: 'in the texture of both faces',
      ml: (2 * c.void.count * c.measured.faces.wettedAreaMm2 * c.setting('back-butter')) / 1e6,
      expression: `2 × ${figure((c.void.count * c.measured.faces.wettedAreaMm2) / 1e6)} m² × ${c.setting('back-butter')} mL/m²`,
      voice: 'chosen',
    },
  ],
  portions: () => [{ label: 'the bond line', share: 1 }],
  steps: (c) => {
    const area = (c.void.count * c.measured.faces.planAreaMm2) / 1e6;
    const wipe =
      {
        wiped: 'Wipe the squeeze-out at once.',
        left: 'Leave the bead as a fillet.',
        trimmed: 'Leave the squeeze-out; trim it when it is rubbery.',
      }[c.school('squeeze-out')] ?? '';
    const hold = { fastener: 'Draw it up by its fastener', clamp: 'Clamp it', weight: 'Prop it' }[c.school('holding')] ?? 'Hold it';
    const order =
      c.school('cleaning-order') === 'solvent-first' ? 'Solvent, then abrade, then wipe with solvent.' : 'Abrade, then wipe with solvent.';
    const steps: StepDraft[] = [
      {
        id: 'prep:mock-up',
        stage: 'place',
        title: 'Dry fit, mark the footprint',
        detail: `${settingOutText(c)}The plate lies without rocking; feeler gauge all round.`,
        handsOnMin: 8,
        confirm: 'Lies flat, marked',
        hold: true,
        block: 'prep',
      },
      {
        id: 'prep:grind',
        stage: 'place',
        title: 'Grind to bare metal',
        detail: `${order} Whole footprint and 10 mm round it, both faces.`,
        handsOnMin: 8 + 120 * area,
        confirm: 'Bare and bright',
        block: 'prep',
      },
      ...clearSteps(c.void, 'prep'),
      {
        id: 'prep:wipe',
        stage: 'place',
        title: 'Degrease, read the base temperature',
        detail: 'Last wipe one way with a fresh cloth. Bond within the hour.',
        handsOnMin: 4,
        confirm: 'Clean, and read',
        hold: true,
        block: 'prep',
      },
    ];
    if (c.school('pot-temperature') === 'warm')
      steps.push({
        id: 'prep:warm',
        stage: 'mix',
        title: 'Warm the closed tins',
        detail: 'Warm water or a warm room, never a flame, until the middle is warm.',
        handsOnMin: 2,
        confirm: 'Warm through',
        block: 'prep',
      });
    c.batches.forEach((batch, i) => {
      const n = i + 1;
      steps.push(...mixSteps(batch, c.batches.length, c.sheet.mixMin, c.school('end-of-mixing'), 'B into A, fold, do not whip.', 'bond'), {
        id: `b${n}:spread`,
        stage: 'place',
        title: c.batches.length > 1 ? `Spread batch ${n}, both faces` : 'Spread, both faces',
        detail: 'A thin wetting coat on both, a ridge in the middle of one so that air is pushed out.',
        handsOnMin: batch.ml / (c.setting('rate') * c.crew),
        confirm: 'Both faces are wet',
        block: 'bond',
        batch: i,
        marks: { end: ['placed', 'last-coat'] },
      });
    });
    const last = c.batches.length - 1;
    steps.push(
      {
        id: 'close',
        stage: 'place',
        title: 'Close the joint, move it a little',
        detail: `${hold} until adhesive shows all round and at the inspection holes. ${wipe}`,
        handsOnMin: 5,
        confirm: 'Adhesive shows all round',
        hold: true,
        block: 'bond',
        batch: last,
        marks: { end: ['faces-closed'] },
        within: { kind: 'open', batches: c.batches.map((b) => b.index), by: 'end' },
      },
      {
        id: 'hold:leave',
        stage: 'hold',
        title: 'Leave it alone, keep it warm',
        detail: 'Clean tools before the pot sets; tag it with its release time.',
        handsOnMin: 5,
        confirm: 'Tagged and left',
        block: 'bond',
      },
      {
        id: 'finish:release',
        stage: 'finish',
        title: c.school('holding') === 'fastener' ? 'Ease the fastener, look at the edge' : 'Take the clamps or props off',
        detail: 'Only after the release time, and when the left-over cup is hard.',
        handsOnMin: 5,
        confirm: 'Holds by itself',
        block: 'finish',
        waitFor: { kind: 'release', batches: [last] },
      },
      {
        id: 'finish:seal',
        stage: 'finish',
        title: 'Prime and seal against rust',
        detail: 'Edge and bared margin, on a clean dull face.',
        handsOnMin: 10,
        confirm: 'Sealed',
        block: 'finish',
      },
    );
    return steps;
  },
};
