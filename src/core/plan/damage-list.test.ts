import fc from 'fast-check';
import { freshRepair } from '@/ui/workspace/fresh';
import { METHODS, methodOf } from '../method';
import { attempt } from '../say';
import { parseQuantity } from '../typed';
import { FIELD_UNIT } from '../units';
import { measureVoid, SHAPES, SIZE_IDS, type SizeId, Void, type VoidShape } from '../void';
import { pieceOf, Repair, withPiece } from '.';
import {
  type Damage,
  damageCsv,
  damagesIn,
  howMeant,
  type ListSaid,
  listText,
  MOST_LISTED,
  readDamageList,
  tellMeant,
  unitless,
  usualHow,
} from './damage-list';

const METRIC = { read: (text: string) => parseQuantity('length', text, 'metric'), system: 'metric' } as const;

/** What a person presses who takes every guess, and says millimetres where nothing is said. */
function guessed(text: string, over: Partial<ListSaid> = {}): { said: ListSaid; damages: readonly Damage[] } {
  const list = readDamageList(text, 'list');
  const tells = over.tells ?? list.columns.map((c) => c.guess);
  const said: ListSaid = {
    tells,
    units: list.columns.map((c) => c.unit ?? 'mm'),
    how: usualHow(list, tells, over.made ?? null),
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
  return withPiece(fresh, { ...pieceOf(fresh), void: damage.void });
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
    ['core hole 4', 'Bay 3', 'mortar-patch', 2, 0],
  ]);
  expect(damages.map(dims)).toEqual([
    { length: 4200, width: 3, depth: 48 },
    { 'outline.length': 900, 'outline.width': 640, 'depth.mean': 62 },
    { holeDiameter: 18, holeDepth: 130, rodDiameter: 16 },
    { 'outline.length': 100, 'outline.width': 100, 'depth.mean': 150 },
  ]);
  // The spall is the one of the worked job: 35.7 L with its tape and gauge, three of them.
  const spall = measureVoid(damages[1]!.void!);
  expect(spall.nominalMl / 3).toBeCloseTo(900 * 640 * 0.062, 6);
  // An M16 is known by its pitch.
  expect(damages[2]!.void!.shapes[0]).toMatchObject({ thread: { kind: 'threaded', pitchMm: 2 } });
  expect(spall.shares.find((s) => s.key === 'shapes.0.depth.mean')).toBeDefined();
});

