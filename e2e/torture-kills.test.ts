import { kills } from '../torture/kills';

const base = () => process.env.GRENKO_BASE!;

test('forty kills in bursts of writing lose nothing that the screen said was saved', async () => {
  const { kills: n, acknowledged, lost, wiped, unopened } = await kills(base(), 40, 3);
  expect(n).toBe(40);
  expect(acknowledged).toBeGreaterThanOrEqual(40);
  expect(lost).toEqual([]);
  expect(wiped).toEqual([]);
  expect(unopened).toEqual([]);
});
