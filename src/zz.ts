import { METHODS } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { SHAPES, measured, voidOf, type VoidShape } from '@/core/void';
import { sampleSheets } from '@/sample/systems';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { printedPlan } from '@/walks/made';
const now = Date.UTC(2027, 3, 12, 4);
const rect = (l: number, w: number) => ({ kind: 'rectangle' as const, length: measured(l, 'rule'), width: measured(w, 'rule') });
const V: Record<string, [VoidShape, string, number?]> = {
  'small-part': [{ ...SHAPES.bondLine.blank(), outline: rect(60, 40), thickness: measured(0.3, 'calliper') } as VoidShape, 'sheet-paste-1'],
  'body-filler': [{ ...SHAPES.patch.blank(), outline: rect(300, 200), depth: { kind: 'mean', mean: measured(3, 'gauge') } } as VoidShape, 'sheet-filler-1'],
  'metal-filler': [{ ...SHAPES.patch.blank(), outline: rect(60, 10), depth: { kind: 'mean', mean: measured(2, 'gauge') } } as VoidShape, 'sheet-filler-1'],
  'finish-coat': [{ ...SHAPES.coat.blank(), outline: rect(200, 200), thickness: measured(0.5, 'gauge'), texture: { from: 'class', class: 'none' } } as VoidShape, 'sheet-coat-1'],
  'cavity-packing': [{ ...SHAPES.hole.blank(), holeDiameter: measured(50, 'calliper'), holeDepth: measured(60, 'gauge') } as VoidShape, 'sheet-putty-1', 4],
  'cement-patch': [{ ...SHAPES.patch.blank(), outline: rect(400, 300), depth: { kind: 'mean', mean: measured(30, 'gauge') } } as VoidShape, 'sheet-cement-1'],
  'poured-crack': [{ ...SHAPES.chase.blank(), form: 'vee', stations: [{ atMm: 0, widthMm: 12, depthMm: 20 }, { atMm: 5000, widthMm: 12, depthMm: 20 }], readWidth: measured(0, 'rule'), readDepth: measured(0, 'rule'), slot: null } as VoidShape, 'sheet-crack-1'],
  'stone-chip': [{ ...SHAPES.corner.blank(), down: measured(20, 'rule'), along: measured(30, 'rule'), back: measured(20, 'rule') } as VoidShape, 'sheet-filler-1'],
  'setting-bed': [{ ...SHAPES.notchedBed.blank(), outline: rect(2000, 1500), notch: { form: 'square', width: measured(10, 'rule'), depth: measured(10, 'rule'), gap: measured(10, 'rule') } } as VoidShape, 'sheet-tile-1'],
  'joint-colour': [{ ...SHAPES.coat.blank(), outline: rect(4000, 3000), thickness: measured(0.02, 'gauge'), texture: { from: 'class', class: 'none' } } as VoidShape, 'sheet-joint-1'],
};
const only = process.argv.slice(2);
for (const m of METHODS) {
  const [shape, sheetId, count = 1] = V[m.id] ?? [];
  if (!shape || (only.length && !only.includes(m.id))) continue;
  const job = { ...freshJob(now), zone: 'Europe/Helsinki', name: 'x' };
  let r = freshRepair(job.id, m.id, 1, now);
  const sheet = sampleSheets.find((s) => s.id === sheetId);
  console.log('\n##', m.label, sheet ? sheet.name : `NO SHEET ${sheetId}: ${sampleSheets.map((s) => s.id).join(' ')}`);
  if (!sheet) continue;
  r = withPiece(r, { ...pieceOf(r), void: { ...voidOf(shape), count }, sheetId, answers: Object.fromEntries(m.questions.map((q) => [q.id, q.wants])) });
  const p = printedPlan({ job, repairs: [r], sheets: [sheet] }, now).repairs[0]!;
  console.log('to mix', p.toMixMl?.toFixed(1), p.kits, p.batches.map((b) => `${b.label} ${b.ml.toFixed(0)} kits ${b.kits}`).join('; '));
  for (const s of p.steps) console.log(' ', s.id.padEnd(18), s.from!.slice(8, 16), s.to!.slice(11, 16), s.title);
  for (const x of p.problems) console.log(' PROBLEM', x.sentence);
  for (const f of p.findings) console.log(' *', f.severity, f.id, '|', f.title, '|', f.why);
}
