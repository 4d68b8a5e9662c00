import { methodOf } from '@/core/method';
import {
  type ChainPlan,
  gatedBySheet,
  pieceOf,
  planJob,
  READY_CHAINS,
  type Repair,
  withChain,
  withNext,
  withPiece,
} from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, ZONE } from './made';
import { type Paper, typed } from './papers';

/**
 * A skim over a bridged crack: where the paste’s paper prints how long a further coat holds on it, nobody waits for
 * the next morning and abrades; where it prints nothing of it, nobody takes that for leave to go on.
 */
const NOW = at('2027-05-10T07:00');
const PASTE = (recoat: string): Paper => ['paste', '2:1 by weight', '4 kg, 2 kg', `use-by 40 min, foot 12 h${recoat}`];
const silent = { ...typed(PASTE(''), NOW), id: 'silent' };
const window3to15 = { ...typed(PASTE(', recoat-from 3 h, recoat-until 15 h'), NOW), id: 'window' };
const noEnd = { ...typed(PASTE(', recoat-from 3 h'), NOW), id: 'no-end' };
const skim = {
  ...typed(['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 7 kg', 'use-by 40 min, foot 16 h', { cByWeight: '4.67' }], NOW),
  id: 'skim',
};
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 20, humidityPct: 50 },
};
const chain = READY_CHAINS.find((c) => c.id === 'mesh-skim')!;

/** Six metres of crack and 1.5 mm over its strip, as the chain is offered. */
function begun(): Repair {
  const repair = withChain(freshRepair(job.id, 'crack-mesh', 1, NOW, 'concrete'), chain);
  const crack = {
    ...SHAPES.groove.blank(),
    length: measured(6000, 'tape'),
    width: measured(6, 'rule'),
    depth: measured(10, 'gauge'),
  } as VoidShape;
  const answers = Object.fromEntries(
    ['crack-mesh', 'skim-coat'].flatMap((id) => methodOf(id)!.questions.map((q) => [q.id, q.wants])),
  );
  const [first, second] = [pieceOf(repair, 'p1'), pieceOf(repair, 'p2')];
  const face = second.takes.from === 'face' ? { ...second.takes, thickness: measured(1.5, 'gauge') } : second.takes;
  return withPiece(withPiece(repair, { ...first, answers, void: voidOf(crack) }), { ...second, answers, takes: face });
}
const made = (repair: Repair, passId: string, sheet: SheetRevision): Repair =>
  withPiece(repair, { ...pieceOf(repair, passId), sheetId: sheet.id, kitId: sheet.kits[0]!.id });
const chosen = (paste: SheetRevision, was: SheetRevision | null = null, from = begun()): Repair =>
  gatedBySheet(made(from, 'p1', paste), 'p1', paste, was);
const planned = (repair: Repair, paste: SheetRevision): ChainPlan =>
  planJob({
    job,
    repairs: [made(repair, 'p2', skim)],
    sheets: [paste, skim],
    stock: [],
    actuals: new Map(),
    nowMs: NOW,
  }).repairs[0]!;
const HOUR = 3_600_000;
const wetOf = (p: ChainPlan) => p.steps.find((s) => s.passId === 'p2' && s.role === 'mix')!.startMs;
const pasted = (p: ChainPlan) => p.steps.findLast((s) => s.passId === 'p1' && s.role === 'place')!.endMs;
const dulled = (p: ChainPlan) => p.steps.filter((s) => s.passId === 'p2' && /dull|abrade/.test(s.key.task));

test('by the printed window it is skimmed the same day, three hours after the paste, and nothing is abraded', () => {
  const p = planned(chosen(window3to15), window3to15);
  expect(p.stop).toBeNull();
  const waited = (wetOf(p) - pasted(p)) / HOUR;
  expect(waited).toBeGreaterThanOrEqual(3);
  expect(waited).toBeLessThan(4);
  expect(dulled(p)).toEqual([]);
});

test.each([
  ['nothing of a further coat', silent],
  ['no end of it', noEnd],
])('of a paper that prints %s it waits until the paste bears, and is abraded', (_, paste) => {
  const p = planned(chosen(paste), paste);
  expect(p.stop).toBeNull();
  expect((wetOf(p) - pasted(p)) / HOUR).toBeGreaterThanOrEqual(12);
  expect(dulled(p)).toHaveLength(1);
});

test('another paste takes its own word over, and what somebody chose to wait for stays', () => {
  const gate = (r: Repair) => pieceOf(r, 'p2').gate;
  const first = chosen(window3to15);
  expect(gate(first)).toBe('window');
  expect(gate(chosen(silent, window3to15, first))).toBe('set');
  const wet = withPiece(begun(), { ...pieceOf(begun(), 'p2'), gate: 'wet' });
  expect(gate(chosen(window3to15, null, wet))).toBe('wet');
  // Chosen against what its paper allows, it is no default of ours any more.
  const late = withPiece(first, { ...pieceOf(first, 'p2'), gate: 'set' });
  expect(gate(chosen(noEnd, window3to15, late))).toBe('set');
});

test('put on later by “Then…”, it waits as on the paste that is chosen already', () => {
  const alone = made(freshRepair(job.id, 'crack-mesh', 1, NOW, 'concrete'), 'p1', window3to15);
  const next = methodOf('skim-coat')!;
  expect(pieceOf(withNext(alone, next, window3to15), 'p2').gate).toBe('window');
  expect(pieceOf(withNext(alone, next, silent), 'p2').gate).toBe('set');
  expect(pieceOf(withNext(alone, next), 'p2').gate).toBe('set');
});

test('what is sanded before it is coated waits for that, whatever is printed', () => {
  const dent = withChain(
    freshRepair(job.id, 'body-filler', 1, NOW, 'metal'),
    READY_CHAINS.find((c) => c.id === 'dent-coat')!,
  );
  expect(pieceOf(gatedBySheet(dent, 'p1', window3to15, null), 'p2').gate).toBe('set');
  // Nothing follows the last pass.
  expect(gatedBySheet(dent, 'p2', window3to15, null)).toBe(dent);
});
