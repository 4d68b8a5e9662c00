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
