import AxeBuilder from '@axe-core/playwright';
import type { Browser, Page } from 'playwright-core';
import { finishedData, methodsData } from '@/sample/jobs';
import { fresh, launch, turnTo, withSample } from './browser';

const base = () => process.env.GRENKO_BASE!;
const NOSING = '/job/sample-ramp/sample-nosing';
let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await launch();
  page = await (await fresh(browser)).newPage();
  await withSample(page, base(), [finishedData, methodsData]);
  await page.goto(base());
  await page.locator('#main').waitFor();
});
afterAll(() => browser.close());

const VIEWS = [
  '/',
  '/job/sample-ramp',
  ...['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'].map((s) => `${NOSING}/${s}`),
  '/job/sample-landing/sample-step/measure',
  '/job/sample-landing/sample-spall/measure',
  '/job/sample-landing/sample-cores/measure',
  '/job/sample-winch/sample-plate/run',
  '/job/sample-winch/log',
  '/shelf',
  '/shelf/sheet-mortar-1',
  '/shelf/sheet-filler-1',
  '/shelf/new?like=sheet-hull-1',
  '/job/sample-winch/sample-plate/material',
  '/job/sample-winch/sample-plate/mix',
  '/job/sample-winch/sample-plate/bench',
  '/job/sample-ramp/pick',
  '/lab?repair=sample-nosing',
  '/job/sample-ramp/card',
  '/settings',
  '/learned',
  '/job/sample-edges/report',
  '/job/sample-winch/tag',
  '/job/sample-edges/sample-edge-1/release',
  '/job/sample-workshop/sample-dent/finish',
];

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
const LIGHTS = ['day', 'night', 'sun'] as const;

/** The same page in another light, as the key does it. */
const light = async (theme: (typeof LIGHTS)[number]) => {
  await page.evaluate((t) => {
    document.documentElement.dataset.theme = t;
  }, theme);
};

test.each(VIEWS)('%s has no serious fault for those who see or steer otherwise, in any light', async (view) => {
  const faults: string[] = [];
  await turnTo(page, base(), view);
  await page.waitForFunction(() => !document.querySelector('[aria-busy=true]'));
  for (const theme of LIGHTS) {
    await light(theme);
    // Only contrast depends on the light: the other rules are tried once. There are no frames, and only faults are
    // asked for: that takes a third of the time.
    const { violations } = await new AxeBuilder({ page })
      .setLegacyMode()
      .options({ runOnly: theme === 'day' ? TAGS : ['color-contrast'], resultTypes: ['violations'] })
      .analyze();
    for (const v of violations)
      if (v.impact === 'serious' || v.impact === 'critical')
        faults.push(
          `${theme} ${v.id} ${v.nodes
            .slice(0, 2)
            .map((n) => `${n.html.slice(0, 160)} ${n.failureSummary?.split('\n')[1] ?? ''}`)
            .join(' | ')}`,
        );
  }
  expect(faults).toEqual([]);
});
