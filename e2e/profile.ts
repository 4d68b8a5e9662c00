import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { forget, onDisk, turnTo, withSample } from './browser';

/**
 * Makes a profile that has the product's scripts compiled (its address and the profile's folder are named): a browser
 * keeps what it compiled when it meets a script the second time. Nothing is stored in it.
 */
const [base, folder] = process.argv.slice(2) as [string, string];
const REPAIR = '/job/sample-ramp/sample-nosing';
const VIEWS = [
  ...['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'].map(
    (stage) => `${REPAIR}/${stage}`,
  ),
  '/job/sample-winch/sample-plate/run',
  '/job/sample-winch/log',
  '/shelf/sheet-mortar-1',
];
// A browser that looks for addresses and cards to fill in reads a sheet's hundred fields anew at each row it gets.
const NOTHING_FILLED_IN = {
  autofill: { profile_enabled: false, credit_card_enabled: false },
  credentials_enable_service: false,
};
mkdirSync(join(folder, 'Default'), { recursive: true });
writeFileSync(join(folder, 'Default', 'Preferences'), JSON.stringify(NOTHING_FILLED_IN));
const context = await onDisk(folder);
for (let times = 0; times < 2; times++) {
  const page = await context.newPage();
  await withSample(page, base);
  await page.goto(base);
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
  for (const view of VIEWS) await turnTo(page, base, view);
  // Left first: what is open writes on.
  await page.goto('about:blank');
  await forget(page, base);
  await page.close();
}
await context.close();
