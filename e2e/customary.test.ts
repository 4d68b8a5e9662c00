import type { Page } from 'playwright-core';
import { methodsData } from '@/sample/jobs';
import { sampleSheets, sampleStock } from '@/sample/systems';
import { workshopSheets } from '@/sample/workshop-systems';
import { DESKTOP, PHONE, site, turnTo, withSample } from './browser';
import { type, unfold } from './hands';
import { VIEWS as LOOKED_AT, unfitOn } from './unfit';

const yard = site();
const { base } = yard;

const STAGES = ['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'];

/** Names of systems and packs, and what a person wrote: theirs to word. */
const PRINTED = [
  ...[...sampleSheets, ...workshopSheets].flatMap((s) => [s.name, ...s.kits.map((k) => k.label)]),
  ...sampleStock(0).flatMap((l) => l.breaches.map((b) => b.text)),
].sort((a, b) => b.length - a.length);

/**
 * What a pattern finds on the page, each with some of what stands round it; what a person typed or a pack prints is
 * theirs.
 */
const foundOn = (page: Page, pattern: RegExp): Promise<readonly string[]> =>
  page.evaluate(
    ({ theirs, source }) => {
      const told = new RegExp(source);
      const out: string[] = [];
      const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let n = walk.nextNode(); n; n = walk.nextNode()) {
        const at = n.parentElement;
        if (!at || at.closest('script, style, [data-theirs], textarea') || !at.getClientRects().length) continue;
        let text = n.textContent ?? '';
        for (const printed of theirs) text = text.replaceAll(printed, '');
        if (told.test(text)) out.push(text.trim().slice(0, 120));
      }
      for (const field of document.querySelectorAll<HTMLInputElement>('input'))
        if (field.getClientRects().length && told.test(field.value)) out.push(`field ${field.value}`);
      for (const field of document.querySelectorAll<HTMLInputElement>('input, textarea'))
        if (field.getClientRects().length && told.test(field.placeholder)) out.push(`example ${field.placeholder}`);
      return [...new Set(out)];
    },
    { theirs: PRINTED, source: pattern.source },
  );
const METRIC = /\d\s?(?:mm|cm|m²|m³|mL|L|kg|g|°C|K|MPa|kN|km\/h|mL\/m²|m)(?![\w/²³°])/;
/** Clocks told from 0 to 24; how long something takes, run down by the second, is none. */
const OF_24 = /(?<![\d:−])(?:[01]?\d|2[0-4]):[0-5]\d(?![\d:]|\s?[ap]m)/;

const VIEWS = [
  '/',
  '/shelf',
  '/shelf/sheet-mortar-1',
  '/lab',
  '/learned',
  '/job/sample-ramp',
  '/job/sample-ramp/pick',
  '/job/sample-ramp/card',
  '/job/sample-winch/log',
  ...[
    'sample-ramp/sample-nosing',
    'sample-ramp/sample-eyes',
    'sample-winch/sample-plate',
    'sample-boat/sample-fitting',
  ].flatMap((r) => STAGES.map((s) => `/job/${r}/${s}`)),
  '/job/sample-winch/sample-plate/run',
];

test('in US units, the clock told twice to twelve, no view shows metric figures or clocks of 24; hours are typed either way', async () => {
  const page = await yard.page();
  await withSample(page, base(), [methodsData]);
  await page.goto(`${base()}/job/sample-ramp`);
  await page.getByRole('group', { name: 'Time band' }).waitFor();
  // As it is first, figures and clocks of the other kind are found.
  expect((await foundOn(page, OF_24)).length).toBeGreaterThan(4);
  expect((await foundOn(page, METRIC)).length).toBeGreaterThan(1);
  await page.keyboard.press('u');
  await page.waitForFunction(() => /°F/.test(document.body.textContent!));
  await turnTo(page, base(), '/settings');
  await page.getByRole('radio', { name: '4:30 pm' }).check();
  // One walk over all views: each is asked for both.
  const found: Record<string, readonly string[]> = {};
  for (const view of VIEWS) {
    await turnTo(page, base(), view);
    await page.waitForTimeout(200);
    const wrong = [...(await foundOn(page, METRIC)), ...(await foundOn(page, OF_24))];
    if (wrong.length) found[view] = wrong;
  }
  expect(found).toEqual({});
  await turnTo(page, base(), '/job/sample-ramp');
  const to = page.getByLabel('to', { exact: true });
  expect(await to.inputValue()).toBe('5:00 pm');
  for (const [typed, shown] of [
    ['18:30', '6:30 pm'],
    ['5pm', '5:00 pm'],
  ] as const) {
    await to.fill(typed);
    await to.blur();
    await page.waitForFunction((text) => [...document.querySelectorAll('input')].some((i) => i.value === text), shown);
  }
});

