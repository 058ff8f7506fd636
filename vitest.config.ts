import { defineConfig } from 'vitest/config'

export default defineConfig({
  // Tests run on the sources of the workspaces, not on what was last built.
  resolve: { conditions: ['source'] },
  ssr: { resolve: { conditions: ['source'] } },
  test: {
    // All the cores there are; the default leaves one of two idle.
    maxWorkers: '100%',
    testTimeout: 300_000,
    hookTimeout: 120_000,
    projects: [
      // The core is pure: its modules need not be loaded anew for every file.
      { extends: true, test: { name: 'core', include: ['core/src/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: {
          name: 'others',
          include: ['server/src/**/*.test.ts', 'web/src/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
    ],
  },
})
