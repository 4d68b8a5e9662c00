import type { Page } from 'playwright-core';
import { finishedData, methodsData } from '@/sample/jobs';
import { PHONE, site, turnTo, withSample } from './browser';
import { REPAIR, RUNNING, unfitOn, VIEWS } from './unfit';

const yard = site();
const { base } = yard;

/** Where something is drawn to scale, or in columns, in the frame that the stage leaves. */
const DRAWN = [
  `${REPAIR}/measure`,
  '/job/sample-floors/sample-chip/mix',
  '/job/sample-workshop/sample-gouge/measure',
  '/job/sample-landing/sample-crack/measure',
  '/job/sample-landing/sample-foot/measure',
  '/job/sample-landing/sample-pocket/measure',
  '/job/sample-ramp/sample-eyes/measure',
  '/job/sample-boat/sample-fitting/measure?pass=p2',
  '/job/sample-boat/sample-collar/measure',
  '/job/sample-landing/sample-cores/mix',
];

const LYING = { width: 844, height: 390 };
/** A screen of 1280 × 1024 at 400 %. */
const MAGNIFIED = { width: 320, height: 256 };

/** Panes that scroll by themselves and are squeezed shut by what is pinned below them. */
const shutOn = (page: Page) =>
  page.locator('main section').evaluateAll((all) =>
    all.flatMap((s) => {
      const { clientHeight, scrollHeight, ariaLabel } = s as HTMLElement;
      return scrollHeight > 40 && clientHeight < 40 ? [`${ariaLabel}: ${clientHeight} of ${scrollHeight} px`] : [];
    }),
  );

test('upright, lying down and at 400 % every view fits: its width, the words of its drawings, its presses, its panes', async () => {
  const page = await yard.page(PHONE);
  await withSample(page, base(), [methodsData, finishedData]);
  await page.goto(base());
  await page.locator('#main').waitFor();
  const found: Record<string, readonly string[]> = {};
  const further = ['/job/sample-landing', '/job/sample-boat/sample-fitting/mix', ...DRAWN];
  // One walk over all views: each is turned and magnified where it stands.
  for (const view of new Set([...VIEWS, ...further])) {
    const sizes = VIEWS.includes(view) ? [PHONE, LYING, MAGNIFIED] : [LYING];
    for (const size of sizes) {
      await page.setViewportSize(size);
      if (size === sizes[0]) await turnTo(page, base(), view);
      await page.waitForTimeout(250);
      if (size === MAGNIFIED) {
        const by = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        if (by > 0) found[`${view} ${size.width}`] = [`${by} px wider than the page`];
        continue;
      }
      const unfit = await unfitOn(page, 10);
      const shut = size === LYING ? await shutOn(page) : [];
      if (unfit.length || shut.length) found[`${view} ${size.width}`] = [...unfit, ...shut];
    }
  }
  expect(found).toEqual({});
  // The next thing to do is wide enough to press.
  await page.setViewportSize(MAGNIFIED);
  await turnTo(page, base(), `${RUNNING}/run`);
  const go = (await page.getByTestId('go').boundingBox())!;
  expect(go.x).toBeGreaterThanOrEqual(0);
  expect(go.width).toBeGreaterThan(200);
  expect(go.x + go.width).toBeLessThanOrEqual(MAGNIFIED.width);
});

test('on a phone a figure of the report opens to a working that can be read', async () => {
  const page = await yard.page(PHONE);
  await withSample(page, base(), [finishedData]);
  await page.goto(`${base()}/job/sample-edges/report`);
  const figures = page.locator('[data-figure]');
  await figures.first().waitFor();
  // Its drawing says how long it was.
  await page.getByRole('article').locator('svg text', { hasText: 'length 210 mm' }).waitFor();
  for (let i = 0; i < (await figures.count()); i++) await figures.nth(i).locator('summary').click();
  expect(await figures.locator('table').count()).toBeGreaterThan(2);
  expect(await unfitOn(page, 10)).toEqual([]);
});

test('at a desk no word of a drawing is small, cut, or lies over or under another, however low its frame', async () => {
  const page = await yard.page();
  await withSample(page, base(), [methodsData]);
  await page.goto(base());
  await page.locator('#main').waitFor();
  const found: Record<string, readonly string[]> = {};
  for (const [height, views] of [
    [800, DRAWN],
    [640, DRAWN.slice(0, 3)],
  ] as const) {
    await page.setViewportSize({ width: 1280, height });
    for (const view of views) {
      await turnTo(page, base(), view);
      await page.waitForTimeout(250);
      const unfit = await unfitOn(page, 10, (u) => !/px high$/.test(u));
      if (unfit.length) found[`${view} ${height}`] = unfit;
    }
  }
  expect(found).toEqual({});
});

