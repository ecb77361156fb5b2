// The folder rules: a step of the line imports only from the steps before it, and through its index.
const line = [
  'lists',
  'measure',
  'text',
  'plane',
  'solid',
  'wood',
  'animals',
  'plan',
  'panels',
  'checks',
  'families',
  'job',
  'layout',
  'cuts',
  'building',
  'advice',
  'spares',
  'trail',
  'sheets',
  'exchange',
  'api',
];
const TEST = '(\\.test\\.ts$|^packages/core/test/)';
const oneWay = line.slice(0, -1).map((step, at) => ({
  name: `${step}-imports-only-earlier-steps`,
  severity: 'error',
  from: { path: `^packages/core/src/${step}/`, pathNot: TEST },
  to: { path: `^packages/core/src/(${line.slice(at + 1).join('|')})/` },
}));
module.exports = {
  forbidden: [
    ...oneWay,
    {
      name: 'a-step-is-entered-through-its-index',
      severity: 'error',
      from: { path: '^packages/core/(src/([^/]+)|test)/' },
      to: {
        path: '^packages/core/src/[^/]+/',
        pathNot: '^packages/core/src/($2/|[^/]+/index\\.ts$)',
      },
    },
    {
      name: 'apps-import-only-indexes',
      severity: 'error',
      from: { path: '^(apps|e2e)', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^packages/core/',
        pathNot: '^packages/core/(src/[^/]+/index\\.ts|dist/[^/]+/index\\.(js|d\\.ts))$',
      },
    },
    {
      name: 'core-knows-no-app',
      severity: 'error',
      from: { path: '^packages/core' },
      to: { path: '^(apps|e2e)' },
    },
    {
      name: 'core-knows-no-platform',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: TEST },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'only-documents-know-their-schemas',
      severity: 'error',
      from: {
        path: '^packages/core/src',
        pathNot: '(^packages/core/src/(exchange|api)/|\\.test\\.ts$)',
      },
      to: { path: 'node_modules/(zod|papaparse)' },
    },
    {
      name: 'only-sheets-know-drawing-formats',
      severity: 'error',
      from: {
        path: '^packages/core/src',
        pathNot: '(^packages/core/src/sheets/writers/|\\.test\\.ts$)',
      },
      to: { path: 'node_modules/(pdf-lib|@pdf-lib|@tarikjabiri)' },
    },
    {
      name: 'only-repositories-know-sql',
      severity: 'error',
      from: {
        path: '^apps/server/src',
        pathNot: '(repository|database/|backup/|testing/|\\.test\\.ts$)',
      },
      to: { path: 'node_modules/(knex|mysql2)' },
    },
    {
      name: 'search-and-checker-are-strangers',
      severity: 'error',
      from: { path: '^packages/core/src/layout/search/', pathNot: TEST },
      to: { path: '^packages/core/src/layout/checker/' },
    },
    {
      name: 'checker-and-search-are-strangers',
      severity: 'error',
      from: { path: '^packages/core/src/layout/checker/', pathNot: TEST },
      to: { path: '^packages/core/src/layout/search/' },
    },
    {
      name: 'apps-are-strangers',
      severity: 'error',
      from: { path: '^apps/([^/]+)/' },
      to: { path: '^apps/', pathNot: '^apps/$1/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|\\.d\\.ts$)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.rules.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
    },
  },
};
