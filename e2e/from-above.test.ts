import { methodsData } from '@/sample/jobs';
import { site, withSample } from './browser';
import { type } from './hands';

const yard = site();
const { base } = yard;

/** A small picture that any browser opens: one pixel. */
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const picture = (name: string) => ({ name, mimeType: 'image/png', buffer: PIXEL });

const opened = async (path: string) => {
  const page = await yard.page();
  await withSample(page, base(), [methodsData]);
  await page.goto(base() + path);
  await page.locator('#main').waitFor();
  return page;
};

test('seen from above: spreads and units with their times, a border pulled by key and by hand, undone, made even', async () => {
  const page = await opened('/job/sample-floors/sample-slabs/place');
  const [bed, joints] = [page.getByTestId('ground').nth(0), page.getByTestId('ground').nth(1)];
  await joints.waitFor();
  // A bed is parted by its open time, nobody pulls at that.
  await bed.getByText('Bed: seen from above').waitFor();
  expect(await bed.getByRole('slider').count()).toBe(0);
  const pieces = () => joints.locator('ol li').filter({ hasText: ' m², ' }).allTextContents();
  // The movement joint of the slab under it stays open, and is drawn where it lies.
  await joints.locator('ol li').filter({ hasText: 'kept open at 1.82 m' }).waitFor({ state: 'attached' });
  expect(await joints.getByTestId('kept-open').count()).toBe(1);
  const even = await pieces();
  // A unit a pail, one after the other: three of them, none quite full.
  expect(even).toHaveLength(3);
  expect(even[0]).toMatch(/^1: 2\.4 m², \d\d:\d\d to \d\d:\d\d$/);
  await joints.getByText(/^3 washed \d\d:\d\d to \d\d:\d\d/).waitFor();

  const border = joints.getByRole('slider', { name: 'Border after 1' });
  await border.focus();
  await page.keyboard.press('ArrowLeft');
  await joints.locator('ol li').filter({ hasText: '1: 2.33' }).waitFor();
  expect((await pieces())[1]).toMatch(/^2: 2\.47 m²/);
  // No unit takes more than it holds: the border stops there, however far it is pulled.
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowLeft');
  const least = (await pieces()).map((text) => Number(/: ([\d.]+) m²/.exec(text)![1]));
  expect(least.reduce((sum, m2) => sum + m2)).toBeCloseTo(7.2, 1);
  expect(least[0]).toBeGreaterThan(1);
  expect(least[2]).toBeCloseTo(2.4, 2);
  expect(await page.getByText('The borders that were pulled no longer fit').count()).toBe(0);
  await joints.getByRole('button', { name: 'Make them even' }).click();
  await joints
    .locator('ol li')
    .filter({ hasText: even[0]!.split(',')[0]! })
    .waitFor();

  await border.scrollIntoViewIfNeeded();
  const at = (await border.boundingBox())!;
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await page.mouse.down();
  await page.mouse.move(at.x + at.width / 2 - 24, at.y + at.height / 2, { steps: 4 });
  await page.mouse.up();
  await joints.getByRole('button', { name: 'Make them even' }).waitFor();
  const pulled = await pieces();
  expect(Number(/: ([\d.]+) m²/.exec(pulled[0]!)![1])).toBeLessThan(2.4);
  await page.keyboard.press('Control+z');
  await joints
    .locator('ol li')
    .filter({ hasText: even[0]!.split(',')[0]! })
    .waitFor();
});

test('the way out turns the order round, and the plan is drawn for the one who stands there', async () => {
  const page = await opened('/job/sample-floors/sample-slabs/place');
  const bed = page.getByTestId('ground').first();
  const leftOf = (n: number) =>
    bed
      .locator('svg polygon')
      .nth(n)
      .evaluate((el) => el.getBoundingClientRect().left);
  expect(await leftOf(0)).toBeLessThan(await leftOf(2));
  await bed.getByRole('radio', { name: 'left end' }).click();
  await page.waitForFunction(() => {
    const [a, , c] = [...document.querySelectorAll('[data-testid=ground]')[0]!.querySelectorAll('svg polygon')];
    return a!.getBoundingClientRect().left > c!.getBoundingClientRect().left;
  });
  await page.reload();
  await bed.waitFor();
  expect(await leftOf(0)).toBeGreaterThan(await leftOf(2));
});

test('a notice with its dates, photographs from before and after laid on one another, closed from outside alone', async () => {
  const page = await opened('/job/sample-floors/sample-kerb/inspect');
  await page.getByText('No photograph from before').first().waitFor();
  await type(page, 'Accepted by', '2020-01-31');
  await page.getByRole('radio', { name: 'on', exact: true }).first().waitFor();
  await page.goto(`${base()}/job/sample-floors/sample-kerb/release`);
  await page.getByText('Not ready by the date of the notice').first().waitFor();
  await page.getByText('Notice OL-14: road inspector has not accepted it yet.').waitFor();

  const photos = page.getByTestId('photos');
  const take = async (shows: string, word: string) => {
    await photos.getByRole('button', { name: /Take a photograph/ }).click();
    const dialog = page.getByRole('dialog', { name: 'Photograph' });
    await dialog.getByLabel('Photograph').setInputFiles(picture(`${shows}.png`));
    await dialog.getByLabel('It shows').selectOption({ label: shows });
    await dialog.getByLabel('A word beside it').fill(word);
    await dialog.getByRole('button', { name: 'Into the record' }).click();
    await dialog.waitFor({ state: 'hidden' });
    await photos.getByText(`${shows}: ${word}`).waitFor();
  };
  await take('before anything is touched', 'rule beside it');
  expect(await photos.getByTestId('compared').count()).toBe(0);
  await take('when it is done', 'from the same place');
  const compared = photos.getByTestId('compared');
  const slider = compared.getByRole('slider');
  await slider.fill('80');
  expect(await compared.locator('div div').first().getAttribute('style')).toMatch(/inset\(0(px)? 0(px)? 0(px)? 80%\)/);
  await compared.getByRole('radio', { name: 'on', exact: true }).click();
  expect(await compared.locator('img').nth(1).getAttribute('style')).toMatch(/scaleX\(-1\)/);
  expect(await page.getByText('Notice OL-14: no photograph of it done.').count()).toBe(0);
  expect(await page.getByText('No photograph from before').count()).toBe(0);

  // What is no picture is told, and nothing is lost.
  await photos.getByRole('button', { name: /Take a photograph/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Photograph' });
  await dialog
    .getByLabel('Photograph')
    .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await dialog.getByText('“notes.png” is no picture this browser can open.').waitFor();
  expect(await dialog.getByRole('button', { name: 'Into the record' }).isDisabled()).toBe(true);
  await page.keyboard.press('Escape');

  await page.goto(`${base()}/job/sample-floors/report`);
  await page
    .getByText(/before anything is touched: rule beside it/)
    .first()
    .waitFor();
});
