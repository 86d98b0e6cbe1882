import { defineConfig } from '@playwright/test'
import { launchOptions } from './scripts/lib/browser.mjs'

const port = Number(process.env['E2E_PORT'] ?? 4398)

export default defineConfig({
  testDir: 'e2e',
  outputDir: '.playwright/results',
  workers: 1,
  timeout: 60_000,
  forbidOnly: process.env['CI'] !== undefined,
  reporter: process.env['E2E_REPORT'] ? [['line'], ['json', { outputFile: process.env['E2E_REPORT'] }]] : [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'America/Halifax',
    trace: 'retain-on-failure',
    browserName: 'chromium',
    launchOptions,
  },
  webServer: {
    command: 'node scripts/e2e-server.mjs',
    url: `http://127.0.0.1:${port}/api/v1/health`,
    reuseExistingServer: false,
    timeout: 60_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    env: { E2E_PORT: String(port) },
  },
})
