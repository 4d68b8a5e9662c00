import { METHODS } from '@/core/method';
import { type Job, pieceOf, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { parseQuantity } from '@/core/typed';
import { kindOf, measureVoid, type Void, voidProblems, withValue } from '@/core/void';
import { FIRST_LOOKS, type FirstLook, lookIn } from '@/sample/first';
import { freshJob, freshRepair } from '../workspace/fresh';

const NOW = Date.UTC(2026, 4, 5, 6);
const look = (of: FirstLook, over: Partial<Job> = {}) => {
  const job = { ...freshJob(NOW), zone: 'Europe/Helsinki', ...over };
  const made = freshRepair(job.id, of.method, 1, NOW, of.on);
  const repair = withPiece(made, { ...pieceOf(made), void: of.void, sheetId: of.sheet.id, kitId: of.kitId });
  return viewJob({ job, repairs: [repair], sheets: [of.sheet], stock: [], events: [] }, NOW).repairs[0]!;
};

test.each(FIRST_LOOKS.map((f) => [f.label, f] as const))(
  '%s: planned to its end with nothing chosen; only the example sheet stops it, and not in a sample',
  (_, of) => {
    const { plan, findings } = look(of);
    expect(plan.problems).toEqual([]);
    expect(plan.openMs).toBeGreaterThan(NOW);
    expect(findings.filter((f) => f.severity === 'stop').map((f) => f.id)).toEqual(['example']);
    expect(look(of, { sample: true }).findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(METHODS.find((m) => m.id === of.method)!.bases).toContain(of.on);
  },
);

test.each(FIRST_LOOKS.map((f) => [f.label, f] as const))(
  '%s: every field is a size that can be typed, and each of them changes what it takes',
  (_, of) => {
    const [shape] = of.void.shapes;
    const kind = kindOf(shape!);
    const dims = kind.dimensions(shape!);
    expect(dims.length).toBeGreaterThan(1);
    const ml = (v: Void) => measureVoid(v).nominalMl;
    for (const { key, shift, measured } of dims) {
      expect([key, shift ?? false]).toEqual([key, false]);
      const { valueMm } = measured;
      // A rod goes no deeper than its hole: what can be is tried.
      const other = [valueMm * 1.03, valueMm * 0.97, valueMm + 5]
        .filter((mm) => mm !== valueMm)
        .map((mm) => ({ ...of.void, shapes: [withValue(kind, shape!, key, { ...measured, valueMm: mm })] }))
        .find((v) => voidProblems(v).length === 0)!;
      expect([key, ml(other) !== ml(of.void)]).toEqual([key, true]);
    }
  },
);

test('colder never opens sooner', () => {
  for (const of of FIRST_LOOKS) {
    const at = (tempC: number) => look(of, { climate: { kind: 'constant', tempC, humidityPct: 65 } }).plan.openMs;
    const [cold, warm] = [at(10), at(25)];
    if (cold !== null && warm !== null) expect([of.id, cold >= warm]).toEqual([of.id, true]);
  }
});

test('a scale that nobody has named is assumed and forbids nothing; one that was named does', () => {
  const hole = FIRST_LOOKS.find((f) => f.id === 'hole')!;
  const said = (over: object) => {
    const job = { ...freshJob(NOW), zone: 'Europe/Helsinki' };
    const made = freshRepair(job.id, hole.method, 1, NOW, hole.on);
    const piece = { ...pieceOf(made), void: hole.void, sheetId: hole.sheet.id, kitId: hole.kitId, ...over };
    return viewJob(
      { job, repairs: [withPiece(made, piece)], sheets: [hole.sheet], stock: [], events: [] },
      NOW,
    ).repairs[0]!.findings.find((f) => f.id === 'scale');
  };
  const bench = pieceOf(freshRepair('j', hole.method, 1, NOW)).bench;
  expect(said({})?.severity).toBe('caution');
  expect(said({ bench: { ...bench, way: 'weight' } })?.severity).toBe('stop');
  expect(said({ scaleStepG: 2 })?.severity).toBe('stop');
  expect(said({ scaleStepG: 0.01 })).toBeUndefined();
});

test('an anchor by a sheet that prints no more than working and loading times is planned to its end', () => {
  const bolts = FIRST_LOOKS.find((f) => f.id === 'bolts')!;
  const only = (...kinds: readonly string[]) => ({
    ...bolts,
    sheet: { ...bolts.sheet, milestones: bolts.sheet.milestones.filter((m) => kinds.includes(m.kind)) },
  });
  const { plan } = look(only('use-by', 'load'));
  expect(plan.stop).toBeNull();
  const clean = plan.steps.find((s) => s.id === 'finish:clean')!;
  const loaded = Math.max(...plan.milestones.filter((m) => m.kind === 'load').map((m) => m.planMs!));
  // What is not printed is waited for longer, never shorter.
  expect(clean.startMs).toBeGreaterThanOrEqual(loaded);
  expect(look(bolts).plan.steps.find((s) => s.id === 'finish:clean')!.startMs).toBeLessThan(loaded);
  // Without either nothing is made up.
  expect(look(only('use-by')).plan.stop).not.toBeNull();
});

test.each(FIRST_LOOKS.map((f) => [f.label, f] as const))(
  '%s: in US units its figures are round in inches or feet, read back as they stand, and planned like the others',
  (_, of) => {
    const us = lookIn(of, 'us');
    const [mine] = us.void.shapes;
    for (const { key, measured } of kindOf(mine!).dimensions(mine!)) {
      if (!measured.valueMm) continue;
      expect([key, measured.text]).toEqual([
        key,
        expect.stringMatching(/^\d+( \d+\/\d+)? (in|ft)$|^\d+\/\d+ in$|^0\.0\d+ in$/),
      ]);
      const read = parseQuantity('length', measured.text, 'us');
      expect(read.ok && read.value).toBeCloseTo(measured.valueMm, 6);
    }
    // About as large as in millimetres, and without a fault of its own.
    const ml = (l: FirstLook) => measureVoid(l.void).nominalMl;
    expect(ml(us) / ml(of)).toBeGreaterThan(0.6);
    expect(ml(us) / ml(of)).toBeLessThan(1.7);
    expect(voidProblems(us.void)).toEqual([]);
    const { plan, findings } = look(us);
    expect(plan.openMs).toBeGreaterThan(NOW);
    expect(findings.filter((f) => f.severity === 'stop').map((f) => f.id)).toEqual(['example']);
    expect(lookIn(of, 'metric')).toBe(of);
  },
);
