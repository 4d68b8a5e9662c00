import { DESKTOP, fresh, launch, PHONE, withSample } from './browser';

const base = 'http://127.0.0.1:4177';
const [, , what] = process.argv;
const b = await launch();
const looks: Record<string, () => Promise<void>> = {
  async release() {
    const c = await fresh(b, DESKTOP);
    const p = await c.newPage();
    await withSample(p, base);
    await p.goto(base + '/job/sample-winch/sample-plate/release');
    await p.getByText('Tested at the place').waitFor();
    await p.waitForTimeout(1500);
    await p.getByRole('button', { name: /A test by figures/ }).click();
    await p.getByRole('button', { name: 'pull-off' }).click();
    await p.waitForTimeout(500);
    await p.screenshot({ path: '/tmp/release.png', fullPage: true });
  },
  async finish() {
    const c = await fresh(b, DESKTOP); const p = await c.newPage();
    await withSample(p, base);
    await p.goto(base);
    await p.getByRole('button', { name: 'Two more jobs: every method' }).click();
    await p.getByRole('heading', { name: 'Workshop bench' }).waitFor();
    await p.goto(`${base}/job/sample-workshop/sample-dent/finish`);
    await p.getByText('Bring the surface back').waitFor();
    await p.waitForTimeout(1500);
    await p.screenshot({ path: '/tmp/finish.png' });
  },
  async report() {
    const c = await fresh(b, DESKTOP); const p = await c.newPage();
    p.on('console', (m) => console.log('C', m.text())); p.on('pageerror', (e) => console.log('E', e.message));
    await withSample(p, base);
    await p.goto(base);
    await p.getByRole('button', { name: 'Two finished jobs: a record to read' }).click();
    await p.getByRole('heading', { name: 'Finished' }).waitFor();
    await p.waitForTimeout(800);
    await p.screenshot({ path: '/tmp/yard.png' });
    await p.goto(`${base}/job/sample-edges/report`);
    await p.getByTestId('compared').waitFor();
    await p.waitForTimeout(1000);
    await p.screenshot({ path: '/tmp/report.png', fullPage: true });
    const [d] = await Promise.all([p.waitForEvent('download'), p.getByRole('button', { name: 'PDF' }).click()]);
    await d.saveAs('/tmp/record.pdf');
    await p.goto(`${base}/job/sample-edges/tag`);
    await p.waitForTimeout(1000);
    await p.screenshot({ path: '/tmp/tag.png' });
    await p.goto(`${base}/learned`);
    await p.getByText('Where the time goes').waitFor();
    await p.waitForTimeout(1000);
    await p.screenshot({ path: '/tmp/learned.png' });
    await p.goto(`${base}/job/sample-ramp/sample-nosing/place`);
    await p.waitForTimeout(2500);
    await p.getByRole('button', { name: /what it is made of/ }).first().click();
    await p.waitForTimeout(600);
    await p.screenshot({ path: '/tmp/place.png' });
  },
  async log() {
    const c = await fresh(b, DESKTOP);
    const p = await c.newPage();
    await withSample(p, base);
    await p.goto(base + '/job/sample-winch/log');
    await p.getByTestId('chains').waitFor();
    await p.waitForTimeout(800);
    await p.screenshot({ path: '/tmp/log.png' });
  },
  async trouble() {
    const c = await fresh(b, PHONE);
    const p = await c.newPage();
    await withSample(p, base);
    await p.goto(base + '/job/sample-winch/sample-plate/run');
    await p.getByRole('button', { name: 'Something went wrong' }).click();
    await p.waitForTimeout(800);
    await p.screenshot({ path: '/tmp/trouble1.png' });
    await p.getByText('At another moment of this work').click();
    await p.getByRole('button', { name: /It has not set/ }).click();
    await p.getByRole('button', { name: /soft, but the cup is hard/ }).click();
    await p.waitForTimeout(500);
    await p.screenshot({ path: '/tmp/trouble2.png' });
  },
};
await looks[what!]!();
await b.close();
