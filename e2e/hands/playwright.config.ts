import { defineConfig } from '@playwright/test'
import { launchOptions } from '../../scripts/lib/browser.mjs'

/** The drill `hands`. It is no part of the tests: what random hands meet depends on the moment, and a run of the tests must not. */
export default defineConfig({
  testDir: '.',
  testMatch: 'hands.ts',
  outputDir: '../../.playwright/hands',
  globalSetup: '../../scripts/e2e-data.mjs',
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  reporter: [['list']],
  use: { locale: 'en-GB', timezoneId: 'America/Halifax', browserName: 'chromium', launchOptions },
})
