import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { plainWords } from '@/words';
import { sampleData } from '../../sample/jobs';
import { pieceOf, repairOf } from '../plan';
import { CORE_VERSION, planReport, viewJob } from '../record';
import { Refusal } from '../say';
import { SHAPE_IDS, SHAPES, type VoidShape, voidOf } from '../void';
import { JOB_FILE_VERSION, type JobFile, presentIn, readJobFile, writeJobFile } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const fileOf = (i: number): JobFile => {
  const b = bundles[i]!;
  return {
    format: 'grenko-job',
    version: 4,
    exportedAt: new Date(NOW).toISOString(),
    coreVersion: CORE_VERSION,
    job: b.job,
    repairs: [...b.repairs],
    sheets: [...b.sheets],
    stock: [...b.stock],
    snapshots: [...b.snapshots],
    events: [...b.events],
    series: [],
    attachments: [],
  };
};
const refusal = (text: string) => {
  try {
    readJobFile(text);
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
    throw error;
  }
  throw new Error('was not refused');
};
const changed = (change: (file: { job: object; repairs: object[]; events: object[] }) => void): string => {
  const raw = JSON.parse(writeJobFile(fileOf(1)));
  change(raw);
  return JSON.stringify(raw);
};

test('a job goes out and comes back, and plans the same', () => {
  for (const i of [0, 1]) {
    const back = readJobFile(writeJobFile(fileOf(i)));
    expect(back).toEqual(fileOf(i));
    expect(planReport(viewJob(back, NOW))).toEqual(planReport(viewJob(fileOf(i), NOW)));
  }
});

test.each(['ramp-v1', 'winch-v1', 'winch-v2', 'winch-v3'])(
  'an older file, kept since then, is brought forward and measures as it did: %s',
  (name) => {
    const text = readFileSync(`src/core/file/kept/${name}.grenko.json`, 'utf8');
    const old = JSON.parse(text);
    const file = readJobFile(text);
    expect([old.version, file.version]).toEqual([Number(name.at(-1)), JOB_FILE_VERSION]);
    for (const s of file.sheets) expect(s).toMatchObject({ version: 2, dose: null });
    for (const l of file.stock) expect(l).toMatchObject({ version: 2, breaches: [] });
    for (const [i, r] of file.repairs.entries()) {
      expect(r).toMatchObject({ version: 4, settingOut: null, crew: 1, name: old.repairs[i].name, chain: ['p1'] });
      expect(r.passes.p1).toMatchObject({ dosePct: null, takes: { from: 'own' }, method: old.repairs[i].method });
      expect(r.passes.p1!.void).toMatchObject({
        variants: [],
        keepClear: [],
        back: 'closed',
        count: old.repairs[i].void.count,
      });
    }
    // The plan kept in a snapshot was made by the core of that time; the new one measures the same volumes from the
    // same lengths.
    for (const s of file.snapshots)
      for (const was of s.report.repairs) {
        const is = viewJob(file, NOW).repairs.find((r) => r.repair.id === was.repairId)!;
        expect(is.plan.void!.nominalMl).toBeCloseTo(was.volumeMl!.nominal, 9);
      }
    expect(readJobFile(writeJobFile(file))).toEqual(file);
  },
);

test('a file of version 3 plans as the core of its time planned it, to the minute', () => {
  const file = readJobFile(readFileSync('src/core/file/kept/winch-v3.grenko.json', 'utf8'));
  const [was] = file.snapshots[0]!.report.repairs;
  expect(file.repairs[0]!.passes.p1!.standIns).toEqual({ release: { by: 'touch', minutes: 480 } });
  // Planned for the hour it was to begin at, with nothing done yet: the same amounts, the same steps.
  const snapshot = file.snapshots[0]!;
  const asked = { ...file, job: snapshot.job, repairs: snapshot.repairs, events: [] };
  const at = viewJob(asked, Math.min(snapshot.madeAt, snapshot.job.startFrom)).repairs[0]!.plan;
  expect(at.mix!.toMixMl).toBeCloseTo(was!.toMixMl!, 9);
  expect(
    at.steps.map((s) => [
      s.id,
      new Date(Math.round(s.startMs)).toISOString(),
      new Date(Math.round(s.endMs)).toISOString(),
    ]),
  ).toEqual(
    was!.steps.map((s, i, all) => {
      // What stays in the pot was once counted as spread: with that mended, all from the spreading on is a minute
      // sooner.
      const spread = all.findIndex((x) => x.id === 'b1:spread');
      const sooner = (iso: string, by: boolean) => new Date(Date.parse(iso) - (by ? 60_000 : 0)).toISOString();
      return [s.id, sooner(s.from, i > spread), sooner(s.to, i >= spread)];
    }),
  );
});

