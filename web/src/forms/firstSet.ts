import type { Which } from '@tachymetra/core/set'

/** What stands there before anything is chosen. */
export const FIRST = {
  from: 'techniques',
  picks: [{ technique: 'add-running-total', level: 1 }],
  count: 10,
} as const satisfies Which
