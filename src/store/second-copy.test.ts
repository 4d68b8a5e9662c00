import fc from 'fast-check';
import { sampleData } from '@/sample/jobs';
import type { AnyRecord } from './records';
import { keptTwice, type Lines, lastSaid } from './second-copy';
import { emptyMemory, type Memory, memoryStore, type Store } from './store';
import type { Entry } from './write';

const bundle = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki').bundles[1]!;
const [job, repair, sheet] = [bundle.job, bundle.repairs[0]!, bundle.sheets[0]!];

/** Files as tabs have them, in memory: a new file of all drops this tab's own and those of tabs that are gone. */
function files() {
  let kept: { readonly tab: symbol; readonly lines: string[] }[] = [];
  const living = new Set<symbol>();
  let broken = false;
  const tab = (): Lines => {
    const me = Symbol('tab');
    living.add(me);
    const sound = async () => {
      if (broken) throw new Error('the disk is gone');
    };
    return {
      due: async () => kept.length === 0,
      read: async () => kept.flatMap((k) => k.lines),
      append: async (lines) => {
        await sound();
        const own = kept.find((k) => k.tab === me);
        if (own) own.lines.push(...lines);
        else kept.push({ tab: me, lines: [...lines] });
      },
      begin: async (lines) => {
        await sound();
        kept = [...kept.filter((k) => k.tab !== me && living.has(k.tab)), { tab: me, lines: [...lines] }];
      },
    };
  };
  return {
    tab,
    all: () => kept.flatMap((k) => k.lines).join('\n'),
    close: () => living.clear(),
    break: () => {
      broken = true;
    },
  };
}
const lasting = (memory: Memory, begunAnew: string | null = null): Store => ({
  ...memoryStore('', memory),
  lasting: true,
  refusal: null,
  begunAnew,
});
let clock = 1000;
const now = () => ++clock;
let n = 0;
const entry = (...writes: Entry['writes']): Entry => ({ id: `e${++n}`, writes });
const add = (...records: AnyRecord[]): Entry => entry(...records.map((record) => ({ does: 'add', record }) as const));
const rename = async (store: Store, id: string, name: string): Promise<Entry> => {
  const before = ((await store.read([{ kind: 'job', id }]))[0] as { name?: string } | null)?.name;
  return entry({ does: 'change', kind: 'job', id, changes: [{ path: ['name'], before, after: name }], at: now() });
};
const contents = async (store: Store) => {
  const { holdings } = await store.load();
  return Object.values(holdings)
    .flat()
    .map((r) => `${r.record} ${r.id} ${'name' in r ? r.name : ''}`)
    .sort();
};

test('a database that the browser began anew is filled again as it last stood', async () => {
  const f = files();
  const memory = emptyMemory();
  const first = await keptTwice(lasting(memory), f.tab(), now);
  await first.commit(add(job, repair, sheet));
  await first.commit(await rename(first, job.id, 'Winch house, second visit'));
  const stood = await contents(first);
  const again = await keptTwice(lasting(emptyMemory(), 'it was missing'), f.tab(), now);
  expect(again.tookBack).toBe(3);
  expect(await contents(again)).toEqual(stood);
  expect(stood.join()).toContain('second visit');
});

test('what stood in the database before there was a second copy is in it from the first opening on', async () => {
  const memory = emptyMemory();
  await lasting(memory).commit(add(job, repair));
  const f = files();
  await keptTwice(lasting(memory), f.tab(), now);
  const again = await keptTwice(lasting(emptyMemory(), ''), f.tab(), now);
  expect(await contents(again)).toEqual(await contents(lasting(memory)));
});

test('what was removed is gone from the second copy as well, word by word', async () => {
  const f = files();
  const store = await keptTwice(lasting(emptyMemory()), f.tab(), now);
  await store.commit(add(job, sheet));
  await store.commit(await rename(store, job.id, 'A name nobody shall read again'));
  expect(f.all()).toContain('nobody shall read again');
  await store.commit(entry({ does: 'remove', kind: 'job', id: job.id }));
  expect(f.all()).not.toContain('nobody shall read again');
  const again = await keptTwice(lasting(emptyMemory(), ''), f.tab(), now);
  expect(await contents(again)).toEqual(['sheet sheet-paste-1 Slow paste adhesive 2:1']);
});

