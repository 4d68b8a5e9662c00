import { z } from 'zod';
import { mm, type Problem, texts } from '../say';
import { Degrees, figure } from '../units';
import { across, arc, bounds, down, rect } from './draw';
import { halfWidthMm, Measured, unmeasured } from './measured';
import type { Point } from './point';
import type { Drawing } from './shape';

const REFUSED = texts('refused.void.setting-out', {
  'place-lies-edge':
    'Place {n} lies {near} from the edge at worst, {clear} is to stay clear. Move it, or ask who answers for the clearance.',
  'places-run-into': 'The places run into each other: {spacing} apart, each {size} wide.',
});

const TITLES = texts('title.setting-out', { from: 'setting out, from {datum}', plain: 'setting out' });

/** Where a thing is set out: from which datum, how far, along which line, and what it must keep clear of. */
export const SettingOut = z.object({
  /** What everything is measured from, in words. */
  datum: z.string().max(120),
  /** From the datum corner to the first place: along the datum edge, and square to it. */
  along: Measured,
  from: Measured,
  /** From place to place along the centre line. */
  spacing: Measured,
  /** Direction of the centre line against the datum edge, degrees. */
  angleDeg: Degrees,
  /** Which way it faces, and its hand. */
  orientation: z.string().max(120),
  /** Least distance wanted from the middle of a place to the datum edges, bars or pipes. */
  clearance: Measured,
});
export type SettingOut = z.infer<typeof SettingOut>;

export const blankSettingOut = (): SettingOut => ({
  datum: '',
  along: unmeasured(150, 'tape'),
  from: unmeasured(120, 'tape'),
  spacing: unmeasured(300, 'tape'),
  angleDeg: 0,
  orientation: '',
  clearance: unmeasured(80, 'tape'),
});

/** Middles of the places, mm from the datum corner: along the datum edge, and square to it. */
export function placesOf(s: SettingOut, count: number): readonly Point[] {
  const a = (s.angleDeg * Math.PI) / 180;
  return Array.from({ length: count }, (_, i) => [
    s.along.valueMm + i * s.spacing.valueMm * Math.cos(a),
    s.from.valueMm + i * s.spacing.valueMm * Math.sin(a),
  ]);
}

/** Fields nobody has measured yet; spacing counts where there is more than one place. */
export const settingOutMissing = (s: SettingOut, count: number): readonly string[] => [
  ...(s.datum.trim() ? [] : ['What it is measured from']),
  ...(s.along.text ? [] : ['Along the edge']),
  ...(s.from.text ? [] : ['From the edge']),
  ...(count > 1 && !s.spacing.text ? ['From place to place'] : []),
];

/**
 * What is wrong with a setting-out: places nearer to an edge of the datum, or to each other, than what must stay clear,
 * tolerances counted against it.
 * @param sizeMm width of one place (hole diameter), mm
 */
export function settingOutProblems(s: SettingOut, count: number, sizeMm: number): readonly Problem[] {
  const out: Problem[] = [];
  const clear = s.clearance.valueMm;
  const doubt = Math.max(halfWidthMm(s.along), halfWidthMm(s.from));
  placesOf(s, count).forEach(([x, y], i) => {
    const near = Math.min(x, y) - doubt;
    if (near < clear && !out.some((p) => p.field === 'from'))
      out.push({
        field: 'from',
        value: near,
        allowed: `at least ${clear} mm`,
        sentence: REFUSED['place-lies-edge']({ n: i + 1, near: mm(Math.max(0, near)), clear: mm(clear) }),
      });
  });
  if (count > 1 && s.spacing.valueMm - halfWidthMm(s.spacing) <= sizeMm)
    out.push({
      field: 'spacing',
      value: s.spacing.valueMm,
      allowed: `more than ${figure(sizeMm)} mm`,
      sentence: REFUSED['places-run-into']({ spacing: mm(s.spacing.valueMm), size: mm(sizeMm) }),
    });
  return out;
}

/** The setting-out as a small dimensioned drawing: datum edges thick, centre line dash-dotted, clearance as a ring. */
export function settingOutDrawing(s: SettingOut, count: number, sizeMm: number): Drawing {
  const places = placesOf(s, count);
  const r = Math.max(sizeMm / 2, 1);
  const [, , x1, y1] = bounds([
    ...places.map(([x, y]) => [x + s.clearance.valueMm, y + s.clearance.valueMm] as const),
    [100, 100],
  ]);
  const [first, last] = [places[0]!, places.at(-1)!];
  const a = (s.angleDeg * Math.PI) / 180;
  const reach = Math.max(s.spacing.valueMm * 0.5, r * 3);
  return {
    title: s.datum ? TITLES.from({ datum: s.datum }) : TITLES.plain(),
    outlines: [
      { role: 'base', points: rect(0, 0, x1 * 1.12, y1 * 1.12) },
      {
        role: 'datum',
        open: true,
        points: [
          [0, y1 * 1.12],
          [0, 0],
          [x1 * 1.12, 0],
        ],
      },
      {
        role: 'centre',
        open: true,
        points: [
          [first[0] - reach * Math.cos(a), first[1] - reach * Math.sin(a)],
          [last[0] + reach * Math.cos(a), last[1] + reach * Math.sin(a)],
        ],
      },
      ...places.map(([x, y]) => ({ role: 'level' as const, points: arc(s.clearance.valueMm, x, y) })),
      ...places.map(([x, y]) => ({ role: 'void' as const, points: arc(r, x, y, 0, 360, 32) })),
    ],
    dimensions: [
      across('along', 0, first[0], y1 * 1.12 + x1 * 0.03, 'along'),
      down('from', 0, first[1], -x1 * 0.03, 'from'),
      ...(count > 1 && s.angleDeg === 0 ? [across('spacing', first[0], places[1]![0], -x1 * 0.03, 'spacing')] : []),
    ],
    marks: places.map((at, i) => ({ at, label: String(i + 1) })),
  };
}
