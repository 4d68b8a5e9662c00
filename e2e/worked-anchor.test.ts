import { site } from './browser';
import { pressed, stage, type, whenItMayGo } from './hands';
import { begin, begun, chosen, newJob, said, says, typeSheet } from './worked';

const yard = site();
const { base } = yard;

/** Four bolts in wet holes, typed from an empty database with a sheet that tells of holes, worked and proved. */
test('anchors as the sheet has them: its hole, its cleaning, its wet holes, counted one by one and proved by a pull', async () => {
  const page = await begin(yard, '2027-05-10T04:00:00Z');
  await typeSheet(
    page,
    base(),
    'Bolt resin 10:1',
    'Anchor resin, cartridge or twin-bag with static mixer',
    [
      ['Pack, as printed on it', '300 mL 10:1'],
      ['A to B, with its basis', '10:1 by volume'],
      [
        'Rod, hole, depth and brush, one rod a line',
        'Rod  Hole  Depth  Brush\nM12  14  75-220  16\nM16  18  85-300  20',
      ],
      ['Cleaned by', '4 blow, 4 brush, 4 blow'],
    ],
    [
      ['Pot life or working time', '10 min at 20 C'],
      ['Full load', '60 min at 20 C'],
    ],
  );
  await says(page, /M12 in Ø 14/);
  expect(await said(page)).toMatch(/blow 4 times, brush 4 times, blow 4 times/);

  await newJob(page, base(), '20 °C', '60 %');
  await begun(page, /Anchor in a drilled hole/, 'anchor', 'concrete');
  await stage(page, 'Measure');
  await page
    .getByRole('button', { name: /Rod in a drilled hole/ })
    .first()
    .click();
  await chosen(page, '20 °C');
  await stage(page, 'Measure');
  // Nothing is told before the rod is: then the hole of the sheet is one press.
  expect(await page.getByTestId('hole-by-sheet').count()).toBe(0);
  await type(page, 'Rod, nominal thread', 'M12');
  await page.getByTestId('hole-by-sheet').filter({ hasText: 'M12 in a hole Ø 14' }).waitFor();
  await type(page, 'Hole diameter, actual bit', '18');
  await type(page, 'Hole depth to the shoulder', '110');
  await type(page, 'Embedment of the rod', '110');
  await type(page, 'Like voids', '4');
  await says(page, /Hole not as the sheet has it/);
  await page.getByRole('button', { name: 'Drill Ø 14' }).click();
  await page.getByText('Hole not as the sheet has it').waitFor({ state: 'detached' });
  expect(await page.getByLabel('Hole diameter, actual bit', { exact: true }).inputValue()).toMatch(/^14/);

  // Wet holes: the sheet is silent, and waiting twice as long is one press.
  await stage(page, 'Inspect');
  const dry = page.locator('li', { hasText: 'free of standing water' });
  await dry.getByRole('radio', { name: 'no', exact: true }).click();
  await says(page, /Water in the hole/);
  await page.getByRole('button', { name: 'Wait 2 times as long' }).click();
  await says(page, /waited 2 times as long/);
  await stage(page, 'Release');
  await page.getByRole('button', { name: 'A test by figures…' }).click();
  await page.getByRole('radio', { name: 'proof pull' }).click();
  await type(page, 'Moves at most (proof pull)', '0.5 mm');
  await type(page, 'Load (proof pull)', '12 kN');
  await type(page, 'Held for (proof pull)', '5 min');
  await type(page, 'Share tried (proof pull)', '10 %');
  await says(page, /3 more readings are asked/);

  await stage(page, 'Place');
  await says(page, /Clean 4 holes: blow 4 times, brush 4 times, blow 4 times/);
  expect(await said(page)).toMatch(/Round brush of 16/);

  // At the hole nobody loses count: each is ticked by itself, and is still ticked after the page was closed.
  await page.getByRole('link', { name: /running view/ }).click();
  await page.waitForURL(/run$/);
  const next = page.getByTestId('step');
  for (let n = 0; n < 6 && !((await next.count()) && /Clean 4 holes/.test((await next.textContent())!)); n++) {
    await whenItMayGo(page);
    await pressed(page);
  }
  await page.getByText('0 of 4 done').waitFor();
  for (const n of [1, 2]) {
    await page.getByRole('button', { name: `Place ${n} is done` }).click();
    await page.getByText(`${n} of 4 done`).waitFor();
  }
  await page.reload();
  await page.getByText('2 of 4 done').waitFor();
  await page.getByRole('button', { name: 'Place 3 is done' }).click();
  await page.getByRole('button', { name: 'Place 4 is done' }).click();
  await page.getByText('All of them are done.').waitFor();
});

test('a rod on a day too cold for its sheet: what opens it is asked there, put up from now on, and told wherever it is read', async () => {
  const page = await begin(yard, '2027-05-10T03:00:00Z');
  await typeSheet(
    page,
    base(),
    'One line resin',
    'Anchor resin, cartridge or twin-bag with static mixer',
    [
      ['of A', '300 mL'],
      ['of B', '30 mL'],
    ],
    [
      ['Pot life or working time', '20 C: 5 min'],
      ['Full load', '20 C: 1 h'],
    ],
  );
  await newJob(page, base(), '3 °C', '60 %');
  await begun(page, /Anchor in a drilled hole/, 'anchor');
  await stage(page, 'Measure');
  await page.getByRole('button', { name: /Rod in a drilled hole/ }).click();
  await type(page, 'Hole diameter, actual bit', '14 mm');
  await type(page, 'Hole depth to the shoulder', '110 mm');
  await type(page, 'Rod, nominal thread', 'M12');
  await type(page, 'Embedment of the rod', '110 mm');
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: / }).click();
  await stage(page, 'Place');
  await says(page, /as it is no hour can be planned/);
  await page.getByRole('button', { name: 'What would open a window?' }).click();
  const tent = page.getByTestId('openers').getByRole('listitem').filter({ hasText: 'Tent and heat by' });
  // The crew comes at six of Helsinki, which is now; half an hour later it may be up.
  await tent.getByText(/up and on by Mon 06:30/).waitFor({ timeout: 240_000 });
  await tent.getByRole('button', { name: 'Plan it so' }).click();
  await says(page, /all limits hold, ready Mon/);
  await says(page, /Planned under a tent or heater/);
  await says(page, /Have it up and on by then, leave it on until Mon/);
  await stage(page, 'Inspect');
  expect(await page.getByLabel('Up and on since (empty: it stands already)').inputValue()).toMatch(/06:30/);
});
