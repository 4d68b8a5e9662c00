import type { Page } from 'playwright-core';
import { finishedData, methodsData } from '@/sample/jobs';
import { PHONE, site, turnTo, withSample } from './browser';

const yard = site();
const { base } = yard;

const REPAIR = '/job/sample-ramp/sample-nosing';
const RUNNING = '/job/sample-winch/sample-plate';
const VIEWS = [
  '/',
  '/shelf',
  '/shelf/new',
  '/shelf/sheet-mortar-1',
  '/lab',
  '/settings',
  '/learned',
  '/job/sample-ramp',
  '/job/sample-ramp/pick',
  '/job/sample-ramp/card',
  '/job/sample-floors/card',
  '/job/sample-winch/log',
  '/job/sample-winch/report',
  ...['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'].map((s) => `${REPAIR}/${s}`),
  '/job/sample-boat/sample-fitting/mix',
  '/job/sample-floors/sample-slabs/mix',
  '/job/sample-boat/sample-fitting/measure?pass=p2',
  '/job/sample-boat/sample-collar/measure',
  '/job/sample-landing/sample-crack/inspect',
  '/job/sample-landing/sample-foot/measure',
  '/job/sample-landing/sample-pocket/measure',
  '/job/sample-ramp/sample-eyes/measure',
  '/job/sample-floors/sample-chip/mix',
  '/job/sample-floors/sample-chip/finish',
  '/job/sample-floors/sample-slabs/place',
  '/job/sample-workshop/sample-cavities/hold',
  `${RUNNING}/run`,
  `${RUNNING}/bench`,
];

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

/** What a hand and an eye cannot use on the page: too wide, words too small or over each other, presses too low. */
const unfitOn = (page: Page, leastPx: number) =>
  page.evaluate((least) => {
    const out: string[] = [];
    const wide = document.documentElement.scrollWidth - document.documentElement.clientWidth;
    if (wide > 0) out.push(`${wide} px wider than the page`);
    for (const text of document.querySelectorAll<SVGTextElement>('svg text')) {
      // Marks that stand for a word beside them are pictures.
      if (!text.getClientRects().length || !text.textContent?.trim() || text.closest('[aria-hidden]')) continue;
      const px = Number.parseFloat(getComputedStyle(text).fontSize) * (text.getScreenCTM()?.a ?? 1);
      if (px < least - 0.05) out.push(`“${text.textContent.slice(0, 24)}” of ${px.toFixed(1)} px`);
      let page = text.ownerSVGElement!;
      while (page.ownerSVGElement) page = page.ownerSVGElement;
      const [word, frame] = [text.getBoundingClientRect(), page.getBoundingClientRect()];
      const beyond = Math.max(frame.left - word.left, word.right - frame.right);
      if (beyond > 1.5 && getComputedStyle(page).overflow !== 'visible')
        out.push(`“${text.textContent.slice(0, 24)}” cut by ${beyond.toFixed(0)} px`);
    }
    // Where words lie on the band and its like is a matter of the hour; a drawing to scale is always the same.
    for (const drawn of document.querySelectorAll('svg[aria-label$="drawn to scale"]')) {
      const words = [...drawn.querySelectorAll('text')]
        .filter((t) => t.textContent?.trim() && !t.closest('[aria-hidden]'))
        .map((t) => ({ said: t.textContent, box: t.getBoundingClientRect() }));
      words.forEach(({ said, box: a }, i) => {
        for (const { said: other, box: b } of words.slice(i + 1)) {
          const [w, h] = [
            Math.min(a.right, b.right) - Math.max(a.left, b.left),
            Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top),
          ];
          if (w > 2 && h > 3) out.push(`“${said}” over “${other}”`);
        }
      });
      const inset = drawn.parentElement?.querySelector('button')?.getBoundingClientRect();
      for (const { said, box } of inset?.width ? words : [])
        if (box.right > inset!.left + 2 && box.bottom > inset!.top + 2) out.push(`“${said}” under the other view`);
    }
    // A column so narrow that words are broken into letters is no column.
    for (const cell of document.querySelectorAll<HTMLElement>('main td, main th, main dd')) {
      const walker = document.createTreeWalker(cell, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode())
        for (const { 0: word, index } of node.textContent!.matchAll(/\p{L}{3,}/gu)) {
          const range = document.createRange();
          range.setStart(node, index);
          range.setEnd(node, index + word.length);
          if (new Set([...range.getClientRects()].map((r) => Math.round(r.top))).size > 1)
            out.push(`“${word}” is broken`);
        }
    }
    for (const field of document.querySelectorAll<HTMLInputElement>('main input.fig')) {
      if (field.value && field.scrollWidth > field.clientWidth + 1) out.push(`“${field.value}” cut off in its field`);
    }
    for (const press of document.querySelectorAll<HTMLElement>(
      'main .btn, main .input, main .select, main .textarea',
    )) {
      const { height, width } = press.getBoundingClientRect();
      if (width > 0 && height < 43.5) out.push(`“${(press.textContent ?? '').trim().slice(0, 24)}” ${height} px high`);
    }
    return [...new Set(out)].slice(0, 8);
  }, leastPx);

test('on a phone no view is too wide, no word of a drawing too small or over another, no press too low', async () => {
  const page = await yard.page(PHONE);
  await withSample(page, base(), [methodsData]);
  await page.goto(base());
  await page.locator('#main').waitFor();
  const found: Record<string, readonly string[]> = {};
  for (const view of VIEWS) {
    await turnTo(page, base(), view);
    await page.waitForTimeout(250);
    const unfit = await unfitOn(page, 10);
    if (unfit.length) found[view] = unfit;
  }
  expect(found).toEqual({});
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
      const unfit = (await unfitOn(page, 10)).filter((u) => !/px high$/.test(u));
      if (unfit.length) found[`${view} ${height}`] = unfit;
    }
  }
  expect(found).toEqual({});
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
  const page = await yard.page({ width: 844, height: 390 });
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
  for (const size of [PHONE, { width: 844, height: 390 }, { width: 1280, height: 800 }]) {
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

test('at 400 % of a screen of 1280 × 1024 every view goes down, none sideways, and the next thing to do is wide enough to press', async () => {
  const page = await yard.page({ width: 320, height: 256 });
  await withSample(page, base(), [methodsData, finishedData]);
  await page.goto(base());
  await page.locator('#main').waitFor();
  const wide: Record<string, number> = {};
  for (const view of VIEWS) {
    await turnTo(page, base(), view);
    await page.waitForTimeout(250);
    const by = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    if (by > 0) wide[view] = by;
  }
  expect(wide).toEqual({});
  await turnTo(page, base(), `${RUNNING}/run`);
  const go = (await page.getByTestId('go').boundingBox())!;
  expect(go.x).toBeGreaterThanOrEqual(0);
  expect(go.width).toBeGreaterThan(200);
  expect(go.x + go.width).toBeLessThanOrEqual(320);
});
