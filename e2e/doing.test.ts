import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { pieceOf, withPiece } from '@/core/plan';
import { sampleData } from '@/sample/jobs';
import { site, turnTo, withSample } from './browser';
import { type FileLetGo, letGo } from './hands';

const yard = site();
const { base } = yard;

const sampled = async () => {
  const page = await yard.page();
  await withSample(page, base());
  return page;
};

/** A job in which forty rods are drilled before the mortar that sets longest. */
const longRodsFirst: typeof sampleData = (now, zone) => {
  const all = sampleData(now, zone);
  const ramp = all.bundles.find((b) => b.job.id === 'sample-ramp')!;
  const [nosing, eyes] = ramp.repairs.map((r) => ({ ...r, id: `${r.id}-2`, jobId: 'rods-first' }));
  const many = { ...pieceOf(eyes!).void!, count: 40 };
  const repairs = [
    { ...withPiece(eyes!, { ...pieceOf(eyes!), void: many }), order: 1 },
    { ...nosing!, order: 2 },
  ];
  return { ...all, bundles: [{ ...ramp, job: { ...ramp.job, id: 'rods-first' }, repairs, events: [], snapshots: [] }] };
};
const expectNames = (page: Page, names: readonly string[]) =>
  page.waitForFunction(
    (wanted) =>
      [...document.querySelectorAll('section[aria-label="Repairs"] li h2')].map((h) => h.textContent).join() === wanted,
    names.join(),
  );

/** Files let go over the page, as from a folder beside it. */
const drop = (page: Page, files: readonly FileLetGo[]) => letGo(page.locator('main'), ...files);

