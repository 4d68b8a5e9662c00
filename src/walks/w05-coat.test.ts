import { methodOf } from '@/core/method';
import { type Piece, pieceOf, type Repair, repairOf, withNext, withPiece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { byDose, kitOf, partsOf, ratioOf } from '@/sample/sheet-words';
import { furtherSheets } from '@/sample/systems';
import { at, baseAt, printedPlan, walkJob, walkPiece } from './made';

/** The finish coat over the filled holes in the workboat's side: one coat, drops of catalyst, cut back. */
const NOW = at('2027-04-26T08:00');
const job = walkJob({ id: 'walk-5', startFrom: NOW });
const finish = furtherSheets.find((s) => s.kind === 'finish-resin')!;
const sheet: SheetRevision = {
  ...finish,
  id: 'finish-1',
  systemId: 'finish',
  name: 'Finish resin',
  parts: partsOf('finish-resin', { A: { densityGPerMl: 1.12 }, B: { densityGPerMl: 1.1 } }),
  ratio: ratioOf({ basis: 'weight', a: 100, b: 2 }),
  dose: { minPct: 1.5, maxPct: 2.5, usualPct: 2, of: 'A' },
  potLossMl: 8,
  milestones: [
    byDose('use-by', 'mix-begins', 'pot', [
      [
        1.5,
        [
          [10, 40, 40],
          [20, 20, 20],
        ],
      ],
      [
        2.5,
        [
          [10, 30, 30],
          [20, 15, 15],
        ],
      ],
    ]),
    byDose('recoat-from', 'placed', 'base', [
      [
        1.5,
        [
          [10, 120, 120],
          [20, 60, 60],
        ],
      ],
      [
        2.5,
        [
          [10, 120, 120],
          [20, 60, 60],
        ],
      ],
    ]),
    byDose('sandable', 'placed', 'base', [
      [
        1.5,
        [
          [10, 600, 600],
          [20, 300, 300],
        ],
      ],
      [
        2.5,
        [
          [10, 600, 600],
          [20, 300, 300],
        ],
      ],
    ]),
  ],
  limits: { ...finish.limits, baseMinC: null, materialMinC: null, liftMaxMm: null },
  kits: [kitOf('tin', 'Tin', [1000, 20], { yieldMl: null, splittable: true })],
};
/** 18 416 mm² over ten places, 0.5 mm and a recess of 2.74 mL: 0.6488 mm on the mean. */
const SIDE = Math.sqrt(1841.6);
const piece = (over: Partial<Piece> = {}): Piece => {
  const plain = walkPiece(job, {
    method: { id: 'finish-coat', version: 1 },
    void: {
      ...voidOf({
        ...SHAPES.coat.blank(),
        outline: { kind: 'rectangle', length: measured(SIDE, 'rule'), width: measured(SIDE, 'rule') },
        thickness: measured(0.5 + 2740 / 18_416, 'gauge'),
        texture: { from: 'class', class: 'none' },
      } as VoidShape),
      count: 10,
    },
    sheetId: sheet.id,
    kitId: 'tin',
    materialC: 18,
    dosePct: 2,
  });
  return { ...plain, base: { ...plain.base, material: 'laminate', known: baseAt(['2027-04-25T00:00', 13]) }, ...over };
};
const plan = (over: Partial<Piece> = {}) =>
  printedPlan({ job, repairs: [repairOf(piece(over))], sheets: [sheet] }, NOW).repairs[0]!;

test('19.95 mL, 22.3 g: 14 drops of catalyst at 34 to the millilitre; 3 % is refused', () => {
  const p = plan();
  expect(p.toMixMl).toBeCloseTo(19.95, 1);
  const [batch] = p.batches;
  expect(batch!.massG.A! + batch!.massG.B!).toBeCloseTo(22.3, 1);
  // 0.447 g of 22.3 g of resin, 1.10 g/mL: 13.6 to 13.8 drops, counted as 14.
  expect(Math.round((batch!.massG.B! / 1.1) * 34)).toBe(14);
  expect(JSON.stringify(plan({ dosePct: 3 }))).toMatch(/1\.5 to 2\.5 %/);
});
test('two coats: the second is the plain coat again, waits until the first may be gone over, and has a pot of its own', () => {
  const p = plan({ settings: { coats: 2 } });
  expect(p.batches.map((b) => b.label)).toEqual(['coat 1', 'coat 2']);
  expect(p.toMixMl).toBeCloseTo(2 * 11.95 + 16, 1);
  const first = p.steps.find((s) => s.id === 'b1:coat')!;
  const second = p.steps.find((s) => s.id === 'b2:weigh')!;
  const waited = (Date.parse(second.from!) - Date.parse(first.to!)) / 60_000;
  // 120 min at 10 °C, 60 at 20: at 13 °C between them.
  expect(waited).toBeGreaterThan(95);
  expect(waited).toBeLessThan(100);
});
test('what the texture of a bare face takes is in the first coat alone', () => {
  const rough = (coats: number) =>
    plan({
      settings: { coats },
      void: voidOf({
        ...SHAPES.coat.blank(),
        outline: { kind: 'rectangle', length: measured(1000, 'rule'), width: measured(500, 'rule') },
        thickness: measured(0.2, 'gauge'),
        texture: { from: 'class', class: 'fine' },
      } as VoidShape),
    });
  const placed = rough(3).batches.map((b) => b.ml - 8);
  expect(placed[0]).toBeCloseTo(500 * 0.5, 3);
  expect(placed[1]).toBeCloseTo(500 * 0.2, 3);
  expect(placed[2]).toBeCloseTo(500 * 0.2, 3);
});

describe('over ten holes of three sizes, on the fills that were left low for it', () => {
  const bored = (across: number, deep: number) =>
    ({
      ...SHAPES.hole.blank(),
      holeDiameter: measured(across, 'calliper'),
      holeDepth: measured(deep, 'gauge'),
    }) as VoidShape;
  const ten = [...Array(4).fill(bored(6, 7)), ...Array(4).fill(bored(16, 14)), ...Array(2).fill(bored(40, 10))];
  const fill = (over: Partial<Piece> = {}): Repair => {
    const below = walkPiece(job, {
      method: { id: 'laminate-hole', version: 1 },
      void: voidOf(...(ten as VoidShape[])),
      sheetId: null,
      kitId: null,
      ...over,
    });
    return repairOf({
      ...below,
      base: { ...below.base, material: 'laminate', known: baseAt(['2027-04-25T00:00', 13]) },
    });
  };
  /** @param beyondMm null leaves the coat as it was put on the chain */
  const coated = (beyondMm: number | null, over: Partial<Piece> = {}) => {
    const two = withNext(fill(over), methodOf('finish-coat')!);
    const coat = pieceOf(two, 'p2');
    const takes =
      beyondMm === null
        ? coat.takes
        : ({ from: 'face', of: 'p1', thickness: measured(0.5, 'film'), beyondMm } as const);
    const whole = withPiece(two, {
      ...coat,
      takes,
      sheetId: sheet.id,
      kitId: 'tin',
      materialC: 18,
      dosePct: 2,
      reserve: false,
    });
    return printedPlan({ job, repairs: [whole], sheets: [sheet] }, NOW).repairs[0]!.passes[1]!;
  };

  test('each hole with 15 mm round it: 18 416 mm² half a millimetre thick, and the 2.74 mL left low: 19.95 mL', () => {
    const p = coated(15);
    expect(p.volumeMl!.nominal).toBeCloseTo(9.21 + 2.74, 1);
    expect(p.toMixMl).toBeCloseTo(19.95, 1);
  });
  test('with nothing chosen it is that coat: over the bared edges, and proud of them, since it is cut back', () => {
    expect(coated(null).volumeMl!.nominal).toBeCloseTo(9.21 + 2.74, 1);
  });
  test('nothing beyond them: as much thinner as its faces are smaller, what was left low is the same', () => {
    const holesMm2 = (Math.PI / 4) * (4 * 36 + 4 * 256 + 2 * 1600);
    expect(coated(0).volumeMl!.nominal).toBeCloseTo((holesMm2 * (0.5 + 0.8)) / 1000, 2);
  });
  test('on fills that are flush it is the coat alone', () => {
    const flush = coated(15, { schools: { 'finish-level': 'flush' } });
    expect(flush.volumeMl!.nominal).toBeCloseTo(9.21, 1);
  });
});

test('too little catalyst for the scale is counted: by a press once its drops are, else that is said', () => {
  const scale = (over: Partial<Piece>) => plan({ scaleStepG: 1, ...over }).findings.find((f) => f.id === 'scale')!;
  const uncounted = scale({});
  expect(uncounted.todo).toMatch(/count it in drops/);
  expect((uncounted.ways ?? []).some((w) => /drops/.test(w.say))).toBe(false);
  const bench = { ...piece().bench, dropsPerMl: 34 };
  const way = scale({ bench }).ways!.find((w) => /drops/.test(w.say))!;
  expect(way.set).toEqual({ path: ['bench', 'way'], value: 'drops' });
  expect(plan({ bench: { ...bench, way: 'drops' }, scaleStepG: 1 }).findings.some((f) => f.id === 'scale')).toBe(false);
});
