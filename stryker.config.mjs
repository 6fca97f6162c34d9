import jest from './jest.config.mjs'

/**
 * Mutation testing of a folder of core by its own tests: bin/bench mutants vehicle. What only a test far away would
 * notice counts as survived.
 */
const folder = process.env.ISTRUZIONE_MUTANTS ?? 'vehicle'
export default {
  mutate: [`src/core/${folder}/**/*.ts`, '!src/core/**/*.test.ts', '!src/core/**/*.testing.ts'],
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning'],
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { config: { ...jest, testMatch: [`<rootDir>/src/core/${folder}/**/*.test.ts`] }, enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  timeoutMS: 20_000,
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: true },
  jsonReporter: { fileName: '.data/mutants.json' },
  tempDirName: '.data/stryker',
  ignorePatterns: ['.next', '.next-test', '.data', '.test-data', 'docs', 'e2e', 'test-results', 'src/app', 'src/ui'],
  // Words and schemas' sentences are no behaviour.
  mutator: { excludedMutations: ['StringLiteral'] },
}
