import fc from 'fast-check';
import {
  blankSettingOut,
  contourLevels,
  contoursOf,
  depthSurface,
  disagreementMm,
  kindOf,
  type Measured,
  measured,
  nextReading,
  nominalMl,
  oddReadings,
  placesOf,
  profileAt,
  type RowList,
  rowsFromText,
  SHAPES,
  scaleByDistance,
  scaleByRectangle,
  settingOutDrawing,
  settingOutMissing,
  settingOutProblems,
  signedAreaMm2,
  tracedOutline,
  type VoidShape,
  voidOf,
  voidPlan,
  voidSection,
  withValue,
} from '.';

const SQUARE = [
  [0, 0],
  [100, 0],
  [100, 100],
  [0, 100],
] as const;
const grid = (depth: (x: number, y: number) => number) =>
  [10, 30, 50, 70, 90].flatMap((y) => [10, 30, 50, 70, 90].map((x) => ({ xMm: x, yMm: y, depthMm: depth(x, y) })));

describe('readings', () => {
  test('a slip of the pen stands out, a bowl does not', () => {
    const bowl = grid((x, y) => 30 - Math.hypot(x - 50, y - 50) / 3);
    expect(oddReadings(bowl, 0.5)).toEqual([]);
    const slipped = bowl.map((r, i) => (i === 12 ? { ...r, depthMm: r.depthMm * 10 } : r));
    expect(oddReadings(slipped, 0.5).map((o) => o.index)).toEqual([12]);
    const lost = bowl.map((r, i) => (i === 7 ? { ...r, depthMm: 2.6 } : r));
    expect(oddReadings(lost, 0.5).map((o) => o.index)).toEqual([7]);
  });
  test('the next reading goes where the largest gap is', () => {
    const gap = grid(() => 20).filter((r) => !(r.xMm > 60 && r.yMm > 60));
    const [x, y] = nextReading(SQUARE, gap)!;
    expect(Math.min(x, y)).toBeGreaterThan(60);
    expect(nextReading(SQUARE, [])).toEqual([50, 50]);
  });
  test('lines of equal depth lie at their depth, and the section follows the surface', () => {
    const plane = depthSurface(
      SQUARE,
      grid((x) => 10 + x / 5),
      { kind: 'vertical', law: 'carried' },
    );
    const levels = contourLevels(plane.maxDepthMm);
    expect(levels.every((l) => l > 0 && l < plane.maxDepthMm) && levels.length <= 6).toBe(true);
    for (const c of contoursOf(plane)) for (const [x] of c.lines.flat()) expect(10 + x / 5).toBeCloseTo(c.depthMm, 6);
    for (const [x, d] of profileAt(plane, 42)) expect(d).toBeCloseTo(10 + x / 5, 6);
  });
});

