import type { Page } from 'playwright-core';
import { goTo, PHONE, site, turnTo, withSample } from './browser';
import { answer, choose, type } from './hands';

const yard = site();
const { base } = yard;
const NOSING = '/job/sample-ramp/sample-nosing';

const sampled = async (viewport?: typeof PHONE): Promise<Page> => {
  const page = await yard.page(viewport);
  await withSample(page, base());
  return page;
};

test('on a phone the rule folds, and nothing runs out of the screen', async () => {
  const page = await sampled(PHONE);
  for (const view of ['/', `${NOSING}/measure`, `${NOSING}/mix`, '/job/sample-ramp', '/shelf']) {
    await goTo(page, base(), view);
    await page.locator('#main').waitFor();
    expect([view, await page.evaluate(() => document.documentElement.scrollWidth <= 391)]).toEqual([view, true]);
  }
  await turnTo(page, base(), `${NOSING}/measure`);
  await page.getByRole('button', { name: /unfold/ }).click();
  await page.getByRole('link', { name: /^Hold/ }).click();
  await page.waitForURL(/hold/);
});

test('pulling a dimension in the drawing changes the field and the answer, by pointer and by key', async () => {
  const page = await sampled();
  await page.goto(`${base()}${NOSING}/measure`);
  const before = await answer(page);
  const end = page.getByRole('slider', { name: 'Drag length' });
  const box = (await end.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 4, { steps: 6 });
  await page.mouse.up();
  const field = page.getByLabel('Length', { exact: true });
  const pulled = Number.parseFloat(await field.inputValue());
  expect(pulled).toBeGreaterThan(245);
  expect(await answer(page)).not.toBe(before);
  await end.focus();
  await page.keyboard.press('ArrowRight');
  expect(Number.parseFloat(await field.inputValue())).toBe(pulled + 1);
});

test('pulling the temperature or the start moves everything behind it', async () => {
  const page = await sampled();
  await page.goto(`${base()}${NOSING}/hold`);
  const before = await answer(page);
  const curve = (await page.getByTestId('pull-temperature').boundingBox())!;
  await page.mouse.move(curve.x + 300, curve.y + 40);
  await page.mouse.down();
  await page.mouse.move(curve.x + 300, curve.y + 22, { steps: 4 });
  await page.mouse.up();
  await page.waitForFunction((b) => document.querySelector('[data-testid=answer]')?.textContent !== b, before);
  expect(await page.getByLabel('Daily low').inputValue()).not.toBe('5 °C');
  const warmed = await answer(page);
  const band = (await page.getByTestId('pull-start-sample-nosing').boundingBox())!;
  await page.mouse.move(band.x + 30, band.y + 10);
  await page.mouse.down();
  await page.mouse.move(band.x + 150, band.y + 10, { steps: 6 });
  await page.mouse.up();
  await page.waitForFunction((b) => document.querySelector('[data-testid=answer]')?.textContent !== b, warmed);
});

test('quantities are typed as people say them, what is ambiguous is asked, what is wrong keeps the text', async () => {
  const page = await sampled();
  await page.goto(`${base()}${NOSING}/measure`);
  const field = page.getByLabel('Length', { exact: true });
  await type(page, 'Length', '1,500');
  await page.getByText('1,500 may mean 1.500 or 1500.').waitFor();
  await page.getByRole('button', { name: '1500', exact: true }).click();
  expect(await field.inputValue()).toBe('1500');
  await type(page, 'Length', 'inches nine');
  await page.getByText(/is not understood/).waitFor();
  expect(await field.inputValue()).toBe('inches nine');
  await type(page, 'Length', '9 1/2 in');
  expect(await field.inputValue()).toBe('9 1/2 in');
  const metric = await answer(page);
  await page.locator('body').press('u');
  expect(await field.inputValue()).toBe('9 1/2 in');
  await page.locator('body').press('u');
  expect(await answer(page)).toBe(metric);
  await type(page, 'Length', '-3');
  await page
    .getByText(/must be more than 0/)
    .first()
    .waitFor();
  expect(await answer(page)).toBe('—');
});

