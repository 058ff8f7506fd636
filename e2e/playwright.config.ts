import { defineConfig } from '@playwright/test'
import { PAGE, PATIENCE_MS } from './support/page.js'

export default defineConfig({
  testDir: '.',
  globalSetup: './support/setup.ts',
  outputDir: '../test-results',
  // One more than the two cores this is usually run on: most of a test is waiting.
  workers: 3,
  fullyParallel: true,
  forbidOnly: true,
  // Generous, since what is tested is what happens, not how fast.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  // Problems are drawn from fixed seeds (see bench.ts), so what is broken fails twice. What fails once, where two other
  // things want the processor, is listed as flaky and stays to be looked into.
  retries: 1,
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    ...PAGE,
    actionTimeout: PATIENCE_MS,
    navigationTimeout: PATIENCE_MS,
    contextOptions: { reducedMotion: PAGE.reducedMotion },
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // Pages of a worker share what they have compiled.
        '--process-per-site',
      ],
    },
  },
})