describe('lists from text', () => {
  const patch = withValue(SHAPES.patch, SHAPES.patch.blank(), 'depth.kind', 'readings');
  const list = SHAPES.patch.lists!(patch).find((l) => l.key === 'depth.readings') as RowList;
  const rows = (text: string, system: 'metric' | 'us' = 'metric') => rowsFromText(list, text, system);
  test.each([
    ['depth cm', 'x\ty\tdepth cm\n0\t0\t1.8\n10\t0\t3.1', [18, 31]],
    ['z (cm)', 'x (cm);y (cm);z (cm)\n1;2;1,5', [15]],
    ['[in]', 'along in\tacross in\tz [in]\n1\t1\t1/2', [12.7]],
    ['no unit', 'x\ty\tdepth\n0\t0\t18', [18]],
    ['its own unit goes before that of its column', 'x\ty\tdepth cm\n0\t0\t18 mm', [18]],
  ])('a unit over a column holds for its bare numbers: %s', (_, text, depths) => {
    const got = rows(text).map((r) => r.depthMm as number);
    got.forEach((d, k) => {
      expect(d).toBeCloseTo(depths[k]!, 9);
    });
    expect(got).toHaveLength(depths.length);
  });
  test('over a grid its unit stands in the corner', () => {
    expect(rows('cm\t0\t10\t20\t30\n0\t1\t2\t3\t4\n5\t1\t2\t3\t4').slice(0, 2)).toEqual([
      { xMm: 0, yMm: 0, depthMm: 10 },
      { xMm: 100, yMm: 0, depthMm: 20 },
    ]);
  });
  test('a spreadsheet’s tabs with a header', () => {
    expect(rows('along\tacross\tdepth\n10\t20\t30\n40\t50\t12.5')).toEqual([
      { xMm: 10, yMm: 20, depthMm: 30 },
      { xMm: 40, yMm: 50, depthMm: 12.5 },
    ]);
  });
  test('semicolons with decimal commas, and inches as typed', () => {
    expect(rows('x;y;d\n10,5;20;3,25')).toEqual([{ xMm: 10.5, yMm: 20, depthMm: 3.25 }]);
    const [us] = rows('1\t2\t3/8', 'us');
    expect([us!.xMm, us!.yMm]).toEqual([25.4, 50.8]);
    expect(us!.depthMm).toBeCloseTo(9.525, 9);
    expect(rows('10, 20, 3/8 in')[0]!.depthMm).toBeCloseTo(9.525, 9);
  });
  test('a grid: places along above, places across at the left, empty cells passed over', () => {
    expect(rows('\t10\t20\t30\n5\t1\t2\t3\n15\t4\t\t6')).toEqual([
      { xMm: 10, yMm: 5, depthMm: 1 },
      { xMm: 20, yMm: 5, depthMm: 2 },
      { xMm: 30, yMm: 5, depthMm: 3 },
      { xMm: 10, yMm: 15, depthMm: 4 },
      { xMm: 30, yMm: 15, depthMm: 6 },
    ]);
  });
  test('what cannot be read is named by line, and one comma for two things is refused', () => {
    expect(() => rows('10\t20\t30\n10\tdeep\t3')).toThrow(/Line 2, across/);
    expect(() => rows('10\t20\n')).toThrow(/Line 1 has 2 of the 3 columns/);
    expect(() => rows('1,5,2,5,30,0\n1,5,2,5,30,0')).toThrow(/same comma/);
    expect(() => rows('along\tacross\tdepth')).toThrow(/no row under it/);
    expect(() => rows('   ')).toThrow(/nothing to read/);
  });
});

describe('outline from a picture', () => {
  test('two points set the scale', () => {
    const trace = tracedOutline(
      [
        [100, 100],
        [300, 100],
        [300, 250],
        [100, 250],
      ],
      scaleByDistance([0, 0], [200, 0], 100),
    );
    expect(Math.abs(signedAreaMm2(trace))).toBeCloseTo(100 * 75, 6);
    expect(() => scaleByDistance([1, 1], [1, 1], 10)).toThrow(/one place/);
  });
  test('four corners of a known rectangle undo any perspective', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.0006, max: 0.0006, noNaN: true }),
        fc.double({ min: -0.0006, max: 0.0006, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (p, q, skew) => {
          // A camera that looks askew at the face: any homography does.
          const seen = ([u, v]: readonly [number, number]) => {
            const w = 1 + p * u + q * v;
            return [(320 + 1.7 * u + skew * v) / w, (200 + 0.2 * u + 1.5 * v) / w] as const;
          };
          const corners = [seen([0, 0]), seen([210, 0]), seen([210, 297]), seen([0, 297])] as const;
          const back = scaleByRectangle(corners, 210, 297);
          for (const place of [
            [35, 260],
            [150, 40],
            [-60, 90],
          ] as const) {
            const [u, v] = back(seen(place));
            expect(u).toBeCloseTo(place[0], 6);
            expect(v).toBeCloseTo(place[1], 6);
          }
        },
      ),
    );
  });
  test('corners out of order, or three on a line, are refused', () => {
    expect(() =>
      scaleByRectangle(
        [
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 10],
        ],
        10,
        10,
      ),
    ).toThrow(/in order round/);
    expect(() =>
      scaleByRectangle(
        [
          [0, 0],
          [5, 0],
          [10, 0],
          [0, 10],
        ],
        10,
        10,
      ),
    ).toThrow(/in order round/);
  });
});

