import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { injectManifest } from '@serwist/build';
import { build } from 'esbuild';
import { fileOf, PAGES } from '../routes.mjs';

/**
 * Builds the product into `.next` (or GRENKO_DIST): the application, the thread that plans for `POST /api/plan`, the
 * hashes of the pages' own scripts for the content security policy, the service worker with the list of all it keeps,
 * and beside each script and style its compressed twins.
 */
const dist = process.env.GRENKO_DIST ?? '.next';
const own = join(dist, 'grenko');

execFileSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'production' },
});
mkdirSync(own, { recursive: true });

await build({
  entryPoints: ['src/server/plan-thread.ts'],
  bundle: true,
  platform: 'node',
  // Some packages load their parts by names only a bundler's own form can follow.
  mainFields: ['module', 'main'],
  format: 'esm',
  target: 'node20',
  outfile: join(own, 'plan-thread.mjs'),
  banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);" },
  logLevel: 'warning',
});

/** Hashes of the scripts that stand in a page itself. */
function scriptsOf(html: string): string[] {
  const inline = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)].map((m) => m[1]!);
  return inline.map((text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`);
}
const pages = [...PAGES, '/_not-found'];
const htmlOf = (page: string) => readFileSync(join(dist, 'server/app', `${fileOf(page)}.html`), 'utf8');
const hashes = Object.fromEntries(pages.map((page) => [page, [...new Set(scriptsOf(htmlOf(page)))]]));
writeFileSync(join(own, 'scripts.json'), JSON.stringify(hashes));

const revision = (path: string) => createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 16);
await build({
  entryPoints: ['src/sw/sw.ts'],
  bundle: true,
  format: 'esm',
  target: 'es2022',
  minify: true,
  define: { 'process.env.NODE_ENV': '"production"' },
  outfile: join(own, 'sw.base.js'),
  logLevel: 'warning',
});
const { count, size, warnings } = await injectManifest({
  swSrc: join(own, 'sw.base.js'),
  swDest: join(own, 'sw.js'),
  globDirectory: '.',
  globPatterns: [`${dist}/static/**/*.{js,css,woff2,json}`, 'public/**/*.{png,stl,ply,svg,webmanifest}'],
  globIgnores: ['public/screens/**'],
  maximumFileSizeToCacheInBytes: 5_000_000,
  modifyURLPrefix: { [`${dist}/static/`]: '/_next/static/', 'public/': '/' },
  dontCacheBustURLsMatching: /^\/_next\/static\//,
  additionalPrecacheEntries: PAGES.flatMap((page) => [
    { url: page, revision: revision(join(dist, 'server/app', `${fileOf(page)}.html`)) },
    {
      url: `/_page${page === '/' ? '/index' : page}.rsc`,
      revision: revision(join(dist, 'server/app', `${fileOf(page)}.rsc`)),
    },
  ]).concat([{ url: '/manifest.webmanifest', revision: revision('src/app/manifest.ts') }]),
});
if (warnings.length) console.warn(warnings.join('\n'));
console.log(`kept for working offline: ${count} files, ${(size / 1e6).toFixed(1)} MB`);

/** One below the most: the last step takes three times as long for two parts in a hundred. */
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 10, [constants.BROTLI_PARAM_LGWIN]: 22 } };
const files = (await readdir(join(dist, 'static'), { recursive: true })).filter((name) => /\.(js|css)$/.test(name));
await Promise.all(
  files.map(async (name) => {
    const path = join(dist, 'static', name);
    const content = await readFile(path);
    await writeFile(`${path}.br`, await promisify(brotliCompress)(content, BROTLI));
    await writeFile(`${path}.gz`, await promisify(gzip)(content));
  }),
);
