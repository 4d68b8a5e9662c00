import { z } from 'zod';
import { RecordKind } from './records';
import type { Entry } from './write';

/** Where a page notes at once what it has not yet written, so that one that goes away loses nothing. */
export interface Journal {
  /** Notes this tab's entries as they stand; an empty list clears it. */
  note(entries: readonly Entry[]): void;
  /** Entries of tabs that are gone, taken over. Those of tabs that still live are left to them. */
  takeOver(): Promise<readonly Entry[]>;
}

const Path = z.array(z.union([z.string(), z.number()]));
const Key = { kind: RecordKind, id: z.string() };
/** As far as a note must be sound to be carried out; records in it are checked by their own schemas. */
const Noted = z.object({
  id: z.string(),
  writes: z.array(
    z.discriminatedUnion('does', [
      z.object({
        does: z.literal('add'),
        record: z.looseObject({ record: RecordKind, id: z.string() }),
        from: z.enum(['tab', 'file']).optional(),
      }),
      z.object({ does: z.literal('ensure'), record: z.looseObject({ record: RecordKind, id: z.string() }) }),
      z.object({ does: z.literal('once'), record: z.looseObject({ record: z.literal('event'), id: z.string() }) }),
      z.object({
        does: z.literal('change'),
        ...Key,
        // What was not there before, or is not there any more, has no word in JSON.
        changes: z.array(z.object({ path: Path, before: z.unknown().optional(), after: z.unknown().optional() })),
        at: z.number(),
      }),
      z.object({ does: z.literal('take'), stockId: z.string(), count: z.number().int().positive() }),
      z.object({ does: z.literal('remove'), ...Key, bare: z.boolean().optional() }),
      z.object({ does: z.literal('raise'), conflict: z.looseObject({ id: z.string() }) }),
      z.object({ does: z.literal('settle'), conflictId: z.string() }),
    ]),
  ),
});

/**
 * Text that was noted, read with care, entry by entry: what is not sound is left out, and takes nothing else with it.
 */
export function readNoted(text: string | null): readonly Entry[] {
  try {
    const noted: unknown = JSON.parse(text ?? '[]');
    if (!Array.isArray(noted)) return [];
    return noted.flatMap((one) => {
      const parsed = Noted.safeParse(one);
      return parsed.success ? [parsed.data as unknown as Entry] : [];
    });
  } catch {
    return [];
  }
}

/** Entries above this are not noted: a photo is written by the database or not at all. */
const MOST = 400_000;

export const NO_JOURNAL: Journal = { note: () => undefined, takeOver: async () => [] };

const PREFIX = 'grenko.unsaved.';

/** What a journal needs of the browser. */
export interface JournalPlace {
  readonly storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;
  /**
   * Locks tell living tabs from those that are gone; without them every note is taken over, which does no harm: entries
   * are done once.
   */
  readonly locks?: Pick<LockManager, 'request'>;
}

/** A journal in local storage, one page of it for each tab. */
export function storageJournal(tab: string, { storage, locks }: JournalPlace): Journal {
  const mine = PREFIX + tab;
  // Held as long as the tab lives: the browser lets go of it when the tab is gone, however it went.
  void locks?.request(mine, () => new Promise(() => undefined)).catch(() => undefined);
  const isGone = async (key: string): Promise<boolean> =>
    locks ? locks.request(key, { ifAvailable: true }, async (lock) => lock !== null) : true;
  return {
    note(entries) {
      try {
        if (!entries.length) return storage.removeItem(mine);
        const text = JSON.stringify(entries);
        if (text.length <= MOST) storage.setItem(mine, text);
      } catch {
        // No room and no local storage alike: the database is all there is.
      }
    },
    async takeOver() {
      const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i)).filter(
        (k) => k?.startsWith(PREFIX) && k !== mine,
      );
      const entries: Entry[] = [];
      for (const key of keys as string[]) {
        if (!(await isGone(key))) continue;
        entries.push(...readNoted(storage.getItem(key)));
        storage.removeItem(key);
      }
      return entries;
    },
  };
}
