import type { Page } from 'playwright-core';
import { METHODS, methodOf } from '@/core/method';
import { pieceOf, withPiece } from '@/core/plan';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { furtherSheets } from '@/sample/further-systems';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { goTo, site, withSample } from './browser';
import { answer, inspected, measuredAs, runToTheEnd, stage, takeJob, type } from './hands';

const yard = site();
const { base } = yard;

async function newRepair(page: Page, methodId: string): Promise<void> {
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  await type(page, 'Air temperature', '16 °C');
  for (const day of ['Sat', 'Sun']) await page.getByRole('button', { name: day, exact: true }).click();
  await page.getByRole('button', { name: methodOf(methodId)!.label }).click();
  await page.waitForURL(/inspect/);
}

const begin = async (): Promise<Page> => {
  const page = await yard.timed();
  await page.clock.install({ time: new Date('2026-05-05T05:00:00Z') });
  await withSample(page, base(), [], true);
  await page.goto(base());
  return page;
};

test('methods are offered by what the thing is made of', async () => {
  const page = await begin();
  await page.getByRole('button', { name: 'New job' }).click();
  await page.waitForURL(/\/job\//);
  for (const material of ['laminate', 'stone', 'timber'] as const) {
    await page
      .getByRole('radiogroup', { name: 'It is made of' })
      .getByRole('radio', { name: material, exact: true })
      .click();
    for (const m of METHODS) {
      const offered = await page.getByRole('button', { name: m.label }).count();
      expect([material, m.id, offered > 0]).toEqual([material, m.id, m.bases.includes(material)]);
    }
  }
});

test('a dent in a door, typed and worked to its end with every default', async () => {
  const page = await begin();
  await newRepair(page, 'body-filler');
  await inspected(page, 'body-filler');
  await stage(page, 'Measure');
  await measuredAs(page, /Hollow or patch/, ['300 mm', '200 mm', '3 mm']);
  expect(await answer(page)).toBe('180');
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: Panel filler/ }).click();
  await stage(page, 'Mix');
  await page.getByText('left proud to bring back').waitFor();
  expect(await page.getByText('the skim').count()).toBeGreaterThan(0);
  await stage(page, 'Place');
  await page.getByText('Spread the skim').first().waitFor();
  // The scale of a gram is too coarse for a few grams of paste: a finer one is a press.
  await stage(page, 'Mix');
  const finer = page.getByRole('button', { name: /My scale shows/ });
  if (await finer.count()) await finer.first().click();
  await stage(page, 'Place');
  await page.getByRole('link', { name: /running view/ }).click();
  await page.getByTestId('go').waitFor();
  expect(await runToTheEnd(page)).toBeLessThan(60);
});

test.each([
  ['laminate-hole', /Drilled hole/, ['16 mm', '14 mm'], 'Sachet bonder', /Fill from the bottom|Fill layer 1/],
  ['rebuilt-part', /Tab, lug or piece/, ['34 mm', '18 mm', '3.2 mm'], 'Shroud rebuild', /\d+ beads/],
  ['crack-mesh', /Hollow or patch/, ['900 mm', '150 mm', '4 mm'], 'Fibre build paste', /Paste, mesh, paste/],
  ['skim-coat', /Coat or skim/, ['900 mm', '300 mm', '2 mm'], 'Stiff cement patch', /Coat it, edge to edge/],
  ['felt-wet-out', /Fabric or felt/, ['900 mm', '300 mm'], 'Barrier coat', /Wet the pad on the board/],
  [
    'resin-joints',
    /Joints between tiles/,
    ['2 m', '1 m', '300 mm', '300 mm', '5 mm', '9 mm'],
    'Clear pouring resin',
    /Fill the joints/,
  ],
  ['timber-soak', /Coat or skim/, ['300 mm', '300 mm'], 'Thin timber', /until it takes no more/],
] as const)('%s, typed with every default: amounts and steps', async (method, shape, values, system, step) => {
  const page = await begin();
  await newRepair(page, method);
  await inspected(page, method);
  await stage(page, 'Measure');
  await measuredAs(page, shape, values);
  await stage(page, 'Material');
  await page.getByRole('button', { name: new RegExp(`^Choose: ${system}`) }).click();
  await stage(page, 'Mix');
  expect(await answer(page)).toMatch(/\d/);
  await stage(page, 'Place');
  await page.getByText(step).first().waitFor();
  expect(await page.getByText('It cannot be planned').count()).toBe(0);
});

test('a warmer bath softens the moulding stick sooner: the figure of the method is read in its unit', async () => {
  const page = await begin();
  await newRepair(page, 'rebuilt-part');
  await inspected(page, 'rebuilt-part');
  await stage(page, 'Measure');
  await measuredAs(page, /Tab, lug or piece/, ['34 mm', '18 mm', '3.2 mm']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: Shroud rebuild/ }).click();
  await stage(page, 'Place');
  const told = page.getByText(/min in water of/).first();
  const before = await told.textContent();
  expect(before).toMatch(/in water of 68 °C/);
  await type(page, 'Hot water', '194 °F');
  await page
    .getByText(/in water of 90 °C/)
    .first()
    .waitFor();
  await type(page, 'Hot water', '55 °C');
  await page
    .getByText(/does not soften it: hotter water/)
    .first()
    .waitFor();
});

