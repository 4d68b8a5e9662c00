import { site, turnTo, withSample } from './browser';
import { type } from './hands';

const yard = site();
const { base } = yard;

test('a crew that is wanted at two jobs is told, then one is planned round the other; a lot is given out once', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(base());
  // Each job of the sample has a crew of its own, but for the landing, which waits for the ramp's.
  await page.getByRole('heading', { name: 'Workboat before launching' }).waitFor();
  // What would tell it is fetched with the jobs.
  await page.waitForLoadState('networkidle');
  const twice = page.getByRole('region', { name: 'At two places at once' });
  expect(await twice.count()).toBe(0);
  const opens = async () => {
    await turnTo(page, base(), '/job/sample-boat');
    return page.getByText(/^Last repair may be opened/).textContent();
  };
  const alone = await opens();

  await type(page, 'Who does it', '');
  await turnTo(page, base(), '/');
  await twice.getByText('Saw the edges square and vertical').first().waitFor();
  await twice.getByRole('link', { name: 'Workboat before launching' }).first().click();
  await page.waitForURL(/sample-boat$/);
  expect(await opens()).toBe(alone);

  // The name that another job has is a press; what is planned first keeps its hours.
  await page.getByRole('button', { name: 'Done by ramp crew' }).click();
  expect(await page.getByLabel('Who does it').inputValue()).toBe('ramp crew');
  await turnTo(page, base(), '/');
  await twice.waitFor({ state: 'detached' });
  expect(await opens()).toBe(alone);
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/place');
  const note = page.getByText(/^It is planned to be at “Workboat before launching”/);
  await note.waitFor();
  // Another hand takes it, and nothing waits.
  await turnTo(page, base(), '/job/sample-boat');
  await type(page, 'Who does it', 'second hand');
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/place');
  await page.getByRole('heading', { level: 1 }).waitFor({ state: 'attached' });
  await note.waitFor({ state: 'detached' });
  expect(await opens()).toBe(alone);

  // Both the ramp and the landing want the mortar: the ramp is first.
  await turnTo(page, base(), '/job/sample-landing/pick');
  await page.getByText('2 of lot RM-2210 for “Slip ramp before the season” first').waitFor();
  await turnTo(page, base(), '/job/sample-ramp/pick');
  await page.getByText('2 of lot RM-2210').waitFor();
  expect(await page.getByText(/for “.*” first/).count()).toBe(0);
  await turnTo(page, base(), '/shelf/sheet-mortar-1');
  await page.getByText(/^2 for/).waitFor();
});
