import { readFileSync } from 'node:fs';
import { build } from 'esbuild';

/** Files of ours that register texts and are still there when what nobody asks for has been left out. */
async function speaking(entry: string): Promise<Set<string>> {
  const { metafile } = await build({
    entryPoints: [entry],
    bundle: true,
    metafile: true,
    write: false,
    splitting: true,
    outdir: 'out',
    format: 'esm',
    jsx: 'automatic',
    jsxImportSource: '@/words',
    loader: { '.css': 'empty', '.woff2': 'empty' },
    external: ['next/*'],
    logLevel: 'error',
  });
  const kept = Object.values(metafile.outputs).flatMap((o) =>
    Object.entries(o.inputs).flatMap(([file, { bytesInOutput }]) => (bytesInOutput ? [file] : [])),
  );
  return new Set(kept.filter((file) => file.startsWith('src/core/') && /\btexts\(/.test(readFileSync(file, 'utf8'))));
}

// A worker answers with the ids of its sentences: the page must not have left out the file that holds their words.
test.each([
  ['heat', 'src/app/page.tsx'],
  ['plan', 'src/app/job/[job]/[repair]/[stage]/page.tsx'],
  ['plan', 'src/app/lab/page.tsx'],
  ['scan', 'src/app/job/[job]/[repair]/[stage]/page.tsx'],
])('every sentence of the %s worker has its words on %s', async (worker, page) => {
  const said = await speaking(`src/worker/${worker}.worker.ts`);
  const known = await speaking(page);
  expect(said.size).toBeGreaterThan(2);
  expect([...said].filter((file) => !known.has(file))).toEqual([]);
});

// Why a batch was given up is written into the record as a sentence, and read on pages that mix nothing.
test.each([
  'src/app/job/[job]/log/page.tsx',
  'src/app/job/[job]/report/page.tsx',
  'src/app/job/[job]/[repair]/run/page.tsx',
])('what the record says of a batch has its words on %s', async (page) => {
  expect(await speaking(page)).toContain('src/core/mix/pour.ts');
});
