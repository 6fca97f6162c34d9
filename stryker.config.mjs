import jest from './jest.config.mjs'

/** Mutation testing of core: bin/bench mutants [FOLDER of core]. */
export default {
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning'],
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { config: { ...jest, testMatch: ['<rootDir>/src/core/**/*.test.ts'] }, enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  timeoutMS: 20_000,
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: true },
  jsonReporter: { fileName: '.data/mutants.json' },
  tempDirName: '.data/stryker',
  ignorePatterns: ['.next', '.next-test', '.data', '.test-data', 'docs', 'e2e', 'test-results', 'src/app', 'src/ui'],
  // Words and schemas' sentences are no behaviour.
  mutator: { excludedMutations: ['StringLiteral'] },
}
