import { sampleSheets } from '@/sample/systems';
import { wholeOf } from './whole';

const bag = sampleSheets.find((s) => s.parts.some((p) => p.role === 'powder'))!;
const tins = sampleSheets.find((s) => s.kind === 'paste')!;

test.each([
  [{ kits: 1 }, tins, '1 whole kit'],
  [{ kits: 3 }, tins, '3 whole kits'],
  [{ kits: null, packs: 1 }, tins, '1 whole pack'],
  [{ kits: null, packs: 2 }, tins, '2 whole packs'],
  [{ kits: null, packs: 1 }, bag, '1 whole bag'],
  [{ kits: null, packs: 4 }, bag, '4 whole bags'],
  [{ kits: null }, bag, ''],
  [{ kits: null }, tins, ''],
] as const)('%j is said as it is emptied', (batch, sheet, says) => {
  expect(wholeOf(batch, sheet)).toBe(says);
});
