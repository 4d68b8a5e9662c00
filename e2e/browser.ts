import { cpSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { type Browser, type BrowserContext, type BrowserContextOptions, chromium, type Page } from 'playwright-core';
import { bodyKey, type HeatBody } from '@/core/cure';
import { type methodsData, sampleData, sampleRecords } from '@/sample/jobs';
import { DATABASE, DATABASE_VERSION } from '@/store/database';
import { KINDS } from '@/store/records';
import { tryRound } from './round';

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

/** Pages of a test live for seconds: a compiler for long ones is not won back, but in the longest loops. */
export const SHORT_LIVED = '--js-flags=--single-threaded-gc --no-maglev --invocation-count-for-turbofan=12000';

/**
 * What a browser need not do for a test. The first two are pages of the browser's own address bar, which nobody sees
 * here and which cost more to start than the product. A later list takes the place of an earlier one, so the others are
 * those the driver names itself.
 */
export const UNASKED = `--disable-features=${[
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
].join(',')}`;

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';
const HOW = {
  executablePath: CHROMIUM,
  args: [...FLAGS, SHORT_LIVED, UNASKED],
};

/** Headless Chromium from Debian's package. */
export const launch = (): Promise<Browser> => chromium.launch(HOW);

/** What a profile of the tests is: a fixed zone and language, and nothing kept for working offline. */
const settings = (viewport: typeof DESKTOP): BrowserContextOptions => ({
  viewport,
  timezoneId: 'Europe/Helsinki',
  locale: 'en-GB',
  hasTouch: viewport.width < 500,
  permissions: ['clipboard-read', 'clipboard-write'],
  acceptDownloads: true,
  // The application is only kept for working offline where that is what is tried.
  serviceWorkers: 'block',
});

// A step that cannot be done is told, but a slow machine is not a fault.
const patient = (context: BrowserContext): BrowserContext => {
  context.setDefaultTimeout(Number(process.env.GRENKO_PATIENCE ?? 40_000));
  return context;
};

/** A fresh profile: empty database, fixed zone and language. */
export const fresh = async (
  browser: Browser,
  viewport = DESKTOP,
  over: BrowserContextOptions = {},
): Promise<BrowserContext> => patient(await browser.newContext({ ...settings(viewport), ...over }));

/** A browser on a profile that lies on the disk: only there is kept what it compiled, a third of the work of a page. */
export const onDisk = async (
  folder: string,
  viewport = DESKTOP,
  over: BrowserContextOptions = {},
): Promise<BrowserContext> =>
  patient(await chromium.launchPersistentContext(folder, { ...HOW, ...settings(viewport), ...over }));

/** Forgets what the product stored in a page's profile, and nothing of what was compiled. */
const STORED = 'indexeddb,local_storage,file_systems,cookies,service_workers,cache_storage';
export async function forget(page: Page, base: string): Promise<void> {
  const tools = await page.context().newCDPSession(page);
  await tools.send('Storage.clearDataForOrigin', { origin: base, storageTypes: STORED });
  await tools.detach();
}

/**
 * Prepared pots and lifts of the sample’s sheets, made once for the whole run: every clean profile would otherwise make
 * them again.
 */
const tables = (): unknown[] =>
  process.env.GRENKO_TABLES ? JSON.parse(readFileSync(process.env.GRENKO_TABLES, 'utf8')) : [];

/** What is put into a database as it lies there: by table, the rows with their keys where the table has none. */
type Rows = Readonly<Record<string, readonly { readonly value: unknown; readonly key?: string }[]>>;

/** Puts rows into a database of the page’s origin, which is made as the product makes it when it is not there. */
const put = (page: Page, name: string, version: number, tablesBy: Readonly<Record<string, boolean>>, rows: Rows) =>
  page.evaluate(
    ([of, v, made, text]) =>
      new Promise<void>((resolve, reject) => {
        const all = JSON.parse(text) as Rows;
        const open = indexedDB.open(of, v);
        open.onupgradeneeded = () => {
          for (const [table, byId] of Object.entries(made)) {
            const store = open.result.createObjectStore(table, byId ? { keyPath: 'id' } : undefined);
            if (table === 'event') for (const by of ['repairId', 'jobId']) store.createIndex(by, by);
          }
        };
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const tx = open.result.transaction(Object.keys(made), 'readwrite');
          for (const [table, list] of Object.entries(all))
            for (const { value, key } of list) tx.objectStore(table).put(value, key);
          tx.oncomplete = () => {
            open.result.close();
            resolve();
          };
          tx.onerror = () => reject(tx.error);
        };
      }),
    // As text: a deep object is handed over a thousand times as slowly.
    [name, version, tablesBy, JSON.stringify(rows)] as const,
  );

/** Prepared pots and lifts, for a page of the product’s origin. */
export const putTables = (page: Page): Promise<void> =>
  put(
    page,
    'grenko-tables',
    1,
    { heat: false },
    {
      heat: (tables() as (HeatBody & { sheetId: string })[]).map((t) => ({
        value: t,
        key: `${t.sheetId}|${bodyKey(t)}`,
      })),
    },
  );

/** An address of the product’s origin that runs nothing of the product. */
export const BARE = '/manifest.webmanifest';

/**
 * Puts the sample into the database of a clean profile, as of the page’s own clock: what the yard’s button does,
 * without loading the yard. The page stands nowhere afterwards.
 */
