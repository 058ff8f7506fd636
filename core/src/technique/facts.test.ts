import { expect, test } from 'vitest'
import {
  differenceLoad,
  digitProductLoad,
  doubleLoad,
  NO_LOAD,
  productLoad,
  sumLoad,
  takeLoad,
  together,
} from './facts.js'

// docs/method.md, Facts.
test('the facts of an operation, digit by digit', () => {
  expect(sumLoad(364n, 278n)).toEqual({ facts: ['4+8', '6+7', '3+1', '3+2', '5+1'], carries: 2 })
  expect(sumLoad(300n, 45n)).toEqual(NO_LOAD)
  // Raised is the 9; in front of it stands nothing.
  expect(sumLoad(95n, 5n)).toEqual({ facts: ['5+5', '9+1'], carries: 1 })
  expect(sumLoad(60n, 70n).carries).toBe(0)
  expect(differenceLoad(52n, 38n)).toEqual({ facts: ['12-8', '4-3'], carries: 1 })
  expect(differenceLoad(500n, 3n)).toEqual({ facts: ['10-3'], carries: 2 })
  expect(differenceLoad(87n, 30n)).toEqual({ facts: ['8-3'], carries: 0 })
  expect(digitProductLoad(6, 47n)).toEqual({ facts: ['6x7', '6x4', '4+4'], carries: 1 })
  expect(digitProductLoad(1, 47n)).toEqual(NO_LOAD)
  expect(productLoad(30n, 40n)).toEqual({ facts: ['4x3'], carries: 0 })
  expect(together(sumLoad(2n, 3n), sumLoad(17n, 8n))).toEqual({ facts: ['2+3', '7+8', '1+1'], carries: 1 })
  // From a round number: one complement, and one less in front where something stands.
  expect(takeLoad(4000n, 32n)).toEqual({ facts: ['100-32'], carries: 1 })
  expect(takeLoad(100n, 32n)).toEqual({ facts: ['100-32'], carries: 0 })
  expect(takeLoad(4100n, 132n)).toEqual(differenceLoad(4100n, 132n))
  // 34 × 27 by rows: 68 tens are kept while 238 is worked; by one digit nothing is.
  expect(productLoad(34n, 27n).kept).toBe(5)
  expect(productLoad(50n, 44n).kept).toBeUndefined()
  expect(doubleLoad(2500n).facts).toEqual(['2x25'])
  expect(doubleLoad(35n).facts).toEqual(['2x5', '2x3', '6+1'])
})
