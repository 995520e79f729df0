import { defineConfig } from '@playwright/test'

const LONG = /(run|killed|one-batch|crystals|route)\.spec\.ts/

/** The real interface against a running server: bin/test starts one and names it in ZIP_LEDGER_URL. */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/signed-in.ts',
  // One test walks through a whole job with several accessibility checks; a slow machine needs the time.
  timeout: 180_000,
  // What takes how long is measured in bench/, not here: a busy machine only waits longer.
  expect: { timeout: 30_000 },
  // Tests are apart from each other, and each waits more than it works.
  workers: 3,
  fullyParallel: true,
  // The longest begin first: one that begins last is waited for alone.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'rest', testIgnore: LONG },
  ],
  retries: 0,
  reporter: [['list'], ['json', { outputFile: '.build/e2e.json' }]],
  use: {
    // What is not there in this time is not there: the test need not wait for its own end.
    actionTimeout: 40_000,
    storageState: '.build/signed-in.json',
    baseURL: process.env.ZIP_LEDGER_URL ?? 'http://127.0.0.1:3000',
    // Requests that a test answers itself must not go round by the service worker; the test of that worker allows it.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
