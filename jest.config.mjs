// The tests as scripts/unit.mjs has put them together.
export default {
  testEnvironment: 'node',
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  globalSetup: '<rootDir>/scripts/emptydb.mjs',
  globalTeardown: '<rootDir>/scripts/emptydb-remove.mjs',
  // The runner itself does little: every core can test.
  maxWorkers: '100%',
  // A test is never failed for the cores being busy with something else.
  testTimeout: 60_000,
  testMatch: ['<rootDir>/dist/unit/**/*.test.js'],
  transform: { '/dist/unit/': '<rootDir>/scripts/mapped.mjs' },
};
