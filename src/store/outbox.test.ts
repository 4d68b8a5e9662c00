import type { Repair } from '@/core/plan';
import { sampleData } from '@/sample/jobs';
import { readNoted, storageJournal } from './journal';
import { createOutbox, type OutboxState } from './outbox';
import type { Entry, Outcome } from './write';

const repair = sampleData(Date.UTC(2027, 3, 12, 6), 'UTC').bundles[0]!.repairs[0] as Repair;
const turn = () => new Promise((resolve) => setImmediate(resolve));

/** An outbox over a disk that writes when it is told to. */
function bench() {
  const log: Entry[] = [];
  const noted: (readonly Entry[])[] = [];
  const states: OutboxState[] = [];
  const timers = new Map<object, () => void>();
  let gate: ((error?: Error) => void) | null = null;
  let now = 0;
  const box = createOutbox({
    commit: (entry) =>
      new Promise<readonly Outcome[]>((resolve, reject) => {
        gate = (error) => {
          gate = null;
          if (error) return reject(error);
          log.push(entry);
          resolve([]);
        };
      }),
    journal: { note: (entries) => noted.push(entries), takeOver: async () => [] },
    makeId: (() => {
      let n = 0;
      return () => `id-${n++}`;
    })(),
    now: () => now,
    onWritten: () => undefined,
    onState: (s) => states.push(s),
    later: (call) => {
      const key = {};
      timers.set(key, call);
      return () => timers.delete(key);
    },
  });
  return {
    box,
    log,
    noted,
    states,
    write: async (error?: Error) => {
      gate?.(error);
      await turn();
    },
    wait: async (ms: number) => {
      now += ms;
      const due = [...timers.values()];
      timers.clear();
      for (const call of due) call();
      await turn();
    },
  };
}
const named = (name: string): Repair => ({ ...repair, name });

test('entries are written one after the other, in order, noted before and cleared after', async () => {
  const { box, log, noted, write } = bench();
  const done: string[] = [];
  void box.push([{ does: 'settle', conflictId: 'a' }]).then(() => done.push('a'));
  void box.push([{ does: 'settle', conflictId: 'b' }]).then(() => done.push('b'));
  expect(noted.at(-1)).toHaveLength(2);
  await write();
  expect([done, log.length, noted.at(-1)!.length]).toEqual([['a'], 1, 1]);
  await write();
  expect([done, log.length, noted.at(-1)]).toEqual([['a', 'b'], 2, []]);
});

test('a drag is written once at its beginning and once when the hand rests, as one change from first to last', async () => {
  const { box, log, write, wait } = bench();
  let before = named('0');
  for (let i = 1; i <= 20; i++) {
    const after = named(String(i));
    box.edit('repair', before, after);
    before = after;
  }
  await write();
  await wait(250);
  await write();
  const written = log.map(
    (e) => (e.writes[0] as { changes: readonly { before: unknown; after: unknown }[] }).changes[0],
  );
  expect(written).toMatchObject([
    { before: '0', after: '1' },
    { before: '1', after: '20' },
  ]);
});

test('an event never overtakes the draft before it', async () => {
  const { box, log, write } = bench();
  box.edit('repair', named('0'), named('1'));
  box.edit('repair', named('1'), named('2'));
  void box.push([{ does: 'settle', conflictId: 'event' }]);
  for (let i = 0; i < 3; i++) await write();
  expect(log.map((e) => e.writes[0]!.does)).toEqual(['change', 'change', 'settle']);
});

test('a failure is told, nothing behind it goes ahead, and it is tried again', async () => {
  const { box, log, states, write, wait } = bench();
  let kept = false;
  void box.push([{ does: 'settle', conflictId: 'a' }]).then(() => {
    kept = true;
  });
  void box.push([{ does: 'settle', conflictId: 'b' }]);
  await write(new Error('no room'));
  expect(states.at(-1)).toMatchObject({ waiting: 2, failure: { message: 'no room' } });
  expect([kept, log]).toEqual([false, []]);
  await wait(2000);
  await write();
  await write();
  expect(kept).toBe(true);
  expect(states.at(-1)).toEqual({ waiting: 0, failure: null });
});

describe('the journal', () => {
  const place = () => {
    const held = new Map<string, string>();
    const alive = new Set<string>();
    return {
      held,
      alive,
      storage: {
        getItem: (k: string) => held.get(k) ?? null,
        setItem: (k: string, v: string) => void held.set(k, v),
        removeItem: (k: string) => void held.delete(k),
        key: (i: number) => [...held.keys()][i] ?? null,
        get length() {
          return held.size;
        },
      },
      locks: {
        request: async (name: string, ...rest: unknown[]) => {
          const call = rest.at(-1) as (lock: object | null) => unknown;
          if (rest.length > 1) return call(alive.has(name) ? null : {});
          alive.add(name);
          return call({});
        },
      } as never,
    };
  };
  const entry: Entry = { id: 'e1', writes: [{ does: 'settle', conflictId: 'c' }] };

  test('what a dead tab noted is taken over once; what a living one noted is left to it', async () => {
    const p = place();
    const [dead, living] = [storageJournal('dead', p), storageJournal('living', p)];
    dead.note([entry]);
    living.note([{ ...entry, id: 'e2' }]);
    p.alive.delete('grenko.unsaved.dead');
    const next = storageJournal('next', p);
    expect(await next.takeOver()).toEqual([entry]);
    expect(await next.takeOver()).toEqual([]);
    living.note([]);
    expect([...p.held.keys()]).toEqual([]);
  });

  test('damaged notes are nothing, never a crash; no room is no fault', () => {
    for (const text of [null, '', '{', '7', '[{"id":1}]', '[{"id":"x","writes":[{"does":"shout"}]}]'])
      expect(readNoted(text)).toEqual([]);
    // One that is not sound takes no other with it.
    const sound = { id: 'y', writes: [{ does: 'settle', conflictId: 'c' }] };
    expect(readNoted(JSON.stringify([{ id: 1 }, sound, { id: 'x', writes: [{ does: 'shout' }] }]))).toEqual([sound]);
    const full = storageJournal('full', {
      storage: {
        ...place().storage,
        setItem: () => {
          throw new Error('full');
        },
      },
    });
    expect(() => full.note([entry])).not.toThrow();
  });
});

test('an answer that was not there before survives the journal: what has no word in JSON is no damage', () => {
  const { box, noted } = bench();
  const first = { ...repair, answers: {} };
  const then = { ...repair, answers: { sound: 'yes' as const }, kitId: null };
  box.edit('repair', first, then);
  box.edit('repair', then, { ...then, answers: { sound: 'yes' as const, oil: 'no' as const } });
  const text = JSON.stringify(noted.at(-1));
  const changed = readNoted(text).flatMap((e) => e.writes.flatMap((w) => (w.does === 'change' ? w.changes : [])));
  expect(changed.map((c) => [c.path.join('.'), c.before, c.after])).toEqual(
    expect.arrayContaining([
      ['answers.sound', undefined, 'yes'],
      ['answers.oil', undefined, 'no'],
    ]),
  );
  // Taken back again before it was written: nothing is left of it, and that too is readable.
  box.edit('repair', { ...then, answers: { sound: 'yes' as const } }, { ...then, answers: {} });
  expect(readNoted(JSON.stringify(noted.at(-1)))).toHaveLength(noted.at(-1)!.length);
});
