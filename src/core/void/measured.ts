import { z } from 'zod';
import { Mm } from '../units';

/** A measuring tool, its default half-width, and whether its readings share one bias. */
export interface Tool {
  readonly id: string;
  readonly label: string;
  /** Half-width of the rectangular distribution, mm; or a share of the value. */
  readonly half: number;
  readonly of: 'mm' | 'value';
  readonly sharedBias: boolean;
}

export const TOOLS: readonly Tool[] = [
  { id: 'tape', label: 'tape', half: 1, of: 'mm', sharedBias: true },
  { id: 'rule', label: 'rule', half: 0.5, of: 'mm', sharedBias: true },
  { id: 'calliper', label: 'calliper', half: 0.1, of: 'mm', sharedBias: true },
  { id: 'gauge', label: 'gauge', half: 0.5, of: 'mm', sharedBias: true },
  { id: 'film', label: 'film gauge', half: 0.1, of: 'value', sharedBias: true },
  { id: 'scanner', label: 'scanner', half: 0.3, of: 'mm', sharedBias: true },
  { id: 'photo', label: 'photo', half: 2, of: 'mm', sharedBias: true },
  { id: 'marked', label: 'marking', half: 0.2, of: 'mm', sharedBias: false },
  { id: 'guess', label: 'guess', half: 0.2, of: 'value', sharedBias: false },
];

/** One reading of a length. */
const Read = z.object({
  valueMm: Mm,
  /** Half-width in mm; null takes the tool's default. */
  toleranceMm: Mm.nonnegative().nullable(),
  tool: z.enum(TOOLS.map((tool) => tool.id) as [string, ...string[]]),
  text: z.string().max(200),
  /** Unit system the text was typed in. */
  textSystem: z.enum(['metric', 'us']),
});

/**
 * A length as measured: value in mm, the tool, the text as typed and, where the person set it, a half-width of their
 * own; and a second reading, if there was one.
 */
export const Measured = Read.extend({ again: Read.nullable() });
export type Measured = z.infer<typeof Measured>;

/** A measured length from its value. */
export function measured(valueMm: number, tool = 'tape', toleranceMm: number | null = null): Measured {
  return { valueMm, toleranceMm, tool, text: `${valueMm} mm`, textSystem: 'metric', again: null };
}

/** A stand-in for a length not measured yet: drawn, but never computed with. Its text is empty. */
export function unmeasured(valueMm: number, tool = 'tape'): Measured {
  return { valueMm, toleranceMm: null, tool, text: '', textSystem: 'metric', again: null };
}

/**
 * A length that comes of others: not measured while one of them is not, and in doubt by what each of them is.
 * @param valueMm what it comes to
 * @param of the lengths, and how much a millimetre of each makes of it
 */
export function derived(valueMm: number, of: readonly (readonly [Measured, by: number])[]): Measured {
  const tool = of[0]?.[0].tool;
  if (of.some(([m]) => m.text === '')) return unmeasured(valueMm, tool);
  const half = Math.hypot(...of.map(([m, by]) => by * halfWidthMm(m)));
  return { ...measured(valueMm, tool, half), text: `${Number(valueMm.toFixed(3))} mm` };
}

export const toolOf = (m: Pick<Measured, 'tool'>): Tool => TOOLS.find((tool) => tool.id === m.tool) ?? TOOLS[0]!;

/** Half-width of the rectangular distribution of a measured length, mm. */
export function halfWidthMm(m: z.infer<typeof Read>): number {
  if (m.toleranceMm !== null) return m.toleranceMm;
  const tool = toolOf(m);
  return tool.of === 'value' ? Math.abs(m.valueMm) * tool.half : tool.half;
}

/**
 * How far two readings of one length differ beyond what both tools allow, mm; 0 when they agree or there is only one.
 */
export function disagreementMm(m: Measured): number {
  if (!m.again) return 0;
  return Math.max(0, Math.abs(m.valueMm - m.again.valueMm) - halfWidthMm(m) - halfWidthMm(m.again));
}
