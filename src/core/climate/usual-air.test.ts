import { format } from '../units';
import { usualAir } from './usual-air';

test.each([
  ['metric', '15 °C'],
  ['us', '60 °F'],
] as const)('mild air is a round figure in %s degrees', (system, text) => {
  expect(format('temperature', usualAir(system).tempC, system).text).toBe(text);
});
test('the two are one weather', () => {
  expect(Math.abs(usualAir('us').tempC - usualAir('metric').tempC)).toBeLessThan(1);
});
