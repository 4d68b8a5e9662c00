import { methodOf } from '@/core/method';
import { type Piece, pieceOf, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { pickList } from '@/core/record/pick-list';
import { parseCleaning, parseRods, type SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { bands, curve } from '@/sample/sheet-words';
import { resinSheet } from '@/sample/systems';
import { freshRepair } from '@/ui/workspace/fresh';
import { say } from '@/words';
import { draws, minutesAt } from './draws';
import { at, baseAt, drawnShape, firstPlanned, walkJob, ZONE } from './made';

/**
 * What a sheet says of holes, in the plan of four bolts typed for the first time: its table of rods, how often a hole
 * is blown and brushed, wet holes; and a hole deeper than the mixer reaches.
 */
const NOW = at('2027-05-10T07:00');
const job = walkJob({ id: 'bolts', startFrom: NOW });
const anchor = methodOf('anchor')!;
const sheet = (over: Partial<SheetRevision> = {}): SheetRevision => ({
  ...resinSheet,
  id: 'mine',
  sample: false,
  milestones: [
    bands('use-by', 'mix-begins', 'pot', [0, 10, 20, 30], [20, 10, 5]),
    bands('release', 'placed', 'base', [0, 10, 20, 30], [120, 60, 30]),
    bands('load', 'placed', 'base', [0, 10, 20, 30], [300, 150, 75]),
  ],
  holes: null,
  ...over,
});
const holes = (over: Partial<NonNullable<SheetRevision['holes']>> = {}): SheetRevision => ({
  ...sheet(),
  holes: {
    rods: [...parseRods('M12: 14, 75 to 220, brush 16\nM16: 18', 'rods', 'metric')],
    cleaning: [],
    wet: null,
    printed: '',
    ...over,
  },
});
const DIMS = { holeDiameter: 14, holeDepth: 110, rodDiameter: 12, embedment: 110 };
const sound = Object.fromEntries(anchor.questions.map((q) => [q.id, q.wants]));
const wetHole: Piece['answers'] = { ...sound, 'hole-dry': 'no' };
const planned = (of: SheetRevision, over: Partial<Piece> = {}, dims: Readonly<Record<string, number>> = DIMS) =>
  firstPlanned({ job, nowMs: NOW }, anchor, of, { count: 4, dims, over });
type Planned = ReturnType<typeof planned>;
const found = (p: Planned, id: string) => p.findings.find((f) => f.id === id || f.id.startsWith(`${id}:`));
const step = (p: Planned, id: string) => p.steps.find((s) => s.id === id)!;
const minutesOf = (p: Planned, id: string) => (Date.parse(step(p, id).to!) - Date.parse(step(p, id).from!)) / 60_000;
/** From the last rod at its mark to when all may be loaded, minutes. */
const waits = (p: Planned, kind: string) => {
  const last = p.milestones.filter((m) => m.kind === kind).at(-1)!;
  return (Date.parse(last.plans!) - Date.parse(last.since!)) / 60_000;
};

describe('the table of rods', () => {
  test('the hole that the sheet asks for is silent; a bit measures up to half a millimetre over its name', () => {
    for (const holeDiameter of [14, 14.5, 13.6])
      expect([holeDiameter, found(planned(holes(), {}, { ...DIMS, holeDiameter }), 'hole-table')]).toEqual([
        holeDiameter,
        undefined,
      ]);
  });

  test('another bit, too shallow and too deep a rod are told, each with what the sheet asks', () => {
    const wide = found(planned(holes(), {}, { ...DIMS, holeDiameter: 18 }), 'hole-table')!;
    expect([wide.severity, wide.title]).toEqual(['stop', 'Hole not as the sheet has it']);
    expect(wide.why).toMatch(/^Ø 18(\.0)? mm for M12; the sheet asks for Ø 14(\.0)? mm\.$/);
    expect(wide.todo).toMatch(/Resin thicker than tested/);
    expect(found(planned(holes(), {}, { ...DIMS, holeDiameter: 13 }), 'hole-table')!.todo).toMatch(/Drill it out/);
    const shallow = planned(holes(), {}, { ...DIMS, embedment: 60 });
    expect(shallow.findings.filter((f) => f.title === 'Rod not deep enough').map((f) => f.severity)).toEqual(['stop']);
    const deep = planned(holes(), {}, { ...DIMS, holeDepth: 260, embedment: 260 });
    expect(deep.findings.filter((f) => f.title === 'Rod deeper than the sheet tells').map((f) => f.severity)).toEqual([
      'caution',
    ]);
  });

  test('a rod that is not in the table is a caution that names those that are; without a table nothing is said', () => {
    const other = { ...DIMS, rodDiameter: 10, holeDiameter: 12 };
    expect(found(planned(holes(), {}, other), 'hole-table')).toMatchObject({
      severity: 'caution',
      why: expect.stringMatching(/M12, M16/),
    });
    expect(found(planned(sheet(), {}, { ...DIMS, holeDiameter: 18, embedment: 40 }), 'hole-table')).toBeUndefined();
    // A size without depths asks for none.
    expect(
      found(planned(holes(), {}, { holeDiameter: 18, holeDepth: 300, rodDiameter: 16, embedment: 300 }), 'hole-table'),
    ).toBeUndefined();
  });
});

describe('cleaning', () => {
  test('as often as the sheet says, half a minute each, with its brush; as is usual where it is silent', () => {
    const usual = planned(sheet());
    expect(step(usual, 'prep:clean').title).toBe('Clean 4 holes: blow twice, brush twice, blow twice');
    expect(step(usual, 'prep:clean').detail).toMatch(/A round brush that fits tightly/);
    expect(minutesOf(usual, 'prep:clean')).toBe(4 * 6 * 0.5);
    const often = planned(holes({ cleaning: [...parseCleaning('4 blow, 4 brush, 4 blow', 'cleaning')] }));
    expect(step(often, 'prep:clean').title).toBe('Clean 4 holes: blow 4 times, brush 4 times, blow 4 times');
    expect(step(often, 'prep:clean').detail).toMatch(/Round brush of 16(\.0)? mm\./);
    expect(minutesOf(often, 'prep:clean')).toBe(4 * 12 * 0.5);
    const slow = planned(sheet(), { settings: { 'prep:clean min/cleaning stroke': 1 } });
    expect(minutesOf(slow, 'prep:clean')).toBe(4 * 6);
    // Minutes for each hole, typed before strokes were counted, are those of the usual six.
    const before = planned(sheet(), { settings: { 'prep:clean min/place': 6 } });
    expect(minutesOf(before, 'prep:clean')).toBe(4 * 6);
    const both = planned(sheet(), { settings: { 'prep:clean min/place': 6, 'prep:clean min/cleaning stroke': 0.25 } });
    expect(minutesOf(both, 'prep:clean')).toBe(4 * 6 * 0.25);
  });
});

describe('a wet hole', () => {
  const title = 'Water in the hole';
  const standing = (p: Planned) => p.findings.find((f) => f.title === title && f.severity === 'stop');

  test('the sheet is silent: a stop, and to wait twice as long is one press', () => {
    const p = planned(sheet(), { answers: wetHole });
    expect(standing(p)).toBeDefined();
    const [way] = standing(p)!.ways!;
    expect([way!.say, way!.set]).toEqual(['Wait 2 times as long', { path: ['schools', 'wet-hole'], value: 'longer' }]);
    expect(waits(p, 'load')).toBe(150);
    const chosen = planned(sheet(), { answers: wetHole, schools: { 'wet-hole': 'longer' } });
    expect(standing(chosen)).toBeUndefined();
    expect(found(chosen, 'longer-waits')).toMatchObject({
      severity: 'caution',
      title: `${title}: waited 2 times as long`,
    });
    expect([waits(chosen, 'release'), waits(chosen, 'load')]).toEqual([120, 300]);
  });

  test('the sheet excludes it: a stop without a way out, whatever is chosen', () => {
    for (const schools of [{}, { 'wet-hole': 'longer' }] as Record<string, string>[]) {
      const p = planned(holes({ wet: 'no' }), { answers: wetHole, schools });
      expect(standing(p)).toBeDefined();
      expect(standing(p)!.ways).toBeUndefined();
      expect(waits(p, 'load')).toBe(150);
    }
  });

  test('the sheet allows it: no stop, its own longer wait, told where the time comes from', () => {
    const p = planned(holes({ wet: { times: 1.5 } }), { answers: wetHole });
    expect(standing(p)).toBeUndefined();
    expect(found(p, 'longer-waits')).toMatchObject({ severity: 'note', title: `${title}: the sheet allows it` });
    expect(waits(p, 'load')).toBe(225);
    expect(p.milestones.find((m) => m.kind === 'load')!.sheetSays).toMatch(/: 1\.5 times the dry time$/);
    // What works is no longer than it was.
    expect(waits(p, 'use-by')).toBe(10);
    const dry = planned(holes({ wet: { times: 1.5 } }));
    expect(waits(dry, 'load')).toBe(150);
    expect(found(dry, 'longer-waits')).toBeUndefined();
  });

  test('unsure is no yes: it stops, whatever the sheet allows', () => {
    const p = planned(holes({ wet: { times: 1.5 } }), { answers: { ...sound, 'hole-dry': 'unsure' } });
    expect(p.findings.find((f) => f.id === 'inspection:hole-dry')?.severity).toBe('stop');
    expect(waits(p, 'load')).toBe(150);
  });

  test('random bases that grow warmer: progress minute by minute against so many times the time of the sheet', () => {
    for (const d of draws(30)) {
      const [first, then, times] = [d.of(2, 12, 0.5), d.of(12, 24, 0.5), d.of(1, 3, 0.25)];
      const [cold, warm, turnH] = [d.of(300, 900, 30), d.of(60, 240, 30), d.of(1, 6, 0.5)];
      const turn = NOW + turnH * 3_600_000;
      const mine: SheetRevision = {
        ...holes({ wet: { times } }),
        milestones: [
          bands('use-by', 'mix-begins', 'pot', [-5, 40], [30]),
          curve('load', 'placed', 'base', [
            [5, cold, cold],
            [20, warm, warm],
          ]),
        ],
      };
      const iso = (ms: number) => new Date(ms).toISOString();
      const p = planned(mine, {
        answers: wetHole,
        base: {
          material: 'concrete',
          thicknessMm: 200,
          back: 'ground',
          exposure: 'sheltered',
          surroundings: freshRepair('x', 'anchor', 1, NOW).base.surroundings,
          known: baseAt([iso(NOW - 86_400_000), first], [iso(turn), then]),
          castOn: '2005-05-01',
        },
      });
      const load = p.milestones.filter((m) => m.kind === 'load').at(-1)!;
      const tau = (tempC: number) => minutesAt(tempC, [5, cold], [20, warm]);
      let [done, minute] = [0, 0];
      for (const since = Date.parse(load.since!); done < times; minute++)
        done += 1 / tau(since + minute * 60_000 < turn ? first : then);
      expect([d.n, p.problems, (Date.parse(load.plans!) - Date.parse(load.since!)) / 60_000 / minute]).toEqual([
        d.n,
        [],
        expect.closeTo(1, 1),
      ]);
      expect(Math.abs((Date.parse(load.plans!) - Date.parse(load.since!)) / 60_000 - minute)).toBeLessThan(3);
    }
  });
});

describe('a hole deeper than the mixer reaches', () => {
  const DEEP = { holeDiameter: 14, holeDepth: 300, rodDiameter: 12, embedment: 300 };
  const line = (p: Planned, label: RegExp) => p.amounts.find((a) => label.test(a.label));

  test('a tube as long as it lacks is counted with what stays in it; typed, it is as typed', () => {
    const p = planned(sheet(), {}, DEEP);
    // The mixer reaches 180 of 300 mm: 120 mm of a tube of 8 mm keep 6.03 mL.
    expect(line(p, /tube/i)!.ml).toBeCloseTo(((Math.PI / 4) * 8 ** 2 * 120) / 1000, 6);
    expect(found(p, 'hole-gap')).toMatchObject({ severity: 'note', title: 'A tube on the mixer' });
    const long = planned(sheet(), { settings: { 'tube-bore': 10, 'tube-length': 200 } }, DEEP);
    expect(line(long, /tube/i)!.ml).toBeCloseTo(((Math.PI / 4) * 10 ** 2 * 200) / 1000, 6);
    expect(found(long, 'hole-gap')!.severity).toBe('note');
  });

  test('a tube that is too short is a caution that says by how much; none is needed where the mixer reaches', () => {
    for (const [length, lacks] of [
      [0, '120'],
      [50, '70'],
    ] as const) {
      const p = planned(sheet(), { settings: { 'tube-length': length } }, DEEP);
      const told = found(p, 'hole-gap')!;
      expect([told.severity, told.title]).toEqual(['caution', 'Nozzle does not reach the bottom']);
      expect(told.todo).toMatch(new RegExp(`longer by ${lacks}(\\.0)? mm`));
    }
    const near = planned(sheet());
    expect(line(near, /tube/i)).toBeUndefined();
    expect(found(near, 'hole-gap')).toBeUndefined();
  });

  test('the pick list has a tube for each mixer, and a plug for a deep hole', () => {
    const picked = (dims: Readonly<Record<string, number>>, stops: Piece['stops'] = []) => {
      const fresh = freshRepair(job.id, 'anchor', 1, NOW);
      const of = sheet();
      const repair = withPiece(fresh, {
        ...pieceOf(fresh),
        void: { ...voidOf(drawnShape(anchor, dims)), count: 4 },
        sheetId: of.id,
        kitId: of.kits[0]!.id,
        answers: sound,
        stops,
      });
      const list = pickList(viewJob({ job, repairs: [repair], sheets: [of], stock: [], events: [] }, NOW));
      const count = (what: RegExp) =>
        list.consumables.find((c) => what.test(say(c.what, { system: 'metric', zone: ZONE, language: 'en' })))
          ?.quantity ?? 0;
      return [count(/tubes?\b/), count(/plugs?\b/)];
    };
    expect(picked(DIMS)).toEqual([0, 0]);
    expect(picked({ ...DIMS, holeDepth: 200, embedment: 200 })).toEqual([1, 0]);
    expect(picked(DEEP)).toEqual([1, 1]);
    // A pause longer than the resin bears asks for a second mixer, with its own tube.
    expect(picked(DEEP, [{ after: 2, minutes: 40 }])).toEqual([2, 2]);
  });
});
