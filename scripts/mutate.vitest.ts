import { defineConfig } from 'vitest/config'

/** The tests of the core, with fewer problems each: a fault is looked for hundreds of times over. */
export default defineConfig({
  resolve: { conditions: ['source'] },
  ssr: { resolve: { conditions: ['source'] } },
  test: {
    include: ['core/src/{technique,question,session,diagnose,soroban,flash}/**/*.test.ts'],
    // What takes minutes and looks at the same things from further away: the score is at least what is said.
    exclude: ['core/src/technique/{agreement,exhaustive}.test.ts', 'core/src/soroban/soroban.test.ts'],
    isolate: false,
    env: { PROBLEMS: '1', SEEDS: '1' },
    testTimeout: 300_000,
  },
})
