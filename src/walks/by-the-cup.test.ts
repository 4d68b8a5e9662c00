import { methodOf } from '@/core/method';
import { type Piece, pieceOf, withPiece } from '@/core/plan';
import { jointAsMeasured, measuresByCup } from '@/core/plan/actuals';
import { type SheetRevision, usualWay } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, firstRepair, untouched, ZONE } from './made';
import { flat } from './ordinary';
import { type Paper, typed } from './papers';

/** Two tins of which the paper prints `2:1 by volume` and no density: equal cups are exact, and a scale is a guess. */
const NOW = at('2027-05-10T07:00');
const PAPER: Paper = ['paste', '2:1 by volume', '1 L, 500 mL', 'use-by 60 min, release 8 h, load 24 h', {}];
const sheet = typed(PAPER, NOW);

function planned(of: SheetRevision, over: Partial<Piece> = {}, sideMm = 300) {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 },
  };
  const fresh = firstRepair({ job, nowMs: NOW }, methodOf('plate-bond')!, of, {
    dims: { ...flat(sideMm, sideMm), thickness: 1 },
  });
  const repairs = [withPiece(fresh, { ...pieceOf(fresh), ...over })];
  const { plan, findings } = untouched({ job, repairs, sheets: [of] }, NOW).repairs[0]!;
  const found = (id: string) => findings.filter((f) => f.id === id);
  const setOut = plan.steps.find((s) => /^Set out/.test(plainWords(s.title)))!;
  return { plan, found, setOut: plainWords(setOut.detail) };
}

test('what is told by volume alone is measured by the cup, two to one, and no density is asked for', () => {
  expect(usualWay(sheet)).toBe('cup');
  const p = planned(sheet);
  const [, a, b] = /([\d.]+) mL of A, ([\d.]+) mL of B/.exec(p.setOut)!;
  // To the marks of the cup.
  expect(Math.abs(Number(a) - 2 * Number(b))).toBeLessThanOrEqual(15);
  expect([p.found('density'), p.found('scale')]).toEqual([[], []]);
});

test('weights or densities that its paper prints are weighed by, and so is what somebody chooses to weigh', () => {
  const printed = { ...sheet, estimated: sheet.estimated.filter((f) => !f.startsWith('density')) };
  const both = { ...sheet, ratio: { ...sheet.ratio, also: { a: 100, b: 38 } } };
  const byWeight = typed(['paste', '2:1 by weight', '1 kg, 500 g', PAPER[3], {}], NOW);
  // Packs that are weighed say what each part weighs to the other.
  const weighed = typed(['paste', '2:1 by volume', '1.2 kg, 450 g', PAPER[3], {}], NOW);
  for (const of of [printed, both, byWeight, weighed])
    expect([usualWay(of), / g of A/.test(planned(of).setOut)]).toEqual(['weight', true]);
  const chosen = planned(sheet, { bench: { ...planned(sheet).plan.piece.bench, way: 'weight' } });
  expect([/ g of A/.test(chosen.setOut), chosen.found('density').length]).toEqual([true, 1]);
});

test('marks that nobody has named forbid nothing: a caution with the cup that would do, and pressed it does', () => {
  const small = planned(sheet, {}, 120);
  const [coarse] = small.found('instrument:coarse');
  expect(coarse!.severity).toBe('caution');
  const [way] = coarse!.ways!;
  expect([way!.set.path, plainWords(way!.say)]).toEqual([
    ['bench', 'cupStepMl'],
    `My cup shows ${String(way!.set.value)} mL`,
  ]);
  const { bench } = small.plan.piece;
  const finer = planned(sheet, { bench: { ...bench, cupStepMl: way!.set.value as number } }, 120);
  expect(finer.found('instrument:coarse')).toEqual([]);
  // Chosen by somebody, with marks of his own, it is a stop as before.
  expect(planned(sheet, { bench: { ...bench, way: 'cup' } }, 120).found('instrument:coarse')[0]!.severity).toBe('stop');
});

test('work that was begun before is measured as it was begun', () => {
  const then = (madeWith: string) => [
    measuresByCup({ startedAt: NOW, madeWith }),
    jointAsMeasured({ startedAt: NOW, madeWith }),
  ];
  expect([then('0.46.0'), then('0.47.0')]).toEqual([
    [false, true],
    [true, false],
  ]);
});
