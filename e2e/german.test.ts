import type { Page } from 'playwright-core';
import { finishedData, methodsData, sampleData, sampleRecords } from '@/sample/jobs';
import { german } from '@/words/de';
import { DESKTOP, onScreen, PHONE, site, turnTo, withSample } from './browser';
import { type } from './hands';
import { unfitOn, VIEWS } from './unfit';

const yard = site();
const { base } = yard;

const inGerman = (page: Page) =>
  page.evaluate(() => localStorage.setItem('grenko.prefs', '{"state":{"language":"de"},"version":0}'));

/** The sample in German, with nothing drawn yet. */
async function sampleInGerman(page: Page): Promise<void> {
  await withSample(page, base(), [methodsData, finishedData]);
  await inGerman(page);
  await page.goto(base());
  await page.getByRole('heading', { name: 'Als Nächstes' }).waitFor();
}

test('German is chosen in the settings, holds over a load, and is given back', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/settings`);
  await page.getByRole('radio', { name: 'Deutsch' }).check();
  await page.getByRole('heading', { name: 'Einstellungen' }).waitFor();
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/hold`);
  await page.getByRole('heading', { level: 1, name: /^Halten/ }).waitFor({ state: 'attached' });
  expect(await page.evaluate(() => document.documentElement.lang)).toBe('de');
  await turnTo(page, base(), '/settings');
  await page.getByRole('radio', { name: 'English' }).check();
  await page.getByRole('heading', { name: 'Settings' }).waitFor();
  expect(await page.evaluate(() => document.documentElement.lang)).toBe('en');
});

test('a browser that asks for German first is answered in German, with nothing chosen', async () => {
  const page = await yard.page(DESKTOP, { locale: 'de-DE' });
  await page.goto(base());
  await page.getByRole('button', { name: 'Neuer Auftrag' }).waitFor();
  await page.getByRole('region', { name: 'Ein erster Blick' }).waitFor();
  await page.getByTestId('first-answers').waitFor();
  const said = (await readOn(page)).map((text) => text.replaceAll('Ramp mortar 3-part', ''));
  expect(said.filter((text) => words(text).some((word) => ENGLISH.has(word)))).toEqual([]);
});

const words = (text: string) =>
  text
    .replace(/\{[^{}]*\}/g, ' ')
    .toLowerCase()
    .match(/\p{L}{2,}/gu) ?? [];
/** Words that stand in English texts and in no German one. */
const ENGLISH = new Set([...german.keys()].flatMap(words));
for (const told of german.values()) for (const word of words(told)) ENGLISH.delete(word);

/** What somebody typed, or a pack prints: theirs to word. */
function theirs(value: unknown): readonly string[] {
  if (typeof value === 'string') return /[a-z]{3}/i.test(value) ? [value] : [];
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(theirs) : [];
}
const THEIRS = [
  ...new Set(
    [sampleData, methodsData, finishedData].flatMap((of) =>
      sampleRecords(Date.UTC(2027, 4, 10), 'Europe/Helsinki', of).flatMap((r) =>
        r.record === 'job' ||
        r.record === 'repair' ||
        r.record === 'sheet' ||
        r.record === 'stock' ||
        r.record === 'event'
          ? theirs(r)
          : [],
      ),
    ),
  ),
].filter((text) => !german.has(text) && (/ |\d/.test(text) || /^(grey|grey-brown|off-white|clear)$/.test(text)));
THEIRS.sort((a, b) => b.length - a.length);

/** Everything that is read or heard on the page. */
const readOn = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n = walk.nextNode(); n; n = walk.nextNode())
      if (!n.parentElement?.closest('script, style, textarea, [data-theirs]')) out.push(n.textContent ?? '');
    const heard = ['aria-label', 'title', 'placeholder', 'alt', 'aria-description', 'aria-valuetext'];
    for (const name of heard)
      for (const at of document.querySelectorAll(`[${name}]`)) out.push(at.getAttribute(name) ?? '');
    return out;
  });

