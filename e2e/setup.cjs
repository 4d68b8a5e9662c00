const { execFileSync, spawn } = require('node:child_process');
const { mkdtempSync } = require('node:fs');
const net = require('node:net');
const { tmpdir } = require('node:os');
const { join } = require('node:path');

const freePort = () =>
  new Promise((resolve) => {
    const s = net.createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address();
      s.close(() => resolve(port));
    });
  });

/** Starts the built product on a free port for the interface tests, and prepares what clean profiles are given. */
module.exports = async () => {
  const folder = mkdtempSync(join(tmpdir(), 'grenko-e2e-'));
  process.env.GRENKO_TABLES = join(folder, 'tables.json');
  const run = (...what) => execFileSync('node_modules/.bin/tsx', what, { stdio: 'inherit' });
  const makeTables = () => run('e2e/tables.ts', process.env.GRENKO_TABLES);
  // What the product’s scripts compile to is the same for each file of tests.
  const makeProfile = () => {
    const profile = join(folder, 'profile');
    run('e2e/profile.ts', process.env.GRENKO_BASE, profile);
    process.env.GRENKO_PROFILE = profile;
  };
  if (process.env.GRENKO_BASE) {
    makeTables();
    return makeProfile();
  }
  const port = await freePort();
  const child = spawn('node_modules/.bin/tsx', ['scripts/serve.ts', '-p', String(port), '-H', '127.0.0.1'], {
    stdio: 'ignore',
    // No test rests on how fast this machine is today.
    env: { ...process.env, GRENKO_PLAN_LIMIT_S: '300' },
  });
  globalThis.__server = child;
  process.env.GRENKO_BASE = `http://127.0.0.1:${port}`;
  // While the server comes up.
  makeTables();
  for (let i = 0; i < 900; i++) {
    try {
      if ((await fetch(process.env.GRENKO_BASE)).ok) return makeProfile();
    } catch {
      // not up yet
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error('The product did not start: is it built?');
};
