import fc from 'fast-check';
import { freshRepair } from '@/ui/workspace/fresh';
import { METHODS, methodOf } from '../method';
import { parseQuantity } from '../typed';
import { measureVoid, SHAPES, SIZE_IDS, type SizeId, type VoidShape } from '../void';
import {
  type Damage,
  damageListOf,
  damagesIn,
  damageWords,
  howMeant,
  type ListSaid,
  MOST_LISTED,
  pieceOf,
  type Repair,
  readDamageList,
  tellMeant,
  unitless,
  withPiece,
} from '.';

const METRIC = { read: (text: string) => parseQuantity('length', text, 'metric'), system: 'metric' } as const;

/** What a person presses who takes every guess, and says millimetres where nothing is said. */
function guessed(text: string, over: Partial<ListSaid> = {}): { said: ListSaid; damages: readonly Damage[] } {
  const list = readDamageList(text, 'list');
  const tells = over.tells ?? list.columns.map((c) => c.guess);
  const said: ListSaid = {
    tells,
    units: list.columns.map((c) => c.unit ?? 'mm'),
    how: new Map(
      damageWords(list, tells).flatMap((what) => {
        const how = howMeant(what, null);
        return how ? [[what, how] as const] : [];
      }),
    ),
    made: null,
    ...over,
  };
  return { said, damages: damagesIn(list, said, METRIC) };
}
const dims = (of: Damage) => {
  const [shape] = of.void!.shapes;
  return Object.fromEntries(
    SHAPES[shape!.shape]
      .dimensions(shape!)
      .filter((d) => d.measured.text)
      .map((d) => [d.key, d.measured.valueMm]),
  );
};
const freshAs = (damage: Damage): Repair => {
  const fresh = freshRepair('j', damage.begin!.methodId, 1, 0, damage.made);
  return withPiece({ ...fresh, name: damage.name, place: damage.place }, { ...pieceOf(fresh), void: damage.void });
};
const sentenceOf = (d: Damage) => d.faults.map((f) => [f.column, f.sentence.id]);

test('an engineer’s schedule of a quay: cracks in metres, spalls by three sizes, anchors by their thread', () => {
  const { damages } = guessed(
    [
      'No\tLocation\tDefect\tQty\tLength (m)\tWidth (mm)\tDepth (mm)\tRod\tDia (mm)',
      '1\tBay 2\tcrack\t\t4.2\t3\t48\t\t',
      '2\tBay 3\tspall\t3\t0.9\t640\t62\t\t',
      '3\tStair\tanchors\t12\t\t\t130\tM16\t18',
      '4\tBay 3\tcore hole\t2\t\t\t150\t\tØ100',
    ].join('\n'),
  );
  expect(damages.map((d) => [d.name, d.place, d.begin?.methodId, d.void?.count, d.faults.length])).toEqual([
    ['crack 1', 'Bay 2', 'poured-crack', 1, 0],
    ['spall 2', 'Bay 3', 'mortar-patch', 3, 0],
    ['anchors 3', 'Stair', 'anchor', 12, 0],
    ['core hole 4', 'Bay 3', 'laminate-hole', 2, 0],
  ]);
  expect(damages.map(dims)).toEqual([
    { length: 4200, width: 3, depth: 48 },
    { 'outline.length': 900, 'outline.width': 640, 'depth.mean': 62 },
    { holeDiameter: 18, holeDepth: 130, rodDiameter: 16 },
    { holeDiameter: 100, holeDepth: 150 },
  ]);
  // The spall is the one of the worked job: 35.7 L with its tape and gauge, three of them.
  const spall = measureVoid(damages[1]!.void!);
  expect(spall.nominalMl / 3).toBeCloseTo(900 * 640 * 0.062, 6);
  // An M16 is known by its pitch.
  expect(damages[2]!.void!.shapes[0]).toMatchObject({ thread: { kind: 'threaded', pitchMm: 2 } });
  expect(spall.shares.find((s) => s.key === 'shapes.0.depth.mean')).toBeDefined();
});

test('what is listed by its diameter is round', () => {
  const { damages } = guessed('Name;Damage;Durchmesser (cm);Tiefe (mm)\nTür;Beule;12;3,5');
  expect(damages[0]).toMatchObject({ name: 'Tür', begin: { methodId: 'body-filler' }, faults: [] });
  expect(damages[0]!.void!.shapes[0]).toMatchObject({ shape: 'patch', outline: { kind: 'ellipse' } });
  expect(measureVoid(damages[0]!.void!).nominalMl).toBeCloseTo((Math.PI / 4) * 12 ** 2 * 0.35, 6);
});

