import { defineConfig } from 'vitest/config'

/** The tests of core and a slice of the truths: what they notice is what is measured. */
export default defineConfig({
  test: {
    environment: 'node',
    isolate: false,
    testTimeout: 60_000,
    include: ['core/src/**/*.test.ts', 'benchmarks/{mutants,judged}/*.test.ts'],
  },
})
