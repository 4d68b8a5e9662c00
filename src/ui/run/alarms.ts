import { phrase } from '@/words';
/** Before the end of a clock it is told so long ahead, ms; and at its end. */
export const ALARM_MARKS = [120_000, 0] as const;
export type AlarmMark = (typeof ALARM_MARKS)[number];

/**
 * Marks that a clock has come to between two looks at it. Of a page that slept through both only the last is told: that
 * two minutes are left is no longer true.
 * @param beforeMs what was left at the last look, ms
 * @param nowMs what is left now, ms; below nought it is overdue
 */
export function alarmAt(beforeMs: number, nowMs: number): AlarmMark | null {
  return ALARM_MARKS.findLast((mark) => beforeMs > mark && nowMs <= mark) ?? null;
}

/**
 * What is said of a clock at a mark. @example alarmText('Batch 2, the pot', 120_000) // 'Batch 2, the pot: two minutes
 * left.'
 */
export const alarmText = (clock: string, mark: AlarmMark): string =>
  mark === 0 ? phrase`${clock}: the time is up.` : phrase`${clock}: two minutes left.`;