describe('setting out', () => {
  const s = {
    ...blankSettingOut(),
    datum: 'corner',
    along: measured(200),
    from: measured(120),
    spacing: measured(300),
    clearance: measured(100),
  };
  test('places stand along the centre line', () => {
    expect(placesOf(s, 3)).toEqual([
      [200, 120],
      [500, 120],
      [800, 120],
    ]);
    expect(placesOf({ ...s, angleDeg: 90 }, 2)[1]![1]).toBeCloseTo(420, 9);
  });
  test('too near an edge, tolerance counted, or into each other', () => {
    expect(settingOutProblems(s, 3, 18)).toEqual([]);
    expect(settingOutProblems({ ...s, from: measured(100.5) }, 3, 18)[0]).toMatchObject({ field: 'from' });
    expect(settingOutProblems({ ...s, spacing: measured(15) }, 2, 18)[0]).toMatchObject({ field: 'spacing' });
  });
  test.each([0, 30, 75])(
    'drawn to scale at %d°: every place a circle of its size in the ring that stays clear, all of it on the base',
    (angleDeg) => {
      const d = settingOutDrawing({ ...s, angleDeg }, 3, 18);
      const circles = (role: string) => d.outlines.filter((o) => o.role === role).map((o) => o.points);
      placesOf({ ...s, angleDeg }, 3).forEach(([x, y], i) => {
        for (const [px, py] of circles('void')[i]!) expect(Math.hypot(px - x, py - y)).toBeCloseTo(9, 6);
        for (const [px, py] of circles('level')[i]!) expect(Math.hypot(px - x, py - y)).toBeCloseTo(100, 6);
        expect(d.marks[i]!.at).toEqual([x, y]);
      });
      const [base] = circles('base');
      const [right, low] = [Math.max(...base!.map((p) => p[0])), Math.max(...base!.map((p) => p[1]))];
      for (const [x, y] of circles('level').flat()) {
        expect(x).toBeLessThanOrEqual(right);
        expect(y).toBeLessThanOrEqual(low);
      }
      // The centre line runs through all of them.
      const [from, to] = circles('centre')[0] as [readonly [number, number], readonly [number, number]];
      for (const [x, y] of placesOf({ ...s, angleDeg }, 3))
        expect(
          ((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])) /
            Math.hypot(to[0] - from[0], to[1] - from[1]),
        ).toBeCloseTo(0, 6);
      // Spacing has its line only where it runs along the edge.
      expect(d.dimensions.map((x) => x.key)).toEqual(angleDeg === 0 ? ['along', 'from', 'spacing'] : ['along', 'from']);
    },
  );
  test('what nobody has measured is asked for by name; the spacing of a single place is not', () => {
    const blank = blankSettingOut();
    expect(settingOutMissing(blank, 2)).toEqual([
      'What it is measured from',
      'Along the edge',
      'From the edge',
      'From place to place',
    ]);
    expect(settingOutMissing(blank, 1)).not.toContain('From place to place');
    expect(
      settingOutMissing({ ...s, along: { ...s.along, text: '200 mm' }, from: { ...s.from, text: '120 mm' } }, 1),
    ).toEqual([]);
  });
});

test('two readings disagree only beyond what both tools allow', () => {
  const twice = (a: number, b: number): Measured => ({
    ...measured(a, 'rule'),
    again: { valueMm: b, toleranceMm: null, tool: 'tape', text: '', textSystem: 'metric' },
  });
  expect(disagreementMm(measured(10))).toBe(0);
  expect(disagreementMm(twice(50, 51.5))).toBe(0);
  expect(disagreementMm(twice(50, 52))).toBeCloseTo(0.5, 9);
});

