import { type Browser, type BrowserContext, chromium, type Page } from 'playwright-core';

export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
export const DESKTOP = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

/** Headless Chromium from Debian's package. */
export const launch = (): Promise<Browser> => chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: FLAGS });

/** A fresh profile: empty database, fixed zone and language. */
export const fresh = async (
  browser: Browser,
  viewport = DESKTOP,
  over: Parameters<Browser['newContext']>[0] = {},
): Promise<BrowserContext> => {
  const context = await browser.newContext({
    viewport,
    timezoneId: 'Europe/Helsinki',
    locale: 'en-GB',
    hasTouch: viewport.width < 500,
    permissions: ['clipboard-read', 'clipboard-write'],
    acceptDownloads: true,
    // The application is only kept for working offline where that is what is tried.
    serviceWorkers: 'block',
    ...over,
  });
  // A step that cannot be done is told, but a slow machine is not a fault.
  context.setDefaultTimeout(40_000);
  return context;
};

/** Opens the yard and loads the sample. */
export async function withSample(page: Page, base: string): Promise<void> {
  await page.goto(base);
  await page.getByRole('button', { name: /Load the sample/ }).click();
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
}

/** A page in a fresh profile; an error in it fails the test. */
export async function freshPage(browser: Browser): Promise<Page> {
  const page = await (await fresh(browser)).newPage();
  page.on('pageerror', (error) => {
    throw error;
  });
  return page;
}
