import { inRoundInches } from '../units';
import { kindOf } from './measure';
import { withValue } from './shape';
import type { VoidShape } from './shapes';

/**
 * A shape with each of its dimensions in round inches: one that nobody has typed stays untyped.
 * @example shapeInInches(SHAPES.hole.blank()) // drawn 3/4 in across instead of 20 mm
 */
export const shapeInInches = (shape: VoidShape): VoidShape =>
  kindOf(shape)
    .dimensions(shape)
    .reduce<VoidShape>((s, { key, measured }) => {
      if (!measured.valueMm) return s;
      const { valueMm, text } = inRoundInches(measured.valueMm);
      const told = measured.text === '' ? '' : text;
      return withValue(kindOf(s), s, key, { ...measured, valueMm, text: told, textSystem: 'us' });
    }, shape);
