/** Unit and server tests. Sources are TypeScript without a build; swc strips the types. */
export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/packages', '<rootDir>/apps'],
  testMatch: ['**/*.test.ts'],
  modulePathIgnorePatterns: ['/dist/'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' },
        module: { type: 'commonjs' },
      },
    ],
  },
  testTimeout: 30000,
};
