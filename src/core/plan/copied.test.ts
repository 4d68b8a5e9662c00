import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { viewJob } from '../record';
import { copiedJob, copiedRepair } from './copied';
import { Job } from './job';
import { jobName, repairName } from './named';
import { pieceOf, Repair } from './repair';

const NOW = Date.UTC(2026, 4, 5, 6);
const LATER = NOW + 40 * 86_400_000 + 17 * 60_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const [ramp] = bundles;

test('a copy beside the first takes as much and begins where nothing has happened', () => {
  const first = ramp!.repairs[0]!;
  const copy = copiedRepair(first, { id: 'copy', jobId: first.jobId, order: 9, nowMs: LATER, name: 'Bay 4 nosing' });
  expect(Repair.parse(copy)).toEqual(copy);
  expect([copy.id, copy.name, copy.order, copy.plannedStart, copy.answers]).toEqual([
    'copy',
    'Bay 4 nosing',
    9,
    null,
    {},
  ]);
  const plan = (r: Repair) =>
    viewJob({ job: ramp!.job, repairs: [r], sheets: sampleSheets, stock: [], events: [] }, NOW).repairs[0]!.plan;
  const [was, is] = [plan({ ...first, plannedStart: null }), plan(copy)];
  expect(is.void!.nominalMl).toBe(was.void!.nominalMl);
  expect(is.mix!.toMixMl).toBe(was.mix!.toMixMl);
  // What must be looked at is looked at again.
  expect(is.unanswered.length).toBeGreaterThan(0);
  // The first is as it was.
  expect(Object.keys(first.answers).length).toBeGreaterThan(0);
});

test('a photograph, readings and the age of the base stay with the place they are of', () => {
  const first = ramp!.repairs[0]!;
  const piece = pieceOf(first);
  const photo = {
    ...first,
    base: { ...first.base, castOn: '2020-01-01', known: [{ atMs: NOW, tempC: 9 }] },
    passes: {
      ...first.passes,
      [piece.passId]: {
        ...first.passes[piece.passId]!,
        void: {
          ...piece.void!,
          shapes: [
            {
              ...piece.void!.shapes[0]!,
              outline: {
                kind: 'polygon',
                points: [
                  [0, 0],
                  [9, 0],
                  [9, 9],
                ],
                placed: null,
                photoId: 'p',
              },
            },
          ],
        },
      },
    },
  } as unknown as Repair;
  const copy = copiedRepair(photo, { id: 'c', jobId: 'elsewhere', order: 1, nowMs: LATER });
  expect(copy.base).toMatchObject({ known: [], castOn: null });
  expect(pieceOf(copy).void!.shapes[0]).toMatchObject({ outline: { photoId: null } });
  expect(copiedRepair(photo, { id: 'c', jobId: photo.jobId, order: 1, nowMs: LATER }).base.castOn).toBe('2020-01-01');
});

test('a job as a template has its own dates and ids, and all its repairs', () => {
  for (const { job, repairs } of bundles) {
    const ids = ['new', ...repairs.map((_, i) => `new-${i}`)];
    const made = copiedJob(job, repairs, { ids, nowMs: LATER, name: `${job.name}, once more` });
    expect(Job.parse(made.job)).toEqual(made.job);
    expect(made.job).toMatchObject({ id: 'new', wantedAt: null, closedAt: null, sample: false, climate: job.climate });
    expect(made.job.startFrom).toBeGreaterThanOrEqual(LATER);
    expect(made.job.startFrom % 3_600_000).toBe(0);
    expect(made.repairs.map((r) => [r.id, r.jobId])).toEqual(repairs.map((_, i) => [`new-${i}`, 'new']));
    expect(made.repairs.map((r) => r.chain)).toEqual(repairs.map((r) => r.chain));
  }
  expect(() => copiedJob(ramp!.job, ramp!.repairs, { ids: ['one'], nowMs: LATER, name: '' })).toThrow(RangeError);
});

test('what nobody has named has a name all the same', () => {
  expect([repairName({ name: ' ', order: 3 }), repairName({ name: 'Nosing', order: 3 })]).toEqual([
    'Repair 3',
    'Nosing',
  ]);
  const job = { name: '', place: '', createdAt: Date.UTC(2026, 4, 5, 22), zone: 'Europe/Helsinki' };
  expect([jobName(job), jobName({ ...job, place: 'Ostrel Lake' })]).toEqual(['Job of 6 May 2026', 'Ostrel Lake']);
});
