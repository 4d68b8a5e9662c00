import { methodOf } from '@/core/method';
import { freshJob } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, firstRepair, plannedFrom, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';

/** A ring of a winch foot is poured full: of bagged grout, or of resin. */
const NOW = at('2027-05-10T06:20');
const job = { ...freshJob(NOW), zone: ZONE, startFrom: at('2027-05-10T07:00') };
const GROUT: Paper = [
  'cement-water',
  '',
  '25 kg',
  'use-by 30 min, foot 6 h, load 24 h',
  { ...dosed(12, 14, 15), flow: 'pours' },
];
const RESIN: Paper = ['liquid-resin', '2:1 by weight', '1000 g, 500 g', 'use-by 30 min, gel 2 h, load 24 h'];

function stepsOf(paper: Paper, on: 'concrete' | 'metal' = 'concrete') {
  const sheet = typed(paper, NOW);
  const repair = firstRepair({ job, nowMs: NOW }, methodOf('poured-collar')!, sheet);
  const plan = plannedFrom({ job, sheets: [sheet], nowMs: NOW }, { ...repair, base: { ...repair.base, material: on } });
  return plan.repairs[0]!.steps.map((s) => ({
    ...s,
    said: say(s.title, PLAIN_READER),
    how: say(s.detail, PLAIN_READER),
  }));
}

test('grout goes on rough, soaked faces with no puddles, wetted right before it is mixed', () => {
  const steps = stepsOf(GROUT);
  const faces = steps.find((s) => s.id === 'prep:sand')!;
  expect([faces.said, faces.how]).toEqual([
    'Roughen the faces, wash',
    'Laitance and gloss gone all over, loose grains off, washed clean.',
  ]);
  const wet = steps.findIndex((s) => s.id === 'prep:wet');
  expect(steps[wet]).toMatchObject({ hold: true, how: expect.stringMatching(/no more water sinks in.*puddles/) });
  // After the seam was tried, and nothing between the water and the pail.
  expect(steps[wet - 1]!.id).toBe('prep:dam');
  expect(steps[wet + 1]).toMatchObject({ id: 'b1:weigh', startMs: steps[wet]!.endMs });
});

test('what is made ready in the evening is soaked in the morning', () => {
  const sheet = typed(GROUT, NOW);
  const late = { ...job, startFrom: at('2027-05-10T16:10') };
  const repair = firstRepair({ job: late, nowMs: NOW }, methodOf('poured-collar')!, sheet);
  const { steps } = plannedFrom({ job: late, sheets: [sheet], nowMs: NOW }, repair).repairs[0]!;
  const day = (id: string) => new Date(steps.find((s) => s.id === id)!.startMs).getUTCDate();
  expect([day('prep:dam'), day('prep:wet'), day('b1:weigh')]).toEqual([10, 11, 11]);
});

test('resin wants its faces dull and dry: nobody brings water to them', () => {
  const steps = stepsOf(RESIN);
  expect(steps.find((s) => s.id === 'prep:sand')!.said).toBe('Sand the faces dull, wipe');
  expect(steps.some((s) => s.id === 'prep:wet')).toBe(false);
});

test('a steel face drinks nothing, and a grout that asks for a dry base gets one', () => {
  expect(stepsOf(GROUT, 'metal').some((s) => s.id === 'prep:wet')).toBe(false);
  const [kind, ratio, packs, times, more] = GROUT;
  const dry = stepsOf([kind, ratio, packs, times, { ...more, wetness: 'bone dry' }]);
  expect(dry.some((s) => s.id === 'prep:wet')).toBe(false);
  const damp = stepsOf([kind, ratio, packs, times, { ...more, wetness: 'wiped damp' }]);
  expect(damp.find((s) => s.id === 'prep:wet')!.how).toBe('Faces wiped damp, with no film of water.');
});
