import type { Page } from 'playwright-core';
import { PHONE, site, turnTo, withSample } from './browser';
import { type } from './hands';

const yard = site();
const { base } = yard;
const RAMP = '/job/sample-ramp';

async function sample(view: string, viewport?: typeof PHONE): Promise<Page> {
  const page = await yard.page(viewport);
  await withSample(page, base());
  await page.goto(base() + view);
  return page;
}
const begins = (page: Page) => page.getByLabel('Work may begin', { exact: true });
/** The way to the calendar of a field: it is told apart by what it describes. */
const calendarOf = (page: Page, label: string) =>
  page.locator(`button[aria-label="Choose on a calendar"][aria-description="${label}"]`);
const opened = async (page: Page, label: string) => {
  await calendarOf(page, label).click();
  const calendar = page.getByRole('dialog', { name: `${label}: choose a day` });
  await calendar.waitFor();
  return calendar;
};

test('a day is chosen on a calendar in the clock of the site, which is not that of the device', async () => {
  const page = await sample(RAMP);
  const zone = page.getByRole('combobox', { name: 'Time zone of the site' });
  await zone.fill('new york');
  await page.getByRole('option', { name: /^America\/New_York/ }).click();
  await page.getByText('Times are shown in this zone, not your own.').waitFor();
  await type(page, 'Work may begin', '2026-05-04 06:00');
  const calendar = await opened(page, 'Work may begin');
  await calendar.getByText('In the clock of the site, America/New_York.').waitFor();
  await calendar.getByRole('button', { name: /14 May 2026/ }).click();
  const hour = calendar.getByRole('spinbutton', { name: /^hour/ });
  await hour.click();
  await page.keyboard.type('0930');
  await calendar.getByRole('button', { name: 'Take it' }).click();
  await calendar.waitFor({ state: 'detached' });
  expect(await begins(page).inputValue()).toBe('Thu 14 May 2026 09:30');
  // Half past nine in New York is half past four in the afternoon in Helsinki, which is where the device is.
  await zone.fill('Europe/Helsinki');
  await zone.press('Enter');
  await page.waitForFunction(
    (said) => [...document.querySelectorAll('input')].some((i) => i.value === said),
    'Thu 14 May 2026 16:30',
  );
});

