import { type Decimal, decimal, marked, readDecimal, toWords, typedByHand } from '@tachymetra/core/number'
import { printProblem, problemWords, readProblem } from '@tachymetra/core/problem'
import type { NumberSigns } from '@tachymetra/core/set'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { typedHere, written, writtenPlain } from './written.js'

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
  expect(written(marked(text), numbers)).toBe(here)
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

test.each([
  'Class 5.2 x 3',
  'Room 4.1 × 2 ÷ 2, 1\u2009234',
  'http://192.168.0.12:4173/learners?n=1.5',
  'ليلى 5.2 × 3',
])('what somebody typed stays as it is, whatever is written beside it: %s', (typed) => {
  const numbers: NumberSigns = { decimal: ',', grouping: 'sign', times: '·', over: ':' }
  const text = `${typedByHand(typed)}: ${toWords(decimal(12345, 1))} × 2, ${typedByHand(typed)}`
  const here = '1\u2060.234,5 · 2'
  // U+2068 and U+2069 are the isolates of the Unicode Standard, annex 9.
  expect(written(text, numbers)).toBe(`\u2068${typed}\u2069: ${here}, \u2068${typed}\u2069`)
  expect(written(written(text, numbers), numbers)).toBe(written(text, numbers))
  expect(writtenPlain(text, numbers)).toBe(`${typed}: 1.234,5 · 2, ${typed}`)
})

test('a point that is none of a number stays a point: a version, an address, the end of a sentence', () => {
  const numbers: NumberSigns = { ...PLAIN, decimal: ',' }
  expect(written('Version 0.1.0 at 127.0.0.1. Then 5.', numbers)).toBe('Version 0.1.0 at 127.0.0.1. Then 5.')
})

test('what sets a typed name apart cannot be broken out of by the name', () => {
  const name = 'a\u2069 1.5 × 2'
  const numbers: NumberSigns = { ...PLAIN, times: '·' }
  expect(written(`${typedByHand(name)} × 2`, numbers)).toBe('\u2068a 1.5 × 2\u2069 · 2')
})