test('every shape of the table travels in a job file and comes back', () => {
  const file = fileOf(0);
  const shapes = SHAPE_IDS.map((id) =>
    id === 'filled' ? { ...SHAPES.filled.blank(), beforeG: 900, afterG: 100 } : SHAPES[id].blank(),
  );
  const repairs = shapes.map((shape, i) =>
    repairOf({ ...pieceOf(file.repairs[0]!), id: `r${i}`, void: voidOf(shape as VoidShape) }),
  );
  const back = readJobFile(writeJobFile({ ...file, repairs, snapshots: [], events: [] }));
  expect(back.repairs.map((r) => r.passes.p1!.void!.shapes[0])).toEqual(shapes);
});

test('a file cut off anywhere is refused with a place in it', () => {
  const text = writeJobFile(fileOf(1)).trimEnd();
  fc.assert(
    fc.property(fc.integer({ min: 1, max: text.length - 1 }), (cut) => {
      const p = refusal(text.slice(0, cut));
      return /line \d+, column \d+/.test(plainWords(p.sentence));
    }),
    { numRuns: 60 },
  );
});

test('a slip in the middle is placed on its line', () => {
  const lines = writeJobFile(fileOf(1)).split('\n');
  lines[6] = `${lines[6]} oops`;
  expect(plainWords(refusal(lines.join('\n')).sentence)).toMatch(/line [78], column/);
});

test('foreign files, newer files and fields that do not fit are named', () => {
  expect(refusal('[1,2]').field).toBe('format');
  expect(plainWords(refusal('{"format":"something"}').sentence)).toMatch(/not a job file/);
  expect(plainWords(refusal(changed((f) => Object.assign(f, { version: 7 }))).sentence)).toMatch(
    /version 7.*newer Grenko/,
  );
  expect(refusal(changed((f) => Object.assign(f.repairs[0]!, { scaleStepG: 'heavy' }))).field).toBe(
    'repairs.0.scaleStepG',
  );
  expect(
    refusal(changed((f) => Object.assign((f.repairs[0] as { passes: { p1: object } }).passes.p1, { sheetId: 'gone' })))
      .field,
  ).toBe('repairs.0.passes.p1.sheetId');
  expect(refusal(changed((f) => Object.assign(f.events[0]!, { repairId: 'gone' }))).field).toBe('events.0.repairId');
  expect(refusal(changed((f) => Object.assign(f.job, { startFrom: null }))).field).toBe('job.startFrom');
});

test('a number that is not one cannot be written', () => {
  const file = fileOf(0);
  expect(() => writeJobFile({ ...file, job: { ...file.job, startFrom: Number.NaN } })).toThrow();
});

test('two records of one id are refused, with the place of the second', () => {
  expect(refusal(changed((f) => f.repairs.push(structuredClone(f.repairs[0]!))))).toMatchObject({
    field: 'repairs.1.id',
  });
  expect(plainWords(refusal(changed((f) => f.events.push(structuredClone(f.events[0]!)))).sentence)).toMatch(
    /carries the id of number 1/,
  );
});

test('what is nested deeper than any file of ours is refused with its place, and costs no memory', () => {
  const deep = `{"format":"grenko-job","version":3,\n"job":${'['.repeat(60_000)}`;
  expect(plainWords(refusal(deep).sentence)).toMatch(/nested too deeply.*line 2, column 10[0-9]/);
});

