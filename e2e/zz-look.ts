import { fresh, launch, withSample } from './browser';
const [base = '', ...paths] = process.argv.slice(2);
const browser = await launch();
const page = await (await fresh(browser)).newPage();
page.on('pageerror', (e) => console.error('page error:', e.message));
await withSample(page, base);
await page.waitForTimeout(4000);
for (const [i, p] of paths.entries()) {
  await page.goto(base + p);
  await page.locator('#main').waitFor();
  await page.waitForTimeout(900);
  await page.screenshot({ path: `/tmp/g/l${i}.png` });
}
await browser.close();