test('a second copy that fails or never answers keeps nobody from writing', async () => {
  const f = files();
  const store = await keptTwice(lasting(emptyMemory()), f.tab(), now);
  f.break();
  await store.commit(add(job));
  const silent: Lines = {
    due: () => new Promise(() => undefined),
    read: async () => [],
    append: () => new Promise(() => undefined),
    begin: () => new Promise(() => undefined),
  };
  const slow = await keptTwice(lasting(emptyMemory()), silent, now, 20);
  await slow.commit(add(job));
  for (const s of [store, slow]) expect(await contents(s)).toHaveLength(1);
  // It is waited for once, not at every entry: counted by the clocks that are set, and by none on the wall.
  const PATIENCE_MS = 37;
  const setClock = globalThis.setTimeout;
  let waits = 0;
  globalThis.setTimeout = ((run: () => void, ms?: number) => {
    if (ms === PATIENCE_MS) waits++;
    return setClock(run, ms);
  }) as typeof setTimeout;
  try {
    const patient = await keptTwice(lasting(emptyMemory()), silent, now, PATIENCE_MS);
    await patient.commit(add(job));
    const first = waits;
    expect(first).toBeGreaterThan(0);
    await patient.commit(add(sheet));
    await patient.commit(add(repair));
    expect(waits).toBe(first);
  } finally {
    globalThis.setTimeout = setClock;
  }
});

test('a line cut off by the end of the process, and one that says nothing of ours, take nothing else with them', () => {
  const whole = JSON.stringify({ at: 5, kind: 'job', id: job.id, record: job });
  const lines = [
    whole.slice(0, 60),
    '{}',
    'null',
    '7',
    JSON.stringify({ at: 6, kind: 'toString', id: 'x', record: {} }),
    whole,
  ];
  expect(lastSaid(lines)).toEqual([{ does: 'add', record: job }]);
  expect(lastSaid([JSON.stringify({ at: 7, kind: 'job', id: job.id, record: { ...job, name: 7 } })])).toEqual([]);
});

test('a file of all that was cut off in the middle takes the place of nothing', async () => {
  const f = files();
  const store = await keptTwice(lasting(emptyMemory()), f.tab(), now);
  await store.commit(add(job));
  await store.commit(add(sheet));
  const lines = f.all().split('\n');
  const begun = JSON.stringify({ at: 99_999, kind: 'sheet', id: sheet.id, record: sheet });
  const back = (more: readonly string[]) =>
    lastSaid([...lines, ...more]).map((w) => (w.does === 'add' ? w.record.id : ''));
  expect(back([begun]).sort()).toEqual([job.id, sheet.id].sort());
  expect(back([begun, JSON.stringify({ at: 99_999, whole: true })])).toEqual([sheet.id]);
});

test('whatever tabs do, in whatever order, a lost database comes back as it stood', async () => {
  const act = fc.record({
    tab: fc.integer({ min: 0, max: 2 }),
    does: fc.constantFrom('add', 'name', 'remove', 'lose'),
    which: fc.integer({ min: 0, max: 3 }),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(act, { minLength: 1, maxLength: 25 }), async (acts) => {
      const f = files();
      let memory = emptyMemory();
      let tabs = [f.tab(), f.tab(), f.tab()];
      let stores = await Promise.all(tabs.map((t) => keptTwice(lasting(memory), t, now)));
      for (const { tab, does, which } of acts) {
        const mine = { ...job, id: `job-${which}` };
        if (does === 'add') await stores[tab]!.commit(add(mine));
        if (does === 'remove') await stores[tab]!.commit(entry({ does: 'remove', kind: 'job', id: mine.id }));
        if (does === 'name') await stores[tab]!.commit(await rename(stores[tab]!, mine.id, `N${++n}`));
        if (does === 'lose') {
          const stood = await contents(stores[tab]!);
          memory = emptyMemory();
          f.close();
          tabs = [f.tab(), f.tab(), f.tab()];
          const first = await keptTwice(lasting(memory, ''), tabs[0]!, now);
          expect(await contents(first)).toEqual(stood);
          stores = [
            first,
            await keptTwice(lasting(memory), tabs[1]!, now),
            await keptTwice(lasting(memory), tabs[2]!, now),
          ];
        }
      }
    }),
    { numRuns: 150 },
  );
});
