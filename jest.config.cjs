const node = (name, extra = {}) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: { '\\.[cm]?[jt]sx?$': `${__dirname}/scripts/jest/esbuildTransform.cjs` },
  transformIgnorePatterns: ['/node_modules/(?!(uuid|ical\\.js|age-encryption|@noble|@scure)/)'],
  ...extra,
});

/** Units of every floor; the server's tests through HTTP are a project of their own, see scripts/test.mjs. */
module.exports = {
  // Nothing is timed: this only ends what hangs.
  testTimeout: 120_000,
  testSequencer: `${__dirname}/scripts/jest/byName.cjs`,
  projects: [
    node('core'),
    node('contract'),
    node('simulators'),
    node('reader', { testEnvironment: `${__dirname}/scripts/jest/nativeArrays.cjs` }),
    node('scripts'),
    node('server', {
      testMatch: ['<rootDir>/tests/**/*.test.ts'],
      globalSetup: '<rootDir>/tests/startServices.ts',
      globalTeardown: '<rootDir>/tests/stopServices.ts',
    }),
    // Other people's programs, see `--only offices`.
    {
      ...node('server', {
        testMatch: ['<rootDir>/offices/**/*.test.ts'],
        globalSetup: '<rootDir>/tests/startServices.ts',
        globalTeardown: '<rootDir>/tests/stopServices.ts',
      }),
      displayName: 'offices',
    },
    `${__dirname}/app/jest.config.cjs`,
  ],
};
