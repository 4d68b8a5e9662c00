import type { Said } from '@/core/say';
import { PLAIN_READER, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { sampleSheets, sampleStock } from '../../sample/systems';
import { Colour } from '../mix';
import { type Job, type Piece, pieceOf, repairOf } from '../plan';
import { type Event, type EventBody, viewJob } from '../record';
import type { SheetRevision, Stock } from '../system';

const sentence = (said: Said) => say(said, { ...PLAIN_READER, zone: 'Europe/Helsinki' });

const NOW = Date.UTC(2026, 4, 5, 6);
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const mild: Job = { ...bundles[0]!.job, climate: { kind: 'constant', tempC: 20, humidityPct: 50 }, wantedAt: null };
const nosing = pieceOf(bundles[0]!.repairs[0]!);
const plate = { ...pieceOf(bundles[1]!.repairs[0]!), jobId: mild.id };
let n = 0;
const event = (repair: Piece, body: EventBody, at = NOW + ++n * 60_000): Event => ({
  record: 'event',
  version: 1,
  id: `x${++n}`,
  device: 'd',
  sequence: n,
  at,
  recordedAt: at,
  jobId: mild.id,
  repairId: repair.id,
  amends: null,
  role: 'technician',
  body,
});
const found = (
  repair: Piece,
  o: {
    stock?: readonly Stock[];
    events?: readonly Event[];
    nowMs?: number;
    sheets?: readonly SheetRevision[];
  } = {},
) =>
  viewJob(
    {
      job: mild,
      repairs: [repairOf(repair)],
      sheets: o.sheets ?? sampleSheets,
      stock: o.stock ?? [],
      events: o.events ?? [],
    },
    o.nowMs ?? NOW,
  ).repairs[0]!.findings;
const ids = (...a: Parameters<typeof found>) => found(...a).map((f) => `${f.severity} ${f.id}`);

test('lots over their date or out of the frost are pointed out by name, sound ones are not', () => {
  const stock = sampleStock(NOW);
  const lot = stock.find((l) => l.id === 'stock-paste')!;
  expect(ids(plate, { stock })).not.toContain(`caution lot:${lot.id}`);
  const old = found(plate, { stock: [{ ...lot, expiresOn: '2026-01-01' }] }).find((f) => f.id === `lot:${lot.id}`)!;
  expect(sentence(old.why)).toMatch(/use by 2026-01-01, the work is on 2026-05-06/);
  const frozen = { ...lot, breaches: [{ on: '2026-02-01', text: 'froze in the van' }] };
  expect(sentence(found(plate, { stock: [frozen] }).find((f) => f.id === `lot:${lot.id}`)!.why)).toMatch(
    /froze in the van/,
  );
  // An empty lot is nobody's concern.
  expect(ids(plate, { stock: [{ ...lot, quantity: 0, openedShare: 0, expiresOn: '2026-01-01' }] })).not.toContain(
    `caution lot:${lot.id}`,
  );
});

test('a wet face and a damp base are stops where the sheet forbids them', () => {
  expect(ids({ ...nosing, surface: 'wiped damp' })).toContain('stop wetness');
  expect(ids(nosing)).not.toContain('stop wetness');
  // Where the sheet says nothing of it, what is usual is told and forbids nothing.
  const silent = sampleSheets.map((s) => ({ ...s, estimated: [...s.estimated, 'wetness' as const] }));
  const told = found({ ...nosing, surface: 'wiped damp' }, { sheets: silent }).filter((f) => f.id === 'wetness');
  expect(told.map((f) => [f.severity, sentence(f.why)])).toEqual([
    ['caution', 'It is found wiped damp; the sheet says nothing of it, and usual for its kind is bone dry.'],
  ]);
  expect(found(nosing, { sheets: silent }).map((f) => f.id)).not.toContain('wetness');
  const crack = sampleSheets.find((s) => s.id === 'sheet-crack-1')!;
  expect(ids({ ...nosing, sheetId: crack.id, kitId: 'pair', moisturePct: 9 })).toContain('stop moisture');
  expect(ids({ ...nosing, sheetId: crack.id, kitId: 'pair', moisturePct: 3 })).not.toContain('stop moisture');
});

test('a lift that sags off a wall is a stop, in lifts that hold it is not', () => {
  const hull = sampleSheets.find((s) => s.id === 'sheet-hull-1')!;
  const wall = { ...nosing, sheetId: hull.id, kitId: 'set', orientation: 'wall' as const };
  // Its lifts are up to 12 mm, it holds 10 on a wall.
  expect(sentence(found(wall).find((f) => f.id === 'sag')!.why)).toMatch(/12 mm on a wall, the sheet holds 10 mm/);
  expect(ids({ ...wall, orientation: 'floor' })).not.toContain('stop sag');
});

test('the sheet’s own smaller yield is noted, and plans', () => {
  // The sample's own yield lies within 5 % of its masses: no note.
  expect(ids(nosing)).not.toContain('note coverage');
  const stingy = sampleSheets.map((s) =>
    s.id === nosing.sheetId ? { ...s, kits: s.kits.map((k) => ({ ...k, yieldMl: 800 })) } : s,
  );
  const view = viewJob({ job: mild, repairs: [repairOf(nosing)], sheets: stingy, stock: [], events: [] }, NOW)
    .repairs[0]!;
  expect(view.findings.find((x) => x.id === 'coverage')!.severity).toBe('note');
  expect(view.plan.mix!.kits.volumeMl).toBe(800);
});

test('a measure that is not known, or too coarse, is a stop; a fine one is none', () => {
  const by = (over: Partial<Piece['bench']>) => ids({ ...plate, bench: { ...plate.bench, ...over } });
  expect(by({ way: 'strokes' })).toContain('stop instrument:unknown');
  expect(by({ way: 'cup', cupStepMl: 50 })).toContain('stop instrument:coarse');
  expect(by({ way: 'cup', cupStepMl: 1 }).filter((i) => i.includes('instrument'))).toEqual([]);
  expect(by({ way: 'weight' }).filter((i) => i.includes('instrument'))).toEqual([]);
});

test('a pot far bigger than the sheet’s pot life is for is pointed out', () => {
  const big = { ...plate, void: { ...plate.void!, count: 4 }, settings: { ...plate.settings, rate: 400 } };
  expect(sentence(found(big).find((f) => f.id === 'pot-mass')!.why)).toMatch(/the sheet’s time is for 200 g/);
  expect(ids({ ...big, massCapG: 250 })).not.toContain('caution pot-mass');
});

test('tints: too much of them, and one too small for the scale', () => {
  const with_ = (massG: number, stepG = 0.1) =>
    ids({
      ...plate,
      scaleStepG: stepG,
      colour: Colour.parse({
        chosen: 't',
        trials: [{ id: 't', name: 't', inG: 100, tints: [{ name: 'black', massG }], note: '' }],
      }),
    });
  expect(with_(8)).toContain('caution colour:much');
  expect(with_(0.05)).toContain('caution colour:fine');
  expect(with_(2).filter((i) => i.includes('colour'))).toEqual([]);
});

test('every batch asks for its cup; soft when it should bear load is a stop, hard is none', () => {
  const steps = viewJob({ job: mild, repairs: [repairOf(plate)], sheets: sampleSheets, stock: [], events: [] }, NOW)
    .repairs[0]!.plan.steps;
  const done = [
    event(plate, { kind: 'started', snapshotId: 's', usableMin: 40 }),
    ...steps
      .filter((s) => s.stage !== 'release' && s.stage !== 'finish')
      .map((s) => event(plate, { kind: 'step-done', step: s.id })),
  ];
  expect(ids(plate, { events: done, nowMs: NOW + 3 * 3_600_000 })).toContain('note witness:0:none');
  const later = NOW + 12 * 86_400_000;
  const cup = (state: 'tacky' | 'hard') => [
    ...done,
    event(plate, { kind: 'witness', batch: 0, state }, later - 60_000),
  ];
  expect(ids(plate, { events: cup('tacky'), nowMs: later })).toContain('stop witness:0:soft');
  expect(ids(plate, { events: cup('hard'), nowMs: later }).filter((i) => i.includes('witness'))).toEqual([]);
});

test('pours stand in the record by batch; a pot thrown away takes its pours with it and leaves them readable', () => {
  const events = [
    event(plate, { kind: 'poured', batch: 0, part: 'A', massG: 200, lot: 'L1', source: 'typed' }),
    event(plate, { kind: 'poured', batch: 1, part: 'A', massG: 90, lot: 'L1', source: 'typed' }),
    event(plate, { kind: 'discarded', batch: 0, why: 'ratio doubted' }),
    event(plate, { kind: 'taken', stockId: 'stock-paste', lot: 'L1', kit: 'pair', count: 1 }),
    event(plate, { kind: 'taken', stockId: 'stock-paste', lot: 'L1', kit: 'pair', count: 1 }),
  ];
  const { actuals } = viewJob(
    { job: mild, repairs: [repairOf(plate)], sheets: sampleSheets, stock: [], events },
    NOW + 3_600_000,
  ).repairs[0]!;
  expect(actuals.pours.map((p) => [p.batch, p.massG])).toEqual([[1, 90]]);
  expect([...actuals.taken]).toEqual([['stock-paste', 2]]);
  expect(events.filter((e) => e.body.kind === 'poured')).toHaveLength(2);
});

test('a density that was taken as usual is told where it is weighed by, and nowhere else', () => {
  const told = (
    repair: Piece,
    sheetId: string,
    estimated: SheetRevision['estimated'],
    over: Partial<SheetRevision> = {},
  ) =>
    viewJob(
      {
        job: mild,
        repairs: [repairOf(repair)],
        sheets: sampleSheets.map((s) => (s.id === sheetId ? { ...s, estimated, ...over } : s)),
        stock: [],
        events: [],
      },
      NOW,
    ).repairs[0]!.findings.find((f) => f.id === 'density');
  expect(sentence(told(plate, 'sheet-paste-1', ['densityB', 'mixMin'])!.why)).toMatch(
    /^Of B, .* give or take 15 %\. What is weighed/,
  );
  expect(told(plate, 'sheet-paste-1', ['mixMin', 'potLoss'])).toBeUndefined();
  // Beside the density of the mix, and of what is kneaded in its own bag, nobody weighs by one of a part.
  expect(told(plate, 'sheet-paste-1', ['densityA', 'densityB'], { mixedGPerMl: 1.3 })).toBeUndefined();
  expect(told(plate, 'sheet-paste-1', ['densityA', 'densityB'], { kind: 'sachets' })).toBeUndefined();
  // A cartridge presses out its own volumes.
  const pressed = bundles
    .flatMap((b) => b.repairs.map((r) => pieceOf(r)))
    .find((r) => r.void?.shapes[0]?.shape === 'annulus')!;
  expect(told({ ...pressed, jobId: mild.id }, pressed.sheetId!, ['densityA', 'densityB'])).toBeUndefined();
});
