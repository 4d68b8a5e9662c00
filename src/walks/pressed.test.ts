import { METHODS, methodOf } from '@/core/method';
import type { Piece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { furtherSheets } from '@/sample/further-systems';
import { sampleData } from '@/sample/jobs';
import { curve, single } from '@/sample/sheet-words';
import { workshopSheets } from '@/sample/workshop-systems';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/** A twin cartridge with a static mixer, in work that is otherwise mixed in pots. */
const NOW = at('2027-05-10T08:20');
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  climate: { kind: 'constant' as const, tempC: 20, humidityPct: 55 },
};
const shelf = [...furtherSheets, ...workshopSheets];
const cartridge = shelf.find((s) => s.id === 'sheet-bracket-1')!;
const paste: SheetRevision = {
  ...cartridge,
  sample: false,
  limits: { ...cartridge.limits, bases: [], liftMaxMm: 5, bondMinMm: null, bondMaxMm: null },
  milestones: [
    single('use-by', 'mix-begins', 'material', 6, 6),
    single('idle', 'mix-begins', 'material', 4, 4),
    curve('next-lift', 'placed', 'base', [
      [5, 60, 90],
      [30, 20, 30],
    ]),
    curve('sandable', 'placed', 'base', [
      [5, 120, 150],
      [30, 40, 50],
    ]),
    curve('load', 'placed', 'base', [
      [5, 300, 300],
      [30, 90, 90],
    ]),
  ],
};
const planned = (
  methodId: string,
  { sheet = paste, ...o }: NonNullable<Parameters<typeof firstPlanned>[3]> & { readonly sheet?: SheetRevision } = {},
) => firstPlanned({ job, nowMs: NOW }, methodOf(methodId)!, sheet, o);
type Planned = ReturnType<typeof planned>;
const steps = (p: Planned, ends: RegExp) => p.steps.filter((s) => ends.test(s.id));
const minutes = (from: string | null, to: string | null) => (Date.parse(to!) - Date.parse(from!)) / 60_000;

