import { Decimal as Reference } from 'decimal.js'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  add,
  compare,
  digitAt,
  highestPlace,
  lowestPlace,
  readDecimal,
  subtract,
  toText,
  toWords,
} from './decimal.js'

const Exact = Reference.clone({ precision: 120 })
const texts = fc
  .tuple(
    fc.boolean(),
    fc.stringMatching(/^(0|[1-9]\d{0,29})$/),
    fc.option(fc.stringMatching(/^\d{1,8}$/), { nil: undefined }),
  )
  .map(([minus, whole, part]) => (minus ? '-' : '') + whole + (part === undefined ? '' : `.${part}`))

// Reference: decimal.js, a general-purpose arbitrary-precision library.
test('sums, differences, order and printing agree with decimal.js', () => {
  fc.assert(
    fc.property(texts, texts, (x, y) => {
      const [a, b] = [readDecimal(x)!, readDecimal(y)!]
      const [ra, rb] = [new Exact(x), new Exact(y)]
      expect(new Exact(toText(a)).eq(ra)).toBe(true)
      expect(new Exact(toText(add(a, b))).eq(ra.plus(rb))).toBe(true)
      expect(new Exact(toText(subtract(a, b))).eq(ra.minus(rb))).toBe(true)
      expect(Math.sign(compare(a, b))).toBe(ra.cmp(rb))
      expect(readDecimal(toText(a))).toEqual(a)
      expect(readDecimal(toWords(a))).toEqual(a)
    }),
    { numRuns: 3000 },
  )
})

test('the digits of a value, each at its place, make up the value', () => {
  fc.assert(
    fc.property(texts, (x) => {
      const value = readDecimal(x)!
      let total = new Exact(0)
      for (let place = lowestPlace(value); place <= highestPlace(value); place += 1)
        total = total.plus(new Exact(digitAt(value, place)).times(new Exact(10).pow(place)))
      expect(total.eq(new Exact(x).abs())).toBe(true)
      if (highestPlace(value) > 0) expect(digitAt(value, highestPlace(value))).toBeGreaterThan(0)
    }),
  )
})

test.each(['', '-', '.', '1e3', '1.2.3', '12a', '0x10', '٣', 'NaN', '1'.repeat(41), '--1'])(
  '"%s" is no decimal',
  (text) => {
    expect(readDecimal(text)).toBeUndefined()
  },
)
