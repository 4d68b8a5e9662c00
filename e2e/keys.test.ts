import type { Page } from 'playwright-core';
import { methodOf } from '@/core/method';
import { putTables, site, withSample } from './browser';

const yard = site();
const { base } = yard;

/** What has the keys: its role or tag, and its name. */
const held = (page: Page) =>
  page.evaluate(() => {
    const e = document.activeElement;
    if (!e || e === document.body) return 'nothing';
    const label = (e as HTMLInputElement).labels?.[0]?.textContent;
    return `${e.getAttribute('role') ?? e.tagName.toLowerCase()} ${(e.getAttribute('aria-label') ?? label ?? e.textContent ?? '').trim()}`;
  });

/** Goes on by Tab until what is wanted has the keys. */
async function tabTo(page: Page, wanted: RegExp, most = 120): Promise<void> {
  for (let i = 0; i < most; i++) {
    if (wanted.test(await held(page))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${wanted} is not reached by Tab; at last it was “${await held(page)}”`);
}

test('a repair from an empty database to its hour of opening by keys alone, and the keys are never lost', async () => {
  const page = await yard.page();
  await page.goto(base());
  await page.getByTestId('first-answers').waitFor();
  await putTables(page);
  // Options are one stop, and the arrows choose among them.
  await tabTo(page, /^radio spall in concrete/);
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  expect(await held(page)).toBe('radio plate to bond');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  expect(await held(page)).toBe('radio bolts in drilled holes');
  await tabTo(page, /^input Hole diameter/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('16 mm');
  await tabTo(page, /^input Air and base/);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('18');
  await tabTo(page, /^button Keep it as a job/);
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/inspect$/);
  await page.waitForFunction(() => document.activeElement !== document.body);
  for (const q of methodOf('anchor')!.questions) {
    await tabTo(page, /^radio (yes|no|not sure)$/);
    if (!(await held(page)).endsWith(q.wants)) await page.keyboard.press('ArrowRight');
    // Chosen by the arrow, or by the space where it already stands there.
    await page.keyboard.press('Space');
    expect(await held(page)).toBe(`radio ${q.wants}`);
    await page.keyboard.press('Tab');
  }
  expect(await page.getByTestId('answer').textContent()).not.toMatch(/to answer/);
  // Stages by their numbers; the answer is spoken as it changes.
  for (const [key, stage] of [
    ['2', 'measure'],
    ['4', 'mix'],
    ['8', 'release'],
  ] as const) {
    await page.keyboard.press(key);
    await page.waitForURL(new RegExp(`/${stage}$`));
    await page.getByTestId('answer').waitFor();
    // The beginning of the new page has them a frame after it is there.
    await page.waitForFunction(() => document.activeElement !== document.body);
  }
  expect(
    await page
      .locator('[aria-live=polite]')
      .filter({ has: page.getByTestId('answer') })
      .count(),
  ).toBe(1);
  expect(await page.getByTestId('answer').textContent()).toMatch(/\d{2}:\d{2}/);
});

test('the arrows go round a row of options and choose as they go', async () => {
  const page = await yard.page();
  await page.goto(`${base()}/settings`);
  await page.getByRole('radiogroup', { name: 'Light' }).waitFor();
  await tabTo(page, /^radio day/);
  await page.keyboard.press('ArrowLeft');
  expect(await held(page)).toBe('radio full sun');
  expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe('sun');
  await page.keyboard.press('ArrowDown');
  expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe('day');
});

test('where a choice goes into the record the arrows only go there, and a press chooses', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-winch/sample-plate/run`);
  await page.getByTestId('go').waitFor();
  await page.getByRole('button', { name: 'Read a value' }).click();
  const cup = page.getByRole('radiogroup', { name: 'Cup of batch 1' });
  const chosen = () => cup.locator('[aria-checked=true]').allTextContents();
  await cup.waitFor();
  expect(await chosen()).toEqual(['kept']);
  await cup.getByRole('radio', { name: 'kept' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  expect(await held(page)).toBe('radio tacky');
  expect(await chosen()).toEqual(['kept']);
  await page.keyboard.press('Space');
  await page.goto(`${base()}/job/sample-winch/log`);
  // One entry for the one press, none for what was passed on the way.
  await page
    .getByText(/[Cc]up.*tacky/)
    .first()
    .waitFor();
  expect(await page.getByText(/[Cc]up.*(still liquid|soft)/).count()).toBe(0);
});

test('under the pointer a button can be read as well as before, in each light', async () => {
  const page = await yard.page();
  await page.goto(base());
  await page.getByTestId('first-answers').waitFor();
  for (const light of ['day', 'night', 'full sun']) {
    await page.goto(`${base()}/settings`);
    await page.getByRole('radio', { name: light, exact: true }).click();
    await page.goto(base());
    for (const [what, button] of [
      ['the first of a page', page.getByRole('button', { name: 'New job' })],
      ['a plain one', page.getByRole('button', { name: 'Show me round' })],
      ['one that is chosen', page.getByRole('radio', { name: 'spall in concrete' })],
      ['one that is not', page.getByRole('radio', { name: 'plate to bond' })],
    ] as const) {
      await button.hover();
      const ratio = await button.evaluate((el) => {
        const { color, backgroundColor } = getComputedStyle(el);
        const page = document.createElement('canvas').getContext('2d')!;
        const [words, ground] = [color, backgroundColor].map((of) => {
          page.fillStyle = of;
          page.fillRect(0, 0, 1, 1);
          const linear = [...page.getImageData(0, 0, 1, 1).data].slice(0, 3).map((v) => {
            const share = v / 255;
            return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
          });
          return 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!;
        });
        return (Math.max(words!, ground!) + 0.05) / (Math.min(words!, ground!) + 0.05);
      });
      expect([light, what, ratio > 4.5]).toEqual([light, what, true]);
    }
  }
});
