import { methodsData } from '@/sample/jobs';
import { site, turnTo, withSample } from './browser';
import { type as typeIn, workedTo } from './hands';

const { base, page: open, timed } = site();

test('one press adds a repair of every other method: each opens, planned, and all of it goes with the sample', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(base());
  await page.getByRole('button', { name: 'Two more jobs: every method' }).click();
  await page.getByRole('heading', { name: 'Floors and stone' }).waitFor();
  await page.getByRole('heading', { name: 'Workshop bench' }).waitFor();
  // Added once: the press is gone.
  expect(await page.getByRole('button', { name: /Two more jobs/ }).count()).toBe(0);
  for (const [at, says] of [
    ['/job/sample-floors/sample-slabs/place', /In place by/],
    ['/job/sample-floors/sample-chip/mix', /in \d+ batch/],
    ['/job/sample-workshop/sample-cleat/hold?pass=p2', /left alone/],
    ['/job/sample-workshop/sample-shroud/place', /In place by/],
  ] as const) {
    await turnTo(page, base(), at);
    await page.getByText(says).first().waitFor();
  }
  // With the pots prepared, too, nothing stops any of them from being begun.
  const held: string[] = [];
  for (const { job, repairs } of methodsData(Date.now(), 'Europe/Helsinki').bundles)
    for (const r of repairs) {
      await turnTo(page, base(), `/job/${job.id}/${r.id}/run`);
      await page.getByTestId('go').waitFor();
      if (await page.getByTestId('go').isDisabled())
        held.push(`${r.name}: ${await page.locator('#main').textContent()}`);
    }
  expect(held).toEqual([]);
  await turnTo(page, base(), '/');
  await page.getByRole('button', { name: 'Remove the sample' }).click();
  await page.getByRole('button', { name: /Load the sample/ }).waitFor();
  expect(await page.getByRole('heading', { name: 'Workshop bench' }).count()).toBe(0);
});

test('a soak is worked to refusal: each coat written down, what rises asked again, left too soon it is a stop', async () => {
  const page = await timed();
  await page.clock.install({ time: new Date(Date.UTC(2027, 4, 10, 6)) });
  await withSample(page, base());
  await page.goto(base());
  await page.getByRole('button', { name: 'Two more jobs: every method' }).click();
  await page.getByRole('heading', { name: 'Workshop bench' }).waitFor();
  await turnTo(page, base(), '/job/sample-workshop/sample-beam/run');
  await workedTo(page, /Soak it/);
  const drinks = page.getByRole('region', { name: 'What it drinks' });
  const coat = async (n: number, ml: string) => {
    await typeIn(page, `Coat ${n} took`, ml);
    await drinks.getByRole('button', { name: 'Write it down' }).click();
  };
  await coat(1, 'nothing');
  await drinks.getByRole('alert').waitFor();
  await coat(1, '20 mL');
  await drinks.getByText('1 coat, 20.0 mL in all').waitFor();
  await coat(2, '24 mL');
  await page
    .getByText(/Coat 2 on .* took more than the one before/)
    .first()
    .waitFor({ state: 'attached' });
  await coat(3, '9 mL');
  await coat(4, '1.5 mL');
  await drinks.getByText('It takes no more:').waitFor();
  await drinks.getByRole('img', { name: /coats of 20, 24, 9, 1.5 mL/ }).waitFor();
  // All of it stands in the log.
  await turnTo(page, base(), '/job/sample-workshop/log');
  expect(await page.getByText(/Face 1 took .* in one coat/).count()).toBe(4);
});
