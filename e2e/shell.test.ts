import { readFileSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { load } from '../torture/load';
import { seedFiles } from '../torture/mutants';
import { loadSample, site, withSample } from './browser';
import { answer, stage, type } from './hands';

const yard = site();
const { base } = yard;

/** A request as nobody’s browser sends it. */
const raw = (
  method: string,
  path: string,
): Promise<{ status: number; headers: Record<string, unknown>; text: string }> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(base());
    const ask = request({ hostname, port, method, path }, (reply) => {
      let text = '';
      reply.on('data', (chunk) => {
        text += chunk;
      });
      reply.on('end', () => resolve({ status: reply.statusCode ?? 0, headers: reply.headers, text }));
    });
    ask.on('error', reject);
    ask.end();
  });

test.each([
  ['GET', '/', 200],
  ['HEAD', '/job/any/thing/mix', 200],
  ['GET', '/job/toString/__proto__/run', 200],
  ['GET', '/nowhere/at/all/of/it/all', 404],
  ['TRACE', '/', 405],
  ['PUT', '/shelf', 405],
  ['PROPFIND', '/', 405],
  ['GET', '/api/plan', 405],
  ['POST', '/api/forecast', 405],
  ['GET', '/%E0%A4%A', 400],
  ['GET', '/job/%', 400],
  ['GET', '/job/%00', 400],
  ['GET', '//evil.example/', 400],
  ['GET', `/${'a'.repeat(5000)}`, 414],
  ['GET', '/api/forecast?character=toString', 400],
  ['GET', '/api/forecast?character=frosty&seed=1e999', 400],
  ['GET', '/api/forecast?character=frosty&from=1e18', 400],
  ['GET', '/api/probe?temp=1e9', 400],
  ['GET', '/api/probe?temp=NaN', 400],
] as const)('%s %s answers %i, never 5xx', async (method, path, status) => {
  const reply = await raw(method, path);
  expect(reply.status).toBe(status);
  if (status === 405) expect(String(reply.headers.allow)).toMatch(/GET|POST/);
});

test('every answer carries its headers; scripts run only from here', async () => {
  for (const path of ['/', '/job/a/b/mix', '/nowhere', '/sw.js', '/api/forecast?character=frosty']) {
    const { headers } = await raw('GET', path);
    const policy = String(headers['content-security-policy']);
    expect(policy).toMatch(/frame-ancestors 'none'/);
    const scripts = /script-src ([^;]*)/.exec(policy)![1]!;
    expect(scripts).not.toMatch(/unsafe-inline|unsafe-eval|\*|https?:/);
    expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer' });
    expect(String(headers['permissions-policy'])).toMatch(/camera=\(\)/);
    expect(headers['x-powered-by']).toBeUndefined();
  }
});

/** Every view, so that nothing of the application is left out. */
const VIEWS = [
  '/',
  '/shelf',
  '/shelf/new',
  '/shelf/sheet-mortar-1',
  '/settings',
  '/lab?repair=sample-nosing',
  '/job/sample-ramp',
  ...['card', 'log', 'pick'].map((v) => `/job/sample-winch/${v}`),
  ...['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release', 'run', 'bench'].map(
    (s) => `/job/sample-ramp/sample-nosing/${s}`,
  ),
];

test('the whole application runs under its policy with no violation', async () => {
  const page = await yard.page();
  const broken: string[] = [];
  page.on('console', (message) => {
    if (/Content Security Policy|Refused to/.test(message.text())) broken.push(message.text());
  });
  page.on('pageerror', (error) => broken.push(error.message));
  await page.addInitScript(() =>
    document.addEventListener('securitypolicyviolation', (e) =>
      console.error(`Content Security Policy: ${e.violatedDirective} ${e.blockedURI}`),
    ),
  );
  await withSample(page, base());
  for (const view of VIEWS) {
    await page.goto(base() + view);
    await page.locator('#main').waitFor();
  }
  // What works in threads of its own: a scan, and what would open a window.
  await page.goto(`${base()}/job/sample-landing/sample-spall/measure`);
  await page.locator('#main').waitFor();
  expect(broken).toEqual([]);
});

