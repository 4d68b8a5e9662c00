import { site } from './browser';
import { answer, stage, type } from './hands';
import { begin, begun, chosen, newJob, said, says, typeSheet } from './worked';

const yard = site();
const { base } = yard;

test('a joint that moves, out of a cartridge: three figures measure it, its movement is typed, and any hour serves', async () => {
  const page = await begin(yard, '2027-05-10T04:00:00Z');
  await typeSheet(
    page,
    base(),
    'Joint sealant 1:1',
    'Paste adhesive in twin cartridge',
    [
      ['Pack, as printed on it', '400 mL 1:1'],
      ['A to B, with its basis', '1:1 by volume'],
    ],
    [
      ['Pot life or working time', '20 min at 20 C'],
      ['Full load', '24 h at 20 C'],
    ],
  );
  await newJob(page, base(), '18 °C', '60 %');
  await begun(page, /Joint that moves, filled flexible/, 'flexible-joint', 'concrete');
  await stage(page, 'Measure');
  await page
    .getByRole('button', { name: /Joint, saw cut or crack of one width/ })
    .first()
    .click();
  await type(page, 'Length along it', '6 m');
  await type(page, 'Width', '20 mm');
  await type(page, 'Depth', '10 mm');
  // As wide below: to a point it would be half of that.
  await says(page, /1\.20L/);
  // A bay of 40 m opens it by 15 mm at −20 °C: figures of Grenko’s own forbid nothing, typed ones do.
  await type(page, 'Length that moves into the joint', '40 m');
  await chosen(page, '18 °C');
  await stage(page, 'Measure');
  await says(page, /Nobody typed “Movement it bears, to either side”/);
  expect(await page.getByLabel('Coldest it gets').inputValue()).toBe('-20 °C');
  await type(page, 'Coldest it gets', '-20');
  await type(page, 'Hottest it gets', '40');
  await type(page, 'Movement it bears, to either side', '50 %');
  await says(page, /opens by 15 mm at −20 °C/);
  await type(page, 'Length that moves into the joint', '5 m');
  await page.getByText('opens by', { exact: false }).waitFor({ state: 'detached' });

  await stage(page, 'Mix');
  expect(await answer(page)).toBe('1.39');
  const mixed = await said(page);
  expect(mixed).toMatch(/1 mixer · 4 packs/);
  // Nobody splits a cartridge, or stirs it.
  expect(mixed).not.toMatch(/Part kits|When mixing is over|Hardly anything to spare/);

  await stage(page, 'Place');
  await says(page, /what is pressed out can be worked for 23 min/);
  await page
    .getByText(/% of the week is good/)
    .first()
    .waitFor();
  const placed = await said(page);
  // 22.8 of 22.9 min.
  expect(placed).not.toMatch(/Worked stretch by stretch|pot dies|No start in this week is good/);
  expect(placed).toMatch(/A closed-cell rod a quarter wider than the joint/);
});
