import type { Page } from 'playwright-core';
import { site, turnTo, withSample } from './browser';
import { choose, type } from './hands';

const yard = site();
const { base } = yard;

const open = yard.page;
const minutes = (text: string) => {
  const h = Number(/(\d+) h/.exec(text)?.[1] ?? 0);
  return h * 60 + Number(/(\d+) min/.exec(text)?.[1] ?? 0);
};
/** The pot's life once it is no longer being recomputed. */
const potLife = async (page: Page) => {
  await page.waitForTimeout(300);
  await page.waitForFunction(
    () => document.querySelector('[aria-busy]')?.getAttribute('aria-busy') === 'false',
    undefined,
    {
      timeout: 240_000,
    },
  );
  return minutes((await page.getByTestId('pot-life').textContent())!);
};

test('the lab: a bigger pot dies sooner, a tray lasts, a variant is kept, the map fills and stays, and a lift goes back to the repair', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(`${base()}/lab?repair=sample-nosing`);
  await page.getByTestId('pot-life').waitFor({ timeout: 240_000 });
  await page
    .getByText(/^An estimate/)
    .first()
    .waitFor();
  const first = await potLife(page);
  await type(page, 'Mixed in one go', '5 kg');
  const big = await potLife(page);
  expect(big).toBeLessThan(first);
  await choose(page, 'It stands', 'spread in a tray');
  expect(await potLife(page)).toBeGreaterThan(big);
  await page.getByRole('button', { name: /^Keep this beside/ }).click();
  await page.getByText('Kept beside').waitFor();
  await page.getByText(/spread in a tray, mixed at/).waitFor();
  await type(page, 'Mixed at', '180');
  await page.getByText(/beyond any workshop/).waitFor();
  await type(page, 'Thickness', '12 mm');
  await potLife(page);
  await page.getByRole('button', { name: 'Lifts of 12 mm' }).click();
  await page
    .getByText(/Now: .*|Lifts of 12 mm\. /)
    .first()
    .waitFor();
  // The map fills; a second visit finds it.
  await page.getByText('kept for this revision of the sheet').waitFor({ timeout: 120_000 });
  await page.reload();
  await page.getByText('kept for this revision of the sheet').waitFor({ timeout: 240_000 });
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/mix');
  // 38 mm in lifts of 12: four.
  await page.getByRole('button', { name: 'Batch 4' }).waitFor();
  await turnTo(page, base(), '/lab?sheet=sheet-anchor-1');
  await page.getByText(/resin and amine hardener only/).waitFor();
});

test('when to begin: pulled along the week it says why a start fails, and the best is taken', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/place`);
  const strip = page.getByRole('slider', { name: 'Start of mixing' });
  await strip.waitFor();
  const box = (await strip.boundingBox())!;
  // Night: outside the hours.
  await page.mouse.move(box.x + box.width * 0.12, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.11, box.y + box.height / 2);
  await page
    .getByTestId('start-says')
    .getByText(/outside working hours/)
    .waitFor();
  await page.mouse.up();
  await page.getByRole('button', { name: 'Begin at the best' }).click();
  await page
    .getByTestId('start-says')
    .getByText(/all limits hold/)
    .waitFor();
  const before = await strip.getAttribute('aria-valuenow');
  await strip.focus();
  await page.keyboard.press('ArrowRight');
  await page.waitForFunction(
    (was) =>
      document.querySelector('[role=slider][aria-label="Start of mixing"]')?.getAttribute('aria-valuenow') !== was,
    before,
  );
});

test('weather hour by hour: a file asks what it does not say, a bad row is told, made-up weather is marked as such', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp`);
  await choose(page, 'Air', 'hour by hour');
  const file = page.getByLabel('File of hourly weather');
  const start = new Date();
  start.setUTCHours(0, 0, 0, 0);
  const line = (h: number, c: number) =>
    `${new Date(start.getTime() + (h - 96) * 3_600_000).toISOString().slice(0, 16).replace('T', ' ')};${String(c).replace('.', ',')};70`;
  const csv = (rows: string[]) => ({
    name: 'pier.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time;temp;rh\n${rows.join('\n')}\n`),
  });
  const week = Array.from({ length: 24 * 20 }, (_, h) => line(h, 12 + (h % 24 === 15 ? 4 : 0)));
  await file.setInputFiles(csv([line(0, 18), line(1, 180)]));
  await page.getByRole('radio', { name: '°C', exact: true }).click();
  await page.getByRole('radio', { name: 'UTC', exact: true }).click();
  await page.getByText(/Row 3: 180 °C is beyond any weather/).waitFor();
  await file.setInputFiles(csv(week));
  await page.getByRole('radio', { name: '°C', exact: true }).click();
  await page.getByRole('radio', { name: 'UTC', exact: true }).click();
  await page.getByText('480 hours taken in').waitFor();
  await page.getByText('pier.csv').first().waitFor();
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.getByText('not real weather').waitFor();
  await page.reload();
  await page.getByText('not real weather').waitFor();
});