test.each([
  ['laptop', DESKTOP],
  ['phone', PHONE],
])('in US units, whose words are longer, nothing is cut, broken or laid over something else: %s', async (_, size) => {
  const page = await yard.page(size);
  await withSample(page, base(), [methodsData]);
  await page.goto(`${base()}/settings`);
  await page.getByRole('radio', { name: 'US customary' }).check();
  await page.getByRole('radio', { name: '4:30 pm' }).check();
  const found: Record<string, readonly string[]> = {};
  for (const view of [...new Set([...LOOKED_AT, ...VIEWS])]) {
    await turnTo(page, base(), view);
    const unfit = await unfitOn(page, 10, (what) => size === PHONE || !what.endsWith('px high'));
    if (unfit.length) found[view] = unfit;
  }
  expect(found).toEqual({});
});

test('a sheet is typed after examples in US units, whatever kind it is of, and the lab and the shelf have no others', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/settings`);
  await page.getByRole('radio', { name: 'US customary' }).check();
  await turnTo(page, base(), '/shelf/new');
  const kind = page.getByLabel('Kind');
  const kinds = await kind.locator('option').evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value));
  expect(kinds.length).toBeGreaterThan(10);
  const found: Record<string, readonly string[]> = {};
  for (const id of kinds) {
    await kind.selectOption(id);
    await unfold(page);
    const wrong = [...(await foundOn(page, METRIC)), ...(await foundOn(page, /\d C\b/))];
    if (wrong.length) found[id] = wrong;
  }
  await page.getByRole('button', { name: 'Paste a whole table' }).click();
  const pasted = await foundOn(page, METRIC);
  if (pasted.length) found.table = pasted;
  await turnTo(page, base(), '/lab');
  await page.locator('[aria-busy="false"] [data-testid="pot-life"]').waitFor();
  await page.getByRole('radio', { name: 'spread in a tray' }).check();
  await page.getByText('0.394 in deep').waitFor();
  expect(found).toEqual({});
});

test('what is refused at a field says its bounds in the units that are chosen', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/sample-eyes/measure`);
  await page.locator('#main').waitFor();
  await page.keyboard.press('u');
  await page.waitForFunction(() => /°F/.test(document.body.textContent!));
  // A rod that is longer than its hole is deep, which the core says in its own units.
  await type(page, 'Embedment of the rod', '30 in');
  const alert = page.getByRole('alert').filter({ hasText: 'is deeper than the hole' }).first();
  await alert.waitFor();
  expect(await alert.textContent()).toMatch(/^The embedment, 30(\.0)? in, is deeper than the hole, [\d.]+ in\./);
  expect(await foundOn(page, METRIC)).toEqual([]);
});

test('cards are printed on the paper of the units that are chosen', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/card`);
  await page.locator('#main').waitFor();
  /** Size of the first page of what would be printed, points. */
  const printed = async () => {
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    const [, width, height] = /\/MediaBox\s*\[\s*0\s+0\s+([\d.]+)\s+([\d.]+)/.exec(pdf)!;
    return [Math.round(Number(width)), Math.round(Number(height))];
  };
  expect(await printed()).toEqual([595, 842]);
  await page.keyboard.press('u');
  await page.waitForFunction(() => document.documentElement.dataset.paper === 'letter');
  expect(await printed()).toEqual([612, 792]);
});
