const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  setupFilesAfterEnv: ['<rootDir>/test/seed.ts'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: {
            legacyDecorator: true,
            decoratorMetadata: true,
            react: { runtime: 'automatic' },
          },
        },
        module: { type: 'es6' },
      },
    ],
  },
  moduleNameMapper: {
    '^@spare-knot/core/(.*)$': '<rootDir>/packages/core/src/$1/index',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
};
const project = (displayName, folder) => ({
  ...shared,
  displayName,
  testMatch: [`<rootDir>/${folder}/**/*.test.ts`],
});
export default {
  // A busy machine is no fault of the code.
  testTimeout: 300_000,
  projects: [
    project('core', 'packages/core/src'),
    project('cli', 'apps/cli/src'),
    project('web', 'apps/web/src'),
    project('server', 'apps/server/src'),
  ],
};
