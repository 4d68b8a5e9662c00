import { METHODS } from '../method';
import { KIND_IDS, systemKind } from '../system';
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

test('no two cautions say the same in other words: what stands in a method and in a kind of system is one text', () => {
  const all = [
    ...new Set([...METHODS.flatMap((m) => m.cautions), ...KIND_IDS.flatMap((id) => systemKind(id).hazards)]),
  ];
  const words = (text: string) => new Set(text.toLowerCase().match(/\p{L}{3,}/gu));
  const alike = (a: Set<string>, b: Set<string>) => [...a].filter((w) => b.has(w)).length / new Set([...a, ...b]).size;
  const near = all.flatMap((a, i) =>
    all.slice(i + 1).flatMap((b) => (alike(words(a), words(b)) > 0.55 ? [`${a} | ${b}`] : [])),
  );
  // Two kinds of work, or two fillers that fly, are not one.
  const isOther = (pair: string) => {
    const [a, b] = pair.split(' | ').map((text) => /^(?:Grinding|Sawing|Cutting|Stone|Sanding)\b/.exec(text)?.[0]);
    return (a && b && a !== b) || /flies|fly/.test(pair);
  };
  expect(near.filter((pair) => !isOther(pair))).toEqual([]);
});