test('bad input at the site is said at its field and the plan stands', async () => {
  const page = await sampled();
  await page.goto(`${base()}/job/sample-ramp`);
  await type(page, 'Daily low', '30 °C');
  await page.getByText(/daily low, 30 °C, is above the high/).waitFor();
  expect(await page.getByLabel('Daily low').inputValue()).toBe('30 °C');
  await type(page, 'Humidity at the low', '130 %');
  await page.getByText(/humidity must lie between/i).waitFor();
  await page.getByRole('list', { name: '' }).first().waitFor();
  expect(await page.getByText('Last repair may be opened').count()).toBe(1);
});

test('a sheet without its basis, or growing with temperature, is refused at its field', async () => {
  const page = await yard.page();
  await page.goto(`${base()}/shelf/new`);
  await type(page, 'A to B, with its basis', '2:1');
  await page.getByText(/ratio by weight is not a ratio by volume/).waitFor();
  await page.getByRole('button', { name: 'by volume', exact: true }).click();
  expect(await page.getByLabel('A to B, with its basis').inputValue()).toBe('2:1 by volume');
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  await page.getByText(/fields to mend/).waitFor();
  await type(page, /Full load: as on the sheet/, '20 C: 5 h to 4 h');
  await page.getByText(/ends swapped/).waitFor();
});

test('everything is reached by keyboard: the list, going anywhere, stages by number', async () => {
  const page = await sampled();
  await page.goto(`${base()}${NOSING}/measure`);
  await page.locator('#main').waitFor();
  await page.keyboard.press('?');
  await page.getByRole('dialog', { name: 'Keys' }).waitFor();
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await page.waitForURL(/hold/);
  await page.keyboard.press('[');
  await page.waitForURL(/place/);
  await page.keyboard.press('Control+k');
  await page.getByRole('dialog', { name: 'Go, or do' }).getByPlaceholder(/a job/).waitFor();
  await page.keyboard.type('Winch plate Mix');
  await page.keyboard.press('Enter');
  await page.waitForURL(/sample-plate\/mix/);
  await page.goBack();
  await page.waitForURL(/place/);
});

test('a key pressed in the moment a dialog closes is not lost, and none passes through an open one', async () => {
  const page = await sampled();
  await page.goto(`${base()}${NOSING}/measure`);
  await page.locator('#main').waitFor();
  await page.keyboard.press('?');
  await page.getByRole('dialog', { name: 'Keys' }).waitFor();
  await page.keyboard.press('7');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await page.getByRole('dialog', { name: 'Keys' }).waitFor();
  expect(page.url()).toContain('/measure');
  // The very next key belongs to the work again.
  await page.keyboard.press('Escape');
  await page.keyboard.press('6');
  await page.waitForURL(/hold/);
});

test('schools change the numbers on the screen', async () => {
  const page = await sampled();
  await page.goto(`${base()}/job/sample-ramp/sample-eyes/mix`);
  const full = await answer(page);
  await choose(page, 'How far to fill the hole', 'to a little below the mouth');
  expect(Number(await answer(page))).toBeLessThan(Number(full));
  await choose(page, 'First shots of a mixer', 'used');
  expect(await page.getByText('first shots thrown away', { exact: true }).count()).toBe(0);
});

test('days and hours are typed as people say them and shown in one clock; what could be either is asked', async () => {
  const page = await sampled();
  await page.goto(`${base()}/job/sample-ramp`);
  const wanted = page.getByLabel('Wanted back in service');
  await wanted.fill('2031-05-12 6:30 pm');
  await wanted.blur();
  expect(await wanted.inputValue()).toBe('Mon 12 May 2031 18:30');
  await wanted.fill('5/6/2031 7:00');
  await wanted.blur();
  await page.getByText('“5/6/2031” can be read in two ways.').waitFor();
  await page.getByRole('button', { name: '5 June 2031' }).click();
  expect(await wanted.inputValue()).toBe('Thu 5 Jun 2031 07:00');
  await wanted.fill('some day');
  await wanted.blur();
  await page.getByText(/That is no day and hour/).waitFor();
  expect(await wanted.inputValue()).toBe('some day');
  await wanted.fill('');
  await wanted.blur();
  const from = page.getByLabel('from', { exact: true });
  await from.fill('6am');
  await from.blur();
  expect(await from.inputValue()).toBe('06:00');
  await from.fill('6pm');
  await from.blur();
  await page.getByText('Work must end after it begins.').waitFor();
  await page.reload();
  await wanted.waitFor();
  expect(await wanted.inputValue()).toBe('');
});
