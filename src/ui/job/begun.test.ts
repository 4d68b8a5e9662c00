import { inRoundInches } from '@/core/units';
import { setPrefs } from '../workspace/prefs';
import { begunRepair } from './begun';

const thick = (methodId: string, on: 'concrete' | 'metal' | null) =>
  begunRepair('j', { methodId, chain: null }, on, 1).base.thicknessMm;

// One process tries many files: whoever is tried next reads as if nobody had chosen.
afterEach(() => setPrefs({ system: 'metric' }));

test('what a base is usually as thick as is round in the units of whoever begins the repair', () => {
  expect(thick('anchor', 'concrete')).toBe(200);
  setPrefs({ system: 'us' });
  expect(thick('anchor', 'concrete')).toBeCloseTo(8 * 25.4, 9);
  expect(thick('plate-bond', null)).toBe(inRoundInches(10).valueMm);
});
