import { fresh, launch, withSample } from './browser';

const base = 'http://127.0.0.1:4177';
const b = await launch();
const c = await fresh(b, { width: 844, height: 390 }, { hasTouch: true });
const p = await c.newPage();
await withSample(p, base);
await p.goto(`${base}/job/sample-winch/sample-plate/run`);
await p.getByTestId('go').waitFor();
await p.waitForTimeout(400);
await p.screenshot({ path: '/tmp/l1.png', fullPage: true });
await b.close();
