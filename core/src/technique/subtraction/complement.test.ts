import fc from 'fast-check'
import { expect, test } from 'vitest'
import { decimal } from '../../number/decimal.js'
import { readProblem } from '../../problem/expression.js'
import { answerOf } from '../../problem/problem.js'
import { numbers } from '../arbitraries.js'
import { trace } from '../driver.js'
import { values } from '../testing.js'
import { slipAt } from '../walks.js'
import { subtractComplement } from './complement.js'
import { subtractHoldDrop } from './hold-drop.js'

// Handbook, section 5.
test('worked examples of the handbook', () => {
  expect(values(subtractComplement, '8341-3675')).toEqual(['5', '4', '7', '6', '7', '6', '6'])
  expect(values(subtractComplement, '7052-3068')).toEqual(['4', '3', '10', '9', '9', '8', '4'])
  const { steps } = trace(subtractComplement, readProblem('8341-3675'), {})
  expect(steps.map((s) => s.facts.join(' '))).toEqual(['8-3', '', '10-6 4+3', '', '10-7 3+4', '', '10-5 5+1'])
  expect(slipAt(steps[2]!, decimal(9))?.id).toBe('added')
})

// The values of hold-and-drop are checked against remainders in its own test; only the way to them differs.
test('the same digits are held and written as by holding and dropping, and the facts give them', () => {
  fc.assert(
    fc.property(numbers, numbers, (x, y) => {
      const problem = readProblem(`${x}-${y}`)
      const { steps, answer } = trace(subtractComplement, problem, {})
      expect(steps.map((s) => s.expect)).toEqual(
        trace(subtractHoldDrop, problem, {}).steps.map((s) => s.expect),
      )
      expect(answer).toEqual(answerOf(problem))
      for (const { facts, expect: value } of steps) {
        const last = /^(\d+)([+-])(\d+)$/.exec(facts.at(-1) ?? '')
        if (last) expect(Number(last[1]) + Number(last[2] + last[3]!)).toBe(Number(value.units))
      }
    }),
    { numRuns: 1500 },
  )
})
