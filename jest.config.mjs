/** Unit tests sit beside the code; tests that need PostgreSQL end in .db.test.ts and get their server from bin/test. */
export default {
  // Both cores: the runner would leave one idle.
  maxWorkers: 2,
  // A thread of the planner's pool takes seconds to begin on a cold disk: how long is no question of right or wrong.
  testTimeout: 30_000,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  testEnvironmentOptions: { globalsCleanup: 'off' },
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        module: { type: 'es6' },
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1', '^server-only$': '<rootDir>/src/server/serverOnlyElsewhere.ts' },
}
