import { isTaken, METHODS } from '@/core/method';
import { pieceOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/** Water of a bag whose sheet prints what is usual, and the most: what is usual is the least as well. */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const method = METHODS.find((m) => m.id === 'cement-patch')!;
const bag = sampleRecords(NOW, ZONE).find((r): r is SheetRevision => r.record === 'sheet' && isTaken(method, r))!;
const least: SheetRevision = { ...bag, dose: { ...bag.dose!, minPct: bag.dose!.usualPct } };
const { bench } = pieceOf(freshRepair(job.id, method.id, 1, NOW));
const planned = (sheet: SheetRevision, scaleStepG: number) =>
  firstPlanned({ job, nowMs: NOW }, method, sheet, {
    dims: { 'outline.length': 480, 'outline.width': 350 },
    over: { scaleStepG, bench: { ...bench, way: 'weight' } },
  });
const scale = (sheet: SheetRevision, stepG: number) => planned(sheet, stepG).findings.find((f) => f.id === 'scale');

test('at the least water a gram on a litre and more is no scale too coarse', () => {
  expect(scale(least, 1)).toBeUndefined();
});

test('a scale that may be off by more than the paper rounds is told, at the end of the range as in its middle', () => {
  expect(scale(least, 50)).toMatchObject({ severity: 'caution', todo: expect.stringMatching(/dose inside its range/) });
  expect(scale(bag, 500)).toMatchObject({ severity: 'stop' });
});
