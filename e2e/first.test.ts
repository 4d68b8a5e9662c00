import type { Page } from 'playwright-core';
import { PHONE, putTables, site } from './browser';
import { type, unfold } from './hands';

const yard = site();
const { base } = yard;

const answers = (page: Page) => page.getByTestId('first-answers').textContent();
const first = async (page: Page) => {
  await page.goto(base());
  await page.getByTestId('first-answers').waitFor();
  await putTables(page);
};

describe('the first five minutes, from an empty database', () => {
  test('what broke, pulled and typed, tells what it takes and when it may be loaded, before any job is made', async () => {
    const page = await yard.page();
    await first(page);
    const ordinary = (await answers(page))!;
    expect(ordinary).toMatch(/it holds1\.80 L.*2 batches.*loaded from\w{3} \d{2}:\d{2}/);
    // Twice as deep is twice as much; colder takes longer.
    await type(page, 'Mean depth', '60 mm');
    await page.waitForFunction(() =>
      /3\.60 L/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    const handle = page.getByRole('slider', { name: /depth/i }).first();
    await handle.focus();
    await page.keyboard.press('ArrowUp');
    await page.waitForFunction(
      () => !/3\.60 L/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    await type(page, 'Air and base', '300');
    await page.getByText('Between −40 and 60 °C, where people work.').waitFor();
    await page.getByRole('button', { name: 'bolts in drilled holes', exact: true }).click();
    await page.waitForFunction(() =>
      /the 4 hold27\.0 mL/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    // Nothing was made of it.
    await page.reload();
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
  });

  test('what is seen is kept as a job by one press, with its example sheet marked as one that nothing may be mixed by', async () => {
    const page = await yard.page();
    await first(page);
    await page.getByRole('button', { name: 'plate to bond', exact: true }).click();
    await page.waitForFunction(() =>
      /30\.0 mL/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    await page.getByRole('button', { name: 'Keep it as a job' }).click();
    await page.waitForURL(/\/job\/[^/]+\/[^/]+\/inspect$/);
    await page.goto(page.url().replace('inspect', 'material'));
    await page.getByText('An example sheet, not one of yours').first().waitFor();
    await page.goto(base());
    await page.getByRole('heading', { level: 2, name: 'Plate' }).waitFor();
  });

  test('on a phone nothing is wider than the page, and the answer stands above the fields', async () => {
    const page = await yard.page(PHONE);
    await first(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const [said, field] = await Promise.all([
      page.getByTestId('first-answers').boundingBox(),
      page.getByLabel('Mean depth').boundingBox(),
    ]);
    expect(said!.y).toBeLessThan(field!.y);
  });

  test('one is shown round the sample: stage by stage, back, left and begun again', async () => {
    const page = await yard.page();
    await first(page);
    await page.getByRole('button', { name: 'Show me round' }).click();
    const walk = page.getByRole('region', { name: 'A walk over the sample' });
    await walk.getByRole('heading', { name: /The yard 1 of 10/ }).waitFor();
    for (const title of ['Inspect', 'Measure']) {
      await walk.getByRole('link', { name: `Next: ${title}` }).click();
      await page.waitForURL(new RegExp(`/${title.toLowerCase()}$`));
      await walk.getByRole('heading', { name: new RegExp(`^${title}`) }).waitFor();
    }
    await walk.getByRole('link', { name: 'Back' }).click();
    await page.waitForURL(/\/inspect$/);
    await page.reload();
    await walk.getByRole('heading', { name: /Inspect 2 of 10/ }).waitFor();
    await walk.getByRole('button', { name: 'Leave the walk' }).click();
    await walk.waitFor({ state: 'detached' });
    await page.goto(base());
    await page.getByRole('button', { name: 'Show me round' }).click();
    await walk.getByRole('heading', { name: /1 of 10/ }).waitFor();
  });
});

describe('a sheet typed in the order in which it is printed', () => {
  test('name, pack, ratio and a pasted table are a sheet; what they tell is said as they are typed', async () => {
    const page = await yard.page();
    let acts = 0;
    const act = async (does: Promise<unknown>) => {
      acts++;
      await does;
    };
    await page.goto(`${base()}/shelf/new`);
    const tells = page.getByTestId('tells');
    await tells.getByText('nothing can be planned yet').waitFor();
    await act(page.getByLabel('Name', { exact: true }).fill('Two tin paste'));
    await act(type(page, 'Pack, as printed on it', '420 g + 210 g tins'));
    await page.waitForFunction(() => document.querySelector<HTMLInputElement>('[id$=".b"]')?.value === '210 g');
    await act(type(page, 'A to B, with its basis', '2:1 by weight'));
    await tells.getByText('how much and how many packs').waitFor();
    await act(page.getByRole('button', { name: 'Paste a whole table' }).click());
    await act(
      page
        .getByLabel('Table, as it stands in the sheet')
        .fill('Temp °C\tPot life (min)\tHandling (h)\tRemarks\n10\t60\t24\tstir\n20\t30\t10\t'),
    );
    expect(await page.getByLabel('“Handling” is').inputValue()).toBe('release');
    expect(await page.getByLabel('“Remarks” is').inputValue()).toBe('');
    await act(page.getByRole('button', { name: 'Take these times' }).click());
    await tells.getByText('when clamps and supports come off').waitFor();
    await tells.getByText(/still open: .*when it may be loaded \(full load\)/).waitFor();
    await act(page.getByRole('button', { name: /Put it on the shelf/ }).click());
    await page.waitForURL(/\/shelf\/(?!new)/);
    expect(acts).toBeLessThanOrEqual(8);
    await page.getByText(/density of A, density of B, .*: taken as usual for its kind/).waitFor();
  });

  test('a cartridge is typed as it is printed, and its ratio comes with it', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await page.getByLabel('Kind').selectOption({ label: 'Anchor resin, cartridge or twin-bag with static mixer' });
    await type(page, 'Pack, as printed on it', '300 mL cartridge 10:1');
    await page.waitForFunction(() =>
      /^272\.7/.test(document.querySelector<HTMLInputElement>('[id$=".a"]')?.value ?? ''),
    );
    expect(await page.getByLabel('A to B, with its basis').inputValue()).toBe('10:1 by volume');
  });

  test('a table that says nothing, two times of one name, and numbers without a unit are told, not guessed', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await page.getByRole('button', { name: 'Paste a whole table' }).click();
    const table = page.getByLabel('Table, as it stands in the sheet');
    const take = page.getByRole('button', { name: 'Take these times' });
    await table.fill('stir well');
    await page.getByText('No temperatures with times beside them').waitFor();
    await table.fill('Temp °C\tPot life\tWorking time\n10\t60\t50\n20\t30\t25');
    await page.getByText('Two of them are said to be “Use-by of the pot”.').waitFor();
    expect(await take.isDisabled()).toBe(true);
    await page.getByLabel('“Working time” is').selectOption('');
    await page.getByText('In what is “Pot life”: minutes, hours or days?').waitFor();
    await page.getByLabel('“Pot life” in').selectOption('min');
    await take.click();
    expect(await page.getByLabel('Use-by of the pot: as on the sheet').inputValue()).toBe('10 C: 60 min\n20 C: 30 min');
  });

  test('what keeps it from the shelf is a list that leads to each field, into what is folded as well', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await unfold(page);
    await page.getByLabel('Stored from').fill('warm');
    await page.getByRole('button', { name: /Put it on the shelf/ }).click();
    // The first of them is in hand.
    await page.waitForFunction(() => document.activeElement?.id === 'sheet-name');
    const list = page.getByRole('alert').filter({ hasText: 'to mend before it can stand on the shelf' });
    expect(await list.getByRole('listitem').allTextContents()).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Name: /), expect.stringMatching(/^of A: /)]),
    );
    await page.evaluate(() => {
      for (const fold of document.querySelectorAll<HTMLDetailsElement>('form details')) fold.open = false;
    });
    await list.getByRole('button', { name: 'Stored from' }).click();
    await page.waitForFunction(() => document.activeElement?.id === 'sheet-storeMin');
    expect(await page.getByLabel('Stored from').isVisible()).toBe(true);
  });

  test('a complaint that appears while something is pressed does not take the press away', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await page.getByLabel('A to B, with its basis').fill('2:1');
    await page.getByRole('button', { name: 'Paste a whole table' }).click();
    await page.getByLabel('Table, as it stands in the sheet').waitFor();
    await page.getByText(/ratio by weight is not a ratio by volume/).waitFor();
  });
});
