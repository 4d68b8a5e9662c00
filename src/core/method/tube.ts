import type { SheetRevision } from '../system';
import { boreOf, type Void } from '../void';
import type { Setting } from './context';

/** What a tube on a mixer is told by. */
interface TubeAsk {
  readonly settings: Readonly<Record<string, number>>;
  readonly void: Void;
  readonly sheet: SheetRevision;
}

/** A tube that lengthens the mixer: as long as it lacks to the bottom of the hole, until somebody says otherwise. */
export const tubeSettings: readonly Setting[] = [
  { id: 'tube-bore', label: 'Tube on the mixer, bore', kind: 'length', byDefault: 8, min: 1, max: 50, stage: 'mix' },
  {
    id: 'tube-length',
    label: 'Tube on the mixer, length',
    kind: 'length',
    byDefault: -1,
    min: 0,
    max: 5000,
    stage: 'mix',
  },
];

/** The deepest of the holes, mm; nothing where none is drilled. */
const deepestMm = (v: Void): number =>
  Math.max(0, ...v.shapes.map((shape) => boreOf({ ...v, shapes: [shape] })?.deepMm ?? 0));

/** How much the mixer lacks to the bottom of the hole, mm; nothing where it reaches, or where nothing is drilled. */
const lacksMm = ({ void: v, sheet }: Pick<TubeAsk, 'void' | 'sheet'>): number =>
  Math.max(0, deepestMm(v) - (sheet.mixer?.reachMm ?? Number.POSITIVE_INFINITY));

/** Length of the tube on the mixer, mm: as typed, or what the mixer lacks. */
export const tubeMm = (c: TubeAsk): number => {
  const typed = c.settings['tube-length'];
  return typed === undefined ? 0 : typed < 0 ? lacksMm(c) : typed;
};

/** What stays in that tube, mL. */
export const tubeMl = (c: TubeAsk): number => ((Math.PI / 4) * (c.settings['tube-bore'] ?? 0) ** 2 * tubeMm(c)) / 1000;

/** How much even that tube lacks to the bottom, mm. */
export const stillLacksMm = (c: TubeAsk): number => Math.max(0, lacksMm(c) - tubeMm(c));