test('on a phone the figure of a stage stays in sight from its first line to its last, and nothing reached by key is under it', async () => {
  for (const size of [PHONE, LYING]) {
    const page = await yard.page(size, { hasTouch: true });
    await withSample(page, base(), [methodsData]);
    await page.goto(`${base()}${REPAIR}/measure`);
    const answer = page.locator('.answer');
    await answer.waitFor();
    const sheet = await page.getByRole('region', { name: 'Sheet' }).boundingBox();
    expect(sheet!.height).toBeGreaterThan(250);
    const main = (await page.locator('#main').boundingBox())!;
    for (const part of [0, 0.25, 0.5, 0.75, 1]) {
      await page.evaluate((y) => scrollTo(0, y), part * (main.y + main.height - size.height));
      const box = (await answer.boundingBox())!;
      expect({ part, above: box.y >= -1, within: box.y + box.height <= size.height + 1 }).toEqual({
        part,
        above: true,
        within: true,
      });
      // A quarter of a low screen at most.
      expect(box.height).toBeLessThan(0.25 * size.height);
    }
    await page.evaluate(() => scrollTo(0, 0));
    await page.getByRole('region', { name: 'Sheet' }).focus();
    const covered: string[] = [];
    for (let i = 0; i < 40; i++) {
      await page.keyboard.press('Tab');
      const under = await page.evaluate(() => {
        const at = document.activeElement!;
        const pinned = document.querySelector('.answer')!;
        if (!at.closest('main') || pinned.contains(at)) return null;
        const [a, b] = [at.getBoundingClientRect(), pinned.getBoundingClientRect()];
        return a.bottom > b.top + 2 && a.top < b.bottom - 2 ? (at.getAttribute('aria-label') ?? at.textContent) : null;
      });
      if (under) covered.push(under);
    }
    expect(covered).toEqual([]);
  }
});

test('the first page of a phone, with nothing in it, is as fit', async () => {
  const page = await yard.page(PHONE);
  await page.goto(base());
  await page.getByTestId('first-answers').waitFor();
  for (const broke of ['spall in concrete', 'bolts in drilled holes', 'plate to bond', 'slabs to set']) {
    await page.getByRole('radio', { name: broke, exact: true }).click();
    await page.waitForTimeout(250);
    expect([broke, await unfitOn(page, 10)]).toEqual([broke, []]);
  }
});

test('the mixing picture of a phone has words of at least fourteen pixels, and says what the columns say', async () => {
  const page = await yard.page(PHONE);
  await withSample(page, base());
  await page.goto(`${base()}${REPAIR}/mix`);
  const rows = page.getByTestId('mixing-rows');
  await rows.waitFor();
  expect(await rows.getByRole('listitem').allTextContents()).toEqual([
    expect.stringMatching(/^A resin\d+ g\d+ mL$/),
    expect.stringMatching(/^B hardener\d+ g\d+ mL$/),
    expect.stringMatching(/^C graded sand[\d.]+ kg\d+ mL$/),
    expect.stringMatching(/^mix[\d.]+ L[\d.]+ kg, \d whole kits?$/),
  ]);
  const least = await rows.evaluate((list) =>
    Math.min(...[...list.querySelectorAll('p > *')].map((e) => Number.parseFloat(getComputedStyle(e).fontSize))),
  );
  expect(least).toBeGreaterThanOrEqual(14);
});

test('lying down, the running view has its clock at the left and its button at the right, both in sight', async () => {
  const page = await yard.page(LYING);
  await withSample(page, base());
  await page.goto(`${base()}${RUNNING}/run`);
  const go = page.getByTestId('go');
  await go.waitFor();
  const [button, clock] = await Promise.all([go.boundingBox(), page.getByTestId('clock').boundingBox()]);
  expect(button!.y + button!.height).toBeLessThanOrEqual(390);
  expect(clock!.y + clock!.height / 2).toBeLessThanOrEqual(390);
  expect(button!.x).toBeGreaterThan(clock!.x + clock!.width / 2);
});

test('from two metres: the clock, the step and its button alone, as large as each screen takes; kept, and let go', async () => {
  const page = await yard.page(PHONE);
  await withSample(page, base());
  await page.goto(`${base()}${RUNNING}/run`);
  await page.getByTestId('clock').waitFor();
  const px = (testId: string) =>
    page.getByTestId(testId).evaluate((el) => Number.parseFloat(getComputedStyle(el).fontSize));
  const near = await px('clock');
  await page.getByRole('button', { name: 'Large, to be read from two metres' }).click();
  for (const size of [PHONE, LYING, { width: 1280, height: 800 }]) {
    await page.setViewportSize(size);
    // A letter of a two-hundredth of the distance is read: ten millimetres, 38 px.
    for (const [what, least] of [
      ['clock', Math.max(near, 70)],
      ['step', 38],
    ] as const)
      expect([size.width, what, (await px(what)) >= least]).toEqual([size.width, what, true]);
    expect(await unfitOn(page, 14)).toEqual([]);
    expect(await page.locator('#steps').isVisible()).toBe(false);
    expect((await page.getByTestId('go').boundingBox())!.height).toBeGreaterThanOrEqual(130);
  }
  await page.reload();
  await page.getByTestId('clock').waitFor();
  expect(await page.locator('#steps').isVisible()).toBe(false);
  await page.getByRole('button', { name: 'Large, to be read from two metres' }).click();
  await page.locator('#steps').waitFor();
});
