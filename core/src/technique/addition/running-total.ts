/**
 * add-running-total: keep the first number whole; add the next number part by part from its highest place.
 * 364+278: 564, 634, 642. A term with a minus sign is taken away in the same way.
 */
import { signed } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { sumSpace } from '../../problem/sums.js'
import { sumBoard } from '../boards.js'
import { level } from '../level.js'
import { technique } from '../make.js'
import { addPart, partsOf, rangeOf, readRunningTotal, sayTotal } from './parts.js'

const two = shape(2)
const three = shape(3)

export const addRunningTotal = technique({
  id: 'add-running-total',
  name: 'Running total',
  family: 'addition',
  about: 'Keep the first number whole and add the next one part by part, highest place first.',
  needs: [],
  lesson: {
    example: '364+278',
    when: 'Two or three numbers, spoken or written: the first is already in your ear.',
    whenNot: 'A long list, where the same place comes round again and again: sweep it place by place.',
    because: [
      '278 is 200 + 70 + 8.',
      '364 + 278 = 364 + 200 + 70 + 8: the parts can go in one after the other.',
      'From the left, each total is already near the answer, and only one digit and its carry change.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source (a list of four or five two-digit numbers in 5 s).
  levels: [
    level('Two digits, nothing carries', 2.5, () => sumSpace({ terms: [two, two], carries: 0 })),
    level('Two digits, one carry', 3, () => sumSpace({ terms: [two, two], carries: 1 })),
    level('Two digits, both columns carry', 3, () => sumSpace({ terms: [two, two], carries: 2 })),
    level('Three digits, nothing carries', 4, () => sumSpace({ terms: [three, three], carries: 0 })),
    level('Three digits, one carry', 4, () => sumSpace({ terms: [three, three], carries: 1 })),
    level('Three digits, two carries', 4.5, () => sumSpace({ terms: [three, three], carries: 2 })),
    level('A carry that runs through a nine', 4.5, () => sumSpace({ terms: [three, three], nines: 1 })),
    level('Four digits with two zeros', 5, () => sumSpace({ terms: [shape(4), shape(4)], zeros: 2 })),
    level('Three two-digit numbers', 4, () => sumSpace({ terms: [two, two, two] })),
    level('Five two-digit numbers', 5, () => sumSpace({ terms: [two, two, two, two, two] })),
    level('One decimal', 5, () => sumSpace({ terms: [shape(2, 1), shape(2, 1)] })),
    level('One and two decimals', 6, () => sumSpace({ terms: [shape(2, 1), shape(2, 2)] })),
    level('Six digits, three carries', 9, () => sumSpace({ terms: [shape(6), shape(6)], carries: 3 })),
    level('Ten digits', 16, () => sumSpace({ terms: [shape(10), shape(10)] })),
  ],

  dials: sumBoard(),

  read: readRunningTotal,

  *work(problem) {
    const range = rangeOf(problem)
    const [first, ...later] = problem.terms
    const parts = partsOf(later)
    let total = signed(first!)
    if (parts.length === 0) total = yield sayTotal(total, range.lowest)
    for (const [index, part] of parts.entries()) total = yield addPart(total, part, parts[index + 1], range)
    return total
  },
})
