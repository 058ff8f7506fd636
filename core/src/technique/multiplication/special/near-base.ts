/**
 * multiply-near-base: both factors near 10^k: one factor changed by the other's gap | product of the gaps, padded to k
 * digits, settled by carry or borrow. 96×93: 89|28. 104×107: 111|28. 97×105: 102|15 taken away = 10185.
 */
import { decimal } from '../../../number/decimal.js'
import { said } from '../../../number/whole.js'
import { productOf } from '../../../problem/problem.js'
import { between, either, mapped, pairs } from '../../../problem/space.js'
import { MISFIT, NEAR_BASE } from '../../../words/multiplication.js'
import { onFactors } from '../../conditions.js'
import { type Misfit, misfit, technique } from '../../make.js'
import { parameter } from '../../quantities/boards.js'
import { HALVES_THAT_JOIN } from '../../quantities/front-back.js'
import { eitherWay } from '../../quantities/rounding.js'
import { readWholeFactors } from '../product.js'
import { type Base, baseOf, fromGaps, gapStep, nearBase } from './base.js'

interface Near extends Base {
  readonly a: bigint
  readonly b: bigint
}

export const multiplyNearBase = technique({
  id: 'multiply-near-base',
  words: NEAR_BASE,
  family: 'multiplication',
  needs: ['multiply-addition'],
  ways: HALVES_THAT_JOIN,
  // Targets: common practice, no published source (5 s).
  levels: [
    ['Below 10', 4, { zeros: 1, most: 5, side: 1 }],
    ['Above 10', 4, { zeros: 1, most: 9, side: 2 }],
    ['Up to nine below 100', 5, { side: 1 }],
    ['Up to nine above 100', 5, { side: 2 }],
    ['Up to three from 100, the back padded', 5, { most: 3, side: 1 }],
    ['More than ten below 100', 8, { most: 25, least: 11, side: 1 }],
    ['One below, one above 100', 7, { side: 3 }],
    ['Up to nine below 1000', 6, { zeros: 3, side: 1 }],
    ['Near 1000, either side', 10, { zeros: 3, most: 30 }],
    ['Near 10 000, either side', 12, { zeros: 4, most: 12 }],
  ],
  parameters: {
    parameters: [
      parameter('zeros', 'Zeros of the base', 1, 6, 2),
      parameter('most', 'Gap at most', 1, 500_000, 9),
      parameter('least', 'Gap at least', 1, 500_000, 1),
      parameter('side', 'Below (1), above (2), one each (3)', 1, 3),
    ],
    problems({ zeros = 2, most = 9, least = 1, side }) {
      const [first, second] = [undefined, [-1, -1], [1, 1], [-1, 1]][side ?? 0] ?? [0, 0]
      const near = (way: number | undefined) => nearBase(zeros, most, way as -1 | 0 | 1, least)
      return mapped(pairs(near(first), near(second)), ([a, b]) => productOf(decimal(a), decimal(b)))
    },
  },
  conditions: [
    onFactors(
      'near-base/near',
      (a, b) => baseOf(a) !== undefined && baseOf(b) !== undefined,
      () => eitherWay(nearBase(2, 9), between(20, 49)),
    ),
    onFactors(
      'near-base/same',
      (a, b) => {
        const [first, second] = [baseOf(a), baseOf(b)]
        return !first || !second || first.base === second.base
      },
      () => eitherWay(nearBase(2, 9), either(nearBase(3, 9), nearBase(1, 3))),
    ),
  ],
  read(problem): Near | Misfit {
    const found = readWholeFactors(problem)
    if ('because' in found) return found
    const { a, b } = found
    const [first, second] = [baseOf(a), baseOf(b)]
    if (!first || !second) return misfit(MISFIT.near(said(first ? b : a)))
    if (first.base !== second.base)
      return misfit(MISFIT.bases(said(a), said(first.base), said(b), said(second.base)))
    return first.zeros > 9 ? misfit(MISFIT.zeros(9)) : { a, b, ...first }
  },
  *work({ a, b, base, zeros }, variant) {
    const d = yield* gapStep(a, { base, zeros }, [])
    const e = yield* gapStep(b, { base, zeros }, [d])
    return decimal(yield* fromGaps(a, b, [d, e], { base, zeros }, variant, false))
  },
})