test.each([
  ['a byte-order mark is no fault', (t: string) => `\uFEFF${t}`, null],
  ['a comma too many', (t: string) => t.replace('"record": "job",', '"record": "job",,'), /line 7, column 19/],
  [
    'a control character in a text',
    (t: string) => t.replace('"record": "job"', '"record": "j\u0001b"'),
    /line 7, column 1\d/,
  ],
  [
    'a field of the wrong kind',
    (t: string) => t.replace('"record": "job"', '"record": 7'),
    /job\.record \(line 7, column 13\)/,
  ],
  [
    'line ends of another system',
    (t: string) => t.replace('"record": "job",', '"record": "job",,').replaceAll('\n', '\r\n'),
    /line 7, column 19/,
  ],
])('the place of a fault is true: %s', (_, damage, says) => {
  const text = damage(writeJobFile(fileOf(1)));
  if (says === null) expect(readJobFile(text)).toEqual(fileOf(1));
  else expect(plainWords(refusal(text).sentence)).toMatch(says);
});

test.each([
  ['a zone nobody knows', (f: { job: object }) => Object.assign(f.job, { zone: 'Europe/Atlantis' }), 'job.zone'],
  [
    'an instant beyond all records',
    (f: { job: object }) => Object.assign(f.job, { startFrom: 8.64e15 }),
    'job.startFrom',
  ],
  ['an id that could be an address', (f: { job: object }) => Object.assign(f.job, { id: '../x y' }), 'job.id'],
  [
    'a kilometre of base',
    (f: { repairs: { base?: object }[] }) => Object.assign(f.repairs[0]!.base!, { thicknessMm: 1e9 }),
    'repairs.0.base.thicknessMm',
  ],
] as [string, (f: object) => void, string][])('what cannot be is refused at its field: %s', (_, damage, field) => {
  expect(refusal(changed(damage as never)).field).toBe(field);
});

test('ids that are words of the engine are names like any other', () => {
  for (const word of ['toString', 'constructor', 'valueOf', 'hasOwnProperty']) {
    const text = writeJobFile(fileOf(1))
      .replaceAll(fileOf(1).repairs[0]!.id, word)
      .replaceAll(fileOf(1).sheets[0]!.id, `${word}-1`);
    const file = readJobFile(text);
    expect(planReport(viewJob(file, NOW)).repairs.map((r) => r.milestones.length)).toEqual(
      planReport(viewJob(fileOf(1), NOW)).repairs.map((r) => r.milestones.length),
    );
  }
});

test('what is no record at all, in any list of a file of any version, is refused with its place and never a crash', () => {
  for (const version of [1, 2, 3, 4])
    for (const list of ['repairs', 'sheets', 'stock', 'snapshots', 'events', 'attachments'] as const)
      for (const nothing of [null, 7, 'a word', [null]]) {
        const raw = { ...fileOf(1), version, [list]: [nothing] };
        // A record of the wrong shape within one is met the same way.
        expect([version, list, refusal(JSON.stringify(raw)).field.split('.')[0]]).toEqual([version, list, list]);
      }
  const kept = { ...fileOf(1), version: 3, snapshots: [{ repairs: [null, 3] }] };
  expect(refusal(JSON.stringify(kept)).field).toMatch(/^snapshots/);
});

test('a file speaks of the instant it was written at, and of the reader’s own where it tells none', () => {
  const reader = Date.UTC(2031, 0, 1);
  expect(presentIn({ exportedAt: '2026-05-05T06:40:00Z' }, reader)).toBe(Date.UTC(2026, 4, 5, 6, 40));
  for (const none of ['', 'yesterday', '1931-05-05T06:40:00Z', '9999-01-01T00:00:00Z'])
    expect(presentIn({ exportedAt: none }, reader)).toBe(reader);
  // Whoever plans it later gets the same plan.
  const file = fileOf(1);
  expect(planReport(viewJob(file, presentIn(file, reader)))).toEqual(
    planReport(viewJob(file, presentIn(file, reader + 30 * 86_400_000))),
  );
});
