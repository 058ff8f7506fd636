import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numbers } from '../../kit/arbitraries.js'
import { describeTechnique } from '../../kit/describe.js'
import { numberTrace } from '../../kit/rule.js'
import { values } from '../../kit/testing.js'
import { decimal, unitsAt } from '../../number/decimal.js'
import { readProblem } from '../../problem/expression.js'
import { answerOf, type SumProblem } from '../../problem/problem.js'
import { lineText } from '../line.js'
import { slipAt } from '../listening/reading.js'
import { subtractComplement } from './complement.js'
import { subtractHoldDrop } from './hold-drop.js'

describeTechnique(subtractComplement, {
  examples: [
    ['8341-3675', '5 4 7 4 3 7 6 5 6 6'],
    ['7052-3068', '4 0 4 9 9 3 2 4 8'],
    ['8341-3675', '5 4 4 7 6 3 7 6 5 6', { carry: 'glance' }],
  ],
  slips: [
    ['8341-3675', '4', '5', 'borrow-missed', { carry: 'glance' }],
    ['874-321', '5', '4', 'needless-borrow', { carry: 'glance' }],
    ['8341-3675', '7', '3', 'smaller-from-larger'],
    ['8341-3675', '7', '9', 'added'],
    ['7052-3068', '3', '4', 'borrow-not-through-equals', { carry: 'glance' }],
    ['12-45', '-33', '33', 'sign-lost'],
  ],
})

test('write, then lower: each digit with what makes ten, and what stands goes down by one', () => {
  const { steps } = numberTrace(subtractComplement, readProblem('8341-3675'), { carry: 'mend' })
  expect(steps.map((s) => s.facts.join(' '))).toEqual([
    '8-3',
    '10-6',
    '4+3',
    '5-1',
    '10-7',
    '3+4',
    '7-1',
    '10-5',
    '5+1',
    '7-1',
  ])
  expect(slipAt(steps[2]!, decimal(9))?.id).toBe('added')
  expect(slipAt(steps[3]!, decimal(5))?.id).toBe('borrow-missed')
  expect(values(subtractComplement, '400-7')).toEqual(['4', '0', '3', '3', '9', '3'])
})

test('what stands after each column is the difference of what lies above it', () => {
  fc.assert(
    fc.property(numbers, numbers, fc.constantFrom('after', 'first'), (x, y, mending) => {
      const problem = readProblem(`${x}-${y}`) as SumProblem
      const scale = Math.max(...problem.terms.map((t) => t.size.scale))
      const [a, b] = problem.terms.map((t) => unitsAt(t.size, scale)) as [bigint, bigint]
      const [high, low] = a < b ? [b, a] : [a, b]
      const { steps, answer } = numberTrace(subtractComplement, problem, { carry: 'mend', mending })
      expect(answer).toEqual(answerOf(problem))
      const writing = steps.filter((s) => s.action !== 'sign')
      for (const [i, step] of writing.entries()) {
        const place = Math.min(...step.writes.cells.map((c) => c.place))
        // Only when the column is done: its digit written and what it borrowed lowered.
        const last = mending === 'first' ? 'write' : undefined
        const next = writing[i + 1]?.action
        if (step.action === 'decide' || next === (last ? '' : 'mend') || (last && step.action !== last))
          continue
        const unit = 10n ** BigInt(place + scale)
        const digits = lineText(step.writes, place, place).replace(/\D/g, '')
        expect(BigInt(digits), `${x}-${y} at ${place}`).toBe(high / unit - low / unit)
      }
    }),
    { numRuns: 1500 },
  )
})

// The values of hold-and-drop are checked against remainders in its own test; only the way to them differs.
test('looking right first, the same digits are held and written as by holding and dropping', () => {
  fc.assert(
    fc.property(numbers, numbers, (x, y) => {
      const problem = readProblem(`${x}-${y}`)
      const { steps } = numberTrace(subtractComplement, problem, { carry: 'glance' })
      expect(steps.filter((s) => s.action !== 'decide').map((s) => s.expect)).toEqual(
        numberTrace(subtractHoldDrop, problem, {}).steps.map((s) => s.expect),
      )
      for (const { facts, expect: value } of steps) {
        const last = /^(\d+)([+-])(\d+)$/.exec(facts.at(-1) ?? '')
        if (last) expect(Number(last[1]) + Number(last[2] + last[3]!)).toBe(Number(value.units))
      }
    }),
    { numRuns: 1500 },
  )
})
