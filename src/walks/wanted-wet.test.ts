import { METHODS, methodOf } from '@/core/method';
import { freshJob } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, firstRepair, plannedFrom, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';

/** What a sheet asks of its base is what every step before the mixing asks, whatever the method was made for first. */
const NOW = at('2027-05-10T06:20');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: at('2027-05-10T07:00') };
const TIMES = 'use-by 30 min, open 20 min, wash-from 30 min, overlay 24 h, recoat-from 4 h, foot 6 h, load 24 h';
const BAG: Paper = ['cement-water', '', '25 kg', TIMES, dosed(18, 20, 22)];
const bound = METHODS.filter((m) => m.takes.binder.includes('cement')).map((m) => m.id);

/** What is said before and while it is mixed, of a base that drinks. */
function saidOf(methodId: string, wetness: string): string {
  const method = methodOf(methodId)!;
  const [kind, ratio, packs, times, more] = BAG;
  const flow = method.takes.flow.includes('mortar') ? 'mortar' : 'pours';
  const sheet = typed([kind, ratio, packs, times, { ...more, flow, wetness } as Paper[4]], NOW);
  const fresh = firstRepair({ job, nowMs: NOW }, method, sheet);
  const repair = { ...fresh, base: { ...fresh.base, material: 'concrete' as const } };
  const { steps } = plannedFrom({ job, sheets: [sheet], nowMs: NOW }, repair).repairs[0]!;
  const mixing = steps.findIndex((s) => s.marks?.begin?.includes('mix-begins'));
  expect([methodId, mixing]).not.toEqual([methodId, -1]);
  return steps
    .slice(0, mixing)
    .flatMap((s) => [s.title, s.detail].map((m) => say(m, PLAIN_READER)))
    .join('\n');
}

test('methods for cement are more than the patch', () => {
  expect(bound).toEqual(
    expect.arrayContaining(['cement-patch', 'poured-collar', 'setting-bed', 'crack-mesh', 'skim-coat', 'resin-joints']),
  );
});

test.each(bound)('%s: nobody dries what the bag wants wet, nor reads it against the dew', (id) => {
  const said = saidOf(id, 'saturated, no puddles');
  expect(said).toMatch(/drinks no more|no more water sinks in/);
  expect(said).not.toMatch(/dew point|Dry\?|[Dd]ry to the touch/);
});

test.each(bound)('%s: a bag for a dry base gets no water', (id) => {
  expect(saidOf(id, 'bone dry')).not.toMatch(/drinks no more|no more water|[Ww]iped? (it )?damp/);
});

test('joints are filled from the bucket with cement, which stays cool, and out of heaps with resin', () => {
  const placed = (paper: Paper) => {
    const sheet = typed(paper, NOW);
    const repair = firstRepair({ job, nowMs: NOW }, methodOf('resin-joints')!, sheet);
    const { steps } = plannedFrom({ job, sheets: [sheet], nowMs: NOW }, repair).repairs[0]!;
    return say(steps.find((s) => s.id === 'b1:place')!.detail, PLAIN_READER);
  };
  expect(placed(BAG)).toMatch(/^From the bucket/);
  expect(placed(['paste', '2:1 by weight', '2000 g, 1000 g', TIMES])).toMatch(/into heaps on the floor/);
});
