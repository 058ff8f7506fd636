import { defineConfig } from 'vitest/config'

export default defineConfig({
  // Tests run on the sources of the workspaces, not on what was last built.
  resolve: { conditions: ['source'] },
  ssr: { resolve: { conditions: ['source'] } },
  test: {
    include: [
      'core/src/**/*.test.ts',
      'server/src/**/*.test.ts',
      'web/src/**/*.test.ts',
      'scripts/**/*.test.ts',
    ],
    // All the cores there are; the default leaves one of two idle.
    maxWorkers: '100%',
    // The core is pure: its modules need not be loaded anew for every file.
    isolate: false,
    testTimeout: 300_000,
    hookTimeout: 120_000,
  },
})
