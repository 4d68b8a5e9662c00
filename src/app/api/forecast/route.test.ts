import { climateProblems } from '@/core/climate';
import { GET } from './route';

const ask = (query: string) => GET(new Request(`http://localhost/api/forecast?${query}`));

test('made-up weather by character and seed: marked as such, sound, the same again', async () => {
  const body = await (await ask('character=frost-night&seed=2&from=1777939200000&offset=3')).json();
  expect(body).toMatchObject({ standIn: true, character: 'frost-night' });
  expect(climateProblems({ kind: 'hourly', source: 'x', standIn: true, humidityPct: 70, rows: body.rows })).toEqual([]);
  expect(await (await ask('character=frost-night&seed=2&from=1777939200000&offset=3')).json()).toEqual(body);
});

test.each([
  ['character=monsoon', /no made-up weather called “monsoon”/],
  ['character=damp&from=soon', /must be numbers/],
  ['character=damp&offset=40', /must be numbers/],
])('%s is refused with its reason', async (query, words) => {
  const answer = await ask(query);
  expect(answer.status).toBe(400);
  expect((await answer.json()).error.sentence).toMatch(words);
});
