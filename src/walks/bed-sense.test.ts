import { METHODS } from '@/core/method';
import type { Piece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { kindOf, measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, firstPlanned, ZONE } from './made';

/** What a combed bed asks of the base, the trowel and the place. */
const NOW = at('2027-05-10T07:00');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const method = METHODS.find((m) => m.id === 'setting-bed')!;
const tile = sampleRecords(NOW, ZONE).find(
  (r): r is SheetRevision => r.record === 'sheet' && r.kind === 'tile-adhesive',
)!;
const sheet = (most: number | null, least: number | null = null): SheetRevision => ({
  ...tile,
  limits: { ...tile.limits, bondMaxMm: most, bondMinMm: least },
});
interface Trowel {
  readonly form?: 'square' | 'vee' | 'round';
  readonly wide: number;
  readonly deep: number;
  readonly gap: number;
  readonly deg?: number;
  readonly back?: number;
}
const combed = ({ form = 'square', wide, deep, gap, deg = 60, back = 0 }: Trowel): VoidShape =>
  ({
    ...SHAPES.notchedBed.blank(),
    outline: { kind: 'rectangle', length: measured(1500, 'tape'), width: measured(1000, 'tape') },
    notch: { form, width: measured(wide, 'rule'), depth: measured(deep, 'rule'), gap: measured(gap, 'rule') },
    trowelDeg: deg,
    backMm: back,
  }) as VoidShape;
const EIGHT = { wide: 8, deep: 8, gap: 8 };
const planned = (trowel: Trowel, over: Partial<Piece> = {}, of = sheet(10)) =>
  firstPlanned({ job, nowMs: NOW }, method, of, { over: { void: voidOf(combed(trowel)), ...over } });
const said = (p: ReturnType<typeof planned>, id: string) => p.findings.find((f) => f.id === id);

test('an 8 mm notch at 60°: 3.46 mm pressed flat, 6.93 mm of ridge', () => {
  const shape = combed(EIGHT);
  const { flatMm, ridgeMm } = kindOf(shape).combed!(shape);
  expect([flatMm, ridgeMm]).toEqual([expect.closeTo(3.46, 2), expect.closeTo(6.93, 2)]);
});

test('random trowels: the ridge holds at least what it is pressed to, and what is combed is what is pressed', () => {
  for (const d of draws(40)) {
    const form = (['square', 'vee', 'round'] as const)[d.of(0, 2, 1)]!;
    const trowel = { form, wide: d.of(4, 14, 1), deep: d.of(8, 16, 1), gap: d.of(2, 12, 1), deg: d.of(30, 90, 5) };
    const shape = combed({ ...trowel, back: d.of(0, 3, 0.5) });
    const { flatMm, ridgeMm } = kindOf(shape).combed!(shape);
    expect(ridgeMm).toBeGreaterThan(flatMm);
    // Combed across 1.5 m² by the millimetre: the height of the ridges over one width and tooth, added up.
    const lean = Math.sin((trowel.deg * Math.PI) / 180);
    let sum = 0;
    const step = 0.01;
    for (let x = step / 2; x < trowel.wide; x += step) {
      const [half, off] = [trowel.wide / 2, Math.abs(x - trowel.wide / 2)];
      const high =
        form === 'square'
          ? trowel.deep
          : form === 'vee'
            ? trowel.deep * (1 - off / half)
            : trowel.deep - half + Math.sqrt(half * half - off * off);
      sum += high * lean * step;
    }
    const back = (shape as { backMm: number }).backMm;
    expect(flatMm - back).toBeCloseTo(sum / (trowel.wide + trowel.gap), 1);
  }
});

test('a hollow that nobody measured forbids nothing: with 3 mm of ours the bed is perhaps too thick', () => {
  const p = planned(EIGHT, {}, sheet(5));
  expect(said(p, 'bed:thick')).toMatchObject({
    severity: 'caution',
    why: expect.stringMatching(/3\.46 mm pressed flat and 3 mm more.*6\.46 mm against 5 mm/),
  });
});
test('a hollow of 3 mm that was typed stops a bed of at most 5 mm; one of 1 mm does not', () => {
  expect(said(planned(EIGHT, { settings: { 'off-plane': 3 } }, sheet(5)), 'bed:thick')?.severity).toBe('stop');
  expect(said(planned(EIGHT, { settings: { 'off-plane': 1 } }, sheet(5)), 'bed:thick')).toBeUndefined();
});
test('a bed that is too thick by itself stops whatever the base is, and one too thin as well; a silent sheet says nothing', () => {
  const deep = { wide: 12, deep: 16, gap: 6 };
  const p = planned(deep, {}, sheet(5));
  expect(said(p, 'bed:thick')).toMatchObject({ severity: 'stop', why: expect.not.stringMatching(/hollow/) });
  expect(said(planned(EIGHT, { settings: { 'off-plane': 0 } }, sheet(null, 4)), 'bed:thin')?.severity).toBe('stop');
  const silent = planned(deep, { settings: { 'off-plane': 0 } }, sheet(null));
  expect(silent.findings.filter((f) => /^bed:(thick|thin)/.test(f.id))).toEqual([]);
});

test('a 6 mm notch does not reach the back over a hollow of 3 mm; an 8 mm notch does', () => {
  const six = { wide: 6, deep: 6, gap: 6 };
  const p = planned(six);
  // It stands 5.20 and is pressed to 2.60: 2.60 are left for a hollow.
  expect(said(p, 'bed:reach')).toMatchObject({
    severity: 'caution',
    why: expect.stringMatching(
      /5\.2 mm high and are pressed to 2\.6 mm; over a hollow of 3 mm the gap is 5\.6 mm.*nobody measured/,
    ),
  });
  expect(said(planned(EIGHT), 'bed:reach')).toBeUndefined();
  const typed = planned(six, { settings: { 'off-plane': 3 } });
  expect(said(typed, 'bed:reach')!.why).not.toMatch(/nobody/);
  expect(said(planned(six, { settings: { 'off-plane': 2.5 } }), 'bed:reach')).toBeUndefined();
});
test('buttered backs fill, and reach no further: both the bed and the ridge are higher by them', () => {
  const [bare, back] = [combed(EIGHT), combed({ ...EIGHT, back: 1 })].map((s) => kindOf(s).combed!(s));
  expect(back!.flatMm - bare!.flatMm).toBeCloseTo(1, 9);
  expect(back!.ridgeMm - bare!.ridgeMm).toBeCloseTo(1, 9);
});

test('spots are stopped on a floor and outdoors, and a press combs a full bed; on a dry wall inside they pass', () => {
  for (const where of ['floor', 'wet']) {
    const stop = said(planned(EIGHT, { schools: { bed: 'spots', where } }), 'bed:spots')!;
    expect(stop.severity).toBe('stop');
    const { path, value } = stop.ways![0]!.set;
    expect([path, value]).toEqual([['schools', 'bed'], 'full']);
    expect(said(planned(EIGHT, { schools: { bed: String(value), where } }), 'bed:spots')).toBeUndefined();
  }
  expect(said(planned(EIGHT, { schools: { bed: 'spots', where: 'wall' } }), 'bed:spots')).toBeUndefined();
  expect(said(planned(EIGHT), 'bed:spots')).toBeUndefined();
});

test('one is lifted in each area, at a hold point: 95 % of its back on a floor, 80 % on a dry wall inside', () => {
  const spread = (where: string) => {
    const steps = planned(EIGHT, { schools: { where } }).steps.filter((s) => s.id.endsWith(':spread'));
    expect(steps.length).toBeGreaterThan(0);
    return steps;
  };
  for (const [where, share] of [
    ['floor', '95 %'],
    ['wet', '95 %'],
    ['wall', '80 %'],
  ] as const)
    for (const s of spread(where)) {
      expect(s.hold).toBe(true);
      expect(s.detail.replaceAll(' ', ' ')).toContain(`at least ${share} of its back covered`);
    }
});
