import { isTaken, METHODS, methodOf } from '@/core/method';
import type { Piece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/** Whose word each line of an amount is: nobody is told to have chosen what Grenko assumes. */
const NOW = at('2027-05-10T07:00');
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const planned = (id: string, over: Partial<Piece> = {}) => {
  const method = methodOf(id)!;
  return firstPlanned({ job, nowMs: NOW }, method, sheets.find((s) => isTaken(method, s))!, { over });
};
const voiceOf = (p: ReturnType<typeof planned>, label: RegExp) => p.amounts.find((a) => label.test(a.label))?.voice;

test.each(METHODS.map((m) => [m.id]))('%s: with all left as it is, no line says that somebody chose it', (id) => {
  const p = planned(id);
  expect([id, p.problems, p.amounts.length > 0]).toEqual([id, [], true]);
  for (const a of p.amounts) expect([a.label, a.voice]).not.toEqual([a.label, 'chosen']);
});

test('a bead of ten in a hundred is Grenko’s until somebody types it, even the same figure', () => {
  expect(voiceOf(planned('plate-bond'), /bead all round/)).toBe('assumed');
  expect(voiceOf(planned('plate-bond', { settings: { bead: 10 } }), /bead all round/)).toBe('chosen');
  // What was typed for one line makes no other one a choice.
  expect(voiceOf(planned('plate-bond', { settings: { bead: 10 } }), /texture of both faces/)).toBe('assumed');
});
test('bars in a patch are a choice once one of their figures is typed', () => {
  const schools = { bars: 'freed' };
  const bars = (settings: Record<string, number>) => voiceOf(planned('mortar-patch', { schools, settings }), /bars/);
  expect(bars({})).toBe('assumed');
  expect(bars({ 'bars-run': 1500 })).toBe('chosen');
  expect(voiceOf(planned('mortar-patch'), /bars/)).toBeUndefined();
});
test('the void stays measured, what stays in the pot the sheet’s or computed', () => {
  const p = planned('mortar-patch');
  expect(voiceOf(p, /the void/)).toBe('measured');
  expect(['sheet', 'computed']).toContain(voiceOf(p, /left in pots/));
});
