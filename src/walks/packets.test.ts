import { methodOf } from '@/core/method';
import type { SheetRevision } from '@/core/system';
import { kitVolumeMl } from '@/core/system';
import { furtherSheets } from '@/sample/further-systems';
import { kitOf, single } from '@/sample/sheet-words';
import { draws } from './draws';
import { at, firstPlanned, walkJob } from './made';

/** Packets that are kneaded each in its own film: several of them for one place, as a person gets through them. */
const NOW = at('2027-05-10T08:00');
const job = walkJob({ id: 'packets', startFrom: NOW, climate: { kind: 'constant', tempC: 20, humidityPct: 55 } });
const bonder = furtherSheets.find((s) => s.kind === 'sachets')!;
const sheet = (over: Partial<SheetRevision> = {}): SheetRevision => ({
  ...bonder,
  id: 'mine',
  sample: false,
  mixMin: 2,
  limits: { ...bonder.limits, bases: [], bondMinMm: null, bondMaxMm: null, liftMaxMm: null },
  milestones: [
    single('use-by', 'mix-begins', 'pot', 20, 20),
    single('release', 'placed', 'base', 480, 480),
    single('load', 'placed', 'base', 480, 480),
  ],
  ...over,
});
const kitMl = kitVolumeMl(sheet(), sheet().kits[0]!);
type O = NonNullable<Parameters<typeof firstPlanned>[3]>;
const planned = (methodId: string, o: O = {}, of = sheet()) =>
  firstPlanned({ job, nowMs: NOW }, methodOf(methodId)!, of, o);
