import { ofMaterial, usualBaseMm } from '.';

test('a base as thick as is usual follows its material in either units, and one that was typed stays', () => {
  const of = (thicknessMm: number) =>
    ofMaterial({ material: 'concrete', thicknessMm, back: 'ground' }, 'metal').thicknessMm;
  expect(usualBaseMm('concrete', 'us')).toBeCloseTo(8 * 25.4, 9);
  expect(of(200)).toBe(usualBaseMm('metal', 'metric'));
  expect(of(8 * 25.4)).toBe(usualBaseMm('metal', 'us'));
  expect(of(usualBaseMm('metal', 'us'))).toBe(usualBaseMm('metal', 'us'));
  expect(of(150)).toBe(150);
});
