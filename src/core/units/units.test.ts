import fc from 'fast-check';
import { format, formatDuration, fromCore, toCore, UNITS } from '.';

test('every unit converts there and back', () => {
  for (const units of Object.values(UNITS))
    for (const unit of units)
      fc.assert(
        fc.property(
          fc.double({ min: -1e6, max: 1e6, noNaN: true }),
          (value) => Math.abs(fromCore(unit, toCore(unit, value)) - value) <= 1e-9 * Math.max(1, Math.abs(value)),
        ),
      );
});

test('figures are printed as people read them', () => {
  expect(format('volume', 411.83, 'metric').text).toBe('412 mL');
  expect(format('volume', 2440, 'metric').text).toBe('2.44 L');
  expect(format('mass', 12345, 'metric').text).toBe('12.3 kg');
  expect(format('temperature', 20, 'us').text).toBe('68 °F');
  expect(format('temperature', 55.25, 'metric').text).toMatch(/^55\.[23] °C$/);
  expect(format('temperature', -0.01, 'metric').text).toBe('0 °C');
  expect(format('interval', 5.7, 'metric').text).toBe('5.7 K');
  // Twenty-two feet are no 264 inches; what fits a rule stays in inches.
  expect(format('length', 22 * 304.8, 'us').text).toBe('22 ft');
  expect(format('length', 9 * 304.8, 'us').text).toBe('108 in');
  expect(format('area', 1e6 - 1e-6, 'metric').text).toBe('1 m²');
  // A part of a floor is in the unit of the floor.
  expect(['750000', '99900'].map((mm2) => format('area', Number(mm2), 'metric').text)).toEqual(['0.75 m²', '999 cm²']);
  expect(format('volume', 1000 - 1e-7, 'metric').text).toBe('1.00 L');
  // A minus is a minus, whatever stands behind it.
  expect(format('volume', -8.2, 'metric').text).toBe('−8.20 mL');
  expect(format('temperature', -4.5, 'metric').digits).toBe('−4.5');
  // Inches as a rule has them; off its marks they are decimals.
  const inches = (value: number) => format('length', value * 25.4, 'us').text;
  expect([0.125, 4.5, 9 / 16, 1.25, 3, 0.02, 0.57, 35.43].map(inches)).toEqual([
    '1/8 in',
    '4 1/2 in',
    '9/16 in',
    '1 1/4 in',
    '3 in',
    '0.02 in',
    '0.57 in',
    '35.4 in',
  ]);
  expect(formatDuration(156)).toBe('2 h 36 min');
  expect(formatDuration(0.5)).toBe('30 s');
  expect(formatDuration(2 * 1440 + 185)).toBe('2 d 3 h');
  // 104 hours less a minute are no 4 days and 7 hours.
  expect(formatDuration(104 * 60 - 1)).toBe('4 d 8 h');
  expect(formatDuration(3 * 1440 - 1)).toBe('3 d');
  expect(formatDuration(2 * 1440 - 1)).toBe('47 h 59 min');
});

test('a small force is told in newtons, a large one in kilonewtons', () => {
  expect(format('force', 4.08, 'metric').text).toBe('4.08 N');
  expect(format('force', 12_500, 'metric').text).toBe('12.5 kN');
  expect(format('force', 4.448, 'us').text).toBe('1 lbf');
});