/** Bytes of script that travel until a view stands, each file once, in the form they are sent. */
async function scriptOf(page: Page, path: string, stands: string): Promise<number> {
  const tools = await page.context().newCDPSession(page);
  await tools.send('Network.enable');
  await tools.send('Network.setCacheDisabled', { cacheDisabled: true });
  const scripts = new Map<string, string>();
  const sent = new Map<string, number>();
  tools.on('Network.responseReceived', (event) => {
    if (event.type === 'Script') scripts.set(event.requestId, event.response.url);
  });
  tools.on('Network.loadingFinished', (event) => {
    const url = scripts.get(event.requestId);
    if (url) sent.set(url, event.encodedDataLength);
  });
  await page.goto(base() + path);
  await page.getByText(stands).first().waitFor();
  await page.waitForLoadState('networkidle');
  return [...sent.values()].reduce((sum, bytes) => sum + bytes, 0) / 1000;
}

test.each([
  ['/', 'Keep it as a job', 553],
  ['/settings', 'Backup', 516],
])('the script of %s does not grow unseen', async (path, stands, most) => {
  const kB = await scriptOf(await yard.page(), path, stands);
  expect(kB).toBeLessThan(most);
  // Less than the framework alone would be no measure.
  expect(kB).toBeGreaterThan(100);
});

test('it can be installed', async () => {
  const manifest = JSON.parse((await raw('GET', '/manifest.webmanifest')).text);
  expect(manifest).toMatchObject({ name: 'Grenko', display: 'standalone', start_url: '/' });
  for (const { src, sizes, type: kind } of [...manifest.icons, ...manifest.screenshots]) {
    const reply = await fetch(base() + src);
    expect([src, reply.headers.get('content-type')]).toEqual([src, kind]);
    const png = Buffer.from(await reply.arrayBuffer());
    expect([src, `${png.readUInt32BE(16)}x${png.readUInt32BE(20)}`]).toEqual([src, sizes]);
  }
});

/** Waits until this page is served by what was kept. */
const kept = (page: Page) =>
  page.waitForFunction(
    async () => (await navigator.serviceWorker.ready) && navigator.serviceWorker.controller !== null,
  );

test('with the server gone every view opens, reloads, plans, runs and exports', async () => {
  const context = await yard.context(undefined, { serviceWorkers: 'allow' });
  const page = await context.newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(error.message));
  await loadSample(page, base());
  await kept(page);
  // Nothing is answered any more, not even to the service worker.
  await context.route('**/*', (route) => route.abort());
  await context.setOffline(true);
  for (const view of VIEWS) {
    await page.goto(base() + view);
    await page.locator('#main').waitFor();
  }
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/measure`);
  const before = await answer(page);
  await type(page, 'Length', '300 mm');
  await page.waitForFunction((b) => document.querySelector('[data-testid=answer]')?.textContent !== b, before);
  const after = await answer(page);
  await stage(page, 'Mix');
  await stage(page, 'Measure');
  await page.reload();
  expect(await answer(page)).toBe(after);
  await page.goto(`${base()}/job/sample-winch/sample-plate/run`);
  await page.getByTestId('go').click();
  await page.getByRole('heading', { name: /Close the joint/ }).waitFor();
  await page.goto(`${base()}/job/sample-winch`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Job file' }).click(),
  ]);
  expect(readFileSync(await download.path(), 'utf8')).toContain('"step-done"');
  // Workers run out of what was kept as well: one has written the step into the second copy.
  await page.waitForFunction(async () => {
    const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('grenko');
    const texts: string[] = [];
    for await (const file of (folder as unknown as { values(): AsyncIterable<FileSystemFileHandle> }).values())
      texts.push(await (await file.getFile()).text());
    return texts.join().includes('"step-done"') && texts.join().includes('300 mm');
  });
  expect(errors).toEqual([]);
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await page.getByRole('button', { name: /Anchor in a drilled hole/ }).click();
  await page.waitForURL(/inspect/);
  await context.close();
});

test('a newer version waits while something runs, says so, and is taken with one press', async () => {
  const context = await yard.context(undefined, { serviceWorkers: 'allow' });
  const page = await context.newPage();
  await loadSample(page, base());
  await kept(page);
  // The server is given a later build: its worker reads otherwise by a line.
  const file = join(process.env.GRENKO_DIST ?? '.next', 'grenko/sw.js');
  const built = readFileSync(file, 'utf8');
  try {
    writeFileSync(file, `${built}\n// a later build`);
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
    await page.getByText('A newer Grenko is ready.').waitFor();
    const take = page.getByRole('button', { name: 'Take it now' });
    // The winch plate of the sample is running.
    expect(await take.isDisabled()).toBe(true);
    await page.getByText('It waits until nothing is running').waitFor();
    await page.getByRole('button', { name: 'Remove the sample' }).click();
    await page.getByText('It takes a moment; what is stored stays.').waitFor();
    await take.click();
    await page.getByText('A newer Grenko is ready.').waitFor({ state: 'detached' });
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
  } finally {
    writeFileSync(file, built);
    await context.close();
  }
});

