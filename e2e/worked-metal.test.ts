import { site } from './browser';
import { answer, choose, stage, type } from './hands';
import { begin, begun, chosen, known, newJob, said, says, typeSheet } from './worked';

const yard = site();
const { base } = yard;
jest.setTimeout(600_000);

test('a dent in a door: a skim and two builds in seven small mixes, more of them as the dose rises', async () => {
  const page = await begin(yard, '2027-04-19T05:00:00Z');
  await typeSheet(
    page,
    base(),
    'Soft filler',
    'Polyester or vinylester filler with paste peroxide',
    [
      ['Least hardener', '1 %'],
      ['Usual hardener', '2 %'],
      ['Most hardener', '3 %'],
      ['Per cent of what', 'of filler'],
      ['Density of A', '1.82'],
      ['Density of B', '1.15'],
      ['of A', '1.5 kg'],
      ['of B', '30 g'],
      ['May be split', 'yes'],
      ['Mixing time', '1.5 min'],
      ['Left in the pot and on tools', '4 mL'],
      ['Lift to', '4 mm'],
    ],
    [
      [
        'Use-by of the pot',
        '1 %, 10 C: 16 min\n1 %, 20 C: 8 min\n2 %, 10 C: 10 min\n2 %, 20 C: 5 min\n3 %, 10 C: 7 min\n3 %, 20 C: 3.5 min',
        'mixing begins',
        'the pot',
      ],
      ['Grind or sand', '10 C: 50 min\n20 C: 22 min', 'it is placed', 'the base'],
    ],
  );
  await newJob(page, base(), '14 °C', '62 %');
  await begun(page, /Dent filled with body filler/, 'body-filler', 'metal');
  await known(page, [['18 Apr 0:00', '12 °C']]);
  await stage(page, 'Measure');
  await page
    .getByRole('button', { name: /Hollow or patch/ })
    .first()
    .click();
  await choose(page, 'Outline from above', 'ellipse');
  await choose(page, 'Depth', 'mean and deepest');
  await type(page, 'Long diameter', '620 mm');
  await type(page, 'Short diameter', '430 mm');
  await type(page, 'Mean depth', '3.2 mm');
  await type(page, 'Deepest place', '8 mm');
  expect(await answer(page)).toBe('670');
  await chosen(page, '16 °C');
  await stage(page, 'Mix');
  await choose(page, 'Reserve for doubt', 'none');
  await says(page, /in 7 batches/);
  expect(await answer(page)).toBe('803');
  expect(await said(page)).toMatch(/105 mL/);
  await type(page, 'Dose', '3 %');
  await says(page, /in 12 batches/);
  await type(page, 'Dose', '4 %');
  await page
    .getByText(/1 to 3 %/)
    .first()
    .waitFor();
  await type(page, 'Dose', '2 %');
  await stage(page, 'Place');
  await says(page, /7 × sheets of film to mix on/);
  await stage(page, 'Hold');
  // On steel of 12 °C: 42 min, and not 30 by the tin.
  await says(page, /Grind or sand[\s\S]*?42 min/);
});

