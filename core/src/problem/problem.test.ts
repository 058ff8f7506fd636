import fc from 'fast-check'
import { expect, test } from 'vitest'
import { add, decimal, toText, ZERO } from '../number/decimal.js'
import { marked } from '../number/marks.js'
import { InputError } from './error.js'
import { printProblem, problemWords, readProblem } from './expression.js'
import { answerOf, type SumProblem, signed, type Term } from './problem.js'

const term: fc.Arbitrary<Term> = fc.record({
  sign: fc.constantFrom(1 as const, -1 as const),
  size: fc.tuple(fc.bigInt(0n, 10n ** 30n), fc.integer({ min: 0, max: 6 })).map(([u, s]) => decimal(u, s)),
})

test('a printed problem reads back as itself, with spaces, doubled signs and thousands commas too', () => {
  fc.assert(
    fc.property(fc.array(term, { minLength: 2, maxLength: 6 }), (terms) => {
      const problem = { kind: 'sum' as const, terms }
      const text = printProblem(problem)
      expect(readProblem(text)).toEqual(problem)
      expect(readProblem(text.replace(/([+-])/g, ' $1 '))).toEqual(problem)
      const doubled = terms.map((t) => (t.sign < 0 ? `+−${toText(t.size)}` : `--${toText(t.size)}`)).join('')
      expect((readProblem(`0${doubled}`) as SumProblem).terms.slice(1)).toEqual(terms)
      expect(answerOf(problem)).toEqual(terms.map(signed).reduce(add, ZERO))
    }),
  )
})

test.each([
  ['36*52', '36*52', '36 × 52'],
  ['4.8 x 2,700', '4.8*2700', '4.8 × 2\u2009700'],
  ['7.5^2', '7.5^2', '7.5²'],
  ['85²', '85^2', '85²'],
  ['sqrt( 70 )', 'sqrt(70)', '√70'],
  ['√2.25', 'sqrt(2.25)', '√2.25'],
  ['2 184 ÷ 6', '2184/6', '2\u2009184 ÷ 6'],
  ['16×23 − 16*27', '16*23-16*27', '16 × 23 − 16 × 27'],
  ['-5+3', '-5+3', '−5 + 3'],
  ['4,096.5', '4096.5', '4\u2009096.5'],
  // A comma that parts no thousands is a decimal comma.
  ['7,5^2', '7.5^2', '7.5²'],
  ['0,125+12,25', '0.125+12.25', '0.125 + 12.25'],
  ['1,234,56', '1234.56', '1\u2009234.56'],
])('%s is %s, for people %s', (typed, printed, words) => {
  const problem = readProblem(typed)
  expect(printProblem(problem)).toBe(printed)
  expect(problemWords(problem)).toBe(marked(words))
  expect(readProblem(words)).toEqual(problem)
  expect(readProblem(printed)).toEqual(problem)
})

test('thousands commas and spaces group by three', () => {
  expect(printProblem(readProblem('1,234,567.25 - 2 184'))).toBe('1234567.25-2184')
})

test.each([
  ['', 0, 'no problem here yet'],
  ['   ', 0, 'no problem here yet'],
  ['-5', undefined, 'below 0'],
  ['47+a', 3, 'not "a"'],
  ['47+', 3, 'ends here'],
  ['12 34', 3, 'stand side by side'],
  ['1,+4', 1, 'decimal comma needs a digit'],
  ['1,2,3', 3, 'one decimal point or comma only'],
  ['5.+2', 1, 'digit after it'],
  ['1.2.3+4', 3, 'one decimal point'],
  ['1e5+2', 1, 'not "e"'],
  ['3*4+5*', 6, 'Expected a number'],
  ['8/0', 3, 'divided by 0'],
  ['8^300', 2, 'expected a 2'],
  ['sqrt(-4)', 7, 'Negative numbers'],
  ['sqrt 4', 6, 'written sqrt(70)'],
  ['√4+1', 2, 'A root stands alone'],
  ['7/2/0', 3, 'one dividend'],
  ['gcf(0,4)', undefined, 'Whole numbers of 1 and more'],
  ['5 km in kg', undefined, 'do not measure the same'],
  ['XIIII', undefined, 'no Roman numeral'],
  ['next 3, 8, 20', undefined, 'no simple rule'],
  ['1/3 as decimal', undefined, 'never ends'],
  ['128 from base 6', undefined, 'no numeral in base 6'],
  [`1+${'9'.repeat(41)}`, 2, '41 digits'],
  [`1+${'9'.repeat(400)}`, 2, '400 digits'],
  ['1+'.repeat(31).concat('1'), 61, 'At most 30 numbers'],
  ['1'.repeat(2000), 1300, 'too long'],
])('"%s" is refused at character %i: %s', (text, at, words) => {
  const error = fail(() => readProblem(text))
  expect(error.message).toContain(words)
  expect(error.at).toBe(at)
})

function fail(run: () => unknown): InputError {
  try {
    run()
  } catch (error) {
    if (error instanceof InputError) return error
    throw error
  }
  throw new Error('nothing was refused')
}
