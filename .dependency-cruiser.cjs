// The one-way arrows of the house: app -> ui -> words, store, worker, device -> core; inside core, only folders above.
const core = [
  'units',
  'say',
  'typed',
  'void',
  'scan',
  'system',
  'heat',
  'climate',
  'cure',
  'mix',
  'method',
  'plan',
  'judge',
  'record',
  'learn',
  'file',
];

const insideCore = core.map((folder, i) => ({
  name: `core-${folder}-looks-only-up`,
  severity: 'error',
  // A test may set its scene with whatever makes it true to life.
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/core/(${core.slice(i + 1).join('|') || 'nothing-below'})/` },
}));

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-knows-only-core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/)' },
    },
    {
      name: 'core-has-no-interface-code',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: 'node_modules/(react|next|idb|comlink|zustand|lucide-react|cmdk)(/|$)' },
    },
    {
      name: 'store-worker-device-know-core',
      severity: 'error',
      from: { path: '^src/(store|worker|device)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(app|ui|sample)/' },
    },
    {
      name: 'words-know-core',
      severity: 'error',
      from: { path: '^src/words/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(app|ui|sample|store|worker|device|server)/' },
    },
    {
      name: 'sample-knows-core',
      severity: 'error',
      from: { path: '^src/sample/' },
      to: { path: '^src/(app|ui|store|worker|device)/' },
    },
    { name: 'ui-not-app', severity: 'error', from: { path: '^src/ui/' }, to: { path: '^src/app/' } },
    {
      name: 'nothing-needs-tests',
      severity: 'error',
      from: { pathNot: '(\\.test\\.tsx?$|^e2e/|^bench/|^torture/)' },
      to: { path: '(\\.test\\.tsx?$|^e2e/)' },
    },
    { name: 'resolves', severity: 'error', from: {}, to: { couldNotResolve: true } },
    ...insideCore,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs', '.json', '.css'],
    },
  },
};
