import { methodOf } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { drawnShape, ZONE } from '@/walks/made';
import { dosed, typed } from '@/walks/papers';
import { site } from './browser';
import { stage, takeJob, type } from './hands';

const yard = site();
const { base } = yard;
const NOW = Date.parse('2027-05-10T03:00:00Z');

/** Six square metres of a cement patch out of 25 kg bags, all else left as it is. */
function patch() {
  const method = methodOf('cement-patch')!;
  const sheet = {
    ...typed(
      [
        'cement-water',
        '',
        '25 kg, 3.5 kg',
        'use-by 10 C: 40 min\n20 C: 20 min, foot 10 C: 10 h\n20 C: 4 h',
        dosed(12, 13, 14),
      ],
      NOW,
    ),
    name: 'Rapid mortar',
  };
  const job = {
    ...freshJob(NOW),
    id: 'large',
    name: 'Landing',
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC: 12, humidityPct: 60 },
  };
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: voidOf(drawnShape(method, { 'outline.length': 4000, 'outline.width': 1500, 'depth.mean': 50 })),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    // Of a surplus that somebody chose no bag is filled up.
    settings: { over: 8 },
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  return { job, repairs: [{ ...repair, id: 'slab' }], sheets: [sheet] };
}

test('a large patch out of bags: a bag in each mix, like mixes told once, its nights with what is done to the edge', async () => {
  const page = await yard.timed();
  await page.clock.install({ time: new Date(NOW) });
  await takeJob(page, base(), patch());
  await page.goto(`${base()}/job/large/slab/mix`);

  // All but the last are a bag each: one press for them, one for what is left to do.
  const runs = page.getByRole('button', { name: /^Batch/ });
  await runs.first().waitFor();
  expect(await runs.count()).toBe(2);
  const all = Number(/of (\d+)/.exec((await page.getByRole('heading', { name: /^Batch 1 of/ }).textContent())!)![1]);
  expect(all).toBeGreaterThan(20);
  expect(await runs.first().textContent()).toBe(`1–${all - 1}`);
  const drawn = page.getByRole('img', { name: /makes/ });
  expect(await drawn.textContent()).toMatch(/25\.0 kg.*3\.25 kg.*1 whole bag/);
  await runs.last().click();
  await page.getByRole('heading', { name: `Batch ${all} of ${all}` }).waitFor();
  expect(await drawn.textContent()).not.toMatch(/whole bag/);

  // At the bench each is poured by itself: the last is in reach from the first.
  await page.getByRole('link', { name: 'To the bench' }).click();
  await page.getByRole('heading', { name: `Bench: batch ${all} of ${all}` }).waitFor();
  await page.getByRole('link', { name: '1', exact: true }).click();
  await page.getByRole('heading', { name: `Bench: batch 1 of ${all}` }).waitFor();
  await page.getByText(/1 whole bag: emptied/).waitFor();
  await page.getByRole('link', { name: String(all), exact: true }).click();
  await page.getByRole('heading', { name: `Bench: batch ${all} of ${all}` }).waitFor();
  await page.getByRole('link', { name: 'the mix', exact: true }).click();
  await page.getByRole('heading', { name: `Batch 1 of ${all}` }).waitFor();

  await stage(page, 'Place');
  await page.getByRole('heading', { name: 'It goes on the next day' }).waitFor();
  const steps = page.getByRole('region', { name: 'Sheet' }).getByRole('listitem');
  expect(await steps.filter({ hasText: 'One whole bag: 25.00 kg of powder' }).count()).toBeGreaterThan(1);
  const evening = steps.filter({ hasText: /^(?!.*Roughen).*against a batten across it/ });
  const morning = steps.filter({ hasText: 'Roughen yesterday’s edge' });
  expect(await evening.count()).toBe(await morning.count());
  expect(await morning.count()).toBeGreaterThan(1);

  // Seen from above no number lies on a handle, or on another number.
  const boxes = (of: 'circle:last-child' | 'text') =>
    page.getByTestId('ground').evaluate(
      (at, what) =>
        [...at.querySelectorAll(`svg ${what === 'text' ? 'text' : '[role=slider] circle:last-child'}`)].map((e) => {
          const { left, right, top, bottom } = e.getBoundingClientRect();
          return { left, right, top, bottom };
        }),
      of,
    );
  const [numbers, handles] = [await boxes('text'), await boxes('circle:last-child')];
  expect(handles.length).toBe(all - 1);
  expect(numbers.length).toBeGreaterThan(5);
  type Box = (typeof numbers)[number];
  const over = (a: Box, b: Box) =>
    Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1 &&
    Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1;
  const pairs = numbers.flatMap((a, i) => [...handles, ...numbers.slice(i + 1)].filter((b) => over(a, b)));
  expect(pairs).toEqual([]);

  // Whoever stays two hours longer each day has it in place sooner.
  const inPlace = page.getByText(/In place by/);
  const before = await inPlace.textContent();
  const nights = await morning.count();
  await type(page, 'Stay past the end of the day, at most', '2 h');
  await page.waitForFunction((was) => {
    const now = [...document.querySelectorAll('p')].find((p) => p.textContent?.startsWith('In place by'));
    return now && now.textContent !== was;
  }, before);
  expect(await morning.count()).toBeLessThanOrEqual(nights);
  expect(await evening.count()).toBe(await morning.count());
});
