import type { Page } from 'playwright-core';
import { methodOf } from '@/core/method';
import { PHONE, putTables, site } from './browser';
import { stage, type, unfold } from './hands';

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
    await page.getByRole('radio', { name: 'bolts in drilled holes', exact: true }).click();
    await page.waitForFunction(() =>
      /the 4 hold27\.0 mL/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    // Twice as many take twice as much, and a crack is as long, wide and deep as it is typed.
    await type(page, 'How many alike', '2.5');
    await page.getByText('A whole number from 1 to 500.').waitFor();
    await type(page, 'How many alike', '8');
    await page.waitForFunction(() =>
      /the 8 hold53\.9 mL/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    await page.getByRole('radio', { name: 'crack in a floor', exact: true }).click();
    await type(page, 'Length along it', '3 m');
    await type(page, 'Depth', '20');
    // A V of 12 by 20 mm over 3 m.
    await page.waitForFunction(() =>
      /it holds360 mL/.test(document.querySelector('[data-testid=first-answers]')!.textContent!),
    );
    // Nothing was made of it.
    await page.reload();
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
  });

  test('what is seen is kept as a job by one press, with its example sheet marked as one that nothing may be mixed by', async () => {
    const page = await yard.page();
    await first(page);
    await page.getByRole('radio', { name: 'plate to bond', exact: true }).click();
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

  test('Hold shows as chosen what it waits for: what a fill is left alone for is to be sanded, until somebody says otherwise', async () => {
    const page = await yard.page();
    await first(page);
    await page.getByRole('radio', { name: 'old screw holes in a hull', exact: true }).click();
    await page.getByRole('button', { name: 'Keep it as a job' }).click();
    await page.waitForURL(/\/inspect$/);
    await page.goto(page.url().replace('inspect', 'hold'));
    const chosen = page.getByLabel('Wait for');
    const shown = () => chosen.evaluate((s) => (s as HTMLSelectElement).selectedOptions[0]!.textContent);
    await page.getByText('left alone for grind or sand until').waitFor();
    expect(await shown()).toBe('grind or sand');
    await chosen.selectOption({ label: 'full load' });
    await page.getByText('left alone for full load until').waitFor();
    expect(await shown()).toBe('full load');
    await chosen.selectOption({ label: 'grind or sand' });
    await page.getByText('left alone for grind or sand until').waitFor();
    // A recoat window of what is not coated is a press away.
    expect(await page.locator('[data-milestone="recoat-from"]').count()).toBe(0);
    await page.getByRole('button', { name: /times of the sheet that nobody here waits for/ }).click();
    await page.locator('[data-milestone="recoat-from"]').waitFor();
  });

  test('no press moves away under the hand while the page is still coming up', async () => {
    const page = await yard.page();
    // The first look is held back until the presses were there alone.
    let release = () => {};
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    await page.route(/\/_next\/static\/.*\.js/, async (route) => {
      const response = await route.fetch();
      if (/A first look/.test(await response.text()) && /first-answers/.test(await response.text())) await held;
      await route.fulfill({ response });
    });
    await page.goto(base());
    const press = page.getByRole('button', { name: 'New job' });
    await press.waitFor();
    const early = await press.boundingBox();
    expect(await page.getByTestId('first-answers').count()).toBe(0);
    release();
    await page.getByTestId('first-answers').waitFor();
    expect(await press.boundingBox()).toEqual(early);
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
        .getByLabel('Text or table, as it stands in the sheet')
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
    const table = page.getByLabel('Text or table, as it stands in the sheet');
    const take = page.getByRole('button', { name: 'Take these times' });
    await table.fill('stir well');
    await page.getByText('No temperatures with times beside them').waitFor();
    await table.fill('Temp °C\tPot life\tWorking time\n10\t60\t50\n20\t30\t25');
    await page.getByText('Two of them are said to be “Pot life or working time”.').waitFor();
    expect(await take.isDisabled()).toBe(true);
    await page.getByLabel('“Working time” is').selectOption('');
    await page.getByText('In what is “Pot life”: minutes, hours or days?').waitFor();
    await page.getByLabel('“Pot life” in').selectOption('min');
    await take.click();
    expect(await page.getByLabel('Pot life or working time: as on the sheet').inputValue()).toBe(
      '10 C: 60 min\n20 C: 30 min',
    );
  });

  test('the times of a page without a table: each line, the window as two times, the pot it is said of', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await page.getByRole('button', { name: 'Paste a whole table' }).click();
    await page
      .getByLabel('Text or table, as it stands in the sheet')
      .fill('Pot life (100 g) at 20 °C: ca. 30 min\nRecoat: 4 - 24 h\nFull cure after 7 days\nDensity 1.1 kg/l');
    expect(await page.getByLabel('“Recoat, from” is').inputValue()).toBe('recoat-from');
    expect(await page.getByLabel('“Recoat, until” is').inputValue()).toBe('recoat-until');
    await page.getByText('for a pot of 100 g').waitFor();
    await page.getByRole('button', { name: 'Take these times' }).click();
    const typed = (label: string) => page.getByLabel(`${label}: as on the sheet`).inputValue();
    expect(await typed('Recoat from')).toBe('20 C: 4 h');
    expect(await typed('Recoat until')).toBe('20 C: 24 h');
    expect(await typed('Full cure')).toBe('20 C: 7 days');
    await page.getByText('from when mixing begins, on the pot, for a pot of 100 g').waitFor();
  });

  test('a whole page of a sheet fills the form: what was typed stays, the safe of two times is a press', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    await page.getByLabel('Name', { exact: true }).fill('Two tin paste');
    await type(page, 'Base from', '12 °C');
    await page.getByRole('button', { name: 'Paste the text of the sheet' }).click();
    await page
      .getByLabel('Text or table, as it stands in the sheet')
      .fill(
        'Packaging: A 1 kg + B 0.5 kg\nMixing ratio 2:1 by weight\nPot life 45 min at 20 °C\nClamp time 6 h at 20 °C\n' +
          'Handling strength 8 h at 20 °C\nFull load 1 day at 20 °C\nBond line 0.2 to 1 mm\nApplication temperature 10 to 30 °C',
      );
    const take = page.getByRole('button', { name: 'Take these times and figures' });
    await page.getByText('Two of them are said to be “Release of clamps”.').waitFor();
    expect(await take.isDisabled()).toBe(true);
    await page.getByRole('button', { name: 'Take “Handling strength”, the longer' }).click();
    await page.getByText('typed there: 12 °C').waitFor();
    expect(await page.getByRole('checkbox', { name: /^Base from: 10 °C/ }).isChecked()).toBe(false);
    await page.getByRole('checkbox', { name: /^Gap or bond line to/ }).uncheck();
    await take.click();
    const typed = (label: string) => page.getByLabel(label, { exact: true }).first().inputValue();
    expect(await page.getByLabel('Release of clamps: as on the sheet').inputValue()).toBe('20 C: 8 h');
    for (const [label, text] of [
      ['Base from', '12 °C'],
      ['Base to', '30 °C'],
      ['Gap or bond line from', '0.2 mm'],
      ['Gap or bond line to', ''],
      ['Pack, as printed on it', 'A 1 kg + B 0.5 kg'],
    ] as const)
      expect([label, await typed(label)]).toEqual([label, text]);
    await page.getByRole('button', { name: /Put it on the shelf/ }).click();
    await page.waitForURL(/\/shelf\/(?!new)/);
    await page.getByText('2 : 1 by weight').waitFor();
  });

  test('a window typed as one time is parted with a press, and a pot told with its time goes to its field', async () => {
    const page = await yard.page();
    await page.goto(`${base()}/shelf/new`);
    const time = (label: string) => page.getByLabel(`${label}: as on the sheet`);
    await time('Grind or sand').fill('4 to 5 h at 20 C');
    await time('Pot life or working time').fill('30 min (150 g at 20 °C)');
    await time('Pot life or working time').press('Tab');
    await page.getByText('for a pot of 150 g').waitFor();
    const part = page.getByRole('button', { name: 'Part it: Grind or sand, Ground or sanded until' });
    expect(await part.count()).toBe(0);
    await time('Grind or sand').fill('2 to 6 h at 20 C');
    await part.click();
    expect(await time('Grind or sand').inputValue()).toBe('20 C: 2 h');
    expect(await time('Ground or sanded until').inputValue()).toBe('20 C: 6 h');
    expect(await part.count()).toBe(0);
    // A range typed whole into the first of two fields is that of both.
    await page.getByLabel('Base from').fill('5 to 30 °C');
    await page.getByLabel('Base from').press('Tab');
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[id="sheet-limits.baseMaxC"]')?.value === '30 °C',
    );
    expect(await page.getByLabel('Base from').inputValue()).toBe('5 °C');
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
    await page.getByLabel('Text or table, as it stands in the sheet').waitFor();
    await page.getByText(/ratio by weight is not a ratio by volume/).waitFor();
  });
});

