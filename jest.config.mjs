/** Unit and API tests: TypeScript through SWC, workspace packages from their sources. */
export default {
  testEnvironment: 'node',
  transform: { '^.+\\.tsx?$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } } }] },
  moduleNameMapper: { '^@zetalysis/core/(.*)$': '<rootDir>/packages/core/src/$1/index.ts' },
  projects: undefined,
  testMatch: ['<rootDir>/packages/*/test/**/*.test.ts'],
};
