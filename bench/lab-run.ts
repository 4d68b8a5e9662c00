import { fresh, launch, withSample } from '../e2e/browser';

/**
 * Longest block of the page’s own thread, ms, while the lab and the search for windows work; 0 where none is over 50
 * ms.
 */
export async function labRun(base: string): Promise<readonly (readonly [what: string, longestMs: number])[]> {
  const browser = await launch();
  try {
    const page = await (await fresh(browser)).newPage();
    await page.addInitScript(() => {
      const w = window as unknown as { longest: number };
      w.longest = 0;
      new PerformanceObserver((list) => {
        for (const e of list.getEntries()) w.longest = Math.max(w.longest, e.duration);
      }).observe({ type: 'longtask' });
    });
    await withSample(page, base);
    const forget = () =>
      page.evaluate(() => {
        (window as unknown as { longest: number }).longest = 0;
      });
    const longest = () => page.evaluate(() => (window as unknown as { longest: number }).longest);
    const out: [string, number][] = [];

    await page.goto(`${base}/lab?sheet=sheet-paste-1`);
    await page.getByTestId('pot-life').waitFor({ timeout: 60_000 });
    out.push(['opening the lab', await longest()]);
    await forget();
    await page.getByText('kept for this revision of the sheet').waitFor({ timeout: 120_000 });
    out.push(['filling the map of the lab', await longest()]);
    await forget();
    for (const grams of ['800 g', '2 kg', '5 kg']) {
      const field = page.getByLabel('Mixed in one go');
      await field.fill(grams);
      await field.blur();
      await page.waitForTimeout(700);
    }
    out.push(['another pot in the lab', await longest()]);
    await forget();
    for (const low of ['4 °C', '7 °C', '9 °C']) {
      const field = page.getByLabel('Daily low');
      await field.fill(low);
      await field.blur();
      await page.waitForTimeout(500);
    }
    out.push(['other weather in the lab', await longest()]);

    await page.goto(`${base}/job/sample-ramp/sample-nosing/place`);
    await page.getByRole('button', { name: /What would/ }).waitFor();
    await page.waitForTimeout(2500);
    await forget();
    await page.getByRole('button', { name: /What would/ }).click();
    await page
      .getByTestId('openers')
      .or(page.getByText(/Nothing that was tried/))
      .waitFor({ timeout: 60_000 });
    out.push(['trying what would open a window', await longest()]);
    return out;
  } finally {
    await browser.close();
  }
}