type Planned = ReturnType<typeof planned>;
const steps = (p: Planned, ends: RegExp) => p.steps.filter((s) => ends.test(s.id));
const minutes = (s: Planned['steps'][number]) => (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000;

describe('a joint that is closed at once', () => {
  const plate = planned('plate-bond', { dims: { length: 300, width: 200, thickness: 0.8 } });

  test('all its packets are kneaded, one after the other, then spread out of all', () => {
    expect(plate.problems).toEqual([]);
    expect(plate.batches).toHaveLength(1);
    const packets = plate.batches[0]!.kits!;
    expect(packets).toBe(Math.ceil(plate.toMixMl! / kitMl - 1e-9));
    expect(packets).toBeGreaterThan(2);
    const [knead] = steps(plate, /:mix$/);
    expect(knead!.title).toBe(`Knead ${packets} packets, one after the other`);
    expect(knead!.detail).toMatch(/^Each in its own film\..*cut all open and press them out/);
    expect(minutes(knead!)).toBe(2 * packets);
    expect(steps(plate, /:weigh$/).map((s) => s.title)).toEqual([`Lay ${packets} packets out`]);
  });

  test('no more stands in one of them than it holds: nothing is said of a larger pot', () => {
    const named = sheet({
      milestones: sheet().milestones.map((m) => (m.kind === 'use-by' ? { ...m, referenceMassG: 20 } : m)),
    });
    const p = planned('plate-bond', { dims: { length: 300, width: 200, thickness: 0.8 } }, named);
    expect(p.batches[0]!.kits).toBeGreaterThan(2);
    expect(p.findings.filter((f) => f.id === 'pot-mass')).toEqual([]);
  });

  test('the pot lives from the first that is kneaded', () => {
    const clock = plate.milestones.find((m) => m.kind === 'use-by')!;
    expect(clock.since).toBe(steps(plate, /:mix$/)[0]!.from);
  });
});

describe('a hollow that is filled', () => {
  test('one packet is used up before the next is kneaded; they are laid out once', () => {
    const p = planned('metal-filler');
    expect(p.batches.length).toBeGreaterThan(1);
    expect(p.batches.map((b) => b.kits)).toEqual(p.batches.map(() => 1));
    expect(steps(p, /weigh/).map((s) => s.title)).toEqual([`Lay ${p.batches.length} packets out`]);
    const order = p.steps.filter((s) => /:(mix|place)$/.test(s.id)).map((s) => s.id);
    expect(order).toEqual(p.batches.flatMap((_, i) => [`b${i + 1}:mix`, `b${i + 1}:place`]));
    for (const s of steps(p, /:mix$/)) {
      expect(minutes(s)).toBe(2);
      expect(s.detail).toMatch(/Then cut it open and press it out/);
    }
  });

  test('one packet is told as one', () => {
    const p = planned('laminate-hole', { dims: { holeDiameter: 20, holeDepth: 6 } });
    expect(steps(p, /weigh/).map((s) => s.title)).toEqual(['Lay the packet out']);
    expect(steps(p, /:mix$/).map((s) => s.title)).toEqual(['Knead it in its film']);
  });
});

test('random joints agree with a count by hand: as many packets to a mix as are kneaded and spread while the first lives', () => {
  let [told, several] = [0, 0];
  for (const d of draws(40, 7)) {
    const [length, width, thickness] = [d.of(80, 400, 10), d.of(60, 250, 10), d.of(0.3, 1.5, 0.1)];
    const [at20, knead, rate] = [d.of(10, 30, 1), d.of(1, 3, 0.5), d.of(15, 60, 5)];
    const mine = sheet({
      mixMin: knead,
      potLossMl: 0,
      kits: [kitOf('p', 'Packet', [12, 12], { splittable: false })],
      milestones: sheet().milestones.map((m) =>
        m.kind === 'use-by' ? single('use-by', 'mix-begins', 'pot', at20, at20, 20) : m,
      ),
    });
    const packet = kitVolumeMl(mine, mine.kits[0]!);
    const p = planned(
      'small-part',
      { dims: { length, width, thickness }, over: { settings: { rate, squeeze: 25 } } },
      mine,
    );
    if (p.problems.length || p.batches.length === 0) continue;
    told++;
    const clock = p.milestones.find((m) => m.kind === 'use-by')!;
    const lives = (Date.parse(clock.plans!) - Date.parse(clock.since!)) / 60_000;
    // Tried one by one: so many packets kneaded, then spread what they hold, or what is left; the first must live on.
    const inOne = (ml: number) => {
      const k = Math.ceil(ml / packet - 1e-6);
      return k * knead + ml / rate <= lives + 1e-9;
    };
    const all = p.toMixMl!;
    let mixes = 1;
    while (!inOne(all / mixes) && all / mixes > packet / 100) mixes++;
    const need = Math.ceil(p.toMixMl! / packet - 1e-6);
    expect([d.n, p.batches.reduce((n, b) => n + b.kits!, 0)]).toEqual([d.n, need]);
    expect([d.n, p.batches.length]).toEqual([d.n, mixes]);
    if (mixes > 1) several++;
  }
  expect([told > 25, several > 3]).toEqual([true, true]);
});

test('lifts of packets wait for each other: each lays out its own, and none is kneaded before the last has gelled', () => {
  const layered = sheet({
    limits: { ...sheet().limits, liftMaxMm: 8 },
    milestones: [...sheet().milestones, single('gel', 'placed', 'base', 60, 60)],
  });
  const p = planned('laminate-hole', { dims: { holeDiameter: 60, holeDepth: 14 } }, layered);
  expect(p.problems).toEqual([]);
  const lifts = [...new Set(p.batches.map((b) => b.label))];
  expect(lifts).toHaveLength(2);
  const of = (label: string) => p.batches.flatMap((b, i) => (b.label === label ? [i + 1] : []));
  const [first, second] = lifts.map(of) as [number[], number[]];
  expect(second.length).toBeGreaterThan(1);
  expect(steps(p, /weigh/).map((s) => s.id)).toEqual([`b${first[0]}:weigh`, `b${second[0]}:weigh`]);
  expect(steps(p, /weigh/).map((s) => s.title)).toEqual(
    [first, second].map((l) => (l.length === 1 ? 'Lay the packet out' : `Lay ${l.length} packets out`)),
  );
  const at = (id: string, end: 'from' | 'to') => Date.parse(p.steps.find((s) => s.id === id)![end]!);
  const gap = (at(`b${second[0]}:weigh`, 'from') - at(`b${first.at(-1)}:place`, 'to')) / 60_000;
  expect(gap).toBeGreaterThanOrEqual(59);
});
