import { defineConfig } from 'vitest/config'

/** The folders whose lines are broken. */
const folders = (process.env.MUTATED ?? 'core/src').split(',')

/** Their tests, with fewer problems each: a fault is looked for hundreds of times over. */
export default defineConfig({
  resolve: { conditions: ['source'] },
  ssr: { resolve: { conditions: ['source'] } },
  test: {
    include: folders.map((folder) => `${folder}/**/*.test.ts`),
    // What takes minutes and looks at the same things from further away: the score is at least what is said.
    exclude: [
      'core/src/technique/{agreement,exhaustive}.test.ts',
      'core/src/soroban/soroban.test.ts',
      'server/src/{restore,work,demo,upgrade}.test.ts',
    ],
    isolate: false,
    env: { PROBLEMS: '1', SEEDS: '1' },
    testTimeout: 300_000,
    hookTimeout: 120_000,
  },
})
