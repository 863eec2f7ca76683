/** Unit tests of one folder, for `./lantern mutants`: which ones, the tool says by the environment. */
export default {
  testEnvironment: 'node',
  testMatch: JSON.parse(process.env.MUTANTS_TESTS ?? '[]').map((path) => `<rootDir>/${path}`),
  modulePathIgnorePatterns: ['/dist/', '<rootDir>/.cache/'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
};
