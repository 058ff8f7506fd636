/** flash-sum: a list of signed numbers that come one by one; the running total is held, and only it. */
import {
  add,
  atPlace,
  digitAt,
  highestPlace,
  isNegative,
  lowestPlace,
  subtract,
  toWords,
  ZERO,
} from '../number/decimal.js'
import { lowestOf, type SumProblem, signed } from '../problem/problem.js'
import { shape } from '../problem/shape.js'
import { sumSpace } from '../problem/sums.js'
import { chainSpace } from '../soroban/chains.js'
import { dial } from '../technique/boards.js'
import { differenceLoad, sumLoad } from '../technique/facts.js'
import { level } from '../technique/level.js'
import { lineOf } from '../technique/line.js'
import { type Misfit, misfit, step, technique } from '../technique/make.js'

const list = (count: number, digits: number) =>
  sumSpace({ terms: Array.from({ length: count }, () => shape(digits)) })

export const flashSum = technique({
  id: 'flash-sum',
  name: 'Flash list',
  family: 'soroban',
  about: 'Numbers come one after another; only the running total is held.',
  needs: ['soroban-add'],
  lesson: {
    example: '7+8-4+9',
    when: 'The frame is let go of and stands in the mind.',
    whenNot: 'The numbers can be looked at again: then there are lighter ways.',
    because: [
      'Each number goes onto the imagined frame as it comes.',
      'What it was is forgotten at once: the frame holds the total.',
      'So the list may be as long as it likes.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Three one-digit numbers', 4, () => list(3, 1)),
    level('Five one-digit numbers', 6, () => list(5, 1)),
    level('Five one-digit numbers, added and taken away', 6, () =>
      chainSpace({ terms: 5, digits: 1, minus: true }),
    ),
    level('Ten one-digit numbers', 10, () => list(10, 1)),
    level('Three two-digit numbers', 6, () => list(3, 2)),
    level('Five two-digit numbers', 9, () => list(5, 2)),
    level('Five two-digit numbers, added and taken away', 10, () =>
      chainSpace({ terms: 5, digits: 2, minus: true }),
    ),
    level('Ten two-digit numbers', 16, () => list(10, 2)),
    level('Five three-digit numbers', 15, () => list(5, 3)),
  ],
  dials: {
    dials: [
      dial('terms', 'Numbers', 2, 15, 5),
      dial('digits', 'Digits', 1, 9, 1),
      dial('minus', 'Taking away too (1) or not (0)', 0, 1, 0),
    ],
    problems: ({ terms = 5, digits = 1, minus = 0 }) => chainSpace({ terms, digits, minus: minus === 1 }),
  },
  read(problem): SumProblem | Misfit {
    if (problem.kind !== 'sum') return misfit('it works lists of numbers added and taken away')
    let total = ZERO
    for (const term of problem.terms) {
      total = add(total, signed(term))
      if (isNegative(total)) return misfit('the total would fall below zero on the way')
    }
    return problem
  },
  *work(problem) {
    const [first, ...later] = problem.terms
    const lowest = lowestOf(problem)
    let total = first!.size
    for (const [i, term] of later.entries()) {
      const before = total
      const value = signed(term)
      const expect = add(before, value)
      const size = toWords(term.size)
      const said = term.sign < 0 ? `less ${size}` : `and ${size}`
      const previous = i === 0 ? first! : later[i - 1]!
      total = yield step({
        action: 'running-total',
        place: highestPlace(term.size),
        ask: `${toWords(before)} ${said}: what is the total?`,
        why: 'The number goes onto the imagined frame, highest place first.',
        expect,
        writes: () => lineOf(expect, lowest, i < later.length - 1),
        holds: [{ what: 'total', value: expect }],
        load: () =>
          term.sign < 0
            ? differenceLoad(before.units, term.size.units)
            : sumLoad(before.units, term.size.units),
        slips: (slip) => {
          const right = `${toWords(before)} ${said} is ${toWords(expect)}.`
          slip('number-missed', before, 6, `Number ${i + 2}, ${size}, was missed. ${right}`)
          slip('number-twice', add(expect, value), 3, `Number ${i + 2}, ${size}, was taken twice. ${right}`)
          slip(
            'wrong-sign',
            subtract(before, value),
            4,
            `Number ${i + 2} is ${term.sign < 0 ? 'taken away' : 'added'}. ${right}`,
          )
          if (i > 0)
            slip(
              'previous-again',
              add(before, signed(previous)),
              2,
              `The number before it came in again. ${right}`,
            )
          for (let place = lowestPlace(term.size); place <= highestPlace(term.size); place += 1) {
            if (
              digitAt(before, place) + term.sign * digitAt(term.size, place) > 9 ||
              digitAt(before, place) + term.sign * digitAt(term.size, place) < 0
            )
              slip(
                'carry-forgotten',
                subtract(expect, atPlace(term.sign, place + 1)),
                4,
                `The one on the left was forgotten. ${right}`,
              )
            for (const off of [-1, 1])
              slip('fact', add(expect, atPlace(off, place)), 1, `A digit is one off. ${right}`)
          }
        },
      })
    }
    return total
  },
})
