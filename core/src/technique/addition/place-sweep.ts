/**
 * add-place-sweep: all parts of the highest place first, then those of the next; only the totals are said.
 * 38+94+75: 30, 120, 190, 198, 202, 207; or, with the first number kept whole, 128, 198, 202, 207.
 */

import { ZERO } from '../../number/decimal.js'
import { firstOf } from '../../number/present.js'
import { signed } from '../../problem/problem.js'
import { PLACE_SWEEP } from '../../words/addition.js'
import { technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { START } from '../variants.js'
import { addParts, partsOf, rangeOf, readPlainSum } from './parts.js'

export const addPlaceSweep = technique({
  id: 'add-place-sweep',
  words: PLACE_SWEEP,
  family: 'addition',
  needs: ['add-running-total'],
  variants: [START],
  // Targets: common practice, no published source (a list of four or five two-digit numbers in 5 s).
  levels: [
    ['Two numbers, nothing carries', 2.5, { carries: 0 }],
    ['Two numbers, one carry', 3, { carries: 1 }],
    ['Three two-digit numbers, nothing carries', 4, { terms: 3, carries: 0 }],
    ['Three two-digit numbers', 4, { terms: 3 }],
    ['Four two-digit numbers', 5, { terms: 4 }],
    ['Five two-digit numbers', 5, { terms: 5 }],
    ['Three three-digit numbers, one carry', 6, { terms: 3, digits: 3, carries: 1 }],
    ['Three three-digit numbers', 6, { terms: 3, digits: 3 }],
    ['Three three-digit numbers with two zeros', 6, { terms: 3, digits: 3, zeros: 2 }],
    ['Three numbers with one decimal', 6, { terms: 3, decimals: 1 }],
    ['Five three-digit numbers', 10, { terms: 5, digits: 3 }],
    ['Eight two-digit numbers', 10, { terms: 8 }],
    ['Three numbers of different length', 8, { terms: 3, digits: 4, shortest: 2 }],
  ],
  parameters: sumBoard(),
  read: readPlainSum,
  *work(problem, variant) {
    const range = rangeOf(problem)
    const [first, ...later] = firstOf(1, problem.terms)
    const whole = variant.start === 'first-whole'
    const parts = partsOf(whole ? later : problem.terms)
    const groups = []
    for (let place = range.highest; place >= range.lowest; place -= 1)
      groups.push(parts.filter((p) => p.place === place))
    return yield* addParts(whole ? signed(first) : ZERO, groups, range, true)
  },
})
