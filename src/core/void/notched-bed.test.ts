import { measured } from './measured';
import { notchedBed } from './notched-bed';
import { withValue } from './shape';

const typed = (mm: number) => measured(mm, 'marked');
const notchOf = (...said: readonly (readonly [key: string, value: unknown])[]) => {
  const { notch } = said.reduce((s, [key, value]) => withValue(notchedBed, s, key, value), notchedBed.blank());
  return { of: [notch.width.valueMm, notch.depth.valueMm, notch.gap.valueMm], notch };
};

describe('a trowel is named by its notch', () => {
  test('a 10 mm trowel is 10 deep and 10 apart, as soon as its width is said', () => {
    const { of, notch } = notchOf(['notch.width', typed(10)]);
    expect(of).toEqual([10, 10, 10]);
    expect([notch.depth.text, notch.gap.text]).toEqual(['10 mm', '10 mm']);
    // Each keeps the tool it is measured with.
    expect([notch.depth.tool, notch.gap.tool]).toEqual(['marked', 'calliper']);
  });
  test('corrected, what followed follows again', () => {
    expect(notchOf(['notch.width', typed(8)], ['notch.width', typed(12)]).of).toEqual([12, 12, 12]);
  });
  test('what somebody said otherwise stays', () => {
    expect(notchOf(['notch.depth', typed(6)], ['notch.width', typed(10)]).of).toEqual([10, 6, 10]);
    expect(notchOf(['notch.width', typed(10)], ['notch.gap', typed(5)], ['notch.width', typed(12)]).of).toEqual([
      12, 12, 5,
    ]);
    // A second reading of what followed is somebody’s word.
    expect(notchOf(['notch.width', typed(10)], ['notch.depth', typed(9)], ['notch.width', typed(10)]).of).toEqual([
      10, 9, 10,
    ]);
  });
  test.each(['vee', 'round'])('of a notch that is %s one figure does not tell the others', (form) => {
    const { notch } = notchOf(['notch.form', form], ['notch.width', typed(10)]);
    expect([notch.depth.text, notch.gap.text]).toEqual(['', '']);
  });
  test('the rest is written as it was', () => {
    const s = withValue(notchedBed, notchedBed.blank(), 'outline.length', typed(2000));
    expect(s.outline).toMatchObject({ kind: 'rectangle', length: { valueMm: 2000 } });
    expect(s.notch.width.text).toBe('');
  });
});