describe('drawings of a whole void', () => {
  const patch = { ...SHAPES.patch.blank() };
  const zone = { name: 'bolt', form: 'round' as const, xMm: 80, yMm: 60, aMm: 20, bMm: 20, depthMm: 12 };
  test('what stays clear stands in plan and section, and can be moved', () => {
    const v = { ...voidOf(patch), keepClear: [zone] };
    expect(voidPlan(v, 0).handles).toContainEqual({ key: 'keepClear.0', at: [80, 60], label: 'bolt' });
    const drawn = voidSection(v, 0).outlines.find((o) => o.role === 'keep-clear')!;
    expect(drawn.points).toContainEqual([70, 12]);
    expect(voidPlan(voidOf(patch), 0).outlines.some((o) => o.role === 'keep-clear')).toBe(false);
  });
  test('an open back is drawn as a way out below the void', () => {
    const open = voidSection({ ...voidOf(patch), back: 'open' }, 0);
    const lines = open.outlines.filter((o) => o.role === 'level');
    expect(lines).toHaveLength(2);
    for (const l of lines) expect(l.points[1]![1]).toBeGreaterThan(l.points[0]![1]);
    expect(voidSection(voidOf(patch), 0).outlines.some((o) => o.role === 'level')).toBe(false);
  });
});

describe('the pitch of a rod', () => {
  const rod = (shape: VoidShape, text: string, valueMm: number) =>
    withValue(kindOf(shape), shape, 'rodDiameter', { ...measured(valueMm, 'marked'), text }) as Extract<
      VoidShape,
      { shape: 'annulus' }
    >;
  const pitch = (s: ReturnType<typeof rod>) => (s.thread.kind === 'threaded' ? s.thread.pitchMm : null);
  const blank = SHAPES.annulus.blank();
  test('comes with its designation: M16 in a hole of 18, 125 deep, leaves 10.59 mL round it and not 10.12', () => {
    const m16 = rod(blank, 'M16', 16);
    expect(pitch(m16)).toBe(2);
    const hole = { ...m16, holeDiameter: measured(18), holeDepth: measured(125), embedment: measured(125) };
    expect(nominalMl(hole)).toBeCloseTo(10.59, 2);
    expect(pitch(rod(blank, 'M20x1.5', 20))).toBe(1.5);
    expect(pitch(rod(blank, '5/8-11', 15.875))).toBeCloseTo(25.4 / 11, 9);
  });
  test('follows a plain size, unless another was typed; a designation overrules that again', () => {
    const sixteen = rod(blank, '16 mm', 16);
    expect(pitch(sixteen)).toBe(2);
    const fine = withValue(kindOf(sixteen), sixteen, 'thread.pitchMm', 1.5);
    expect(pitch(rod(fine, '20 mm', 20))).toBe(1.5);
    expect(pitch(rod(fine, 'M20', 20))).toBe(2.5);
    const plain = withValue(kindOf(blank), blank, 'thread.kind', 'plain');
    expect(pitch(rod(plain, 'M20', 20))).toBeNull();
  });
  test('a reinforcing bar has none: it is counted by the diameter it is named for', () => {
    const bar = rod(blank, '#5 bar', 15.875);
    expect(bar.thread).toEqual({ kind: 'plain' });
    const hole = { ...bar, holeDiameter: measured(19), holeDepth: measured(125), embedment: measured(125) };
    expect(nominalMl(hole)).toBeCloseTo(((Math.PI / 4) * (19 ** 2 - 15.875 ** 2) * 125) / 1000, 6);
    // A thread typed instead has one again only where somebody says that it is threaded.
    expect(pitch(rod(bar, 'M16', 16))).toBeNull();
  });
});
