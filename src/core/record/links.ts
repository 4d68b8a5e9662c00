import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Event, Link } from './event';
import { browserOf } from './fold';
import { stableJson } from './snapshot';

/** SHA-256 of an entry as it is written, its link among it: the hash of the last stands for all before it. Hex. */
export function eventHash(event: Event): string {
  const text = stableJson(event);
  // A letter takes three bytes at most: thousands of entries are hashed from one place.
  if (text.length * 3 > bytes.length) return bytesToHex(sha256(utf8ToBytes(text)));
  return bytesToHex(sha256(bytes.subarray(0, encoder.encodeInto(text, bytes).written)));
}
const bytes = new Uint8Array(16_384);
const encoder = new TextEncoder();

/** The chain an event belongs to: that of its browser in its repair. */
export const chainKey = ({ repairId, device }: Pick<Event, 'repairId' | 'device'>): string =>
  `${repairId}/${browserOf(device)}`;

/** The last link of a chain: what the next one is tied to. */
export interface Head {
  readonly n: number;
  readonly hash: string;
}

/** The link of the entry that follows a head. */
export const linkAfter = (head: Head | null): Link => ({ n: (head?.n ?? 0) + 1, prev: head?.hash ?? null });

/** The head of a chain among events of a repair. @returns null where none of them is linked */
export function headOf(events: readonly Event[], key: string): Head | null {
  let last: Event | null = null;
  for (const e of events) if (e.link && chainKey(e) === key && (!last || e.link.n > last.link!.n)) last = e;
  return last && { n: last.link!.n, hash: eventHash(last) };
}

/** Where a chain is broken. */
export interface Break {
  /** Place in the chain, from 1. */
  readonly n: number;
  /** The entry itself, or the one behind what is missing. */
  readonly eventId: string;
  readonly is: 'missing' | 'changed' | 'doubled';
}

/** The entries of one browser in one repair. */
export interface RecordChain {
  readonly repairId: string;
  readonly browser: string;
  readonly linked: number;
  /** Entries of versions that did not link them. */
  readonly unlinked: number;
  readonly breaks: readonly Break[];
  /** Hash of the last entry; null where none is linked. Written down elsewhere it tells whether the end was cut off. */
  readonly last: string | null;
}

/**
 * Holds every entry against the one before it. A broken chain is shown, never refused.
 * @returns one chain for each browser that wrote in each repair, in order of their names
 */
export function chainsOf(events: readonly Event[]): readonly RecordChain[] {
  const by = new Map<string, Event[]>();
  for (const e of events) {
    const mine = by.get(chainKey(e));
    if (mine) mine.push(e);
    else by.set(chainKey(e), [e]);
  }
  return [...by]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, mine]) => {
      const linked = mine.filter((e) => e.link).sort((a, b) => a.link!.n - b.link!.n);
      const { breaks, last } = walk(linked);
      const { repairId, device } = mine[0]!;
      return {
        repairId,
        browser: browserOf(device),
        linked: linked.length,
        unlinked: mine.length - linked.length,
        breaks,
        last,
      };
    });
}

function walk(linked: readonly Event[]): { breaks: readonly Break[]; last: string | null } {
  const breaks: Break[] = [];
  let before = null as Head | null;
  for (const event of linked) {
    const { n, prev } = event.link!;
    const at = { n, eventId: event.id };
    const wanted: Link = linkAfter(before);
    if (n === before?.n) breaks.push({ ...at, is: 'doubled' });
    else if (n > wanted.n) breaks.push({ ...at, is: 'missing' });
    // The hash no longer fits: the entry before it is not what it was.
    else if (prev !== wanted.prev) breaks.push({ n: n - 1, eventId: event.id, is: 'changed' });
    before = { n, hash: eventHash(event) };
  }
  return { breaks, last: before?.hash ?? null };
}