test.each([
  ['Length (m)', 'length'],
  ['Länge', 'length'],
  ['Max. depth', 'deepest'],
  ['Depth of cover', 'depth'],
  ['Inner dia.', 'inner'],
  ['Ø', 'across'],
  ['No. of holes', 'count'],
  ['Anzahl', 'count'],
  ['Defect no.', 'what'],
  ['Ref', 'name'],
  ['Lfd. Nr.', 'name'],
  ['Bolt', 'rod'],
  ['Embedment', 'embedment'],
  ['Substrate', 'made'],
  ['Grid axis', 'place'],
  ['Remarks', null],
  ['Area (m²)', null],
])('a column “%s” tells %s', (heading, tells) => expect(tellMeant(heading)).toBe(tells));

test('every method is meant by its own name, and each word of the trade by a method that is done on what is named', () => {
  for (const m of METHODS) expect([m.id, howMeant(m.label, null)?.methodId]).toEqual([m.id, m.id]);
  const by = (what: string, made: Parameters<typeof howMeant>[1]) => howMeant(what, made)?.methodId;
  expect([by('hole', 'laminate'), by('hole', 'concrete'), by('hole', 'metal')]).toEqual([
    'laminate-hole',
    'mortar-patch',
    'metal-filler',
  ]);
  expect([by('chip', 'stone'), by('chip', 'metal'), by('Riss', 'concrete'), by('wobble', null)]).toEqual([
    'stone-chip',
    'body-filler',
    'poured-crack',
    undefined,
  ]);
});

test('a bare figure is in nothing until it is said, a thread and a figure with its unit need no word', () => {
  const list = readDamageList('What,Length,Depth,Rod\nanchor,,110 mm,M12\nanchor,,120 mm,M12', 'list');
  const tells = list.columns.map((c) => c.guess);
  const said: ListSaid = { tells, units: [null, null, null, null], how: new Map(), made: null };
  expect(unitless(list, said)).toEqual([]);
  const bare = readDamageList('What,Length,Depth\ncrack,4.2,30', 'list');
  const asked = { ...said, tells: bare.columns.map((c) => c.guess) };
  expect(unitless(bare, asked)).toEqual([1, 2]);
  const how = new Map([['crack', howMeant('crack', null)!]]);
  const [unsaid] = damagesIn(bare, { ...asked, how }, METRIC);
  expect(sentenceOf(unsaid!)).toEqual([
    [1, 'damage-list.no-unit'],
    [2, 'damage-list.no-unit'],
  ]);
  // It is never taken for nought, nor for millimetres that nobody named.
  expect(unsaid!.void).toBeNull();
  const [said2] = damagesIn(bare, { ...asked, how, units: [null, 'm', 'mm'] }, METRIC);
  expect(dims(said2!)).toEqual({ length: 4200, depth: 30 });
});

test('each fault stands at its cell, and the line keeps what could be read', () => {
  const { damages } = guessed(
    [
      'Nr\tDamage\tMade of\tHow many\tLength (mm)\tDepth (mm)\tDiameter (mm)',
      '1\tspall\tconcrete\ttwo\t400\t-5\t',
      '2\tspall\tcheese\t2\t40x\tn/a\t',
      '3\tcrack\ttimber\t2.5\t1,500\t20\t80',
      '4\twobble\t\t\t300\t20\t',
      '\tTotal\t\t7\t2000\t\t',
      '5\tspall\tsteel\t\t400\t999999\t',
    ].join('\n'),
  );
  expect(damages.map(sentenceOf)).toEqual([
    [
      [3, 'damage-list.no-count'],
      [5, 'refused.void.shape.out-of-bounds'],
    ],
    [
      [2, 'damage-list.no-material'],
      [4, expect.stringMatching(/^typed\./)],
    ],
    [
      [2, 'damage-list.not-on'],
      [3, 'damage-list.no-count'],
      [4, 'typed.either'],
    ],
    [[1, 'damage-list.not-how']],
    [[null, 'damage-list.sum']],
    [
      [2, 'damage-list.not-on'],
      [5, 'refused.void.shape.out-of-bounds'],
    ],
  ]);
  // A diameter has no place in a crack, and is said to have none rather than dropped unseen.
  expect(damages[2]!.unused).toEqual(['across']);
  expect(dims(damages[2]!)).toEqual({ depth: 20 });
});

