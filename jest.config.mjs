const common = {
  extensionsToTreatAsEsm: [],
  transform: {
    '^.+\\.(mjs|[tj]sx?)$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic', importSource: '@/words' } },
        },
      },
    ],
  },
  // Packages shipped as ES modules only are compiled too.
  transformIgnorePatterns: [
    'node_modules/(?!(nanoid|intl-messageformat|@formatjs|idb|@noble|d3|d3-[^/]+|internmap|@kninnug|delaunator|robust-predicates|comlink|luxon|three|ml-matrix|ml-array-[^/]+|is-any-array)/)',
  ],
  moduleNameMapper: { '^#constrainautor$': '@kninnug/constrainautor', '^@/(.*)$': '<rootDir>/src/$1' },
  testEnvironment: 'node',
  // Every look at a global goes through the sandbox of a test; those of the hot loops are handed in.
  sandboxInjectedGlobals: [
    'Math',
    'Number',
    'Float64Array',
    'Float32Array',
    'Uint8Array',
    'Int32Array',
    'Uint32Array',
    'Array',
    'Object',
    'Map',
    'Set',
    'JSON',
  ],
};
export default {
  testSequencer: '<rootDir>/e2e/sequencer.cjs',
  projects: [
    {
      ...common,
      displayName: 'unit',
      setupFiles: ['<rootDir>/src/words/refusals.testing.ts'],
      testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx', '<rootDir>/scripts/**/*.test.ts'],
    },
    {
      ...common,
      displayName: 'e2e',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
      globalSetup: '<rootDir>/e2e/setup.cjs',
      globalTeardown: '<rootDir>/e2e/teardown.cjs',
      setupFilesAfterEnv: ['<rootDir>/e2e/again.cjs'],
    },
  ],
};
