import { isTaken, METHODS, type Method } from '@/core/method';
import type { Piece } from '@/core/plan';
import { isMetered, type SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { sampleRecords } from '@/sample/jobs';
import { single } from '@/sample/sheet-words';
import { freshJob } from '@/ui/workspace/fresh';
import { at, drawnShape, firstPlanned, ZONE } from './made';

/**
 * Every method as somebody plans it for the first time: a shape as it is drawn, a system that serves, all else left.
 */
const NOW = at('2027-05-10T07:00');
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };

const served = (method: Method): SheetRevision => sheets.find((s) => isTaken(method, s))!;
const planned = (
  method: Method,
  over: Partial<Piece> = {},
  system: 'metric' | 'us' = 'metric',
  sheet: SheetRevision = served(method),
) => firstPlanned({ job, nowMs: NOW }, method, sheet, { over, reader: { system } });

const each = METHODS.map((m) => [m.id, m] as const);

test.each(each)('%s: has a system on the sample shelf, an amount, and steps one after the other', (_, method) => {
  expect(served(method)).toBeDefined();
  const p = planned(method);
  expect(p.volumeMl!.nominal).toBeGreaterThan(0);
  // What cannot be planned is said in a sentence; what can has its batches.
  if (p.problems.length) {
    for (const { sentence } of p.problems) expect(sentence).toMatch(/\.$/);
    return;
  }
  // A film too thin to be measured takes what the sheet says it covers.
  if (!method.params?.byCoverage) expect(p.toMixMl!).toBeGreaterThanOrEqual(p.volumeMl!.nominal * 0.4);
  expect(p.toMixMl!).toBeGreaterThan(0);
  expect(p.batches.length).toBeGreaterThan(0);
  const steps = [...p.steps, ...p.untimed];
  expect(steps.length).toBeGreaterThan(4);
  for (const s of steps) expect(s.title).toMatch(/^[A-Z].{2,}/);
  expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
  let before = Number.NEGATIVE_INFINITY;
  for (const s of p.steps) {
    const [from, to] = [Date.parse(s.from!), Date.parse(s.to!)];
    expect([s.id, from >= before, to >= from]).toEqual([s.id, true, true]);
    before = to;
  }
});

test.each(each)(
  '%s: with every system of the shelf that is what it needs there is a plan, or a sentence why not',
  (_, method) => {
    for (const sheet of sheets.filter((s) => isTaken(method, s))) {
      const p = planned(method, {}, 'metric', sheet);
      for (const { sentence } of p.problems)
        expect([sheet.name, sentence]).toEqual([sheet.name, expect.stringMatching(/\.$/)]);
      if (p.problems.length) continue;
      expect([sheet.name, p.batches.length > 0]).toEqual([sheet.name, true]);
      const lines = p.amounts.reduce((sum, a) => sum + a.ml, 0);
      expect([sheet.name, Math.abs(lines / p.toMixMl! - 1) < 1e-6]).toEqual([sheet.name, true]);
      const placed = p.steps.filter((s) => /:(place|pour|spread|coat|fill|shots)$/.test(s.id));
      expect([sheet.name, placed.length > 0 || p.untimed.length > 0]).toEqual([sheet.name, true]);
    }
  },
);

test.each(each)('%s: what is mixed is what the lines add up to, and no more than the packs hold', (_, method) => {
  const p = planned(method);
  if (!p.batches.length) return;
  const lines = p.amounts.reduce((sum, a) => sum + a.ml, 0);
  expect(lines / p.toMixMl!).toBeCloseTo(1, 6);
  const batches = p.batches.reduce((sum, b) => sum + b.ml, 0);
  expect(batches).toBeGreaterThanOrEqual(p.toMixMl! * (1 - 1e-9));
  const sheet = served(method);
  const kit = sheet.kits[0]!;
  for (const part of ['A', 'B'] as const) {
    const mixed = p.batches.reduce((sum, b) => sum + (b.massG[part] ?? 0), 0);
    if (!isMetered(sheet.kind)) expect(mixed).toBeLessThanOrEqual(p.kits!.use * kit.massG[part]! * 1.001);
  }
});

test.each(each)('%s: nothing is mixed before the place is prepared, nor placed before it is mixed', (_, method) => {
  const p = planned(method);
  const first = (match: RegExp) => p.steps.findIndex((s) => match.test(s.id));
  const last = (match: RegExp) => p.steps.findLastIndex((s) => match.test(s.id));
  const mixes = first(/^b1:(mix|purge|weigh)$/);
  if (mixes < 0) return;
  expect(last(/^prep/)).toBeLessThan(mixes);
  const placed = first(/^b1(\.\d+)?:(place|pour|spread|coat|fill|shots)$/);
  expect(placed).toBeGreaterThan(mixes);
  const finished = first(/^(finish|release)/);
  if (finished >= 0) expect(finished).toBeGreaterThan(placed);
});

