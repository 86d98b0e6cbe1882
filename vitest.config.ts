import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      {
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'unit',
          environment: 'node',
          isolate: false,
          include: ['{core,contract,demo,web}/src/**/*.test.{ts,tsx}'],
          exclude: ['**/node_modules/**', '**/*.dom.test.tsx'],
        },
      },
      {
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'dom',
          isolate: false,
          environment: 'jsdom',
          // Roles are looked up without a layout engine: slow on a busy machine.
          testTimeout: 60_000,
          environmentOptions: { jsdom: { url: 'http://127.0.0.1:9' } },
          include: ['web/src/**/*.dom.test.tsx'],
          setupFiles: ['web/src/test/browser.test-help.ts'],
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          environment: 'node',
          include: ['server/src/**/*.test.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
          globalSetup: ['scripts/vitest-postgres.mjs'],
        },
      },
    ],
  },
})
