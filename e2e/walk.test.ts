import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { RepairDocument } from '@/core/record';
import { goTo, site } from './browser';
import {
  answer,
  choose,
  inspected,
  measuredAs,
  passInspection,
  runToTheEnd,
  stage,
  type,
  typeTime,
  unfold,
} from './hands';

const yard = site();
const { base } = yard;

/** A sheet typed in by hand, as a person with the maker's paper in hand would. */
async function typeSheet(
  page: Page,
  sheet: {
    name: string;
    kind: string;
    family: string;
    ratio: string;
    a: string;
    b: string;
    times: [kind: string, from: string, on: string, text: string][];
    kit: [a: string, b: string, c?: string];
    c?: [parts: string, bulk: string];
    mixer?: [string, string, string];
    split?: boolean;
  },
): Promise<void> {
  await goTo(page, base(), '/shelf/new');
  await page.getByLabel('Name', { exact: true }).fill(sheet.name);
  await page.getByLabel('Kind').selectOption({ label: sheet.kind });
  await unfold(page);
  await page.getByLabel('Family').selectOption({ label: sheet.family });
  await type(page, 'A to B, with its basis', sheet.ratio);
  await type(page, 'Density of A', sheet.a);
  await type(page, 'Density of B', sheet.b);
  if (sheet.c) {
    await type(page, 'Parts of C by weight', sheet.c[0]);
    await type(page, 'Tamped bulk density of C', sheet.c[1]);
  }
  for (const [kind, from, on, text] of sheet.times) await typeTime(page, kind, text, from, on);
  await type(page, 'of A', sheet.kit[0]);
  await type(page, 'of B', sheet.kit[1]);
  if (sheet.kit[2]) await type(page, 'of C', sheet.kit[2]);
  await choose(page, 'May be split', sheet.split ? 'yes' : 'no');
  if (sheet.mixer) {
    await type(page, 'Left in a mixer', sheet.mixer[0]);
    await type(page, 'First shots thrown away', sheet.mixer[1]);
    await type(page, 'Reach of the mixer', sheet.mixer[2]);
  }
  await page.getByRole('button', { name: /Put it on the shelf/ }).click();
  await page.waitForURL(/\/shelf\/(?!new)/);
  await page.getByRole('heading', { name: sheet.name, level: 1 }).waitFor();
}

async function newJob(page: Page): Promise<void> {
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await type(page, 'Name of the job', 'Lower landing');
  await type(page, 'Where', 'Ostrel Lake');
  await type(page, 'Air temperature', '68F');
  for (const day of ['Sat', 'Sun']) await page.getByRole('button', { name: day, exact: true }).click();
}

/** Tests, review where asked, signature; then the record and the stage say so. */
async function release(page: Page, reviewed: boolean): Promise<void> {
  await page.getByRole('link', { name: 'To tests and signature' }).click();
  await page.getByRole('heading', { name: 'Tested at the place' }).waitFor();
  const rows = page.locator('section[aria-label="Sheet"] ol > li');
  for (let i = 0; i < (await rows.count()); i++)
    await rows.nth(i).getByRole('radio', { name: 'yes', exact: true }).click();
  const sign = page.getByRole('button', { name: 'Sign and release' });
  if (reviewed) {
    expect(await sign.isDisabled()).toBe(true);
    await page.getByRole('button', { name: 'Sign the review' }).click();
    await page.getByText('Say in which role you sign.').waitFor();
    await page.getByLabel('In the role of').first().fill('site engineer');
    await page.getByRole('button', { name: 'Sign the review' }).click();
    await page.getByText(/Reviewed by/).waitFor();
  }
  await page.waitForFunction(() =>
    [...document.querySelectorAll('button')].some((b) => b.textContent?.includes('Sign and release') && !b.disabled),
  );
  await page.getByLabel('Handed over to').fill('ferry office');
  await sign.click();
  await page.getByText(/Released by/).waitFor();
  await report(page);
}

/** The record as a report, a PDF, data, a table and a tag. */
async function report(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'The record as a report' }).click();
  await page.getByTestId('compared').waitFor();
  await page.getByText('handed over to', { exact: true }).waitFor();
  const saved = async (name: string): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name, exact: true }).click(),
    ]);
    return readFileSync(await download.path(), 'latin1');
  };
  const pdf = await saved('PDF');
  expect([pdf.slice(0, 5), /\/Count ([2-9]|\d\d)/.test(pdf)]).toEqual(['%PDF-', true]);
  const data = RepairDocument.parse(JSON.parse(Buffer.from(await saved('JSON'), 'latin1').toString('utf8')));
  expect(data.real.length).toBe(data.planned.length);
  expect(data.chains.every((c) => c.whole && c.last.length === 64)).toBe(true);
  expect((await saved('CSV')).split('\r\n').length).toBe(data.entries.length + 1);
  await page.getByRole('link', { name: 'Tags' }).click();
  const code = page.locator('[data-code*="Released by"]');
  await code.waitFor();
  expect(await code.getAttribute('data-code')).toMatch(/http:.*\/release$/);
  await learned(page);
}

