import next from 'eslint-config-next/core-web-vitals'
import typescript from 'eslint-config-next/typescript'

const CLOCK = [
  { object: 'Date', property: 'now', message: 'Core has no clock: time is an argument.' },
  { object: 'Math', property: 'random', message: 'Core has no chance: a seed is an argument.' },
]

// What looks at components has nothing to find where there are none, and takes most of the time.
const NO_COMPONENTS = ['src/{core,server,db,demo,cli,client,words}/**/*.ts', 'bench/**', 'e2e/**', 'bin/**']
const ofComponents = Object.fromEntries(
  next.flatMap(({ rules = {} }) =>
    Object.keys(rules)
      .filter((rule) => /^(react|react-hooks|jsx-a11y|@next\/next)\//.test(rule))
      .map((rule) => [rule, 'off']),
  ),
)

const config = [
  {
    ignores: [
      '.next/',
      '.next-test/',
      '.data/',
      '.test-data/',
      'node_modules/',
      'next-env.d.ts',
      // Given as it is: the shared lines' own program.
      'bench/scoreLines.mjs',
      'test-results/',
      'playwright-report/',
    ],
  },
  ...next,
  ...typescript,
  { files: NO_COMPONENTS, rules: ofComponents },
  {
    rules: {
      'import/no-anonymous-default-export': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      eqeqeq: 'error',
      // Prettier breaks everything but sentences and lists of classes, which are not cut in two.
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
    },
  },
  {
    files: ['src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.testing.ts', 'src/core/shorthand/reader/english/**', 'src/demo/**'],
    rules: {
      complexity: ['error', 15],
      'max-lines': ['error', 300],
      'max-lines-per-function': ['error', { max: 60, skipComments: true, skipBlankLines: true }],
    },
  },
  // Of a component half the lines are markup: it is long where it shows much, and has few branches all the same.
  {
    files: ['src/**/*.tsx'],
    ignores: ['**/*.test.tsx'],
    rules: {
      complexity: ['error', 25],
      'max-lines': ['error', 300],
      'max-lines-per-function': ['error', { max: 150, skipComments: true, skipBlankLines: true }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-properties': ['error', ...CLOCK],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date']", message: 'Core has no clock: time is an argument.' },
      ],
    },
  },
]

export default config
