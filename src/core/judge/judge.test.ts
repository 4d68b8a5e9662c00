import { DateTime } from 'luxon';
import type { Said } from '@/core/say';
import { PLAIN_READER, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { pasteSheet, sampleSheets } from '../../sample/systems';
import { METHODS } from '../method';
import { type Job, type Piece, pieceOf, repairOf } from '../plan';
import { type Event, viewJob } from '../record';
import { measured } from '../void';
import { RULES, standingStops } from '.';

const sentence = (said: Said) => say(said, { ...PLAIN_READER, zone: 'Europe/Helsinki' });

const zone = 'Europe/Helsinki';
const NOW = DateTime.fromISO('2026-05-05T06:00', { zone }).toMillis();
const { bundles } = sampleData(NOW, zone);
const mild: Job = { ...bundles[0]!.job, climate: { kind: 'constant', tempC: 20, humidityPct: 50 } };
const [nosing, eyes] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const plate = { ...pieceOf(bundles[1]!.repairs[0]!), jobId: mild.id } as Piece;
/** A repair of each method whose questions are all answered as it should be. */
const soundly = ({ id, version, questions }: (typeof METHODS)[number]): Piece => ({
  ...({ anchor: eyes, 'plate-bond': plate }[id] ?? nosing),
  method: { id, version },
  answers: Object.fromEntries(questions.map((q) => [q.id, q.wants])),
});

const view = (repair: Piece, over: Partial<Job> = {}, events: Event[] = [], sheets = sampleSheets) =>
  viewJob({ job: { ...mild, ...over }, repairs: [repairOf(repair)], sheets, stock: [], events }, NOW).repairs[0]!;
const ids = (repair: Piece, over: Partial<Job> = {}) => view(repair, over).findings.map((f) => `${f.severity} ${f.id}`);

test('a sound repair on a mild day has no stop', () => {
  for (const r of [nosing, eyes, plate]) expect(view(r).findings.filter((f) => f.severity === 'stop')).toEqual([]);
});

test.each(METHODS.flatMap((m) => m.questions.map((q) => [m.id, q.id, q, soundly(m)] as const)))(
  '%s: the wrong answer to “%s” is noticed, and so is not being sure',
  (_, id, q, sound) => {
    // On a base it is asked of.
    const r = { ...sound, base: { ...sound.base, material: q.on?.[0] ?? sound.base.material } };
    const wrong = q.wants === 'yes' ? 'no' : 'yes';
    // What a sheet may allow is held against sheets that say nothing of it.
    const silent = sampleSheets.map((s) => ({ ...s, holes: null }));
    const found = (answer: 'yes' | 'no' | 'unsure') =>
      view({ ...r, answers: { ...r.answers, [id]: answer } }, {}, [], silent).findings.map(
        (f) => `${f.severity} ${f.id}`,
      );
    for (const answer of [wrong, 'unsure'] as const)
      expect(found(answer)).toContain(`${q.otherwise.severity} inspection:${id}`);
    expect(ids(r)).not.toContain(`${q.otherwise.severity} inspection:${id}`);
  },
);

test('the stops the trade asks for: torn seat, young base, water behind', () => {
  expect(ids({ ...plate, answers: { ...plate.answers, torn: 'yes' } })).toContain('stop inspection:torn');
  expect(ids({ ...nosing, answers: { ...nosing.answers, 'water-pressure': 'yes' } })).toContain(
    'stop inspection:water-pressure',
  );
  const young = view({ ...nosing, base: { ...nosing.base, castOn: '2026-04-20' } });
  const stop = young.findings.find((f) => f.id === 'base-age')!;
  // Cast 20 April, the sheet asks for 28 days: 18 May.
  expect(sentence(stop.todo)).toMatch(/18 May 2026/);
  expect(stop.severity).toBe('stop');
});

test('a cold base, a wet base, a damp air', () => {
  expect(ids(nosing, { climate: { kind: 'constant', tempC: 3, humidityPct: 50 } })).toContain(
    'stop base-temperature:cold',
  );
  expect(ids(nosing, { climate: { kind: 'constant', tempC: 15, humidityPct: 95 } })).toEqual(
    expect.arrayContaining(['stop dew', 'caution humidity']),
  );
});

test('depth against the sheet’s lift: a note in layers, a stop in one pass', () => {
  expect(ids(nosing)).toContain('note lift:deep');
  expect(ids({ ...nosing, schools: { 'deep-fills': 'one' } })).toContain('stop lift:deep');
});

test('a bond line outside its band is a stop on both sides', () => {
  const thick = (mm: number): Piece => ({
    ...plate,
    void: {
      ...plate.void!,
      shapes: [{ ...(plate.void!.shapes[0] as never as object), thickness: measured(mm, 'calliper') } as never],
    },
  });
  expect(ids(thick(3))).toContain('stop bond-thickness');
  expect(ids(thick(0.1))).toContain('stop bond-thickness');
  expect(ids(thick(1))).not.toContain('stop bond-thickness');
});

test('a thin rod in a wide hole is starved by two thirds', () => {
  const thin: Piece = {
    ...eyes,
    schools: { filling: 'two-thirds' },
    void: {
      ...eyes.void!,
      shapes: [{ ...eyes.void!.shapes[0]!, rodDiameter: measured(8, 'marked'), thread: { kind: 'plain' } } as never],
    },
  };
  expect(ids(thin)).toContain('stop starved');
  expect(ids({ ...eyes, schools: { filling: 'two-thirds' } })).not.toContain('stop starved');
});

test('a coarse scale is a stop, a fine one is not', () => {
  const tiny: Piece = { ...plate, scaleStepG: 20 };
  expect(ids(tiny)).toContain('stop scale');
  expect(ids(plate)).not.toContain('stop scale');
});

test('24 hours by habit is a stop where the cold needs longer', () => {
  const fixed: Piece = { ...plate, schools: { ...plate.schools, waiting: 'fixed' } };
  expect(ids(fixed, { climate: { kind: 'constant', tempC: 15, humidityPct: 50 } })).toContain('stop fixed-wait');
});

test('estimates are named as such, and a newer sheet is pointed out', () => {
  expect(ids(plate, { climate: { kind: 'constant', tempC: 17, humidityPct: 50 } })).toContain('note estimate');
  const newer = { ...pasteSheet, id: 'newer', revision: 2, supersedes: pasteSheet.id };
  expect(view(plate, {}, [], [...sampleSheets, newer]).findings.map((f) => f.id)).toContain('sheet:newer');
});

test('a deadline that cannot be met is said, with how far it is missed', () => {
  const f = view(nosing, { wantedAt: NOW + 6 * 3_600_000 }).findings.find((x) => x.id === 'deadline')!;
  expect(sentence(f.title)).toMatch(/short of the wanted reopening/);
});

test('where its clock is out in time, and the checks are not, the checks are named', () => {
  const { plan } = view(nosing);
  const checks = plan.steps.find((x) => x.role === 'test')!;
  const missed = (wantedAt: number) => view(nosing, { wantedAt }).findings.find((x) => x.id === 'deadline');
  expect(sentence(missed(checks.startMs + 1)!.why)).toMatch(/The clock is out in time, the checks .* are not\.$/);
  expect(sentence(missed(checks.startMs - 3_600_000)!.why)).toMatch(/Of that 1 h are the clock’s, the rest the checks/);
  expect(missed(plan.openMs!)).toBeUndefined();
});

test('a reopening that is wanted when nobody works is said, with the last hour somebody is there', () => {
  const at = (iso: string) => DateTime.fromISO(iso, { zone }).toMillis();
  const hours = { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5] };
  const closed = (iso: string) =>
    view(nosing, { wantedAt: at(iso), workingHours: hours }).findings.find((f) => f.id === 'wanted-closed');
  // Saturday 16 May 2026; the edge of a working day is worked.
  expect(sentence(closed('2026-05-16T09:00')!.why)).toMatch(
    /wanted Sat 16 May 09:00, outside the working hours: .* The last working hour before that is Fri 15 May 16:00\.$/,
  );
  expect(closed('2026-05-15T16:00')).toBeUndefined();
  expect(closed('2026-05-15T16:01')).toBeDefined();
  expect(ids(nosing)).not.toContain('note wanted-closed');
});

