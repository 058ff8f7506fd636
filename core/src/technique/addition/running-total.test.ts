import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numbers } from '../../kit/arbitraries.js'
import { describeTechnique } from '../../kit/describe.js'
import { numberTrace } from '../../kit/rule.js'
import { values } from '../../kit/testing.js'
import { decimal, toText, unitsAt } from '../../number/decimal.js'
import { readProblem } from '../../problem/expression.js'
import { answerOf, type SumProblem, sumOf } from '../../problem/problem.js'
import { addRunningTotal } from './running-total.js'

describeTechnique(addRunningTotal, {
  examples: [
    ['364+278', '564 634 642'],
    ['6-9+4-3', '-3 1 -2'],
  ],
  slips: [
    ['364+278', '634', '571', 'wrong-place'],
    ['364+278', '634', '534', 'carry-lost'],
    ['364+278', '634', '564', 'part-left-out'],
  ],
})

// docs/method.md, Addition.
test('worked examples', () => {
  expect(values(addRunningTotal, '364+278')).toEqual(['564', '634', '642'])
  const step = numberTrace(addRunningTotal, readProblem('364+278'), {}).steps[1]!
  const slips = Object.fromEntries(step.slips().map((s) => [toText(s.entry), s.id]))
  expect(slips).toMatchObject({ 571: 'wrong-place', 534: 'carry-lost', 564: 'part-left-out' })
  expect(step.facts).toEqual(['6+7', '5+1'])
})

test('a carry or a borrow is forgotten only where there is one', () => {
  const named = (expression: string) =>
    numberTrace(addRunningTotal, readProblem(expression), {}).steps.flatMap((s) =>
      s.slips().map((slip) => slip.id),
    )
  expect(named('123+321+444')).not.toContain('carry-lost')
  expect(named('123+8')).toContain('carry-lost')
  expect(named('125+4')).not.toContain('carry-lost')
  expect(named('10+58-36')).not.toContain('borrow-missed')
  expect(named('10+52-36')).toContain('borrow-missed')
  expect(named('10+52-32')).not.toContain('carry-lost')
})

test('terms may be taken away, and the total may fall below zero on the way', () => {
  expect(values(addRunningTotal, '58+36-19')).toEqual(['88', '94', '84', '75'])
  expect(values(addRunningTotal, '6-29+34')).toEqual(['-14', '-23', '7', '11'])
  expect(addRunningTotal.fits(readProblem('8341-3675'))).toMatchObject({ fits: false })
})

/** Prefixes of b from its highest place, added to a: reckoned without digits. */
function* totals(a: bigint, b: bigint): Generator<bigint> {
  let added = 0n
  for (let unit = 10n ** BigInt(b.toString().length - 1); unit >= 1n; unit /= 10n) {
    const prefix = b - (b % unit)
    if (prefix !== added) yield a + prefix
    added = prefix
  }
}

test('sums of one- to three-digit numbers, every seventh with all others, step by step', () => {
  const prefixes = Array.from({ length: 1000 }, (_, b) => [...totals(0n, BigInt(b))])
  for (let a = 0; a < 1000; a += 7)
    for (let b = 0; b < 1000; b += 1) {
      const problem = sumOf(decimal(a), decimal(b))
      const { steps, answer } = numberTrace(addRunningTotal, problem, {})
      const want = b === 0 ? [0n] : prefixes[b]!
      const same =
        steps.length === want.length && steps.every((s, i) => s.expect.units === BigInt(a) + want[i]!)
      if (!same || answer.units !== BigInt(a + b))
        expect.fail(`${a}+${b}: ${steps.map((s) => toText(s.expect))}`)
    }
})

test('long and decimal sums, step by step', () => {
  fc.assert(
    fc.property(numbers, numbers, (x, y) => {
      const problem = readProblem(`${x}+${y}`) as SumProblem
      const scale = Math.max(...problem.terms.map((t) => t.size.scale))
      const [a, b] = problem.terms.map((t) => unitsAt(t.size, scale)) as [bigint, bigint]
      const { steps, answer } = numberTrace(addRunningTotal, problem, {})
      expect(steps.map((s) => unitsAt(s.expect, scale))).toEqual(b === 0n ? [a] : [...totals(a, b)])
      expect(answer).toEqual(answerOf(problem))
    }),
    { numRuns: 5000 },
  )
})
