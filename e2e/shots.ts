import { mkdirSync } from 'node:fs';
import { finishedData, methodsData } from '@/sample/jobs';
import { DESKTOP, fresh, launch, PHONE, withSample } from './browser';

/**
 * Takes the kept pictures of every main view, from the sample, into docs/screenshots (or the folder named). `npm run
 * shots -- ADDRESS [FOLDER] [NAME…]`
 */
const [base = 'http://127.0.0.1:3000', folder = 'docs/screenshots', ...only] = process.argv.slice(2);

const RAMP = '/job/sample-ramp/sample-nosing';
const PLATE = '/job/sample-winch/sample-plate';
const SHOTS: readonly (readonly [name: string, path: string, phone?: boolean])[] = [
  ['yard', '/'],
  ['measure', `${RAMP}/measure`],
  ['material', `${RAMP}/material`],
  ['mix', `${PLATE}/mix`],
  ['bench', `${PLATE}/bench`],
  ['place', '/job/sample-floors/sample-slabs/place'],
  ['hold', `${RAMP}/hold`],
  ['release', `${PLATE}/release`],
  ['run', `${PLATE}/run`],
  ['run-phone', `${PLATE}/run`, true],
  ['log', '/job/sample-edges/log'],
  ['finish', '/job/sample-floors/sample-chip/finish'],
  ['report', '/job/sample-edges/report'],
  ['learned', '/learned'],
  ['shelf', '/shelf'],
  ['typing', '/shelf/new?like=sheet-paste-1'],
  ['chain', '/job/sample-boat/sample-fitting/measure?pass=p2'],
  ['lab', '/lab?sheet=sheet-paste-1'],
];

mkdirSync(folder, { recursive: true });
const browser = await launch();
for (const phone of [false, true]) {
  const context = await fresh(browser, phone ? PHONE : DESKTOP);
  const page = await context.newPage();
  // A Wednesday forenoon: the sample begins around now, and nobody is shown at work in the night.
  await page.clock.install({ time: new Date('2027-05-12T07:20:00Z') });
  page.on('pageerror', (error) => console.error('page error:', error.message));
  // What an empty yard opens on, before anything is in it.
  if (!phone && (!only.length || only.includes('first'))) {
    await page.goto(base);
    await page.getByTestId('first-answers').waitFor();
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `${folder}/first.png` });
    console.log('first');
  }
  await withSample(page, base, [methodsData, finishedData]);
  // Pots and lifts are prepared once, in the background.
  await page.waitForTimeout(6000);
  for (const [name, path, onPhone = false] of SHOTS) {
    if (onPhone !== phone || (only.length && !only.includes(name))) continue;
    await page.goto(base + path);
    await page.locator('#main').waitFor();
    await page.mouse.move(0, 0);
    await page.evaluate(() => document.fonts.ready);
    // The lab fills its map as it computes.
    await page.waitForTimeout(name === 'lab' ? 14_000 : 150);
    // The floor from above stands under the hours to begin at.
    if (name === 'place') await page.getByTestId('ground').nth(1).scrollIntoViewIfNeeded();
    await page.screenshot({ path: `${folder}/${name}.png` });
    console.log(name);
  }
  await context.close();
}
await browser.close();