/** A figure whose decimals stand behind a point; versions and addresses have several. */
const POINTED = /(?<![\d.,/])\d+\.\d+(?![\d.]|\p{L})/u;
/** What stands in the fields of the page. */
const typedOn = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => [...document.querySelectorAll('input')].map((i) => i.value));

/** English words of ours on the page, and figures with a decimal point. */
async function notGermanOn(page: Page): Promise<readonly string[]> {
  const read = await readOn(page);
  const english = read.filter((text) => {
    // The letters of a hash may fall together to a word.
    const ours = THEIRS.reduce((rest, own) => rest.replaceAll(own, ' '), text).replace(/[0-9a-f]{64}/g, ' ');
    // A name that is cut short ends in dots.
    return !/…$|^https?:|\nhttps?:/.test(ours.trim()) && words(ours).some((word) => ENGLISH.has(word));
  });
  const pointed = [...read, ...(await typedOn(page))].filter((text) =>
    POINTED.test(THEIRS.reduce((rest, own) => rest.replaceAll(own, ' '), text)),
  );
  return [...new Set([...english, ...pointed])].map((text) => text.trim().slice(0, 120));
}

test('in German no view is English or has decimal points; at a desk and on a phone each fits, its drawings too', async () => {
  const page = await yard.page();
  await sampleInGerman(page);
  const found: Record<string, readonly string[]> = {};
  for (const view of [...VIEWS, '/job/sample-workshop/sample-cavities/measure', '/job/sample-winch/tag']) {
    await onScreen(page, DESKTOP, false);
    await turnTo(page, base(), view);
    await page.waitForTimeout(250);
    const wrong = await notGermanOn(page);
    if (wrong.length) found[view] = wrong;
    if (!VIEWS.includes(view)) continue;
    for (const size of [DESKTOP, PHONE]) {
      if (size === PHONE) {
        await onScreen(page, PHONE, true);
        await page.waitForTimeout(250);
      }
      const unfit = await unfitOn(page, 10, (what) => size === PHONE || !what.endsWith('px high'));
      if (unfit.length) found[`${view} ${size.width}`] = unfit;
    }
  }
  expect(found).toEqual({});
});

test('typed in German: a sheet, its times, a day; and a refusal in German', async () => {
  const page = await yard.timed();
  await page.clock.install({ time: new Date('2027-04-19T05:00:00Z') });
  await page.goto(base());
  await inGerman(page);
  await page.goto(`${base()}/shelf/new`);
  await page.getByLabel('Name', { exact: true }).fill('Klebepaste');
  await page.getByLabel('von A', { exact: true }).fill('300 mL');
  await page.getByLabel('von B', { exact: true }).fill('150 mL');
  await type(page, 'A zu B, mit Grundlage', '2:1 nach Volumen');
  await type(page, 'Topfzeit oder Verarbeitungszeit: wie auf dem Datenblatt', '45 bis 60 min bei 20 C');
  await type(page, 'Zwingen lösen: wie auf dem Datenblatt', '10 C: 10 Stunden bis 12 Stunden\n20 C: 5 h bis 6 h');
  await type(page, 'Volle Last: wie auf dem Datenblatt', 'zwei Tage');
  await page.getByText('„zwei Tage“').first().waitFor();
  await type(page, 'Volle Last: wie auf dem Datenblatt', '2 Tage bei 20 C');
  await page.getByRole('button', { name: /^Ins Regal stellen/ }).click();
  await page.waitForURL(/\/shelf\/(?!new)/);
  expect(await page.locator('#main').textContent()).toContain('10 h');
  await page.goto(base());
  await page.getByRole('button', { name: 'Neuer Auftrag' }).click();
  await page.waitForURL(/\/job\//);
  const wanted = page.getByLabel('Zurückgewünscht');
  await wanted.fill('morgen 7');
  await wanted.blur();
  await page.waitForFunction(() =>
    [...document.querySelectorAll('input')].some((field) => field.value === 'Di 20 Apr 2027 07:00'),
  );
  await wanted.fill('irgendwann');
  await wanted.blur();
  await page.getByText('Das ist kein Tag mit Stunde.', { exact: false }).first().waitFor();
});
