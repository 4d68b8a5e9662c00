import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from 'playwright-core';
import { CHROMIUM, FLAGS, fresh } from '../e2e/browser';
import { JOB_FILE_VERSION, writeJobFile } from '../src/core/file';
import { type Bundle, CORE_VERSION } from '../src/core/record';
import { floor } from './floor';
import { grownJob } from './jobs';

/**
 * Redraw while pulling the temperature, the start and a dimension, in a job of ten repairs: sorted times, ms, by name;
 * to the painted frame, and to the changed and laid-out page alone.
 */
export async function redraw(base: string): Promise<[string, number[]][]> {
  return [
    ...(await pulled(base, grownJob(10, Date.now()), [
      ['redraw of a pulled temperature', 'hold', testId('pull-temperature'), 'up-down'],
      ['redraw of a pulled start', 'hold', testId('pull-start-bench-0'), 'on'],
      ['redraw of a pulled dimension', 'measure', testId('pull-outline.length'), 'on'],
    ])),
    ...(await pulled(base, grownJob(10, Date.now(), 4), [
      ['redraw of a pulled temperature, ten chains of four passes', 'hold', testId('pull-temperature'), 'up-down'],
      ['redraw of a pulled dimension, ten chains of four passes', 'measure?pass=p2', testId('pull-foot'), 'on'],
    ])),
    ...(await pulled(base, floor(Date.now()), [
      ['redraw of a pulled border of a floor of 60 m²', 'place', '[aria-label="Border after 5"]', 'to-fro'],
    ])),
  ];
}

/** How the hand goes: ever further to the right, up and down, or to and fro. */
const WAYS = {
  on: (i: number) => [i * 2, 0],
  'up-down': (i: number) => [0, (i % 10) * 4],
  'to-fro': (i: number) => [(i % 10) * 2, 0],
} as const;

/** What is pulled: its name, where, by which handle, and which way. */
type Pull = readonly [name: string, stage: string, handle: string, way: keyof typeof WAYS];

const testId = (id: string) => `[data-testid="${id}"]`;

