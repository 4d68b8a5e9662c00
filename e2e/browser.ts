import { readFileSync } from 'node:fs';
import { type Browser, type BrowserContext, type BrowserContextOptions, chromium, type Page } from 'playwright-core';

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
export const launch = (): Promise<Browser> =>
  chromium.launch({ executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: FLAGS });

/** A fresh profile: empty database, fixed zone and language. */
export const fresh = async (
  browser: Browser,
  viewport = DESKTOP,
  over: BrowserContextOptions = {},
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

/**
 * Prepared pots and lifts of the sample’s sheets, made once for the whole run: every clean profile would otherwise make
 * them again.
 */
const tables = (): unknown[] =>
  process.env.GRENKO_TABLES ? JSON.parse(readFileSync(process.env.GRENKO_TABLES, 'utf8')) : [];

const putTables = (page: Page, rows: unknown[]) =>
  page.evaluate(
    (all) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('grenko-tables', 1);
        open.onupgradeneeded = () => open.result.createObjectStore('heat');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const tx = open.result.transaction('heat', 'readwrite');
          for (const t of all as { sheetId: string; kind: string }[])
            tx.objectStore('heat').put(t, `${t.sheetId}|${t.kind}`);
          tx.oncomplete = () => {
            open.result.close();
            resolve();
          };
          tx.onerror = () => reject(tx.error);
        };
      }),
    rows,
  );

/** Opens the yard and loads the sample. */
export async function withSample(page: Page, base: string): Promise<void> {
  await page.goto(base);
  const load = page.getByRole('button', { name: /Load the sample/ });
  await load.waitFor();
  await putTables(page, tables());
  await load.click();
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
}

/** What the tests of a file drive: the product’s address, one browser, and clean profiles. */
export interface Site {
  readonly base: () => string;
  /**
   * A page of a clean profile. What it compiled for the last test is kept, what was stored is not. An error in it fails
   * the test.
   */
  readonly page: (viewport?: typeof DESKTOP) => Promise<Page>;
  /** A profile of its own, for a second device, or for a test that turns its clock or its network. */
  readonly context: (viewport?: typeof DESKTOP, over?: BrowserContextOptions) => Promise<BrowserContext>;
}

/** Registers the opening and closing of a browser with a file of tests. */
export function site(): Site {
  let browser: Browser;
  const shared = new Map<typeof DESKTOP, BrowserContext>();
  let own: BrowserContext[] = [];
  let errors: Error[] = [];
  const base = () => process.env.GRENKO_BASE!;
  beforeAll(async () => {
    browser = await launch();
  });
  afterAll(() => browser.close());
  afterEach(async () => {
    for (const context of own) await context.close();
    own = [];
    for (const context of shared.values()) for (const page of context.pages()) await page.close();
    const [first] = errors;
    errors = [];
    if (first) throw first;
  });
  return {
    base,
    page: async (viewport = DESKTOP) => {
      const context = shared.get(viewport) ?? (await fresh(browser, viewport));
      shared.set(viewport, context);
      const page = await context.newPage();
      page.on('pageerror', (error) => errors.push(error));
      const tools = await context.newCDPSession(page);
      await tools.send('Storage.clearDataForOrigin', { origin: base(), storageTypes: 'all' });
      await tools.detach();
      return page;
    },
    context: async (viewport = DESKTOP, over = {}) => {
      const context = await fresh(browser, viewport, over);
      own.push(context);
      return context;
    },
  };
}
