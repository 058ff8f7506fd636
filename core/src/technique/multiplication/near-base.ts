/**
 * multiply-near-base: both factors near 10^k: one factor plus the other's deviation | product of the deviations,
 * padded to k digits, settled by carry or borrow. 96×93: 89|28. 104×107: 111|28. 97×105: 102|−15 = 10185.
 */
import { decimal } from '../../number/decimal.js'
import { said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { level } from '../level.js'
import { type Misfit, misfit, technique } from '../make.js'
import { type Base, baseOf, deviationStep, fromDeviations, nearBase } from './base.js'
import { readWholeFactors } from './product.js'

interface Near extends Base {
  readonly a: bigint
  readonly b: bigint
}

const both = (zeros: number, most: number, first: -1 | 0 | 1, second = first, least = 1) =>
  mapped(pairs(nearBase(zeros, most, first, least), nearBase(zeros, most, second, least)), ([a, b]) =>
    productOf(decimal(a), decimal(b)),
  )

export const multiplyNearBase = technique({
  id: 'multiply-near-base',
  name: 'Near a base',
  family: 'multiplication',
  about: 'Both numbers lie near 10, 100 or 1000: work with how far they are from it.',
  needs: ['multiply-crosswise', 'subtract-complement'],
  lesson: {
    example: '96*93',
    when: 'Both factors lie near the same power of ten, on either side.',
    whenNot: 'The deviations are long themselves: 76 × 83 is as quick crosswise.',
    because: [
      '(B + d)(B + e) = B×(B + d + e) + d×e, with B = 100, d = −4, e = −7.',
      'B + d + e is one number with the deviation of the other: 96 − 7 = 89 hundreds.',
      'd × e = 28 stands in the two places behind.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source (5 s).
  levels: [
    level('Below 10', 4, () => both(1, 5, -1)),
    level('Above 10', 4, () => both(1, 5, 1)),
    level('Up to nine below 100', 5, () => both(2, 9, -1)),
    level('Up to nine above 100', 5, () => both(2, 9, 1)),
    level('Up to three from 100, the back padded', 5, () => both(2, 3, -1)),
    level('More than ten below 100', 8, () => both(2, 25, -1, -1, 11)),
    level('One below, one above 100', 7, () => both(2, 9, -1, 1)),
    level('Up to nine below 1000', 6, () => both(3, 9, -1)),
    level('Near 1000, either side', 10, () => both(3, 30, 0)),
    level('Near 10 000, either side', 12, () => both(4, 12, 0)),
  ],
  dials: {
    dials: [
      dial('zeros', 'Zeros of the base', 1, 6, 2),
      dial('most', 'Deviation at most', 1, 250_000, 9),
      dial('least', 'Deviation at least', 1, 250_000, 1),
      dial('side', 'Below (1), above (2), one each (3)', 1, 3),
    ],
    problems: ({ zeros = 2, most = 9, least = 1, side }) =>
      side === undefined
        ? both(zeros, most, 0, 0, least)
        : both(zeros, most, side === 2 ? 1 : -1, side === 1 ? -1 : 1, least),
  },
  read(problem): Near | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    const { a, b } = found
    const [first, second] = [baseOf(a), baseOf(b)]
    if (!first || !second) return misfit(`${said(first ? b : a)} is not near a power of ten`)
    if (first.base !== second.base)
      return misfit(
        `${said(a)} is near ${said(first.base)}, ${said(b)} near ${said(second.base)}: the bases differ`,
      )
    return first.zeros > 9 ? misfit('the base has more than 9 zeros') : { a, b, ...first }
  },
  *work({ a, b, base, zeros }) {
    const d = (yield deviationStep(a, { base, zeros }, [])).units
    const e = (yield deviationStep(b, { base, zeros }, [d])).units
    return yield* fromDeviations(a, d, e, { base, zeros })
  },
})
