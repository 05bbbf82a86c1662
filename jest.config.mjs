export default {
  testEnvironment: 'node',
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  globalSetup: '<rootDir>/scripts/emptydb.mjs',
  globalTeardown: '<rootDir>/scripts/emptydb-remove.mjs',
  // The runner itself does little: every core can test.
  maxWorkers: '100%',
  // A test is never failed for the cores being busy with something else.
  testTimeout: 60_000,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  // The clipper as well: it asks for `Math` more often than all of our own code.
  transformIgnorePatterns: ['/node_modules/(?!clipper2-ts/)'],
  transform: {
    '/node_modules/clipper2-ts/.+\\.js$': [
      '<rootDir>/scripts/jestswc.mjs',
      { jsc: { target: 'es2022', parser: { syntax: 'ecmascript' } }, module: { type: 'es6' } },
    ],
    '^.+\\.tsx?$': [
      '<rootDir>/scripts/jestswc.mjs',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
};
