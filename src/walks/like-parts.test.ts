import { type Piece, pieceOf, type Repair, withPiece } from '@/core/plan';
import { planReport, viewJob } from '@/core/record';
import { methodsData, sampleData } from '@/sample/jobs';
import { PLAIN_READER, planInWords } from '@/words';
import { at, scaled, ZONE } from './made';

/** The sample’s repairs, several times and larger: what is done to each of many like parts, and what to all of them. */
const NOW = at('2026-05-05T09:00');
const bundles = [sampleData, methodsData].flatMap((of) => of(NOW, ZONE).bundles);
const planned = (id: string, o: { count?: number; by?: number; over?: Partial<Piece>; splittable?: boolean } = {}) => {
  const bundle = bundles.find((b) => b.repairs.some((r) => r.id === id))!;
  const repair = bundle.repairs.find((r) => r.id === id)!;
  const many = repair.chain.reduce<Repair>((r, pass) => {
    const piece = pieceOf(r, pass);
    const void_ = piece.void?.shapes.length
      ? { ...scaled(piece.void, o.by ?? 1), count: o.count ?? piece.void.count }
      : piece.void;
    return withPiece(r, { ...piece, void: void_, ...o.over });
  }, repair);
  const sheets = bundle.sheets.map((s) => ({
    ...s,
    kits: s.kits.map((kit) => ({ ...kit, splittable: o.splittable ?? kit.splittable })),
  }));
  const view = viewJob({ ...bundle, repairs: [many], sheets, events: [] }, NOW);
  return planInWords(planReport(view), { ...PLAIN_READER, zone: ZONE }).repairs[0]!;
};
const MIN = 60_000;

describe('fittings in a hull', () => {
  test.each([2, 7])('%i of them are each aligned right after they are set, before the next is spread', (count) => {
    const p = planned('sample-fitting', { count });
    const turns = p.steps.filter((s) => s.pass === p.steps[0]!.pass && /:(spread|close|align)$/.test(s.id));
    expect(turns.map((s) => s.id.split(':')[1])).toEqual(
      Array.from({ length: count }, () => ['spread', 'close', 'align']).flat(),
    );
    expect(p.findings.filter((f) => /has gelled/.test(f.title))).toEqual([]);
    const gel = p.milestones.find((m) => m.kind === 'gel')!.plans!;
    expect(turns.filter((s) => s.id.endsWith('align'))[0]!.to! < gel).toBe(true);
  });
  test('one alone is aligned as its record has always named it', () => {
    const p = planned('sample-fitting', { count: 1 });
    expect(p.steps.filter((s) => s.id.endsWith('align')).map((s) => [s.id, s.title])).toEqual([
      ['align', 'Check the alignment before it gels'],
    ]);
  });
});

describe('plates so large that each takes two pots', () => {
  const p = planned('sample-plate', { count: 4, by: 3, over: { crew: 3 } });
  const of = (part: number) =>
    p.steps.filter(
      (s) => new RegExp(`(part ${part} of 4)`).test(s.title) && /:(grind|spread|close|bare-again)$/.test(s.id),
    );
  test('each is ground before its first pot, and nothing is ground between its pots', () => {
    for (const part of [1, 2, 3, 4]) {
      const kinds = of(part).map((s) => s.id.split(':').at(-1)!);
      expect(kinds.filter((k) => k === 'spread')).toHaveLength(2);
      const first = kinds.indexOf('spread');
      expect([part, kinds.slice(first)]).toEqual([part, ['spread', 'spread', 'close']]);
      expect(kinds.slice(0, first)).toContain('grind');
    }
  });
  test('round the clock no day ends: nothing waits for midnight', () => {
    expect(p.findings.filter((f) => f.id.startsWith('day-end'))).toEqual([]);
    const gaps = p.steps
      .slice(1)
      .map((s, i) => [s.id, (Date.parse(s.from!) - Date.parse(p.steps[i]!.to!)) / MIN] as const);
    const work = gaps.filter(([id]) => /:(grind|weigh|mix|spread|close)$/.test(id));
    for (const [id, min] of work) expect([id, min]).toEqual([id, 0]);
  });
});