test('an override lifts the stop, keeps reason and role, and changes nothing else', () => {
  const torn: Piece = { ...plate, answers: { ...plate.answers, torn: 'yes' } };
  const event: Event = {
    record: 'event',
    version: 1,
    id: 'e',
    device: 'd',
    sequence: 0,
    at: NOW,
    recordedAt: NOW,
    jobId: mild.id,
    repairId: plate.id,
    amends: null,
    role: 'surveyor',
    body: { kind: 'override', finding: 'inspection:torn', title: 'Torn seat', reason: 'welded yesterday' },
  };
  const v = view(torn, {}, [event]);
  expect(standingStops(v.findings, v.actuals.overrides)).toEqual([]);
  expect(v.findings.some((f) => f.id === 'inspection:torn')).toBe(true);
  expect(v.actuals.overrides.get('inspection:torn')).toMatchObject({ role: 'surveyor', reason: 'welded yesterday' });
  expect(view(torn).states.inspect).toBe('stop');
  expect(v.states.inspect).not.toBe('stop');
});

test('every finding says what, why and what to do', () => {
  const worst = {
    climate: { kind: 'daily' as const, lowC: -1, lowHour: 6, highC: 7, highHour: 15, humidityAtLowPct: 99 },
    wantedAt: NOW,
  };
  for (const r of [nosing, eyes, plate])
    for (const f of view({ ...r, answers: Object.fromEntries(Object.keys(r.answers).map((k) => [k, 'unsure'])) }, worst)
      .findings) {
      expect(sentence(f.title).length).toBeGreaterThan(5);
      expect(sentence(f.why)).toMatch(/\.$/);
      expect(sentence(f.todo)).toMatch(/\.$/);
    }
  expect(Object.keys(RULES).length).toBeGreaterThan(15);
});