async function pulled(base: string, bundle: Bundle, pulls: readonly Pull[]): Promise<[string, number[]][]> {
  const path = join(mkdtempSync(join(tmpdir(), 'grenko-bench-')), 'job.json');
  writeFileSync(
    path,
    writeJobFile({
      format: 'grenko-job',
      version: JOB_FILE_VERSION,
      exportedAt: new Date().toISOString(),
      coreVersion: CORE_VERSION,
      job: bundle.job,
      repairs: [...bundle.repairs],
      sheets: [...bundle.sheets],
      stock: [],
      snapshots: [],
      events: [],
      series: [],
      attachments: [],
    }),
  );
  // As people have it: what spares the compiler in a test, whose pages live for seconds, is not for who is timed.
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
  try {
    const page = await (await fresh(browser)).newPage();
    // The compiler wraps named functions in a helper, which the page must have too.
    await page.addInitScript('globalThis.__name = (f) => f');
    await page.goto(base);
    await page.getByRole('button', { name: 'Take in a job file' }).waitFor();
    await page.getByLabel('Job file').setInputFiles(path);
    await page.waitForURL(/\/job\//);
    // Pots and lifts of the sheets in use are prepared once and kept; that is not part of a redraw.
    await page.waitForTimeout(8000);
    const out: [string, number[]][] = [];
    const [first] = bundle.repairs;
    for (const [name, stage, handle, way] of pulls) {
      await page.goto(`${base}/job/${bundle.job.id}/${first!.id}/${stage}`);
      await page.locator(handle).waitFor();
      const [painted, work] = await page.evaluate(
        async ({ handle, moves }) => {
          const el = document.querySelector(handle)!;
          const svg = el.closest('svg')!;
          const box = el.getBoundingClientRect();
          const [x, y] = [box.x + Math.min(60, box.width / 2), box.y + box.height / 2];
          const fire = (target: Element, type: string, i: number) =>
            target.dispatchEvent(
              new PointerEvent(type, {
                bubbles: true,
                pointerId: 1,
                clientX: x + moves[i]![0]!,
                clientY: y + moves[i]![1]!,
              }),
            );
          for (const held of [el, svg]) held.setPointerCapture = () => undefined;
          fire(el, 'pointerdown', 0);
          const times: number[] = [];
          const work: number[] = [];
          for (let i = 1; i <= 60; i++) {
            // Begin with a frame, so that the time until its paint is all of the work and not part of the wait.
            await new Promise((resolve) => requestAnimationFrame(resolve));
            const t = performance.now();
            const changed = new Promise<boolean>((resolve) => {
              const watch = new MutationObserver(() => {
                watch.disconnect();
                resolve(true);
              });
              watch.observe(svg, { subtree: true, childList: true, attributes: true, characterData: true });
              // A start pulled inside the closed hours changes nothing that is drawn: there is nothing to time.
              setTimeout(() => resolve(false), 400);
            });
            // Every move is far enough to change the plan.
            fire(svg, 'pointermove', i);
            if (!(await changed)) continue;
            // Layout is forced, then the frame is handed over.
            document.body.getBoundingClientRect();
            work.push(performance.now() - t);
            const painted = new MessageChannel();
            await new Promise((resolve) => {
              painted.port1.onmessage = resolve;
              requestAnimationFrame(() => painted.port2.postMessage(0));
            });
            times.push(performance.now() - t);
          }
          fire(svg, 'pointerup', 60);
          const sorted = (list: number[]) => list.slice(5).sort((a, b) => a - b);
          return [sorted(times), sorted(work)] as const;
        },
        { handle, moves: Array.from({ length: 61 }, (_, i) => WAYS[way](i)) },
      );
      out.push([name, painted], [`${name}, the work alone`, work]);
    }
    // A job of one repair is looked at for what is pulled in it alone.
    if (bundle.repairs.length === 1) return out;
    out.push([
      `a stage opened, the middle and the slowest of eight, a job of ${passesIn(bundle)} passes`,
      await opened(page),
    ]);
    out.push([
      `the time band of ${bundle.repairs.length} repairs and ${passesIn(bundle)} passes drawn anew`,
      await bandDrawn(page, `${base}/job/${bundle.job.id}/${first!.id}/hold`),
    ]);
    return out;
  } finally {
    await browser.close();
  }
}

const passesIn = ({ repairs }: Bundle): number => repairs.reduce((sum, r) => sum + r.chain.length, 0);

/**
 * From the press on a leaf of the rule to the painted stage: of five times for each stage the middle one, sorted, ms.
 */
const opened = (page: Page): Promise<number[]> =>
  page.evaluate(async () => {
    const times: Record<string, number[]> = {};
    const leaves = () => [
      ...document.querySelectorAll<HTMLAnchorElement>('nav[aria-label="Stages"] li.leaf > div > a'),
    ];
    const heading = () => document.querySelector('h1')?.textContent ?? '';
    for (let i = 0; i < 48; i++) {
      const was = heading();
      const t = performance.now();
      leaves()[(i * 3) % 8]!.click();
      while (heading() === was && performance.now() - t < 3000) await new Promise((r) => requestAnimationFrame(r));
      // A message sent in a frame arrives when that frame is painted.
      const frame = new MessageChannel();
      await new Promise((r) => {
        frame.port1.onmessage = r;
        frame.port2.postMessage(0);
      });
      // The first time each is fetched.
      const of = times[heading()] ?? [];
      if (i >= 8) of.push(performance.now() - t);
      times[heading()] = of;
      await new Promise((r) => setTimeout(r, 200));
    }
    return Object.values(times)
      .map((of) => of.sort((a, b) => a - b)[2]!)
      .sort((a, b) => a - b);
  });

/** So many times it is drawn for one figure: what else the page does in that time is shared by them. */
const DRAWN = 10;

/**
 * What the page's own thread does to draw the time band alone: script, layout and paint. Nothing changes but its width.
 * Sorted, ms.
 */
async function bandDrawn(page: Page, stage: string): Promise<number[]> {
  await page.goto(stage);
  await page.getByRole('group', { name: 'Time band' }).waitFor();
  await page.waitForTimeout(2000);
  const tools = await page.context().newCDPSession(page);
  await tools.send('Performance.enable');
  const busyMs = async () =>
    (await tools.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration')!.value * 1000;
  const widths = (from: number) =>
    page.evaluate(
      async ([first, times]) => {
        const svg = document.querySelector('svg[aria-label="Time band"]')!;
        const room = svg.parentElement!;
        const frame = () => new Promise((r) => requestAnimationFrame(r));
        for (let i = 0; i < times; i++) {
          const was = svg.getAttribute('width');
          room.style.width = `${first - ((i % 2) + 1) * 20}px`;
          while (svg.getAttribute('width') === was) await frame();
          await frame();
        }
      },
      [from, DRAWN] as const,
    );
  const out: number[] = [];
  for (let i = 0; i < 12; i++) {
    const before = await busyMs();
    await widths(1200 - (i % 2) * 5);
    out.push(((await busyMs()) - before) / DRAWN);
  }
  return out.slice(2).sort((a, b) => a - b);
}
