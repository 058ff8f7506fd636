import { defineConfig } from 'vitest/config'

/** The tests of the core, with fewer problems each: a fault is looked for hundreds of times over. */
export default defineConfig({
  resolve: { conditions: ['source'] },
  ssr: { resolve: { conditions: ['source'] } },
  test: {
    include: ['core/src/**/*.test.ts'],
    env: { PROBLEMS: '3', SEEDS: '3' },
    testTimeout: 300_000,
  },
})
