import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import jest from './jest.config.mjs'

/**
 * Mutation testing of a folder of core: bin/bench mutants vehicle. Its own tests are asked, and with
 * ISTRUZIONE_MUTANT_TESTS=core those of all of core but the search's, which take a minute each. With
 * ISTRUZIONE_MUTANT_LINES=N only what stands on N of its lines is changed, drawn by a fixed seed: a share of the whole
 * where the whole would take hours. What spans several lines is then left alone. Changes of tables that every test
 * loads take a minute each: they are left out, unless ISTRUZIONE_MUTANT_STATIC=too.
 */
const folder = process.env.ISTRUZIONE_MUTANTS ?? 'vehicle'
const lines = Number(process.env.ISTRUZIONE_MUTANT_LINES ?? 0)
const asked =
  process.env.ISTRUZIONE_MUTANT_TESTS === 'core'
    ? [`<rootDir>/src/core/!(sequence)/**/!(lanesOf|waits|findPlan|player|planJob|checkRecord).test.ts`]
    : [`<rootDir>/src/core/${folder}/**/*.test.ts`]
const isOwn = (name) => name.endsWith('.ts') && !/\.(test|testing)\.ts$/.test(name)

/** Lines that hold more than a brace or a comment, as Stryker names them. */
function allLines() {
  return readdirSync(join('src/core', folder), { recursive: true })
    .filter(isOwn)
    .map((name) => join('src/core', folder, name))
    .flatMap((file) =>
      readFileSync(file, 'utf8')
        .split('\n')
        .flatMap((text, i) => (/^\s*(\/?\*|\/\/|import |$)|^\W*$/.test(text) ? [] : [`${file}:${i + 1}-${i + 1}`])),
    )
}

/** N of a list, by a linear congruential generator (Numerical Recipes, from memory) with a fixed seed. */
function drawn(list, count) {
  let seed = 20261129
  const left = [...list]
  return Array.from({ length: Math.min(count, list.length) }, () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
    return left.splice(seed % left.length, 1)[0]
  })
}

export default {
  mutate: [
    ...(lines > 0 ? drawn(allLines(), lines) : [`src/core/${folder}/**/*.ts`]),
    '!src/core/**/*.test.ts',
    '!src/core/**/*.testing.ts',
  ],
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning'],
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { config: { ...jest, testMatch: asked }, enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  ignoreStatic: process.env.ISTRUZIONE_MUTANT_STATIC !== 'too',
  timeoutMS: 20_000,
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: true },
  jsonReporter: { fileName: '.data/mutants.json' },
  tempDirName: '.data/stryker',
  ignorePatterns: ['.next', '.next-test', '.data', '.test-data', 'docs', 'e2e', 'test-results', 'src/app', 'src/ui'],
  // Words and schemas' sentences are no behaviour.
  mutator: { excludedMutations: ['StringLiteral'] },
}
