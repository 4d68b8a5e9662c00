import { fresh, launch } from './browser';

const [base, ...names] = process.argv.slice(2);
const b = await launch();
const page = await (await fresh(b)).newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text().slice(0, 300)));
await page.goto(base!);
await page.getByRole('button', { name: /Load the sample/ }).click();
await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
const paths: Record<string, string> = {
  material: '/job/sample-ramp/sample-nosing/material',
  mix: '/job/sample-winch/sample-plate/mix',
  mixramp: '/job/sample-ramp/sample-nosing/mix',
  mixland: '/job/sample-landing',
  bench: '/job/sample-winch/sample-plate/bench',
  benchdry: '/job/sample-ramp/sample-nosing/bench',
  pick: '/job/sample-ramp/pick',
  pickl: '/job/sample-landing/pick',
  shelf: '/shelf',
  sheet: '/shelf/sheet-filler-1',
  sheetmortar: '/shelf/sheet-mortar-1',
  form: '/shelf/new?like=sheet-filler-1',
  run: '/job/sample-winch/sample-plate/run',
  log: '/job/sample-winch/log',
  matplate: '/job/sample-winch/sample-plate/material',
};
for (const n of names) {
  await page.goto(base + paths[n]!);
  await page.locator('#main').waitFor();
  await page.waitForTimeout(700);
  await page.screenshot({ path: `/tmp/shot-${n}.png`, fullPage: n === 'form' || n.startsWith('pick') });
}
await b.close();
