import { isTaken, METHODS, methodOf, usualOption } from '@/core/method';
import type { Piece } from '@/core/plan';
import { airInhibited, FAMILIES, type SheetRevision } from '@/core/system';
import { sampleRecords } from '@/sample/jobs';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/** What the air holds back is shut from it, and nothing else is; how thick a bond line stays is somebody's choice. */
const NOW = at('2027-05-10T07:00');
const sheets = sampleRecords(NOW, ZONE).filter((r): r is SheetRevision => r.record === 'sheet');
const named = (name: string) => sheets.find((s) => s.name === name)!;
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const planned = (id: string, sheet: SheetRevision, over: Partial<Piece> = {}, count = 1) =>
  firstPlanned({ job, nowMs: NOW }, methodOf(id)!, sheet, { over, count });
type Plan = ReturnType<typeof planned>;
const tacky = (p: Plan) => p.findings.filter((f) => f.id === 'meets:air-inhibited');
const films = (p: Plan) => p.consumables.filter((c) => c.what === 'film');
const shut = (p: Plan) => p.steps.find((s) => s.id === 'hold:shut')!;

const peroxide = named('White finish resin');
const amine = named('Clear pouring resin 100:30');

test('a coat that peroxide cures goes under film, and nobody is warned of what is done', () => {
  const p = planned('finish-coat', peroxide);
  expect(films(p)).toHaveLength(1);
  expect(shut(p).title).toBe('Draw the tape, shut the air out');
  expect(shut(p).detail).toMatch(/^Film pressed flat/);
  expect(tacky(p)).toEqual([]);
});
test('a coat that the air does not hold back is left open: no film is fetched for it', () => {
  const p = planned('finish-coat', amine);
  expect(films(p)).toEqual([]);
  expect(shut(p).title).toBe('Draw the tape, keep the dust off');
  expect(tacky(p)).toEqual([]);
  // Who wants film over it has it.
  expect(films(planned('finish-coat', amine, { schools: { air: 'film' } }))).toHaveLength(1);
});
test('left open against what peroxide asks: a caution, with both ways to shut the air out as presses', () => {
  const [told, ...more] = tacky(planned('finish-coat', peroxide, { schools: { air: 'none' } }));
  expect(more).toEqual([]);
  expect(told).toMatchObject({ severity: 'caution' });
  expect(told!.ways!.map((w) => [w.say, w.set.value])).toEqual([
    ['Take “film over the last coat”', 'film'],
    ['Take “wax in the last coat”', 'wax'],
  ]);
  for (const w of told!.ways!)
    expect(tacky(planned('finish-coat', peroxide, { schools: { air: String(w.set.value) } }))).toEqual([]);
});
test('a hole that sets under film is warned of no tacky face; a dent left flush in the open is', () => {
  expect(tacky(planned('laminate-hole', named('Panel filler')))).toEqual([]);
  expect(tacky(planned('body-filler', named('Panel filler'), { schools: { 'finish-level': 'flush' } }))).toHaveLength(
    1,
  );
});
test('mixes of one coat end each at a joint or a tape; one alone is not told so', () => {
  const coats = (p: Plan) => p.steps.filter((s) => s.id.endsWith(':coat'));
  const many = coats(planned('finish-coat', peroxide, {}, 3));
  expect(many.length).toBeGreaterThan(1);
  for (const s of many) expect(s.detail).toMatch(/end this batch at a joint or a tape; the next coat/);
  const [one, ...more] = coats(planned('finish-coat', amine));
  expect(more).toEqual([]);
  expect(one!.detail).not.toMatch(/tape/);
});
test('what hangs on the system is an option of its matter for every system that is taken', () => {
  let hanging = 0;
  for (const method of METHODS)
    for (const school of method.schools)
      for (const sheet of sheets.filter((s) => isTaken(method, s))) {
        const id = usualOption(school, sheet);
        expect([method.id, school.id, school.options.some((o) => o.id === id)]).toEqual([method.id, school.id, true]);
        if (id !== school.byDefault) hanging++;
        expect(usualOption(school, null)).toBe(school.byDefault);
      }
  expect(hanging).toBeGreaterThan(0);
  expect(Object.keys(FAMILIES).filter((family) => airInhibited({ family: family as never }))).toEqual(['peroxide']);
});

describe('keeping a bond line', () => {
  const slow = named('Slow paste adhesive 2:1');
  const spread = (p: Plan) => p.steps.find((s) => s.id.endsWith(':spread'))!.detail;
  const wires = (p: Plan) => p.consumables.filter((c) => /wires/.test(c.what)).map((c) => c.quantity);
  test('a ridge until somebody chooses; wires three under each plate', () => {
    const p = planned('plate-bond', slow, {}, 4);
    expect(spread(p)).toMatch(/a ridge in the middle of one so that air is pushed out/);
    expect(wires(p)).toEqual([]);
    const wired = planned('plate-bond', slow, { schools: { line: 'wires' } }, 4);
    expect(wires(wired)).toEqual([12]);
    expect(spread(wired)).toMatch(/at three places/);
    expect(spread(planned('plate-bond', slow, { schools: { line: 'notched' } }))).toMatch(/notched spreader/);
    // It is no matter of how much is mixed.
    expect(wired.toMixMl).toBe(p.toMixMl);
  });
});
