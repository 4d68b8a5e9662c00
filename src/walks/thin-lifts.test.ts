import { readJobFile, writeJobFile } from '@/core/file';
import { isTaken, METHODS } from '@/core/method';
import type { Limits, SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, firstPlanned, ZONE } from './made';

/** Layers that are too thin for their sheet, or for the grains in them. */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const method = METHODS.find((m) => m.id === 'mortar-patch')!;
const mortar = sampleRecords(NOW, ZONE).find((r): r is SheetRevision => r.record === 'sheet' && isTaken(method, r))!;
const patch = (depthMm: number): VoidShape =>
  ({
    ...SHAPES.patch.blank(),
    outline: { kind: 'rectangle', length: measured(600, 'tape'), width: measured(400, 'tape') },
    depth: { kind: 'mean', mean: measured(depthMm, 'gauge') },
  }) as VoidShape;
const findings = (depthMm: number, limits: Partial<Limits>) => {
  const shape = patch(depthMm);
  const sheet = { ...mortar, limits: { ...mortar.limits, liftMinMm: null, liftMaxMm: null, grainMm: null, ...limits } };
  const p = firstPlanned({ job, nowMs: NOW }, method, sheet, { over: { void: voidOf(shape) } });
  return p.findings.filter((f) => f.id.startsWith('lift:'));
};
const has = (depthMm: number, limits: Partial<Limits>, id: string) =>
  findings(depthMm, limits).find((f) => f.id === id);

test('26 mm in lifts of 15 to 25: two of 13 are too thin, 30 mm would do', () => {
  expect(has(26, { liftMinMm: 15, liftMaxMm: 25 }, 'lift:thin-each')).toMatchObject({
    severity: 'stop',
    why: expect.stringMatching(
      /26 mm are more than one lift of 25 mm, and 2 lifts of 13 mm are thinner than the 15 mm/,
    ),
    todo: expect.stringMatching(/to 30 mm/),
  });
  expect(has(30, { liftMinMm: 15, liftMaxMm: 25 }, 'lift:thin-each')).toBeUndefined();
  expect(has(25, { liftMinMm: 15, liftMaxMm: 25 }, 'lift:thin-each')).toBeUndefined();
});

test('random sheets and depths: stopped exactly where no number of equal lifts is inside the sheet', () => {
  for (const d of draws(40)) {
    const [least, span, depth] = [d.of(5, 30, 1), d.of(0, 30, 1), d.of(5, 120, 1)];
    const most = least + span;
    const fits = Array.from({ length: 40 }, (_, i) => depth / (i + 1)).some(
      (each) => each >= least - 1e-9 && each <= most + 1e-9,
    );
    const stopped = findings(depth, { liftMinMm: least, liftMaxMm: most }).some((f) => f.severity === 'stop');
    expect([depth, least, most, stopped]).toEqual([depth, least, most, !fits]);
  }
});

test('a sheet without a thinnest lift and grains of 4 mm: 10 mm are a caution, 12 mm are not, and neither forbids', () => {
  expect(has(10, { grainMm: 4 }, 'lift:grain')).toMatchObject({
    severity: 'caution',
    why: expect.stringMatching(/10 mm with grains of 4 mm.*12 mm/),
  });
  expect(has(12, { grainMm: 4 }, 'lift:grain')).toBeUndefined();
});
test('a thinnest lift that the sheet gives goes before its grains', () => {
  expect(findings(10, { grainMm: 4, liftMinMm: 8 })).toEqual([]);
});
test('lifts of a deep patch are held against the grains too', () => {
  // 30 mm in lifts of at most 12: three of 10.
  expect(has(30, { grainMm: 4, liftMaxMm: 12 }, 'lift:grain')).toMatchObject({ why: expect.stringMatching(/^10 mm/) });
});

test('a sheet from before grains were asked for is read as silent, and one with grains comes back with them', () => {
  const file = (limits: unknown) =>
    ({
      format: 'grenko-job',
      version: 4,
      exportedAt: '2027-05-10T06:00:00.000Z',
      coreVersion: '0.30.0',
      job,
      repairs: [],
      sheets: [{ ...mortar, limits }],
      stock: [],
      snapshots: [],
      events: [],
      series: [],
      attachments: [],
    }) as unknown as Parameters<typeof writeJobFile>[0];
  const { grainMm, ...older } = mortar.limits;
  expect(grainMm ?? null).toBeNull();
  expect(readJobFile(JSON.stringify(file(older))).sheets[0]!.limits.grainMm).toBeNull();
  const kept = readJobFile(writeJobFile(file({ ...mortar.limits, grainMm: 4 })));
  expect(kept.sheets[0]!.limits.grainMm).toBe(4);
});
