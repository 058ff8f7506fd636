/**
 * add-running-total: keep the first number whole; add the next number part by part from its highest place.
 * 364+278: 564, 634, 642. A term with a minus sign is taken away in the same way; the total may fall below zero.
 */
import { firstOf } from '../../number/present.js'
import { signed } from '../../problem/problem.js'
import { RUNNING_TOTAL } from '../../words/addition.js'
import { technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { addParts, partsOf, rangeOf, readRunningTotal } from './parts.js'

export const addRunningTotal = technique({
  id: 'add-running-total',
  words: RUNNING_TOTAL,
  family: 'addition',
  needs: [],
  // Targets: common practice, no published source (a list of four or five two-digit numbers in 5 s).
  levels: [
    ['Two digits, nothing carries', 2.5, { carries: 0 }],
    ['Two digits, one carry', 3, { carries: 1 }],
    ['Two digits, both columns carry', 3, { carries: 2 }],
    ['Three digits, nothing carries', 4, { digits: 3, carries: 0 }],
    ['Three digits, one carry', 4, { digits: 3, carries: 1 }],
    ['Three digits, two carries', 4.5, { digits: 3, carries: 2 }],
    ['A carry that runs through a nine', 4.5, { digits: 3, nines: 1 }],
    ['Four digits with two zeros', 5, { digits: 4, zeros: 2 }],
    ['Three two-digit numbers', 4, { terms: 3 }],
    ['Five two-digit numbers', 5, { terms: 5 }],
    ['One decimal', 5, { decimals: 1 }],
    ['One and two decimals', 6, { decimals: 1, others: 2 }],
    ['Six digits, three carries', 9, { digits: 6, carries: 3 }],
    ['Ten digits', 16, { digits: 10 }],
    ['Four one-digit numbers, below zero too', 4, { terms: 4, digits: 1, minus: 1 }],
    ['Three numbers of different length', 7, { terms: 3, digits: 5, shortest: 3 }],
  ],
  parameters: sumBoard([2, 12], true),
  read: readRunningTotal,
  *work(problem) {
    const [first, ...later] = firstOf(1, problem.terms)
    return yield* addParts(
      signed(first),
      later.map((term) => partsOf([term])),
      rangeOf(problem),
    )
  },
})
