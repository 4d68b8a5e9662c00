import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { shaped } from '../../sample/typed';
import { type Piece, pieceOf, repairOf } from '../plan';
import { viewJob } from '../record';
import { voidOf } from '../void';

const NOW = Date.UTC(2026, 4, 5, 6);
const b = sampleData(NOW, 'Europe/Helsinki').bundles[0]!;
const ramp = b.repairs.map((r) => pieceOf(r)).find((p) => p.method.id === 'mortar-patch')!;
const planned = (lengthMm: number, depthMm: number, over: Partial<Piece> = {}) => {
  const shape = shaped('patch', { 'outline.length': lengthMm, 'outline.width': 200, 'depth.mean': depthMm });
  const repair = repairOf({ ...ramp, void: voidOf(shape), reserve: false, ...over });
  const view = viewJob({ ...b, repairs: [repair], events: [] }, NOW).repairs[0]!;
  return {
    kits: view.plan.batches.map((x) => [x.portion, x.kits]),
    said: view.findings.filter((f) => f.id.startsWith('kit-over')).map((f) => plainWords(f.why)),
  };
};

test('two lifts of a kit each are two kits, whatever their sum is over one: nothing is said', () => {
  // Each lift is a little over half a kit of 1.15 L; both together are 1.2 L and more.
  const { kits, said } = planned(240, 24);
  expect(kits).toEqual([
    [0, 1],
    [1, 1],
  ]);
  expect(said).toEqual([]);
});

test('a lift that takes a hair more than a kit says so of that lift', () => {
  const { kits, said } = planned(370, 30);
  expect(kits.map(([, n]) => n).reduce((s, n) => s! + n!, 0)).toBe(4);
  expect(said).toHaveLength(2);
  expect(said[0]).toMatch(/^2 kits are opened for lift 1, the last of them for \d\d\.?\d? mL\.$/);
  expect(said[1]).toMatch(/for lift 2/);
});

test('in one lift the last kit of two is told as before', () => {
  const { said } = planned(600, 10);
  expect(said).toEqual([expect.stringMatching(/^2 kits are opened, the last of them for [\d.]+ mL\.$/)]);
});
