import type { Question, School } from '../context';
import { options } from '../effects';

/** What is asked of a plate and its seat before anything is ground. */
export const plateQuestions: readonly Question[] = [
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
  {
    id: 'unlike',
    ask: 'Are both parts of one metal, or kept apart by an unbroken layer, fasteners sleeved?',
    wants: 'yes',
    otherwise: {
      severity: 'caution',
      title: 'Unlike metals that touch',
      why: 'Where they touch in the wet, steel beside aluminium, carbon beside either, the lesser is eaten under the bond.',
      todo: 'A layer of glass fabric or beads in the line so that nothing touches, sleeves and washers on the fasteners, the edge sealed.',
    },
  },
];

/** What keeps the line from being squeezed out under a clamp. */
export const lineKept: School = {
  id: 'line',
  matter: 'Keeping the bond line',
  stage: 'place',
  options: options('plate-bond.line', [
    {
      id: 'ridge',
      label: 'a ridge, pressed down',
      fits: 'what is drawn up against stops, or felt at its edge',
      says: { spread: 'A thin wetting coat on both, a ridge in the middle of one so that air is pushed out.' },
    },
    {
      id: 'notched',
      label: 'a notched spreader',
      fits: 'wide faces that are pressed all over',
      says: {
        spread: 'A thin wetting coat on both, one combed with the notched spreader, ridges one way to an open edge.',
      },
    },
    {
      id: 'wires',
      label: 'wires or beads in it',
      fits: 'faces that are clamped or drawn up without stops',
      effect: { shows: ['wires'] },
      says: {
        spread:
          'A thin wetting coat on both, a ridge in the middle of one; wires as thick as the line laid in at three places, or beads of that size stirred in.',
      },
    },
  ]),
  byDefault: 'ridge',
  why: 'A clamp squeezes until nothing is left; what is thicker than the sheet allows is weak as well.',
};