/** What the one record of this browser says of the crew: its minutes, task by task, each a mark of its own. */
async function learned(page: Page): Promise<void> {
  const back = page.url();
  await goTo(page, base(), '/learned');
  await page.getByText('From 1 repair.').waitFor();
  const rows = page.getByRole('region', { name: /^Where the time goes/ }).locator('[data-learned]');
  await rows.first().getByText('from 1', { exact: true }).waitFor();
  expect(await rows.count()).toBeGreaterThan(3);
  await page.goto(back);
}

const begin = async (): Promise<Page> => {
  const page = await yard.timed();
  await page.clock.install({ time: new Date('2026-05-05T05:00:00Z') });
  return page;
};

test('a mortar patch, from an empty database to its release', async () => {
  const page = await begin();
  await typeSheet(page, {
    name: 'Yard mortar',
    kind: 'Resin mortar or grout with aggregate, in kits',
    family: 'Resin and amine hardener',
    ratio: '100:40 by weight',
    a: '1.1 g/mL',
    b: '1 g/mL',
    c: ['650', '1.75 g/mL'],
    times: [
      [
        'Pot life or working time',
        'mixing begins',
        'the pot',
        '10 C: 40 to 48 min\n20 C: 22 to 28 min\n30 C: 12 to 15 min',
      ],
      ['Full load', 'it is placed', 'the base', '10 C: 27 to 33 h\n20 C: 690 to 830 min\n30 C: 320 to 390 min'],
      ['Grind or sand', 'it is placed', 'the base', '10 C: 780 to 960 min\n20 C: 330 to 400 min'],
    ],
    kit: ['633 g', '253.2 g', '4113.8 g'],
  });
  await newJob(page);
  await page.getByRole('button', { name: /Resin mortar patch/ }).click();
  await page.waitForURL(/inspect/);
  expect(await answer(page)).toMatch(/open/);
  await passInspection(page);
  expect(await answer(page)).toBe('may go on');
  await type(page, 'Cast on', '2001-04-01');
  await stage(page, 'Measure');
  await page.getByRole('button', { name: /Hollow or patch/ }).click();
  expect(await answer(page)).toBe('—');
  await type(page, 'Length', '300');
  await type(page, 'Width', '20 cm');
  await type(page, 'Mean depth', '20 mm');
  // 300 × 200 × 20 mm is 1.2 litres.
  expect(await answer(page)).toBe('1.20');
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Mix');
  expect(await page.getByText('1 × Kit 1').count()).toBeGreaterThan(0);
  await stage(page, 'Hold');
  expect(await page.getByTestId('habit').textContent()).toMatch(/later than needed/);
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  await page.getByTestId('go').waitFor();
  expect(await runToTheEnd(page)).toBeLessThan(80);
  await release(page, false);
  await page.goto(page.url().replace(/\/job\/([^/]+)\/.*/, '/job/$1/log'));
  await page.getByText('Released, handed over to ferry office').waitFor();
  expect(await page.locator('tr[data-event=step-done]').count()).toBeGreaterThan(8);
});

test('anchors, from an empty database to their release, in US units', async () => {
  const page = await begin();
  await typeSheet(page, {
    name: 'Yard anchor resin',
    kind: 'Anchor resin, cartridge or twin-bag with static mixer',
    family: 'Methacrylate',
    ratio: '10:1 by volume',
    a: '1.7 g/mL',
    b: '1.5 g/mL',
    times: [
      ['Pot life or working time', 'mixing begins', 'the base', '10 to 20 C: 7 min\n20 to 30 C: 4 min'],
      ['Full load', 'it is placed', 'the base', '10 to 20 C: 60 min\n20 to 30 C: 45 min'],
      ['Release of clamps', 'it is placed', 'the base', '10 to 20 C: 45 min\n20 to 30 C: 30 min'],
    ],
    kit: ['463.6 g', '40.9 g'],
    mixer: ['9 mL', '14 mL', '180 mm'],
  });
  await newJob(page);
  await page.getByRole('button', { name: /Anchor in a drilled hole/ }).click();
  await page.waitForURL(/inspect/);
  await passInspection(page);
  expect(await answer(page)).toBe('may go on');
  await goTo(page, base(), '/settings');
  await choose(page, 'Units', 'US customary');
  await page.goBack();
  await stage(page, 'Measure');
  await page.getByRole('button', { name: /Rod in a drilled hole/ }).click();
  await type(page, 'Hole diameter, actual bit', '9/16 in');
  await type(page, 'Hole depth to the shoulder', '4 1/2"');
  await type(page, 'Rod, nominal thread', '1/2');
  await type(page, 'Embedment of the rod', '4.5');
  await type(page, 'Pitch of the thread', '1/13 in');
  await type(page, 'Like voids', '2');
  // d2 = 12.7 − 0.6495·1.954 = 11.431; 2 · π/4 (14.2875² − 11.431²) · 114.3 mm³ = 13.20 mL = 0.446 US fl oz
  expect(await answer(page)).toBe('0.446');
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  await page.getByTestId('go').waitFor();
  await runToTheEnd(page);
  await release(page, true);
});

