import type { Page } from 'playwright-core';
import { goTo, type Site } from './browser';
import { choose, inspected, stage, type, typeTime, unfold } from './hands';

/** A page on which it is a given hour, as of a technician who begins with nothing. */
export const begin = async (yard: Site, iso: string): Promise<Page> => {
  const page = await yard.timed();
  await page.clock.install({ time: new Date(iso) });
  return page;
};

/** A resin mortar in whole kits, as its sheet prints it. */
export const MORTAR_KIT = [
  ['Density of A', '1.12 g/mL'],
  ['Density of B', '1.05 g/mL'],
  ['True density of C', '2.62 g/mL'],
  ['Tamped bulk density of C', '1.70 g/mL'],
  ['of A', '2.6 kg'],
  ['of B', '1.3 kg'],
  ['of C', '16.5 kg'],
  ['May be split', 'no'],
  ['Left in the pot and on tools', '0 mL'],
  ['Lift to', '40 mm'],
] as const;

/** A bag of setting bed with its water. */
export const BED_BAG = [
  ['Least water', '20 %'],
  ['Usual water', '25 %'],
  ['Most water', '30 %'],
  ['Per cent of what', 'of powder'],
  ['Density of A', '2.154'],
  ['of A', '21 kg'],
  ['of B', '5.25 L'],
] as const;

/** What is chosen and not typed in the form of a sheet. */
const CHOSEN = new Set(['May be split', 'Per cent of what']);

export async function typeSheet(
  page: Page,
  base: string,
  name: string,
  kind: string,
  fields: readonly (readonly [label: string, text: string])[],
  times: readonly (readonly [kind: string, text: string, from?: string, on?: string, potOf?: string])[],
): Promise<void> {
  await goTo(page, base, '/shelf/new');
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Kind').selectOption({ label: kind });
  await unfold(page);
  for (const [label, text] of fields)
    if (CHOSEN.has(label)) await choose(page, label, text);
    else await type(page, label, text);
  for (const [of, text, from, on, potOf] of times) await typeTime(page, of, text, from, on, potOf);
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  try {
    await page.waitForURL(/\/shelf\/(?!new)/, { timeout: 6_000 });
  } catch {
    throw new Error(`Not on the shelf: ${(await page.locator('[role=alert]').allInnerTexts()).join(' | ')}`);
  }
}

export async function newJob(page: Page, base: string, air: string, humidity: string): Promise<void> {
  await goTo(page, base, '/');
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
export const says = async (page: Page, what: RegExp): Promise<void> => {
  try {
    await page.waitForFunction(
      ([source, flags]) => new RegExp(source!, flags).test(document.querySelector('#main')?.textContent ?? ''),
      [what.source, what.flags] as const,
    );
  } catch {
    throw new Error(`The screen never said ${what}. It says: ${await said(page)}`);
  }
};
/** The units of the reader, wherever one stands. */
export async function inUnits(page: Page, base: string, units: string): Promise<void> {
  const at = page.url().slice(base.length);
  await goTo(page, base, '/settings');
  await choose(page, 'Units', units);
  await goTo(page, base, at);
  await page.locator('#main').waitFor();
}

/** The base’s own temperature, from an hour on each: what is known goes before what is computed. */
export async function known(page: Page, rows: readonly (readonly [from: string, tempC: string])[]): Promise<void> {
  await page.getByText('its own temperature, where that is known').click();
  await page.getByRole('button', { name: 'I know it' }).click();
  for (const [i, [from, tempC]] of rows.entries()) {
    if (i > 0) await page.getByTestId('known').getByRole('button').last().click();
    await type(page, `From, ${i + 1}`, from);
    await type(page, `It is, ${i + 1}`, tempC);
  }
}

/** A repair of a job by its method; the crew is there from six to eight unless said otherwise. */
export async function begun(
  page: Page,
  label: RegExp,
  method: string,
  on?: string,
  [from, to] = ['6:00', '20:00'],
): Promise<void> {
  await type(page, 'from', from!);
  await type(page, 'to', to!);
  if (on) await choose(page, 'It is made of', on);
  await page.getByRole('button', { name: label }).click();
  await page.waitForURL(/inspect/);
  await inspected(page, method);
}
/** Chooses a shape by its name and types what is measured of it, each length by its own label. */
export async function shaped(
  page: Page,
  shape: RegExp,
  lengths: readonly (readonly [label: string, text: string])[],
): Promise<void> {
  await page.getByRole('button', { name: shape }).first().click();
  for (const [label, text] of lengths) await type(page, label, text);
}

/** Takes the one system on the shelf, kept at a temperature. */
export const chosen = async (page: Page, tempC: string, name = ''): Promise<void> => {
  await stage(page, 'Material');
  await page
    .getByRole('button', { name: new RegExp(`^Choose: ${name}`) })
    .first()
    .click();
  await type(page, 'Temperature (empty: as the air)', tempC);
};
