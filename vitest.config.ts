import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

// Made by the build alone.
const builtIn = {
  'virtual:pwa-register': fileURLToPath(new URL('web/src/test/pwa-register.test-help.ts', import.meta.url)),
}

/** Each takes as long as dozens of others. */
const longest = ['sync-kills', 'benchmarks/truth/truth']

/** The usual order, but first what takes longest: nobody waits for it at the end. */
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files)
    const long = (f: TestSpecification) => longest.some((name) => f.moduleId.includes(name))
    return [...sorted.filter(long), ...sorted.filter((f) => !long(f))]
  }
}

export default defineConfig({
  test: {
    maxWorkers: 2,
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'unit',
          environment: 'node',
          isolate: false,
          // Properties over many simulated machines: how long they take is the machine's business.
          testTimeout: 180_000,
          hookTimeout: 60_000,
          include: ['{core,contract,demo,web}/src/**/*.test.{ts,tsx}', 'benchmarks/{truth,judged,trace}/*.test.ts'],
          exclude: ['**/node_modules/**', '**/*.{dom,phone}.test.tsx'],
        },
      },
      {
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'dom',
          alias: builtIn,
          isolate: false,
          environment: 'jsdom',
          // Roles are looked up without a layout engine: slow on a busy machine.
          testTimeout: 180_000,
          hookTimeout: 60_000,
          environmentOptions: { jsdom: { url: 'http://127.0.0.1:9' } },
          include: ['web/src/**/*.dom.test.tsx'],
          setupFiles: ['web/src/test/browser.test-help.ts'],
        },
      },
      {
        oxc: { jsx: { runtime: 'automatic' } },
        test: {
          name: 'phone',
          alias: builtIn,
          // A phone that keeps something watches its store and sends it home for as long as its page is open: each of
          // these files has a page of its own.
          isolate: true,
          environment: 'jsdom',
          testTimeout: 180_000,
          hookTimeout: 60_000,
          environmentOptions: { jsdom: { url: 'http://127.0.0.1:9' } },
          include: ['web/src/**/*.phone.test.tsx'],
          setupFiles: ['web/src/test/browser.test-help.ts'],
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          environment: 'node',
          // The phone's line and the real server meet outside of both.
          include: ['server/src/**/*.test.ts', 'e2e/**/*.test.ts'],
          // Many load the whole demo: a machine that gives a third of itself takes a minute for it.
          testTimeout: 180_000,
          hookTimeout: 180_000,
          globalSetup: ['scripts/vitest-postgres.mjs'],
        },
      },
    ],
  },
})
