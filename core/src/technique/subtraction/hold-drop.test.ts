import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numbers } from '../../kit/arbitraries.js'
import { describeTechnique } from '../../kit/describe.js'
import { numberTrace } from '../../kit/rule.js'
import { values } from '../../kit/testing.js'
import { decimal, toText, unitsAt } from '../../number/decimal.js'
import { readProblem } from '../../problem/expression.js'
import { answerOf, type SumProblem } from '../../problem/problem.js'
import { slipAt } from '../listening/reading.js'
import { subtractHoldDrop } from './hold-drop.js'

describeTechnique(subtractHoldDrop, {
  examples: [['8341-3675', '5 4 7 6 7 6 6']],
})

// docs/method.md, Subtraction.
test('worked examples', () => {
  expect(values(subtractHoldDrop, '8341-3675')).toEqual(['5', '4', '7', '6', '7', '6', '6'])
  expect(values(subtractHoldDrop, '7052-3068')).toEqual(['4', '3', '9', '9', '8', '4'])
})

// Brown and Burton 1978 name "smaller from larger" and "borrow across zero" (ids here are our own).
test('the slips of the literature are offered where they can happen', () => {
  const steps = numberTrace(subtractHoldDrop, readProblem('7052-3068'), {}).steps
  expect(slipAt(steps[3]!, decimal(1))?.id).toBe('smaller-from-larger')
  expect(slipAt(steps[1]!, decimal(4))?.id).toBe('borrow-not-through-equals')
  expect(slipAt(steps[2]!, decimal(0))?.id).toBe('ten-forgotten')
  expect(slipAt(steps[5]!, decimal(10))?.id).toBe('added')
})

test('a minuend that is smaller: worked the other way round, then the sign', () => {
  expect(values(subtractHoldDrop, '2-3.5')).toEqual(['1', '1', '5', '-1.5'])
})

/**
 * What must be held and written at each column, from remainders alone: a column is lent ten exactly when the
 * tails from it down compare as less, and the written digit is the answer's own. Equal digits with a borrow are 9 at once.
 */
function* digits(a: bigint, b: bigint): Generator<bigint> {
  const answer = a - b
  for (let unit = 10n ** BigInt(a.toString().length - 1); unit >= 1n; unit /= 10n) {
    const written = (answer / unit) % 10n
    const equal = (a / unit) % 10n === (b / unit) % 10n && a % unit < b % unit
    if (unit > 1n && !equal) yield written + (a % unit < b % unit ? 1n : 0n)
    yield written
  }
}

test('differences of one- to three-digit numbers, every seventh with all others, step by step', () => {
  for (let a = 0; a < 1000; a += 7)
    for (let b = 0; b < 1000; b += 1) {
      const problem = {
        kind: 'sum',
        terms: [
          { sign: 1, size: decimal(a) },
          { sign: -1, size: decimal(b) },
        ],
      } as const
      const { steps, answer } = numberTrace(subtractHoldDrop, problem, {})
      const [high, low] = a < b ? [b, a] : [a, b]
      let at = 0
      let same = answer.units === BigInt(a - b)
      for (const want of digits(BigInt(high), BigInt(low))) same &&= steps[at++]?.expect.units === want
      if (a < b) same &&= steps[at++]?.expect.units === BigInt(a - b)
      if (!same || at !== steps.length) expect.fail(`${a}-${b}: ${steps.map((s) => toText(s.expect))}`)
    }
})

test('long and decimal differences, step by step', () => {
  fc.assert(
    fc.property(numbers, numbers, (x, y) => {
      const problem = readProblem(`${x}-${y}`) as SumProblem
      const scale = Math.max(...problem.terms.map((t) => t.size.scale))
      const [a, b] = problem.terms.map((t) => unitsAt(t.size, scale)) as [bigint, bigint]
      const { steps, answer } = numberTrace(subtractHoldDrop, problem, {})
      // With decimals, units of 0 before the point are columns too.
      const columns = steps.filter((s) => s.action !== 'sign').map((s) => s.expect.units)
      const [low, high] = [a, b].sort((m, n) => (m < n ? -1 : 1)) as [bigint, bigint]
      const want = [...digits(high, low)]
      expect(columns.slice(-want.length)).toEqual(want)
      expect(columns.slice(0, -want.length).every((d) => d === 0n)).toBe(true)
      expect(answer).toEqual(answerOf(problem))
    }),
    { numRuns: 5000 },
  )
})
