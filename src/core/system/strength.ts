import { z } from 'zod';
import { exactly, minutes, mpa, refuse, texts } from '../say';
import { inWordsRead, parseQuantity } from '../typed';
import type { UnitSystem } from '../units';

const REFUSED = texts('refused.system.strength', {
  'line-must-like': 'Line {n}, “{line}”, must be like 1 d: 32 MPa.',
  'line-does-not': 'Line {n}: {age} does not come after {before}.',
  'line-less-before': 'Line {n}: {strength} is less than the {before} before it.',
  'type-least-line': 'Type at least one line, like 1 d: 32 MPa.',
});

/** How the sheet tested what it prints. */
export const STRENGTH_TESTS = ['compression', 'bending', 'lap shear', 'pull-off', 'tension'] as const;

/** Strength of a sheet: what it has after so long at one temperature, and what it may be counted with when cured. */
export const Strength = z.object({
  test: z.enum(STRENGTH_TESTS),
  /** Temperature the ages belong to, °C. */
  tempC: z.number().min(-60).max(250),
  points: z
    .array(z.object({ afterMin: z.number().positive().max(600_000), mpa: z.number().positive().max(1000) }))
    .min(1)
    .max(12),
  /**
   * The characteristic (5 %) value of the cured bond, MPa; null where the sheet prints means only: then no load is
   * checked by it.
   */
  characteristicMpa: z.number().positive().max(1000).nullable(),
  /** Temperature in service up to which that value holds, °C; null where the sheet does not say. */
  characteristicToC: z.number().min(-60).max(300).nullable().default(null),
});
export type Strength = z.infer<typeof Strength>;

const AGE = '(\\d[\\d.,]*\\s*(?:min\\w*|h(?:ou)?rs?|h|d(?:ays?)?|weeks?)\\b\\.?)';
const AGE_FIRST = new RegExp(`^(?:after\\s+)?${AGE}\\s*[:=/\\t-]?\\s*(.+)$`, 'i');
const AGE_LAST = new RegExp(`^(.+?)\\s*(?:\\bafter\\b|\\bat\\b|@|/|\\()\\s*${AGE}\\)?$`, 'i');

/** The age and the strength of a line, whichever stands first: `1 d: 32 MPa`, `32 MPa after 24 h`. */
function agedOf(line: string): readonly [age: string, value: string] {
  const plain = inWordsRead(line);
  const first = AGE_FIRST.exec(plain);
  if (first) return [first[1]!, first[2]!];
  const last = AGE_LAST.exec(plain);
  if (last) return [last[2]!, last[1]!];
  const [age = '', value = ''] = plain.split(/\s*:\s*|\t+/);
  return [age, value];
}

/**
 * Reads strength over age, one a line: `1 d: 32 MPa`, `32 N/mm² after 24 h`. Ages must rise, and strength may
 * not fall with age.
 * @throws Refusal naming the line
 */
export function parseStrengthPoints(text: string, field: string, system: UnitSystem): Strength['points'] {
  const points = text
    .split(/[\n;]/)
    .map((l) => l.trim())
    .filter(Boolean)
    .map((line, i) => {
      const [age, value] = agedOf(line);
      const [after, mpa] = [parseQuantity('duration', age, system), parseQuantity('stress', value, system)];
      if (!after.ok || !mpa.ok || after.value <= 0 || mpa.value <= 0)
        return refuse(field, line, 'age: strength', REFUSED['line-must-like']({ n: i + 1, line }));
      return { afterMin: after.value, mpa: mpa.value };
    });
  for (const [i, p] of points.entries()) {
    const before = points[i - 1];
    if (!before) continue;
    if (p.afterMin <= before.afterMin)
      refuse(
        field,
        p.afterMin,
        'rising ages',
        REFUSED['line-does-not']({
          n: i + 1,
          age: minutes(p.afterMin),
          before: minutes(before.afterMin),
        }),
      );
    if (p.mpa < before.mpa)
      refuse(
        field,
        p.mpa,
        'strength that does not fall',
        REFUSED['line-less-before']({ n: i + 1, strength: exactly(mpa(p.mpa)), before: exactly(mpa(before.mpa)) }),
      );
  }
  return points.length ? points : refuse(field, text, 'at least one line', REFUSED['type-least-line']());
}

/** Strength over age as it is typed. */
export const strengthText = ({ points }: Strength): string =>
  points.map((p) => `${ageText(p.afterMin)}: ${p.mpa} MPa`).join('\n');

const ageText = (min: number) =>
  min % 1440 === 0 ? `${min / 1440} d` : min % 60 === 0 ? `${min / 60} h` : `${min} min`;
