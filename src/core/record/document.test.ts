import { finishedData, methodsData, sampleData } from '@/sample/jobs';
import { plainWords, say } from '@/words';
import { isMetered } from '../system';
import { documentOf, type Event, entriesCsv, partTag, RepairDocument, sectionsOf, tagText, viewJob } from '.';

const NOW = Date.UTC(2027, 4, 10, 6);
const ZONE = 'Europe/Helsinki';
const teller = (system: 'metric' | 'us' = 'metric') => ({
  tell: (s: Parameters<typeof say>[0]) => say(s, { system, zone: ZONE, language: 'en' }),
  when: (ms: number) => new Date(ms).toISOString().slice(0, 16),
});
const finished = finishedData(NOW, ZONE).bundles;
const all = [...finished, ...sampleData(NOW, ZONE).bundles, ...methodsData(NOW, ZONE).bundles];
const docsOf = (b: (typeof all)[number], system?: 'metric' | 'us') => {
  const job = viewJob(b, NOW);
  return job.repairs.map((view) =>
    documentOf(job, view, b.events, {
      ...teller(system),
      nowMs: NOW,
      kept: b.snapshots[0]?.report.repairs.find((r) => r.repairId === view.repair.id),
    }),
  );
};
const [edge] = docsOf(finished[0]!);

