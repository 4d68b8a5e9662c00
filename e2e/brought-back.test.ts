import type { Page } from 'playwright-core';
import { finishedData, methodsData } from '@/sample/jobs';
import { PHONE, site, turnTo, withSample } from './browser';
import { type } from './hands';

const yard = site();
const { base } = yard;
const DENT = '/job/sample-workshop/sample-dent';
const PLATE = '/job/sample-winch/sample-plate';
let page: Page;

/** The sample with what else is wanted of it, at a page of it. */
const at = async (path: string, further: Parameters<typeof withSample>[2] = []) => {
  await withSample(page, base(), further);
  await page.goto(base() + path);
  await page.locator('#main').waitFor();
};

test('the ladder is drawn rung by rung; a grit taken out leaves a skip that is asked about, and a press puts it right', async () => {
  page = await yard.page();
  await at(`${DENT}/finish`, [methodsData]);
  const rungs = () => page.locator('[data-rung]').evaluateAll((all) => all.map((r) => r.getAttribute('data-rung')));
  await page.locator('[data-rung="P180"]').waitFor();
  const before = await rungs();
  expect(before.length).toBeGreaterThan(1);
  const grit = (name: string) => page.getByRole('group', { name: 'Grits' }).getByRole('button', { name, exact: true });
  await grit('P280').click();
  await page.locator('[data-rung="P280"]').waitFor();
  await grit('P180').click();
  await page.getByRole('heading', { name: 'P120 to P280 skips too far' }).waitFor();
  await page.getByRole('button', { name: /put P180 between/ }).click();
  await page.locator('[data-rung="P180"]').waitFor();
  expect(await page.getByRole('heading', { name: /skips too far/ }).count()).toBe(0);
  await page.getByRole('button', { name: 'back to Grenko’s' }).click();
  await page.locator('[data-rung="P280"]').waitFor({ state: 'detached' });
  expect(await rungs()).toEqual(before);
  // Its steps are those of the list, each a hold point.
  for (const g of before)
    await page
      .locator('ol')
      .getByText(new RegExp(`${g}$`))
      .first()
      .waitFor();
});

test('on a phone nothing of the ladder or the report runs over the edge', async () => {
  page = await yard.page(PHONE);
  await at(`${DENT}/finish`, [methodsData, finishedData]);
  for (const view of [
    `${DENT}/finish`,
    '/job/sample-edges/report',
    '/learned',
    '/job/sample-edges/sample-edge-1/release',
  ]) {
    await turnTo(page, base(), view);
    await page.waitForFunction(() => document.querySelectorAll('#main svg, #main ol').length > 0);
    expect([view, await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth + 1)]).toEqual([
      view,
      true,
    ]);
  }
});

test('not set: the sign decides what is done; a hand in the wrong place stops the work until somebody answerable has spoken', async () => {
  page = await yard.page();
  await at(`${PLATE}/run`);
  const wrong = page.getByRole('button', { name: 'Something went wrong' });
  await wrong.click();
  await page.getByText('At another moment of this work').click();
  await page.getByRole('button', { name: /It has not set/ }).click();
  await page.getByRole('button', { name: /still liquid/ }).click();
  await page.getByText(/It will never set/).waitFor();
  await page.getByRole('button', { name: 'another sign' }).click();
  await page.getByRole('button', { name: /soft, but the cup is hard/ }).click();
  await page.getByText('It stays.').waitFor();
  await page.getByRole('button', { name: 'Record it', exact: true }).click();
  await wrong.click();
  await page.getByRole('button', { name: /Splash, spill or fumes/ }).click();
  expect(
    await page
      .getByRole('dialog')
      .getByText(/rinse with water/)
      .count(),
  ).toBe(1);
  await page.getByRole('button', { name: 'Record it and plan from now' }).click();
  await page.getByRole('heading', { name: /Splash, spill or fumes: the work stands/ }).waitFor();
  expect(await page.getByTestId('go').isDisabled()).toBe(true);
  await turnTo(page, base(), '/job/sample-winch/log');
  await page
    .getByText('Something went wrong: It has not set when it should have (soft, but the cup is hard)')
    .waitFor();
});

test('a test by figures is asked for, read and judged; the last step is not ticked before its tests', async () => {
  page = await yard.page();
  await at(`${PLATE}/release`);
  await page.getByRole('button', { name: /A test by figures/ }).click();
  await page.getByRole('radio', { name: 'pull-off' }).click();
  await page.getByText('open: What is asked has not been typed yet.').waitFor();
  await type(page, 'At least (pull-off)', '1.5 MPa');
  await type(page, 'How many (pull-off)', '2');
  const read = async (n: number, value: string, gave: string) => {
    await type(page, `Reading ${n} (pull-off)`, value);
    await page.getByRole('radio', { name: gave }).click();
    await page.getByRole('button', { name: 'Into the record' }).click();
    await page.getByLabel(`Reading ${n} (pull-off)`).waitFor({ state: 'detached' });
  };
  await read(1, '1.1', 'in the glue of the disc');
  await page
    .getByText(/did not count, torn in the glue: 2 more are asked/)
    .first()
    .waitFor();
  await read(2, '1.9', 'in the base');
  await read(3, '2.2', 'between base and repair');
  await page.locator('[data-verdict="yes"]').waitFor();
  await page.getByText('Somebody from outside must see it…').click();
  await page.getByLabel('Who').fill('Harbour office');
  await page.getByRole('button', { name: 'They are asked' }).click();
  await page.getByText('Harbour office was asked to see it and has not said yet.').waitFor();
  await page.getByRole('button', { name: 'They accepted' }).click();
  await page.getByTestId('inspection').getByText('accepted it').waitFor();
  await turnTo(page, base(), '/job/sample-winch/log');
  await page.getByText('Measured, pull-off: 1.9 MPa, torn in the base').waitFor();
  await page.getByRole('heading', { name: 'The record is whole' }).waitFor();
});

