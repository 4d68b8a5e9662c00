import { documentOf, sectionsOf, viewJob } from '@/core/record';
import { finishedData } from '@/sample/jobs';
import { say } from '@/words';
import { plainText, reportPdf } from './report-pdf';

const NOW = Date.UTC(2027, 4, 10, 6);
const [bundle] = finishedData(NOW, 'Europe/Helsinki').bundles;
const job = viewJob(bundle!, NOW);
const [view] = job.repairs;
const doc = documentOf(job, view!, bundle!.events, {
  tell: (s) => say(s, { system: 'metric', zone: 'utc', language: 'en' }),
  when: (ms) => new Date(ms).toISOString().slice(0, 16),
  nowMs: NOW,
});
const ask = {
  doc,
  sections: sectionsOf(view!),
  ticks: [{ ms: doc.planned[0]!.fromMs, label: 'Mon' }],
  photos: [],
  paper: 'a4' as const,
};
const textOf = (bytes: Uint8Array) => new TextDecoder('latin1').decode(bytes);

test('a record becomes a PDF of several pages, and tells how far it is', () => {
  const shares: number[] = [];
  const bytes = reportPdf(ask, (s) => shares.push(s));
  const text = textOf(bytes);
  expect(text.startsWith('%PDF-1.')).toBe(true);
  expect(text.trimEnd().endsWith('%%EOF')).toBe(true);
  const pages = Number(/\/Count (\d+)/.exec(text)![1]);
  expect([pages > 2, pages < 20]).toEqual([true, true]);
  expect(shares.at(-1)).toBe(1);
  expect([...shares].sort((a, b) => a - b)).toEqual(shares);
});

test('a long record takes more pages, and none of its entries runs over the end of one', () => {
  const entries = Array.from({ length: 400 }, (_, i) => ({
    event: `e${i}`,
    at: `day ${i}`,
    what: `Note: ${'word '.repeat(40)}`,
    role: 'technician',
    later: i % 9 ? [] : ['put right'],
  }));
  const long = textOf(reportPdf({ ...ask, doc: { ...doc, entries } }));
  expect(Number(/\/Count (\d+)/.exec(long)![1])).toBeGreaterThan(20);
});

test('letters the printed face lacks are written otherwise; none is lost without a sign', () => {
  expect(plainText('−3 °C ≤ 5 ½ × µ “so” – ’')).toBe('-3 °C <= 5 ½ × µ “so” – ’');
  expect(plainText('漢')).toBe('?');
  expect(plainText('σ ≈ E·Δα')).toBe('s ~ E·da');
  // No working of the sample has a letter that is printed as a question.
  const printed = [
    ...doc.working.flatMap((w) => w.lines.flatMap((l) => [l.label, l.how, l.value])),
    ...doc.entries.map((e) => e.what),
  ];
  expect(printed.filter((t) => plainText(t).split('?').length > t.split('?').length)).toEqual([]);
});

test('a picture that cannot be read is told, and the rest is printed', () => {
  const photos = [{ data: 'AAAA', type: 'image/jpeg', caption: 'the edge' }];
  expect(textOf(reportPdf({ ...ask, photos, paper: 'letter' as never })).startsWith('%PDF')).toBe(true);
});

test('an empty record still has its pages', () => {
  const empty = {
    ...doc,
    planned: [],
    real: [],
    batches: [],
    readings: [],
    tests: [],
    entries: [],
    working: [],
    deviations: [],
    opened: [],
    signatures: [],
  };
  expect(textOf(reportPdf({ ...ask, doc: empty, sections: [] })).startsWith('%PDF')).toBe(true);
});
