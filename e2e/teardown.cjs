const { readdirSync, readFileSync, rmSync } = require('node:fs');
const { dirname } = require('node:path');

/** Ends the browsers that went from file to file: each names the folder of its profile. */
function endBrowsers(folder) {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(folder)) process.kill(Number(pid), 'SIGKILL');
    } catch {
      // gone meanwhile
    }
}

/** Stops the product, and takes away what was prepared for clean profiles. */
module.exports = async () => {
  globalThis.__server?.kill();
  if (!process.env.GRENKO_TABLES) return;
  const folder = dirname(process.env.GRENKO_TABLES);
  endBrowsers(folder);
  rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 });
};
