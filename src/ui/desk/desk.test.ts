import 'fake-indexeddb/auto';
import { sampleData } from '@/sample/jobs';
import { openAnyVault } from '@/store/vault';
import {
  addJob,
  addRepair,
  bundleOf,
  changeJob,
  changeRepair,
  record,
  recordAll,
  redo,
  removeRepair,
  startWork,
  undo,
  useDesk,
} from './desk';
import { exportJob, importJob, loadSample, removeSample, settle } from './exchange';
import { freshJob, freshRepair } from './fresh';

const desk = useDesk.getState;
const rest = () => new Promise((resolve) => setTimeout(resolve, 300));
/** What stands on disk. */
const onDisk = async () => (await (await openAnyVault()).load()).holdings;

const job = { ...freshJob(Date.now()), name: 'Boat shed' };
const repair = { ...freshRepair(job.id, 'mortar-patch', 1, Date.now()), name: 'Sill' };

beforeEach(() => {
  useDesk.setState({ jobs: {}, repairs: {}, sheets: {}, stock: {}, snapshots: {}, events: [], past: [], future: [], conflicts: [] });
  addJob(job);
  addRepair(repair);
});

describe('undo and redo', () => {
  test('go through every kind of change, and what is undone is off the disk too', async () => {
    changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    changeJob(job.id, (j) => ({ ...j, place: 'north side' }), 'place');
    await rest();
    undo();
    expect([desk().jobs[job.id]!.place, desk().repairs[repair.id]!.name]).toEqual(['', 'Threshold']);
    undo();
    expect(desk().repairs[repair.id]!.name).toBe('Sill');
    redo();
    redo();
    expect([desk().jobs[job.id]!.place, desk().repairs[repair.id]!.name]).toEqual(['north side', 'Threshold']);
    undo();
    await rest();
    const { job: jobs, repair: repairs } = await onDisk();
    expect(jobs.find((j) => j.id === job.id)!.place).toBe('');
    expect(repairs.find((r) => r.id === repair.id)!.name).toBe('Threshold');
  });

  test('a quick row of one kind of change is one step; another kind begins a new one', () => {
    for (let i = 1; i <= 5; i++) changeRepair(repair.id, (r) => ({ ...r, crew: i }), 'crew');
    changeRepair(repair.id, (r) => ({ ...r, reserve: false }), 'reserve');
    undo();
    expect(desk().repairs[repair.id]).toMatchObject({ crew: 5, reserve: true });
    undo();
    expect(desk().repairs[repair.id]!.crew).toBe(repair.crew);
  });

  test('a new change after undoing leaves nothing to redo', () => {
    changeRepair(repair.id, (r) => ({ ...r, crew: 2 }), 'crew');
    undo();
    changeRepair(repair.id, (r) => ({ ...r, crew: 3 }), 'crew-again');
    redo();
    expect(desk().repairs[repair.id]!.crew).toBe(3);
  });

  test('nothing to undo changes nothing; what is not there cannot be changed', () => {
    useDesk.setState({ past: [], future: [] });
    const before = desk().repairs;
    undo();
    redo();
    changeRepair('nobody', (r) => ({ ...r, crew: 9 }));
    expect(desk().repairs).toBe(before);
  });
});

