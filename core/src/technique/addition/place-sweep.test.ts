import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numbers } from '../../kit/arbitraries.js'
import { describeTechnique } from '../../kit/describe.js'
import { numberTrace } from '../../kit/rule.js'
import { values } from '../../kit/testing.js'
import { decimal, unitsAt } from '../../number/decimal.js'
import { readProblem } from '../../problem/expression.js'
import { answerOf, type SumProblem } from '../../problem/problem.js'
import { variantOf } from '../driver.js'
import { addPlaceSweep } from './place-sweep.js'

describeTechnique(addPlaceSweep, {
  examples: [['38+94+75', '30 120 190 198 202 207']],
})

// docs/method.md, Addition.
test('the worked example, in both variants', () => {
  expect(values(addPlaceSweep, '38+94+75')).toEqual(['30', '120', '190', '198', '202', '207'])
  const whole = { start: 'first-whole' }
  expect(values(addPlaceSweep, '38+94+75', whole)).toEqual(['128', '198', '202', '207'])
  expect(addPlaceSweep.fits(readProblem('38+94-75'))).toMatchObject({ fits: false })
})

/** The total after sweeping a place of the first `done` terms: everything above that place, plus these digits. */
function swept(terms: readonly bigint[], unit: bigint, done: number): bigint {
  return terms.reduce((sum, t, i) => sum + (i < done ? t - (t % unit) : t - (t % (unit * 10n))), 0n)
}

function* totals(terms: readonly bigint[]): Generator<bigint> {
  const longest = Math.max(...terms.map((t) => t.toString().length))
  let before = 0n
  for (let unit = 10n ** BigInt(longest - 1); unit >= 1n; unit /= 10n)
    for (let done = 1; done <= terms.length; done += 1) {
      const total = swept(terms, unit, done)
      if (total !== before) yield total
      before = total
    }
}

function expectSwept(units: readonly bigint[], expression: string, scale: number): void {
  const problem = readProblem(expression)
  const want = [...totals(units)]
  const parts = numberTrace(addPlaceSweep, problem, { start: 'parts' })
  expect(parts.steps.map((s) => unitsAt(s.expect, scale))).toEqual(want.length ? want : [0n])
  expect(parts.answer).toEqual(answerOf(problem))
  expect(numberTrace(addPlaceSweep, problem, variantOf(addPlaceSweep)).answer).toEqual(answerOf(problem))
}

test('all sums of numbers to 99, step by step', () => {
  for (let a = 0n; a < 100n; a += 1n) for (let b = 0n; b < 100n; b += 1n) expectSwept([a, b], `${a}+${b}`, 0)
})

test('long lists and decimals, step by step', () => {
  fc.assert(
    fc.property(fc.array(numbers, { minLength: 2, maxLength: 6 }), (texts) => {
      const { terms } = readProblem(texts.join('+')) as SumProblem
      const scale = Math.max(...terms.map((t) => t.size.scale))
      const units = terms.map((t) => unitsAt(t.size, scale))
      expectSwept(units, texts.join('+'), scale)
    }),
    { numRuns: 1500 },
  )
  expect(numberTrace(addPlaceSweep, readProblem('0+0'), { start: 'parts' }).answer).toEqual(decimal(0))
})
