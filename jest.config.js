/** Unit tests, and the server's against a PostgreSQL of their own. swc strips the types; nothing is built. */
const shared = {
  testEnvironment: 'node',
  // Looked up in the sandbox's global object at every use else, which makes loops of arithmetic ten times slower.
  sandboxInjectedGlobals: [
    'Math',
    'Infinity',
    'Number',
    'Array',
    'Float64Array',
    'Int32Array',
    'Uint8Array',
    'Map',
    'Set',
  ],
  // A run of the mutation tests that was killed leaves copies behind.
  modulePathIgnorePatterns: ['/dist/', '<rootDir>/.cache/'],
  // Published as ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!tinypool/)'],
  transform: {
    '^.+\\.tsx?$|tinypool.+\\.js$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
};

export default {
  testTimeout: 60_000,
  // Jest would leave one core free, which on two is half of them.
  maxWorkers: '100%',
  projects: [
    {
      ...shared,
      displayName: 'core',
      testMatch: ['<rootDir>/packages/*/src/**/*.test.ts', '<rootDir>/apps/web/src/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'server',
      // A package of streams declares its own by these names.
      sandboxInjectedGlobals: shared.sandboxInjectedGlobals.filter(
        (name) => name !== 'Number' && name !== 'Uint8Array',
      ),
      testMatch: ['<rootDir>/apps/server/src/**/*.test.ts'],
      globalSetup: '<rootDir>/apps/server/src/test/start-cluster.ts',
      globalTeardown: '<rootDir>/apps/server/src/test/stop-cluster.ts',
    },
  ],
};
