import { methodOf } from '@/core/method';
import { type Piece, pieceOf, repairOf, uptakesOf, withNext, withPiece } from '@/core/plan';
import { type EventBody, viewJob } from '@/core/record';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { curve, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { PLAIN_READER, say } from '@/words';
import { at, baseAt, happened, printedPlan, walkJob, walkPiece } from './made';

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

const END_MM2 = (Math.PI / 4) * 300 ** 2;
const TAKEN = { end: [85, 60, 38, 17, 6], side: [70, 34, 12, 4] };
/** The soak begun, each coat of it written down, and the soaking ticked or not. */
const soaked = (coats: { end: readonly number[]; side: readonly number[] }, ticked = false) => {
  const told: (readonly [string, EventBody])[] = [
    ['2027-05-05T08:00', { kind: 'started', snapshotId: 'none', usableMin: null }],
  ];
  const minute = (n: number) => `2027-05-05T09:${String(n).padStart(2, '0')}`;
  const all = [...coats.end.map((ml) => [0, ml] as const), ...coats.side.map((ml) => [1, ml] as const)];
  all.forEach(([face, ml], i) => {
    told.push([minute(i), { kind: 'drunk', face, ml }]);
  });
  if (ticked)
    ['prep:probe', 'prep:moisture', 'b1:weigh', 'b1:mix', 'b1:coat'].forEach((step, i) => {
      told.push([minute(30 + i), { kind: 'step-done', step }]);
    });
  const events = happened(job, told);
  const view = viewJob(
    { job, repairs: [repairOf(piece())], sheets: [sheet], stock: [], events },
    at('2027-05-05T10:00'),
  );
  const [pass] = view.repairs[0]!.passes;
  return { faces: uptakesOf(pass!.plan, pass!.actuals), findings: pass!.findings };
};

test('refusal at end coat 5, 7 %, and side coat 4, 6 %: 206 + 120 = 326 mL, 1.46 of the estimate; 2914 and 509 mL/m²', () => {
  const { faces } = soaked(TAKEN);
  const [end, side] = faces;
  expect(faces.map((f) => f.totalMl)).toEqual([206, 120]);
  expect(faces.map((f) => f.refuses)).toEqual([true, true]);
  expect(end!.lastShare!).toBeCloseTo(0.07, 2);
  expect(side!.lastShare!).toBeCloseTo(0.06, 2);
  expect(end!.areaMm2).toBeCloseTo(END_MM2, 3);
  expect(end!.mlPerM2).toBeCloseTo(2914, 0);
  expect(side!.mlPerM2).toBeCloseTo(509, 0);
  const [taken, estimate] = [326, faces.reduce((s, f) => s + f.estimateMl, 0)];
  expect(taken / estimate).toBeCloseTo(1.46, 2);
  expect(end!.factor! * end!.estimateMl + side!.factor! * side!.estimateMl).toBeCloseTo(taken, 9);
});

test('one coat before that neither refuses; a fixed number of coats is not accepted', () => {
  const early = soaked({ end: TAKEN.end.slice(0, 4), side: TAKEN.side.slice(0, 3) }, true);
  expect(early.faces.map((f) => f.refuses)).toEqual([false, false]);
  const open = early.findings.filter((f) => f.id.startsWith('uptake:open'));
  expect(open.map((f) => [f.id, f.severity])).toEqual([
    ['uptake:open:0', 'stop'],
    ['uptake:open:1', 'stop'],
  ]);
  expect(say(open[0]!.why, PLAIN_READER)).toBe('Its last coat took 20 % of the first; it refuses below 10 %.');
  expect(soaked(TAKEN, true).findings.filter((f) => f.id.startsWith('uptake'))).toEqual([]);
});

test('while it drinks past its estimate that is said; coats that rise are asked again', () => {
  const more = soaked({ end: [85, 60], side: [] }).findings.find((f) => f.id === 'uptake:more:0')!;
  expect(say(more.why, PLAIN_READER)).toMatch(
    /It has taken 145 mL, 106 mL were estimated, and its last coat is still 71 % of the first\./,
  );
  const rose = soaked({ end: [85, 60, 72], side: [] });
  expect(rose.faces[0]!.roseAt).toBe(3);
  expect(say(rose.findings.find((f) => f.id === 'uptake:rose:0')!.title, PLAIN_READER)).toMatch(
    /^Coat 3 on .* took more than the one before$/,
  );
});

test('what nobody has drunk yet says nothing, and no other method asks', () => {
  const { faces, findings } = soaked({ end: [], side: [] });
  expect(faces.map((f) => [f.coatsMl.length, f.factor, f.refuses])).toEqual([
    [0, null, false],
    [0, null, false],
  ]);
  expect(findings.filter((f) => f.id.startsWith('uptake'))).toEqual([]);
});
