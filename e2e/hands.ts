import type { Locator, Page } from 'playwright-core';
import { methodOf } from '@/core/method';
import type { Job, Repair } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { putTables } from './browser';

/** Takes a job in as a file, as it comes from a colleague. */
export async function takeJob(
  page: Page,
  base: string,
  of: { readonly job: Job; readonly repairs: readonly Repair[]; readonly sheets: readonly SheetRevision[] },
): Promise<void> {
  const text = JSON.stringify({
    format: 'grenko-job',
    version: 4,
    exportedAt: '2026-05-05T06:00:00.000Z',
    coreVersion: '0.18.0',
    stock: [],
    snapshots: [],
    events: [],
    series: [],
    attachments: [],
    ...of,
  });
  await page.goto(base);
  await page.getByRole('button', { name: 'New job' }).waitFor();
  await putTables(page);
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await page.waitForURL(/\/job\//);
}

/** What a person does, in the words on the screen. */
export async function type(page: Page, label: string | RegExp, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: typeof label === 'string' }).first();
  await field.fill(text);
  await field.blur();
}

export interface FileLetGo {
  readonly name: string;
  readonly text: string;
}

/** Files carried over a place and let go there, as from a folder beside the page. */
export const letGo = (place: Locator, ...files: readonly FileLetGo[]): Promise<void> =>
  place.evaluate((at, list) => {
    const data = new DataTransfer();
    for (const { name, text } of list) data.items.add(new File([text], name));
    for (const type of ['dragenter', 'dragover', 'drop'])
      at.dispatchEvent(new DragEvent(type, { bubbles: true, cancelable: true, dataTransfer: data }));
  }, files);

/** Opens what is folded in the form of a sheet. */
export async function unfold(page: Page): Promise<void> {
  await page.locator('form details').first().waitFor({ state: 'attached' });
  await page.evaluate(() => {
    for (const fold of document.querySelectorAll<HTMLDetailsElement>('form details')) fold.open = true;
  });
}

/** Types a time of a sheet into its line, which is taken from the list where it does not stand there yet. */
export async function typeTime(
  page: Page,
  kind: string,
  text: string,
  from?: string,
  on?: string,
  potOf?: string,
): Promise<void> {
  const line = page.getByLabel(`${kind}: as on the sheet`);
  if (!(await line.count())) await page.getByLabel('Another time').selectOption({ label: kind });
  await line.fill(text);
  await line.blur();
  if (!from || !on) return;
  const row = page.locator('form .time-row').filter({ has: line });
  await row.locator('details').evaluate((fold: HTMLDetailsElement) => {
    fold.open = true;
  });
  await row.getByLabel('counts from when').selectOption({ label: from });
  await row.getByLabel('runs on').selectOption({ label: on });
  if (potOf) await row.getByLabel('for a pot of').fill(potOf);
}

export const choose = (page: Page, group: string | RegExp, option: string) =>
  page.getByRole('radiogroup', { name: group }).getByRole('radio', { name: option, exact: true }).click();
export const answer = (page: Page) => page.getByTestId('answer').textContent();
export const stage = async (page: Page, name: string) => {
  await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
  await page.getByRole('heading', { level: 1, name: new RegExp(`^${name}`) }).waitFor({ state: 'attached' });
};

/** Answers every inspection question so that the repair may go on. */
export async function passInspection(page: Page): Promise<void> {
  const rows = page.locator('section[aria-label="Sheet"] ol > li');
  const wants: Record<string, string> = { sound: 'yes' };
  for (let i = 0; i < (await rows.count()); i++) {
    const row = rows.nth(i);
    const ask = (await row.locator('p').first().textContent()) ?? '';
    const no = /torn|eaten|must this joint|painted|press or seep|overhead|crack or joint|laid open/i.test(ask);
    await row.getByRole('radio', { name: (wants[ask] ?? no) ? 'no' : 'yes', exact: true }).click();
  }
}

/** Where the running view stands: to be pressed, held by a box, a test or a hand, too early, or at its end. */
type Standing = 'go' | 'held' | 'test' | 'early' | 'end' | 'blocked';

/** One look at all of it: between two looks the next step may come, and what was waited for is gone. */
const standing = (page: Page): Promise<Standing> =>
  page.evaluate(() => {
    const go = document.querySelector('[data-testid=go]') as HTMLButtonElement | null;
    const main = document.querySelector('#main')?.textContent ?? '';
    const headings = [...document.querySelectorAll('h2, h3, h4, [role=heading]')];
    if (!go) return main.includes('To tests and signature') ? 'end' : 'blocked';
    if (go.ariaBusy) return 'blocked';
    if (!go.disabled) return 'go';
    if (headings.some((h) => h.textContent?.includes('Not before'))) return 'early';
    const boxes = [...document.querySelectorAll('#main label')].filter((l) => l.textContent?.includes('Hold point'));
    if (boxes.some((l) => !l.querySelector('input')?.checked)) return 'held';
    const open = [...document.querySelectorAll('section[aria-label=Tests] li')].some(
      (li) => !li.querySelector('[aria-checked=true]'),
    );
    return open ? 'test' : 'blocked';
  });

