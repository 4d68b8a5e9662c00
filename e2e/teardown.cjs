const { rmSync } = require('node:fs');
const { dirname } = require('node:path');

/** Stops the product, and takes away what was prepared for clean profiles. */
module.exports = async () => {
  globalThis.__server?.kill();
  if (process.env.GRENKO_TABLES) rmSync(dirname(process.env.GRENKO_TABLES), { recursive: true, force: true });
};
