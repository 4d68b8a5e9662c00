import type { Page } from 'playwright-core';
import type { Site } from './browser';
import { choose, type, typeTime, unfold } from './hands';

/** A page on which it is a given hour, as of a technician who begins with nothing. */
export const begin = async (yard: Site, iso: string): Promise<Page> => {
  const page = await (await yard.context()).newPage();
  page.on('pageerror', (error) => {
    throw error;
  });
  await page.clock.install({ time: new Date(iso) });
  return page;
};

/** What is chosen and not typed in the form of a sheet. */
const CHOSEN = new Set(['May be split', 'Per cent of what']);

export async function typeSheet(
  page: Page,
  base: string,
  name: string,
  kind: string,
  fields: readonly (readonly [label: string, text: string])[],
  times: readonly (readonly [kind: string, text: string, from?: string, on?: string])[],
): Promise<void> {
  await page.goto(`${base}/shelf/new`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Kind').selectOption({ label: kind });
  await unfold(page);
  for (const [label, text] of fields)
    if (CHOSEN.has(label)) await choose(page, label, text);
    else await type(page, label, text);
  for (const [of, text, from, on] of times) await typeTime(page, of, text, from, on);
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  try {
    await page.waitForURL(/\/shelf\/(?!new)/, { timeout: 6_000 });
  } catch {
    throw new Error(`Not on the shelf: ${(await page.locator('[role=alert]').allInnerTexts()).join(' | ')}`);
  }
}

export async function newJob(page: Page, base: string, air: string, humidity: string): Promise<void> {
  await page.goto(base);
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await type(page, 'Air temperature', air);
  await type(page, 'Humidity', humidity);
  for (const day of ['Sat', 'Sun']) await page.getByRole('button', { name: day, exact: true }).click();
}
/** What the screen says now, all of it, as it is read. */
// biome-ignore lint/performance/useDomNodeTextContent: what is folded away is not read
export const said = (page: Page) => page.locator('#main').innerText();
/** Waits until the screen says something. */
export const says = (page: Page, what: RegExp) =>
  page.waitForFunction(
    ([source, flags]) => new RegExp(source!, flags).test(document.querySelector('#main')?.textContent ?? ''),
    [what.source, what.flags] as const,
  );
/** The units of the reader, wherever one stands. */
export async function inUnits(page: Page, base: string, units: string): Promise<void> {
  const at = page.url();
  await page.goto(`${base}/settings`);
  await choose(page, 'Units', units);
  await page.goto(at);
  await page.locator('#main').waitFor();
}
