/** Unit and API tests: TypeScript through SWC, workspace packages from their sources. */
const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];

export default {
  testEnvironment: 'node',
  transform: { '^.+\\.tsx?$': swc, 'node_modules/uuid/.+\\.js$': swc },
  transformIgnorePatterns: ['node_modules/(?!uuid/)'],
  moduleNameMapper: {
    // A style is known by its name; what it looks like is for the interface tests.
    '\\.css$': 'identity-obj-proxy',
    '^@zetalysis/core/(.*)$': '<rootDir>/packages/core/src/$1/index.ts',
    '^@zetalysis/report$': '<rootDir>/packages/report/src/index.ts',
    '^@zetalysis/contract$': '<rootDir>/packages/contract/src/index.ts',
    '^@zetalysis/contract/(.*)$': '<rootDir>/packages/contract/src/$1/index.ts',
  },
  testMatch: ['<rootDir>/packages/*/{src,test}/**/*.test.{ts,tsx}'],
  // A test's own context looks a global up each time, which makes the engine about ten times slower; these every module
  // is handed by name.
  sandboxInjectedGlobals: [
    'Math',
    'Number',
    'String',
    'Boolean',
    'Array',
    'Object',
    'Map',
    'Set',
    'WeakMap',
    'JSON',
    'Infinity',
    'Float64Array',
    'Int32Array',
    'Int16Array',
    'Int8Array',
    'Uint8Array',
  ],
  testTimeout: 60_000,
  testSequencer: '<rootDir>/tools/slow-first.mjs',
  // Jest alone would leave one core to itself.
  maxWorkers: '100%',
};
