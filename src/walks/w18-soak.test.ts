import { methodOf } from '@/core/method';
import { type Piece, pieceOf, repairOf, withNext, withPiece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** The head of a fender pile: end grain and a band of its side soaked until they take no more. */
const NOW = at('2027-05-06T06:00');
const job = walkJob({ id: 'walk-18', startFrom: NOW, climate: { kind: 'constant', tempC: 11, humidityPct: 60 } });
const soak = furtherSheets.find((s) => s.kind === 'consolidant')!;
const sheet: SheetRevision = {
  ...soak,
  id: 'soak-1',
  systemId: 'soak',
  name: 'Thin resin',
  parts: partsOf('consolidant', { A: { densityGPerMl: 1.05 }, B: { densityGPerMl: 1.0 } }),
  ratio: ratioOf({ basis: 'volume', a: 2, b: 1 }),
  dose: null,
  potLossMl: 0,
  milestones: [
    curve('use-by', 'mix-begins', 'pot', [
      [10, 60, 60],
      [20, 30, 30],
    ]),
    curve('recoat-from', 'placed', 'base', [
      [10, 480, 480],
      [20, 240, 240],
    ]),
  ],
  limits: { ...soak.limits, baseMinC: null, materialMinC: null },
  kits: [kitOf('set', 'Set', [1000, 476], { yieldMl: null, splittable: true })],
};
/** A face that drinks so many mL/m²: its thickness is that many thousandths of a millimetre. */
const face = (lengthMm: number, widthMm: number, mlPerM2: number) =>
  ({
    ...SHAPES.coat.blank(),
    outline: { kind: 'rectangle', length: measured(lengthMm, 'tape'), width: measured(widthMm, 'tape') },
    thickness: measured(mlPerM2 / 1000, 'gauge'),
    texture: { from: 'class', class: 'none' },
  }) as VoidShape;
const END = Math.sqrt((Math.PI / 4) * 300 ** 2);
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'timber-soak', version: 1 },
    void: voidOf(face(END, END, 1500), face(Math.PI * 300, 250, 500)),
    sheetId: sheet.id,
    kitId: 'set',
    materialC: 15,
  });
  return { ...plain, base: { ...plain.base, material: 'timber', known: baseAt(['2027-05-05T00:00', 11]) }, ...over };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;

test('an end of 1500 and a side of 500 mL/m²: 224 mL to have on hand', () => {
  const p = plan();
  expect(p.toMixMl).toBeCloseTo(224, 0);
  const soaked = p.steps.find((s) => s.id === 'b1:coat')!;
  expect(soaked.title).toMatch(/until it takes no more/);
});
test.each([
  ['moisture', 'no', /too wet/i],
  ['source', 'no', /Still getting wet/],
  ['protected', 'yes', /Protected object/],
] as const)('%s answered %s stops it', (question, answer, says) => {
  const p = plan({ answers: { [question]: answer } });
  expect(p.findings.some((f) => f.severity === 'stop' && says.test(f.title))).toBe(true);
});
test('timber that carries a load is a caution with an engineer, not a stop', () => {
  const p = plan({ answers: { bears: 'yes' } });
  const f = p.findings.find((x) => /carries a load/.test(x.title))!;
  expect(f.severity).toBe('caution');
  expect(f.todo).toMatch(/engineer/);
});
test('what is put on it next waits until the soak may be gone over: 7 h 27 at 11 °C', () => {
  const first = repairOf(piece());
  const two = withNext(first, methodOf('timber-soak')!);
  const id = two.chain.at(-1)!;
  const repair = withPiece(two, {
    ...pieceOf(two, id),
    takes: { from: 'own' },
    gate: 'window',
    method: { id: 'timber-soak', version: 1 },
    void: voidOf(face(END, END, 500)),
    sheetId: sheet.id,
    kitId: 'set',
  });
  const p = printedPlan({ job, repairs: [repair], sheets: [sheet] }, NOW).repairs[0]!;
  const coats = p.steps.filter((s) => s.id.endsWith('b1:coat'));
  const weigh = p.steps.filter((s) => s.id.endsWith('b1:weigh'));
  expect(coats).toHaveLength(2);
  const waited = (Date.parse(weigh[1]!.from!) - Date.parse(coats[0]!.to!)) / 60_000;
  expect(waited).toBeGreaterThan(440);
});
