/**
 * One Jest for every workspace; CommonJS through SWC, since native ESM Jest cannot load every
 * server package.
 */
const swc = (parser) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser,
      transform: {
        legacyDecorator: true,
        decoratorMetadata: true,
        useDefineForClassFields: false,
        react: { runtime: 'automatic' },
      },
      keepClassNames: true,
    },
    module: { type: 'commonjs' },
    sourceMaps: 'inline',
  },
];
const project = (displayName, rootDir) => ({
  displayName,
  rootDir,
  testEnvironment: 'node',
  // A test runs in a context of its own, where a global is looked up slowly: forecasts take a fifth
  // of the time with these at hand.
  sandboxInjectedGlobals: ['Array', 'Math', 'Number', 'Object'],
  setupFiles: [`${__dirname}/scripts/jest-seed.cjs`],
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  moduleNameMapper: {
    '^@idle-kettle/core$': `${__dirname}/packages/core/src/index.ts`,
    '^@idle-kettle/contract$': `${__dirname}/packages/contract/src/index.ts`,
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  transform: {
    '^.+\\.ts$': swc({ syntax: 'typescript', decorators: true }),
    '^.+\\.tsx$': swc({ syntax: 'typescript', tsx: true, decorators: true }),
    '^.+\\.m?js$': swc({ syntax: 'ecmascript' }),
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(@faker-js|@nestjs|uuid|idb|fake-indexeddb|date-fns|ml-[a-z-]+|d3-[a-z]+|internmap|is-any-array|cheminfo-types)/)',
  ],
});
module.exports = {
  projects: [
    project('core', 'packages/core'),
    project('contract', 'packages/contract'),
    project('calc', 'apps/calc'),
    project('server', 'apps/server'),
    project('web', 'apps/web'),
  ],
};
