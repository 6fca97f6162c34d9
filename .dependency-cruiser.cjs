/** Which folder may import which: the table of docs/architecture.md. A change here is a decision, written there. */
const layers = {
  'core/base': [],
  'core/procedure': ['core/base'],
  'core/shop': ['core/base', 'core/procedure'],
  'core/standards': ['core/base'],
  'core/estimate': ['core/base', 'core/procedure', 'core/shop'],
  'core/order': ['core/base', 'core/procedure', 'core/shop'],
  'core/vehicle': ['core/base', 'core/procedure', 'core/order', 'core/shop'],
  // The bare sequencing knows nothing of vehicles.
  'core/sequence': ['core/base'],
  // Nor does the bare laying of leads.
  'core/layout': ['core/base'],
  'core/leads': [
    ...['core/base', 'core/procedure', 'core/shop', 'core/standards', 'core/layout', 'core/order', 'core/vehicle'],
  ],
  'core/plan': [
    ...['core/base', 'core/procedure', 'core/shop', 'core/order', 'core/vehicle', 'core/estimate', 'core/sequence'],
    ...['core/layout', 'core/leads'],
  ],
  'core/job': ['core/base', 'core/procedure', 'core/shop', 'core/order', 'core/vehicle', 'core/plan'],
  'core/shorthand': ['core/base', 'core/procedure', 'core/shop'],
  'core/formats': ['core/base', 'core/procedure', 'core/order', 'core/plan', 'core/job'],
  db: ['core'],
  // Of workers types only: the pool starts them by their address.
  server: ['core', 'db', 'words', 'workers'],
  // The sheet is drawn on a thread.
  workers: ['core', 'words', 'paper'],
  paper: ['core', 'words'],
  // Types only: the worker itself is started by its address.
  client: ['core', 'workers'],
  words: ['core'],
  ui: ['core', 'client', 'words', 'paper'],
  // What is made of leads is in words, as a crew's own work is.
  demo: ['core', 'server', 'db', 'words'],
  cli: ['core', 'words'],
}
/** The folders of ui from the bottom up: each may import those before it. */
const floors = [
  ['marks'],
  ['shell', 'say'],
  ['forms', 'map', 'order', 'figures'],
  ['job'],
  ['paper', 'plan', 'today', 'shop', 'procedure'],
  ['record', 'kit'],
]
const escape = (path) => path.replace('/', '\\/')

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(layers).map(([folder, allowed]) => ({
      name: `${folder}-imports`,
      comment: `src/${folder} may import ${allowed.join(', ') || 'nothing of ours'}.`,
      severity: 'error',
      from: { path: `^src/${escape(folder)}/`, pathNot: '\\.(test|testing)\\.tsx?$' },
      to: { path: '^src/', pathNot: `^src/(${[folder, ...allowed].map(escape).join('|')})/` },
    })),
    ...floors.map((folders, i) => ({
      name: `ui-${folders.join('-')}-imports-downward`,
      severity: 'error',
      from: { path: `^src/ui/(${folders.join('|')})/`, pathNot: '\\.test\\.tsx?$' },
      to: {
        path: `^src/ui/(${
          floors
            .slice(i + 1)
            .flat()
            .join('|') || 'nothing'
        })/`,
      },
    })),
    {
      name: 'core-has-no-io',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.(test|testing)\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-packages',
      comment: 'Core uses zod only.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '(\\.(test|testing)\\.ts$|^src/core/shorthand/)' },
      to: { dependencyTypes: ['npm', 'npm-dev'], pathNot: 'node_modules/zod' },
    },
    {
      name: 'shorthand-packages',
      comment: 'A grammar is made with a parser library.',
      severity: 'error',
      from: { path: '^src/core/shorthand/', pathNot: '\\.(test|testing)\\.ts$' },
      to: { dependencyTypes: ['npm', 'npm-dev'], pathNot: 'node_modules/(zod|chevrotain|fastest-levenshtein)' },
    },
    {
      name: 'core-tests-stay-in',
      comment: 'Tests of core have their own vehicles (core/testing) and need no interface.',
      severity: 'error',
      from: { path: '^src/core/' },
      to: { path: '^src/', pathNot: '^src/(core|words)/' },
    },
    {
      name: 'a-language-is-a-folder',
      comment: 'What reads lines is told its language (reader/language.ts) and imports none.',
      severity: 'error',
      from: {
        path: '^src/',
        pathNot: '^src/core/shorthand/reader/(english/|language\\.ts$)|\\.(test|testing)\\.ts$',
      },
      to: { path: '^src/core/shorthand/reader/english/' },
    },
    {
      name: 'demo-stays-out',
      severity: 'error',
      from: { path: '^src/', pathNot: '(^src/demo/|\\.test\\.ts$)' },
      to: { path: '^src/demo/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
}
