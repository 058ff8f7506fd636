import { expect, test } from 'vitest'
import { techniqueById } from '../registry/techniques.js'
import { leastEffortShare } from './rivals.js'

// Measured over 1,000 problems each: docs/method.md, Effort. A few points lower, so that chance does not fail.
test.each([
  ['multiply-same-head', 0.97],
  ['multiply-complement-repdigit', 0.98],
  ['multiply-common-factor', 0.98],
  ['multiply-by-nines', 0.95],
  ['square-ending-five', 0.92],
  ['multiply-repunit', 0.87],
  ['square-near-base', 0.7],
  ['multiply-near-base', 0.63],
  ['subtract-round-up', 0.6],
  ['add-compensation', 0.57],
  ['square-round-balance', 0.5],
])('%s needs the least effort on its own problems, or one unit more', (id, least) => {
  expect(leastEffortShare(techniqueById(id), 200, 11)).toBeGreaterThanOrEqual(least)
})