describe('deeper than the sheet’s lift', () => {
  test.each([
    ['metal-filler', {}, 1],
    ['laminate-hole', { holeDiameter: 40, holeDepth: 14 }, 3],
    ['cavity-packing', {}, 2],
  ] as const)(
    '%s: as many lifts as the finding says, a fresh mixer and the sheet’s wait before each',
    (id, dims, count) => {
      const p = planned(id, { dims, count });
      const said = Number(/in (\d+) lifts/.exec(p.findings.find((f) => f.id === 'lift:deep')!.todo)![1]);
      expect(said).toBeGreaterThan(1);
      const places = steps(p, /:place$/);
      const lifts = new Set(p.batches.map((b) => b.label));
      expect([lifts.size, p.batches.map((b) => b.label)]).toEqual([
        said,
        Array.from({ length: said }, (_, i) => `lift ${i + 1}`),
      ]);
      expect(steps(p, /^b\d+:mix$/)).toHaveLength(said);
      // 20 °C lies between 5 °C (90 min) and 30 °C (30 min); never nothing.
      for (const [i, s] of places.slice(1).entries())
        if (s.id.startsWith(`b${i + 2}:`)) expect(minutes(places[i]!.to, s.from)).toBeGreaterThan(30);
      // Nothing is lost between the lifts: what is placed is what the lines of the amounts add up to, less mixers.
      const mixers = said * (paste.mixer!.volumeMl + paste.mixer!.purgeMl);
      expect(p.batches.reduce((s, b) => s + b.ml, 0)).toBeCloseTo(p.toMixMl!, 6);
      expect(p.amounts.filter((a) => /first shots|mixers/.test(a.label)).reduce((s, a) => s + a.ml, 0)).toBeCloseTo(
        mixers,
        6,
      );
    },
  );
  test('within one lift it is one go', () => {
    const p = planned('laminate-hole', { dims: { holeDiameter: 40, holeDepth: 4 }, count: 3 });
    expect(p.batches).toHaveLength(1);
    expect(p.findings.some((f) => f.id === 'lift:deep')).toBe(false);
  });
  test('a sheet that tells when the next lift goes and not when it has gelled has told enough', () => {
    const p = planned('laminate-hole', { dims: { holeDiameter: 40, holeDepth: 14 } });
    expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(p.untimed).toEqual([]);
    const gels = { ...paste, milestones: [...paste.milestones, single('gel', 'placed', 'base', 20, 25)] };
    const quicker = planned('laminate-hole', { dims: { holeDiameter: 40, holeDepth: 14 }, sheet: gels });
    expect(minutes(quicker.steps[0]!.from, quicker.steps.at(-1)!.to)).toBeLessThan(
      minutes(p.steps[0]!.from, p.steps.at(-1)!.to),
    );
  });
  test('a deep gouge is filled in lifts by default, and no choice of ours stops it', () => {
    const p = planned('metal-filler');
    expect(p.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(p.steps.map((s) => s.title)).toEqual(
      expect.arrayContaining(['Press in lift 1 of 7, under the face', 'Press in lift 7, slightly domed']),
    );
  });
  test('one pass, chosen for what is too deep, is stopped with the lifts it takes', () => {
    const p = planned('laminate-hole', {
      dims: { holeDiameter: 40, holeDepth: 14 },
      over: { schools: { 'deep-fills': 'one' } },
    });
    expect(p.findings.find((f) => f.id === 'lift:deep')).toMatchObject({
      severity: 'stop',
      todo: 'Place it in 3 lifts.',
    });
  });
});

describe('seven small parts from one cartridge', () => {
  const PART = { 'outline.length': 45, 'outline.width': 30, thickness: 0.5 };
  const p = planned('small-part', { count: 7, dims: PART });

  test('one mixer, its first shots thrown away once; then part by part', () => {
    expect(p.batches.map((b) => [b.label, b.kits])).toEqual([['parts 1 to 7', null]]);
    expect(steps(p, /:(weigh|mix)$/).map((s) => s.id)).toEqual(['b1:weigh', 'b1:mix']);
    const turns = p.steps.filter((s) => /:(spread|close)$/.test(s.id)).map((s) => s.id.split(':')[1]);
    expect(turns).toEqual(Array.from({ length: 14 }, (_, i) => (i % 2 ? 'close' : 'spread')));
  });
  test('each has the working time of what was pressed for it: the last does not wait in the pot of the first', () => {
    const ends = p.milestones.filter((m) => m.kind === 'use-by');
    const begins = steps(p, /:spread$/);
    expect(ends).toHaveLength(7);
    for (const [i, m] of ends.entries()) {
      expect(m.plans! > begins[i]!.to!).toBe(true);
      // The sheet's 6 min at 23 °C, a little longer at 20: from when it is pressed.
      expect(minutes(begins[i]!.from, m.plans)).toBeGreaterThan(6);
      expect(minutes(begins[i]!.from, m.plans)).toBeLessThan(9);
    }
    expect(p.findings.filter((f) => /^late|^tight/.test(f.id))).toEqual([]);
  });
  test('a part that takes longer than the resin works is told, and only that', () => {
    const big = planned('small-part', {
      count: 3,
      dims: { 'outline.length': 300, 'outline.width': 200, thickness: 0.8 },
    });
    const late = big.findings.filter((f) => f.id.startsWith('late'));
    expect(late).toHaveLength(3);
    for (const f of late) {
      expect(f.severity).toBe('caution');
      // Of its own steps: those of the parts before it spend nothing of its time.
      expect(f.why.match(/Spread part/g)).toHaveLength(1);
    }
  });
  test.each([
    [10, 2],
    [1, 1],
  ])('a pause of %i min before the fourth stands in the plan, and takes %i mixers in all', (min, mixers) => {
    const paused = planned('small-part', { count: 7, dims: PART, over: { stops: [{ after: 3, minutes: min }] } });
    expect(paused.batches.map((b) => b.label)).toEqual(['parts 1 to 3', 'parts 4 to 7']);
    expect(steps(paused, /:mix$/)).toHaveLength(mixers);
    const first = paused.amounts.find((a) => /first shots/.test(a.label))!;
    expect(first.ml).toBeCloseTo(mixers * paste.mixer!.purgeMl, 9);
    const at4 = paused.steps.findIndex((s) => /^b2\.4:spread$/.test(s.id));
    const from = paused.steps.findIndex((s) => /^b1\.3:close$/.test(s.id));
    const between = paused.steps.slice(from + 1, at4);
    expect(between.map((s) => s.id)).toEqual(['b2:pause', ...(mixers > 1 ? ['b2:weigh', 'b2:mix'] : [])]);
    expect(minutes(between[0]!.from, between[0]!.to)).toBe(min);
    expect(between[0]!.detail).toMatch(mixers > 1 ? /does not bear it/ : /stays good/);
  });
});

test('nothing but a hole is called a hole', () => {
  for (const method of METHODS) {
    if (!method.takes.out.includes('mixer') || !method.takes.flow.includes('paste')) continue;
    for (const count of [1, 3]) {
      const p = planned(method.id, { count });
      for (const b of p.batches)
        expect([method.id, /\bhole/.test(b.label)]).toEqual([method.id, method.id === 'anchor']);
    }
  }
});

describe('holes that take longer than the resin works', () => {
  const { bundles } = sampleData(NOW, ZONE);
  const anchor = shelf.concat(bundles.flatMap((b) => b.sheets)).find((s) => s.kind === 'anchor-pack')!;
  const quick: SheetRevision = {
    ...anchor,
    sample: false,
    milestones: [
      single('use-by', 'mix-begins', 'material', 2, 2),
      single('load', 'placed', 'base', 60, 60),
      single('release', 'placed', 'base', 30, 30),
    ],
  };
  const of = (settings: Piece['settings'] = {}) =>
    planned('anchor', { count: 4, sheet: quick, over: { settings, materialC: 23 } });
  const rate = (p: Planned) => p.findings.find((f) => f.id === 'rate');

  test('by minutes of ours: planned, hole by hole, and cautioned; a press says how quick one is and ends it', () => {
    const p = of();
    expect(p.problems).toEqual([]);
    expect(p.batches).toHaveLength(4);
    expect(rate(p)).toMatchObject({ severity: 'caution' });
    expect(rate(p)!.why).toMatch(/planned with 3 min, a figure of Grenko’s own; .* works for 2 min/);
    const [way] = rate(p)!.ways!;
    expect(way!.set.path).toEqual(['settings', 'per-place']);
    const quicker = of({ 'per-place': way!.set.value as number, 'set-place': 0.5 });
    expect([quicker.problems, rate(quicker)]).toEqual([[], undefined]);
  });
  test('by one’s own minutes it is refused', () => {
    const p = of({ 'per-place': 3 });
    expect(p.problems.map((x) => x.sentence).join()).toMatch(/One place takes 3 min, the resin works for 2 min/);
  });
});

test('a crack poured through a mixer: the pack is made ready, and nothing is weighed into cups', () => {
  const runny: SheetRevision = { ...paste, flow: 'pours' };
  const p = planned('poured-crack', { sheet: runny });
  expect(p.problems).toEqual([]);
  expect(p.steps.map((s) => s.id)).toEqual(expect.arrayContaining(['b1:weigh', 'b1:mix', 'b1:pour']));
  expect(p.steps.some((s) => s.id === 'weigh-all')).toBe(false);
  for (const s of steps(p, /^b1:(weigh|mix)$/)) expect(s.detail).not.toMatch(/\d g\b|cups/);
});

test('a socket is filled from its bottom out of a cartridge, and rolled and rammed only what is kneaded', () => {
  const words = (p: Planned) => steps(p, /:place$/).map((s) => `${s.title} ${s.detail}`);
  const shallow = { ...paste, limits: { ...paste.limits, liftMaxMm: null } };
  for (const [count, sheet, title] of [
    [1, shallow, /^Press it in, strike level/],
    [1, paste, /^Fill them, batch \d of \d, strike level/],
    [3, shallow, /^Press it in, strike level/],
  ] as const) {
    const pressed = words(planned('cavity-packing', { count, sheet }));
    expect(pressed.length).toBeGreaterThan(0);
    for (const text of pressed) {
      expect(text).toMatch(title);
      expect(text).toMatch(/Nozzle to the bottom/);
      expect(text).not.toMatch(/roll/i);
    }
  }
  const putty = shelf.find((s) => s.kind === 'putty')!;
  for (const text of words(planned('cavity-packing', { sheet: { ...putty, sample: false } })))
    expect(text).toMatch(/Roll, ram.*Rolled to the size of the opening/);
});
