import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { XYZLoader } from 'three/examples/jsm/loaders/XYZLoader.js';
import { fresh, launch } from '../e2e/browser';
import { extentOf, measureScan } from '../src/core/scan';
import { unpack } from '../src/core/void';
import { loadScan } from '../src/worker/load-scan';
import { LARGE_VOLUME_ML, largeScans } from './scans';

const bytesOf = (path: string): ArrayBuffer => {
  const b = readFileSync(path);
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;
};
/** Shortest times of two runs taken turn and turn about, ms: a busy spell of the machine then falls on both. */
function bestOfBoth(one: () => unknown, other: () => unknown, times: number): [number, number] {
  const best: [number, number] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (let i = 0; i < times; i++)
    for (const [k, run] of [one, other].entries()) {
      const t = performance.now();
      run();
      best[k] = Math.min(best[k]!, performance.now() - t);
    }
  return best;
}
/** Memory of all of the browser's processes, MB. */
const browserMb = (): number =>
  execSync('ps -eo rss,comm', { encoding: 'utf8' })
    .split('\n')
    .filter((l) => /chrom/.test(l))
    .reduce((sum, l) => sum + Number.parseInt(l, 10), 0) / 1024;

/** From file to volume, in Node beside the plain loader, then in the browser's worker with what it costs the page. */
export async function scanRun(base: string): Promise<void> {
  const made = largeScans();
  const files = [
    {
      name: 'STL, a million triangles',
      path: made.stl.path,
      plain: () => new STLLoader().parse(bytesOf(made.stl.path)),
    },
    {
      name: 'XYZ, two million points',
      path: made.xyz.path,
      plain: () => (new XYZLoader().parse as (text: string) => unknown)(readFileSync(made.xyz.path, 'utf8')),
    },
  ];
  console.log(
    '\nScans, from file to volume (best of six, turn and turn about), beside a plain read and parse by the loader:',
  );
  for (const f of files) {
    let volume = 0;
    const whole = () => {
      const cloud = loadScan(f.path, bytesOf(f.path));
      extentOf(cloud);
      volume = unpack(measureScan(cloud, { surface: 'quadric', mmPerUnit: 1 })).volumeMl;
    };
    const [plain, own] = bestOfBoth(f.plain, whole, 6);
    console.log(
      `${f.name.padEnd(44)} plain ${plain.toFixed(0).padStart(6)} ms   to volume ${own.toFixed(0).padStart(6)} ms   ${(own / plain).toFixed(2).padStart(6)} × plain   ${((volume / LARGE_VOLUME_ML - 1) * 100).toFixed(2)} % off`,
    );
  }

  const browser = await launch();
  try {
    const page = await (await fresh(browser)).newPage();
    await page.goto(base);
    await page.getByRole('button', { name: 'New job' }).click();
    await page.waitForURL(/\/job\//);
    await page.getByRole('button', { name: /Resin mortar patch/ }).click();
    await page.waitForURL(/inspect/);
    await page.goto(page.url().replace('inspect', 'measure'));
    await page.getByRole('button', { name: /3-D scan/ }).click();
    for (const f of files) {
      const before = browserMb();
      let peak = before;
      const watch = setInterval(() => {
        peak = Math.max(peak, browserMb());
      }, 150);
      // Tasks of the page's own thread over 50 ms, as the browser reports them: what a hand would feel.
      await page.evaluate(() => {
        const w = window as unknown as { longest: number };
        w.longest = 0;
        new PerformanceObserver((list) => {
          for (const e of list.getEntries()) w.longest = Math.max(w.longest, e.duration);
        }).observe({ type: 'longtask' });
      });
      const t = performance.now();
      await page.getByLabel('Scan file').setInputFiles(f.path);
      const unit = page.getByRole('radiogroup', { name: 'Its numbers are in' }).getByRole('radio', { name: /^mm:/ });
      await unit.waitFor({ timeout: 120_000 });
      const readMs = performance.now() - t;
      await unit.click();
      await page.getByRole('radio', { name: 'curved', exact: true }).click();
      const asked = performance.now();
      await page.getByRole('button', { name: 'Find the void' }).click();
      await page
        .getByText(`${f.path.split('/').pop()}, `)
        .first()
        .waitFor({ timeout: 120_000 });
      const measuredMs = performance.now() - asked;
      const longest = await page.evaluate(() => (window as unknown as { longest: number }).longest);
      clearInterval(watch);
      console.log(
        `in the browser: ${f.name.padEnd(28)} read in ${readMs.toFixed(0)} ms, measured in ${measuredMs.toFixed(0)} ms   peak memory +${(peak - before).toFixed(0)} MB   longest main-thread block ${longest ? `${longest.toFixed(0)} ms` : 'under 50 ms'}`,
      );
    }
  } finally {
    await browser.close();
  }
}
