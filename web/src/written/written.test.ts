import { type Decimal, decimal, readDecimal, toWords } from '@tachymetra/core/number'
import { printProblem, problemWords, readProblem } from '@tachymetra/core/problem'
import type { NumberSigns } from '@tachymetra/core/set'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { typedHere, written } from './written.js'

const PLAIN: NumberSigns = { decimal: '.', grouping: 'space', times: '×', over: '÷' }
const ANY = fc.record({
  decimal: fc.constantFrom('.', ','),
  grouping: fc.constantFrom('space', 'none', 'sign', 'apostrophe', 'pairs'),
  times: fc.constantFrom('×', '·', '*'),
  over: fc.constantFrom('÷', ':', '/'),
}) satisfies fc.Arbitrary<NumberSigns>
const NUMBER = fc
  .tuple(fc.bigInt({ min: 0n, max: 10n ** 12n }), fc.nat(4))
  .map(([units, scale]): Decimal => decimal(units, scale))

// From DIN 1333 and CLDR by memory: German parts thousands by points, Swiss ones by apostrophes, Indian English in pairs; Swiss
// schools write a point for times.
test.each([
  [PLAIN, '1\u2009234.5 × 7 = 8\u2009641.5', '1\u2009234.5 × 7 = 8\u2009641.5'],
  [{ ...PLAIN, decimal: ',' }, 'in 2.1 s, 1\u2009234.5', 'in 2,1 s, 1\u2009234,5'],
  [
    { decimal: ',', grouping: 'sign', times: '·', over: ':' },
    '1\u2009234.5 × 7 ÷ 2',
    '1\u2060.234,5 · 7 : 2',
  ],
  [{ ...PLAIN, grouping: 'sign' }, '12\u2009345\u2009678.5', '12,345,678.5'],
  [{ ...PLAIN, grouping: 'pairs' }, '12\u2009345\u2009678.5, 1\u2009234', '1,23,45,678.5, 1,234'],
  [{ ...PLAIN, grouping: 'apostrophe' }, '12\u2009345\u2009678.5', '12’345’678.5'],
  [{ ...PLAIN, grouping: 'none' }, '12\u2009345.5. Then 3.', '12345.5. Then 3.'],
] as const)('%o: %s', (numbers, text, here) => {
  expect(written(text, numbers)).toBe(here)
})

test('what is written here is written so once, and read back here is the same number, problem and all', () => {
  fc.assert(
    fc.property(ANY, NUMBER, NUMBER, fc.constantFrom('+', '-', '*', '/'), (numbers, a, b, sign) => {
      const there = toWords(a)
      const here = written(there, numbers)
      expect(written(here, numbers)).toBe(here)
      // A number with exactly three decimals might be thousands to somebody else, never to whoever chose the signs.
      if (numbers.decimal === ',' || a.scale === 0)
        expect(readDecimal(typedHere(here, numbers))).toEqual(readDecimal(there))
      const text = `${toWords(a)}${sign}${toWords(b)}`
      if (sign === '/' && b.units === 0n) return
      const problem = readProblem(text)
      const typed = typedHere(written(problemWords(problem), numbers), numbers)
      expect(printProblem(readProblem(typed))).toBe(printProblem(problem))
    }),
  )
})
