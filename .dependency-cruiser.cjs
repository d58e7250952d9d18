/** The rooms and their doors (ARCHITECTURE.md). A violation fails `./kettle test`. */
module.exports = {
  forbidden: [
    {
      name: 'core-imports-nothing',
      comment: 'The computation stands alone: no package, no Node module, no other workspace.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$|/testing/' },
      to: { pathNot: '^packages/core/src' },
    },
    {
      name: 'core-folder-doors',
      comment: 'A concept folder of core is entered through its index.ts.',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^packages/core/src/([^/]+)/',
        pathNot: '^packages/core/src/($1/|[^/]+/index\\.ts$)',
      },
    },
    {
      name: 'contract-imports-core-only',
      severity: 'error',
      from: { path: '^packages/contract/src' },
      to: { path: '^apps/' },
    },
    {
      name: 'apps-do-not-import-each-other',
      severity: 'error',
      from: { path: '^apps/([^/]+)/' },
      to: { path: '^apps/', pathNot: '^apps/$1/' },
    },
    {
      name: 'stations-do-not-import-each-other',
      comment: 'What two stations share lives in batch/, ui/, data/ or core.',
      severity: 'error',
      from: { path: '^apps/web/src/stations/([^/]+)/' },
      to: { path: '^apps/web/src/stations/', pathNot: '^apps/web/src/stations/$1/' },
    },
    {
      name: 'server-nouns-do-not-cross',
      comment:
        'A noun of the server uses another noun only through its model or service, never its controller.',
      severity: 'error',
      from: { path: '^apps/server/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^apps/server/src/([^/]+)/.*\\.controller\\.ts$',
        pathNot: '^apps/server/src/$1/',
      },
    },
    {
      name: 'web-layers',
      comment: 'data and ui know no batch, batch no station, stations no app; ui may use data.',
      severity: 'error',
      from: { path: '^apps/web/src/data/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^apps/web/src/(ui|batch|stations|app)/' },
    },
    {
      name: 'web-layers-ui',
      severity: 'error',
      from: { path: '^apps/web/src/ui/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^apps/web/src/(batch|stations|app)/' },
    },
    {
      name: 'web-layers-batch',
      severity: 'error',
      from: { path: '^apps/web/src/batch/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^apps/web/src/(stations|app)/' },
    },
    {
      name: 'web-layers-stations',
      severity: 'error',
      from: { path: '^apps/web/src/stations/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^apps/web/src/app/' },
    },
    {
      name: 'server-nouns-own-their-tables',
      comment: 'The model of a noun is read by that noun; others ask its service.',
      severity: 'error',
      from: {
        path: '^apps/server/src/([^/]+)/',
        pathNot: '\\.test\\.ts$|/database/|/demo/|\\.module\\.ts$',
      },
      to: { path: '^apps/server/src/[^/]+/.*\\.models?\\.ts$', pathNot: '^apps/server/src/$1/' },
    },
    {
      name: 'e2e-imports-no-app',
      comment: 'The browser tests know the product by its pages, and core for what it computes.',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^apps/', pathNot: '^apps/server/src/testing/database\\.ts$' },
    },
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans',
      severity: 'error',
      from: {
        orphan: true,
        pathNot: [
          '\\.d\\.ts$',
          '\\.test\\.tsx?$',
          'vite\\.config\\.ts$',
          'jest\\.config\\.',
          '/migrations/',
          'apps/web/src/main\\.tsx$',
          '^e2e/playwright\\.config\\.ts$',
          '^e2e/support/clocked-server\\.mjs$',
        ],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules|/dist/' },
    exclude: { path: '/dist/|node_modules' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
    },
    tsConfig: { fileName: 'tsconfig.base.json' },
  },
};