export async function withSample(
  page: Page,
  base: string,
  further: readonly (typeof methodsData)[] = [],
  /** The sheets are as if they had been typed in here: work may be done by them. */
  ownSheets = false,
): Promise<void> {
  await page.goto(base + BARE);
  const now = await page.evaluate(() => Date.now());
  const all = [sampleData, ...further].flatMap((of) => sampleRecords(now, 'Europe/Helsinki', of));
  const records = [...new Map(all.map((r) => [`${r.record}/${r.id}`, r])).values()].map((r) =>
    ownSheets && r.record === 'sheet' ? { ...r, sample: false } : r,
  );
  const kinds = Object.fromEntries([...KINDS, 'conflict'].map((kind) => [kind, true]));
  await put(
    page,
    DATABASE,
    DATABASE_VERSION,
    { ...kinds, done: false, note: false },
    Object.fromEntries(KINDS.map((k) => [k, records.filter((r) => r.record === k).map((value) => ({ value }))])),
  );
  await putTables(page);
}

/** Opens the yard and loads the sample by its button, as a person does. */
export async function loadSample(page: Page, base: string): Promise<void> {
  await page.goto(base);
  const load = page.getByRole('button', { name: /Load the sample/ });
  await load.waitFor();
  await putTables(page);
  await load.click();
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
}

/**
 * Goes to another view without loading the product anew, as its own links do: a tenth of the work of a load. For walks
 * over many views; a view that is opened by its address is loaded.
 */
export async function turnTo(page: Page, base: string, href: string): Promise<void> {
  await page.evaluate((to) => (window as unknown as Routed).next.router.push(to), href);
  await page.waitForURL(base + href, { waitUntil: 'commit' });
  await page.locator('#main').waitFor();
}
/** Another view of the product, loaded only where it does not stand yet: for what does not hang on a load. */
export async function goTo(page: Page, base: string, href: string): Promise<void> {
  const stands = page.url().startsWith(base) && (await page.evaluate(() => 'next' in window));
  if (stands) await turnTo(page, base, href);
  else await page.goto(base + href);
}
/** The same page as it is on another screen, under a finger or under a pointer, with nothing loaded anew. */
export async function onScreen(page: Page, size: Size, touch: boolean): Promise<void> {
  const tools = await page.context().newCDPSession(page);
  await tools.send('Emulation.setTouchEmulationEnabled', { enabled: touch, maxTouchPoints: 1 });
  await tools.detach();
  await page.setViewportSize(size);
}
interface Routed {
  readonly next: { readonly router: { push(href: string): void } };
}

/** What the tests of a file drive: the product’s address, one browser, and clean profiles. */
export interface Site {
  readonly base: () => string;
  /**
   * A page of a clean profile, whose clock is the machine’s. What was compiled for the last test is kept, what was
   * stored is not. An error in it fails the test.
   */
  readonly page: (viewport?: Size, over?: BrowserContextOptions) => Promise<Page>;
  /** The like, to be told by the test what time it is and how time goes by. */
  readonly timed: (viewport?: Size, over?: BrowserContextOptions) => Promise<Page>;
  /** A profile of its own, for a second device, or for a test that stops its clock or its network. */
  readonly context: (viewport?: Size, over?: BrowserContextOptions) => Promise<BrowserContext>;
}
type Size = typeof DESKTOP;

/** How many tests turn the clock of a browser before it is renewed: each new page goes through all turns before it. */
const TURNED_MOST = 8;

/** A browser that goes from test to test, and from file to file. */
interface Kept {
  readonly context: BrowserContext;
  uses: number;
}
const kept = new Map<string, Kept>();

/** A folder of its own, which goes when the run is over. */
export const ownFolder = (): string => {
  const run = process.env.GRENKO_TABLES;
  return mkdtempSync(join(run ? dirname(run) : tmpdir(), 'own-'));
};

/** A profile of its own that knows the product compiled (GRENKO_PROFILE, made once for the run), but nothing stored. */
const ownProfile = (): string => {
  const folder = ownFolder();
  const compiled = process.env.GRENKO_PROFILE;
  if (compiled) cpSync(compiled, folder, { recursive: true });
  return folder;
};

async function keptContext(viewport: Size, over: BrowserContextOptions, most: number): Promise<BrowserContext> {
  const key = JSON.stringify([viewport, over, most]);
  const there = kept.get(key);
  if (there && there.uses < most && there.context.browser()?.isConnected()) {
    there.uses++;
    return there.context;
  }
  await there?.context.close();
  const context = await onDisk(ownProfile(), viewport, over);
  kept.set(key, { context, uses: 1 });
  return context;
}

/** Registers what is done round each test of a file; what is given is done before each try. */
export function site(before?: () => Promise<void>): Site {
  let own: BrowserContext[] = [];
  let errors: Error[] = [];
  const base = () => process.env.GRENKO_BASE!;
  const pageOf = async (context: BrowserContext): Promise<Page> => {
    const page = await context.newPage();
    page.on('pageerror', (error) => errors.push(error));
    await forget(page, base());
    return page;
  };
  tryRound({
    before,
    after: async () => {
      for (const context of own) await context.close();
      own = [];
      // The blank page a browser opens with stays: it would end with its last one.
      for (const { context } of kept.values()) for (const page of context.pages().slice(1)) await page.close();
      const [first] = errors;
      errors = [];
      if (first) throw first;
    },
  });
  return {
    base,
    page: async (viewport = DESKTOP, over = {}) => {
      const page = await pageOf(await keptContext(viewport, over, Number.POSITIVE_INFINITY));
      // A clock is the whole browser’s, for good.
      Object.defineProperty(page, 'clock', {
        get: () => {
          throw new Error('The clock of a page that is shared: take a timed one.');
        },
      });
      return page;
    },
    timed: async (viewport = DESKTOP, over = {}) => pageOf(await keptContext(viewport, over, TURNED_MOST)),
    context: async (viewport = DESKTOP, over = {}) => {
      const context = await onDisk(ownProfile(), viewport, over);
      own.push(context);
      await forget(context.pages()[0]!, base());
      return context;
    },
  };
}
