import { METHODS } from '../method';
import { cautionsOf } from './cautions';

const [one, other] = METHODS;
const sheet = (...hazards: string[]) =>
  ({ hazards }) as unknown as Parameters<typeof cautionsOf>[0][0]['plan']['sheet'];

test('cautions of every pass stand there, those of its method before those of its sheet', () => {
  const said = cautionsOf([
    { plan: { method: one!, sheet: sheet('Of the first.') } },
    { plan: { method: other!, sheet: sheet('Of the second.') } },
  ]);
  expect(said.slice(0, one!.cautions.length + 1)).toEqual([...one!.cautions, 'Of the first.']);
  expect(said.at(-1)).toBe('Of the second.');
});

test('what method and sheet both say, or two passes, is said once', () => {
  const twice = { plan: { method: one!, sheet: sheet(one!.cautions[0]!, 'Only here.') } };
  expect(cautionsOf([twice, twice])).toEqual([...one!.cautions, 'Only here.']);
});

test('a pass with neither method nor sheet yet has none', () => {
  expect(cautionsOf([{ plan: { method: null, sheet: null } }])).toEqual([]);
});
