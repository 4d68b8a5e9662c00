import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { deleteDB, openDB } from 'idb';
import type { Repair } from '@/core/plan';
import { changesBetween, type Event } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import { DATABASE_VERSION, DatabaseProblem, openAnyStore, openDatabase, rawContents } from './database';
import type { AnyRecord } from './records';
import { memoryStore, type Store } from './store';
import type { Write } from './write';

const data = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki').bundles[1]!;
const records: AnyRecord[] = [
  data.job,
  ...data.repairs,
  ...data.sheets,
  ...data.stock,
  ...data.snapshots,
  ...data.events,
];
const add = (list: readonly AnyRecord[]): Write[] => list.map((record) => ({ does: 'add', record }));
let n = 0;
const fresh = () => `test-${n++}`;
const entry = (writes: readonly Write[], id = `entry-${n++}`) => ({ id, writes });

describe.each([
  ['database', () => openDatabase(fresh())],
  ['memory', async () => memoryStore('refused')],
] as [string, () => Promise<Store>][])('%s', (_name, open) => {
  test('gives back what was put in', async () => {
    const store = await open();
    await store.commit(entry(add(records)));
    const { holdings, setAside } = await store.load();
    expect(holdings.job).toEqual([data.job]);
    expect(holdings.event).toHaveLength(data.events.length);
    expect(holdings.snapshot[0]).toEqual(data.snapshots[0]);
    expect(setAside).toEqual([]);
  });

  test('an entry is carried out once, however often it is handed in', async () => {
    const store = await open();
    await store.commit(entry(add([data.job])));
    const change = (before: string, after: string) =>
      entry([{ does: 'change', kind: 'job', id: data.job.id, changes: [{ path: ['place'], before, after }], at: 5 }]);
    const first = change(data.job.place, 'north');
    await store.commit(first);
    await store.commit(change('north', 'south'));
    // The journal of a tab that died hands the first one in again: it must not undo the second, nor complain.
    expect(await store.commit(first)).toEqual([]);
    const { holdings, conflicts } = await store.load();
    expect(holdings.job[0]!.place).toBe('south');
    expect(conflicts).toEqual([]);
  });

  test('changes of two fields both stand; of one field the first stands and the other is kept to be asked about', async () => {
    const store = await open();
    const [repair] = data.repairs as [Repair];
    await store.commit(entry(add([repair])));
    const from = (after: Repair) =>
      entry([{ does: 'change', kind: 'repair', id: repair.id, changes: changesBetween(repair, after), at: 9 }]);
    await store.commit(from({ ...repair, name: 'Plate, port side' }));
    await store.commit(from({ ...repair, place: 'by the drum' }));
    const [outcome] = await store.commit(from({ ...repair, name: 'Plate, starboard' }));
    const { holdings, conflicts } = await store.load();
    expect(holdings.repair[0]).toMatchObject({ name: 'Plate, port side', place: 'by the drum' });
    expect(outcome!.is).toBe('conflict');
    expect(conflicts).toMatchObject([
      { path: ['name'], here: 'Plate, port side', other: 'Plate, starboard', from: 'tab' },
    ]);
    await store.commit(entry([{ does: 'settle', conflictId: conflicts[0]!.id }]));
    expect(await store.conflicts()).toEqual([]);
  });

  test('fields that are sound by themselves but not together are not merged', async () => {
    const store = await open();
    const [sheet] = data.sheets;
    const repair = data.repairs[0]!;
    expect(sheet).toBeDefined();
    await store.commit(entry(add([repair])));
    const changes = [{ path: ['scaleStepG'], before: repair.scaleStepG, after: -1 }];
    const [outcome] = await store.commit(entry([{ does: 'change', kind: 'repair', id: repair.id, changes, at: 1 }]));
    expect(outcome!.is).toBe('conflict');
    expect((await store.load()).holdings.repair).toEqual([repair]);
  });

  test('an event that is here is never changed by one of its id; a step done is done once', async () => {
    const store = await open();
    await store.commit(entry(add(records)));
    const done = data.events.find((e) => e.body.kind === 'step-done')!;
    const forged: Event = { ...done, at: done.at - 3_600_000 };
    const [rewritten] = await store.commit(entry([{ does: 'add', record: forged, from: 'file' }]));
    expect(rewritten).toMatchObject({ is: 'conflict', record: done });
    const again: Event = { ...done, id: 'second-tab', device: 'other.tab' };
    expect(await store.commit(entry([{ does: 'once', record: again }]))).toEqual([{ is: 'here', record: done }]);
    const { holdings, conflicts } = await store.load();
    expect(
      holdings.event.filter((e) => e.body.kind === 'step-done' && e.body.step === (done.body as { step: string }).step),
    ).toEqual([done]);
    expect(conflicts).toMatchObject([{ kind: 'event', recordId: done.id, other: { at: forged.at } }]);
  });

  test('what is recorded is not removed in passing; it goes when it is asked for by name', async () => {
    const store = await open();
    await store.commit(entry(add(records)));
    const repair = data.repairs[0]!;
    expect(await store.commit(entry([{ does: 'remove', kind: 'repair', id: repair.id, bare: true }]))).toEqual([
      { is: 'kept' },
    ]);
    expect(await store.commit(entry([{ does: 'remove', kind: 'job', id: data.job.id, bare: true }]))).toEqual([
      { is: 'kept' },
    ]);
    expect((await store.load()).holdings.repair).toHaveLength(data.repairs.length);
    await store.commit(entry([{ does: 'remove', kind: 'repair', id: repair.id }]));
    expect((await store.load()).holdings.repair.map((r) => r.id)).not.toContain(repair.id);
    expect(await store.commit(entry([{ does: 'change', kind: 'repair', id: repair.id, changes: [], at: 1 }]))).toEqual([
      { is: 'gone' },
    ]);
  });

  test('an entry whose last write fails leaves nothing of the first', async () => {
    const store = await open();
    const broken = { ...data.events[0]!, role: '' };
    await expect(store.commit(entry([...add([data.job]), { does: 'once', record: broken }]))).rejects.toThrow(/role/);
    expect((await store.load()).holdings.job).toEqual([]);
  });

  test('what is put aside by hand is out of the plans, untouched, and comes back', async () => {
    const store = await open();
    await store.commit(entry(add(records)));
    await store.setNote('aside', [{ kind: 'job', id: data.job.id, reason: 'cannot be shown' }]);
    const aside = await store.load();
    expect(aside.holdings.job).toEqual([]);
    expect(aside.setAside).toMatchObject([
      { kind: 'job', id: data.job.id, reason: 'cannot be shown', byHand: true, raw: data.job },
    ]);
    await store.setNote('aside', []);
    expect((await store.load()).holdings.job).toEqual([data.job]);
  });
});