describe('what is noticed about the void', () => {
  const landing = sampleData(NOW, zone).bundles[2]!;
  const step = { ...pieceOf(landing.repairs.find((r) => r.id === 'sample-step')!), jobId: mild.id };
  const pocket = { ...pieceOf(landing.repairs.find((r) => r.id === 'sample-pocket')!), jobId: mild.id };
  test('two readings that disagree, a reading that stands out, a scan that runs off', () => {
    expect(ids(step)).toContain('caution two-readings:shapes.0.back');
    const patch = nosing.void!.shapes[0]!;
    if (patch.shape !== 'patch' || patch.depth.kind !== 'readings') throw new Error('the sample has changed');
    const slipped = {
      ...patch,
      depth: { ...patch.depth, readings: patch.depth.readings.map((r, i) => (i === 4 ? { ...r, depthMm: 380 } : r)) },
    };
    expect(ids({ ...nosing, void: { ...nosing.void!, shapes: [slipped] } })).toContain('caution odd-reading:0.4');
    expect(ids({ ...pieceOf(landing.repairs.find((r) => r.id === 'sample-spall')!), jobId: mild.id })).toContain(
      'caution shape-notice:0.rim',
    );
  });
  test('an open back is said, and dammed at a hold point together with what stays clear', () => {
    const v = view(pocket);
    expect(v.findings.map((f) => f.id)).toContain('open-back');
    const dam = v.plan.steps.find((s) => s.id === 'prep:clear')!;
    expect([dam.hold, say(dam.title, PLAIN_READER)]).toEqual([true, 'Dam the back, mask what stays clear']);
    expect(say(dam.detail, PLAIN_READER)).toMatch(/drain pipe/);
    expect(
      view({ ...pocket, void: { ...pocket.void!, back: 'closed', keepClear: [] } }).plan.steps.some(
        (s) => s.id === 'prep:clear',
      ),
    ).toBe(false);
  });
  test('a hole deeper than its base is thick: the thickness is corrected, or its back is closed', () => {
    const thin = (thicknessMm: number) => ids({ ...eyes, base: { ...eyes.base, thicknessMm } });
    expect(thin(100)).toContain('note through-base');
    expect(thin(200)).not.toContain('note through-base');
    const said = view({ ...eyes, base: { ...eyes.base, thicknessMm: 100 } }).findings.find(
      (f) => f.id === 'through-base',
    )!;
    expect(sentence(said.why)).toMatch(/ mm deep in \w+ of 100 mm\./);
  });
  test('the setting-out is said at the hold point before drilling, and too little clearance stops', () => {
    const drill = view(eyes).plan.steps.find((s) => s.id === 'prep:mark')!;
    expect(drill.hold).toBe(true);
    expect(say(drill.detail, PLAIN_READER)).toMatch(
      /From the lake corner of the step: 220 mm along, 160 mm in, then every 450 mm; 120 mm clear/,
    );
    expect(ids({ ...eyes, settingOut: null })).toContain('note setting-out:missing');
    expect(ids({ ...eyes, settingOut: { ...eyes.settingOut!, clearance: measured(170) } })).toContain(
      'stop setting-out:from',
    );
  });
  test('a method is not planned over a shape it is not made for, yet the volume stands', () => {
    const v = view({ ...eyes, void: step.void });
    expect(v.plan.problems[0]).toMatchObject({ stage: 'measure', field: 'shapes.0.shape' });
    expect(v.plan.void!.nominalMl).toBeGreaterThan(1000);
    expect(v.plan.mix).toBeNull();
  });
  test('what differs among like holes is told to whoever drills', () => {
    const deeper = { ...eyes, void: { ...eyes.void!, variants: [{ count: 2, key: 'shapes.0.holeDepth', byMm: 10 }] } };
    expect(say(view(deeper).plan.steps.find((s) => s.id === 'prep:drill')!.detail, PLAIN_READER)).toMatch(
      /2 of them with hole depth to the shoulder 10 mm more/,
    );
    expect(view(deeper).plan.mix!.toMixMl).toBeGreaterThan(view(eyes).plan.mix!.toMixMl);
  });
});