/**
 * Waits until the one large button may be pressed, the step is not before a later hour, or the work is at its end; a
 * hold point is checked, a test passed. What was pressed last is saved first: on a slow machine nothing is there at
 * once.
 */
export async function whenItMayGo(page: Page): Promise<Standing> {
  for (let waits = 0; ; waits++) {
    const at = await standing(page);
    if (at === 'held') {
      const hold = page.getByRole('checkbox', { name: /Hold point/ });
      await hold.check({ timeout: 2_000 }).catch(() => undefined);
    } else if (at === 'test') {
      const open = page.getByRole('region', { name: 'Tests' }).locator('li:not(:has([aria-checked="true"]))').first();
      const test = await open.getAttribute('data-test');
      await open.getByRole('radio', { name: 'yes', exact: true }).click();
      await page.locator(`[data-test="${test}"] [aria-checked="true"]`).waitFor();
    } else if (at !== 'blocked' || waits > 400) return at;
    else await page.waitForTimeout(50);
  }
}

/** What the one large button says, at which step; null while what was pressed is being saved. */
const shown = (page: Page): Promise<string | null> =>
  page.evaluate(() => {
    const go = document.querySelector('[data-testid=go]');
    if (go?.ariaBusy) return null;
    return `${document.querySelector('[data-testid=step-count]')?.textContent}: ${go?.textContent}`;
  });

/** Presses it and waits until that is saved and another thing stands in its place: until then it is the old one. */
export async function pressed(page: Page): Promise<void> {
  const before = await shown(page);
  await page.getByTestId('go').click();
  for (let looks = 0; looks < 600; looks++) {
    const now = await shown(page);
    if (now !== null && now !== before) return;
    await page.waitForTimeout(50);
  }
  throw new Error(`Pressed, and it still says “${before}”: ${await page.locator('#main').textContent()}`);
}

/** Works on, a minute a press, over every wait, until this is the step that stands there; the presses it took. */
export async function workedTo(page: Page, until: RegExp | null, most = 80): Promise<number> {
  const step = page.getByTestId('step');
  for (let presses = 0; presses < most; ) {
    const at = await whenItMayGo(page);
    if (at === 'end' || (until && (await step.count()) && until.test((await step.textContent()) ?? ''))) return presses;
    if (at === 'early') {
      await page.clock.fastForward(10 * 60_000);
      continue;
    }
    if (at === 'blocked') throw new Error(`Nothing can be pressed: ${await page.locator('#main').textContent()}`);
    await pressed(page);
    await page.clock.fastForward(60_000);
    presses++;
  }
  return most;
}

/** Goes through the running view to its end, moving the clock past every wait. */
export async function runToTheEnd(page: Page, most = 80): Promise<number> {
  if (await page.getByTestId('go').isDisabled())
    throw new Error(`The work cannot begin: ${await page.locator('#main').textContent()}`);
  return workedTo(page, null, most);
}

const side = (page: Page) => page.locator('section[aria-label="Answer"]');

/** Answers what a method asks as it wants it. */
export async function inspected(page: Page, methodId: string): Promise<void> {
  await answersOf(page, [methodId]);
}

/** Answers what several methods ask as they want it, whichever of it is asked here. */
export async function answersOf(page: Page, methodIds: readonly string[]): Promise<void> {
  const rows = page.locator('section[aria-label="Sheet"] ol > li');
  await rows.first().waitFor();
  const wants = methodIds.flatMap((id) => methodOf(id)!.questions.map((q) => [q.ask, q.wants] as const));
  for (const [ask, want] of new Map(wants)) {
    const row = rows.filter({ hasText: ask }).first();
    if (await row.count()) await row.getByRole('radio', { name: want, exact: true }).click();
  }
}

/** Chooses a shape by its picture and types what it measures, in the order of the list. */
export async function measuredAs(page: Page, shape: RegExp, values: readonly string[]): Promise<void> {
  await page.getByRole('heading', { name: 'What broke?' }).waitFor();
  const every = page.getByRole('button', { name: /show every shape/ });
  const picture = page.locator('section[aria-label="Sheet"] section button').filter({ hasText: shape }).first();
  if (!(await picture.isVisible())) await every.click();
  await picture.click();
  const fields = side(page).getByPlaceholder('measure');
  await fields.first().waitFor();
  for (const [i, value] of values.entries()) {
    await fields.nth(i).fill(value);
    await fields.nth(i).blur();
  }
  await page.waitForFunction(() => /\d/.test(document.querySelector('[data-testid=answer]')?.textContent ?? ''));
}