describe('like pours', () => {
  /** Of the second of its two pours, into which the part is lowered. */
  const second = (o: Parameters<typeof planned>[1] = {}) => {
    const p = planned('sample-collar', o);
    const { id, batches } = p.passes.at(-1)!;
    return { ...p, batches, steps: p.steps.filter((s) => s.pass === id) };
  };
  const turnsOf = (p: Pick<ReturnType<typeof planned>, 'steps'>) =>
    p.steps.flatMap((s) => /(?:^|:)(mix|pour|vents|seat)$/.exec(s.id)?.[1] ?? []);
  const placed = (p: Pick<ReturnType<typeof planned>, 'batches'>) =>
    p.batches.reduce((ml, b) => ml + (b.placedMl ?? 0), 0);
  const poured = (p: Pick<ReturnType<typeof planned>, 'steps'>) =>
    p.steps.filter((s) => /(?:^|:)pour$/.test(s.id)).map((s) => s.title);

  test.each([2, 4])('%i with a part in each: poured, seen to and seated one after the other', (count) => {
    const p = second({ count });
    expect(p.problems).toEqual([]);
    expect(turnsOf(p)).toEqual(Array.from({ length: count }, () => ['mix', 'pour', 'vents', 'seat']).flat());
    expect(p.batches.map((b) => b.label)).toEqual(Array.from({ length: count }, (_, i) => `place ${i + 1}`));
    expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    // Nobody is hurried from place to place: each is a pour of its own.
    expect(p.steps.map((s) => s.title).join()).not.toMatch(/in a row|where the last one ran to/);
  });

  test('a place that takes more than a pail is gone on with, and seated once', () => {
    const p = second({ count: 2, by: 2 });
    const pails = p.batches.filter((b) => b.label === 'place 1').length;
    expect(pails).toBeGreaterThan(1);
    const place = [...Array.from({ length: pails }, () => ['mix', 'pour']).flat(), 'vents', 'seat'];
    expect(turnsOf(p)).toEqual([...place, ...place]);
    expect(poured(p)[0]).toBe('Pour place 1 of 2 from one side');
    expect(poured(p)[1]).toBe('Pour batch 2 into place 1 of 2, go on where the last one ran to');
    expect(poured(p)[pails]).toBe('Pour place 2 of 2 from one side');
  });

  test('weighed, whole places come out of a pot, and no drop more is placed than in as many alone', () => {
    const may = { over: { schools: { 'part-kits': 'weighed' } }, splittable: true };
    const one = second(may);
    const p = second({ ...may, count: 3 });
    expect(placed(one)).toBeGreaterThan(500);
    expect(placed(p)).toBeCloseTo(3 * placed(one), 6);
    expect(p.batches.map((b) => b.kits)).toEqual(p.batches.map(() => null));
    // Seven minutes to fill, thirteen to see to: the third would be full after 47, and the pot has 43.
    expect(p.batches.map((b) => b.label)).toEqual(['places 1 to 2', 'place 3']);
    const place = ['pour', 'vents', 'seat'];
    expect(turnsOf(p).filter((t) => t !== 'mix')).toEqual([...place, ...place, ...place]);
  });

  test('whole pails without a part in them are poured on from place to place: none more than all of it takes', () => {
    const { passes, steps } = planned('sample-collar', { count: 3 });
    const [first] = passes;
    const [pail] = first!.batches;
    expect(first!.batches).toHaveLength(Math.ceil(first!.toMixMl! / pail!.ml));
    expect(first!.batches.length).toBeLessThan(3);
    expect(poured({ steps: steps.filter((s) => s.pass === first!.id) })).toEqual([
      'Pour batch 1 of 2 from one side',
      'Pour batch 2 of 2, go on where the last one ran to',
    ]);
  });

  test('one alone is poured as ever', () => {
    const p = second();
    expect(turnsOf(p)).toEqual(['mix', 'pour', 'vents', 'seat']);
    expect(poured(p)).toEqual(['Pour from one side']);
  });
});

test('more pots than anybody mixes are refused with how many, not with a work that never ends', () => {
  const p = planned('sample-collar', { count: 30, by: 5 });
  expect(p.problems.length).toBeGreaterThan(0);
  for (const { sentence } of p.problems) {
    expect(sentence).toMatch(/It would take \d{3,} batches in all/);
    expect(sentence).not.toMatch(/never ends/);
  }
});

test('what is left is told as less than what is planned, and never as less than nothing', () => {
  for (const [id, count, by, materialC] of [
    ['sample-pad', 30, 3, 5],
    ['sample-pad', 7, 3, null],
    ['sample-sensor', 7, 1, 5],
    ['sample-fitting', 7, 3, 5],
  ] as const)
    for (const f of planned(id, { count, by, over: { materialC } }).findings) {
      const told = /planned with (.+?), (?:a figure|figures) of Grenko’s own; (.+?) are left/.exec(f.why);
      if (told) expect([f.why, told[1]]).not.toEqual([f.why, told[2]]);
      expect(f.why).not.toMatch(/[−-]\d/);
    }
});

test('a window that closes for the first before it opens for the last is told so, and not as a span that runs backwards', () => {
  const crossed = [7, 30].flatMap((count) =>
    [1, 3].flatMap((crew) =>
      planned('sample-crack', { count, by: 3, over: { crew } }).findings.filter((f) => /glass-hard/.test(f.title)),
    ),
  );
  expect(crossed.length).toBeGreaterThan(0);
  for (const f of crossed) {
    expect(f.why).toMatch(/is planned from .+ to .+;/);
    expect(f.why).toMatch(/the first of it may be cut until .+, the last from .+ only|it may be cut from .+ to /);
  }
  expect(crossed.some((f) => /the first of it may be cut until/.test(f.why))).toBe(true);
});

test('lines that a batch fills from end to end are told together, each by what it is', () => {
  const titles = (id: string, count: number, crew = 1) =>
    planned(id, { count, over: { crew } }).steps.flatMap((s) => (/^b\d+:(place|pour)$/.test(s.id) ? [s.title] : []));
  expect(titles('sample-moving', 7)[0]).toBe('Fill and tool it, batch 1, joints 1 to 4');
  // No mix ends in the middle of one where as many do without.
  expect(titles('sample-moving', 7)[1]).toBe('Fill and tool it, batch 2, joints 5 to 7');
  // Thirty joints of 4 m: no title names more than two of them and a run between.
  for (const title of titles('sample-moving', 30)) expect(title.match(/joints? \d+/g)!.length).toBeLessThanOrEqual(3);
  const cracks = titles('sample-crack', 30, 3);
  expect(cracks.some((t) => /cracks \d+ to \d+, in each the joint at 650 mm kept open/.test(t))).toBe(true);
  // All metres of all cracks are filled once, whatever they are called.
  const filled = titles('sample-moving', 30).flatMap((t) => [
    ...[...t.matchAll(/joints (\d+) to (\d+)/g)].map((m) => 4 * (Number(m[2]) - Number(m[1]) + 1)),
    ...[...t.matchAll(/joint \d+ from ([\d.]+) m to ([\d.]+) m/g)].map((m) => Number(m[2]) - Number(m[1])),
  ]);
  expect(filled.reduce((a, b) => a + b, 0)).toBeCloseTo(30 * 4, 1);
});
