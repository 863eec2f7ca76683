/** The rules of the house: who may import whom. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Files that need each other are one idea in two places, or two ideas in one.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-knows-only-types',
      comment: 'The engine takes its types from the contract and nothing else of this repo.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(packages/contract|apps|e2e|tools)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'core-is-pure',
      comment:
        'No package with an interface or input and output in the engine: those named reckon, compare, keep and write text only.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '(\\.test\\.ts$|/test/)' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: 'node_modules/(@types/)?(luxon|culori|dequal|ical-generator|lru-cache)/',
      },
    },
    {
      name: 'contract-stands-alone',
      severity: 'error',
      from: { path: '^packages/contract/src', pathNot: '\\.test\\.ts$' },
      to: { path: '^(packages/core|apps|e2e|tools)/' },
    },
    {
      name: 'web-and-server-apart',
      severity: 'error',
      from: { path: '^apps/web/' },
      to: { path: '^apps/server/' },
    },
    {
      name: 'server-and-web-apart',
      severity: 'error',
      from: { path: '^apps/server/' },
      to: { path: '^apps/web/' },
    },
    {
      name: 'pictures-in-the-worker',
      comment: 'The engine plans in a worker; the page itself takes only small helpers of it.',
      severity: 'error',
      from: { path: '^apps/web/src', pathNot: '^apps/web/src/workers/' },
      to: { path: '^packages/core/src/plan\\.ts$' },
    },
    {
      name: 'nothing-counted-from-the-picture',
      comment: 'What counts, holds and fits asks where a piece is (placementOf), never how it looks.',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$|^packages/core/src/index\\.ts$' },
      to: { path: '^packages/core/src/piece/picture-of\\.ts$' },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '\\?(worker|url)$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|^\\.cache/)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