test('a fitting in a hull, a chain of four typed pass by pass: each with its window, one band over all', async () => {
  const page = await begin();
  await newRepair(page, 'fitting-tack');
  await inspected(page, 'fitting-tack');
  await stage(page, 'Measure');
  await measuredAs(page, /Face to bond/, ['180 mm', '180 mm', '2 mm']);
  await stage(page, 'Material');
  await page.getByRole('button', { name: /^Choose: Quick tack paste/ }).click();
  const passes = [
    [
      'fitting-build',
      'within the recoat window',
      /Fairing round a fitting/,
      ['200 mm', '120 mm', '50 mm', '70 mm'],
      'Fibre build paste',
    ],
    [
      'fairing-skin',
      'within the recoat window',
      /Fairing round a fitting/,
      ['240 mm', '150 mm', '12 mm', '110 mm'],
      'Light fairing filler',
    ],
    ['barrier-coat', 'after full set, abraded', /Coat or skim/, ['300 mm', '300 mm', '0.12 mm'], 'Barrier coat'],
  ] as const;
  for (const [method, gate, shape, values, system] of passes) {
    await stage(page, 'Measure');
    await page.getByRole('button', { name: 'then…' }).click();
    const next = page.getByRole('dialog', { name: 'What comes next' });
    await next.getByRole('button', { name: methodOf(method)!.label }).click();
    const name = new RegExp(`\\d ${methodOf(method)!.label}`);
    await page.getByRole('link', { name }).click();
    await page.getByRole('button', { name: 'this pass…' }).click();
    const about = page.getByRole('dialog');
    await about.getByRole('radio', { name: 'a void of its own' }).click();
    await about.getByRole('radio', { name: gate, exact: true }).click();
    await page.keyboard.press('Escape');
    await measuredAs(page, shape, values);
    await stage(page, 'Material');
    await page.getByRole('button', { name: new RegExp(`^Choose: ${system}`) }).click();
  }
  await stage(page, 'Place');
  // All four on one band, joined, with the windows between them.
  await page.locator('[data-ribbons="4"][data-windows="2"]').waitFor();
  await page.locator('[data-ribbons="4"]').hover();
  const told = (await page.locator('[data-ribbons="4"] title').textContent())!.split('\n');
  expect(told.filter((line) => /: liquid until /.test(line))).toHaveLength(4);
  expect(told.filter((line) => /: open from .+ to /.test(line))).toHaveLength(2);
  await page.getByText('Set out twice, inside and outside').first().waitFor();
  await page
    .getByText(/Coat 2 of 2/)
    .first()
    .waitFor();
  for (const heading of ['1 Fitting tacked into a hull', '4 Barrier or finish coats'])
    expect(await page.getByRole('heading', { name: heading }).count()).toBeGreaterThan(0);
  // What all passes answer together they answer from any of them: the day it is back is the same.
  const release = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Release/ });
  const whole = await release.textContent();
  await stage(page, 'Measure');
  await page.getByRole('link', { name: /2 Built up/ }).click();
  await page.getByLabel('Diameter at the foot', { exact: true }).first().waitFor();
  expect(await release.textContent()).toBe(whole);
});

test('a liquid that runs is thickened by oneself: the caution goes, each filler is weighed and fetched by its name', async () => {
  const page = await begin();
  const now = Date.parse('2026-05-05T05:00:00Z');
  const sheet = { ...furtherSheets.find((s) => s.id === 'sheet-pour-1')!, sample: false };
  const job = { ...freshJob(now), id: 'runny', name: 'Thickened', zone: 'Europe/Helsinki' };
  const fresh = freshRepair(job.id, 'plate-bond', 1, now);
  const plate = withPiece(fresh, {
    ...pieceOf(fresh),
    name: 'Guide plate',
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(methodOf('plate-bond')!.questions.map((q) => [q.id, q.wants])),
    void: voidOf({
      ...SHAPES.bondLine.blank(),
      outline: { kind: 'rectangle', length: measured(300), width: measured(200) },
      thickness: measured(0.5, 'gauge'),
    } as VoidShape),
  });
  await takeJob(page, base(), { job, repairs: [plate], sheets: [sheet] });
  await page.goto(`${base()}/job/${job.id}/${plate.id}/mix`);
  const caution = page.getByText('It runs, and this work needs a paste');
  await caution.waitFor();
  const neat = await answer(page);

  // As the caution says: fillers of one’s own, and how it shall stand.
  await page.getByText('fillers of your own').click();
  await page.getByRole('radiogroup', { name: 'Fillers' }).getByRole('radio', { name: 'filled' }).click();
  await page.getByRole('button', { name: 'Another filler' }).click();
  await page.getByLabel('Filler 2').selectOption({ label: 'fumed silica, thickening' });
  await type(page, 'share', '3');
  await caution.waitFor({ state: 'detached' });
  // As much mix as before, with less resin in it.
  expect(await answer(page)).toBe(neat);

  await goTo(page, base(), `/job/${job.id}/${plate.id}/bench?batch=1`);
  const told = await page.getByTestId('made-of').textContent();
  const [, fibre, silica] =
    /^C is ([\d.]+) g of short fibres and ([\d.]+) g of fumed silica, each weighed by itself\.$/.exec(told!)!;
  expect(Number(fibre) / Number(silica)).toBeCloseTo(3, 1);

  await goTo(page, base(), `/job/${job.id}/pick`);
  const row = (name: string) => page.getByRole('listitem').filter({ hasText: name });
  await row('short fibres').waitFor();
  const grams = async (name: string) => Number(/([\d.]+) g/.exec((await row(name).textContent())!)![1]);
  // A tenth more than is weighed, rounded up to the gram.
  for (const [name, weighed] of [
    ['short fibres', Number(fibre)],
    ['fumed silica', Number(silica)],
  ] as const) {
    expect(await grams(name)).toBeGreaterThanOrEqual(weighed * 1.09);
    expect(await grams(name)).toBeLessThan(weighed * 1.1 + 1.1);
  }
  expect(await page.getByText('blend of fillers').count()).toBe(0);
});