test('a bonded plate, from an empty database to its release; a torn seat stops it until it is overridden', async () => {
  const page = await begin();
  await typeSheet(page, {
    name: 'Yard paste',
    kind: 'Paste adhesive, mixed by hand',
    family: 'Resin and amine hardener',
    ratio: '2:1 by volume',
    a: '1.4 g/mL',
    b: '1.05 g/mL',
    times: [
      ['Pot life or working time', 'mixing begins', 'the pot', '45 to 60 min at 23 C'],
      ['Full load', 'the faces are closed', 'the base', '20 to 24 h at 23 C'],
      ['Release of clamps', 'the faces are closed', 'the base', '8 h at 23 C'],
    ],
    kit: ['420 g', '157.5 g'],
    split: true,
  });
  await newJob(page);
  await page.getByRole('button', { name: /Plate bonded to metal/ }).click();
  await page.waitForURL(/inspect/);
  await passInspection(page);
  await choose(page, /torn or cracked/, 'yes');
  expect(await answer(page)).toBe('must stop');
  await stage(page, 'Measure');
  await page.getByRole('button', { name: /Face to bond/ }).click();
  await type(page, 'Length', '200 mm');
  await type(page, 'Width', '100 mm');
  await type(page, 'Bond line thickness', '0.8');
  expect(await answer(page)).toBe('16.0');
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Mix');
  await choose(page, 'Part kits', 'split by weighing');
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  const go = page.getByTestId('go');
  await go.waitFor();
  expect(await go.isDisabled()).toBe(true);
  await page.getByRole('button', { name: /Go on all the same/ }).click();
  await page.getByRole('button', { name: /Keep this in the record/ }).click();
  await page.getByText(/Write the reason/).waitFor();
  await page.getByLabel('Reason').fill('tear welded and ground this morning');
  await page.getByLabel('Your role').fill('welding foreman');
  await page.getByRole('button', { name: /Keep this in the record/ }).click();
  await page.waitForFunction(() => !(document.querySelector('[data-testid=go]') as HTMLButtonElement).disabled);
  await runToTheEnd(page);
  await release(page, true);
  await page.goto(page.url().replace(/\/job\/([^/]+)\/.*/, '/job/$1/log'));
  await page.getByText(/tear welded and ground/).waitFor();
});

const LIQUID = {
  kind: 'Resin and hardener, liquid',
  family: 'Resin and amine hardener',
  ratio: '100:40 by weight',
  a: '1.12 g/mL',
  b: '1.02 g/mL',
  kit: ['1400 g', '560 g'] as [string, string],
  split: true,
};

test('joints poured full, from an empty database to their release', async () => {
  const page = await begin();
  await typeSheet(page, {
    ...LIQUID,
    name: 'Apron pouring resin',
    times: [
      ['Pot life or working time', 'mixing begins', 'the pot', '10 C: 50 min\n20 C: 25 min\n30 C: 12 min'],
      ['Foot traffic', 'it is placed', 'the base', '10 C: 24 h\n20 C: 10 h\n30 C: 5 h'],
      ['Grind or sand', 'it is placed', 'the base', '10 C: 16 h\n20 C: 7 h\n30 C: 4 h'],
    ],
  });
  await newJob(page);
  await page.getByRole('button', { name: /Crack in a slab, poured/ }).click();
  await page.waitForURL(/inspect/);
  await inspected(page, 'poured-crack');
  await type(page, 'Cast on', '2001-04-01');
  await stage(page, 'Measure');
  await measuredAs(page, /Joints between tiles/, ['2 m', '1 m', '500 mm', '500 mm', '8 mm', '20 mm']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  await page.getByTestId('go').waitFor();
  expect(await runToTheEnd(page)).toBeLessThan(80);
  await release(page, false);
});

test('barrier coats, from an empty database to their release', async () => {
  const page = await begin();
  await typeSheet(page, {
    ...LIQUID,
    name: 'Lake barrier',
    times: [
      ['Pot life or working time', 'mixing begins', 'the pot', '10 C: 70 min\n20 C: 35 min\n30 C: 18 min'],
      ['Recoat from', 'it is placed', 'the base', '10 C: 5 h\n20 C: 150 min\n30 C: 80 min'],
      ['Recoat until', 'it is placed', 'the base', '10 C: 48 h\n20 C: 24 h\n30 C: 12 h'],
      ['Water or chemicals', 'it is placed', 'the base', '10 C: 96 h\n20 C: 48 h\n30 C: 24 h'],
    ],
  });
  await newJob(page);
  await page.getByRole('button', { name: /Barrier or finish coats/ }).click();
  await page.waitForURL(/inspect/);
  await inspected(page, 'barrier-coat');
  await stage(page, 'Measure');
  await measuredAs(page, /Coat or skim/, ['600 mm', '400 mm', '0.12 mm']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  await page.getByTestId('go').waitFor();
  // Two days to the water, half an hour a look.
  expect(await runToTheEnd(page, 240)).toBeLessThan(240);
  await release(page, false);
});
