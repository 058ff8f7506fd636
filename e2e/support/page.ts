/** What a page is like in the tests, in every context that is opened. */
import type { BrowserContextOptions } from '@playwright/test'

/** What is not there is told at once, and not when the whole test is out of time. */
export const PATIENCE_MS = 60_000

export const PAGE = {
  viewport: { width: 1280, height: 800 },
  locale: 'en-GB',
  timezoneId: 'UTC',
  // What glides is drawn sixty times a second, which is most of the work where there is no graphics card.
  reducedMotion: 'reduce',
  // A page kept by the browser would go past what a test puts in the way of its requests; one test is about just that.
  serviceWorkers: 'block',
} as const satisfies BrowserContextOptions