test('the probe is held to the place and read when it has settled; the record keeps its source', async () => {
  const page = await yard.timed();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-winch/sample-plate/run`);
  await page.getByRole('button', { name: 'Read a value' }).click();
  const held: string[] = [];
  page.on('request', (r) => {
    if (r.url().includes('/api/probe')) held.push(r.url());
  });
  await page.getByRole('button', { name: 'Hold it to the place' }).click();
  await page.getByText('settling').waitFor();
  // The base drifts while one waits: hours go by on the page's clock, and the probe stays where it was put.
  for (let hour = 0; hour < 6; hour++) {
    await page.clock.fastForward(60 * 60_000);
    await page.waitForTimeout(200);
  }
  await page.getByText('settled', { exact: true }).waitFor({ timeout: 240_000 });
  expect(held).toHaveLength(1);
  await page.getByRole('button', { name: 'Take it over' }).click();
  await turnTo(page, base(), '/job/sample-winch/log');
  await page
    .getByText(/contact probe \(simulated\)/)
    .first()
    .waitFor();
});

test('a clear night takes the base below the air and the dew point stops the work; a tent through the night brings it back', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/inspect`);
  const answerOf = async (path: string) => {
    await turnTo(page, base(), `/job/sample-ramp/sample-nosing/${path}`);
    return (await page.getByTestId('start-says').textContent())!;
  };
  const plain = await answerOf('place');
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/inspect');
  await page.getByText('sun, sky, water and heaters').click();
  await choose(page, 'It sees of the sky', 'sky, no sun');
  await type(page, 'Clouds', '0 %');
  await type(page, 'Clouds', '140 %');
  await page.getByText('Clouds cover between 0 and 100 % of the sky.').waitFor();
  await page.keyboard.press('Escape');
  const cold = await answerOf('place');
  expect(cold).not.toBe(plain);
  await turnTo(page, base(), '/job/sample-ramp/sample-nosing/inspect');
  await choose(page, 'Tent, mat or heater', 'on every day');
  await type(page, 'Warmer by', '12 K');
  await page.getByLabel('Behind it').selectOption('water');
  await type(page, 'Water behind it', '45 C');
  await page.getByText('Water lies between −2 °C and 40 °C.').waitFor();
  const warm = await answerOf('place');
  expect(warm).not.toBe(cold);
});

test('packs from a cold store: how long in a room, quicker in a bath, and by when; a place too cold for it is refused', async () => {
  const page = await open();
  await withSample(page, base());
  await page.goto(`${base()}/job/sample-ramp/sample-nosing/material`);
  await page.getByText('bring the packs to temperature').click();
  const says = page.getByTestId('warm-packs');
  await says.getByText(/put it there by/).waitFor();
  const room = (await says.textContent())!;
  await page.getByLabel('It goes into').selectOption({ label: 'a water bath, packs closed' });
  await page.waitForFunction((was) => document.querySelector('[data-testid=warm-packs]')?.textContent !== was, room);
  const after = (text: string) => minutes(text.split('warmed through after')[1]!.split(':')[0]!);
  expect(after((await says.textContent())!)).toBeLessThan(after(room));
  await type(page, 'of', '12 C');
  await page.getByText(/never brings it to 18 °C/).waitFor();
});
