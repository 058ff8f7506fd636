import { expect, test } from 'vitest'
import { differenceLoad, digitProductLoad, NO_LOAD, productLoad, sumLoad, together } from './facts.js'

// docs/method.md, Facts.
test('the facts of an operation, digit by digit', () => {
  expect(sumLoad(364n, 278n)).toEqual({ facts: ['4+8', '6+7', '3+1', '3+2', '5+1'], carries: 2 })
  expect(sumLoad(300n, 45n)).toEqual(NO_LOAD)
  expect(sumLoad(95n, 5n)).toEqual({ facts: ['5+5', '9+1'], carries: 2 })
  expect(differenceLoad(52n, 38n)).toEqual({ facts: ['12-8', '4-3'], carries: 1 })
  expect(differenceLoad(500n, 3n)).toEqual({ facts: ['10-3'], carries: 2 })
  expect(differenceLoad(87n, 30n)).toEqual({ facts: ['8-3'], carries: 0 })
  expect(digitProductLoad(6, 47n)).toEqual({ facts: ['6x7', '6x4', '4+4'], carries: 1 })
  expect(digitProductLoad(1, 47n)).toEqual(NO_LOAD)
  expect(productLoad(30n, 40n)).toEqual({ facts: ['4x3'], carries: 0 })
  expect(together(sumLoad(2n, 3n), sumLoad(7n, 8n))).toEqual({ facts: ['2+3', '7+8'], carries: 1 })
})
