import { site } from './browser';
import { choose, measuredAs, stage, type } from './hands';
import { begin, begun, chosen, known, newJob, said, says, typeSheet } from './worked';

/** Jobs on a boat, typed from an empty database as a person types them: figures, units and reasons are on the screen. */
const yard = site();
const { base } = yard;

test('a depth sensor bonded inside the hull: one kneaded packet, a route walked in its working time, launched in the open hours', async () => {
  const page = await begin(yard, '2027-04-20T04:00:00Z');
  await typeSheet(
    page,
    base(),
    'Kneaded packet',
    'Pre-measured sachets',
    [
      ['A to B, with its basis', '100:50 by weight'],
      ['Density of A', '1.2'],
      ['Density of B', '1.2'],
      ['of A', '7.2 g'],
      ['of B', '3.6 g'],
      ['May be split', 'no'],
      ['Mixing time', '2 min'],
      ['Left in the pot and on tools', '1.35 mL'],
      ['Base from', '10 °C'],
      ['Gap or bond line from', '0.1 mm'],
      ['Gap or bond line to', '4 mm'],
    ],
    [
      ['Use-by of the pot', '10 C: 24 min\n20 C: 12 min', 'mixing begins', 'the pot'],
      ['Release of clamps', '10 C: 16 h\n20 C: 8 h', 'the faces are closed', 'the base'],
      ['Load', '10 C: 48 h\n20 C: 24 h', 'the faces are closed', 'the base'],
    ],
  );
  await newJob(page, base(), '13 °C', '55 %');
  await type(page, 'Wanted back in service', '21 Apr 18:00');
  await begun(page, /Small part bonded in place/, 'small-part', 'laminate');
  await known(page, [
    ['20 Apr 0:00', '8 °C'],
    ['20 Apr 10:00', '13 °C'],
    ['20 Apr 18:00', '10 °C'],
    ['21 Apr 6:00', '14 °C'],
    ['21 Apr 18:00', '10 °C'],
    ['22 Apr 6:00', '14 °C'],
  ]);
  await stage(page, 'Measure');
  await measuredAs(page, /Face to bond/, ['64 mm', '64 mm', '1.5 mm']);
  await choose(page, 'Outline', 'ellipse');
  await says(page, /4\.83/);
  await page.getByRole('button', { name: 'add a shape' }).click();
  await page
    .getByRole('button', { name: /Fillet in an angle/ })
    .first()
    .click();
  await type(page, 'Radius', '4 mm');
  const long = page.getByLabel('Length', { exact: true }).last();
  await long.fill('201 mm');
  await long.blur();
  await says(page, /5\.52/);
  await chosen(page, '17 °C');
  await stage(page, 'Mix');
  await choose(page, 'Reserve for doubt', 'none');
  await type(page, 'Pressed out all round', '0 %');
  await says(page, /1 × Kit 1; buy 1 × Kit 1/);
  await type(page, 'Way from mixing to the place', '6.5 min');
  // What is kneaded in its bag is not weighed: no scale, no vessel is asked for.
  expect(await page.getByLabel('Step of the scale at hand').count()).toBe(0);
  expect(await page.getByLabel(/^Largest vessel/).count()).toBe(0);
  await stage(page, 'Place');
  await says(page, /Base too cold to place on[\s\S]*8\.0 °C at Tue 08:22, the sheet asks for at least 10 °C/);
  await page.getByRole('button', { name: 'Begin at the best' }).click();
  await says(page, /Tue 10:10: all limits hold/);
  const place = await said(page);
  for (const words of ['One whole packet.', 'Knead it in its film', 'Carry it to the place', 'hold point'])
    expect(place).toContain(words);
  expect(place).not.toMatch(/7\.20 g|Base too cold|Little time/);
  await stage(page, 'Hold');
  await page.getByLabel('Wait for').selectOption({ label: 'full load' });
  // Kneaded by half past ten; launched in the open hours of Thursday, by no clock at night.
  await says(page, /Use-by of the pot[\s\S]*?Tue 10:24[\s\S]*?15 min/);
  await says(page, /left alone for full load untilThu 04:[34]\d/);
  await stage(page, 'Release');
  await says(page, /Thu 06:[0-3]\d/);
  await says(page, /short of the wanted reopening/);
  // A hatch that is half shut: the way takes ten minutes, and two are not left.
  await stage(page, 'Mix');
  await type(page, 'Way from mixing to the place', '10 min');
  await stage(page, 'Place');
  await says(page, /Little time to close the joint[\s\S]*1\.\d+ min are left of the working time/);
  await stage(page, 'Mix');
  await type(page, 'Way from mixing to the place', '14 min');
  await says(page, /This cannot be planned[\s\S]*the way to the place/);
});
