import { METHODS } from './core/method';
import { pieceOf, repairOf, withPiece } from './core/plan';
import { FIRST_LOOKS } from './sample/first';
import { freshJob, freshRepair } from './ui/workspace/fresh';
import { at, clock, printedPlan } from './walks/made';

const NOW = at('2026-06-08T07:30');
for (const look of FIRST_LOOKS) {
  const job = { ...freshJob(NOW), zone: 'Europe/Helsinki' };
  const made = freshRepair(job.id, look.method, 1, NOW, look.on);
  const method = METHODS.find((m) => m.id === look.method)!;
  const repair = withPiece(
    { ...made, name: look.name },
    {
      ...pieceOf(made),
      void: look.void,
      sheetId: look.sheet.id,
      kitId: look.kitId,
      answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    },
  );
  const p = printedPlan({ job, repairs: [repair], sheets: [look.sheet] }, NOW).repairs[0]!;
  console.log(
    `\n=== ${look.label} · ${look.method} · ${look.sheet.name} · void ${p.volumeMl?.nominal.toFixed(1)} mix ${p.toMixMl?.toFixed(1)} kits ${JSON.stringify(p.kits)} opens ${clock(p.opens)}`,
  );
  for (const s of p.steps)
    console.log(' ', clock(s.from), '-', clock(s.to)?.slice(4), s.id, '|', s.title, s.hold ? '[hold]' : '');
  for (const f of p.findings) console.log('   *', f.severity, f.title, '·', f.why, '·', f.todo);
  for (const x of p.problems) console.log('   !', x.sentence);
}
