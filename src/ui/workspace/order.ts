'use client';
import { create } from 'zustand';
import { type Event, type EventBody, outOfOrder } from '@/core/record';
import { clock, stateNow } from './workspace';

export type OrderAnswer = 'after' | 'as-it-is' | 'not-at-all';

/** What is asked before an event is written that would come to stand before one it must follow. */
interface Asked {
  readonly last: Event;
  readonly atMs: number;
  readonly answer: (answer: OrderAnswer) => void;
}
export const useOrderAsked = create<{ readonly asked: Asked | null }>(() => ({ asked: null }));

/**
 * The instant at which something happened, as the person says where the clock cannot be right.
 * @returns undefined for now; null when it is not to be written
 */
export async function inItsOrder(repairId: string, body: EventBody, at?: number): Promise<number | undefined | null> {
  const atMs = at ?? clock.now();
  const last = outOfOrder(
    stateNow().events.filter((e) => e.repairId === repairId),
    body,
    atMs,
  );
  if (!last) return at;
  const answer = await new Promise<OrderAnswer>((resolve) =>
    useOrderAsked.setState({ asked: { last, atMs, answer: resolve } }),
  );
  useOrderAsked.setState({ asked: null });
  return answer === 'not-at-all' ? null : answer === 'after' ? last.at + 1 : atMs;
}
