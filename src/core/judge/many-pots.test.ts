import { methodsData, sampleData, sampleRecords } from '../../sample/jobs';
import { viewJob } from '../record';
import type { Message } from '../say';

const ZONE = 'Europe/Helsinki';
const NOW = Date.UTC(2027, 4, 10, 4);
const bundles = [...sampleData(NOW, ZONE).bundles, ...methodsData(NOW, ZONE).bundles];
const dent = bundles.find((b) => b.repairs.some((r) => r.id === 'sample-dent'))!;
const sheets = sampleRecords(NOW, ZONE, methodsData).flatMap((r) => (r.record === 'sheet' ? [r] : []));
const [draft] = dent.repairs.filter((r) => r.id === 'sample-dent');

/** The dent of the sample, so many of it, filled by so many. */
const view = (count: number, crew = 1, over: Readonly<Record<string, number>> = {}) => {
  const [first] = draft!.chain;
  const pass = draft!.passes[first!]!;
  const repair = {
    ...draft!,
    crew,
    passes: {
      ...draft!.passes,
      [first!]: { ...pass, void: { ...pass.void!, count }, settings: { ...pass.settings, ...over } },
    },
  };
  return viewJob({ ...dent, sheets: [...dent.sheets, ...sheets], repairs: [repair], events: [] }, NOW).repairs[0]!
    .passes[0]!;
};
const told = (of: ReturnType<typeof view>) => of.findings.find((f) => f.id === 'many-pots');

test('few mixes are nobody’s concern', () => {
  const few = view(1);
  expect(few.plan.batches.length).toBeLessThan(10);
  expect(told(few)).toBeUndefined();
});

test('a morning of mixes is said, with as many as there are', () => {
  const many = view(8);
  expect(many.plan.batches.length).toBeGreaterThanOrEqual(10);
  expect(told(many)?.title).toMatchObject({ with: { n: many.plan.batches.length } });
});

test('with twice the hands it takes as many as it says: planned so, they are counted', () => {
  // So slow that the clock of the pot bounds it, not the film it is mixed on.
  const slow = view(8, 1, { rate: 10 });
  const found = told(slow)!;
  const [way] = found.ways ?? [];
  expect(way?.set).toEqual({ path: ['crew'], value: 2 });
  const m = Number((found.why as Message).with?.m);
  expect(view(8, 2, { rate: 10 }).plan.batches.length).toBe(m);
  expect(m).toBeLessThan(slow.plan.batches.length);
});

test('where a sheet of film bounds it, more hands are not offered', () => {
  const held = view(30, 1, { rate: 5000 });
  // Twice as fast it takes as many.
  expect(view(30, 1, { rate: 10_000 }).plan.batches.length).toBe(held.plan.batches.length);
  expect(told(held)!.why).toMatchObject({ with: { held: 'yes', hands: 0 } });
  expect(told(held)!.ways).toBeUndefined();
});
