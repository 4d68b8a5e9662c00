import { inflateSync } from 'node:zlib';
import { documentOf, sectionsOf, viewJob } from '@/core/record';
import { finishedData } from '@/sample/jobs';
import { say, takeLanguage } from '@/words';
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
/** What is printed on each page: words with their size and how far from the foot they stand, points. */
function printedOn(bytes: Uint8Array) {
  const raw = Buffer.from(bytes);
  const pages: { readonly words: string; readonly bold: boolean; readonly size: number; readonly y: number }[][] = [];
  for (let at = raw.indexOf('stream\n'); at >= 0; at = raw.indexOf('stream\n', at + 1)) {
    if (raw.subarray(at - 3, at).toString() === 'end') continue;
    let page: string;
    try {
      page = inflateSync(raw.subarray(at + 7)).toString('latin1');
    } catch {
      continue;
    }
    const told = [...page.matchAll(/\/F(\d+) ([\d.]+) Tf[^T]*?TL\s[\s\S]*?([\d.]+) ([\d.]+) Td\s+\((.*?)\) Tj/g)];
    if (told.length)
      pages.push(told.map((m) => ({ bold: m[1] === '2', size: Number(m[2]), y: Number(m[4]), words: m[5]! })));
  }
  return pages;
}

/** What stands lower on a page is its foot, points. */
const FOOT_PT = 50;

test('a heading of the working never stands alone at the foot of a page', () => {
  const [first] = doc.working;
  // Workings of every length, so that some end of a page falls on a heading.
  const working = Array.from({ length: 160 }, (_, i) => ({
    ...first!,
    title: `part ${i}`,
    lines: Array.from({ length: 1 + (i % 7) }, () => ({
      label: 'label',
      how: 'how '.repeat(12 + ((i * 17) % 60)),
      value: 'value',
    })),
  }));
  const pages = printedOn(reportPdf({ ...ask, doc: { ...doc, working } }));
  expect(pages.length).toBeGreaterThan(5);
  let heads = 0;
  for (const page of pages) {
    // Under the foot stands what the report is and which page.
    const body = page.filter((t) => t.y > FOOT_PT);
    const lowest = Math.min(...body.filter((t) => !t.bold).map((t) => t.y));
    expect(Number.isFinite(lowest)).toBe(true);
    for (const head of body.filter((t) => t.bold && t.words.startsWith('part '))) {
      heads++;
      expect([head.words, head.y > lowest]).toEqual([head.words, true]);
    }
  }
  expect(heads).toBe(160);
});

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

test('in German it is German, down to the foot of its pages', async () => {
  await takeLanguage('de');
  try {
    const german = documentOf(job, view!, bundle!.events, {
      tell: (s) => say(s, { system: 'metric', zone: 'utc', language: 'de' }),
      when: (ms) => new Date(ms).toISOString().slice(0, 16),
      nowMs: NOW,
    });
    const words = printedOn(reportPdf({ ...ask, doc: german }))
      .flat()
      .map((p) => p.words);
    const all = words.join('\n');
    for (const wanted of [
      'Wie geplant und wie es war',
      'Verfahren',
      'Herleitung',
      'Was geschah',
      'Ob das Protokoll ganz ist',
    ])
      expect(all).toContain(wanted);
    expect(all).toMatch(/Seite 1 von \d+/);
    expect(all.replaceAll(doc.title, '')).not.toMatch(/\b(the|of|and|with|from|planned|weighed|Working|page)\b/);
  } finally {
    await takeLanguage('en');
  }
});
