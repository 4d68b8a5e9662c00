import { mkdirSync, readFileSync } from 'node:fs';
import { finishedData, methodsData } from '@/sample/jobs';
import { fresh, launch, withSample } from '../../e2e/browser';

const base = 'http://127.0.0.1:4177';
const VIEWS: [string, string][] = [
  ['yard', '/'],
  ['job', '/job/sample-landing'],
  ['inspect', '/job/sample-ramp/sample-nosing/inspect'],
  ['measure', '/job/sample-ramp/sample-nosing/measure'],
  ['material', '/job/sample-ramp/sample-nosing/material'],
  ['mix', '/job/sample-boat/sample-fitting/mix'],
  ['mix-pressed', '/job/sample-ramp/sample-eyes/mix'],
  ['place', '/job/sample-boat/sample-fitting/place'],
  ['hold', '/job/sample-ramp/sample-nosing/hold'],
  ['finish', '/job/sample-workshop/sample-dent/finish'],
  ['release', '/job/sample-ramp/sample-nosing/release'],
  ['run', '/job/sample-winch/sample-plate/run'],
  ['bench', '/job/sample-ramp/sample-nosing/bench?batch=1'],
  ['lab', '/lab'],
  ['shelf', '/shelf'],
  ['sheet', '/shelf/sheet-mortar-1'],
  ['learned', '/records'],
  ['log', '/job/sample-winch/sample-plate/log'],
  ['pick', '/job/sample-ramp/pick'],
  ['settings', '/settings'],
];
const SIZES = {
  desktop: { width: 1280, height: 800 },
  phone: { width: 390, height: 844 },
  lying: { width: 844, height: 390 },
} as const;
const LIGHTS = ['day', 'night', 'sun'];
const only = (process.argv[2] ?? 'desktop') as keyof typeof SIZES;
(async () => {
  mkdirSync('/tmp/lights', { recursive: true });
  const browser = await launch();
  const size = SIZES[only];
  const context = await fresh(browser, size);
  const page = await context.newPage();
  page.on('pageerror', (e) => console.log('ERR', e.message));
  await withSample(page, base, [methodsData, finishedData]);
  await page.goto(base);
  await page.locator('#main').waitFor();
  for (const light of LIGHTS) {
    await page.evaluate(
      `localStorage.setItem('grenko.prefs', ${JSON.stringify(JSON.stringify({ state: { theme: light }, version: 0 }))})`,
    );
    for (const [name, href] of VIEWS) {
      await page.goto(base + href);
      await page.locator('#main').waitFor();
      await page.waitForTimeout(700);
      await page.screenshot({ path: `/tmp/lights/${only}-${name}-${light}.png` });
    }
  }
  await context.close();
  const [rows, scale] = only === 'desktop' ? [2, 0.5] : only === 'phone' ? [4, 0.8] : [4, 0.7];
  const made = await browser.newContext({ viewport: { width: 1920, height: 1000 } });
  const board = await made.newPage();
  for (let i = 0; i < VIEWS.length; i += rows) {
    const names = VIEWS.slice(i, i + rows).map(([n]) => n);
    const cells = names.map((n) =>
      LIGHTS.map(
        (l) =>
          `<img style="width:${size.width * scale}px" src="data:image/png;base64,${readFileSync(`/tmp/lights/${only}-${n}-${l}.png`).toString('base64')}">`,
      ).join(''),
    );
    const html = `<body style="margin:0;background:#888;width:${only === 'phone' ? size.width * scale * 6 + 30 : size.width * scale * 3 + 20}px;display:flex;flex-wrap:wrap;gap:4px">${cells.join('')}</body>`;
    await board.setContent(html);
    await board.locator('body').screenshot({ path: `/tmp/lights/board-${only}-${i / rows}.png` });
  }
  await browser.close();
})();
