/** One direction of imports: core ← contract ← server, web; core ← cli; inside core the order of the rooms. Nobody reaches past a face. */
const ROOMS = [
  'units',
  'circuit',
  'rules',
  'parts',
  'profile',
  'standards',
  'simulation',
  'bench',
  'question',
  'inference',
  'test-choice',
  'proof',
  'diagnosis',
  'analysis',
  'visit',
  'practice',
  'instruments',
  'presentation',
];

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...ROOMS.map((room, i) => ({
      name: `${room}-looks-down-only`,
      severity: 'error',
      from: { path: `^packages/core/src/${room}/` },
      to: { path: `^packages/core/src/(${ROOMS.slice(i + 1).join('|') || 'nothing-above'})/` },
    })),
    ...ROOMS.map((room) => ({
      name: `${room}-has-one-face`,
      severity: 'error',
      from: { path: '^packages/', pathNot: `^packages/core/src/${room}/` },
      to: { path: `^packages/core/src/${room}/(?!index\\.ts$)` },
    })),
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'The engine knows no React, no Express, no database and no clock.',
      from: { path: '^packages/core/src' },
      to: {
        pathNot: [
          '^packages/core/src',
          '^node_modules/yaml',
          '^node_modules/papaparse',
          '^node_modules/@sinclair/typebox',
        ],
      },
    },
    {
      name: 'contract-knows-only-core',
      severity: 'error',
      from: { path: '^packages/contract/src' },
      to: { path: '^packages/(server|web|cli|meter)/' },
    },
    {
      name: 'the-validator-stays-on-the-server',
      severity: 'error',
      comment: 'Joi must not weigh on the first load.',
      from: { path: '^packages/web/src' },
      to: { path: '^packages/contract/src/check/' },
    },
    {
      name: 'web-and-server-are-strangers',
      severity: 'error',
      from: { path: '^packages/web/src' },
      to: { path: '^packages/(server|cli|meter)/' },
    },
    {
      name: 'server-knows-core-and-contract',
      severity: 'error',
      from: { path: '^packages/server/src' },
      to: { path: '^packages/(web|cli|meter)/' },
    },
    {
      name: 'services-and-routes-know-no-sequelize',
      severity: 'error',
      from: { path: '^packages/server/src/features/[^/]+/(service|routes)\\.ts$' },
      to: { path: '^node_modules/sequelize' },
    },
    {
      name: 'cli-knows-only-core',
      severity: 'error',
      from: { path: '^packages/cli/src' },
      to: { path: '^packages/(contract|web|server|meter)/' },
    },
    {
      name: 'meter-knows-only-core',
      severity: 'error',
      from: { path: '^packages/meter/src' },
      to: { path: '^packages/(contract|web|server|cli)/' },
    },
    {
      name: 'places-are-strangers',
      severity: 'error',
      from: { path: '^packages/web/src/places/([^/]+)/' },
      to: { path: '^packages/web/src/places/', pathNot: '^packages/web/src/places/$1/' },
    },
    {
      name: 'places-are-on-top',
      severity: 'error',
      from: { path: '^packages/web/src/(?!app/|places/|main\\.tsx)' },
      to: { path: '^packages/web/src/(app|places)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|/test/|\\.test\\.ts$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs'],
    },
  },
};