describe('for those who go on', () => {
  test('files dropped anywhere are taken in by what is in them; others are told where they belong', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-ramp`);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Job file' }).click(),
    ]);
    const text = readFileSync(await download.path(), 'utf8');
    await turnTo(page, base(), '/shelf');
    await drop(page, [{ name: 'holes.stl', text: 'solid' }]);
    await page.getByRole('alert').filter({ hasText: 'A scan is taken in at Measure' }).waitFor();
    await page.getByRole('button', { name: 'Well' }).click();
    await drop(page, [{ name: 'letter.json', text: '{"dear": "Sir"}' }]);
    await page.getByRole('alert').filter({ hasText: 'letter.json was not taken in.' }).waitFor();
    await drop(page, [
      {
        name: 'whatever it is called',
        text: text
          .replaceAll('sample-ramp', 'other-ramp')
          .replaceAll('sample-nosing', 'other-nosing')
          .replaceAll('sample-eyes', 'other-eyes'),
      },
    ]);
    await page.waitForURL(/\/job\/other-ramp$/);
  });

  test('what goes along is copied as a table, as it is read; so are the tables of any page, by typing', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-ramp/pick`);
    await page.getByRole('button', { name: 'Copy as table' }).click();
    await page.getByRole('status').filter({ hasText: 'copied' }).waitFor();
    const copied = () => page.evaluate(() => navigator.clipboard.readText());
    const picked = await copied();
    const [first] = picked.split('\n');
    expect(first!.split('\t').length).toBeGreaterThan(1);
    expect(picked).toContain('Ramp mortar');
    expect(picked).toMatch(/static mixers/);
    expect(picked).not.toContain('check contents');
    await turnTo(page, base(), '/job/sample-ramp/sample-nosing/hold');
    await page.getByRole('heading', { name: 'To be done meanwhile' }).waitFor();
    await page.keyboard.press('Control+k');
    await page.getByPlaceholder(/a job, a repair/).fill('spreadsheet');
    await page.keyboard.press('Enter');
    await page.waitForFunction(async () => /the sheet says/.test(await navigator.clipboard.readText()));
    expect(await copied()).toMatch(/Pot life or working time.*\t/);
  });

  test('something is set for several repairs at once, and one undo takes all of it back', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-ramp`);
    await page.getByText('Set something for several repairs').click();
    const fold = page.locator('details').filter({ hasText: 'Set something for several repairs' });
    const press = fold.getByRole('button', { name: /^Set it for/ });
    expect(await press.isDisabled()).toBe(true);
    const hands = fold.getByLabel('Pairs of hands');
    await hands.fill('20');
    await hands.blur();
    await fold.getByText('Whole people, 1 to 12.').waitFor();
    await hands.fill('3');
    await hands.blur();
    await press.click();
    await fold.getByText(/Set for \d repairs; undo takes all of it back/).waitFor();
    const handsOf = async (id: string) => {
      await turnTo(page, base(), `/job/sample-ramp/${id}/material`);
      const field = page.getByLabel('Pairs of hands placing');
      await field.waitFor();
      return field.inputValue();
    };
    expect([await handsOf('sample-nosing'), await handsOf('sample-eyes')]).toEqual(['3', '3']);
    await page.keyboard.press('Control+z');
    await page.waitForFunction(
      () =>
        ![...document.querySelectorAll('input')].some(
          (i) => i.value === '3' && /hands placing/.test(i.labels?.[0]?.textContent ?? ''),
        ),
    );
    const back = [await handsOf('sample-nosing'), await handsOf('sample-eyes')];
    expect(back).not.toContain('3');
  });

  test('one more like it, and a job like this: measured and chosen alike, inspected anew', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-ramp`);
    await page.getByRole('button', { name: 'Bay 3 nosing: one more like it' }).click();
    const copy = page
      .getByRole('listitem')
      .filter({ has: page.getByRole('heading', { name: 'Bay 3 nosing, another' }) });
    const first = page
      .getByRole('listitem')
      .filter({ has: page.getByRole('heading', { name: 'Bay 3 nosing', exact: true }) });
    const volume = /measure ([\d.]+ \w+)/;
    expect(volume.exec((await copy.textContent())!)![1]).toBe(volume.exec((await first.textContent())!)![1]);
    await page.keyboard.press('Control+Z');
    await copy.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'A job like this' }).click();
    await page.waitForURL((url) => /\/job\/[^/]+$/.test(url.pathname) && !url.pathname.endsWith('sample-ramp'));
    await page.getByRole('heading', { name: 'Bay 3 nosing' }).waitFor();
    await page.getByRole('link', { name: 'Bay 3 nosing' }).first().click();
    await page.waitForURL(/\/inspect$/);
    expect(await page.getByTestId('answer').textContent()).not.toBe('0');
  });

  test('what can be done is done by typing its name: a reading, a note, the units, a sheet', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-winch/sample-plate/hold`);
    await page.locator('#main').waitFor();
    const does = async (words: string) => {
      await page.keyboard.press('Control+K');
      const dialog = page.getByRole('dialog', { name: 'Go, or do' });
      await dialog.getByPlaceholder(/something to do/).fill(words);
      await dialog.getByRole('option').first().waitFor();
      await page.keyboard.press('Enter');
    };
    await does('read a val');
    await page.waitForURL(/\/run$/);
    await page
      .getByRole('dialog')
      .filter({ hasText: /reading|temperature/i })
      .waitFor();
    await page.keyboard.press('Escape');
    await does('take a photo');
    await page.getByLabel('What should be remembered').waitFor();
    await page.keyboard.press('Escape');
    await does('us customary');
    await page.waitForFunction(() => /°F/.test(document.body.textContent!));
    await does('type in a sheet');
    await page.waitForURL(/\/shelf\/new$/);
  });

  test('the drawing of a page is saved as SVG and as PNG that stand alone', async () => {
    const page = await sampled();
    await page.goto(`${base()}/job/sample-ramp/sample-nosing/measure`);
    await page.getByTestId('answer').waitFor();
    const saved = async (as: string) => {
      await page.keyboard.press('Control+K');
      const dialog = page.getByRole('dialog', { name: 'Go, or do' });
      await dialog.getByPlaceholder(/something to do/).fill(`drawing of this page as ${as}`);
      await dialog.getByRole('option').first().waitFor();
      const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('Enter')]);
      return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
    };
    const svg = await saved('SVG');
    expect(svg.name).toBe('sample-nosing-measure.svg');
    const text = svg.bytes.toString('utf8');
    // Nothing of it leans on the page: colours are colours, textures are in it.
    expect(text.match(/.{0,60}var\(--/)).toBeNull();
    expect(/<pattern[^>]*id="tx-concrete"/.test(text)).toBe(true);
    expect(text.includes('length 240 mm')).toBe(true);
    const png = await saved('PNG');
    expect([...png.bytes.subarray(1, 4)].map((c) => String.fromCharCode(c)).join('')).toBe('PNG');
    expect(png.bytes.readUInt32BE(16)).toBeGreaterThan(1500);
  });

  test('what nobody has named is named by its order', async () => {
    const page = await yard.page();
    await page.goto(base());
    await page.getByRole('button', { name: 'New job' }).click();
    await page.waitForURL(/\/job\//);
    await page
      .getByRole('button', { name: /Anchor in a drilled hole/ })
      .first()
      .click();
    await page.waitForURL(/\/inspect$/);
    await page.getByText('Repair 1', { exact: true }).first().waitFor();
    // For whoever hears the page, too: its heading, and the presses of the job.
    await page.getByRole('heading', { level: 1, name: 'Inspect: Repair 1' }).waitFor();
    await page.goto(page.url().replace(/\/[^/]+\/inspect$/, ''));
    await page.getByRole('button', { name: 'Repair 1: earlier' }).waitFor();
    await page.goto(`${page.url()}/pick`);
    await page.getByText('Not in this list, because not planned yet: Repair 1.').waitFor();
  });
});

test('the running view sends one to the place whose turn it is, and says when one is here again', async () => {
  const page = await sampled();
  await page.goto(`${base()}/job/sample-ramp/sample-eyes/run`);
  const first = page.getByTestId('elsewhere');
  const told = await first.textContent();
  expect(told).toMatch(/^Next at “Bay 3 nosing”, \w{3} \d\d:\d\dSaw the edges square and vertical/);
  expect(told).toMatch(/Here again \w{3} \d\d:\d\dGo there\s*$/);
  await first.getByRole('link', { name: 'Go there' }).click();
  await page.waitForURL(/sample-nosing\/run$/);
  await page.getByTestId('go').waitFor();
  expect(await first.count()).toBe(0);
});

test('the order that opens a job soonest is told with its gain, taken with one press and taken back', async () => {
  const page = await yard.page();
  await withSample(page, base(), [longRodsFirst]);
  await page.goto(`${base()}/job/rods-first`);
  const offer = page.getByTestId('order-offer');
  await offer.getByRole('button', { name: 'Which order opens it soonest?' }).click();
  const take = offer.getByRole('button', { name: 'Take this order' });
  await take.waitFor();
  expect(await offer.getByRole('status').textContent()).toMatch(
    /^In the order “Bay 3 nosing”, “Landing step eyes” all of it is open \w{3} \d\d:\d\d, \d+ h.* sooner\.$/,
  );
  const names = () => page.locator('section[aria-label="Repairs"] li h2').allTextContents();
  expect(await names()).toEqual(['Landing step eyes', 'Bay 3 nosing']);
  await take.click();
  await expectNames(page, ['Bay 3 nosing', 'Landing step eyes']);
  // Asked again, nothing is better.
  await offer.getByRole('button', { name: 'Which order opens it soonest?' }).click();
  await offer.getByText('This order opens it as soon as any other that was tried.').waitFor();
  await page.keyboard.press('Control+z');
  await expectNames(page, ['Landing step eyes', 'Bay 3 nosing']);
});
