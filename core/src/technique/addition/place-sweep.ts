/**
 * add-place-sweep: all parts of the highest place first, then those of the next; only the totals are said.
 * 38+94+75: 128, 198, 202, 207; or, with the first number said by parts as well, 30, 120, 190, 198, 202, 207.
 */

import { ZERO } from '../../number/decimal.js'
import { signed } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { sumSpace } from '../../problem/sums.js'
import { sumBoard } from '../boards.js'
import { level } from '../level.js'
import { technique } from '../make.js'
import { START } from '../schools.js'
import { addPart, partsOf, rangeOf, readPlainSum, sayTotal } from './parts.js'

const list = (terms: number, digits: number) => Array.from({ length: terms }, () => shape(digits))

export const addPlaceSweep = technique({
  id: 'add-place-sweep',
  name: 'Place sweep',
  family: 'addition',
  about: 'Sweep the whole list place by place: all the tens, then all the units, saying only the totals.',
  needs: ['add-running-total'],
  lesson: {
    example: '38+94+75',
    when: 'Three numbers and more, of any length: one place at a time keeps the list in order.',
    whenNot: 'Two short numbers: a running total is as quick.',
    because: [
      '38 + 94 + 75 = (30 + 90 + 70) + (8 + 4 + 5).',
      'All the tens first: the total is near the answer before the units begin.',
      'Only totals are said; the signs and the parts stay silent.',
    ],
  },
  schools: [START],
  // Targets: common practice, no published source (a list of four or five two-digit numbers in 5 s).
  levels: [
    level('Two numbers, nothing carries', 2.5, () => sumSpace({ terms: list(2, 2), carries: 0 })),
    level('Two numbers, one carry', 3, () => sumSpace({ terms: list(2, 2), carries: 1 })),
    level('Three two-digit numbers, nothing carries', 4, () => sumSpace({ terms: list(3, 2), carries: 0 })),
    level('Three two-digit numbers', 4, () => sumSpace({ terms: list(3, 2) })),
    level('Four two-digit numbers', 5, () => sumSpace({ terms: list(4, 2) })),
    level('Five two-digit numbers', 5, () => sumSpace({ terms: list(5, 2) })),
    level('Three three-digit numbers, one carry', 6, () => sumSpace({ terms: list(3, 3), carries: 1 })),
    level('Three three-digit numbers', 6, () => sumSpace({ terms: list(3, 3) })),
    level('Three three-digit numbers with two zeros', 6, () => sumSpace({ terms: list(3, 3), zeros: 2 })),
    level('Three numbers with one decimal', 6, () =>
      sumSpace({ terms: [shape(2, 1), shape(2, 1), shape(2, 1)] }),
    ),
    level('Five three-digit numbers', 10, () => sumSpace({ terms: list(5, 3) })),
    level('Eight two-digit numbers', 10, () => sumSpace({ terms: list(8, 2) })),
  ],

  dials: sumBoard(),

  read: readPlainSum,

  *work(problem, school) {
    const range = rangeOf(problem)
    const [first, ...later] = problem.terms
    const whole = school.start === 'first-whole'
    // Sorting is stable: within a place the terms keep their order.
    const parts = partsOf(whole ? later : problem.terms).sort((a, b) => b.place - a.place)
    let total = whole ? signed(first!) : ZERO
    if (parts.length === 0) total = yield sayTotal(total, range.lowest)
    for (const [index, part] of parts.entries()) total = yield addPart(total, part, parts[index + 1], range)
    return total
  },
})
