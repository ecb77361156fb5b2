// The folder rules: a step of the line imports only from the steps before it.
const line = ['measure', 'wood', 'animals', 'solid', 'box', 'layout', 'sawing', 'building', 'trail', 'exchange'];
const oneWay = line.slice(0, -1).map((step, at) => ({
  name: `${step}-imports-only-earlier-steps`,
  severity: 'error',
  from: { path: `^packages/core/src/${step}/` },
  to: { path: `^packages/core/src/(${line.slice(at + 1).join('|')})/` },
}));
module.exports = {
  forbidden: [
    ...oneWay,
    { name: 'core-knows-no-app', severity: 'error', from: { path: '^packages/core' }, to: { path: '^(apps|e2e)' } },
    {
      name: 'core-knows-no-platform',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'only-exchange-knows-file-formats',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '(^packages/core/src/exchange/|\\.test\\.ts$)' },
      to: { path: 'node_modules/(zod|papaparse)' },
    },
    {
      name: 'only-repositories-know-sql',
      severity: 'error',
      from: { path: '^apps/server/src', pathNot: '(repository|database/|testing/|\\.test\\.ts$)' },
      to: { path: 'node_modules/(knex|mysql2)' },
    },
    {
      name: 'search-and-checker-are-strangers',
      severity: 'error',
      from: { path: '^packages/core/src/layout/search/', pathNot: '\\.test\\.ts$' },
      to: { path: '^packages/core/src/layout/checker/' },
    },
    {
      name: 'checker-and-search-are-strangers',
      severity: 'error',
      from: { path: '^packages/core/src/layout/checker/', pathNot: '\\.test\\.ts$' },
      to: { path: '^packages/core/src/layout/search/' },
    },
    { name: 'apps-are-strangers', severity: 'error', from: { path: '^apps/([^/]+)/' }, to: { path: '^apps/', pathNot: '^apps/$1/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|\\.d\\.ts$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.rules.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default', 'types'] },
  },
};