test('a stored record that no longer fits is set aside with its reason, the rest is read', async () => {
  const name = fresh();
  const store = await openDatabase(name);
  await store.commit(entry(add([data.job])));
  const raw = await openDB(name);
  await raw.put('job', { id: 'odd', record: 'job', version: 99, name: 'from elsewhere' });
  const { holdings, setAside } = await store.load();
  expect(holdings.job).toEqual([data.job]);
  expect(setAside).toMatchObject([{ kind: 'job', id: 'odd', raw: { name: 'from elsewhere' } }]);
  expect(setAside[0]!.reason).toMatch(/version/);
});

test('a database of version 1 gets what it lacks, and its repairs are brought forward', async () => {
  const old = JSON.parse(readFileSync('src/core/file/kept/ramp-v1.grenko.json', 'utf8'));
  const name = fresh();
  const db = await openDB(name, 1, {
    upgrade: (fresh1) => {
      for (const kind of ['job', 'repair', 'sheet', 'stock', 'snapshot', 'event', 'series', 'attachment'])
        fresh1.createObjectStore(kind, { keyPath: 'id' });
    },
  });
  for (const r of old.repairs) await db.put('repair', r);
  for (const e of data.events) await db.put('event', e);
  db.close();
  const store = await openDatabase(name);
  const { holdings, setAside } = await store.load();
  expect(setAside).toEqual([]);
  expect(holdings.repair.map((r) => [r.id, r.version]).sort()).toEqual(
    old.repairs.map((r: { id: string }) => [r.id, 4]).sort(),
  );
  // Its events are found by repair, as a removal asks.
  const ofOne = data.events[0]!.repairId;
  expect(await store.commit(entry([{ does: 'remove', kind: 'repair', id: ofOne, bare: true }]))).toEqual([
    { is: 'kept' },
  ]);
});