/** Counts what a person does: a press, a choice, a field typed. */
function counted(page: Page) {
  let acts = 0;
  return {
    acts: () => acts,
    press: async (role: 'button' | 'link' | 'radio', name: string | RegExp) => {
      acts++;
      await page
        .getByRole(role, { name, exact: typeof name === 'string' })
        .first()
        .click();
    },
    type: async (label: string | RegExp, text: string) => {
      acts++;
      await type(page, label, text);
    },
    choose: async (label: string, option: string) => {
      acts++;
      await page.getByLabel(label).selectOption({ label: option });
    },
    /** Answers every question of the inspection as the method wants it. */
    inspect: async (methodId: string) => {
      const { questions } = methodOf(methodId)!;
      const rows = page.locator('section[aria-label="Sheet"] ol > li');
      await rows.nth(questions.length - 1).waitFor();
      for (const [i, q] of questions.entries()) {
        acts++;
        await rows.nth(i).getByRole('radio', { name: q.wants, exact: true }).click();
      }
    },
    stage: async (name: string) => {
      acts++;
      await stage(page, name);
    },
  };
}

const opens = async (page: Page) => {
  await stage(page, 'Release');
  return page.getByTestId('answer').textContent();
};

describe('an ordinary repair planned from nothing, its sheet included, counted in presses and fields', () => {
  test('four anchors, by one who has US customary units: at most 25', async () => {
    const page = await yard.page();
    await first(page);
    await page.keyboard.press('u');
    const hand = counted(page);
    await hand.press('radio', 'bolts in drilled holes');
    await hand.type('Hole diameter, actual bit', '9/16 in');
    await hand.type('Rod, nominal thread', '1/2-13');
    await hand.type('Air and base', '68F');
    await hand.press('button', 'Keep it as a job');
    await page.waitForURL(/\/inspect$/);
    await hand.inspect('anchor');
    await hand.stage('Material');
    await hand.press('link', /Type in the sheet/);
    await hand.type('Name', 'Grey anchor');
    await hand.choose('Kind', 'Anchor resin, cartridge or twin-bag with static mixer');
    await hand.type('Pack, as printed on it', '10 fl oz cartridge 10:1');
    await hand.type('Pot life or working time: as on the sheet', '7 min at 68 F');
    await hand.type('Full load: as on the sheet', '45 min at 68 F');
    await hand.press('button', /Put it on the shelf and choose it/);
    await page.waitForURL(/\/material$/);
    expect(hand.acts()).toBeLessThanOrEqual(25);
    await stage(page, 'Mix');
    await page.waitForFunction(() =>
      /1 pack/.test(document.querySelector('nav[aria-label=Stages]')?.textContent ?? ''),
    );
    expect(await opens(page)).toMatch(/\d{2}:\d{2}/);
    expect(await page.getByText('An example sheet').count()).toBe(0);
  });

  test('a mortar patch of a contractor, with the table of the sheet pasted: at most 30', async () => {
    const page = await yard.page();
    await first(page);
    const hand = counted(page);
    await hand.press('radio', 'spall in concrete');
    await hand.type('Length', '400 mm');
    await hand.type('Width', '250');
    await hand.type('Mean depth', '3 cm');
    await hand.type('Air and base', '12');
    await hand.press('button', 'Keep it as a job');
    await page.waitForURL(/\/inspect$/);
    await hand.inspect('mortar-patch');
    await hand.stage('Material');
    await hand.press('link', /Type in the sheet/);
    await hand.type('Name', 'Floor mortar');
    await hand.choose('Kind', 'Resin mortar or grout with aggregate, in kits');
    await hand.type('A to B, with its basis', '100:50 by weight');
    await hand.type('Parts of C by weight', '850');
    await hand.type('Pack, as printed on it', '20 kg kit');
    await hand.press('button', 'Paste a whole table');
    await hand.type(
      'Text or table, as it stands in the sheet',
      'Temp\tPot life\tNext layer\tGrind\tLoad\n10 °C\t60 min\t10 h\t24 h\t3 d\n20 °C\t30 min\t5 h\t12 h\t1 d',
    );
    await hand.press('button', 'Take these times');
    await hand.press('button', /Put it on the shelf and choose it/);
    await page.waitForURL(/\/material$/);
    expect(hand.acts()).toBeLessThanOrEqual(30);
    await stage(page, 'Mix');
    // A kit of which nobody said that it may be split is mixed whole, and parted with one press.
    await page.getByText('More is mixed than goes in').waitFor();
    await page.getByRole('button', { name: 'Split the kit by weighing' }).waitFor();
    expect(await opens(page)).toMatch(/\d{2}:\d{2}/);
  });
});
