import type { Page } from 'playwright-core';
import { site } from './browser';
import { answersOf, measuredAs, stage, type } from './hands';

/** A mechanic who works in inches and °F, with sheets printed in two countries' measures. */
const yard = site();
const { base } = yard;

const inInches = async () => {
  const page = await yard.page();
  await page.goto(base());
  await page.getByTestId('first-answers').waitFor();
  await page.keyboard.press('u');
  return page;
};
const blankSheet = async (page: Page, name: string, kind: string) => {
  await page.goto(`${base()}/shelf/new`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Kind').selectOption({ label: kind });
};
const pasted = async (page: Page, text: string) => {
  await page.getByRole('button', { name: 'Paste the text of the sheet' }).click();
  await page.getByLabel('Text or table, as it stands in the sheet').fill(text);
  await page.getByRole('button', { name: /^Take these/ }).click();
};
const onShelf = async (page: Page) => {
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  await page.waitForURL(/\/shelf\/(?!new)/);
};

test('the sheet of an anchor epoxy is pasted, its table of rods asks for the hole, and the plan opens', async () => {
  const page = await inInches();
  await blankSheet(page, 'Slow anchoring epoxy', 'Anchor resin, cartridge or twin-bag with static mixer');
  await pasted(
    page,
    `Supplied in 22 fl oz cartridges, 1:1 by volume. Two-part epoxy.
Gel time 30 min at 70°F (21°C)
Full cure: 40 F 72 h; 50 F 48 h; 70 F 24 h; 90 F 12 h
Base material temperature 40 to 100 F
Hole: 5/8 in rod, 3/4 in bit; #4 bar, 5/8 in bit
Clean the hole: blow 2x, brush 2x, blow 2x`,
  );
  await onShelf(page);
  const main = page.locator('#main');
  for (const told of ['1 : 1 by volume', '40 °F to 100 °F', '5/8 in in Ø 3/4 in; #4 bar in Ø 5/8 in'])
    await main.getByText(told, { exact: true }).waitFor();
  // An epoxy is set by no peroxide.
  expect(await main.getByText(/Peroxide/).count()).toBe(0);
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await type(page, 'Air temperature', '62 F');
  await page.getByRole('button', { name: /^Anchor in a drilled hole/ }).click();
  await page.waitForURL(/inspect/);
  await answersOf(page, ['anchor']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: Slow anchoring epoxy/ }).click();
  await stage(page, 'Measure');
  // The rod is typed first: the hole that is only drawn refuses nothing, and the sheet says which to drill.
  await page
    .locator('section[aria-label="Sheet"] section button')
    .filter({ hasText: /Rod in a drilled hole/ })
    .click();
  await page.getByText('concrete, 8 in thick').waitFor();
  await type(page, 'Rod, nominal thread', '5/8 in');
  await page.getByText('The sheet: 5/8 in in a hole Ø 3/4 in.').waitFor();
  expect(await page.getByText(/does not fit a hole/).count()).toBe(0);
  await page.getByRole('button', { name: 'Drill Ø 3/4 in' }).click();
  // As deep as the rod is set is a press, once that is known.
  expect(await page.getByRole('button', { name: /deep, as the rod is set/ }).count()).toBe(0);
  await type(page, 'Embedment of the rod', '5 in');
  await page.getByRole('button', { name: 'Drill 5 in deep, as the rod is set' }).click();
  expect(await page.getByLabel('Hole depth to the shoulder', { exact: true }).first().inputValue()).toMatch(/^5 in$/);
  await type(page, 'Like voids', '12');
  await page.waitForFunction(() => /6\.32/.test(document.querySelector('[data-testid=answer]')?.textContent ?? ''));
  await stage(page, 'Mix');
  await page.getByText('22 US fl oz cartridge, 1:1 by volume').first().waitFor();
  await stage(page, 'Hold');
  // Sheet: 48 h at 50 °F, 24 h at 70 °F; at 62 °F between them.
  await page
    .getByText(/^Wed 17:\d{2}$|31 h \d{2} min/)
    .first()
    .waitFor();
});

test('an ounce on a pack is asked for, the answer fills its parts, and what is not asked again stays', async () => {
  const page = await inInches();
  await blankSheet(page, 'Pint paste', 'Paste adhesive, mixed by hand');
  await type(page, 'Pack, as printed on it', '1 pt kit: 8 oz A, 8 oz B');
  await page.getByText('An ounce may be of mass or of fluid. Which one?').waitFor();
  const part = (id: string) =>
    page
      .getByRole('textbox', { name: `of ${id}`, exact: true })
      .first()
      .inputValue();
  expect([await part('A'), await part('B')]).toEqual(['', '']);
  await page.getByRole('button', { name: 'US fl oz', exact: true }).click();
  await page.waitForFunction(() =>
    /^8 US fl oz$/.test(document.querySelector<HTMLInputElement>('[id$=".b"]')?.value ?? ''),
  );
  expect([await part('A'), await part('B')]).toEqual(['8 US fl oz', '8 US fl oz']);
  expect(await page.getByText('Which one?').count()).toBe(0);
  // Times as they are said: a unit once, in the reader's own degrees.
  const time = page.getByLabel('Pot life or working time: as on the sheet');
  await time.fill('40 min at 50, 20 at 70');
  await time.press('Tab');
  await page.getByLabel('Full cure: as on the sheet').fill('24/12 h at 50/70 F');
  await onShelf(page);
  await page.getByText('over, from when mixing begins').waitFor();
});

test('a bag that asks for water by the quart and a day of damp is planned with both', async () => {
  const page = await inInches();
  await blankSheet(page, 'Quick repair mortar', 'Cement powder and water');
  await pasted(
    page,
    `Packaging: 50-lb. (22.7-kg) bags
Mixing water: 3 qt. (2.8 L) per 50-lb bag, max 3.5 qt
Working time: 20 minutes @ 70°F (21°C)
Foot traffic 2 hours at 70°F (21°C)
Layer thickness: min. 1/4"; max. 2"
Do not apply below 40 F or above 95 F
Water cure 24 hours`,
  );
  await onShelf(page);
  await page.getByText(/^12\.5 to 14\.6 % water of A, usually 12\.5 %/).waitFor();
  await page.getByText('1/4 in to 2 in', { exact: true }).waitFor();
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await page.getByRole('button', { name: /^Cement-based patch/ }).click();
  await page.waitForURL(/inspect/);
  await answersOf(page, ['cement-patch']);
  await stage(page, 'Measure');
  await measuredAs(page, /Hollow or patch/, ['3 ft', '18 in', '1 1/2 in']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: Quick repair mortar/ }).click();
  await stage(page, 'Mix');
  await page.getByText('On the sheet: 3 US qt to 50 lb; 3.5 US qt to 50 lb').waitFor();
  await stage(page, 'Place');
  await page
    .getByText(/lb of powder, [\d.]+ lb \([\d.]+ US fl oz\) of water/)
    .first()
    .waitFor();
  await stage(page, 'Finish');
  // Damp for a day from the last placing, however soon it bears a foot; covering took minutes of it, a weekend adds.
  await page
    .getByText(/^wait \d+ h/)
    .first()
    .waitFor();
  const wait = await page
    .getByText(/^wait \d+ h/)
    .first()
    .textContent();
  expect(Number(/wait (\d+) h/.exec(wait!)![1])).toBeGreaterThanOrEqual(23);
});
