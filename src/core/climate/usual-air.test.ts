import { format } from '../units';
import { usualAirC } from './usual-air';

test.each([
  ['metric', '15 °C'],
  ['us', '60 °F'],
] as const)('mild air is a round figure in %s degrees', (system, text) => {
  expect(format('temperature', usualAirC(system), system).text).toBe(text);
});
test('the two are one weather', () => {
  expect(Math.abs(usualAirC('us') - usualAirC('metric'))).toBeLessThan(1);
});
