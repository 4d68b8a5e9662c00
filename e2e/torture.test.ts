import { fuzz } from '../torture/fuzz';
import { KINDS_OF_DAMAGE, mutant, seedFiles } from '../torture/mutants';

const base = () => process.env.GRENKO_BASE!;

test('two thousand damaged files: refused with a sentence or planned, never a crash, an endless run or a figure that is none', async () => {
  expect(KINDS_OF_DAMAGE.length).toBeGreaterThanOrEqual(12);
  const { refused, planned, faults } = await fuzz(0, 2000, undefined, 10_000);
  expect(faults).toEqual([]);
  expect(refused).toBeGreaterThan(300);
  expect(planned).toBeGreaterThan(300);
});

test('damaged files over HTTP: 200 or 400, and the server stands', async () => {
  const seeds = seedFiles();
  for (let n = 0; n < 60; n++) {
    const reply = await fetch(`${base()}/api/plan?at=2026-05-05T09:00:00Z`, {
      method: 'POST',
      body: mutant(seeds, n * 31).text,
      headers: { connection: 'close' },
    });
    expect([n, [200, 400].includes(reply.status)]).toEqual([n, true]);
    await reply.arrayBuffer();
  }
  expect((await fetch(base())).status).toBe(200);
});
