import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from 'playwright-core';
import { methodOf } from '@/core/method';
import { pieceOf, repairOf, withPiece } from '@/core/plan';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { drawnShape, ZONE } from '@/walks/made';
import { typed } from '@/walks/papers';
import { job, piece, sheet } from '@/walks/plates';
import { site } from './browser';
import { takeJob } from './hands';

const yard = site();
const { base } = yard;
const NOW = Date.parse('2027-05-10T03:00:00Z');

const list = (page: Page) => page.getByLabel('List, as it stands in the spreadsheet');
const names = (page: Page) =>
  page.getByRole('region', { name: 'Repairs' }).getByRole('listitem').getByRole('heading', { level: 2 });
const comes = (page: Page) => page.getByRole('list', { name: 'What comes of it' }).getByRole('listitem');

/** One spall that is measured, answered and has its system: what the others are to be like. */
function spall() {
  const method = methodOf('mortar-patch')!;
  const sheet = {
    ...typed(
      ['mortar-kit', '2:1 by weight', '2 kg, 1 kg, 12 kg', 'use-by 40 min, foot 12 h, load 24 h', { cByWeight: '8' }],
      NOW,
    ),
    name: 'Kit mortar',
  };
  const job = { ...freshJob(NOW), id: 'quay', name: 'Quay', zone: ZONE, startFrom: NOW };
  const fresh = freshRepair(job.id, method.id, 1, NOW);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: voidOf(drawnShape(method, { 'outline.length': 400, 'outline.width': 300, 'depth.mean': 30 })),
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    crew: 2,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  return { job, repairs: [{ ...repair, id: 'first', name: 'Spall by the stair' }], sheets: [sheet] };
}

test('a size in one cell, as surveyors list it, is taken apart, and what it leaves open is asked', async () => {
  const page = await yard.page();
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByText('Many at once, out of a spreadsheet').click();
  await list(page).fill(
    'No\tLocation\tDefect\tSize\n1\tStair\tspall\t900 x 640 x 62\n2\tGate\tanchor\tM16 x 130 mm\n3\tBay 2\tspall\t300',
  );
  await page.getByLabel('“Size” in').selectOption('mm');
  await comes(page).filter({ hasText: 'Which sizes are “300”?' }).waitFor();
  await comes(page).filter({ hasText: 'length 900 mm, width 640 mm, depth 62 mm' }).waitFor();
});

test('a schedule of damage is pasted, asked what it leaves open, taken as repairs, and taken back with one press', async () => {
  const page = await yard.page();
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.getByText('No repair yet').waitFor();
  await page.getByText('Many at once, out of a spreadsheet').click();

  // What is no list says so at its field, and keeps what was typed.
  await list(page).fill('twelve anchors at the gate');
  await page.getByRole('alert').filter({ hasText: 'not divided into columns' }).waitFor();
  expect(await list(page).getAttribute('aria-invalid')).toBe('true');

  await list(page).fill(
    [
      'No\tLocation\tDefect\tQty\tLength (m)\tWidth (mm)\tDepth (mm)\tRod\tDia\tRemarks',
      '1\tBay 2\tcrack\t\t4.2\t3\t48\t\t\tstill',
      '2\tBay 3\tspall\t3\t0.9\t640\t62\t\t\t',
      '3\tStair\tanchors\t12\t\t\t130\tM16\t18\tguide rope',
      '4\tGate\twobble\t\t0.3\t200\tshallow\t\t\t',
    ].join('\n'),
  );
  expect(await comes(page).count()).toBe(4);
  // Nothing is guessed: a figure without a unit, and a word that is no damage.
  expect(await comes(page).nth(2).textContent()).toContain('In what unit is 18?');
  expect(await comes(page).nth(3).textContent()).toContain('Say how “wobble” is repaired.');
  // All of it has names, and is read in its order.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ runOnly: ['wcag2a', 'wcag2aa', 'wcag22aa'], resultTypes: ['violations'] })
    .analyze();
  expect(violations.map((v) => [v.id, v.nodes.length])).toEqual([]);
  const take = page.getByRole('button', { name: /^Take/ });
  expect(await take.textContent()).toBe('Take 2 of 4');
  await page.getByLabel('“Dia” in').selectOption('mm');
  await page.getByLabel('“wobble” is repaired as').selectOption({ label: 'Dent filled with body filler' });
  expect(await comes(page).nth(2).textContent()).toMatch(/12 of them.*diameter 18 mm, rod M16/s);
  expect(await comes(page).nth(3).textContent()).toContain('“shallow” is not understood');
  await take.click();

  await page.getByText('Taken: 3 repairs').waitFor();
  expect(await names(page).allTextContents()).toEqual(['crack 1', 'spall 2', 'anchors 3']);
  // The line with the fault is still there, to be put right.
  expect(await list(page).inputValue()).toMatch(/^No\tLocation.*\n4\tGate\twobble/s);
  // 107 L: three of 900 × 640 × 62.
  await page.getByText('measure 107 L').waitFor();

  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Out of here' }).click();
  await page.keyboard.press('Control+z');
  await page.getByText('No repair yet').waitFor();
  expect(await names(page).count()).toBe(0);
  await page.keyboard.press('Control+Shift+z');
  await names(page).nth(2).waitFor();

  // Kept: they are there again after the page was left.
  await page.reload();
  await names(page).nth(2).waitFor();
  expect(await names(page).allTextContents()).toEqual(['crack 1', 'spall 2', 'anchors 3']);
});