test('a gouge in a fairlead: one domed pass, its depth at the limit of the part, single figures as estimates', async () => {
  const page = await begin(yard, '2027-04-19T05:00:00Z');
  await typeSheet(
    page,
    base(),
    'Metal paste',
    'Polyester or vinylester filler with paste peroxide',
    [
      ['Least hardener', '1.5 %'],
      ['Usual hardener', '2.2 %'],
      ['Most hardener', '3 %'],
      ['Per cent of what', 'of filler'],
      ['Density of A', '2.05'],
      ['Density of B', '1.18'],
      ['of A', '200 g'],
      ['of B', '6 g'],
      ['May be split', 'yes'],
      ['Mixing time', '1 min'],
      ['Left in the pot and on tools', '1.5 mL'],
    ],
    [
      ['Use-by of the pot', '5 to 6 min at 20 C', 'mixing begins', 'the pot'],
      ['Grind or sand', '20 to 30 min at 20 C', 'it is placed', 'the base'],
    ],
  );
  await newJob(page, base(), '14 °C', '62 %');
  await begun(page, /Gouge filled with metal paste/, 'metal-filler', 'metal');
  await known(page, [['18 Apr 0:00', '11 °C']]);
  await stage(page, 'Measure');
  await page
    .getByRole('button', { name: /Crack, gouge or chased joint/ })
    .first()
    .click();
  const stations = [
    ['0', '5', '1.2'],
    ['35', '10', '3.8'],
    ['85', '8', '2.4'],
    ['110', '0', '0'],
  ];
  for (const [i, row] of stations.entries()) {
    if (i > 1) await page.getByRole('button', { name: 'add', exact: true }).first().click();
    for (const [k, column] of ['at', 'width', 'depth'].entries())
      await type(page, `Stations along the crack ${i + 1}: ${column}`, `${row[k]} mm`);
  }
  await says(page, /1\.13\s*mL/);
  await chosen(page, '18 °C');
  await stage(page, 'Place');
  await type(page, 'Deepest allowed for this part (0: no limit known)', '4 mm');
  await stage(page, 'Finish');
  await type(page, 'Dome over the face', '0.6 mm');
  await stage(page, 'Mix');
  await choose(page, 'Reserve for doubt', 'none');
  await says(page, /3\.12/);
  const mix = await said(page);
  for (const figure of [/6\.1\d? g|6\.2 g/, /0\.13\d? g|0\.14 g/, /0\.487 mL/]) expect(mix).toMatch(figure);
  // Or by the length of its strip, as the tube gives it.
  await choose(page, 'With what', 'paste hardener by strip');
  await type(page, 'Width of the strip', '5 mm');
  await says(page, /5\.8\d? mm/);
  // 3.8 ± 0.5 straddles the four millimetres that this part may have.
  await stage(page, 'Measure');
  await page
    .getByText(/4 mm|4\.0 mm/)
    .first()
    .waitFor();
  await stage(page, 'Hold');
  const hold = await said(page);
  expect(hold).toMatch(/Use-by of the pot[\s\S]*?5\.8 min/);
  expect(hold).toMatch(/Grind or sand[\s\S]*?1 h (1[89]|2[0-2]) min/);
});

test('seven sockets packed: one kit, each kneaded by itself, the mating tool freed before its gel', async () => {
  const page = await begin(yard, '2027-05-04T05:00:00Z');
  await typeSheet(
    page,
    base(),
    'Marine putty',
    'Two-part putty, kneaded by hand',
    [
      ['A to B, with its basis', '1:1 by weight'],
      ['Density of A', '1.9'],
      ['Density of B', '1.9'],
      ['of A', '1 kg'],
      ['of B', '1 kg'],
      ['May be split', 'yes'],
      ['Mixing time', '4 min'],
      ['Left in the pot and on tools', '0 mL'],
    ],
    [
      ['Use-by of the pot', '10 C: 38 min\n20 C: 22 min', 'mixing begins', 'the pot'],
      ['Gel', '10 C: 80 min\n20 C: 45 min', 'mixing begins', 'the pot'],
      ['Full load', '10 C: 24 h\n20 C: 10 h', 'it is placed', 'the base'],
    ],
  );
  await newJob(page, base(), '12 °C', '60 %');
  await begun(page, /Cavities packed with putty/, 'cavity-packing', 'metal');
  await known(page, [['3 May 0:00', '12 °C']]);
  await stage(page, 'Measure');
  await page
    .getByRole('button', { name: /Cavities to pack/ })
    .first()
    .click();
  for (const [column, text] of [
    ['name', 'socket'],
    ['length, ⌀', '54 mm'],
    ['depth', '70 mm'],
  ] as const)
    await type(page, `Cavities 1: ${column}`, text);
  await page.getByLabel('Cavities 1: form').selectOption({ label: 'round' });
  await page.getByRole('button', { name: 'add', exact: true }).nth(1).click();
  for (const [column, text] of [
    ['name', 'plug'],
    ['length, ⌀', '20 mm'],
    ['depth', '70 mm'],
  ] as const)
    await type(page, `Must stay clear in them 1: ${column}`, text);
  await page.getByLabel('Must stay clear in them 1: form').selectOption({ label: 'round' });
  await says(page, /138/);
  await type(page, 'Like voids', '7');
  await chosen(page, '16 °C');
  await stage(page, 'Mix');
  await choose(page, 'Reserve for doubt', 'none');
  await says(page, /in 7 batches/);
  const mix = await said(page);
  // 138.3 mL and 3 % on the gloves: 270.7 g a socket, seven of them out of one kit.
  expect(mix).toMatch(/135 g/);
  expect(mix).toMatch(/1 × Kit 1/);
  await stage(page, 'Hold');
  // Two from one knead would take 26 of 27.3 min: one at a time.
  await says(page, /Use-by of the pot[\s\S]*?27 min/);
  await says(page, /Gel[\s\S]*?56 min/);
});
