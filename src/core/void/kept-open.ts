import { z } from 'zod';
import { exactly, mm, type Problem, texts } from '../say';
import { asMeasured, Mm } from '../units';
import { bounds } from './draw';
import type { Point } from './point';
import type { KeptOpen, Outline, RowList } from './shape';

const REFUSED = texts('refused.void.kept-open', {
  'joint-nowhere': 'Joint {n}: type where it lies on the face, which is {most} that way.',
  'joint-does-not': 'Joint {n}, at {at}, does not lie on the face, which is {most} that way.',
});

/** A straight joint through a face that stays open: how far from its left edge it runs down, or from its top across. */
export const OpenLine = z.object({ runs: z.enum(['down', 'across']), atMm: Mm });
export type OpenLine = z.infer<typeof OpenLine>;

const AXIS = { down: 0, across: 1 } as const;
const MOST = 50;

/** The pieces of a straight line that lie inside a face: one, or several where the face is hollow. */
export function chordsOf(corners: readonly Point[], { runs, atMm }: OpenLine): readonly KeptOpen[] {
  const axis = AXIS[runs];
  const other = axis === 0 ? 1 : 0;
  const at = bounds(corners)[axis] + atMm;
  const met = corners.flatMap((a, i): number[] => {
    const b = corners[(i + 1) % corners.length]!;
    // A corner on the line counts with one of its two sides only.
    if (a[axis] > at === b[axis] > at) return [];
    return [a[other] + ((at - a[axis]) / (b[axis] - a[axis])) * (b[other] - a[other])];
  });
  const ends = met.sort((a, b) => a - b);
  const point = (on: number): Point => (axis === 0 ? [at, on] : [on, at]);
  return ends.flatMap((from, i) =>
    i % 2 === 0 && ends[i + 1] !== undefined ? [{ atMm, from: point(from), to: point(ends[i + 1]!) }] : [],
  );
}

/** How long they are together, mm. */
export const openMm = (list: readonly KeptOpen[]): number =>
  list.reduce((sum, { from, to }) => sum + Math.hypot(to[0] - from[0], to[1] - from[1]), 0);

/** As they are drawn on the face. */
export const drawnOpen = (list: readonly KeptOpen[]): readonly Outline[] =>
  list.map(({ from, to }) => ({ role: 'keep-clear', open: true, points: [from, to] }));

/** Where they lie, typed row by row. */
export const openLinesList = (rows: readonly OpenLine[], key: string): RowList => ({
  key,
  label: 'Where they lie',
  columns: [
    {
      key: 'runs',
      label: 'measured from',
      kind: 'choice',
      options: [
        { id: 'down', label: 'the left edge' },
        { id: 'across', label: 'the upper edge' },
      ],
    },
    { key: 'atMm', label: 'at', kind: 'length' },
  ],
  rows,
  blank: { runs: 'down', atMm: 1000 },
  max: MOST,
});

/** A joint that crosses what runs along a line and stays open: how far along, mm. */
export const Crossing = z.object({ atMm: Mm });
export type Crossing = z.infer<typeof Crossing>;

/** Where they cross it, typed row by row. */
export const crossingsList = (rows: readonly Crossing[], blankMm: number): RowList => ({
  key: 'crossings',
  label: 'Joints that cross it and stay open',
  columns: [{ key: 'atMm', label: 'at', kind: 'length' }],
  rows,
  blank: { atMm: blankMm },
  max: MOST,
});

/** As they are drawn across a run of so much. */
export const drawnCrossings = (rows: readonly Crossing[], runMm: number): readonly Outline[] =>
  rows.map(({ atMm }) => ({
    role: 'keep-clear',
    open: true,
    points: [
      [atMm, -runMm * 0.1],
      [atMm, runMm * 0.1],
    ],
  }));

/** What is wrong with the first of them that does not lie on the face. */
export function openLineProblems(
  corners: readonly Point[],
  lines: readonly OpenLine[],
  key: string,
): readonly Problem[] {
  const [x0, y0, x1, y1] = bounds(corners);
  for (const [i, { runs, atMm }] of lines.entries()) {
    const most = runs === 'down' ? x1 - x0 : y1 - y0;
    if (!(atMm > 0 && atMm < most))
      return [
        {
          field: `${key}.${i}`,
          value: atMm,
          allowed: `above 0 and under ${asMeasured(most)} mm`,
          sentence: Number.isFinite(atMm)
            ? REFUSED['joint-does-not']({ n: i + 1, at: exactly(mm(atMm)), most: exactly(mm(most)) })
            : REFUSED['joint-nowhere']({ n: i + 1, most: exactly(mm(most)) }),
        },
      ];
  }
  return [];
}