describe('the record', () => {
  test('is numbered on in this browser, in the order it was written, and on disk before it is answered', async () => {
    await record(repair.id, { kind: 'note', text: 'dry' }, 'technician');
    await recordAll(
      repair.id,
      [1, 2, 3].map((i) => ({ body: { kind: 'reading', channel: 'base', valueC: 10 + i, source: 'logger.csv' }, at: 1000 * i })),
      'technician',
    );
    const mine = desk().events.filter((e) => e.repairId === repair.id);
    const bySequence = [...mine].sort((a, b) => a.sequence - b.sequence);
    expect(bySequence.map((e) => e.body.kind)).toEqual(['note', 'reading', 'reading', 'reading']);
    expect(new Set(mine.map((e) => e.sequence)).size).toBe(4);
    // Readings stand at their own time, before the note that was written first.
    expect(mine.map((e) => e.body.kind).at(-1)).toBe('note');
    expect((await onDisk()).event.filter((e) => e.repairId === repair.id)).toHaveLength(4);
    expect(await recordAll('nobody', [{ body: { kind: 'note', text: 'lost' } }], 'technician')).toEqual([]);
  });

  test('a repair with a record stays; one without goes and comes back', async () => {
    const other = { ...freshRepair(job.id, 'anchor', 2, Date.now()), name: 'Eye' };
    addRepair(other);
    expect(removeRepair(other.id)).toBe(true);
    expect(desk().repairs[other.id]).toBeUndefined();
    undo();
    expect(desk().repairs[other.id]).toBeDefined();
    await record(repair.id, { kind: 'note', text: 'kept' }, 'technician');
    expect(removeRepair(repair.id)).toBe(false);
    expect(removeRepair('nobody')).toBe(false);
  });

  test('work begins from a plan that is kept as it stood', async () => {
    await startWork(repair.id, 21, 'foreman');
    const begun = desk().events.find((e) => e.body.kind === 'started')!;
    const snapshot = desk().snapshots[(begun.body as { snapshotId: string }).snapshotId]!;
    expect(snapshot.repairs.map((r) => r.id)).toContain(repair.id);
    changeRepair(repair.id, (r) => ({ ...r, name: 'Renamed' }), 'name');
    expect(desk().snapshots[snapshot.id]!.repairs.find((r) => r.id === repair.id)!.name).toBe('Sill');
  });
});

describe('job files', () => {
  test('out and in again on an empty desk: the same job', async () => {
    await record(repair.id, { kind: 'note', text: 'dry' }, 'technician');
    const text = exportJob(job.id);
    const before = bundleOf(desk(), job.id);
    useDesk.setState({ jobs: {}, repairs: {}, events: [] });
    const came = await importJob(text);
    expect(came).toEqual({ jobId: job.id, newEvents: 1, merged: false, conflicts: 0 });
    expect(bundleOf(desk(), job.id)).toEqual(before);
  });

  test('a copy that went on elsewhere: events are joined, drafts that differ are shown, and either may be kept', async () => {
    const text = exportJob(job.id);
    const theirs = text.replace('"Sill"', '"Sill, outside"');
    await record(repair.id, { kind: 'note', text: 'mine' }, 'technician');
    const came = await importJob(theirs);
    expect(came).toMatchObject({ merged: true, conflicts: 1 });
    expect(desk().repairs[repair.id]!.name).toBe('Sill');
    expect(desk().events).toHaveLength(1);
    const [conflict] = desk().conflicts;
    settle(conflict!, 'theirs');
    expect(desk().repairs[repair.id]!.name).toBe('Sill, outside');
    expect(desk().conflicts).toEqual([]);
    // Taken in once more nothing is new and nothing differs.
    expect(await importJob(theirs)).toMatchObject({ newEvents: 0, conflicts: 0 });
  });

  test('a damaged file is refused and changes nothing', async () => {
    const before = desk();
    await expect(importJob('{"format":"grenko-job"')).rejects.toThrow(/damaged/);
    await expect(importJob(exportJob(job.id).replace('"record": "job"', '"record": "boat"'))).rejects.toThrow();
    expect(desk().jobs).toBe(before.jobs);
    expect(desk().repairs).toBe(before.repairs);
  });
});

test('the sample comes, and goes without touching what is mine; a sample sheet that mine uses stays', async () => {
  await loadSample();
  const [mortar] = sampleData(Date.now(), 'UTC').bundles[0]!.sheets.filter((s) => s.kind === 'mortar-kit');
  expect(Object.values(desk().jobs).filter((j) => j.sample).length).toBeGreaterThan(1);
  useDesk.setState((d) => ({
    jobs: { ...d.jobs, [job.id]: job },
    repairs: { ...d.repairs, [repair.id]: { ...repair, sheetId: mortar!.id } },
  }));
  addJob(job);
  addRepair({ ...repair, sheetId: mortar!.id });
  await rest();
  await removeSample();
  expect(Object.values(desk().jobs).map((j) => j.id)).toEqual([job.id]);
  expect(Object.keys(desk().sheets)).toEqual([mortar!.id]);
  expect(desk().events.filter((e) => e.jobId !== job.id)).toEqual([]);
});
