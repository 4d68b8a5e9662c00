import { suits } from '@/core/judge';
import { amountOf, documentOf, pickList, planReport, viewJob } from '@/core/record';
import type { Said } from '@/core/say';
import { finishedData, methodsData, sampleData } from '@/sample/jobs';
import { ended } from '@/walks/made';
import { planInWords, type Reader, say, workedIn } from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const US: Reader = { system: 'us', zone: 'Europe/Helsinki', language: 'en' };
const bundles = [sampleData, methodsData, finishedData].flatMap((make) => make(NOW, US.zone).bundles);
const each = bundles.map((b) => [b.job.name, b] as const);
const us = (said: Said) => say(said, US);

/** A figure with a metric unit. */
const METRIC = /\d ?(mm|cm|m|mL|L|kg|g|°C|K|cm²|m²|mL\/min|MPa|kN)(?![\w²/°])/;
/** A coverage is told as it is printed on the sheet, whatever units one works in. */
const PRINTED = /kg for each m² and mm|m² a litre/;
/** A system is called as its maker calls it: “Sachet bonder 20 g”. */
const names = bundles.flatMap((b) => b.sheets.map((s) => s.name));
const metricIn = (words: readonly string[]) =>
  words
    .map((w) => names.reduce((rest, name) => rest.replaceAll(name, ''), w))
    .filter((w) => METRIC.test(w) && !PRINTED.test(w));

/** Every sentence of what was handed out, with where it stands; the messages beside them are for programs. */
const sentences = (value: unknown, at = ''): readonly (readonly [string, string])[] =>
  typeof value === 'string'
    ? [[at, value]]
    : Object.entries(value ?? {}).flatMap(([key, v]) => (key === 'said' ? [] : sentences(v, `${at}.${key}`)));

test.each(each)('%s: no metric figure is left in a plan read in US customary units', (_, bundle) => {
  const told = sentences(planInWords(planReport(viewJob(bundle, NOW)), US))
    // Kits and batches are called as somebody named them.
    .filter(([at]) => !at.includes('.kits.'))
    .filter(([at]) => /\.(title|detail|why|todo|sentence|text|label|expression|source|sheetSays|problem)$/.test(at));
  expect(told.length).toBeGreaterThan(100);
  expect(metricIn(told.map(([, words]) => words))).toEqual([]);
});

test.each(each)('%s: nor in its record, its pick list and the systems held against it', (_, bundle) => {
  const view = viewJob(bundle, NOW);
  const when = (ms: number) => new Date(ms).toISOString();
  const records = view.repairs.flatMap((whole) => {
    const doc = documentOf(view, whole, bundle.events, { nowMs: NOW, tell: us, when });
    return [...doc.facts, ...doc.working.flatMap((w) => w.lines.map((l) => [l.label, l.how, l.value]))].flat();
  });
  const picked = pickList(view).consumables.flatMap((c) => [us(c.what), us(c.why), us(amountOf(c))]);
  const held = view.repairs.flatMap(({ passes }) =>
    passes.flatMap(({ repair }) =>
      ended(suits({ job: view.job, repair, plan: view.plan, sheets: bundle.sheets, stock: [] })).flatMap((s) =>
        s.criteria.map((c) => us(c.says)),
      ),
    ),
  );
  expect([records.length > 20, picked.length > 5, held.length > 10]).toEqual([true, true, true]);
  expect(metricIn([...records, ...picked, ...held])).toEqual([]);
});

test('a line of working is the same figure in both: 14² − 10.863² in millimetres and in inches', () => {
  const lines = bundles
    .flatMap((b) => viewJob(b, NOW).repairs)
    .flatMap((r) => r.passes)
    .flatMap(({ plan }) => plan.void?.working ?? []);
  const gaps = lines.filter((l) => typeof l.label === 'object' && l.label.id === 'work.annulus.gap');
  expect(gaps.length).toBeGreaterThan(0);
  for (const line of gaps) {
    // π/4 × (hole² − rod²) × depth, worked out from the words themselves.
    const by = (reader: Reader) => {
      const [hole, rod, deep] = workedIn(line, reader)
        .expression.replace('π/4', '')
        .match(/\d+(\.\d+)?(?=²|$)/g)!
        .map(Number) as [number, number, number];
      return (Math.PI / 4) * (hole ** 2 - rod ** 2) * deep;
    };
    const mm3 = by({ ...US, system: 'metric' });
    expect(Math.abs((by(US) * 25.4 ** 3) / mm3 - 1)).toBeLessThan(2e-3);
    expect(Math.abs(mm3 / 1000 / (line.value as { value: number }).value - 1)).toBeLessThan(1e-3);
  }
});