test('two hundred plans at once: all are answered, and others are answered meanwhile', async () => {
  const largest = [...seedFiles()].sort((a, b) => b.length - a.length)[0]!;
  const { plans, others } = await load(base(), largest, 200);
  expect(plans.other).toBe(0);
  expect(plans.done).toBeGreaterThan(100);
  expect(others.failed).toBe(0);
  expect(others.count).toBeGreaterThan(20);
});

test('past its queue the server asks to come again, and one slow plan stops nobody', async () => {
  const replies = await Promise.all(
    Array.from({ length: 320 }, () =>
      fetch(`${base()}/api/plan`, {
        method: 'POST',
        body: '{"format":"grenko-job"}',
        headers: { connection: 'close' },
      }),
    ),
  );
  const statuses = replies.map((r) => r.status);
  expect(statuses.every((s) => s === 400 || s === 503)).toBe(true);
  for (const r of replies) if (r.status === 503) expect(Number(r.headers.get('retry-after'))).toBeGreaterThan(0);
});

test('a repair under another job’s address says so and leads to its own; one that is nowhere says what to do', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-landing/sample-plate/inspect`);
  await page.getByText('This repair is of another job.').waitFor();
  await page.getByRole('link', { name: 'To it' }).click();
  await page.waitForURL(/\/job\/sample-winch\/sample-plate\/inspect$/);
  // Method and sheet both warn of solvent beside hot work: it is said once.
  await page.getByText('Solvent wipes and hot work do not go together.').waitFor();
  expect(await page.getByText('Solvent wipes and hot work do not go together.').count()).toBe(1);
  await page.goto(`${base()}/job/sample-winch/nobody/inspect`);
  await page.getByText('This repair is not in this browser.').waitFor();
});

test('between the stages of a repair nothing is fetched, the way back holds, and a stage may be opened beside', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/measure`);
  const heading = (name: string) => page.getByRole('heading', { level: 1, name: new RegExp(`^${name}`) });
  const leaf = (name: string) =>
    page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: new RegExp(`^${name}`) });
  await heading('Measure').waitFor({ state: 'attached' });
  // Once round: what the views are made of is there from then on.
  const stages = ['Mix', 'Place', 'Hold', 'Measure'];
  const round = async () => {
    for (const name of stages) {
      await leaf(name).click();
      await heading(name).waitFor({ state: 'attached' });
    }
  };
  await round();
  await page.waitForLoadState('networkidle');
  const asked: string[] = [];
  page.on('request', (r) => r.url().startsWith(base()) && asked.push(r.url()));
  await round();
  expect(asked).toEqual([]);
  expect(page.url()).toBe(`${base()}/job/sample-ramp/sample-nosing/measure`);
  for (const name of ['Hold', 'Place']) {
    await page.goBack();
    await heading(name).waitFor({ state: 'attached' });
  }
  const [beside] = await Promise.all([
    page.context().waitForEvent('page'),
    leaf('Mix').click({ modifiers: ['ControlOrMeta'] }),
  ]);
  await beside.waitForURL(/\/mix$/);
  expect(page.url()).toMatch(/\/place$/);
  await beside.close();
  // Another view is another page.
  await page.getByRole('link', { name: 'Yard', exact: true }).first().click();
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
});
