import type { Window } from './calendar';

/**
 * What the crew is busy with, in the order of time, stretches that lie over one another as one. Fifty repairs ask some
 * thousand times when hands are free again: they are found by halving, and a copy is one copy of numbers.
 */
export class Hands {
  private from: Float64Array;
  private to: Float64Array;
  private count: number;

  private constructor(from: Float64Array, to: Float64Array, count: number) {
    this.from = from;
    this.to = to;
    this.count = count;
  }

  static of(stretches: Iterable<Window> = []): Hands {
    const hands = new Hands(new Float64Array(16), new Float64Array(16), 0);
    for (const s of stretches) hands.add(s);
    return hands;
  }

  /** The same hands, to be planned on without changing these. */
  fork(): Hands {
    return new Hands(this.from.slice(), this.to.slice(), this.count);
  }

  /** Goes back to what they were. */
  restore(was: Hands): void {
    this.from = was.from.slice();
    this.to = was.to.slice();
    this.count = was.count;
  }

  add({ fromMs, toMs }: Window): void {
    // From the first that does not end before it to the last that begins inside it: all of those become one.
    const first = this.endingAfter(fromMs);
    let after = first;
    let [begin, end] = [fromMs, toMs];
    for (; after < this.count && this.from[after]! < toMs; after++) {
      begin = Math.min(begin, this.from[after]!);
      end = Math.max(end, this.to[after]!);
    }
    const grows = 1 - (after - first);
    if (this.count + grows > this.from.length) {
      this.from = longer(this.from);
      this.to = longer(this.to);
    }
    this.from.copyWithin(after + grows, after, this.count);
    this.to.copyWithin(after + grows, after, this.count);
    this.from[first] = begin;
    this.to[first] = end;
    this.count += grows;
  }

  /** The first instant at or after `startMs` from which they are free for so long, ms. */
  freeFrom(startMs: number, needMs: number): number {
    let start = startMs;
    for (let i = this.endingAfter(start); i < this.count && start + needMs > this.from[i]!; i++)
      if (start < this.to[i]!) start = this.to[i]!;
    return start;
  }

  /** Until when hands that are free at an instant stay so. */
  freeUntil(ms: number): number {
    const next = this.endingAfter(ms);
    return next < this.count ? Math.max(ms, this.from[next]!) : Number.POSITIVE_INFINITY;
  }

  /** Whether any hour is taken. */
  get isBusy(): boolean {
    return this.count > 0;
  }

  /** Whether the same hours are taken. */
  same(other: Hands): boolean {
    if (this.count !== other.count) return false;
    for (let i = 0; i < this.count; i++) if (this.from[i] !== other.from[i] || this.to[i] !== other.to[i]) return false;
    return true;
  }

  /** The first stretch that ends after an instant. */
  private endingAfter(ms: number): number {
    let [low, high] = [0, this.count];
    while (low < high) {
      const mid = (low + high) >> 1;
      if (this.to[mid]! <= ms) low = mid + 1;
      else high = mid;
    }
    return low;
  }
}

function longer(list: Float64Array): Float64Array {
  const out = new Float64Array(list.length * 2);
  out.set(list);
  return out;
}