test('what is no list says why', () => {
  const many = `What,Length (mm)\n${'crack,4\n'.repeat(MOST_LISTED + 1)}`;
  for (const [text, id] of [
    ['only words', 'one-column'],
    ['', 'one-column'],
    ['What\tLength', 'no-rows'],
    [many, 'too-many'],
  ] as const)
    expect(() => readDamageList(text, 'list')).toThrow(
      expect.objectContaining({
        problem: expect.objectContaining({
          sentence: expect.objectContaining({ id: `refused.plan.damage-list.${id}` }),
        }),
      }),
    );
});

test('quoted cells, a byte-order mark, empty lines and both ends of lines are read as spreadsheets write them', () => {
  const list = readDamageList('\uFEFF"Ref";"What";"Length (m)"\r\n\r\n"A;1";"crack";"4,2"\r\n', 'list');
  expect(list.lines).toEqual([{ line: 3, cells: ['A;1', 'crack', '4,2'] }]);
  expect(list.columns.map((c) => [c.guess, c.unit])).toEqual([
    ['name', null],
    ['what', null],
    ['length', 'm'],
  ]);
});

test('a list that is written is read back: the same methods, places, counts and voids', () => {
  const told = METHODS.flatMap((m) => {
    const shape = m.shapes.find((id) => SHAPES[id].sizes);
    return shape ? [{ method: m.id, shape }] : [];
  });
  expect(told.length).toBe(METHODS.length);
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          of: fc.constantFrom(...told),
          sizes: fc.array(fc.integer({ min: 2, max: 19 }), { minLength: SIZE_IDS.length, maxLength: SIZE_IDS.length }),
          round: fc.boolean(),
          count: fc.integer({ min: 1, max: 40 }),
          place: fc.constantFrom('Bay 3', 'Slip ramp; left, "upper" part', '=1+1'),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      fc.constantFrom('metric' as const, 'us' as const),
      (rows, system) => {
        const repairs = rows.map(({ of, sizes, round, count, place }, i) => {
          const kind = SHAPES[of.shape];
          // A void is told by its diameter or by its two sides.
          const either: readonly SizeId[] = round ? ['length', 'width'] : kind.sizes?.length ? ['across'] : [];
          const heads = SIZE_IDS.filter((size) => kind.sizes?.[size] && !either.includes(size));
          const text = `What\tHow many\t${heads.join('\t')}\n${methodOf(of.method)!.label}\t${count}\t${heads
            .map((size) => `${sizes[SIZE_IDS.indexOf(size)]} mm`)
            .join('\t')}`;
          const { damages } = guessed(text, { tells: ['what', 'count', ...heads] });
          return { ...freshAs({ ...damages[0]!, made: methodOf(of.method)!.bases[0]! }), place, name: `Damage ${i}` };
        });
        const table = damageListOf(
          repairs.map((draft) => ({ draft, name: draft.name, volumeMl: 12.5 })),
          system,
        );
        const text = table.map((cells) => cells.map((c) => `"${c.replace(/"/g, '""')}"`).join(';')).join('\r\n');
        const { damages } = guessed(text, {
          units: table[0]!.map(() => (system === 'us' ? 'in' : 'mm')),
        });
        expect(damages.flatMap((d) => d.faults)).toEqual([]);
        damages.forEach((damage, i) => {
          const [was, is] = [repairs[i]!, damage];
          expect([is.name, is.place, is.begin?.methodId, is.made]).toEqual([
            was.name,
            was.place,
            pieceOf(was).method.id,
            was.base.material,
          ]);
          const before = pieceOf(was).void;
          expect(is.void?.count).toBe(before?.count);
          const values = (shape: VoidShape) =>
            SHAPES[shape.shape].dimensions(shape).map((d) => Number(d.measured.valueMm.toFixed(2)));
          expect([is.void?.shapes[0]?.shape, values(is.void!.shapes[0]!)]).toEqual([
            before?.shapes[0]?.shape,
            values(before!.shapes[0]!),
          ]);
        });
      },
    ),
    { numRuns: 60 },
  );
});

test('a method’s first shapes that no list tells are passed over: a cavity is listed as the hole it is', () => {
  const { damages } = guessed('What;Dia (mm);Depth (mm);Qty\nsocket;54;70;7');
  expect(damages[0]!.void).toMatchObject({ count: 7, shapes: [{ shape: 'hole' }] });
  expect(methodOf(damages[0]!.begin!.methodId)!.shapes[0]).toBe('cavity');
});
