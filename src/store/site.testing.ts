import { emptyMemory, type Memory, memoryStore, type Store } from './store';
import { createWorkspace, type Workspace } from './workspace';
import type { Entry } from './write';

/** A site of tabs over one store in memory, with faults and crashes on demand: what the workspace is tried on. */
export interface Site {
  readonly memory: Memory;
  /** Milliseconds; set by the test. */
  now: number;
  /** Says whether the next write fails, and how. */
  fault: (() => Error | null) | null;
  tab(name: string): Workspace;
  /** Kills a tab: nothing of it runs on, its journal stays. */
  kill(tab: Workspace): void;
  /** Lets everything that waits be written. */
  rest(): Promise<void>;
  /** What was said to be saved, in order. */
  readonly writes: Entry[];
}

/** @param journals whether a tab's journal outlives it, as local storage mostly does */
export function createSite(journals = true): Site {
  const memory = emptyMemory();
  const notes = new Map<string, string>();
  const living = new Set<Workspace>();
  const dead = new Set<string>();
  let ids = 0;
  let calls = new Map<object, { run: () => void; owner: string }>();
  const site: Site = {
    memory,
    now: Date.UTC(2027, 3, 12, 6),
    fault: null,
    writes: [],
    tab(name) {
      const alive = () => !dead.has(name);
      const open = async (): Promise<Store> => {
        const store = memoryStore('', memory);
        return {
          ...store,
          lasting: true,
          async commit(entry) {
            const fault = site.fault?.();
            if (fault) throw fault;
            if (!alive()) return new Promise(() => undefined);
            const outcomes = await store.commit(entry);
            site.writes.push(entry);
            // Killed between the disk and the hand: what is on disk stays, nobody hears of it.
            return alive() ? outcomes : new Promise(() => undefined);
          },
        };
      };
      const tab = createWorkspace({
        clock: { now: () => site.now, aheadMs: () => 0 },
        store: open,
        ids: { make: () => `id-${ids++}`, device: `browser.${name}` },
        journal: {
          note: (entries) => {
            if (alive() && journals) notes.set(name, JSON.stringify(entries));
          },
          takeOver: async () =>
            [...notes].flatMap(([owner, text]) => {
              if (owner === name || !dead.has(owner)) return [];
              notes.delete(owner);
              return JSON.parse(text) as Entry[];
            }),
        },
        later: (run) => {
          const key = {};
          calls.set(key, { run, owner: name });
          return () => calls.delete(key);
        },
      });
      living.add(tab);
      return tab;
    },
    kill(tab) {
      dead.add(tab.ids.device.slice('browser.'.length));
      living.delete(tab);
    },
    async rest() {
      // A turn of the loop lets what was handed in go through; then whoever waits for a while is called.
      for (let i = 0; i < 200; i++) {
        await new Promise((resolve) => setImmediate(resolve));
        const due = calls;
        calls = new Map();
        for (const { run, owner } of due.values()) if (!dead.has(owner)) run();
        if (!due.size && [...living].every((t) => t.state.getState().waiting === 0)) break;
        if (site.fault && i > 20) break;
      }
    },
  };
  return site;
}
