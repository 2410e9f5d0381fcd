import { defineConfig, devices } from '@playwright/test'

const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** A production server a worker, the demo yard in a database of its own for each errand (see e2e/test-support). */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/test-support/demo.ts',
  // a page of ours is quick; a machine with two cores and two browsers on it, of which others take four fifths, is not
  timeout: 300_000,
  expect: { timeout: 40_000 },
  workers: 2,
  fullyParallel: true,
  // a machine that stalls for half a minute fails an errand that nothing is wrong with: once more, and told as flaky
  retries: 1,
  reporter: [['list']],
  use: {
    ...devices['Desktop Chrome'],
    viewport: { width: 1280, height: 800 },
    video: 'off',
    trace: 'off',
    screenshot: 'only-on-failure',
    actionTimeout: 40_000,
    launchOptions: { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args },
  },
})