test('several of one name are told apart by their order', () => {
  const { damages } = guessed('Defect;Length (m)\ncrack;4\nspall;1\ncrack;2');
  expect(damages.map((d) => d.name)).toEqual(['crack 1', 'spall', 'crack 2']);
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
  ['Cover depth (mm)', null],
  ['Repair material', null],
  ['Max. load', null],
  ['Support', null],
  ['Part', null],
  ['Depth', 'depth'],
  ['Inner dia.', 'inner'],
  ['Hole', 'across'],
  ['Hole depth', 'depth'],
  ['Hole size (mm)', 'across'],
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

test('a word within another word means nothing, and what is broken goes before what it is broken in', () => {
  const by = (what: string, made: Parameters<typeof howMeant>[1] = 'concrete') => howMeant(what, made)?.methodId;
  expect(['spalled slab', 'cracked tile', 'slab edge broken', 'chipped plate'].map((what) => by(what))).toEqual([
    'mortar-patch',
    'poured-crack',
    'mortar-patch',
    'stone-chip',
  ]);
  expect(by('through hole', 'laminate')).toBe('laminate-hole');
  expect([by('Schraubenloch', 'laminate'), by('plug'), by('dredge'), by('studio')]).toEqual([
    'laminate-hole',
    undefined,
    undefined,
    undefined,
  ]);
});

test('one word is meant as it is done on what its lines are made of, or on what is said of the whole list', () => {
  const how = (text: string, made: Parameters<typeof usualHow>[2]) => {
    const list = readDamageList(text, 'list');
    const tells = list.columns.map((c) => c.guess);
    return [...usualHow(list, tells, made)].map(([word, { methodId }]) => [word, methodId]);
  };
  expect(how('What;Made of;Depth (mm)\nhole;;20\nhole;steel deck;20\nzig;;1', null)).toEqual([
    ['hole', 'metal-filler'],
  ]);
  expect(how('What;Depth (mm)\nhole;20\nspall;20', 'concrete')).toEqual([
    ['hole', 'mortar-patch'],
    ['spall', 'mortar-patch'],
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
      '3\tcrack\tconcrete\t2.5\t1,500\t20\t80',
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

test('whatever is pasted is a list or a refusal, and each of its lines is taken as it stands or says what is wrong', () => {
  const cell = fc.oneof(
    fc.constantFrom(
      'crack',
      'Length (m)',
      'M16',
      '1/2-13',
      'Ø',
      '1,500',
      '-',
      '4.2 m',
      '=1+1',
      'Total',
      '"',
      '',
      '∞',
      '1e999',
    ),
    fc.string({ maxLength: 6 }),
    fc.double().map(String),
  );
  const table = fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 6 });
  let lists = 0;
  fc.assert(
    fc.property(table, fc.constantFrom('\t', ';', ',', '|'), (rows, by) => {
      const read = attempt(() => readDamageList(rows.map((r) => r.join(by)).join('\n'), 'list'));
      if (!read.ok) return;
      lists++;
      const list = read.value;
      const tells = list.columns.map((c) => c.guess);
      const said: ListSaid = {
        tells,
        units: list.columns.map((c) => c.unit),
        how: usualHow(list, tells, 'concrete'),
        made: 'concrete',
      };
      const damages = damagesIn(list, said, METRIC);
      expect(damages.length).toBe(list.lines.length);
      for (const d of damages) {
        expect(d.begin !== null || d.faults.length > 0).toBe(true);
        if (d.void && !d.faults.length) expect(Void.safeParse(d.void).success).toBe(true);
        if (d.begin && !d.faults.length) expect(Repair.safeParse(freshAs(d)).success).toBe(true);
      }
    }),
    { numRuns: 300 },
  );
  expect(lists).toBeGreaterThan(50);
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

test('a rod is listed by the name it was given, and by that name again', () => {
  const { damages } = guessed('What;Rod;Depth (mm)\nanchor;M16;130\nanchor;1/2-13;4 in\nanchor;16 mm;130');
  const repairs = damages.map((d) => ({ draft: freshAs(d), name: d.name, volumeMl: null }));
  const text = damageCsv(repairs, 'metric');
  expect(text.split('\r\n').map((line) => line.split(',').slice(2))).toEqual([
    ['Repair', 'Made of', 'How many', 'Depth (mm)', 'Rod (mm)', 'Holds (L)'],
    ['Anchor in a drilled hole', 'concrete', '1', '130', 'M16', ''],
    ['Anchor in a drilled hole', 'concrete', '1', '101.6', '1/2-13', ''],
    ['Anchor in a drilled hole', 'concrete', '1', '130', '16', ''],
  ]);
  expect(guessed(text).damages.map((d) => dims(d).rodDiameter)).toEqual([16, 12.7, 16]);
});

test('what is left of a list when some of its lines were taken reads as it did', () => {
  const list = readDamageList('Ref;What;Length (m)\n1;"crack; a long one";4,2\n2;wobble;3\n3;crack;1', 'list');
  const rest = readDamageList(listText(list, new Set([2, 3])), 'list');
  expect(rest.columns).toEqual(list.columns);
  expect(rest.lines.map((l) => l.cells)).toEqual(list.lines.slice(0, 2).map((l) => l.cells));
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
        const text = damageCsv(
          repairs.map((draft) => ({ draft, name: draft.name, volumeMl: 12.5 })),
          system,
        );
        expect(text).not.toMatch(/(^|,)=/m);
        const { damages } = guessed(text, { units: Array(20).fill(FIELD_UNIT.length[system]) });
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

describe('sizes in one cell', () => {
  const one = (cell: string, heading = 'Size (mm)', what = 'spall') => {
    const [damage] = guessed(`No\tDamage\t${heading}\n1\t${what}\t${cell}`).damages;
    return damage!.faults.length ? damage!.faults.map((f) => [f.column, f.sentence.id]) : dims(damage!);
  };
  const spall = { 'outline.length': 900, 'outline.width': 640, 'depth.mean': 62 };

  test.each([
    ['900 x 640 x 62', 'Size (mm)'],
    ['900×640×62 mm', 'Dimensions'],
    ['90 * 64 * 6.2', 'Dimensions (cm)'],
    ['0.9 m by 64 cm by 62 mm', 'Size'],
    ['900 x 640 x 62', 'L x W x D (mm)'],
    ['62 x 900 x 640', 'D/L/W (mm)'],
    ['640 × 900 × 62', 'Abmessungen B × L × T (mm)'],
  ])('%s under “%s”', (cell, heading) => expect(one(cell, heading)).toEqual(spall));

  test('a round one by diameter and depth, a rod by its name and embedment, a crack by length and width', () => {
    expect(one('Ø100 x 150', 'Size (mm)', 'core hole')).toEqual({
      'outline.length': 100,
      'outline.width': 100,
      'depth.mean': 150,
    });
    expect(one('M16 x 130', 'Size (mm)', 'anchor')).toEqual({ embedment: 130, rodDiameter: 16 });
    expect(one('4.2 m x 3 mm', 'Size', 'crack')).toEqual({ length: 4200, width: 3 });
  });

  test('what cannot be told apart is asked at its column', () => {
    expect(one('300')).toEqual([[2, 'damage-list.which-sizes']]);
    expect(one('900 x 640 x 62 x 3')).toEqual([[2, 'damage-list.which-sizes']]);
    expect(one('900 x wide x 62')).toEqual([[2, expect.stringMatching(/^typed/)]]);
    const twice = guessed('Damage\tSize (mm)\tDepth (mm)\nspall\t900 x 640 x 62\t60').damages[0]!;
    expect(twice.faults.map((f) => [f.column, f.sentence.id])).toEqual([[1, 'damage-list.told-twice']]);
    const beside = guessed('Damage\tSize (mm)\tDepth (mm)\nspall\t900 x 640\t62').damages[0]!;
    expect([beside.faults, dims(beside)]).toEqual([[], spall]);
  });

  test('without a unit anywhere the unit of the column is asked, with one in the cell it is not', () => {
    const said = (text: string) => {
      const list = readDamageList(text, 'list');
      return unitless(list, {
        tells: list.columns.map((c) => c.guess),
        units: [null, null],
        how: new Map(),
        made: null,
      });
    };
    expect(said('Damage\tSize\nspall\t900 x 640 x 62')).toEqual([1]);
    expect(said('Damage\tSize\nspall\t900 x 640 x 62 mm')).toEqual([]);
  });
});