test('others are set as one is, all at once; the list that goes out comes in again as it was', async () => {
  const page = await yard.page();
  await takeJob(page, base(), spall());
  await page.goto(`${base()}/job/quay`);
  await page.getByText('Many at once, out of a spreadsheet').click();
  await list(page).fill('Name;Length (mm);Width (mm);Depth (mm)\nNorth;500;400;40\nSouth;600;300;"25,5"');
  await page.getByLabel('It is repaired as').selectOption({ label: 'Resin mortar patch' });
  await page.getByRole('button', { name: 'Take all 2' }).click();
  await page.getByText('Taken: 2 repairs').waitFor();

  const south = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'South' }) });
  expect(await south.textContent()).toMatch(/measure 4\.59 L.*release waits/s);
  await page.getByText('Set something for several repairs').click();
  await page.getByLabel('All that is chosen, as at').selectOption({ label: 'Spall by the stair' });
  await page.getByLabel('Looked at, and found as at').selectOption({ label: 'Spall by the stair' });
  await page.getByRole('button', { name: 'Set it for 2' }).click();
  await page.getByText('Set for 2 repairs').waitFor();
  // Taken one by one after all, they are reckoned as one by whole plans.
  await page.getByRole('button', { name: 'What if like ones were one repair?' }).click();
  const offer = page.getByTestId('like-offer');
  await offer.getByText('as one repair of 3 places').waitFor({ timeout: 30_000 });
  expect(await offer.textContent()).toMatch(/: 3 mixes, 3 kits.*Each by itself: 3 mixes, 4 kits/);
  // With its system, its answers and its hands there is a plan; its sizes are its own.
  await south.filter({ hasText: /mix \d+ batch/ }).waitFor();
  expect(await south.textContent()).toMatch(/measure 4\.59 L/);
  expect(await south.textContent()).not.toMatch(/waits|to inspect/);

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'List as CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^Quay.*\.csv$/i);
  const text = readFileSync(await download.path(), 'utf8');
  expect(text.split('\r\n')).toEqual([
    'Name,Where,Repair,Made of,How many,Length (mm),Width (mm),Depth (mm),Holds (L)',
    'Spall by the stair,,Resin mortar patch,concrete,1,400,300,30,3.6',
    'North,,Resin mortar patch,concrete,1,500,400,40,8',
    'South,,Resin mortar patch,concrete,1,600,300,25.5,4.59',
  ]);
  await page
    .getByLabel('List: CSV file')
    .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Take all 3' }).click();
  await page.getByText('Taken: 3 repairs').waitFor();
  expect(await names(page).allTextContents()).toEqual([
    'Spall by the stair',
    'North',
    'South',
    'Spall by the stair',
    'North',
    'South',
  ]);
  expect(await page.getByText('measure 4.59 L').count()).toBe(2);
});

