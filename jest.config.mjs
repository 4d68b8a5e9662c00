/** The tests as `scripts/tests.mjs` puts them together: Node itself runs them. */
const of = (displayName) => ({
  displayName,
  runner: 'jest-light-runner',
  testEnvironment: 'node',
  transform: {},
  roots: [`<rootDir>/.tests/${displayName}`],
  testMatch: ['**/*.test.mjs'],
});

export default {
  testSequencer: '<rootDir>/e2e/sequencer.cjs',
  projects: [
    {
      ...of('unit'),
      setupFiles: [
        '<rootDir>/.tests/unit/src/words/refusals.testing.mjs',
        '<rootDir>/.tests/unit/src/chance.testing.mjs',
      ],
    },
    {
      ...of('e2e'),
      globalSetup: '<rootDir>/e2e/setup.cjs',
      globalTeardown: '<rootDir>/e2e/teardown.cjs',
      setupFilesAfterEnv: ['<rootDir>/.tests/e2e/e2e/again.testing.mjs'],
    },
  ],
};
