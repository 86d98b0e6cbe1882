import { defineConfig } from '@playwright/test'
import { launchOptions } from './scripts/lib/browser.mjs'

export default defineConfig({
  testDir: 'e2e',
  // What runs without a browser there is Vitest's.
  testMatch: '**/*.spec.ts',
  outputDir: '.playwright/results',
  globalSetup: './scripts/e2e-data.mjs',
  workers: 2,
  // A busy machine answers late, and a long walk opens several pages: what never comes is told all the same.
  timeout: 120_000,
  expect: { timeout: 15_000 },
  forbidOnly: process.env['CI'] !== undefined,
  reporter: process.env['E2E_REPORT'] ? [['line'], ['json', { outputFile: process.env['E2E_REPORT'] }]] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'America/Halifax',
    // Recording every step takes a quarter of the time of a run: asked for where a failure is looked into.
    trace: process.env['E2E_TRACE'] ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    browserName: 'chromium',
    launchOptions,
  },
})