test('every repair has a document that fits its form, begun or not, and says nothing that nobody can read', () => {
  for (const b of all)
    for (const doc of docsOf(b)) {
      expect(RepairDocument.parse(JSON.parse(JSON.stringify(doc)))).toEqual(JSON.parse(JSON.stringify(doc)));
      expect([doc.title, /NaN|undefined|\bnull\b|\[object/.test(JSON.stringify({ ...doc, chains: [] }))]).toEqual([
        doc.title,
        false,
      ]);
    }
});

test('a finished record: planned and real beside each other, pots to the gram, tests, signatures, whole chains', () => {
  expect(edge!.real.length).toBe(edge!.planned.length);
  expect(edge!.real.every((s) => s.toMs > s.fromMs)).toBe(true);
  // The crew is a quarter slower than it was planned.
  const sum = (list: RepairDocument['real']) => list.reduce((s, x) => s + x.toMs - x.fromMs, 0);
  const docs = docsOf(finished[0]!);
  expect(sum(docs.flatMap((d) => d.real)) / sum(docs.flatMap((d) => d.planned))).toBeGreaterThan(1.05);
  expect(edge!.batches[0]!.rows.length).toBeGreaterThan(1);
  for (const r of edge!.batches[0]!.rows)
    expect([r.part, /^\d.* (g|kg)$/.test(r.real), /^\d+(\.\d)? % (more|less)$|^as planned$/.test(r.off)]).toEqual([
      r.part,
      true,
      true,
    ]);
  expect(edge!.tests.every((t) => t.answer === 'yes' && t.at !== '')).toBe(true);
  expect(edge!.signatures.map(([what]) => what)).toEqual(['released']);
  expect(edge!.facts.find(([a]) => a === 'handed over to')?.[1]).toBe('ferry office');
  expect(edge!.chains).toEqual([
    expect.objectContaining({ device: 'sample', whole: true, last: expect.stringMatching(/^[0-9a-f]{64}$/) }),
  ]);
  expect(edge!.working.length).toBeGreaterThan(3);
});

test('every computed figure has its working: the void, the batches, the hour it opens, each use of its own', () => {
  for (const doc of [...finished.flatMap((b) => docsOf(b)), ...docsOf(all[0]!)]) {
    const explained = new Set(doc.working.flatMap((w) => w.explains));
    const voids = doc.facts.map(([what]) => what).filter((what) => /(^|: )void$/.test(what));
    for (const what of voids) expect([doc.title, what, explained.has(what)]).toEqual([doc.title, what, true]);
    if (doc.batches.length) expect([doc.title, explained.has('batches')]).toEqual([doc.title, true]);
    if (doc.facts.some(([a, b]) => a === 'may be opened from' && b !== 'no time'))
      expect([doc.title, explained.has('may be opened from')]).toEqual([doc.title, true]);
    for (const [use] of doc.opened)
      expect([doc.title, use, explained.has(`opened: ${use}`)]).toEqual([doc.title, use, true]);
  }
  // The working of the hour ends in the hour's own milestone, and no two figures claim one line of working by mistake.
  const hour = edge!.working.find((w) => w.explains.includes('may be opened from'))!;
  expect(hour.lines.length).toBeGreaterThan(1);
  expect(edge!.working.filter((w) => w.explains.includes('void')).map((w) => w.title)).toEqual(['volume']);
});

test('in the other units no figure of the first is left', () => {
  const [us] = docsOf(finished[0]!, 'us');
  const text = JSON.stringify({ ...us, working: [] });
  expect(text).toMatch(/US fl oz|oz av|lb/);
  expect(text.match(/\d (mL|kg|°C|mm)\b/g) ?? []).toEqual([]);
});

test('what was overridden, what stands and what was reopened is told as a departure; a broken chain as broken', () => {
  const b = finished[0]!;
  const job = viewJob(b, NOW);
  const id = job.repairs[0]!.repair.id;
  const mine = b.events.filter((e) => e.repairId === id);
  const last = mine.at(-1)!;
  const more = (n: number, body: Event['body']): Event => ({
    ...last,
    id: `x${n}`,
    at: last.at + n,
    recordedAt: last.at + n,
    sequence: 9000 + n,
    link: undefined,
    body,
  });
  const events = [
    ...mine.filter((e) => e.link?.n !== 5),
    more(1, { kind: 'reopened', reason: 'a hollow sound' }),
    more(2, { kind: 'override', finding: 'thin', title: 'Too thin', reason: 'agreed with the engineer' }),
  ];
  const view = viewJob({ ...b, events }, NOW);
  const doc = documentOf(view, view.repairs[0]!, events, { ...teller(), nowMs: NOW });
  expect(doc.deviations.some((d) => d.startsWith('Reopened: a hollow sound'))).toBe(true);
  expect(doc.deviations.some((d) => d.includes('agreed with the engineer'))).toBe(true);
  expect(doc.chains[0]!.whole).toBe(false);
});

test('as a table: a line an entry, and nothing in it begins a formula', () => {
  const b = finished[0]!;
  const job = viewJob(b, NOW);
  const note: Event = { ...b.events[0]!, id: 'n', link: undefined, body: { kind: 'note', text: '=1+1' } };
  const doc = documentOf(job, job.repairs[0]!, [...b.events, note], { ...teller(), nowMs: NOW });
  const csv = entriesCsv({
    ...doc,
    entries: [...doc.entries, { event: '', at: '', what: '=HYPERLINK("x")', role: '@me', later: [] }],
  });
  const lines = csv.split('\r\n');
  expect(lines.length).toBe(doc.entries.length + 2);
  expect(lines[0]).toBe('when,what,role,corrections');
  expect(csv).not.toMatch(/(^|,)"?[=@]/m);
});

test('sections are there for whatever has a void', () => {
  for (const b of all)
    for (const view of viewJob(b, NOW).repairs) {
      const withVoid = view.passes.filter((p) => p.plan.piece.void).length;
      expect([view.repair.name, sectionsOf(view).length]).toEqual([view.repair.name, withVoid]);
    }
});

describe('the tag on the part', () => {
  const [ramp, winch] = sampleData(NOW, ZONE).bundles;
  const tagAt = (b: typeof ramp, i = 0) => partTag(viewJob(b!, NOW).repairs[i]!, 'technician');
  const when = teller().when;

  test('says what is not to be done before, and by whom; released, that it is', () => {
    expect([tagAt(ramp).state, tagAt(winch).state, tagAt(finished[0]).state]).toEqual([
      'planned',
      'working',
      'released',
    ]);
    const open = viewJob(winch!, NOW).repairs[0]!.plan.openMs!;
    const text = tagText(tagAt(winch), { tell: plainWords, when }, 'http://x/job/a/b');
    expect(text).toContain(`DO NOT LOAD BEFORE ${when(open)}`);
    expect(text.endsWith('http://x/job/a/b')).toBe(true);
    expect(tagText(tagAt(finished[0]), { tell: plainWords, when }, '')).toContain('Released by foreman');
    expect(tagText(tagAt(finished[0]), { tell: plainWords, when }, '')).not.toContain('DO NOT LOAD');
  });

  test('the longest names are cut, never the hour nor the address', () => {
    const tag = {
      ...tagAt(winch),
      name: 'W'.repeat(120),
      place: 'P'.repeat(160),
      systems: ['S'.repeat(80), 'T'.repeat(80)],
    };
    const text = tagText(tag, { tell: plainWords, when }, `https://host/${'a'.repeat(60)}`);
    expect(text).toContain('DO NOT LOAD BEFORE');
    expect(text).toContain(`https://host/${'a'.repeat(60)}`);
    expect(text.length).toBeLessThan(700);
  });
});

test('the section of every record has its measures beside it, each at the line it belongs to', () => {
  let seen = 0;
  for (const view of all.flatMap((b) => viewJob(b, NOW).repairs))
    for (const { name, drawing, values } of sectionsOf(view)) {
      const told = drawing.dimensions.filter((d) => values[d.key] !== undefined);
      expect([name, told.every((d) => Number.isFinite(values[d.key]))]).toEqual([name, true]);
      seen += told.length;
    }
  expect(seen).toBeGreaterThan(40);
});

test('what is pressed out is told in packs and mixers, with the lots that were fetched; nothing of it is weighed', () => {
  let found = 0;
  for (const b of all) {
    const job = viewJob(b, NOW);
    for (const [i, doc] of docsOf(b).entries())
      for (const { plan } of job.repairs[i]!.passes) {
        if (!plan.sheet || !plan.mix || !isMetered(plan.sheet.kind)) continue;
        found++;
        const [pressed, ...more] = doc.batches.filter((x) => x.label.includes('pressed out'));
        expect([doc.title, more]).toEqual([doc.title, []]);
        expect(pressed!.rows[0]).toMatchObject({
          part: `pack: ${plan.mix.kits.kit.label}`,
          planned: String(plan.mix.kits.use),
        });
        expect(JSON.stringify(pressed)).not.toMatch(/\d g\b|weighed/);
      }
  }
  expect(found).toBeGreaterThan(2);
});

test('packs that were fetched from the shelf stand against what was planned', () => {
  const ramp = all.find((b) => b.job.id === 'sample-ramp')!;
  const eyes = ramp.repairs.find((r) => r.id === 'sample-eyes')!;
  const taken = (count: number, n: number): Event => ({
    record: 'event',
    version: 1,
    id: `taken-${n}`,
    device: 'd',
    sequence: n,
    at: NOW + n,
    recordedAt: NOW + n,
    jobId: ramp.job.id,
    repairId: eyes.id,
    amends: null,
    role: 'technician',
    body: { kind: 'taken', stockId: 'stock-resin', lot: `AN-${n}`, kit: 'Cartridge 300 mL', count },
  });
  const told = (events: readonly Event[]) =>
    docsOf({ ...ramp, events }).find((d) => d.repairId === eyes.id)!.batches[0]!.rows[0]!;
  expect(told([])).toMatchObject({ real: 'not noted', lot: '' });
  expect(told([taken(1, 1), taken(2, 2)])).toMatchObject({ real: '3', lot: 'AN-1, AN-2' });
});