test('by keys alone: the calendar opens, moves by days and weeks, Escape leaves all as it was', async () => {
  const page = await sample(RAMP);
  await type(page, 'Work may begin', '2026-05-04 06:00');
  const button = calendarOf(page, 'Work may begin');
  await button.focus();
  await page.keyboard.press('Enter');
  await page.getByRole('dialog', { name: 'Work may begin: choose a day' }).waitFor();
  await page
    .getByRole('button', { name: /4 May 2026/ })
    .and(page.locator(':focus'))
    .waitFor();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  expect(await begins(page).inputValue()).toBe('Mon 4 May 2026 06:00');
  await button.and(page.locator(':focus')).waitFor();
  await page.keyboard.press('Enter');
  await page
    .getByRole('button', { name: /4 May 2026/ })
    .and(page.locator(':focus'))
    .waitFor();
  for (const key of ['ArrowDown', 'ArrowRight', 'Enter']) await page.keyboard.press(key);
  await page.getByRole('button', { name: 'Take it' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  expect(await begins(page).inputValue()).toBe('Tue 12 May 2026 06:00');
});

test('a week begins where the reader has it begin, on the calendar and in the working days', async () => {
  const page = await sample('/settings');
  const days = async () => {
    await turnTo(page, base(), RAMP);
    const working = await page.getByRole('group', { name: 'Working days' }).getByRole('button').allTextContents();
    const calendar = await opened(page, 'Work may begin');
    const columns = await calendar.locator('thead th').allTextContents();
    await page.keyboard.press('Escape');
    return { working: working[0], column: columns[0], all: new Set(columns).size };
  };
  expect(await days()).toEqual({ working: 'Mon', column: 'Mon', all: 7 });
  await turnTo(page, base(), '/settings');
  await page.getByRole('radiogroup', { name: 'Weeks begin on' }).getByRole('radio', { name: 'Sun' }).click();
  expect(await days()).toEqual({ working: 'Sun', column: 'Sun', all: 7 });
});

test('within a dialog the calendar can be reached, and a day that cannot be is told before it is taken', async () => {
  const page = await sample('/job/sample-winch/log');
  await page.getByRole('button', { name: 'correct…' }).first().click();
  const calendar = await opened(page, 'When it really was');
  await calendar.getByRole('button', { name: 'Next' }).first().click();
  await calendar.locator('.day-cell:not([data-outside-month])').last().click();
  await calendar.getByText('That is still to come.').waitFor();
  expect(await calendar.getByRole('button', { name: 'Take it' }).isDisabled()).toBe(true);
});

test('a zone is found by words of it; what is none stays as typed, with why, over a load', async () => {
  const page = await sample(RAMP, PHONE);
  const zone = page.getByRole('combobox', { name: 'Time zone of the site' });
  // As a hand does: tapped, what stands there is typed over.
  await zone.tap();
  await page.keyboard.type('euro');
  await page.getByText(/\d+ more: type on/).waitFor();
  await zone.fill('europe ber');
  expect(await page.getByRole('option').allTextContents()).toEqual([
    expect.stringMatching(/^Europe\/BerlinUTC\+[12]$/),
  ]);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await page.getByText('Times are shown in this zone, not your own.').waitFor();
  expect(await zone.inputValue()).toBe('Europe/Berlin');
  await page.getByRole('button', { name: 'Show the list' }).click();
  await page.getByRole('option', { name: /^Africa\/Accra/ }).waitFor();
  // While it is open all else is hidden from who listens; the hand finds the same press again.
  await page.locator('button[aria-label="Show the list"]').click();
  await page.getByRole('option', { name: /^Africa\/Accra/ }).waitFor({ state: 'detached' });
  await zone.fill('Atlantis');
  await begins(page).focus();
  await page.getByText('“Atlantis” is not a known time zone.').waitFor();
  expect(await zone.inputValue()).toBe('Atlantis');
  expect(await zone.getAttribute('aria-invalid')).toBe('true');
  await page.reload();
  await zone.waitFor();
  expect(await zone.inputValue()).toBe('Atlantis');
  await zone.fill('europe/helsinki');
  await begins(page).focus();
  await page.getByText('“Atlantis” is not a known time zone.').waitFor({ state: 'detached' });
  expect(await zone.inputValue()).toBe('Europe/Helsinki');
});

test('on a phone lying down the whole calendar can be reached, its hour and its press with it', async () => {
  const page = await sample(RAMP, { width: 844, height: 390 });
  const calendar = await opened(page, 'Work may begin');
  const frame = await calendar.evaluate((dialog) => {
    const { top, bottom, left, right } = dialog.parentElement!.getBoundingClientRect();
    return { top, bottom, left, right };
  });
  expect(frame.top).toBeGreaterThanOrEqual(0);
  expect(frame.bottom).toBeLessThanOrEqual(390);
  for (const part of [
    calendar.getByRole('button', { name: 'Take it' }),
    calendar.locator('.day-cell:not([data-outside-month])').last(),
  ]) {
    await part.scrollIntoViewIfNeeded();
    const box = (await part.boundingBox())!;
    // What stands outside of its paper is on nothing.
    expect([
      box.y >= frame.top - 1,
      box.y + box.height <= frame.bottom + 1,
      box.x + box.width <= frame.right + 1,
    ]).toEqual([true, true, true]);
  }
});

test('a form that lacks something says so under its field and leads there; what is typed outlives the page', async () => {
  const page = await yard.page();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-winch/sample-plate/run`);
  const open = () => page.getByRole('button', { name: 'Note', exact: true }).click();
  const note = page.getByLabel('What should be remembered');
  const take = page.getByRole('button', { name: 'Into the record' });
  await open();
  await take.click();
  await page.getByText('Write what should be remembered.').waitFor();
  expect(await note.evaluate((e) => e === document.activeElement)).toBe(true);
  const says = await note.getAttribute('aria-describedby');
  expect(await page.locator(`[id="${says}"]`).textContent()).toBe('Write what should be remembered.');
  // Blanks are no text, and nothing that is too long is cut.
  await note.fill('   ');
  await take.click();
  expect(await note.getAttribute('aria-invalid')).toBe('true');
  await note.fill('x'.repeat(2001));
  await page.getByText('Up to 2000 characters; these are 2001.').waitFor();
  await page.reload();
  await open();
  expect((await note.inputValue()).length).toBe(2001);
  await note.fill('  The left edge was wet. ');
  await take.click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await open();
  expect(await note.inputValue()).toBe('');
  await page.keyboard.press('Escape');
  await turnTo(page, base(), '/job/sample-winch/log');
  await page
    .locator('[data-event=note]')
    .getByText(/[^ ] The left edge was wet\.$/)
    .waitFor();
});