test('what was released is closed: nothing in the log is corrected, it is reopened for a reason, and the reason stays', async () => {
  page = await yard.page();
  await at('/job/sample-edges/log', [finishedData]);
  await page.getByTestId('chains').waitFor();
  expect(await page.getByRole('button', { name: 'correct…' }).count()).toBe(0);
  await turnTo(page, base(), '/job/sample-edges/sample-edge-1/release');
  await page.getByText('Reopen it…').click();
  await page.getByRole('button', { name: 'Sign and reopen' }).click();
  await page.getByText('Write why: it stays in the record.').waitFor();
  await page.getByLabel('Why it is reopened').fill('It sounds hollow at the lake side.');
  await page.getByRole('button', { name: 'Sign and reopen' }).click();
  await page
    .getByTestId('reopened')
    .getByText(/hollow at the lake side/)
    .waitFor();
  await page.getByText(/Test open: Does a nail leave no mark/).waitFor();
  await turnTo(page, base(), '/job/sample-edges/log');
  await page.getByText('Reopened, what was signed is taken back: It sounds hollow at the lake side.').waitFor();
  // What keeps people off goes up again, and stays until it is released anew.
  await turnTo(page, base(), '/job/sample-edges/sample-edge-1/release');
  const barrier = page.getByRole('region', { name: 'Barrier' });
  await barrier.getByLabel('What keeps people off').fill('two cones');
  await barrier.getByRole('button', { name: 'It is up' }).click();
  await barrier.getByText(/two cones up since/).waitFor();
  await barrier.getByText(/It stays until the repair is released/).waitFor();
  expect(await barrier.getByRole('button', { name: 'It is down' }).isDisabled()).toBe(true);
  await turnTo(page, base(), '/job/sample-edges/log');
  await page.getByText('Barrier up: two cones').waitFor();
  // Open again, a tick may be put right: when it really was stands beside when it was said to be.
  await page.getByRole('button', { name: /^all \d+/ }).click();
  const row = page
    .locator('tr[data-event="step-done"]')
    .filter({ has: page.getByRole('button', { name: 'correct…' }) })
    .first();
  await row.getByRole('button', { name: 'correct…' }).click();
  const when = page.getByLabel('When it really was');
  await when.fill('3 Nov 2026 06:30');
  await when.blur();
  await page.getByText(/→ Done:/).waitFor();
});

test('what the records say is drawn, and taken where the minutes stand', async () => {
  page = await yard.page();
  await at('/learned', [finishedData]);
  await page.locator('[data-learned="prep:cut"]').waitFor();
  await page.getByText('Guide coat before every grit', { exact: false }).waitFor();
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/place');
  await page.getByRole('button', { name: /Saw the edges.*what it is made of/ }).click();
  const learned = page.getByTestId('minutes-learned');
  await learned.getByText(/from 7 records/).waitFor();
  await learned.getByRole('button', { name: 'Take yours' }).click();
  await learned.getByRole('button', { name: 'Take yours' }).waitFor({ state: 'detached' });
  await page.getByText('Set for this repair.').waitFor();
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/inspect');
  await page
    .getByTestId('notes-left')
    .getByText(/Saw the edge first/)
    .waitFor();
});

test('a photograph stands at its note and in the report; what is no picture is told', async () => {
  page = await yard.page();
  await at(`${PLATE}/run`);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What should be remembered').fill('Left edge, before closing');
  const file = page.getByLabel('With a photograph');
  await file.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await page.getByText('“notes.txt” is no picture this browser can open.').waitFor();
  // A picture of one point, made here.
  const png = await page.evaluate(() => {
    const c = document.createElement('canvas');
    c.width = c.height = 8;
    c.getContext('2d')!.fillRect(0, 0, 8, 8);
    return c.toDataURL('image/png').split(',')[1]!;
  });
  await file.setInputFiles({ name: 'edge.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') });
  await page.getByRole('img', { name: 'edge.png' }).waitFor();
  await page.getByRole('dialog').getByRole('button', { name: 'Into the record' }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  // Another at the step that is being worked: it stands beside that step, in the list and in the report.
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Photograph' });
  await dialog
    .getByLabel('Photograph')
    .setInputFiles({ name: 'bare.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') });
  await dialog.getByRole('img', { name: 'bare.png' }).waitFor();
  await dialog.getByRole('button', { name: 'Into the record' }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.getByTestId('step-photos').getByRole('img').waitFor();
  expect(await page.getByTestId('step-photos').count()).toBe(1);
  await turnTo(page, base(), '/job/sample-winch/report');
  await page.getByRole('row').filter({ hasText: 'Photograph' }).getByRole('img').waitFor();
  await page
    .getByRole('figure')
    .getByText(/Left edge, before closing/)
    .waitFor();
  // A figure of the report opens to how it came about.
  const figure = page.locator('[data-figure="void"]');
  await figure.locator('summary').click();
  expect(await figure.getByRole('row').count()).toBeGreaterThan(0);
});
