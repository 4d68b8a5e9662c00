import { DESKTOP, fresh, launch, PHONE, withSample } from './browser';

const base = 'http://127.0.0.1:4177';
const [name, path, phone, y] = process.argv.slice(2);
(async () => {
  const b = await launch();
  const c = await fresh(b, phone === 'phone' ? PHONE : DESKTOP);
  const page = await c.newPage();
  page.on('pageerror', (e) => console.log('ERR', e.message));
  await page.clock.setFixedTime(new Date('2026-11-26T08:00:00Z'));
  await withSample(page, base);
  await page.goto(base); await page.locator("#main").waitFor(); if (process.env.MORE) { await page.getByRole("button", { name: /Two more jobs/ }).click(); await page.getByText("Workshop bench").first().waitFor(); } await page.goto(base + path);
  await page.locator('#main').waitFor();
  await page.waitForTimeout(1500);
  if (y)
    await page.evaluate((to) => {
      document.querySelectorAll('*').forEach((e) => {
        if (e.scrollHeight > e.clientHeight + 50 && getComputedStyle(e).overflowY !== 'visible')
          e.scrollTop = Number(to);
      });
      window.scrollTo(0, Number(to));
    }, y);
  if (process.env.CLICK) for (const c of process.env.CLICK.split('|')) await page.getByRole('button', { name: c, exact: true }).first().click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `/tmp/${name}.png` });
  await b.close();
})();
