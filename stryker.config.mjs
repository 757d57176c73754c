/** Mutation testing of the core; started by `npm run mutate`. */
export default {
  testRunner: 'jest',
  jest: { projectType: 'custom', configFile: 'jest.mutation.cjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  ignorePatterns: [
    '/*',
    '!/core',
    '!/package.json',
    '!/jest.config.cjs',
    '!/jest.mutation.cjs',
    '!/tsconfig.base.json',
  ],
  reporters: ['json', 'progress-append-only'],
  jsonReporter: { fileName: '.build/mutation.json' },
  concurrency: 2,
  timeoutMS: 4000,
  tempDirName: '.build/mutation',
  allowConsoleColors: false,
  disableTypeChecks: false,
};
