import { isTaken, METHODS } from '@/core/method';
import { roundBarMm2 } from '@/core/method/bars';
import type { SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { draws } from './draws';
import { at, firstPlanned, ZONE } from './made';

/** Reinforcement half laid open in a patch: freed behind, rubbed bright, coated, and its room filled too. */
const NOW = at('2027-05-10T07:00');
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const PATCHES = ['mortar-patch', 'cement-patch'].map((id) => [id, METHODS.find((m) => m.id === id)!] as const);
const planned = (
  method: (typeof PATCHES)[number][1],
  over: Parameters<typeof firstPlanned>[3] = {},
  system: 'metric' | 'us' = 'metric',
) => {
  return firstPlanned({ job, nowMs: NOW }, method, sheets.find((s) => isTaken(method, s))!, {
    ...over,
    reader: { system },
  });
};
const freed = (settings: Readonly<Record<string, number>>) => ({
  over: { schools: { bars: 'freed' }, settings: { ...settings } },
});

test('Ø 12 freed 20 mm behind: 1.239 L a metre, 52 × 26 mm less the bar', () => {
  expect(roundBarMm2(12, 20)).toBeCloseTo(52 * 26 - 113.1, 1);
});

test('random bars: their room is what a fine grid counts, broken out beside and behind, less the whole bar', () => {
  for (const d of draws(20)) {
    const [across, behind] = [d.of(6, 40, 1), d.of(0, 40, 1)];
    // The old floor lies at height 0, through the middle of the bar; counted by squares of a tenth of a millimetre.
    const step = 0.1;
    const half = across / 2;
    let [brokenOut, bar] = [0, 0];
    for (let y = -half - behind + step / 2; y < half; y += step)
      for (let x = -half - behind + step / 2; x < half + behind; x += step) {
        if (y < 0) brokenOut += step * step;
        if (x * x + y * y < half * half) bar += step * step;
      }
    expect(Math.abs(roundBarMm2(across, behind) - (brokenOut - bar))).toBeLessThan(0.01 * brokenOut + 1);
  }
});

test.each(PATCHES)('%s: where no bar lies open nothing of it is planned', (_, method) => {
  const p = planned(method);
  expect(p.steps.some((s) => /bars/.test(s.id))).toBe(false);
  expect(p.amounts.some((a) => /bars/.test(a.label))).toBe(false);
  expect(p.consumables.some((c) => /bars/.test(c.what))).toBe(false);
});

test.each(PATCHES)('%s: two metres of Ø 12 are 2.48 L more, fifty minutes, two metres of coat', (_, method) => {
  const [before, p] = [planned(method), planned(method, freed({ 'bars-run': 2000, 'bars-across': 12 }))];
  expect(p.problems).toEqual([]);
  const line = p.amounts.find((a) => /behind and beside freed bars/.test(a.label))!;
  expect(line.ml).toBeCloseTo(2 * 1238.9, 0);
  // What is lost or struck off may be a share of it, and comes on top.
  expect(p.toMixMl! - before.toMixMl!).toBeGreaterThanOrEqual(2 * 1238.9 - 1);
  const step = p.steps.find((s) => /bars/.test(s.id))!;
  expect((Date.parse(step.to!) - Date.parse(step.from!)) / 60_000).toBeCloseTo(10 + 2 * 20, 6);
  expect(step.detail).toMatch(/^20 mm behind and all round/);
  // Broken out before anything is primed, wetted or mixed, and after the edges are cut.
  const ids = p.steps.map((s) => s.id);
  expect(ids.indexOf(step.id)).toBeGreaterThan(ids.indexOf('prep:cut'));
  expect(ids.indexOf(step.id)).toBeLessThan(ids.findIndex((id) => /^b1:|prep:wet|prep:check/.test(id)));
  expect(p.consumables.find((c) => /coat for bars/.test(c.what))).toBeDefined();
});

test.each(PATCHES)('%s: in US units the room of the bars is told in inches', (_, method) => {
  const p = planned(method, freed({ 'bars-run': 2000 }), 'us');
  const line = p.amounts.find((a) => /freed bars/.test(a.label))!;
  expect(`${line.expression} ${p.steps.find((s) => /bars/.test(s.id))!.detail}`).not.toMatch(/\d ?(mm|mL|m|L)\b/);
});

test.each(PATCHES)('%s: bars found rusting are a caution that leads to their room', (_, method) => {
  const answers = { ...Object.fromEntries(method.questions.map((q) => [q.id, q.wants])), bars: 'yes' as const };
  const said = planned(method, { over: { answers } }).findings.find((f) => /reinforcement/.test(f.title))!;
  expect([said.severity, said.todo]).toEqual(['caution', expect.stringMatching(/say so at Measure/)]);
});

test('the saw stays above the bars: their cover is metered before it is set down', () => {
  for (const [, method] of PATCHES)
    expect(planned(method).steps.find((s) => s.id === 'prep:cut')!.detail).toMatch(
      /^Cover over the bars metered first/,
    );
});

test.each(PATCHES)(
  '%s: a length that nobody typed is planned with and said; typed, and where none is freed, nothing is',
  (_, method) => {
    const said = (o: Parameters<typeof firstPlanned>[3]) =>
      planned(method, o).findings.find((f) => f.id === 'bars:ours');
    expect(said(freed({}))).toMatchObject({ severity: 'caution', why: expect.stringMatching(/^1000 mm of bar/) });
    expect(said(freed({ 'bars-run': 1000 }))).toBeUndefined();
    expect(said({})).toBeUndefined();
  },
);
