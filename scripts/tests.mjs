import { rmSync } from 'node:fs';
import { build } from 'esbuild';

/**
 * Puts the tests together with what they try, into `.tests`: Node runs them as they lie there, without a sandbox that
 * loads every module anew for each file and looks every global up. What several files use is one chunk.
 */
const TRIED = {
  unit: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'src/**/*.testing.ts'],
  e2e: ['e2e/**/*.test.ts', 'e2e/**/*.testing.ts'],
};
for (const [project, entryPoints] of Object.entries(TRIED)) {
  const outdir = `.tests/${project}`;
  rmSync(outdir, { recursive: true, force: true });
  await build({
    entryPoints,
    outdir,
    outbase: '.',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    // The framework names its modules without their ending, which only bundlers understand.
    alias: { 'next/link': 'next/link.js', 'next/navigation': 'next/navigation.js' },
    sourcemap: true,
    logLevel: 'warning',
  });
}