test('like damages become one repair whose places keep their names, and each mix says which it is for', async () => {
  const page = await yard.page();
  await takeJob(page, base(), spall());
  await page.goto(`${base()}/job/quay`);
  await page.getByText('Many at once, out of a spreadsheet').click();
  await list(page).fill(
    'Ref;What;Length (mm);Width (mm);Depth (mm)\nN1;spall;500;400;40\nN2;spall;300;200;25\nN3;spall;450;350;35',
  );
  await page.getByRole('radio', { name: 'all like ones as one' }).check({ force: true });
  await page.getByRole('button', { name: 'Take all 3' }).click();
  await page.getByText('Taken: 1 repair.').waitFor();
  expect(await names(page).allTextContents()).toEqual(['Spall by the stair', 'spall']);
  await page.getByText('Set something for several repairs').click();
  await page.getByLabel('All that is chosen, as at').selectOption({ label: 'Spall by the stair' });
  await page.getByRole('button', { name: 'Set it for 1' }).click();
  await page.getByText('Set for 1 repair').waitFor();
  await names(page).nth(1).getByRole('link').click();
  await page.waitForURL(/\/inspect$/);

  const stage = (name: string) => page.goto(page.url().replace(/[a-z]+$/, name));
  await stage('mix');
  await page.getByText(/the fill: N1/).waitFor();
  await stage('measure');
  // The first place is in the first mix, however many mixes a prepared table of its heat allows.
  await page.getByRole('button', { name: 'N1', exact: true }).click();
  await page.getByLabel('This place is called').fill('Under the ladder');
  await page.getByLabel('This place is called').blur();
  await page.getByRole('button', { name: 'Under the ladder' }).waitFor();
  await stage('mix');
  await page.getByText(/the fill: Under the ladder/).waitFor();

  // As one void they add up to, nobody asks which of them a mix is for; undone they are places again.
  await stage('measure');
  const apart = page.getByRole('radiogroup', { name: /Each is a place of its own/ });
  await apart.getByRole('radio', { name: 'off' }).check({ force: true });
  await page.getByLabel('This place is called').waitFor({ state: 'hidden' });
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Under the ladder' }).waitFor();
});

test('plates of unlike size become one repair: each is closed by itself, under its name, out of the pot it goes into', async () => {
  const page = await yard.page();
  const first = { ...repairOf(piece({}, 1)), id: 'first', name: 'First plate' };
  await takeJob(page, base(), { job, repairs: [first], sheets: [sheet] });
  await page.goto(`${base()}/job/${job.id}`);
  await page.getByText('Many at once, out of a spreadsheet').click();
  await list(page).fill(
    'Ref;What;Length (mm);Width (mm);Thickness (mm)\nleft;plate;180;120;0,5\nright;plate;240;150;0,5\nrear;plate;320;160;0,5',
  );
  await page.getByRole('radio', { name: 'all like ones as one' }).check({ force: true });
  await page.getByRole('button', { name: 'Take all 3' }).click();
  await page.getByText('Taken: 1 repair.').waitFor();
  await page.getByText('Set something for several repairs').click();
  await page.getByLabel('All that is chosen, as at').selectOption({ label: 'First plate' });
  await page.getByRole('button', { name: 'Set it for 1' }).click();
  await page.getByText('Set for 1 repair').waitFor();

  await page.getByRole('link', { name: 'plate', exact: true }).first().click();
  const at = (stage: string) => page.getByRole('link', { name: new RegExp(`^${stage}`) }).first();
  await at('Place').click();
  const closes = page.getByText(/^\d+\. Close part/);
  await closes.nth(2).waitFor();
  expect((await closes.allTextContents()).map((text) => text.split(': ').at(-1))).toEqual([
    expect.stringMatching(/^left/),
    expect.stringMatching(/^right/),
    expect.stringMatching(/^rear/),
  ]);
  // 13.5, 22.5 and 32 mL with their squeeze-out take two mixes of such a paste: which is for which is said.
  await at('Mix').click();
  await page
    .getByText(/parts 1 to 2: left and right/)
    .first()
    .waitFor();
  // Added up to one they are one face again, closed once.
  await at('Measure').click();
  await page
    .getByRole('radiogroup', { name: /Each is a place of its own/ })
    .getByRole('radio', { name: 'off' })
    .click();
  await at('Place').click();
  await page.getByText(/^\d+\. Close the joint/).waitFor();
  expect(await closes.count()).toBe(0);
});