test('a table that went missing is made again, and the database opens again after that', async () => {
  const name = fresh();
  const first = await openDatabase(name);
  await first.commit(entry(add([data.job])));
  first.close();
  const db = await openDB(name, DATABASE_VERSION + 1, { upgrade: (x) => x.deleteObjectStore('attachment') });
  db.close();
  for (let i = 0; i < 2; i++) {
    const store = await openDatabase(name);
    expect((await store.load()).holdings.job).toEqual([data.job]);
    store.close();
  }
});

test('a database of a newer product is named, left alone, and can be taken out as it is', async () => {
  const name = fresh();
  const db = await openDB(name, 99, { upgrade: (x) => x.createObjectStore('job', { keyPath: 'id' }) });
  await db.put('job', { id: 'later', version: 7 });
  db.close();
  const error = await openAnyStore(name).catch((e) => e);
  expect(error).toBeInstanceOf(DatabaseProblem);
  expect(error.trouble).toBe('newer');
  expect(await rawContents(name)).toEqual({ job: [{ id: 'later', version: 7 }] });
});

test('one that is given up for a newer version says so', async () => {
  const name = fresh();
  const store = await openDatabase(name);
  const lost = new Promise<void>((resolve) => store.onLost(resolve));
  await deleteDB(name);
  await lost;
});

test('what one tab writes is told to the others', async () => {
  const name = fresh();
  const [a, b] = [await openDatabase(name), await openDatabase(name)];
  const heard = new Promise((resolve) => b.watch(resolve));
  await a.commit(entry(add([data.job])));
  expect(await heard).toEqual([{ kind: 'job', id: data.job.id }]);
  expect(
    await b.read([
      { kind: 'job', id: data.job.id },
      { kind: 'job', id: 'nobody' },
    ]),
  ).toEqual([data.job, null]);
  a.close();
  b.close();
});

describe('a database that the browser lost and began anew', () => {
  const traceOf = () => {
    let left = false;
    return {
      had: () => left,
      leave: () => {
        left = true;
      },
    };
  };
  test('is told by the mark that was left beside it, once something had been kept', async () => {
    const name = fresh();
    const trace = traceOf();
    const first = await openDatabase(name, undefined, trace);
    expect(first.begunAnew).toBeNull();
    expect(trace.had()).toBe(false);
    await first.commit(entry(add([data.job])));
    expect(trace.had()).toBe(true);
    first.close();
    const again = await openDatabase(name, undefined, trace);
    expect(again.begunAnew).toBeNull();
    again.close();
    await deleteDB(name);
    const lost = await openDatabase(name, undefined, trace);
    expect(lost.begunAnew).toBe('');
    lost.close();
    // It is told once: from then on it is a database like any other.
    expect((await openDatabase(name, undefined, trace)).begunAnew).toBeNull();
  });
  test('a new one in which nothing was ever kept is just new', async () => {
    const name = fresh();
    const trace = traceOf();
    (await openDatabase(name, undefined, trace)).close();
    await deleteDB(name);
    expect((await openDatabase(name, undefined, trace)).begunAnew).toBeNull();
  });
});
