import { defineConfig } from '@playwright/test'
import { BROWSER } from './e2e/browser.mjs'

const port = process.env.ISTRUZIONE_TEST_PORT ?? '3199'
// Where bench/shopClient.ts asks.
process.env.BASE = `http://localhost:${port}`

/** The real application in Debian's Chromium. bin/test starts the server; this waits until it answers. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '*.e2e.ts',
  workers: 2,
  // Every test makes its own vehicles or its own shop: they run in any order, and neither worker waits for a long file.
  fullyParallel: true,
  projects: [
    // What the demo's own strips teach is looked at before anybody adds to them.
    { name: 'untouched', testMatch: 'order.e2e.ts', fullyParallel: false },
    {
      name: 'together',
      testIgnore: ['order.e2e.ts', 'killed.e2e.ts', 'demoRemoved.e2e.ts'],
      dependencies: ['untouched'],
    },
    // These take the server or the demo away from everybody else: alone, and last.
    { name: 'killed', testMatch: 'killed.e2e.ts', fullyParallel: false, dependencies: ['together'] },
    { name: 'removed', testMatch: 'demoRemoved.e2e.ts', fullyParallel: false, dependencies: ['killed'] },
  ],
  timeout: 90_000,
  expect: { timeout: 10_000, toPass: { intervals: [50] } },
  reporter: [['list'], ['json']],
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: BROWSER,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // A name of this machine that is not its loopback's: to the browser a page from elsewhere.
        '--host-resolver-rules=MAP tablet.shop.test 127.0.0.1',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  globalSetup: './e2e/waitForServer.ts',
})
