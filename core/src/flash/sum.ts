/** flash-sum: a list of signed numbers that come one by one; the running total is held, and only it. */

import {
  add,
  atPlace,
  digitAt,
  highestPlace,
  lowestPlace,
  subtract,
  toText,
  toWords,
} from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import { fallsBelowZero, lowestOf, type SumProblem, signed } from '../problem/problem.js'
import { chainSpace } from '../soroban/chains.js'
import { loadOf } from '../technique/addition/parts.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, step, technique } from '../technique/make.js'
import { parameter } from '../technique/quantities/boards.js'
import { oneOff } from '../technique/quantities/quantities.js'
import { FLASH, SUM_MISFIT } from '../words/addition.js'
import { REMARK } from '../words/steps.js'

export const flashSum = technique({
  id: 'flash-sum',
  words: FLASH,
  family: 'soroban',
  needs: ['add-running-total'],
  // Targets: common practice, no published source.
  levels: [
    ['Three one-digit numbers', 4, { terms: 3 }],
    ['Five one-digit numbers', 6, {}],
    ['Five one-digit numbers, added and taken away', 6, { minus: 1 }],
    ['Ten one-digit numbers', 10, { terms: 10 }],
    ['Three two-digit numbers', 6, { terms: 3, digits: 2 }],
    ['Five two-digit numbers', 9, { digits: 2 }],
    ['Five two-digit numbers, added and taken away', 10, { digits: 2, minus: 1 }],
    ['Ten two-digit numbers', 16, { terms: 10, digits: 2 }],
    ['Five three-digit numbers', 15, { digits: 3 }],
    ['Four numbers of different length', 10, { terms: 4, digits: 3, shortest: 1 }],
  ],
  parameters: {
    parameters: [
      parameter('terms', 'Numbers', 2, 15, 5),
      parameter('digits', 'Digits', 1, 9, 1),
      parameter('shortest', 'Digits of the shortest number', 1, 9),
      parameter('minus', 'Taking away too (1) or not (0)', 0, 1, 0),
    ],
    problems: ({ terms = 5, digits = 1, minus = 0, ...shortest }) =>
      chainSpace({ terms, digits, minus: minus === 1, ...shortest }),
  },
  read(problem): SumProblem | Misfit {
    if (problem.kind !== 'sum') return misfit(FLASH.lists)
    return fallsBelowZero(problem) ? misfit(SUM_MISFIT.belowZero) : problem
  },
  *work(problem) {
    const [first, ...later] = firstOf(1, problem.terms)
    const lowest = lowestOf(problem)
    let total = first.size
    for (const [i, term] of later.entries()) {
      const before = total
      const value = signed(term)
      const expect = add(before, value)
      const size = toWords(term.size)
      const taken = term.sign < 0
      const previous = i === 0 ? first : present(later[i - 1])
      const last = i === later.length - 1
      total = yield step({
        action: 'running-total',
        place: lowest,
        ask: FLASH.ask(toWords(before), size, taken),
        why: FLASH.why,
        expect,
        writes: () => lineOf(expect, lowest, !last),
        holds: last ? [] : [{ what: 'total', value: expect }],
        reckons: `${toText(before)} ${taken ? '−' : '+'} ${toText(term.size)}`,
        load: () => loadOf(before, value),
        slips(slip) {
          const right = `${toWords(before)} ${taken ? '−' : '+'} ${size} = ${toWords(expect)}`
          slip('part-left-out', before, 6, FLASH.missed(right))
          slip('doubled', add(expect, value), 3, FLASH.twice(right))
          slip('wrong-sign', subtract(before, value), 4, FLASH.sign(taken, right))
          if (i > 0) slip('previous-again', add(before, signed(previous)), 2, FLASH.previous(right))
          for (let place = lowestPlace(term.size); place <= highestPlace(term.size); place += 1) {
            const there = digitAt(before, place) + term.sign * digitAt(term.size, place)
            const lost = subtract(expect, atPlace(term.sign, place + 1))
            if (there > 9) slip('carry-lost', lost, 4, REMARK.carryLost(right))
            if (there < 0) slip('borrow-missed', lost, 4, REMARK.borrowMissed(right))
            oneOff(slip, expect, atPlace(1, place), 1, right)
          }
        },
      })
    }
    return total
  },
})
