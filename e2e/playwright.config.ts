import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  globalSetup: './setup.ts',
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
    viewport: { width: 1280, height: 800 },
    // What is not there is told at once, and not when the whole test is out of time.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    locale: 'en-GB',
    timezoneId: 'UTC',
    // What glides is drawn sixty times a second, which is most of the work where there is no graphics card.
    contextOptions: { reducedMotion: 'reduce' },
    // A page kept by the browser would go past what a test puts in the way of its requests; one test is about just that.
    serviceWorkers: 'block',
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
      ],
    },
  },
})