test.each(each)(
  '%s: reads alike in US units, with no figure of the other system and no word of a program',
  (_, method) => {
    const [metric, us] = [planned(method), planned(method, {}, 'us')];
    expect(us.steps.map((s) => s.id)).toEqual(metric.steps.map((s) => s.id));
    expect(us.toMixMl).toBeCloseTo(metric.toMixMl!, 9);
    const said = [
      ...us.steps.map((s) => s.title),
      ...us.findings.flatMap((f) => [f.title, f.why, f.todo]),
      ...us.amounts.flatMap((a) => [a.label, a.expression]),
      ...us.batches.map((b) => b.label),
    ];
    for (const text of said) {
      expect(text).not.toMatch(/\d ?(mm|mL|m²|°C|kg|g)\b/);
      expect(text).not.toMatch(/\bundefined\b|\bNaN\b|\bnull\b|\[object|[{}]/);
    }
  },
);

test.each(each)(
  '%s: twice as many like places take no less, and one answer against it stops it or cautions',
  (_, method) => {
    const one = planned(method);
    const two = planned(method, { void: { ...voidOf(drawnShape(method)), count: 2 } });
    if (one.toMixMl !== null && two.toMixMl !== null) expect(two.toMixMl).toBeGreaterThan(one.toMixMl);
    for (const q of method.questions) {
      const other = q.wants === 'yes' ? 'no' : 'yes';
      const answers = { ...Object.fromEntries(method.questions.map((x) => [x.id, x.wants])), [q.id]: other } as const;
      // What a sheet may allow is held against one that says nothing of it.
      const p = planned(method, { answers }, 'metric', { ...served(method), holes: null });
      const said = p.findings.find((f) => f.title === q.otherwise.title);
      expect([q.id, said?.severity]).toEqual([q.id, q.otherwise.severity]);
    }
  },
);

test('joint colour stands its minutes in any weather: what is a manner of mixing does not stop the plan on a cool floor', () => {
  const method = METHODS.find((m) => m.id === 'joint-colour')!;
  const sheet = served(method);
  const told = sheet.milestones.find((m) => m.kind === 'stand')!;
  if (told.table.form !== 'single') throw new Error('the sample gives one figure');
  const p = planned(method);
  const [mixed, coated] = ['b1:mix', 'b1:coat'].map((id) => p.steps.find((s) => s.id === id)!);
  const minutes = (Date.parse(coated!.from!) - Date.parse(mixed!.to!)) / 60_000;
  expect(minutes).toBeGreaterThanOrEqual(told.table.toMin);
  expect(minutes).toBeLessThan(told.table.toMin + 8);
  expect(p.untimed).toEqual([]);
});

/** What no time that is printed later stands for: layers that must still take the next, faces that get too hard. */
const LATER_IS_TOO_LATE: Readonly<Record<string, string>> = {
  'barrier-coat': 'recoat-from',
  'body-filler': 'sandable',
  'joint-colour': 'recoat-from',
  'poured-crack': 'sandable',
  'resin-joints': 'wash-from',
  'stone-chip': 'sandable',
};
test.each(each)(
  '%s: a sheet that prints the pot and the full load alone is planned to its end, or stops for a reason',
  (id, method) => {
    const printed = served(method);
    const one = (kind: 'use-by' | 'load', minutes: number) => ({
      ...single(kind, kind === 'load' ? 'placed' : 'mix-begins', kind === 'load' ? 'base' : 'pot', minutes, minutes),
      table: { form: 'single' as const, tempC: 20, fromMin: minutes, toMin: minutes },
    });
    const bare = { ...printed, milestones: [one('use-by', 40), one('load', 1440)] };
    const p = planned(method, {}, 'metric', bare);
    expect([id, p.problems]).toEqual([id, []]);
    expect([id, p.stop?.kind ?? null]).toEqual([id, LATER_IS_TOO_LATE[id] ?? null]);
    if (p.stop) return;
    expect(p.untimed).toEqual([]);
    expect(p.steps.at(-1)!.id).toBe('release:tests');
    // It is opened by the one time there is, a day at 20 °C, and never before.
    const [placed, opened] = [p.steps.findLast((s) => s.stage === 'place')!, p.steps.at(-1)!];
    expect(Date.parse(opened.from!) - Date.parse(placed.to!)).toBeGreaterThan(20 * 3_600_000);
  },
);

/** Methods of which each place is tried, bared, cut or freed by itself. */
const BY_PLACE = ['anchor', 'plate-bond', 'small-part', 'metal-filler', 'rebuilt-part', 'timber-part', 'fitting-tack'];
test.each(each)('%s: six places are not prepared and finished in the minutes of one', (id, method) => {
  const six = planned(method, { void: { ...voidOf(drawnShape(method)), count: 6 } });
  const dryMin = (p: typeof six) =>
    p.steps
      .filter((s) => /^(prep|finish)/.test(s.id))
      .reduce((sum, s) => sum + (Date.parse(s.to!) - Date.parse(s.from!)) / 60_000, 0);
  expect(dryMin(six) / dryMin(planned(method))).toBeGreaterThan(BY_PLACE.includes(id) ? 3 : 1.3);
});
